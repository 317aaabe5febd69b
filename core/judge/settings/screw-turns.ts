import { flowWords } from '../../physics/mixture/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { screwFlowOf } from '../../sheets/index.ts'
import { compose } from './judge.ts'
import type { Setting } from './kind.ts'
import { turnedOff } from './turned.ts'

/** What a screw that stands too far out brings, and one too far in, by what flows past its tip. */
const BRINGS = {
  bypass: ['Its idle is faster than its plate gives', 'Its idle is slower than its plate gives'],
  main: ['Rich under load', 'Lean under load'],
  pump: ['Its pump begins at another place', 'Its pump begins at another place'],
  stop: ['Its plate stands further shut', 'Its plate stands further open'],
} as const

/** Base turns of any other adjusting screw, eighths out from lightly seated: by-pass air, main needle, pump start. */
export const screwTurns: Setting = {
  order: 8,
  gauges: [],
  unit: { set: 'turns out', found: 'turns in so far' },
  judge(setting, value, { spec }, standing) {
    const turned = turnedOff(value, spec.mixture.mostEighths, standing.off)
    if (isRefusal(turned)) return turned
    const flow = screwFlowOf(setting, spec)
    const words = flow === null ? '' : flowWords[flow]
    const brings = flow && flow in BRINGS ? BRINGS[flow as keyof typeof BRINGS] : null
    return compose(standing, setting, {
      inWords: `Base only; it is trimmed on the engine. ${words}`.trim(),
      outHeadline: turned.headline,
      meaning: brings
        ? `${brings[turned.way === 'in' ? 0 : 1]}.`
        : 'What flows past its tip nobody noted: follow its drilling.',
      remedy: turned.remedy(),
      facts: words ? [words.replace(/[.:].*$/, '')] : [],
    })
  },
}
