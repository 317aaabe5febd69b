import { describe, expect, it } from 'vitest'
import {
  ferrySheets,
  finding,
  identified,
  JOB,
  opening,
  placed,
  reading,
  unsent,
  uuid,
} from '../../demo/log-entries.ts'
import { returnSheets } from '../bench/return-sheet/index.ts'
import type { Sheets } from '../sheets/index.ts'
import {
  afterReturn,
  benchMinutes,
  current,
  fold,
  isNewer,
  kinds,
  replacement,
  sentenceOf,
  step,
  workSoFar,
  type JobState,
  type UnsentEntry,
} from './index.ts'
import { checkAgain, fromEarlier } from '../judge/again/index.ts'
import { admit, sourcesHere } from '../bench/admit/index.ts'
import {
  gatePoints,
  lastOwn,
  lastUndone,
  minutesLeft,
  nextThing,
  whereWasI,
} from '../bench/stations/index.ts'

const sheets = ferrySheets()
const all = { 1: sheets }
const opened = (...more: UnsentEntry[]): JobState =>
  fold(
    JOB,
    [unsent(1, 'job.opened', opening), unsent(2, 'ident.chosen', identified), ...more].map((entry, i) =>
      placed(entry, i + 1),
    ),
  )
const strike = (n: number, target: number, more: Partial<UnsentEntry> = {}) =>
  unsent(n, 'entry.struck', { why: '' }, { corrects: uuid(target), ...more })
const then = (state: JobState, entry: UnsentEntry): JobState => step(state, placed(entry, state.seq + 1))

describe('what an older program wrote', () => {
  const { tiltDeg: _t, boosted: _b, marine: _m, bodies: _n, earlier: _e, ...rest } = opening
  const { when: _w, ...complaint } = opening.complaint
  const old = {
    ...unsent(1, 'job.opened', opening),
    v: 1,
    data: { ...rest, complaint: { ...complaint, symptom: 'weeps' } },
  }
  it('is read as this one has it, and its row is left as it is', () => {
    const state = fold(JOB, [placed(old, 1)])
    expect(state.opened).toMatchObject({
      bodies: 1,
      tiltDeg: null,
      marine: false,
      complaint: { symptom: 'weep at a thread', when: 'any time' },
    })
    expect((state.log[0]!.data as { complaint: { symptom: string } }).complaint.symptom).toBe('weeps')
    expect(admit(fold(JOB, []), old)).toBeUndefined()
    expect(current(old)).toMatchObject({ v: 3 })
    // It began before all of it was asked to be shown.
    expect(state.opened!.evidence).toBe(false)
    expect(
      sentenceOf({ ...old, data: { ...rest, complaint: { ...complaint, symptom: 'weeps', words: '' } } }),
    ).toBe('took it in for Osk chain ferry: seeps at a fitting')
  })
  it('what a newer one wrote is kept, passed over, and refused from here', () => {
    const newer = { ...unsent(3, 'note.written', { text: 'x' }), v: kinds.get('note.written')!.version + 1 }
    expect(isNewer(newer)).toBe(true)
    expect(opened(newer).notes).toEqual([])
    expect(opened(newer).log).toHaveLength(3)
    expect(admit(opened(), newer)).toMatchObject({ code: 'newer' })
    expect(sentenceOf(newer)).toBe('something that a newer version wrote')
  })
})

describe('a promise in the past', () => {
  it('is refused by the day it was taken in; a day of grace for the shop’s zone', () => {
    const taken = (promise: string) => admit(fold(JOB, []), unsent(1, 'job.opened', { ...opening, promise }))
    expect(taken('2026-11-20')).toMatchObject({ code: 'promise', field: 'promise' })
    expect(taken('2026-11-23')).toBeUndefined()
  })
})

