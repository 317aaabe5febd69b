import type { StoreAnswer, StoreKind, StoreRecord } from '@ekrond/contract/stores'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { call, post, type ApiError } from '../data/api'
import { usePerson } from '../data/person'

const addressOf = (what: StoreKind, code: string) => `/api/stores/${what}/${encodeURIComponent(code)}`

/** One part, kit or supplier as the shop has it, with who changed it. */
export const useStore = <K extends StoreKind>(what: K, code: string) =>
  useQuery<StoreAnswer<K>, ApiError>({
    queryKey: ['store', what, code],
    queryFn: () => call(addressOf(what, code)),
    enabled: code !== '',
  })

/** Saves one, guarded by the version that was edited: what is typed stays, whoever saved meanwhile. */
export function useSave<K extends StoreKind>(what: K, base: number) {
  const client = useQueryClient()
  const { person } = usePerson()
  const [version, setVersion] = useState(base)
  const [wrong, setWrong] = useState('')
  const [theirs, setTheirs] = useState<StoreAnswer<K> | null>(null)
  const save = async (code: string, record: StoreRecord<K> | null): Promise<boolean> => {
    setWrong('')
    try {
      const sent = { version: theirs?.version ?? version, by: person ?? 'unnamed', record }
      const saved = await post<{ version: number }>(addressOf(what, code), sent, 'PUT')
      setVersion(saved.version)
      setTheirs(null)
      await Promise.all(
        [['store', what, code], ['stores'], ['market']].map((queryKey) =>
          client.invalidateQueries({ queryKey }),
        ),
      )
      return true
    } catch (error) {
      const { message, status } = error as ApiError
      setWrong(message)
      if (status === 409) setTheirs(await call<StoreAnswer<K>>(addressOf(what, code)).catch(() => null))
      return false
    }
  }
  return {
    save,
    wrong,
    setWrong,
    theirs,
    taken: (now: StoreAnswer<K>) => (setVersion(now.version), setTheirs(null), setWrong('')),
  }
}
