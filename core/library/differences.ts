import { settingsInOrder } from '../settings/registry.ts'
import { settingKey, type Sheets } from '../sheets/schemas.ts'

export interface Difference {
  about: 'setting' | 'calibration' | 'part'
  name: string
  a: string
  b: string
}

/** What sets two list numbers apart: settings and calibration by value, build positions by part number. */
export function sheetDifferences(
  a: Pick<Sheets, 'spec' | 'build'>,
  b: Pick<Sheets, 'spec' | 'build'>,
): Difference[] {
  const rows: Difference[] = []
  const compare = (
    about: Difference['about'],
    left: Map<string, [string, string]>,
    right: Map<string, [string, string]>,
  ) => {
    for (const key of new Set([...left.keys(), ...right.keys()])) {
      const one = left.get(key)?.[1] ?? 'none'
      const other = right.get(key)?.[1] ?? 'none'
      if (one !== other) rows.push({ about, name: (left.get(key) ?? right.get(key))![0], a: one, b: other })
    }
  }
  const settings = (sheets: typeof a) =>
    new Map(
      [...settingsInOrder(sheets.spec), ...sheets.spec.settings.filter((s) => !s.set)].map(
        (s) => [settingKey(s), [s.name, s.asWritten]] as [string, [string, string]],
      ),
    )
  const calibration = (sheets: typeof a) =>
    new Map(
      sheets.spec.calibration.map(
        (c) =>
          [`${c.code}/${c.place}`, [c.name, c.mm === null ? c.words : `${c.mm}`]] as [
            string,
            [string, string],
          ],
      ),
    )
  const parts = (sheets: typeof a) =>
    new Map(
      sheets.build.positions
        .filter((p) => p.part !== null)
        .map((p) => [p.code, [p.name, p.part!]] as [string, [string, string]]),
    )
  compare('setting', settings(a), settings(b))
  compare('calibration', calibration(a), calibration(b))
  compare('part', parts(a), parts(b))
  return rows
}

/** The differences as one sentence: does the doubt matter? */
export function differenceSentence(rows: readonly Difference[]): string {
  if (rows.length === 0) return 'They are worked alike: the doubt does not matter.'
  const settings = rows.filter((row) => row.about !== 'part').map((row) => row.name.toLowerCase())
  const gaskets = rows.filter((row) => row.about === 'part' && /gasket/i.test(row.name)).length
  const others = rows.filter((row) => row.about === 'part').length - gaskets
  const shown = [
    ...settings.slice(0, 3),
    ...(settings.length > 3 ? [`${settings.length - 3} more values`] : []),
    ...(gaskets ? [`${gaskets} gasket${gaskets > 1 ? 's' : ''}`] : []),
    ...(others ? [`${others} other part${others > 1 ? 's' : ''}`] : []),
  ]
  const list = shown.length > 1 ? `${shown.slice(0, -1).join(', ')} and ${shown.at(-1)}` : shown[0]!
  return `They differ in ${list}: the doubt matters.`
}
