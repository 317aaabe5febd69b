import { settingsInOrder } from '../settings/registry.ts'
import { settingKey, type Sheets } from '../../sheets/index.ts'

export interface Difference {
  about: 'setting' | 'calibration' | 'part'
  name: string
  a: string
  b: string
}

type Pair = Pick<Sheets, 'spec' | 'build'>

/** One line in which list numbers differ, with the value of each; 'none' where one lacks the thing. */
export interface DifferenceRow {
  about: Difference['about']
  name: string
  values: string[]
}

const settingsOf = ({ spec }: Pair) =>
  [...settingsInOrder(spec), ...spec.settings.filter((one) => !one.set)].map(
    (one) => [settingKey(one), one.name, one.asWritten] as const,
  )
const calibrationOf = ({ spec }: Pair) =>
  spec.calibration.map(
    ({ code, place, name, mm, words }) => [`${code}/${place}`, name, mm === null ? words : `${mm}`] as const,
  )
const partsOf = ({ build }: Pair) =>
  build.positions.flatMap(({ code, name, part }) => (part === null ? [] : [[code, name, part] as const]))

/** What sets two or more list numbers apart: settings and calibration by value, build positions by part number. */
export function differenceTable(all: readonly Pair[]): DifferenceRow[] {
  const rows: DifferenceRow[] = []
  const compare = (
    about: Difference['about'],
    of: (one: Pair) => readonly (readonly [key: string, name: string, value: string])[],
  ) => {
    const columns = all.map((one) => new Map(of(one).map(([key, name, value]) => [key, { name, value }])))
    for (const key of new Set(columns.flatMap((column) => [...column.keys()]))) {
      const values = columns.map((column) => column.get(key)?.value ?? 'none')
      if (new Set(values).size < 2) continue
      rows.push({ about, name: columns.find((column) => column.has(key))!.get(key)!.name, values })
    }
  }
  compare('setting', settingsOf)
  compare('calibration', calibrationOf)
  compare('part', partsOf)
  return rows
}

/** The same of two. */
export const sheetDifferences = (a: Pair, b: Pair): Difference[] =>
  differenceTable([a, b]).map(({ about, name, values }) => ({ about, name, a: values[0]!, b: values[1]! }))

/** The differences as one sentence: does the doubt matter? */
export function differenceSentence(rows: readonly Pick<Difference, 'about' | 'name'>[]): string {
  if (rows.length === 0) return 'Same work either way: the difference does not matter.'
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
  return `They differ in ${list}: find out which one it is.`
}
export * from './variants.ts'
