import type { ImportError } from '../import/read.ts'

/** How far a long reading is. */
export const tellProgress = (file: string, rows: number) =>
  console.error(`${file}: ${rows.toLocaleString('en')} read`)

/** Faults by file, row and column; the exit status that goes with them. */
export function tellFaults(errors: readonly ImportError[]): number {
  for (const { file, row, column, sentence } of errors)
    console.error(
      `${file}${row === null ? '' : `, row ${row}`}${column === null ? '' : `, ${column}`}: ${sentence}`,
    )
  console.error(`Nothing was imported. Errors: ${errors.length}.`)
  return 2
}
