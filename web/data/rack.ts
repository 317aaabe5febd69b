import type { JobsAnswer } from '@ekrond/contract/jobs'
import { useQuery } from '@tanstack/react-query'
import { ApiError, callKept } from './api'
import { stampNow } from './clock'
import { readLocal, writeLocal } from './local'

/** The rack hangs so many at once; the server says how many there are. */
const MOST_FETCHED = '1000'

export interface RackFilter {
  q: string
  status: 'open' | 'all'
  by: string
  customer: string
  waits: boolean
}
/** Every job that is in the shop. */
export const ALL_OPEN: RackFilter = { q: '', status: 'open', by: '', customer: '', waits: false }

/** The rack as the server said it last, and when: shown where the server cannot be reached. */
export type Rack = JobsAnswer & { asOf?: string }
const KEPT = 'ekrond rack'

/** Whether all jobs that are open were asked for: this answer is kept. */
const isWhole = ({ q, by, customer, waits, status }: RackFilter) =>
  status === 'open' && !q && !by && !customer && !waits

async function orKept(
  filter: RackFilter,
  asked: Promise<{ answer: JobsAnswer; kept: string | null }>,
): Promise<Rack> {
  try {
    const { answer, kept } = await asked
    if (kept !== null) return { ...answer, ...(kept && { asOf: new Date(kept).toISOString() }) }
    if (isWhole(filter)) writeLocal(KEPT, JSON.stringify({ ...answer, asOf: stampNow() } satisfies Rack))
    return answer
  } catch (error) {
    const kept = error instanceof ApiError && error.status === 0 ? readLocal(KEPT) : null
    if (kept === null) throw error
    return { ...(JSON.parse(kept) as Rack) }
  }
}

export const useJobs = (filter: RackFilter) =>
  useQuery<Rack, ApiError>({
    queryKey: ['jobs', filter],
    queryFn: () =>
      orKept(
        filter,
        callKept<JobsAnswer>(
          `/api/jobs?${new URLSearchParams({ q: filter.q, status: filter.status, by: filter.by, customer: filter.customer, waits: filter.waits ? '1' : '', limit: MOST_FETCHED })}`,
        ),
      ),
    placeholderData: (before) => before,
  })
