import { settingKey, type SpecSheet } from '../schemas.ts'

export interface ValueChange {
  revision: string
  asWritten: string
  source: string
}

/**
 * Each setting's and calibration's value through the revisions of its sheet, oldest first: a revision stands only where the value
 * or its source changed. Keys are `code/place`.
 */
export function valueHistory(
  revisions: readonly { revision: string; spec: SpecSheet }[],
): Record<string, ValueChange[]> {
  const result: Record<string, ValueChange[]> = {}
  const add = (key: string, change: ValueChange) => {
    const before = result[key]?.at(-1)
    if (before?.asWritten === change.asWritten && before.source === change.source) return
    ;(result[key] ??= []).push(change)
  }
  for (const { revision, spec } of revisions) {
    for (const setting of spec.settings)
      add(settingKey(setting), { revision, asWritten: setting.asWritten, source: setting.source })
    for (const item of spec.calibration)
      add(`${item.code}/${item.place}`, {
        revision,
        asWritten: item.mm === null ? item.words : item.mm.toFixed(2),
        source: 'calibration',
      })
  }
  return result
}
