import type { OutcomesAnswer } from '@ekrond/contract/outcomes'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from './api'

/** What complaints came of in this shop, and what units of a list number came back with. */
export const useOutcomes = (listNumber: string | undefined) =>
  useQuery<OutcomesAnswer, ApiError>({
    queryKey: ['outcomes', listNumber ?? ''],
    queryFn: () => call(`/api/outcomes${listNumber ? `?listNumber=${encodeURIComponent(listNumber)}` : ''}`),
    staleTime: 60_000,
  })
