import type { Model } from '@ekrond/core/sheets'
import { beskNumbers, orvaneNumbers, quillardNumbers } from './list-numbers.ts'
import { b34Numbers, d32Numbers, q80Numbers, t12Numbers, t24Numbers, u3Numbers } from './families.ts'
import { beskU3 } from './models/besk-u3.ts'
import { beskU7 } from './models/besk.ts'
import { orvaneQ80 } from './models/orvane-q80.ts'
import { WORKING_DAYS } from './week.ts'
import { quillardB34, quillardD32 } from './models/quillard-more.ts'
import { tessmerT12, tessmerT24 } from './models/tessmer.ts'
import { orvaneK44 } from './models/orvane.ts'
import { quillardS26 } from './models/quillard.ts'
import { tables, toCsv } from './tables.ts'

let made: Model[] | undefined

/** The demo’s models with their list numbers; worked out once. */
export const models = (): Model[] => (made ??= makeModels())

const makeModels = (): Model[] => [
  { ...orvaneK44, listNumbers: orvaneNumbers(orvaneK44) },
  { ...beskU7, listNumbers: beskNumbers(beskU7) },
  { ...quillardS26, listNumbers: quillardNumbers(quillardS26) },
  { ...orvaneQ80, listNumbers: q80Numbers() },
  { ...tessmerT12, listNumbers: t12Numbers() },
  { ...tessmerT24, listNumbers: t24Numbers() },
  { ...quillardD32, listNumbers: d32Numbers() },
  { ...quillardB34, listNumbers: b34Numbers() },
  { ...beskU3, listNumbers: u3Numbers() },
]

/** The whole demo catalogue as the files that the import reads: name → contents. */
export function catalogueFiles(): Map<string, string> {
  const all = models()
  const files = new Map<string, string>()
  const head = {
    format: 1,
    shop: {
      name: 'Lantern Weir Carburetor Works',
      place: 'Osk Valley',
      zone: 'UTC',
      currency: { code: 'OSK', exponent: 2 },
      workingDays: WORKING_DAYS,
      hourMinor: 5400,
    },
    makers: [
      {
        code: 'Orvane',
        numbering: 'a letter, a hyphen, four figures, then a variant; stamped on the plate rim',
      },
      { code: 'Besk', numbering: 'U, three figures, a letter; cast raised on the body, often bare' },
      {
        code: 'Quillard',
        numbering: 'S, D or B with the size, a hyphen, two figures, a letter; printed on the body',
      },
      { code: 'Tessmer', numbering: '12T or 24T, a hyphen, three figures; on a riveted tag' },
    ],
  }
  files.set('catalogue.json', JSON.stringify(head, null, 2) + '\n')
  for (const model of all) files.set(`models/${model.code}.json`, JSON.stringify(model, null, 1) + '\n')
  for (const table of tables(all)) files.set(table.file, toCsv(table))
  return files
}
