import type { Queued } from './store'

/**
 * What may go out now, by job, in the order in which it was entered, `most` a job. A refused entry holds up only those that
 * name it in `corrects` or `after`, and what names those; jobs do not hold each other up.
 */
export function sendable(all: readonly Queued[], most: number): Map<string, Queued[]> {
  const held = new Set(all.filter((item) => item.refused).map((item) => item.id))
  const jobs = new Map<string, Queued[]>()
  for (const item of all) {
    if (item.refused) continue
    const { corrects, after } = item.entry
    if ((corrects && held.has(corrects)) || (after && held.has(after))) {
      held.add(item.id)
      continue
    }
    const list = jobs.get(item.job) ?? []
    if (list.length < most) list.push(item)
    jobs.set(item.job, list)
  }
  return jobs
}
