import { notAdmitted } from '../../log/index.ts'
import { openPoints } from '../stations/gate.ts'
import type { Admit } from './admit.ts'

export const admitJobReturned: Admit<'job.returned'> = (state, { at }, { all, known, standing }) => {
  if (state.returned) return notAdmitted('returned')
  // A return was judged by its gate when it happened.
  if (standing) return undefined
  const open = openPoints(state, all, { ...known, at })
  return open.length
    ? notAdmitted(
        'gate',
        open
          .map((point) => point.title)
          .slice(0, 3)
          .join('; '),
      )
    : undefined
}
