import { daysBetween } from '@ekrond/core/base/days'

/** Columns of promises: overdue, today and six days on, later. */
export const DAYS = 7
/** A tag hangs over two columns. */
const SPAN = 2
/** Lines of tags in a lane before the rest is counted. */
const MOST_LINES = 3

export interface Hung<T> {
  row: T
  column: number
  line: number
}

/** Its promise's column, from 1; the last tags start early enough to hang whole. */
export const columnOf = (promise: string, today: string): number => {
  const days = daysBetween(today, promise)
  return days < 0 ? 1 : Math.min(days + 2, DAYS + 1)
}

/** Hangs a lane's tags so that none covers another: each on the first line that has room, three lines, the rest counted. */
export function hang<T extends { promise: string }>(
  rows: readonly T[],
  today: string,
): { hung: Hung<T>[]; more: number } {
  const ends: number[] = []
  const hung: Hung<T>[] = []
  let more = 0
  const sorted = [...rows].sort((a, b) => (a.promise < b.promise ? -1 : a.promise > b.promise ? 1 : 0))
  for (const row of sorted) {
    const column = columnOf(row.promise, today)
    let line = ends.findIndex((end) => end <= column)
    if (line < 0) line = ends.length
    if (line >= MOST_LINES) {
      more++
      continue
    }
    ends[line] = column + SPAN
    hung.push({ row, column, line: line + 1 })
  }
  return { hung, more }
}
