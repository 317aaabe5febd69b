import { bodiesOf } from '../../../log/index.ts'
import { figure } from '../../../measure/index.ts'
import { limitsOf } from '../limits.ts'
import { codesOf, type Listing } from './kind.ts'

/** Plates or slides of a bank, one like the other. */
export const alike: Listing = ({ state, sheets, body }) =>
  bodiesOf(state) > 1 && body === 1
    ? [
        {
          key: 'alike',
          name: 'Plates or slides alike',
          short: 'Plates',
          unit: 'gap, mm',
          how: 'alike',
          wants: `within ${figure(limitsOf(sheets.spec).alikeMm, 2)}`,
          hold: 'On the stop. The same drill or the same light at each body, one to the last.',
          rests: codesOf(
            sheets,
            ({ kind, code }) => kind === 'shaft' || code === 'slide' || code === 'diaphragm',
          ),
          settings: ['idle.screw/none'],
          ofAll: true,
        },
      ]
    : []

/** The same on vacuum. */
export const sync: Listing = ({ state, sheets, body }) =>
  bodiesOf(state) > 1 && body === 1
    ? [
        {
          key: 'sync',
          name: 'Alike on vacuum',
          short: 'Vacuum',
          unit: 'mbar',
          how: 'alike',
          wants: `within ${limitsOf(sheets.spec).syncMbar}`,
          hold: 'On the stop, bench fan on, columns at rest: read one to the last.',
          rests: codesOf(
            sheets,
            ({ kind, code }) => kind === 'shaft' || code === 'slide' || code === 'diaphragm',
          ),
          settings: ['idle.screw/none'],
          ofAll: true,
        },
      ]
    : []
