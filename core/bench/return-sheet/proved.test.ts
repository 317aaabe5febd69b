import { describe, expect, it } from 'vitest'
import { identified, JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { templates } from '../../unit/families/templates/index.ts'
import { fold, type DataOf, type UnsentEntry, type ProofMeasured } from '../../log/index.ts'
import { proofsOf } from '../../judge/proof/index.ts'
import { taughtSheets } from '../../taught/index.ts'
import { layPicture, moneyWords, returnSheet } from './index.ts'

const sheets = sheetsFor('K-4417-2S')
let n = 20
const next = <K extends keyof DataOf>(kind: K, data: DataOf[K]): UnsentEntry => unsent(++n, kind, data)
const sheetOf = (...more: UnsentEntry[]) =>
  returnSheet(
    fold(
      JOB,
      [
        // Of a job that was asked for its proofs only, as older ones were: what else has to be shown is told in the claims' tests.
        unsent(1, 'job.opened', opening, { v: 2 }),
        unsent(2, 'ident.chosen', { ...identified, specRev: sheets.specRev, buildRev: sheets.buildRev }),
        ...more,
      ].map((entry, i) => placed(entry, i + 1)),
    ),
    { 1: sheets },
    1181,
  )
const base = { wants: '', headline: '', meaning: '', instrument: null, trace: null }
const measured = (proof: string, name: string, value: string, it: ProofMeasured) =>
  next('proof.measured', { ...base, proof, name, value, measured: it })
const seen = (proof: string) => measured(proof, proof, 'snaps', { what: 'seen', yes: true, words: '' })
const hold = (high: number): ProofMeasured => ({
  what: 'hold',
  side: 'pressure',
  fromKpa: 30,
  toKpa: 29,
  seconds: 30,
  volumeMl: 9,
  limit: 2,
  leak: 0.4,
  low: 0.3,
  high,
  verdict: 'slow',
  law: 'laminar',
  popOffKpa: null,
  reseatKpa: null,
})
const everything = () => [
  measured('inlet', 'Inlet', '0.4', hold(0.5)),
  measured('lifts', 'Lifts', '10 of 10', { what: 'lifts', clean: 10, of: 10, spreadKpa: null }),
  measured('vacuum/break', 'Break', '0.1', hold(0.5)),
  seen('throttle'),
  measured('level', 'Level', '15.7', {
    what: 'level',
    belowFace: 15.7,
    expected: 15.6,
    lo: 14.8,
    hi: 16.4,
    pressureKpa: 24,
    densityKgM3: 760,
    tiltDeg: 0,
    atEngine: 15.7,
  }),
  measured('weep', 'Leaks', 'dry', {
    what: 'weep',
    seconds: 620,
    wanted: 600,
    tapped: true,
    places: [{ name: 'Inlet', wetAt: null }],
  }),
  measured('pump', 'Pump', '10.1', { what: 'pump', ml: 10.1, strokes: 10, atOnce: true, lo: 8, hi: 12 }),
]
const returned = () => next('job.returned', { seenSeq: 3 })
const fitted = () =>
  next('proof.fitted', {
    proof: 'weep',
    name: 'Leaks and overflow',
    why: 'no adapter here',
    second: 'O. Dell',
  })

describe('what the paper is worth', () => {
  it('is nothing before the return, however well it is proved', () =>
    expect(sheetOf(...everything(), seen('choke')).standing!.word).toBe('DRAFT'))
  it('is PROVED with its figures where every proof was measured and stands', () => {
    const { standing } = sheetOf(...everything(), seen('choke'), returned())
    expect(standing).toMatchObject({ word: 'PROVED' })
    expect(standing!.rests).toBe('inlet 0.4 mL/min, lifts 10 of 10, level 15.7 mm, leaks dry.')
  })
  it('says what is unproved until it is fitted, on sheet, card and the installer’s list', () => {
    const sheet = sheetOf(...everything(), seen('choke'), fitted(), returned())
    expect(sheet.standing!.rests).toMatch(/Not tested here: leaks and overflow\./)
    expect(
      sheet.startUp.lines.some((line) =>
        /^Not tested here: leaks and overflow \(no adapter here\)/.test(line),
      ),
    ).toBe(true)
    expect(sheet.installer![0]).toBe('test: leaks and overflow')
  })
  it('is what it ended as where it did not go back, and nobody is told to start it', () => {
    const sheet = sheetOf(
      ...everything(),
      next('job.closed', {
        why: 'condemned',
        of: null,
        second: 'O. Dell',
        words: 'Hinge post cracked into the seat.',
      }),
    )
    expect(sheet.standing!.word).toBe('CONDEMNED')
    expect(sheet.standing!.rests).toMatch(/^Not repaired. Do not fit it\. Hinge post cracked into the seat/)
    expect(sheet.startUp.danger).toMatch(/^Do not fit it/)
    expect(sheet.startUp.lines.join(' ')).not.toMatch(/start|idle|warm/i)
    expect(moneyWords(sheet, undefined, 90)).toBe('')
  })
  it('every proof put off is no proof', () => {
    const put = (proof: string, name: string) =>
      next('proof.fitted', { proof, name, why: 'no adapter here', second: 'O. Dell' })
    const { standing } = sheetOf(put('weep', 'Leaks and overflow'), returned())
    expect(standing!.word).toBe('NOT PROVED')
    expect(moneyWords({ money: null, standing: standing! }, undefined, 90)).toBe('')
    expect(moneyWords({ money: null, standing: { word: 'PROVED', rests: '' } }, undefined, 90)).toMatch(
      /90 days/,
    )
  })
  it('is NOT PROVED where one is missing, failed or was opened since', () => {
    expect(sheetOf(...everything(), returned()).standing).toMatchObject({
      word: 'NOT PROVED',
      rests: 'Choke opens with warmth not done yet.',
    })
    const failed = sheetOf(
      ...everything(),
      seen('choke'),
      measured('inlet', 'Inlet', '9', hold(10)),
      returned(),
    )
    expect(failed.standing).toMatchObject({ word: 'NOT PROVED', rests: 'Inlet under air failed.' })
    const opened = sheetOf(
      ...everything(),
      seen('choke'),
      next('part.off', { position: 'cover', tray: 'B' }),
      returned(),
    )
    expect(opened.standing!.word).toBe('NOT PROVED')
    expect(opened.proofs!.find(({ name }) => name === 'Wet level')).toMatchObject({
      state: 'void',
      now: 'opened since',
    })
  })
  it('says of each that was let pass why, and by whom', () => {
    const pass = next('gate.passed', { point: 'proof:choke', why: 'coil is new', second: 'O. Dell' })
    expect(sheetOf(...everything(), pass, returned()).standing!.rests).toBe(
      'Choke opens with warmth not done yet: coil is new (I. Marrow with O. Dell, name only).',
    )
  })
  it('warns of fuel past the seat where the inlet leaked here on the bench', () => {
    const surging = sheetOf()
    expect(surging.startUp.danger).not.toBeNull()
    const quiet = {
      ...opening,
      complaint: { ...opening.complaint, symptom: 'surge' as const, words: 'Surges' },
    }
    const state = (more: UnsentEntry[]) =>
      fold(
        JOB,
        [
          unsent(1, 'job.opened', quiet),
          unsent(2, 'ident.chosen', { ...identified, specRev: sheets.specRev, buildRev: sheets.buildRev }),
          ...more,
        ].map((entry, i) => placed(entry, i + 1)),
      )
    expect(returnSheet(state([]), { 1: sheets }, 1).startUp.danger).toBeNull()
    expect(
      returnSheet(state([measured('inlet', 'Inlet', '9', hold(10))]), { 1: sheets }, 1).startUp.danger,
    ).toMatch(/leaked on the bench here/)
  })
})

describe('the picture of the sheet', () => {
  const { picture } = sheetOf()
  it('names every adjuster with its way, and every port', () => {
    expect(picture!.adjusters.map(({ name }) => name)).toEqual(expect.arrayContaining(['Idle', 'Choke']))
    expect(picture!.adjusters.find(({ name }) => /^Mix/.test(name))!.words).toBe(
      'in is leaner, out is richer',
    )
    expect(picture!.ports.every(({ left }) => left === 'not said')).toBe(true)
  })
  it('lays its words in a column, none over another, inside its place', () => {
    const laid = layPicture(picture!, 420, 128, 168, 23)
    const rows = laid.leaders.map(({ to }) => to[1])
    for (let i = 1; i < rows.length; i++) expect(rows[i]! - rows[i - 1]!).toBeGreaterThanOrEqual(22.9)
    for (const [x, y] of laid.outlines.flat()) {
      expect(x).toBeGreaterThan(0)
      expect(x).toBeLessThan(420 - 168)
      expect(y).toBeGreaterThan(0)
      expect(y).toBeLessThan(128)
    }
  })
  it('draws what is turned as a screw, and two that lie behind each other side by side', () => {
    const laid = layPicture(picture!, 420, 128, 168, 23)
    const screws = laid.leaders.filter(({ screw }) => screw)
    expect(screws.map(({ first }) => first.split(',')[0]).sort()).toEqual(['Idle', 'Mix L', 'Mix R'])
    expect(laid.leaders.find(({ first }) => first.startsWith('Choke'))!.screw).toBe(false)
    const places = screws.map(({ from }) => from.join())
    expect(new Set(places).size).toBe(places.length)
  })
})

describe('proofs of a unit that the bench taught', () => {
  it.each(Object.keys(templates) as (keyof typeof templates)[])(
    '%s: none rests on what its family only lends',
    (family) => {
      const state = fold(JOB, [
        placed(unsent(1, 'job.opened', opening), 1),
        placed(
          unsent(2, 'ident.taught', {
            family,
            barrels: templates[family].spec.barrels,
            float: 'from the cover',
            choke: 'coil',
            maker: '',
            name: 'kiln ?-type',
          }),
          2,
        ),
      ])
      const own = taughtSheets(state, templates)[1]!
      const proofs = proofsOf({ state, sheets: own, body: 1 })
      // No level before all of its dimensions are known, and no band of a pump that nobody measured.
      expect(proofs.some(({ code }) => code === 'level')).toBe(false)
      expect(proofs.filter(({ code }) => code === 'pump').every(({ wants }) => wants === 'at once')).toBe(
        true,
      )
      expect(proofs.some(({ code }) => code === 'inlet')).toBe(true)
      expect(proofs.every(({ hold }) => !/undefined|NaN/.test(hold))).toBe(true)
    },
  )
})

describe('the paper of one that does not go back repaired', () => {
  const judged = (position: string, condition: string) =>
    next('finding.judged', {
      position,
      condition,
      raw: '',
      measured: null,
      shown: {
        disposition: 'condemn',
        sure: true,
        sentence: 'The pin cannot be held.',
        rule: '',
        limit: null,
      },
      override: null,
    })
  const close = (more: Partial<DataOf['job.closed']> = {}) =>
    next('job.closed', {
      why: 'condemned',
      words: 'cracked into the seat',
      of: null,
      second: 'O. Dell',
      ...more,
    })
  it('says what was found and by whom, why that is the end, and what was not done', () => {
    const { end } = sheetOf(judged('body', 'postCracked'), close())
    expect(end).toMatchObject({ title: 'Handed back, condemned', second: 'O. Dell' })
    expect(end!.found[0]).toMatchObject({ what: 'Hinge post cracked', by: 'I. Marrow' })
    expect(end!.chain).toHaveLength(3)
    expect(end!.chain[2]).toMatch(/It can burn/)
    expect(end!.notDone).toEqual(
      expect.arrayContaining(['No gasket, needle or kit fitted', 'Not tested on the bench']),
    )
  })
  it('has no chain where the customer ended it, and none at all where it goes back', () => {
    const stopped = sheetOf(close({ why: 'stopped by the customer', second: null }))
    expect(stopped.end).toMatchObject({ title: 'Handed back, stopped', chain: [] })
    expect(sheetOf(...everything(), returned()).end).toBeUndefined()
  })
  it('draws the section with the place of the worst on it', () => {
    const { picture } = sheetOf(judged('needle', 'sound'), close()).end!
    const points = picture.outlines.flat()
    expect(points.length).toBeGreaterThan(100)
    const [x, y] = picture.at!
    expect(x).toBeGreaterThanOrEqual(Math.min(...points.map((point) => point[0])))
    expect(y).toBeLessThanOrEqual(Math.max(...points.map((point) => point[1])))
  })
})
