import { useSyncExternalStore } from 'react'

const KEY = 'ekrond person'
const watchers = new Set<() => void>()

/** Whose hands are at this bench: one name a browser. */
export function usePerson(): { person: string | null; choose: (name: string) => void } {
  const person = useSyncExternalStore(
    (changed) => {
      watchers.add(changed)
      window.addEventListener('storage', changed)
      return () => {
        watchers.delete(changed)
        window.removeEventListener('storage', changed)
      }
    },
    () => localStorage.getItem(KEY),
  )
  return { person, choose: choosePerson }
}

function choosePerson(name: string) {
  localStorage.setItem(KEY, name)
  watchers.forEach((watcher) => watcher())
}
