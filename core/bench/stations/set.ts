import { isSettled } from '../../claims/index.ts'
import { checkAgain } from '../../judge/again/index.ts'
import { lastSaid } from '../../log/index.ts'
import { settingKey, teardownOrder } from '../../sheets/index.ts'
import { holdsNow, settingsToSet } from '../../judge/work/index.ts'
import { claimsAt, minutesOf, progress, type Station } from './station.ts'

export const set: Station = {
  name: 'set',
  state(view) {
    const { here, sheets } = view
    if (!sheets) return 'none'
    const settings = claimsAt(view, 'setting').filter(({ state }) => state !== 'out of scope')
    if (settings.some(({ state, since }) => state === 'void' || since)) return 'again'
    return progress(
      settings.filter(isSettled).length,
      settings.length,
      settings.some(({ subject }) => here.readings[subject] !== undefined),
    )
  },
  line({ state, here, sheets, body }) {
    const settings = settingsToSet(sheets, here)
    const open = settings.find(
      (setting) => lastSaid(here.readings[settingKey(setting)])?.shown.verdict !== 'in',
    )
    const tries = open ? (here.readings[settingKey(open)]?.said.length ?? 0) : 0
    if (open) return `${open.name.toLowerCase()} ${tries ? `tried ${times(tries)}` : 'is next'}`
    const bySheet = checkAgain(state, sheets, body).length
    if (bySheet) return `${bySheet} to redo by another sheet`
    const opened = settings.filter((setting) => !holdsNow(state, sheets, setting, body)).length
    return opened ? `${opened} to redo, opened since` : 'all set'
  },
  minutes: (view) => minutesOf(claimsAt(view, 'setting')),
  canGoOn: (view) =>
    view.sheets !== undefined &&
    teardownOrder(view.sheets.build).every(({ code }) => !view.here.off[code] || view.here.on[code]) &&
    set.state(view) !== 'done',
}

export const times = (n: number): string => (n === 1 ? 'once' : `${n} times`)
