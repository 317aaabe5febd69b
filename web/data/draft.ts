import { useCallback, useEffect, useRef, useState } from 'react'
import { store } from './store'

/** What is typed and not yet entered, kept for each job and field across reloads; it is no entry. */
export function useDraft(key: string): [string, (text: string) => void] {
  const [typed, setTyped] = useState<{ key: string; text: string }>({ key, text: '' })
  const touched = useRef('')
  useEffect(() => {
    let gone = false
    void store()
      .then((db) => db.get('drafts', key))
      .then((kept) => {
        // What was typed meanwhile is newer.
        if (!gone && kept && touched.current !== key) setTyped({ key, text: kept })
      })
    return () => {
      gone = true
    }
  }, [key])
  const set = useCallback(
    (text: string) => {
      touched.current = key
      setTyped({ key, text })
      void store().then(async (db) => {
        if (text === '') await db.delete('drafts', key)
        else await db.put('drafts', text, key)
      })
    },
    [key],
  )
  return [typed.key === key ? typed.text : '', set]
}
