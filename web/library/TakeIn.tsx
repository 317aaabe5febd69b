import type { ListNumberFile } from '@ekrond/contract/library'
import { useNavigate } from 'react-router'
import { usePerson } from '../data/person'
import { useSend } from '../data/useSend'
import { ErrorLine } from '../ui'

/** A list number that another shop shared, as a file. */
export function TakeIn() {
  const navigate = useNavigate()
  const { person } = usePerson()
  const { send, wrong, setWrong } = useSend<{ listNumber: string }>({
    path: '/api/list-numbers',
    stale: [['list-numbers'], ['catalogue']],
    done: ({ listNumber }) => void navigate(`/library/${encodeURIComponent(listNumber)}`),
  })
  const take = async (chosen: File | undefined) => {
    if (!chosen) return
    let file: ListNumberFile
    try {
      file = JSON.parse(await chosen.text()) as ListNumberFile
    } catch {
      return setWrong(`${chosen.name} is not a list number file. Ask for it again.`)
    }
    send({ by: person ?? 'unnamed', file })
  }
  return (
    <>
      <label style={{ cursor: 'pointer', textDecoration: 'underline', textUnderlineOffset: 4 }}>
        Import one
        <input
          className="visually-hidden"
          type="file"
          accept=".json,application/json"
          onChange={(event) => void take(event.target.files?.[0])}
        />
      </label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </>
  )
}
