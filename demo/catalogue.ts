import type { Model } from '@ekrond/core/sheets'
import { beskNumbers, orvaneNumbers, quillardNumbers } from './list-numbers.ts'
import { beskU7 } from './models/besk.ts'
import { orvaneK44 } from './models/orvane.ts'
import { quillardS26 } from './models/quillard.ts'
import { tables, toCsv } from './tables.ts'

export const models = (): Model[] => [
  { ...orvaneK44, listNumbers: orvaneNumbers(orvaneK44) },
  { ...beskU7, listNumbers: beskNumbers(beskU7) },
  { ...quillardS26, listNumbers: quillardNumbers(quillardS26) },
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
    },
    makers: [
      {
        code: 'Orvane',
        numbering: 'a letter, a hyphen, four figures, then a variant; stamped on the plate rim',
      },
      { code: 'Besk', numbering: 'U, three figures, a letter; cast raised on the body, often bare' },
      { code: 'Quillard', numbering: 'S26, a hyphen, two figures, a letter; printed on the body' },
    ],
  }
  files.set('catalogue.json', JSON.stringify(head, null, 2) + '\n')
  for (const model of all) files.set(`models/${model.code}.json`, JSON.stringify(model, null, 1) + '\n')
  for (const table of tables(all)) files.set(table.file, toCsv(table))
  return files
}
