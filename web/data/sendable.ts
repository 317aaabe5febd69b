import { actsOf } from '@ekrond/core/log'
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
    list.push(item)
    jobs.set(item.job, list)
  }
  for (const [job, list] of jobs) jobs.set(job, wholeActs(list, most))
  return jobs
}

/** As many as one request carries, no act cut in two; one that is larger goes alone. */
function wholeActs(items: readonly Queued[], most: number): Queued[] {
  const byId = new Map(items.map((item) => [item.id, item]))
  const sent: Queued[] = []
  for (const act of actsOf(items.map(({ entry }) => entry))) {
    if (sent.length > 0 && sent.length + act.length > most) break
    sent.push(...act.map(({ id }) => byId.get(id)!))
  }
  return sent
}
