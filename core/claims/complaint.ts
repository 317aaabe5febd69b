import { workSoFar, type JobState } from '../log/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'

const claim = (
  subject: string,
  name: string,
  station: Claim['station'],
  shownBy: readonly (string | undefined)[],
  ways: readonly Way[],
): Claim => stated({ of: 'complaint', body: 1, subject, name, station, shownBy, ways })

/** What the customer was told and asked: his complaint is answered, a comeback explained, the work agreed to. Of the whole job. */
export function complaintClaims(state: JobState): Claim[] {
  const { opened, answer } = state
  if (!opened) return []
  const complains = opened.complaint.symptom !== 'none: overhaul'
  return [
    ...(complains
      ? [
          claim(
            'complaint',
            'Complaint',
            'return',
            [],
            answer
              ? []
              : [
                  way(
                    'open',
                    'complaint',
                    'The complaint is not answered',
                    'explained by what, or not explained',
                    {
                      weight: 'fatal',
                    },
                  ),
                ],
          ),
        ]
      : []),
    // It came back once already: nobody lets it go a second time without knowing why.
    ...(opened.earlier
      ? [
          claim(
            'comeback',
            'Comeback',
            'return',
            [],
            answer && !answer.explained
              ? [
                  way(
                    'open',
                    'comeback',
                    `It came back from job ${opened.earlier}, and nothing explains why`,
                    'find the cause, or say that it is outside the carburetor',
                    { value: answer.words },
                  ),
                ]
              : [],
          ),
        ]
      : []),
    ...estimateClaims(state),
  ]
}

function estimateClaims(state: JobState): Claim[] {
  const { estimate } = state
  if (!estimate) return []
  const minor = { weight: 'minor' } as const
  const work = workSoFar(state)
  const ways = !estimate.agreed
    ? [
        way(
          'open',
          'estimate',
          'Estimate not approved yet',
          'ask the customer, and record who approved',
          minor,
        ),
      ]
    : !estimate.agreed.yes
      ? [
          way(
            'contradicted',
            'estimate',
            'Customer declined the estimate',
            `${estimate.agreed.who} said it`,
            minor,
          ),
        ]
      : work && work.totalMinor > estimate.amountMinor
        ? [
            way(
              'open',
              `estimate:${estimate.entry}`,
              'The work went beyond the estimate',
              'get a new estimate approved, or give a reason and a second name',
              minor,
            ),
          ]
        : []
  return [claim('estimate', 'Estimate', 'receive', [estimate.entry], ways)]
}
