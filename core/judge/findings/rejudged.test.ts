import { describe, expect, it } from 'vitest'
import { identified, JOB, opening, placed, sheetsFor, unsent, uuid } from '../../../demo/log-entries.ts'
import { enterFinding } from '../../bench/entering/index.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import { emptyJob, step, type DataOf, type JobState, type UnsentEntry } from '../../log/index.ts'
import { admit } from '../../bench/admit/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { openPoints } from '../../bench/stations/index.ts'
import { judgeSeat, rejudged } from './index.ts'

const ident = (sheets: Sheets): DataOf['ident.chosen'] => ({
  ...identified,
  listNumber: sheets.spec.listNumber,
  specRev: sheets.specRev,
  buildRev: sheets.buildRev,
})

/** A job on a list number with parts measured as their gauges show, as the bench would log them. */
function measuredOn(sheets: Sheets, readings: Readonly<Record<string, string>>) {
  let n = 0
  let state: JobState = emptyJob(JOB)
  let now = sheets
  const enter = <K extends keyof DataOf>(kind: K, data: DataOf[K], more: Partial<UnsentEntry> = {}) => {
    const entry = unsent(++n, kind, data, more)
    const no = admit(state, entry, { 1: now })
    if (no) throw new Error(no.sentence)
    state = step(state, placed(entry, state.seq + 1))
  }
  enter('job.opened', opening)
  enter('ident.chosen', ident(sheets))
  enter('teardown.unlocked', { why: 'in a box' })
  for (const [code, raw] of Object.entries(readings)) {
    const position = sheets.build.positions.find((one) => one.code === code)!
    enter('part.off', { position: code, tray: 'C' })
    const drawn = enterFinding(
      position,
      'sound',
      raw,
      null,
      sheets,
      workingConditions(state.opened!, sheets.spec),
    )
    if (isRefusal(drawn)) throw new Error(drawn.refused.why)
    enter('finding.judged', drawn.data)
  }
  return {
    /** the number turns out to be another one */
    corrected: (other: Sheets) => {
      now = other
      enter('ident.chosen', ident(other), { corrects: uuid(2) })
      return state
    },
    renewed: (position: string) => {
      enter('order.placed', {
        lines: [
          { what: 'shelf', code: 'SH-1', supplier: 'shelf', quantity: 1, priceMinor: 0, serves: [position] },
        ],
        totalMinor: 0,
        arrives: '2026-11-26',
      })
      enter('part.on', { position, from: 'shelf', part: 'SH-1', proof: 'held', thicknessMm: null })
      return state
    },
    state: () => state,
  }
}
const resized = (sheets: Sheets, code: string, newMm: number, listNumber: string): Sheets => ({
  specRev: `${listNumber}/spec/1`,
  buildRev: `${listNumber}/build/1`,
  spec: { ...sheets.spec, listNumber },
  build: {
    ...sheets.build,
    listNumber,
    positions: sheets.build.positions.map((one) =>
      one.code === code && one.deciding ? { ...one, deciding: { ...one.deciding, newMm } } : one,
    ),
  },
})

describe('what was measured under a list number that turned out to be another', () => {
  const ferry = sheetsFor('K-4417-2S')
  const jet = 'jet.main/P'
  it('a jet that was the right one for the first is named at the gate for the second, and not passed in silence', () => {
    const job = measuredOn(ferry, { [jet]: '1.345 1.355' })
    expect(rejudged(job.state(), ferry)).toEqual([])
    const other = resized(ferry, jet, 1.45, 'K-4463-1')
    const state = job.corrected(other)
    // (1.35/1.45)² = 0.867: it passes 13 % less than the sheet's.
    expect(rejudged(state, other)).toEqual([
      {
        position: jet,
        name: expect.any(String) as string,
        why: expect.stringContaining(
          '1.345 1.355 judged again: By the sheet 1.45: 13 % less flow.',
        ) as string,
      },
    ])
    expect(openPoints(state, { 1: other }).map(({ point }) => point)).toContain(`again:${jet}`)
    expect(rejudged(job.renewed(jet), other)).toEqual([])
  })
  it('what is right by both is not asked for again', () => {
    const other = resized(ferry, jet, 1.35, 'K-4463-1')
    expect(rejudged(measuredOn(ferry, { [jet]: '1.345 1.355' }).corrected(other), other)).toEqual([])
  })
  it('a supply that was told afterwards may be more than the seat bears', () => {
    const job = measuredOn(ferry, { seat: '2.40 2.43' })
    const state = job.state()
    const at = (pressureKpa: number) =>
      rejudged({ ...state, opened: { ...state.opened!, pressureKpa } } satisfies JobState, ferry)[0]
    expect(rejudged(state, ferry)).toEqual([])
    // A seat goes by what it holds with its bore squared: the worn one lets go a few tenths of a kPa before a new one would.
    const tenths = Array.from({ length: 400 }, (_, i) => 20 + i / 10).filter((kpa) => at(kpa))
    expect(tenths.length).toBeGreaterThan(2)
    expect(tenths.at(-1)! - tenths[0]!).toBeLessThan(2)
    expect(at(tenths[0]!)).toMatchObject({
      position: 'seat',
      why: expect.stringContaining(`the supply gives ${tenths[0]!.toFixed(1)}`) as string,
    })
    // What not even a new one holds is the supply’s, and no seat is bought for it.
    expect(at(60)).toBeUndefined()
  })
})

describe('a seat that is narrower than new', () => {
  const { spec } = sheetsFor('K-4417-2S')
  const conditions = workingConditions(undefined, spec)
  it('is cleaned and measured again, or is another number’s', () => {
    const said = judgeSeat(2.0, 2.05, 2.4, spec, conditions)
    if (isRefusal(said)) throw new Error(said.refused.why)
    // (2.025/2.4)² = 0.712.
    expect(said).toMatchObject({ disposition: 'clean', sure: true })
    expect(said.sentence).toContain('it passes 29 % less')
  })
  it('within wear and make it is right', () => {
    const said = judgeSeat(2.37, 2.4, 2.4, spec, conditions)
    expect(said).toMatchObject({ disposition: 'reuse' })
  })
})