describe('take back and give back', () => {
  const note = (n: number, text: string) => unsent(n, 'mark.read', { place: 'plate', text, maker: null })
  it('gives back in the order in which it was taken back, while nothing new was entered', () => {
    const two = opened(note(3, 'A'), unsent(4, 'mark.read', { place: 'base', text: 'B', maker: null }))
    const one = then(two, strike(5, 4))
    const none = then(one, strike(6, 3))
    expect(lastOwn(none, 'I. Marrow', 'identify')?.id).toBe(uuid(2))
    expect(lastUndone(none, 'I. Marrow', 'identify')?.id).toBe(uuid(6))
    const back = then(none, strike(7, 6))
    expect(back.bodies[1]!.marks.plate!.text).toBe('A')
    expect(lastUndone(back, 'I. Marrow', 'identify')?.id).toBe(uuid(5))
    const both = then(back, strike(8, 5))
    expect(both.bodies[1]!.marks.base!.text).toBe('B')
    expect(lastUndone(both, 'I. Marrow', 'identify')).toBeUndefined()
    // What is entered anew ends it.
    expect(lastUndone(then(back, note(9, 'C')), 'I. Marrow', 'identify')).toBeUndefined()
  })
  it('is one’s own, at this station, of this body', () => {
    const state = then(opened(note(3, 'A')), strike(4, 3))
    expect(lastUndone(state, 'O. Dell', 'identify')).toBeUndefined()
    expect(lastUndone(state, 'I. Marrow', 'set')).toBeUndefined()
    expect(lastUndone(state, 'I. Marrow', 'identify', 2)).toBeUndefined()
    expect(lastUndone(state, 'I. Marrow', 'identify')?.id).toBe(uuid(4))
  })
})

describe('two people correct one identification', () => {
  const dell = unsent(
    3,
    'ident.chosen',
    { ...identified, listNumber: 'K-4417-1' },
    { corrects: uuid(2), by: 'O. Dell' },
  )
  it('the second is told what stands now, and who put it there', () => {
    const state = opened(dell)
    const late = unsent(4, 'ident.chosen', identified, { corrects: uuid(2), by: 'R. Oda' })
    const refused = admit(state, late, all)!
    expect(refused.code).toBe('superseded')
    expect(refused.sentence).toContain('O. Dell identified it as K-4417-1')
    // One key aims again: at what stands.
    const stands = replacement(state, uuid(2))!
    expect(stands.id).toBe(uuid(3))
    expect(admit(state, { ...late, corrects: stands.id }, all)).toBeUndefined()
  })
})

