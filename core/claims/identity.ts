import { bodyOf, type JobState } from '../log/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { stated, way, type Claim, type Stated } from './claim.ts'

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
    return seenClaim({
      body,
      subject: feature,
      name: `${spec.listNumber}, ${name}`,
      shownBy: [seen?.entry, here.ident?.entry],
      against: why,
      value: `identity:${body}:${feature} ${why}`,
    })
  })
}

const NEXT = 'identify it again, or correct what was seen'

/** Something seen of the unit, and in what it speaks against the list number; `against` is empty where it does not. */
export const seenClaim = ({
  against,
  value,
  ...told
}: Pick<Stated, 'body' | 'subject' | 'name' | 'shownBy'> & { against: string; value: string }): Claim =>
  stated({
    ...told,
    of: 'identity',
    station: 'identify',
    why: against,
    next: NEXT,
    ways: against
      ? [
          way(
            'contradicted',
            `identity:${told.subject}`,
            'What was seen contradicts the list number',
            `${against}: ${NEXT}`,
            { value },
          ),
        ]
      : [],
  })
