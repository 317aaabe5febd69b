import { showValue } from '../../measure/index.ts'
import { compose } from './judge.ts'
import type { Setting } from './kind.ts'

/** Where a setting that Ekrond has no model for stands in the order: after those that it has. */
export const PLAIN_ORDER = 99

/** A setting that is compared with its sheet and moved to it: a hole, a groove, turns wound on. */
export const plain = (order: number, unit: Setting['unit']): Setting => ({
  order,
  gauges: [],
  unit,
  judge(setting, value, _context, standing) {
    const wanted = showValue(standing.target, setting.quantity)
    const said = standing.off < 0 ? setting.more : setting.less
    return compose(standing, setting, {
      inWords: 'As specified.',
      outHeadline: `${showValue(value, setting.quantity)}, not ${wanted}.`,
      meaning: `Spec ${wanted}.`,
      remedy: {
        action: 'move',
        of: setting.name.toLowerCase(),
        way: standing.off < 0 ? 'up' : 'down',
        amount: Math.abs(standing.off),
        unit: setting.quantity === 'turns' ? 'eighths' : setting.quantity === 'count' ? 'steps' : 'mm',
        words: said || `Move it to ${wanted}.`,
        detail: said ? `${showValue(Math.abs(standing.off), setting.quantity)} to go, to ${wanted}` : '',
        short: `move it to ${wanted}`,
      },
      facts: [],
    })
  },
})
