import { useSyncExternalStore } from 'react'

const OWN = String(import.meta.env.VITE_EKROND_BUILD ?? '')

let served = OWN
const watchers = new Set<() => void>()

/** Notes which build the server has now, as each window hears it. */
export function noteVersion(version: string): void {
  if (served === version) return
  served = version
  watchers.forEach((watcher) => watcher())
}

/** Whether the server has another build than this window, newer or older. */
export const useOtherVersion = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      watchers.add(changed)
      return () => watchers.delete(changed)
    },
    () => OWN !== '' && served !== '' && served !== OWN,
  )

const RELOADED_KEY = 'ekrond reloaded for'

/** Loads the page once more where a part of it is gone from the server: once, or it would go round. */
export function reloadOnce(what: string): boolean {
  try {
    if (sessionStorage.getItem(RELOADED_KEY) === what) return false
    sessionStorage.setItem(RELOADED_KEY, what)
  } catch {
    return false
  }
  location.reload()
  return true
}
