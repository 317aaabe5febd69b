import { type BodyState } from '@ekrond/core/job'
import { asFoundDone } from '@ekrond/core/stations'
import { settingKey, type Position, type SettingSpec, type Sheets } from '@ekrond/core/sheets'

export type Task =
  { kind: 'part'; position: Position } | { kind: 'exposed'; setting: SettingSpec; position: Position }

export function openTasks(sheets: Sheets, order: readonly Position[], body: BodyState): Task[] {
  const tasks: Task[] = []
  for (const position of sheets.build.positions)
    if (body.off[position.code] && !body.on[position.code])
      for (const key of position.exposes) {
        const setting = sheets.spec.settings.find((s) => settingKey(s) === key)
        if (setting && !asFoundDone(body, key)) tasks.push({ kind: 'exposed', setting, position })
      }
  for (const position of order) if (!body.off[position.code]) tasks.push({ kind: 'part', position })
  for (const position of sheets.build.positions)
    if (position.stays && position.deciding && !body.findings[position.code])
      tasks.push({ kind: 'part', position })
  return tasks
}
