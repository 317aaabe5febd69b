import { showTurns } from '../measure/index.ts'
import { leanerWay, richerWay } from '../mixture/index.ts'
import { refuse } from '../refusal/index.ts'
import { mixtureKindOf } from '../sheets/taught.ts'
import { compose } from './judge.ts'
import type { Setting } from './kind.ts'

/** Base turns of a mixture screw, eighths out from lightly seated. */
export const mixtureTurns: Setting = {
  order: 7,
  gauges: [],
  unit: { set: 'turns out', found: 'turns in so far' },
  judge(setting, value, { spec }, standing) {
    const { mostEighths } = spec.mixture
    const kind = mixtureKindOf(setting, spec) ?? spec.mixture.kind
    if (value > mostEighths)
      return refuse(
        'reading',
        `Thread and taper end at ${showTurns(mostEighths)} turns. Count again from the seat.`,
      )
    const eighths = Math.abs(standing.off)
    const way = standing.off < 0 ? 'out' : 'in'
    const inWay = kind === 'fuel' ? 'in is leaner' : 'in is richer'
    return compose(standing, setting, {
      inWords: `Base only; it is trimmed on the engine. ${kind === 'fuel' ? 'In is leaner.' : 'In is richer.'}`,
      outHeadline: `${showTurns(eighths)} too far ${way === 'out' ? 'in' : 'out'}.`,
      meaning: `${way === leanerWay(kind) ? 'Rich' : 'Lean'} of its base by ${showTurns(eighths)}.`,
      remedy: {
        action: 'turn screw',
        of: 'screw',
        way,
        amount: eighths,
        unit: 'eighths',
        words: `Turn it ${showTurns(eighths)} ${way}: that way is ${way === richerWay(kind) ? 'richer' : 'leaner'} on this unit.`,
        detail: 'counted from lightly seated; the tip marks its seat',
        short: `${showTurns(eighths)} ${way}`,
      },
      facts: [inWay],
    })
  },
}
