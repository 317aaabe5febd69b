import type { SheetsAnswer } from '@ekrond/contract/jobs'
import type { ListNumberAnswer, MarketAnswer } from '@ekrond/contract/library'
import type { Sheets } from '@ekrond/core/sheets'
import { useQuery, type QueryClient } from '@tanstack/react-query'
import { call, type ApiError } from './api'

export const useMarket = () =>
  useQuery<MarketAnswer, ApiError>({
    queryKey: ['market'],
    queryFn: () => call('/api/market'),
    staleTime: 60_000,
  })
export const listNumberQuery = (listNumber: string) => ({
  queryKey: ['list-number', listNumber],
  queryFn: () => call<ListNumberAnswer>(`/api/list-numbers/${encodeURIComponent(listNumber)}`),
  staleTime: 5 * 60_000,
})

/** The two revisions that a body was identified to. They never change: one place keeps them, whoever fetched them first. */
export const sheetsQuery = (specRev: string, buildRev: string) => ({
  queryKey: ['sheets', specRev, buildRev],
  queryFn: (): Promise<Sheets> =>
    call<SheetsAnswer>(
      `/api/sheets?spec=${encodeURIComponent(specRev)}&build=${encodeURIComponent(buildRev)}`,
    ),
  staleTime: Infinity,
  gcTime: Infinity,
})

/** Keeps sheets that came along with something else. */
export function keepSheets(client: QueryClient, sheets: Sheets): void {
  const { queryKey } = sheetsQuery(sheets.specRev, sheets.buildRev)
  if (!client.getQueryData(queryKey)) client.setQueryData(queryKey, sheets)
}
