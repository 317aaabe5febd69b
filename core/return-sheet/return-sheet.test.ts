import { describe, expect, it } from 'vitest'
import {
  ferrySheets,
  finding,
  identified,
  JOB,
  opening,
  placed,
  reading,
  sheetsFor,
  unsent,
} from '../../demo/log-entries.ts'
import { fold, type DataOf, type JobState, type UnsentEntry } from '../job/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { returnSheet, returnSheets } from './index.ts'

const ferry = ferrySheets()
const jobOf = (first: DataOf['job.opened'], sheets: Sheets, ...more: UnsentEntry[]): JobState =>
  fold(
    JOB,
    [
      unsent(1, 'job.opened', first),
      unsent(2, 'ident.chosen', {
        ...identified,
        listNumber: sheets.spec.listNumber,
        specRev: sheets.specRev,
        buildRev: sheets.buildRev,
      }),
      ...more,
    ].map((entry, i) => placed(entry, i + 1)),
  )
const sheetOf = (sheets: Sheets, first: Partial<DataOf['job.opened']> = {}, ...more: UnsentEntry[]) =>
  returnSheet(jobOf({ ...opening, ...first }, sheets, ...more), { 1: sheets }, 1187)
const surging = { ...opening.complaint, symptom: 'surge' as const, words: 'Surges' }

describe('the return sheet', () => {
  const sheet = sheetOf(
    ferry,
    {},
    unsent(3, 'asfound.noted', {
      code: 'mixture.turns',
      place: 'L',
      raw: '5/8',
      value: 5,
      countedTo: 'seat',
      shown: { headline: '3/4 in.', meaning: '' },
    }),
    unsent(4, 'part.off', { position: 'seat', tray: 'B' }),
    unsent(5, 'finding.judged', finding('seat', 'replace', 'ringed')),
    unsent(6, 'part.on', { position: 'seat', from: 'kit', part: 'SE-240' }),
    unsent(7, 'reading.taken', reading('11.8', 'out')),
    unsent(8, 'reading.taken', reading('13.4', 'in')),
    unsent(9, 'complaint.answered', { explained: true, by: ['seat'], words: '' }),
    unsent(10, 'gate.passed', { point: 'proof', why: 'stand taken', second: 'O. Dell' }),
  )
  it('has spec, as found and as left side by side, with the gauge and the tries', () => {
    expect(sheet.rows.find((r) => r.name === 'Float height')).toEqual({
      name: 'Float height',
      spec: '13.5 ±0.5',
      asFound: '·',
      asLeft: '13.4',
      with: 'caliper 2, 2nd try',
    })
    expect(sheet.rows.find((r) => r.name === 'Mixture, left')).toMatchObject({ asFound: '5/8', asLeft: '·' })
  })
  it('says what was found and done, and answers the complaint by it', () => {
    expect(sheet.foundAndDone).toContain('Seat: ring worn in: new')
    expect(sheet.complaint).toEqual({
      words: 'Floods when hot',
      answer: 'explained',
      detail: 'Seat: ring worn in.',
    })
    expect(sheet.left).toContainEqual({ what: 'Not bench-proved here', why: 'stand taken (with O. Dell)' })
  })
  it('bears its number with the check letter, revision A, and no page of a bank', () => {
    expect(sheet).toMatchObject({ revision: 'A', changes: [], body: null, listNumber: 'K-4417-2S' })
    expect(sheet.number).toMatch(/^1187[A-Z]$/)
  })
  it('has a row for every setting of the sheet, what is set first, in the order of setting', () => {
    const names = sheet.rows.map((row) => row.name)
    expect(names).toHaveLength(ferry.spec.settings.length)
    expect(names.slice(0, 3)).toEqual(['Float height', 'Float drop', 'Pump stem'])
    // What is only counted and never set is left as it was found.
    expect(sheet.rows.find((row) => row.name === 'Idle-speed screw')!.asLeft).toBe('as found')
  })
})

describe('what was found and done', () => {
  it('keeps the routine apart: parts renewed as always are one line at the end', () => {
    const { foundAndDone } = sheetOf(
      ferry,
      {},
      unsent(3, 'part.off', { position: 'needle', tray: 'B' }),
      unsent(4, 'finding.judged', finding('needle', 'replace')),
      unsent(5, 'part.on', { position: 'needle', from: 'kit', part: 'ND-24' }),
      unsent(6, 'part.off', { position: 'seat', tray: 'B' }),
      unsent(7, 'finding.judged', finding('seat', 'condemn', 'ringed')),
    )
    expect(foundAndDone.at(-1)).toBe('Renewed as always: needle')
    // A part that is not replaced yet says what was judged, not that it is new.
    expect(foundAndDone[0]).toMatch(/^Seat: ring worn in: /)
    expect(foundAndDone[0]).not.toMatch(/: new$/)
  })
  it('begins with the tests that failed as received; those that held are no news', () => {
    const { foundAndDone } = sheetOf(
      ferry,
      {},
      unsent(3, 'test.noted', { test: 'inlet', result: 'bad' }),
      unsent(4, 'test.noted', { test: 'lifts', result: 'good' }),
      unsent(5, 'test.noted', { test: 'break', result: 'none' }),
    )
    expect(foundAndDone).toEqual(['As received: inlet leaks down'])
  })
  it('a judgement against the rule stands under what was left, with its reason', () => {
    const { left } = sheetOf(
      ferry,
      {},
      unsent(3, 'part.off', { position: 'seat', tray: 'B' }),
      unsent(4, 'finding.judged', {
        ...finding('seat', 'replace', 'ringed'),
        override: { disposition: 'reuse', why: 'recut here last month' },
      }),
    )
    expect(left).toContainEqual({ what: 'Seat: reuse', why: 'recut here last month' })
  })
})

