import type { JobsAnswer } from '@ekrond/contract/jobs'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from './api'

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

export const useJobs = (filter: RackFilter) =>
  useQuery<JobsAnswer, ApiError>({
    queryKey: ['jobs', filter],
    queryFn: () =>
      call(
        `/api/jobs?${new URLSearchParams({ q: filter.q, status: filter.status, by: filter.by, customer: filter.customer, waits: filter.waits ? '1' : '', limit: MOST_FETCHED })}`,
      ),
    placeholderData: (before) => before,
  })
