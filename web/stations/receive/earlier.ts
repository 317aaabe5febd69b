import type { JobAnswer } from '@ekrond/contract/jobs'
import { fold } from '@ekrond/core/log'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { call, type ApiError } from '../../data/api'

/** The job that one comes back from, with its state folded; nothing is fetched for number 0. */
export function useEarlierJob(number: number) {
  const { data, error } = useQuery<JobAnswer, ApiError>({
    queryKey: ['job', String(number)],
    queryFn: () => call(`/api/jobs/${number}`),
    retry: (failures, error) => error.passing && failures < 5,
    enabled: number > 0,
  })
  const state = useMemo(() => data && fold(data.job, data.entries), [data])
  return { state, sheets: data?.sheets, error }
}
