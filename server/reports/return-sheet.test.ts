import { execFileSync } from 'node:child_process'
import { fold } from '@ekrond/core/log'
import { returnSheets } from '@ekrond/core/bench/return-sheet'
import { describe, expect, it } from 'vitest'
import { identified, JOB, opening, placed, sheetsFor, unsent } from '../../demo/log-entries.ts'
import { returnSheetPdf } from './return-sheet.ts'

const sheets = sheetsFor('K-4417-2S')
const [page] = returnSheets(
  fold(
    JOB,
    [
      unsent(1, 'job.opened', opening),
      unsent(2, 'ident.chosen', { ...identified, specRev: sheets.specRev, buildRev: sheets.buildRev }),
    ].map((entry, i) => placed(entry, i + 1)),
  ),
  { 1: sheets },
  1181,
)
const printed = async (more: Partial<NonNullable<typeof page>>) => {
  const pdf = await returnSheetPdf([{ ...page!, ...more }], { shop: 'Lantern Weir', date: '2026-11-24' })
  return execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' })
}
const lines = (n: number, word: string) =>
  Array.from({ length: n }, (_, i) => `${word} number ${i + 1} of them`)

describe('the paper', () => {
  it('prints every exception and every correction, however many there are', async () => {
    const left = lines(30, 'Exception').map((what) => ({ what, why: 'as the customer asked' }))
    const changes = lines(80, 'Correction')
    const text = await printed({ left, changes })
    for (const { what } of left) expect(text).toContain(what)
    for (const change of changes) expect(text).toContain(change)
    expect(text).toContain('and 24 more, on the page behind')
  })
  it('needs no page behind where the first has room for all of them', async () => {
    const text = await printed({ left: [{ what: 'Idle screw', why: 'as asked' }], changes: [] })
    expect(text).not.toMatch(/page behind|all of it/)
  })
})
