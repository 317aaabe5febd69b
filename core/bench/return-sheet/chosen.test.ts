import { describe, expect, it } from 'vitest'
import { identified, JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { admit } from '../admit/index.ts'
import { enterFinding } from '../entering/index.ts'
import { builtRows } from './proved.ts'
import { startUpCard } from './start-up.ts'
import { emptyJob, step, type DataOf, type JobState, type UnsentEntry } from '../../log/index.ts'
import { jobNeeds } from '../../plan/needs/index.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import { jobSheets } from '../../taught/index.ts'
import { claimsOf } from '../../claims/index.ts'

const base = sheetsFor('S26-14F')
// The demo's slide: main 1.15, idle 0.45.
const MAIN = base.spec.calibration.find(({ code }) => code === 'jet.main')!.mm!

/** A slide unit in pieces at 1,600 m, its jet measured as its sheet has it; each `enter` as the bench would log it. */
function moved(told: Partial<DataOf['job.opened']> = {}) {
  let n = 0
  let state: JobState = emptyJob(JOB)
  const sheets = () => jobSheets(state, { 1: base })[1]!
  const enter = <K extends keyof DataOf>(kind: K, data: DataOf[K], more: Partial<UnsentEntry> = {}) => {
    const entry = unsent(++n, kind, data, more)
    const no = admit(state, entry, { 1: sheets() })
    if (no) return no.sentence
    state = step(state, placed(entry, state.seq + 1))
    return undefined
  }
  enter('job.opened', { ...opening, ethanol: 0, altitudeM: 1600, ...told })
  enter('ident.chosen', {
    ...identified,
    listNumber: 'S26-14F',
    specRev: base.specRev,
    buildRev: base.buildRev,
  })
  enter('teardown.unlocked', { why: 'in a box' })
  enter('part.off', { position: 'jet.main', tray: 'C' })
  const measured = (raw: string) => {
    const position = sheets().build.positions.find(({ code }) => code === 'jet.main')!
    const drawn = enterFinding(
      position,
      'sound',
      raw,
      null,
      sheets(),
      workingConditions(state.opened!, base.spec),
    )
    if (isRefusal(drawn)) throw new Error(drawn.refused.why)
    enter('finding.judged', drawn.data)
    return drawn.data.shown
  }
  return {
    enter,
    measured,
    sheets,
    state: () => state,
    choose: (mm: number, more: Partial<DataOf['cal.chosen']> = {}) =>
      enter('cal.chosen', {
        of: 'jet.main',
        size: mm.toFixed(2),
        nominal: mm,
        instead: MAIN,
        part: `JT-${Math.round(mm * 100)}`,
        why: 'moved to 1,600 m',
        for: { ethanol: 0, altitudeM: 1600, changes: [] },
        ...more,
      }),
    claim: () => claimsOf(state, sheets(), 1).find(({ subject }) => subject === 'chosen:jet.main'),
    need: () => jobNeeds(state, sheets(), 1).find(({ position }) => position === 'jet.main'),
    fitNew: () => {
      enter('order.placed', {
        lines: [
          {
            what: 'single',
            code: 'JT-110',
            supplier: 'hollin',
            quantity: 1,
            priceMinor: 310,
            serves: ['jet.main'],
          },
        ],
        totalMinor: 310,
        arrives: '2026-11-26',
      })
      const placedOrder = state.orders.at(-1)!
      enter('order.arrived', { order: placedOrder.entry })
      return enter('part.on', {
        position: 'jet.main',
        from: 'loose',
        part: 'JT-110',
        proof: 'none',
        thicknessMm: null,
      })
    },
  }
}

describe('a jet that is not the sheet’s, chosen for a place', () => {
  it('is needed, ordered, fitted and measured before its claim is shown', () => {
    const job = moved()
    expect(MAIN).toBe(1.15)
    expect(job.measured('1.145 1.155')).toMatchObject({ disposition: 'reuse', sure: true })
    expect(job.need()).toBeUndefined()
    expect(job.choose(1.1)).toBeUndefined()
    expect(job.claim()).toMatchObject({ state: 'open', weight: 'major', why: 'Main jet: 1.10 is not in' })
    expect(job.need()).toMatchObject({ part: 'JT-110', kind: 'chosen', standing: 'open' })
    expect(job.need()!.why).toBe('wanted 1.10, not the sheet’s 1.15: moved to 1,600 m')
    expect(job.fitNew()).toBeUndefined()
    // What came in the bag is that size only once it was measured.
    expect(job.claim()).toMatchObject({ state: 'open', weight: 'minor', station: 'build' })
    expect(job.need()).toMatchObject({ standing: 'on' })
    expect(job.measured('1.095 1.105').sentence).toBe(
      'This job wants 1.10, not the sheet’s 1.15: it is right.',
    )
    expect(job.claim()).toMatchObject({ state: 'shown' })
  })

  it('stays open where the sheet’s own went in again, by its measure', () => {
    const job = moved()
    job.choose(1.1)
    // 1.15 against 1.10 passes (1.15/1.10)² − 1 = 9 % more.
    expect(job.measured('1.145 1.155')).toMatchObject({
      disposition: 'replace',
      sentence:
        'This job wants 1.10, not the sheet’s 1.15: this is the sheet’s, 9 % more flow. Fit the chosen one.',
    })
    job.enter('part.on', { position: 'jet.main', from: 'old', part: null, proof: 'none', thicknessMm: null })
    expect(job.claim()).toMatchObject({ state: 'open', why: 'Main jet: 1.10 is not in' })
  })

  it('is told from one that lies close: 1.13 is not 1.15, nearer to it than half a step', () => {
    const job = moved()
    job.choose(1.13)
    // Half way between lies 1.14.
    expect(job.measured('1.145 1.155')).toMatchObject({ disposition: 'replace' })
    expect(job.claim()).toMatchObject({ state: 'open' })
    expect(job.measured('1.125 1.135')).toMatchObject({ disposition: 'reuse', sure: true })
    expect(job.claim()).toMatchObject({ state: 'shown' })
  })

  it('opens again where the job’s fuel or place changes, and ends where the sheet’s own is chosen', () => {
    const job = moved()
    job.choose(1.1)
    job.fitNew()
    job.measured('1.095 1.105')
    const opened = job.state().log[0]!
    job.enter('job.opened', { ...opening, ethanol: 0, altitudeM: 0 }, { corrects: opened.id })
    expect(job.claim()).toMatchObject({ state: 'void', why: 'Main jet: chosen for another fuel or place' })
    expect(
      job.choose(MAIN, { why: 'stays in the valley', for: { ethanol: 0, altitudeM: 0, changes: [] } }),
    ).toBeUndefined()
    expect(job.claim()).toBeUndefined()
    expect(job.sheets()).toBe(base)
  })

  it('stands on the papers with the sheet’s own beside it, and says where it must not work', () => {
    const job = moved()
    job.measured('1.145 1.155')
    job.choose(1.1)
    job.fitNew()
    job.measured('1.095 1.105')
    expect(builtRows(job.state(), job.sheets(), 1)).toContainEqual({
      name: 'Main jet, mm',
      was: '1.15',
      now: '1.10 new, the sheet’s 1.15',
    })
    expect(startUpCard(job.state(), job.sheets()).lines).toContain(
      'Set for gasoline at 1600 m: main jet 1.10 (the sheet’s: 1.15). Much below 1600 m it runs lean: no full load there before the sheet’s sizes are back in.',
    )
  })

  it('for a blend warns of the other fuel', () => {
    const job = moved({ ethanol: 0.85, altitudeM: 0 })
    job.choose(1.45, { for: { ethanol: 0.85, altitudeM: 0, changes: [] }, why: 'for 85 % ethanol' })
    expect(startUpCard(job.state(), job.sheets()).lines).toContain(
      'Set for fuel with 85 % ethanol: main jet 1.45 (the sheet’s: 1.15). With plain gasoline it runs far too rich: fit the sheet’s sizes first.',
    )
  })

  it('is no choice of a part without a bore, nor of one that its list number lacks', () => {
    const job = moved()
    expect(job.choose(1.1, { of: 'float' })).toBe(
      'Float has no bore on its sheet: no other size of it can be chosen.',
    )
    expect(job.choose(1.1, { of: 'jet.main/S' })).toMatch(/S26-14F has no part jet\.main\/S/)
  })
})

describe('a groove that is not the sheet’s', () => {
  it('is what the clip is set to', () => {
    const job = moved()
    const clip = base.spec.settings.find(({ code }) => code === 'needle.clip')!
    expect(
      job.choose(clip.target! - 1, {
        of: 'needle.clip/none',
        size: String(clip.target! - 1),
        instead: clip.target,
        part: null,
      }),
    ).toBeUndefined()
    const now = job.sheets().spec.settings.find(({ code }) => code === 'needle.clip')!
    expect(now).toMatchObject({ target: clip.target! - 1, lo: clip.target! - 1, hi: clip.target! - 1 })
    expect(now.ground).toContain(`not the sheet’s ${clip.asWritten}`)
  })
})

describe('another metering rod', () => {
  const four = sheetsFor('Q-8010-1S')
  const rods = four.build.positions.find(({ deciding }) => deciding?.what === 'step')!
  it('is what is measured from then on: the sheet’s own does not pass, the chosen one does', () => {
    let state = step(emptyJob(JOB), placed(unsent(1, 'job.opened', { ...opening, ethanol: 0 }), 1))
    state = step(state, placed(unsent(2, 'ident.chosen', { ...identified, listNumber: 'Q-8010-1S' }), 2))
    const choosing = unsent(3, 'cal.chosen', {
      of: rods.code,
      size: '1.00',
      nominal: 1,
      instead: 1.1,
      part: 'MR-82',
      why: 'richer at cruise',
      for: { ethanol: 0, altitudeM: 0, changes: [] },
    })
    expect(admit(state, choosing, { 1: four })).toBeUndefined()
    state = step(state, placed(choosing, 3))
    const own = jobSheets(state, { 1: four })[1]!
    const rod = own.build.positions.find(({ code }) => code === rods.code)!
    expect(rod).toMatchObject({ part: 'MR-82', deciding: { newMm: 1, instead: 1.1 } })
    const judged = (raw: string) => {
      const drawn = enterFinding(rod, 'sound', raw, null, own, workingConditions(state.opened!, own.spec))
      if (isRefusal(drawn)) throw new Error(drawn.refused.why)
      return drawn.data
    }
    expect(judged('1.10 1.10').shown.sentence).toMatch(/It is 1\.10: this job wants 1\.00/)
    expect(judged('1.10 1.10').shown.disposition).toBe('replace')
    expect(judged('1.00 1.00').shown.sentence).not.toMatch(/this job wants/)
    expect(jobNeeds(state, own, 1).find(({ position }) => position === rods.code)?.part).toBe('MR-82')
  })
})
