import type { Sheets } from '@ekrond/core/sheets'
import { models } from './catalogue.ts'
import { sheetsFor } from './log-entries.ts'

let made: Sheets[] | undefined

/** The sheets of every list number of the demo's catalogue. */
export const everySheets = (): readonly Sheets[] =>
  (made ??= models().flatMap((model) => model.listNumbers.map(({ number }) => sheetsFor(number))))
