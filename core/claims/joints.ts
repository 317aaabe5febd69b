import { jointOf, jointWords, proofOf } from '../judge/assembly/index.ts'
import { bodyOf, type JobState } from '../log/index.ts'
import { nameOn, type Sheets } from '../sheets/index.ts'
import { lower } from '../base/words/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'

const MINUTES_A_PART = 3

/** What came off is on again, its screws are final, and the check that proves the step held. */
export function jointClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  const comesOff = sheets.build.positions.filter(({ stays }) => !stays).map(({ code }) => code)
  return [...new Set([...Object.keys(here.off), ...comesOff])].map((code): Claim => {
    const name = nameOn(sheets, code)
    const position = sheets.build.positions.find((one) => one.code === code)
    const off = here.off[code]
    const on = here.on[code]
    const joint = position ? jointOf(state, position, body) : null
    const several = (position?.quantity ?? 1) > 1
    const ways: Way[] = []
    if (off && !on)
      ways.push(
        way(
          'open',
          `tray:${code}`,
          `${name} ${several ? 'are' : 'is'} in tray ${off.tray}`,
          several ? 'they came off and are not installed' : 'it came off and is not installed',
        ),
      )
    if (joint && joint.phase !== null)
      ways.push(
        way(
          'open',
          `joint:${code}`,
          `${name}: ${jointWords(joint)}`,
          'if loose it leaks, or falls into the engine',
          {
            value: jointWords(joint),
          },
        ),
      )
    if (position && proofOf(state, position, body) === 'not yet')
      ways.push(
        way('open', `proof:${code}`, `${name}: not checked yet`, lower(position.proof.replace(/\.$/, '')), {
          weight: 'minor',
        }),
      )
    return stated({
      of: 'joint',
      body,
      subject: code,
      name,
      station: 'build',
      shownBy: [
        on?.entry,
        ...new Set(Object.values(here.fasteners[code] ?? {}).map(({ entry }) => entry)),
        here.proofs[code]?.entry,
      ],
      restsOn: [code],
      minutes: MINUTES_A_PART,
      ways,
    })
  })
}