describe('the complaint', () => {
  it('unanswered says so, and never invents an answer', () =>
    expect(sheetOf(ferry).complaint).toEqual({
      words: 'Floods when hot',
      answer: 'not answered',
      detail: '',
    }))
  it('not explained keeps the words of whoever says so', () =>
    expect(
      sheetOf(
        ferry,
        {},
        unsent(3, 'complaint.answered', {
          explained: false,
          by: [],
          words: 'Could not be made to flood on the stand.',
        }),
      ).complaint,
    ).toEqual({
      words: 'Floods when hot',
      answer: 'not explained',
      detail: 'Could not be made to flood on the stand.',
    }))
  it('without the customer’s words is the symptom', () =>
    expect(sheetOf(ferry, { complaint: { ...surging, words: '' } }).complaint.words).toBe('surge'))
})

describe('the start-up card', () => {
  it('puts fuel in the cylinders first after flooding, by symptom or by words', () => {
    expect(sheetOf(ferry).startUp.danger).toMatch(/^Before anyone cranks: it flooded/)
    expect(sheetOf(ferry, { complaint: surging }).startUp.danger).toBeNull()
    expect(sheetOf(ferry, { complaint: { ...surging, symptom: 'leak' } }).startUp.danger).not.toBeNull()
    expect(
      sheetOf(ferry, { complaint: { ...surging, words: 'Surges, and flooded once' } }).startUp.danger,
    ).not.toBeNull()
  })
  it('says the pressure that it was set for, and the most that the needle holds', () => {
    expect(sheetOf(ferry).startUp.lines[0]).toContain('Fuel pressure 24.0 kPa, 27 at most')
    // Fed by a tank above it, there is no pressure to set.
    const slide = sheetsFor('S26-14F')
    expect(slide.spec.supply.feed).toBe('gravity')
    expect(sheetOf(slide).startUp.lines[0]).toMatch(/^Gravity feed: .*hose falling all the way/)
  })
  it('says which way is rich on this one: fuel past the tip or air', () => {
    expect(sheetOf(ferry).mixture.words).toEqual(['In is leaner', 'out is richer'])
    expect(sheetOf(ferry).startUp.lines.join(' ')).toContain('In is leaner on this one')
    const air = sheetsFor('S26-14F')
    expect(air.spec.mixture.kind).toBe('air')
    expect(sheetOf(air).mixture.words).toEqual(['In is richer', 'out is leaner'])
    expect(sheetOf(air).startUp.lines.join(' ')).toContain(
      'The screw out until it falters, then in a quarter turn. In is richer',
    )
  })
  it('has each mixture screw at what it was left at, else at the sheet’s', () => {
    const { screws } = sheetOf(
      ferry,
      {},
      unsent(3, 'reading.taken', { ...reading('1 1/2', 'in', 12), code: 'mixture.turns', place: 'L' }),
    ).mixture
    // One and three eighths is the sheet's: eleven eighths.
    expect(screws.map(({ turns, eighths }) => [turns, eighths])).toEqual([
      ['1 1/2', 12],
      ['1 3/8', 11],
    ])
  })
})

describe('cautions', () => {
  it('always name the fuel and the vapour', () =>
    expect(sheetOf(ferry).cautions).toEqual([expect.stringContaining('no flame or spark')]))
  it('follow how it is installed: marine, boosted, tilted', () => {
    const { cautions } = sheetOf(ferry, { marine: true, boosted: true, tiltDeg: 12 })
    expect(cautions).toHaveLength(4)
    expect(cautions.join(' ')).toMatch(/flame arrestor.*no fuel to the bilge/)
    expect(cautions.join(' ')).toMatch(/bowl vent and fuel pressure follow the intake/)
    expect(cautions.join(' ')).toContain('Installed at 12 degrees')
  })
})

describe('a bank', () => {
  it('has no page for a body that is not identified', () => {
    const state = jobOf({ ...opening, bodies: 3 }, ferry)
    const pages = returnSheets(state, { 1: ferry }, 1190)
    expect(pages.map((page) => page.body)).toEqual([{ number: 1, of: 3 }])
  })
})
