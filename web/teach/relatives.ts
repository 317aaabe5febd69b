import type { RelativesAnswer } from '@ekrond/contract/library'
import type { Sheets } from '@ekrond/core/sheets'
import { familyOf } from '@ekrond/core/unit/families'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from '../data/api'

/** What similar units of the library have, by setting: a float’s only once it is said what its height is read from. */
export function useRelatives({ spec, build }: Sheets, bore: unknown) {
  const family = familyOf({ spec, build })
  const throttle = family === 'slide' || family === 'diaphragm' ? family : 'fixed venturi'
  const { sense } = spec.float
  const at = typeof bore === 'number' ? `&bore=${bore}` : ''
  return useQuery<RelativesAnswer, ApiError>({
    queryKey: ['relatives', spec.draft, spec.barrels, throttle, sense, bore],
    queryFn: () =>
      call(
        `/api/relatives?${new URLSearchParams({ draft: spec.draft, barrels: String(spec.barrels), throttle, sense: String(sense) })}${at}`,
      ),
    staleTime: 5 * 60_000,
  }).data
}
