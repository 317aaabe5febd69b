import { showTurns } from '../../measure/index.ts'
import { leanerWay, richerWay } from '../../physics/mixture/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { mixtureKindOf } from '../../sheets/index.ts'
import { compose } from './judge.ts'
import type { Setting } from './kind.ts'
import { turnedOff } from './turned.ts'

/** Base turns of a mixture screw, eighths out from lightly seated. */
export const mixtureTurns: Setting = {
  order: 7,
  gauges: [],
  unit: { set: 'turns out', found: 'turns in so far' },
  judge(setting, value, { spec }, standing) {
    const kind = mixtureKindOf(setting, spec) ?? spec.mixture.kind
    const turned = turnedOff(value, spec.mixture.mostEighths, standing.off)
    if (isRefusal(turned)) return turned
    const { eighths, way } = turned
    const inWay = kind === 'fuel' ? 'in is leaner' : 'in is richer'
    return compose(standing, setting, {
      inWords: `Base only; it is trimmed on the engine. ${kind === 'fuel' ? 'In is leaner.' : 'In is richer.'}`,
      outHeadline: turned.headline,
      meaning: `${way === leanerWay(kind) ? 'Rich' : 'Lean'} of its base by ${showTurns(eighths)}.`,
      remedy: turned.remedy(`: that way is ${way === richerWay(kind) ? 'richer' : 'leaner'} on this unit`),
      facts: [inWay],
    })
  },
}
