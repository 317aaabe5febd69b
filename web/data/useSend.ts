import { useMutation, useQueryClient, type QueryKey } from '@tanstack/react-query'
import { useState } from 'react'
import { post, type ApiError } from './api'

/**
 * Sends one thing to the server at a time. `wrong` is what keeps it back, our own reason or the server’s sentence; `stale` is asked
 * anew once it was answered, whichever way: what somebody else did meanwhile is seen then.
 */
export function useSend<A>({
  path,
  method = 'POST',
  stale,
  done,
  failed,
}: {
  path: string
  method?: 'POST' | 'PUT'
  stale: readonly QueryKey[]
  /** after it was taken */
  done?: (answer: A) => unknown
  failed?: (error: ApiError) => unknown
}) {
  const client = useQueryClient()
  const [reason, setReason] = useState('')
  const sending = useMutation<A, ApiError, unknown>({
    // Away is said at once, and nothing goes out by itself later: these are no entries.
    networkMode: 'always',
    mutationFn: (body) => post<A>(path, body, method),
    onSuccess: done,
    onError: failed,
    onSettled: () => Promise.all(stale.map((queryKey) => client.invalidateQueries({ queryKey }))),
  })
  return {
    wrong: reason || (sending.error?.message ?? ''),
    setWrong: (words: string) => {
      sending.reset()
      setReason(words)
    },
    busy: sending.isPending,
    send: (body: unknown) => {
      setReason('')
      if (!sending.isPending) sending.mutate(body)
    },
  }
}