describe('an identification corrected after readings', () => {
  // The other list number lacks the pump stem and the power piston, and takes another seat.
  const other: Sheets = {
    ...sheets,
    specRev: 'K-4417-1/spec/1',
    buildRev: 'K-4417-1/build/1',
    spec: {
      ...sheets.spec,
      listNumber: 'K-4417-1',
      settings: sheets.spec.settings
        .filter((s) => s.code !== 'pump.stem')
        .map((s) => (s.code === 'float.height' ? { ...s, target: 14, asWritten: '14.0 ±0.5' } : s)),
    },
    build: {
      ...sheets.build,
      listNumber: 'K-4417-1',
      positions: sheets.build.positions
        .filter((p) => p.code !== 'power.piston')
        .map((p) => (p.code === 'seat' ? { ...p, part: 'SE-220' } : p)),
    },
  }
  const before = [
    unsent(3, 'reading.taken', reading('13.4', 'in')),
    unsent(4, 'reading.taken', { ...reading('9.5', 'in'), code: 'pump.stem' }),
    unsent(5, 'part.off', { position: 'power.piston', tray: 'C' }),
    unsent(6, 'part.off', { position: 'seat', tray: 'B' }),
    unsent(7, 'finding.judged', {
      ...finding('seat', 'replace', 'ringed'),
      override: { disposition: 'reuse', why: 'recut here' },
    }),
    unsent(8, 'order.placed', {
      lines: [
        { what: 'single', code: 'SE-240', supplier: 'h', quantity: 1, priceMinor: 780, serves: ['seat'] },
      ],
      totalMinor: 780,
      arrives: '2026-11-26',
    }),
  ]
  const corrected = unsent(
    9,
    'ident.chosen',
    { ...identified, listNumber: 'K-4417-1', specRev: other.specRev, buildRev: other.buildRev },
    { corrects: uuid(2) },
  )
  const state = opened(...before, corrected)
  it('is admitted and loses nothing', () => {
    expect(admit(opened(...before), corrected, all)).toBeUndefined()
    expect(state.bodies[1]!.readings['float.height/none']!.said).toHaveLength(1)
    expect(Object.keys(state.bodies[1]!.off)).toEqual(['power.piston', 'seat'])
  })
  it('readings, overrides and orders are to be checked again', () => {
    expect(checkAgain(state, other).map((item) => [item.what, item.key])).toEqual([
      ['reading', 'float.height/none'],
      ['override', 'seat'],
      ['order', 'SE-240'],
    ])
    expect(checkAgain(state, other)[0]!.why).toBe('13.4 was judged by 13.5 ±0.5, this sheet says 14.0 ±0.5')
    expect(checkAgain(opened(...before), sheets)).toEqual([])
    const titles = gatePoints(state, { 1: other }).map((point) => point.title)
    expect(titles).toEqual(expect.arrayContaining(['Seat: redo', 'SE-240: redo']))
  })
  it('what has no partner stands under the earlier identification', () => {
    expect(fromEarlier(state, other)).toEqual([
      { what: 'as left', key: 'pump.stem/none', said: '9.5' },
      { what: 'part', key: 'power.piston', said: 'off, in tray C' },
    ])
    expect(fromEarlier(state, sheets)).toEqual([])
  })
  it('a later correction is not refused for what the new sheets lack', () => {
    const again = unsent(10, 'ident.chosen', identified, { corrects: uuid(9) })
    expect(admit(state, again, { 1: other })).toBeUndefined()
  })
})

describe('estimate and yes', () => {
  const made = (n: number, amountMinor: number) =>
    unsent(n, 'estimate.made', { amountMinor, hourMinor: 6000, words: '' })
  const agreed = (n: number, yes = true) => unsent(n, 'estimate.agreed', { yes, who: 'the foreman' })
  const order = unsent(20, 'order.placed', {
    lines: [{ what: 'kit', code: '31-B', supplier: 'h', quantity: 1, priceMinor: 2480, serves: ['needle'] }],
    totalMinor: 2930,
    arrives: '2026-11-26',
  })
  const points = (state: JobState) => gatePoints(state, all).filter((p) => p.point.startsWith('estimate'))
  it('no yes without an estimate; an estimate without its yes stands at the gate', () => {
    expect(admit(opened(), agreed(3), all)).toMatchObject({ code: 'estimate' })
    expect(points(opened())).toEqual([])
    expect(points(opened(made(3, 5000)))[0]!.title).toBe('Estimate not approved yet')
    expect(points(opened(made(3, 5000), agreed(4, false)))[0]!.title).toBe('Customer declined the estimate')
    expect(points(opened(made(3, 5000), agreed(4)))).toEqual([])
  })
  it('work beyond it asks again; a new estimate with its yes clears it', () => {
    // 2930 of parts against 2500 agreed.
    const beyond = opened(made(3, 2500), agreed(4), order)
    expect(workSoFar(beyond)).toMatchObject({ partsMinor: 2930, minutes: 0, totalMinor: 2930 })
    expect(points(beyond)[0]!.title).toBe('The work went beyond the estimate')
    expect(points(then(then(beyond, made(30, 4000)), agreed(31)))).toEqual([])
  })
  it('a new estimate takes the old yes away', () =>
    expect(opened(made(3, 5000), agreed(4), made(5, 9000)).estimate!.agreed).toBeNull())
  it('counts bench time between the same hands’ entries, not over lunch', () => {
    const at = (n: number, clock: string, by = 'I. Marrow') =>
      placed(unsent(n, 'note.written', { text: 'x' }, { at: `2026-11-24T${clock}:00.000Z`, by }), n)
    // 9 + 12 minutes of Marrow; the hour between is lunch; Dell's own 5; a clock that runs back counts nothing.
    const log = [
      at(1, '10:00'),
      at(2, '10:09'),
      at(3, '10:10', 'O. Dell'),
      at(4, '11:10'),
      at(5, '11:22'),
      at(6, '10:15', 'O. Dell'),
      at(7, '09:00'),
    ]
    expect(benchMinutes(log)).toBe(26)
  })
})

