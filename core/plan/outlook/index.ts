import { addDays, daysBetween, isWorkingDay, workingDayAfter } from '../../base/days/index.ts'

/** The bench's day, minutes after midnight in the shop's zone. */
const DAY_BEGINS = 8 * 60
const DAY_ENDS = 17 * 60
/** Beyond this share of the hours that are left a promise holds only just. */
const TIGHT = 0.5

export interface Promised {
  promise: string
  status: 'open' | 'closed' | 'returned'
  /** the day on which what it waits for comes */
  arrives: string | null
  waitsFor: string
  minutesLeft: number
  /** parts that it needs are not ordered yet */
  uncovered: boolean
}

export interface ShopClock {
  /** local date */
  today: string
  /** minutes after midnight, local */
  minute: number
  workingDays: readonly number[]
}

export interface Outlook {
  kind: 'late' | 'just' | 'fine'
  /** why, in the shop's words; empty where it is fine */
  reason: string
}

/** Whether the day of its promise is over (local dates) and it is still here. */
export const isOverdue = (
  job: { opened: { promise: string } | null; returned: unknown; closed: unknown },
  today: string,
): boolean => job.opened !== null && !job.returned && !job.closed && job.opened.promise < today

/**
 * Whether a promise will hold as things stand. Late: the day is over, the parts come after it, or more bench minutes are left than
 * hours until it is due. Tight: the parts come on the day itself, or are not ordered with one working day left, or the work
 * takes more than half of the time left. One job on its own: what the others take of the same hands is the plan's question.
 */
export function outlook(job: Promised, clock: ShopClock, say: (date: string) => string): Outlook {
  if (job.status !== 'open') return { kind: 'fine', reason: '' }
  if (job.promise < clock.today) return { kind: 'late', reason: `was promised ${say(job.promise)}` }
  if (job.arrives !== null && job.arrives > job.promise)
    return {
      kind: 'late',
      reason: `${job.waitsFor || 'parts'} ${job.waitsFor.includes(',') || !job.waitsFor ? 'come' : 'comes'} ${say(job.arrives)}, promised ${say(job.promise)}`,
    }
  const left = minutesUntil(job.promise, clock)
  const work = sayMinutes(job.minutesLeft)
  const due = job.promise === clock.today ? 'today' : say(job.promise)
  if (job.minutesLeft > left)
    return { kind: 'late', reason: `${work} of bench left, ${sayMinutes(left)} until it is due ${due}` }
  if (job.arrives === job.promise)
    return { kind: 'just', reason: `parts come on the day it is promised, ${due}` }
  if (job.uncovered && job.promise <= workingDayAfter(clock.today, 1, clock.workingDays))
    return { kind: 'just', reason: `parts not ordered yet, promised ${due}` }
  if (job.minutesLeft > left * TIGHT)
    return { kind: 'just', reason: `${work} of bench left, promised ${due}` }
  return { kind: 'fine', reason: '' }
}

/** Working minutes from now to the end of a day. */
export function minutesUntil(day: string, { today, minute, workingDays }: ShopClock): number {
  const days = daysBetween(today, day)
  let sum = 0
  for (let n = 0; n <= days; n++) {
    const date = addDays(today, n)
    if (!isWorkingDay(date, workingDays)) continue
    sum += n === 0 ? Math.max(0, DAY_ENDS - Math.max(minute, DAY_BEGINS)) : DAY_ENDS - DAY_BEGINS
  }
  return sum
}

/** Bench minutes that are due on a day, over the open jobs promised for it. */
export const minutesDue = (
  jobs: readonly { promise: string; minutesLeft: number; status: string }[],
  day: string,
): number =>
  jobs
    .filter((job) => job.promise === day && job.status === 'open')
    .reduce((sum, job) => sum + job.minutesLeft, 0)

/** Minutes as the shop says them: 50 minutes, 2 h 10. */
export const sayMinutes = (minutes: number): string => {
  if (minutes < 90) return `${minutes} minutes`
  const rest = Math.round(minutes % 60)
  return `${Math.floor(minutes / 60)} h${rest ? ` ${String(rest).padStart(2, '0')}` : ''}`
}
