import { readLocal, writeLocal } from './local'
import { useSyncExternalStore } from 'react'

const KEY = 'ekrond person'
const ACTIVE_KEY = 'ekrond active'
/** After this long without a key or a touch the next hands are asked whose they are. */
const IDLE_MS = 20 * 60_000
/** The last touch is written down no oftener than this. */
const WRITE_MS = 15_000
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
    () => readLocal(KEY),
  )
  return { person, choose: choosePerson }
}

function choosePerson(name: string) {
  writeLocal(KEY, name)
  writeLocal(ACTIVE_KEY, String(Date.now()))
  watchers.forEach((watcher) => watcher())
}

/** Forgets the name when hands come back after an idle while; what is typed and queued stays. */
export function watchIdle(): void {
  let written = 0
  const touched = () => {
    const now = Date.now()
    const last = Number(readLocal(ACTIVE_KEY) ?? now)
    if (now - last > IDLE_MS && readLocal(KEY)) {
      writeLocal(KEY, null)
      watchers.forEach((watcher) => watcher())
    }
    if (now - written < WRITE_MS && now - last < IDLE_MS) return
    written = now
    writeLocal(ACTIVE_KEY, String(now))
  }
  touched()
  for (const kind of ['keydown', 'pointerdown']) window.addEventListener(kind, touched, true)
}
