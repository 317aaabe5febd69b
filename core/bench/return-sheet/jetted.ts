import { lower } from '../../base/words/index.ts'
import { bodyOf, insteadWords, type Chosen, type JobState } from '../../log/index.ts'
import { figure } from '../../measure/index.ts'
import { ANOTHER_FUEL } from '../../physics/range/index.ts'
import { nameOn, type Sheets } from '../../sheets/index.ts'

/** So far above the sheet's place a unit's jets are too lean further down, m. */
const HIGH_M = 600

const sizeWords = ([of, chosen]: [string, Chosen], sheets: Sheets): string => {
  const own = insteadWords(chosen)
  return `${lower(nameOn(sheets, of))} ${chosen.size}${own && ` (the sheet’s: ${own})`}`
}

/** What of a chosen size makes it dangerous with another fuel or at another place. */
function beyond(all: readonly Chosen[]): string {
  const { ethanol, altitudeM } = all[0]!.for
  const isSmaller = all.some(({ nominal, instead }) => instead !== null && nominal < instead)
  if (ethanol >= ANOTHER_FUEL)
    return ' With plain gasoline it runs far too rich: fit the sheet’s sizes first.'
  if (altitudeM >= HIGH_M && isSmaller)
    return ` Much below ${figure(altitudeM, 0)} m it runs lean: no full load there before the sheet’s sizes are back in.`
  return ''
}

/** For which fuel and place it was jetted, with the sizes that are not its sheet's, and what happens with another. */
export function jettedLines(state: JobState, sheets: Sheets, body: number): string[] {
  const chosen = Object.entries(bodyOf(state, body).chosen)
  const told = state.opened?.ethanol ?? 0
  if (chosen.length === 0)
    return told >= ANOTHER_FUEL ? [`For fuel with ${figure(told * 100, 0)} % ethanol.`] : []
  const { ethanol, altitudeM } = chosen[0]![1].for
  const fuel = ethanol >= ANOTHER_FUEL ? `fuel with ${figure(ethanol * 100, 0)} % ethanol` : 'gasoline'
  const place = altitudeM >= HIGH_M ? ` at ${figure(altitudeM, 0)} m` : ''
  return [
    `Set for ${fuel}${place}: ${chosen.map((one) => sizeWords(one, sheets)).join(', ')}.${beyond(chosen.map(([, one]) => one))}`,
  ]
}
