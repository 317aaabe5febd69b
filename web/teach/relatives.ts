import type { RelativesAnswer } from '@ekrond/contract/library'
import {
  besideRelatives,
  settingKey,
  type Relatives,
  type SettingSpec,
  type SpecSheet,
} from '@ekrond/core/sheets'
import { isRefusal } from '@ekrond/core/refusal'
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

const DECIMALS: Readonly<Record<SettingSpec['quantity'], number>> = {
  length: 1,
  gap: 2,
  turns: 0,
  notches: 0,
  count: 0,
}

/** A value beside its relatives; with nothing typed their own median beside itself. Undefined under three of them. */
export function besides(
  answer: RelativesAnswer | undefined,
  setting: SettingSpec,
  value: number | null,
): Relatives | undefined {
  const pairs = (answer?.settings[settingKey(setting)] ?? []).map((one) => [one.value, one.weight] as const)
  const decimals = DECIMALS[setting.quantity]
  const query = value === null ? 0 : Number(value.toFixed(decimals))
  // Notches lean of the mark are below nothing: the sign is not a digit that slips.
  if (pairs.some(([one]) => one < 0) || query < 0) return undefined
  const read = besideRelatives(pairs, query, decimals)
  return isRefusal(read) ? undefined : read
}
