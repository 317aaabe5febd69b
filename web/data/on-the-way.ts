import type { Queued } from './outbox'

const KEY = 'ekrond.on-the-way.'

/**
 * What was entered and is not in this browser's store yet. Its store answers some milliseconds later, and a page that is left within
 * them takes what was on its way along: this is written before the tap is over, and the next page takes it up.
 */
export function setOut(items: readonly Queued[], keeps: Storage | undefined = browserKeeps()): void {
  if (!items[0]) return
  try {
    keeps?.setItem(KEY + items[0].id, JSON.stringify(items))
  } catch {
    // full or denied: the store alone has it, as before
  }
}

/** They are in the store now, or answered. */
export function arrived(ids: readonly string[], keeps: Storage | undefined = browserKeeps()): void {
  try {
    for (const id of ids) keeps?.removeItem(KEY + id)
  } catch {
    // denied
  }
}

/** What a page that was left did not bring as far as the store, oldest first. What is unreadable is passed over. */
export function leftBehind(keeps: Storage | undefined = browserKeeps()): Queued[][] {
  const found: Queued[][] = []
  try {
    for (let i = 0; keeps && i < keeps.length; i++) {
      const key = keeps.key(i)
      if (!key?.startsWith(KEY)) continue
      const items = read(keeps.getItem(key))
      if (items.length) found.push(items)
    }
  } catch {
    return found
  }
  return found.sort((a, b) => (a[0]!.entry.at < b[0]!.entry.at ? -1 : 1))
}

function read(text: string | null): Queued[] {
  try {
    const items: unknown = JSON.parse(text ?? '[]')
    return Array.isArray(items) ? (items as Queued[]).filter((item) => item?.id && item.entry?.at) : []
  } catch {
    return []
  }
}

function browserKeeps(): Storage | undefined {
  try {
    return localStorage
  } catch {
    return undefined
  }
}
