import { indexShift } from '../../physics/choke/index.ts'
import { figure } from '../../measure/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import { compose } from './judge.ts'
import type { Setting } from './kind.ts'

/** Index of the choke's cover, notches from its mark, rich positive: the temperature at which the plate just shuts. */
export const chokeIndex: Setting = {
  order: 5,
  gauges: [],
  unit: { set: 'notches (e.g. 1 rich)', found: 'notches (e.g. 1 rich)' },
  judge(setting, value, { spec }, standing) {
    const choke = spec.choke
    if (!choke) return refuse('reading', 'This list number has no choke coil.')
    const shift = indexShift(choke.notchDegrees, choke.coilDegreesPerC, standing.off)
    if (isRefusal(shift)) return shift
    const shutsAt = choke.shutC + (value * choke.notchDegrees) / choke.coilDegreesPerC
    const rich = standing.off > 0
    const notches = Math.abs(standing.off)
    const way = rich ? 'lean' : 'rich'
    const turn = `${notches} notch${notches === 1 ? '' : 'es'} ${way}`
    return compose(standing, setting, {
      inWords: `The plate just shuts at ${figure(shutsAt, 0)} °C.`,
      outHeadline: `${notches} too ${rich ? 'rich' : 'lean'}.`,
      meaning: `The plate just shuts at ${figure(shutsAt, 0)} °C, ${figure(Math.abs(shift), 0)} ${rich ? 'warmer' : 'colder'} than it should: ${rich ? 'it stays on too long' : 'it lets go too soon'}.`,
      remedy: {
        action: 'turn cover',
        of: 'cover',
        way,
        amount: notches,
        unit: 'notches',
        words: `Turn the cover ${turn}.`,
        detail: 'loosen the three screws first; the tab stays in its slot',
        short: `turn the cover ${turn}`,
      },
      facts: [`a notch is ${figure(choke.notchDegrees / choke.coilDegreesPerC)} °C`],
    })
  },
}
