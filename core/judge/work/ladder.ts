import { bodyOf, type JobState } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { settingKey, type Sheets, momentsOf, assemblyOrder } from '../../sheets/index.ts'
import { holdsNow, settingsToSet } from './due.ts'

/** One step of putting it together: a part that goes on, or a setting that a part is about to hide. */
export interface Rung {
  kind: 'part' | 'setting'
  /** the position's code or the setting's key */
  code: string
  name: string
  state: 'done' | 'next'
  /** of a setting: the part that hides it */
  hiddenBy: string
}

/** The way up, lowest step first: parts in the order in which they go on, each setting right before the part that hides it. */
export function ladderOf(state: JobState, sheets: Sheets, body = 1): Rung[] {
  const here = bodyOf(state, body)
  const hidden = settingsToSet(sheets, here).flatMap((setting) => {
    const moments = momentsOf(setting, sheets.build)
    return isRefusal(moments) || !moments.beforeOn ? [] : [{ setting, before: moments.beforeOn.code }]
  })
  return assemblyOrder(sheets.build).flatMap((part): Rung[] => [
    ...hidden
      .filter(({ before }) => before === part.code)
      .map(({ setting }): Rung => ({
        kind: 'setting',
        code: settingKey(setting),
        name: setting.name,
        state: holdsNow(state, sheets, setting, body) ? 'done' : 'next',
        hiddenBy: part.name,
      })),
    {
      kind: 'part',
      code: part.code,
      name: part.quantity > 1 ? `${part.quantity} ${part.name.toLowerCase()}` : part.name,
      state: here.off[part.code] && !here.on[part.code] ? 'next' : 'done',
      hiddenBy: '',
    },
  ])
}

/** So many rungs around the step that is asked, two of those behind it in sight where there are; all where they have room. */
export function rungsAround(ladder: readonly Rung[], now: string | undefined, room: number): Rung[] {
  const asked = ladder.findIndex(({ code, state }) => (now === undefined ? state === 'next' : code === now))
  const from = Math.max(0, Math.min((asked < 0 ? ladder.length : asked) - 2, ladder.length - room))
  return ladder.slice(from, from + room)
}
