import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { returnSheet } from '../sheet/index.ts'
import type { BuildSheet, Sheets, SpecSheet } from '../sheets/index.ts'
import { admit, bodyOf, checkData, emptyJob, fold, step, summarise, type Entry } from './index.ts'

interface Golden {
  number: number
  entries: Entry[]
  revisions: Record<string, SpecSheet | BuildSheet>
  summary: Record<string, unknown>
  asLeft: [string, string, string][]
  foundAndDone: string[]
}

// Written once by version 1 and never again: whatever this program becomes, it must still read these two jobs so.
const golden = JSON.parse(readFileSync(join(import.meta.dirname, 'golden-v1.json'), 'utf8')) as Golden[]

describe.each(golden.map((job) => [job.number, job] as const))(
  'job %i, as version 1 wrote it',
  (number, job) => {
    const state = fold(job.entries[0]!.job, job.entries)
    const ident = bodyOf(state).ident!
    const sheets: Sheets = {
      specRev: ident.specRev,
      buildRev: ident.buildRev,
      spec: job.revisions[ident.specRev] as SpecSheet,
      build: job.revisions[ident.buildRev] as BuildSheet,
    }
    const all = { 1: sheets }

    it('has entries that still pass their schemas', () => {
      for (const entry of job.entries) expect(checkData(entry), `${entry.seq} ${entry.kind}`).toBeUndefined()
    })
    it('would still be admitted, entry by entry', () => {
      let grown = emptyJob(state.job)
      for (const entry of job.entries) {
        expect(
          admit(grown, entry, bodyOf(grown).ident ? all : {}),
          `${entry.seq} ${entry.kind}`,
        ).toBeUndefined()
        grown = step(grown, entry)
      }
      expect(grown).toEqual(state)
    })
    it('hangs where it hung', () => expect(summarise(state, all)).toMatchObject(job.summary))
    it('has the same sheet', () => {
      const sheet = returnSheet(state, all, number)
      expect(sheet.rows.map((row) => [row.name, row.asFound, row.asLeft])).toEqual(job.asLeft)
      expect(sheet.foundAndDone).toEqual(job.foundAndDone)
    })
  },
)
