import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { isRefusal } from '@ekrond/core/refusal'
import { listNumberSheets, Model, type BuildSheet, type SpecSheet } from '@ekrond/core/sheets'
import { parse } from 'valibot'

export interface BothSheets {
  spec: SpecSheet
  build: BuildSheet
}

let read: Map<string, BothSheets> | undefined

/** The sheets of every list number of the demo's catalogue, by its number. */
function sheetsByNumber(): Map<string, BothSheets> {
  if (read) return read
  read = new Map()
  const folder = join(import.meta.dirname, 'catalogue/models')
  for (const file of readdirSync(folder)) {
    const model = parse(Model, JSON.parse(readFileSync(join(folder, file), 'utf8')))
    for (const item of model.listNumbers) {
      const sheets = listNumberSheets(model, item)
      if (isRefusal(sheets)) throw new Error(sheets.refused.why)
      read.set(item.number, sheets)
    }
  }
  return read
}

export const everySheets = (): BothSheets[] => [...sheetsByNumber().values()]

export function sheetsOf(number: string): BothSheets {
  const sheets = sheetsByNumber().get(number)
  if (!sheets) throw new Error(`the demo has no list number ${number}`)
  return sheets
}
