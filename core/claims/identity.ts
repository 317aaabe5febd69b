import { bodyOf, type JobState } from '../job/state.ts'
import type { Sheets } from '../sheets/schemas.ts'
import { claimId, type Claim } from './claim.ts'

/** What was seen of the unit fits the list number that it is worked by. */
export function identityClaims(state: JobState, { spec }: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  if (spec.taught) return []
  const said = (
    [
      ['draft', spec.draft, 'draft'],
      ['barrels', spec.barrels, 'barrels'],
    ] as const
  ).flatMap(([feature, wanted, name]) => {
    const seen = here.features[feature]
    return seen && String(seen.value) !== String(wanted)
      ? [{ feature, wanted, name, seen: String(seen.value) }]
      : []
  })
  return said.map(({ feature, wanted, name, seen }): Claim => ({
    id: claimId('identity', body, feature),
    body,
    of: 'identity',
    subject: feature,
    name: `${spec.listNumber}, ${name}`,
    state: 'contradicted',
    shownBy: [],
    why: `${seen} was seen, ${spec.listNumber} has ${wanted}`,
    next: 'identify it again, or put right what was seen',
    station: 'identify',
  }))
}
