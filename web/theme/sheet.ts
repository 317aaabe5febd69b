import { readLocal, writeLocal } from '../data/local'
import { useSyncExternalStore } from 'react'

const KEY = 'ekrond sheet'
export type SheetTheme = 'light' | 'dark'
const watchers = new Set<() => void>()

const read = (): SheetTheme => {
  const kept = readLocal(KEY)
  if (kept === 'light' || kept === 'dark') return kept
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export function applySheet(): void {
  document.documentElement.dataset.sheet = read()
}

/** The sheet that is drawn on: paper or blueprint. */
export function useSheetTheme(): [SheetTheme, () => void] {
  const theme = useSyncExternalStore((changed) => {
    watchers.add(changed)
    return () => watchers.delete(changed)
  }, read)
  return [
    theme,
    () => {
      writeLocal(KEY, theme === 'light' ? 'dark' : 'light')
      applySheet()
      watchers.forEach((watcher) => watcher())
    },
  ]
}