describe('what can go on', () => {
  const placedBy = (what: 'kit' | 'single' | 'shelf') =>
    unsent(3, 'order.placed', {
      lines: [{ what, code: 'ND-24', supplier: 'h', quantity: 1, priceMinor: 0, serves: ['needle'] }],
      totalMinor: 0,
      arrives: '2026-11-26',
    })
  const arrived = unsent(4, 'order.arrived', { order: uuid(3) })
  it('is the old one, and a new one only from where it has come', () => {
    expect(sourcesHere(opened(), 'needle')).toEqual(['old'])
    expect(sourcesHere(opened(placedBy('kit')), 'needle')).toEqual(['old'])
    expect(sourcesHere(opened(placedBy('kit'), arrived), 'needle')).toEqual(['old', 'kit'])
    expect(sourcesHere(opened(placedBy('single'), arrived), 'needle')).toEqual(['old', 'loose'])
    // What lies on the shelf is there when it is taken for it; it is nobody else's.
    expect(sourcesHere(opened(placedBy('shelf')), 'needle')).toEqual(['old', 'shelf'])
    expect(sourcesHere(opened(placedBy('shelf')), 'seat')).toEqual(['old'])
  })
})

describe('after the return', () => {
  const returned = (() => {
    let state = opened(unsent(3, 'reading.taken', reading('13.4', 'in')))
    state = then(state, unsent(4, 'complaint.answered', { explained: false, by: [], words: '' }))
    for (const point of gatePoints(state, all))
      if (!point.passed)
        state = then(
          state,
          unsent(50 + state.seq, 'gate.passed', { point: point.point, why: 'test', second: 'O. Dell' }),
        )
    return then(state, unsent(90, 'job.returned', { seenSeq: state.seq }))
  })()
  it('a reading is put right, not taken anew, and makes revision B', () => {
    expect(afterReturn(returned)!.letter).toBe('A')
    expect(admit(returned, unsent(91, 'reading.taken', reading('13.5', 'in')), all)).toMatchObject({
      code: 'went back',
    })
    const right = unsent(91, 'reading.taken', reading('13.6', 'in'), { corrects: uuid(3) })
    expect(admit(returned, right, all)).toBeUndefined()
    const b = then(returned, right)
    expect(afterReturn(b)).toMatchObject({ letter: 'B', corrections: [{ seq: b.seq }] })
    const [page] = returnSheets(b, all, 1)
    expect(page).toMatchObject({
      revision: 'B',
      changes: ['read Float height: 13.6, in (I. Marrow, after return)'],
    })
    expect(page!.rows.find((row) => row.name === 'Float height')!.asLeft).toBe('13.6 mm')
    expect(b.returned).not.toBeNull()
  })
  it('the return itself is not taken back; opened again, work goes on', () => {
    expect(admit(returned, strike(91, 90), all)).toMatchObject({ code: 'return stands' })
    const again = then(returned, unsent(91, 'job.reopened', { why: 'came back the same day' }))
    expect(afterReturn(again)).toBeNull()
    expect(admit(again, unsent(92, 'reading.taken', reading('13.5', 'in')), all)).toBeUndefined()
    // Released once more it is the next letter, and so is what is corrected after that.
    const second = then(again, unsent(93, 'job.returned', { seenSeq: 92 }))
    expect(afterReturn(second)).toMatchObject({ letter: 'B', corrections: [] })
    const note = then(second, strike(94, 3, { data: { why: 'read wrongly' } }))
    expect(afterReturn(note)).toMatchObject({ letter: 'C' })
  })
  it('taken back after it went out says why', () => {
    expect(admit(returned, strike(91, 3), all)).toMatchObject({ code: 'why after', field: 'why' })
    expect(admit(returned, strike(91, 3, { data: { why: 'read wrongly' } }), all)).toBeUndefined()
  })
})

