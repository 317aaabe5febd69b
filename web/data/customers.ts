import type { CustomersAnswer } from '@ekrond/contract/jobs'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from './api'

/** Customers with their engines that a fragment finds, the newest first. */
export const useCustomers = (q: string) =>
  useQuery<CustomersAnswer, ApiError>({
    queryKey: ['customers', q],
    queryFn: () => call(`/api/customers?q=${encodeURIComponent(q)}`),
    placeholderData: (before) => before,
    staleTime: 30_000,
  })
