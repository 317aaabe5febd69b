import { MM_PER_INCH } from '../../base/constants/index.ts'
import { figure } from '../../measure/index.ts'
import type { Range } from './kind.ts'

/** Slips of the hand and of the unit, commonest first: how many times too large, and what to type instead. */
const SLIPS: readonly [times: number, words: (right: string) => string][] = [
  [100, (right) => `Hundredths as they are stamped? Then type ${right}`],
  [10, (right) => `A point forgotten? Then type ${right}`],
  [MM_PER_INCH, (right) => `Thousandths of an inch or millimetres? Then type ${right} mm`],
  [1000, (right) => `A point forgotten? Then type ${right}`],
  [0.1, (right) => `A point too far left? Then type ${right}`],
  [1 / MM_PER_INCH, (right) => `Millimetres, typed as inches? Then type ${right} mm`],
]

/** Why a measurement cannot be of its part, with the likeliest slip; undefined where it can. */
export function slipOf(one: Range): string | undefined {
  if (one.value >= one.least && one.value <= one.most) return undefined
  const slip = SLIPS.find(
    ([times]) => one.value / times >= one.near / 1.5 && one.value / times <= one.near * 1.5,
  )
  const said = `${figure(one.value, 2)} ${one.unit} cannot be: ${one.limits}.`
  return slip ? `${said} ${slip[1](figure(one.value / slip[0], 2))}.` : `${said} Measure it again.`
}