describe('where was I', () => {
  it('says what is off, what was tried, what it waits for', () => {
    const state = opened(
      unsent(3, 'teardown.unlocked', { why: 'in a box' }),
      unsent(4, 'part.off', { position: 'cover', tray: 'B' }),
      unsent(5, 'part.off', { position: 'seat', tray: 'B' }, { at: '2026-11-24T10:05:00.000Z' }),
      unsent(6, 'finding.judged', finding('seat', 'replace', 'ringed')),
      unsent(7, 'reading.taken', reading('11.8', 'out')),
      unsent(8, 'reading.taken', reading('12.6', 'out')),
      unsent(9, 'reading.taken', reading('12.9', 'out')),
    )
    expect(whereWasI(state, all)).toBe(
      'Bowl cover off, seat out, 1 to be replaced, float height tried 3 times, last 12.9',
    )
    // What was renewed since is no news.
    const renewed = unsent(10, 'part.on', {
      position: 'seat',
      from: 'kit',
      part: 'SE-240',
      proof: 'held',
      thicknessMm: null,
    })
    expect(whereWasI(then(state, renewed), all)).toBe('Bowl cover off, float height tried 3 times, last 12.9')
    expect(whereWasI(opened(), all)).toBe('As found: 0 of 7 noted')
  })
  it('the next thing passes over what waits', () => {
    expect(nextThing(opened(), all)).toMatchObject({ station: 'asfound' })
    expect(nextThing(opened(unsent(3, 'teardown.unlocked', { why: 'x' })), all)).toMatchObject({
      station: 'teardown',
    })
    expect(nextThing(fold(JOB, [placed(unsent(1, 'job.opened', opening), 1)]), {})).toMatchObject({
      station: 'identify',
    })
    const bank = fold(
      JOB,
      [
        unsent(1, 'job.opened', { ...opening, bodies: 2 }),
        unsent(2, 'ident.chosen', identified, { body: 1 }),
        unsent(3, 'asfound.skipped', { code: 'idle.screw', place: 'none', why: 'x' }, { body: 1 }),
      ].map((entry, i) => placed(entry, i + 1)),
    )
    expect(nextThing(bank, all)).toMatchObject({ body: 1, station: 'asfound' })
    expect(nextThing(bank, {})).toMatchObject({
      body: 1,
      station: 'identify',
      what: 'identify it, carburetor 1',
    })
  })
  it('counts the bench minutes that are left from what is left', () => {
    // Not identified: 12 to identify, two hours for what nobody knows yet, 10 for the return.
    expect(minutesLeft(fold(JOB, [placed(unsent(1, 'job.opened', opening), 1)]), {})).toBe(142)
    // The ferry: 7 to note, 24 off and on, 7 to set, 21 to prove, the return.
    expect(minutesLeft(opened(), all)).toBe(7 * 2 + 24 * 3 + 24 * 3 + 7 * 6 + 21 + 10)
    expect(minutesLeft(opened(unsent(3, 'reading.taken', reading('13.4', 'in'))), all)).toBe(
      7 * 2 + 24 * 6 + 6 * 6 + 21 + 10,
    )
  })
})
