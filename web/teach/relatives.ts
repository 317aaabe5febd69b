import type { RelativesAnswer } from '@ekrond/contract/library'
import type { SpecSheet } from '@ekrond/core/sheets'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from '../data/api'

/** What units of the library that breathe alike have, by setting. */
export function useRelatives(spec: SpecSheet, bore: unknown) {
  const at = typeof bore === 'number' ? `&bore=${bore}` : ''
  return useQuery<RelativesAnswer, ApiError>({
    queryKey: ['relatives', spec.draft, spec.barrels, bore],
    queryFn: () => call(`/api/relatives?draft=${spec.draft}&barrels=${spec.barrels}${at}`),
    staleTime: 5 * 60_000,
  }).data
}
