import { bodyOf, type JobState } from '../job/state.ts'
import type { Sheets } from '../sheets/schemas.ts'
import { stated, way, type Claim } from './claim.ts'

/** What was seen of the unit fits the list number that it is worked by. */
export function identityClaims(state: JobState, { spec }: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  if (spec.taught) return []
  const features = [
    ['draft', spec.draft, 'draft'],
    ['barrels', spec.barrels, 'barrels'],
  ] as const
  return features.map(([feature, wanted, name]) => {
    const seen = here.features[feature]
    const against = seen && String(seen.value) !== String(wanted)
    const why = against ? `${String(seen.value)} was seen, ${spec.listNumber} has ${wanted}` : ''
    const next = 'identify it again, or put right what was seen'
    return stated({
      of: 'identity',
      body,
      subject: feature,
      name: `${spec.listNumber}, ${name}`,
      station: 'identify',
      shownBy: [seen?.entry, here.ident?.entry],
      why,
      next,
      ways: against
        ? [
            way(
              'contradicted',
              `identity:${feature}`,
              'What was seen speaks against the list number',
              `${why}: ${next}`,
              { value: `identity:${body}:${feature} ${why}` },
            ),
          ]
        : [],
    })
  })
}
