import type { ListNumberFile } from '@ekrond/contract/library'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { post, type ApiError } from '../data/api'
import { usePerson } from '../data/person'
import { ErrorLine } from '../ui'

/** A list number that another shop shared, as a file. */
export function TakeIn() {
  const navigate = useNavigate()
  const client = useQueryClient()
  const { person } = usePerson()
  const [wrong, setWrong] = useState('')
  const take = async (chosen: File | undefined) => {
    if (!chosen) return
    let file: ListNumberFile
    try {
      file = JSON.parse(await chosen.text()) as ListNumberFile
    } catch {
      return setWrong(`${chosen.name} is no list number’s file: it cannot be read. Ask for it again.`)
    }
    try {
      const { listNumber } = await post<{ listNumber: string }>('/api/list-numbers', {
        by: person ?? 'unnamed',
        file,
      })
      void client.invalidateQueries({ queryKey: ['list-numbers'] })
      void client.invalidateQueries({ queryKey: ['catalogue'] })
      void navigate(`/library/${encodeURIComponent(listNumber)}`)
    } catch (error) {
      setWrong((error as ApiError).message)
    }
  }
  return (
    <>
      <label style={{ cursor: 'pointer', textDecoration: 'underline', textUnderlineOffset: 4 }}>
        Take one in
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
