import { teardownOrder } from '../build/index.ts'
import { settingKey } from '../sheets/index.ts'
import type { SheetsByBody } from './kind.ts'
import { bodyNumbers, bodyOf, lastSaid, type JobState } from './state.ts'

/** The shop's own rule of thumb, minutes a step; planning will learn them from the logs. */
const MINUTES = { identify: 12, asFound: 2, off: 3, on: 3, set: 6, notIdentified: 120, return: 10 }

const holds = (reading: { verdict: string; specRev: string } | undefined, specRev: string): boolean =>
  reading?.verdict === 'in' && reading.specRev === specRev

/** Bench minutes that are left until it can go back: what is still to be noted, taken off, put on and set, body by body. */
export function minutesLeft(state: JobState, sheets: SheetsByBody): number {
  if (!state.opened || state.closed || state.returned) return 0
  const bodies = bodyNumbers(state).reduce((sum, number) => {
    const own = sheets[number]
    if (!own) return sum + MINUTES.identify + MINUTES.notIdentified
    const body = bodyOf(state, number)
    const parts = teardownOrder(own.build)
    const toNote = body.unlocked
      ? 0
      : own.spec.settings.filter((setting) => {
          const key = settingKey(setting)
          return setting.asFoundAt === 'outside' && !(key in body.asFound) && !(key in body.asFoundSkipped)
        }).length
    const toTakeOff = parts.filter((position) => !body.off[position.code]).length
    const toPutOn = parts.filter((position) => !body.on[position.code]).length
    const toSet = own.spec.settings.filter(
      (setting) => setting.set && !holds(lastSaid(body.readings[settingKey(setting)]), own.specRev),
    ).length
    return (
      sum + toNote * MINUTES.asFound + toTakeOff * MINUTES.off + toPutOn * MINUTES.on + toSet * MINUTES.set
    )
  }, 0)
  return bodies + MINUTES.return
}
