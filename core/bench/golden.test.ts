import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { returnSheets } from './return-sheet/index.ts'
import type { BuildSheet, SpecSheet } from '../sheets/index.ts'
import {
  checkData,
  emptyJob,
  fold,
  step,
  type Entry,
  type JobState,
  type SheetsByBody,
} from '../log/index.ts'
import { summarise } from './stations/index.ts'

interface Page {
  asLeft: [string, string, string][]
  foundAndDone: string[]
  body?: unknown
  revision?: string
  changes?: string[]
}
interface Golden {
  number: number
  entries: Entry[]
  revisions: Record<string, SpecSheet | BuildSheet>
  summary: Record<string, unknown>
  pages: Page[]
}

const read = (name: string) => JSON.parse(readFileSync(join(import.meta.dirname, name), 'utf8')) as unknown

// Written once by their version and never again: whatever this program becomes, it must still read these jobs so.
const version1 = (read('golden-v1.json') as (Omit<Golden, 'pages'> & Page)[]).map(
  ({ asLeft, foundAndDone, ...job }): [string, Golden] => [
    `${job.number}, as version 1 wrote it`,
    { ...job, pages: [{ asLeft, foundAndDone }] },
  ],
)
// A bank of four, an identification that was corrected, a sheet that was corrected after the return.
const version2 = (read('golden-v2.json') as Golden[]).map((job): [string, Golden] => [
  `${job.number}, as version 2 wrote it`,
  job,
])

/** What the paper calls otherwise since then. */
const sayNow = (page: Page): Page => ({
  ...page,
  ...(page.foundAndDone && {
    foundAndDone: page.foundAndDone.map((line) =>
      line.replace(/^Renewed as always:/, 'Replaced as routine:'),
    ),
  }),
})

describe.each([...version1, ...version2])('job %s', (_name, job) => {
  const sheetsOf = (state: JobState): SheetsByBody =>
    Object.fromEntries(
      Object.entries(state.bodies).flatMap(([body, { ident }]) =>
        ident && job.revisions[ident.specRev]
          ? [
              [
                body,
                {
                  specRev: ident.specRev,
                  buildRev: ident.buildRev,
                  spec: job.revisions[ident.specRev] as SpecSheet,
                  build: job.revisions[ident.buildRev] as BuildSheet,
                },
              ],
            ]
          : [],
      ),
    )
  const state = fold(job.entries[0]!.job, job.entries)
  const all = sheetsOf(state)

  it('has entries that still pass their schemas', () => {
    for (const entry of job.entries) expect(checkData(entry), `${entry.seq} ${entry.kind}`).toBeUndefined()
  })
  it('folds alike at once and entry by entry', () => {
    let grown = emptyJob(state.job)
    for (const entry of job.entries) grown = step(grown, entry)
    expect(grown).toEqual(state)
  })
  it('hangs where it hung; what rules of today ask for beyond its own is asked of jobs that are still here', () => {
    const summary = summarise(state, all)!
    const { station, stationState, line, minutesLeft, ...identity } = job.summary
    expect(summary).toMatchObject(identity)
    if (summary.status === 'returned')
      expect(summary).toMatchObject({ station, stationState, line, minutesLeft })
  })
  // Since then each figure has its unit, and what nobody set says that.
  const bare = (cell: string) =>
    cell
      .replace(/ (mm|turns?)( to free)?$/, '')
      .replace(/^drill /, '')
      .replace(/^(·|as found)$/, 'not recorded')
  it('has the same sheet, page by page', () => {
    const pages = returnSheets(state, all, job.number)
    expect(pages).toHaveLength(job.pages.length)
    pages.forEach((page, i) => {
      const { asLeft, ...wanted } = sayNow(job.pages[i]!)
      expect(page.rows.map((row) => [row.name, bare(row.asFound), bare(row.asLeft)])).toEqual(
        asLeft.map(([name, ...cells]) => [name, ...cells.map(bare)]),
      )
      // Since then a draft has no revision.
      const revision = state.returned ? wanted.revision : null
      expect(page).toMatchObject({ ...wanted, revision })
    })
  })
})
