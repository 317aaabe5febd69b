/** Local dates as the shop writes them, `2026-11-26`, and its working days, 1 Monday to 7 Sunday. */

export function addDays(date: string, days: number): string {
  const at = new Date(`${date}T12:00:00Z`)
  at.setUTCDate(at.getUTCDate() + days)
  return at.toISOString().slice(0, 10)
}

/** Whether it is a day of the calendar: the thirty-first of November is none. */
export function isDate(text: string): boolean {
  const at = new Date(`${text}T12:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 10) === text
}

/** Whole days from one local date to another; negative where it lies before. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T12:00:00Z`) - Date.parse(`${from}T12:00:00Z`)) / 86_400_000)

export const isWorkingDay = (date: string, workingDays: readonly number[]): boolean =>
  workingDays.includes(new Date(`${date}T12:00:00Z`).getUTCDay() || 7)

/** The nth working day after a date; a shop that never works gets calendar days. */
export function workingDayAfter(date: string, n: number, workingDays: readonly number[]): string {
  if (workingDays.length === 0) return addDays(date, n)
  let day = date
  for (let left = n; left > 0;) {
    day = addDays(day, 1)
    if (isWorkingDay(day, workingDays)) left--
  }
  return day
}
