import { useCallback, useEffect, useRef, useState } from 'react'
import { keepDraft, keptDraft } from './store'

/**
 * What is typed and not yet entered, kept for each job and field across reloads; it is no entry. Set to a text, or to what a
 * function makes of the text that stands now.
 */
export function useDraft(key: string): [string, (text: string | ((now: string) => string)) => void] {
  const [typed, setTyped] = useState<{ key: string; text: string }>({ key, text: '' })
  const newest = useRef<{ key: string; text: string } | null>(null)
  useEffect(() => {
    let gone = false
    void keptDraft(key).then((kept) => {
      // What was typed meanwhile is newer.
      if (gone || kept === undefined || newest.current?.key === key) return
      newest.current = { key, text: kept }
      setTyped({ key, text: kept })
    })
    return () => {
      gone = true
    }
  }, [key])
  const set = useCallback(
    (next: string | ((now: string) => string)) => {
      const now = newest.current?.key === key ? newest.current.text : ''
      const text = typeof next === 'string' ? next : next(now)
      newest.current = { key, text }
      setTyped({ key, text })
      void keepDraft(key, text)
    },
    [key],
  )
  return [typed.key === key ? typed.text : '', set]
}

/** Where the text of a field is kept while it is typed. */
export const draftKey = (job: string, station: string, code: string, place?: string, body = 1): string =>
  `${job}/${body > 1 ? `${body}/` : ''}${station}/${code}${place && place !== code ? `/${place}` : ''}`
