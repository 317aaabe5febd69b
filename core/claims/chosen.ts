import { chosenStands } from '../judge/findings/index.ts'
import { bodyOf, insteadWords, isChosenFor, type Chosen, type JobState } from '../log/index.ts'
import { figure } from '../measure/index.ts'
import { nameOn, settingKey, type Sheets } from '../sheets/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'

const MINUTES_A_SIZE = 4

const fuelAndPlace = (ethanol: number, altitudeM: number): string =>
  `${figure(ethanol * 100, 0)} % ethanol at ${figure(altitudeM, 0)} m`

/** What a choice was made for, beside what the job says now. */
function otherwise(state: JobState, { for: { ethanol, altitudeM } }: Chosen): string {
  const now = state.opened
  return `chosen for ${fuelAndPlace(ethanol, altitudeM)}, and the job says ${fuelAndPlace(now?.ethanol ?? 0, now?.altitudeM ?? 0)}: choose again`
}

/**
 * Each size that was chosen for this job in place of the sheet's is in and was measured, and the fuel and the place are still those that
 * it was chosen for. A setting's choice is shown by its reading.
 */
export function chosenClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  return Object.entries(here.chosen).map(([of, chosen]): Claim => {
    const position = sheets.build.positions.find(({ code }) => code === of)
    const name = nameOn(sheets, of)
    const ways: Way[] = []
    const own = insteadWords(chosen)
    const instead = own && `, not the sheet’s ${own}`
    if (!isChosenFor(chosen, state.opened))
      ways.push(
        way('void', `chosen:${of}`, `${name}: chosen for another fuel or place`, otherwise(state, chosen), {
          value: `for ${fuelAndPlace(state.opened?.ethanol ?? 0, state.opened?.altitudeM ?? 0)}`,
        }),
      )
    const stands = position && chosenStands(state, sheets, position, body)
    if (stands === 'not in')
      ways.push(
        way(
          'open',
          `chosen:${of}`,
          `${name}: ${chosen.size} is not in`,
          `this job wants ${chosen.size}${instead}: ${chosen.why}`,
          { value: `not in ${chosen.size}` },
        ),
      )
    if (stands === 'not measured')
      ways.push(
        way(
          'open',
          `chosen:${of}`,
          `${name}: nobody measured the new one`,
          `this job wants ${chosen.size}${instead}: pins or drills show that it is`,
          { weight: 'minor', value: `not measured ${chosen.size}` },
        ),
      )
    const isPressed = !position && !sheets.spec.settings.some((setting) => settingKey(setting) === of)
    if (isPressed)
      ways.push(
        way(
          'open',
          `chosen:${of}`,
          `${name}: opened to ${chosen.size} for good`,
          `this job wants ${chosen.size}${instead}: it cannot be undone, and no gauge reaches it`,
          { weight: 'minor', value: `opened ${chosen.size}` },
        ),
      )
    return stated({
      of: position ? 'part' : 'setting',
      body,
      subject: `chosen:${of}`,
      name: `${name}, as chosen`,
      station: stands === 'not measured' ? 'build' : stands === 'not in' ? 'parts' : 'set',
      shownBy: [chosen.entry, here.on[of]?.entry],
      restsOn: [of],
      why: ways[0]?.title ?? '',
      next: ways[0]?.detail ?? '',
      minutes: MINUTES_A_SIZE,
      ways,
    })
  })
}
