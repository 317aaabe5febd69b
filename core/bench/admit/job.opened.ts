import { bodyOf, notAdmitted, type JobState } from '../../log/index.ts'
import { isSeen } from '../../base/limits/index.ts'
import { addDays } from '../../base/days/index.ts'
import type { Admit } from './admit.ts'

export const admitJobOpened: Admit<'job.opened'> = (state, { data, corrects, at }, { standing }) => {
  if (data.aircraft) return notAdmitted('aircraft')
  for (const field of ['customer', 'engine', 'equipment'] as const)
    if (!standing && !isSeen(data[field])) return notAdmitted('unseen', field)
  // A day's grace: the entry's instant is UTC, the promise a day in the shop's zone.
  if (!corrects && !standing && data.promise < addDays(at.slice(0, 10), -1))
    return notAdmitted('promise', data.promise)
  if (state.opened && !corrects && !standing) return notAdmitted('opened')
  return undefined
}

/** A correction may give the job another number of bodies only while none of them is apart. */
export function admitBodies(state: JobState, bodies: number) {
  if (!state.opened || bodies === state.opened.bodies) return undefined
  const apart = Object.keys(state.bodies).find(
    (body) => Object.keys(bodyOf(state, Number(body)).off).length > 0,
  )
  if (apart) return notAdmitted('apart', apart, state.opened.bodies)
  const last = Object.keys(state.bodies)
    .map(Number)
    .filter((body) => body > bodies)
    .sort((a, b) => b - a)[0]
  return last === undefined ? undefined : notAdmitted('has entries', last)
}
