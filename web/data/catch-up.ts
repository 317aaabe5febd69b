import type { EntriesAnswer, JobAnswer } from '@ekrond/contract/jobs'
import type { QueryClient } from '@tanstack/react-query'
import { call } from './api'

/** Fetches the entries that a shown job lacks; the sheets come along anew where the identification changed. */
export async function catchUp(client: QueryClient, job: string): Promise<void> {
  for (const [key, known] of client.getQueriesData<JobAnswer>({ queryKey: ['job'] })) {
    if (known ? known.job !== job : !mayBe(key[1], job)) continue
    if (!known) {
      // An answer on its way may be from before the entry: it would lack it, or say that there is no such job. It is asked anew.
      await client.cancelQueries({ queryKey: key, exact: true })
      await client.refetchQueries({ queryKey: key, exact: true })
      continue
    }
    try {
      const { entries } = await call<EntriesAnswer>(`/api/jobs/${job}/entries?after=${known.seq}`)
      if (entries.some((entry) => entry.kind === 'ident.chosen' || entry.kind === 'entry.struck'))
        await client.invalidateQueries({ queryKey: key })
      else
        client.setQueryData<JobAnswer>(key, (now) => {
          const fresh = entries.filter((entry) => entry.seq > (now?.seq ?? 0))
          return now && fresh.length
            ? { ...now, entries: [...now.entries, ...fresh], seq: fresh.at(-1)!.seq }
            : now
        })
    } catch (error) {
      await client.invalidateQueries({ queryKey: key })
      if (client.getQueryState(key)?.isInvalidated) throw error
    }
  }
}

/** Looks once for what the jobs that are shown lack: what was taken between their answers and the moment that this window hears of more. */
export async function catchUpShown(client: QueryClient): Promise<void> {
  await Promise.allSettled(
    client
      .getQueryCache()
      .findAll({ queryKey: ['job'] })
      .map(async (query) => {
        if (query.state.fetchStatus === 'fetching') await query.promise
        const known = query.state.data as JobAnswer | undefined
        if (known) await catchUp(client, known.job)
      }),
  )
}

/** Whether a job that is asked for by its number or its uuid, and not known yet, may be that one: which number it has nobody knows. */
const mayBe = (asked: unknown, job: string): boolean => asked === job || /^\d+$/.test(String(asked))

/** An answer that was on its way while entries were taken is from before them: a log only grows, and what is known of it stays. */
export function grown(answer: JobAnswer, known: JobAnswer | undefined): JobAnswer {
  if (!known || known.job !== answer.job || known.seq <= answer.seq) return answer
  const more = known.entries.filter((entry) => entry.seq > answer.seq)
  return { ...answer, entries: [...answer.entries, ...more], seq: known.seq }
}
