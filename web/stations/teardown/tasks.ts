import type { BodyState } from '@ekrond/core/log'
import type { Position, SettingSpec, Sheets } from '@ekrond/core/sheets'
import { exposedNow } from '@ekrond/core/judge/work'

export type Task = { kind: 'part'; position: Position } | { kind: 'exposed'; setting: SettingSpec }

/** What is asked at teardown, in order: what can be noted now and never again, what comes off next, what stays in and is judged. */
export const openTasks = (sheets: Sheets, order: readonly Position[], body: BodyState): Task[] => [
  ...exposedNow(body, sheets).map((setting): Task => ({ kind: 'exposed', setting })),
  ...order.filter(({ code }) => !body.off[code]).map((position): Task => ({ kind: 'part', position })),
  ...sheets.build.positions
    .filter(
      ({ code, stays, deciding, kind }) => stays && (deciding || kind === 'body') && !body.findings[code],
    )
    .map((position): Task => ({ kind: 'part', position })),
]
