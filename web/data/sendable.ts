import { actsOf, type UnsentEntry } from '@ekrond/core/log'

/** An entry that waits for the server, or that it refused. */
export interface Queued {
  order?: number
  id: string
  job: string
  entry: UnsentEntry
  /** set where the server refused it: kept until somebody puts it right or drops it */
  refused?: { code: string; sentence: string; field?: string }
}

/**
 * What may go out now, by job, in the order in which it was entered, `most` a job. A refused entry holds up only those that
 * name it in `corrects` or `after`, and what names those; jobs do not hold each other up.
 */
export function sendable<Q extends Queued>(all: readonly Q[], most: number): Map<string, Q[]> {
  const held = new Set(all.filter((item) => item.refused).map((item) => item.id))
  const jobs = new Map<string, Q[]>()
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
function wholeActs<Q extends Queued>(items: readonly Q[], most: number): Q[] {
  const byId = new Map(items.map((item) => [item.id, item]))
  const sent: Q[] = []
  for (const act of actsOf(items.map(({ entry }) => entry))) {
    if (sent.length > 0 && sent.length + act.length > most) break
    sent.push(...act.map(({ id }) => byId.get(id)!))
  }
  return sent
}
