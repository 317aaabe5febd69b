import type { CustomersAnswer } from '@ekrond/contract/jobs'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from './api'

/** Customers with their engines that a fragment finds, the newest first. */
export const useCustomers = (q: string) =>
  useQuery<CustomersAnswer, ApiError>({
    queryKey: ['customers', q],
    queryFn: () => call(`/api/customers?q=${encodeURIComponent(q)}`),
    placeholderData: (before) => before,
    // Until its own answer is here the one before it stands, less what no longer fits: an arrow never lands on a stranger.
    select: ({ customers }) => ({ customers: customers.filter((known) => fitsTyped(known, q)) }),
    staleTime: 30_000,
  })

/** Whether a customer is found by what was typed, in the name, the engine or what it drives. */
export const fitsTyped = (
  { customer, engine, equipment }: Pick<Known, 'customer' | 'engine' | 'equipment'>,
  typed: string,
): boolean =>
  [customer, engine, equipment].some((words) => words.toLowerCase().includes(typed.trim().toLowerCase()))

type Known = CustomersAnswer['customers'][number]
