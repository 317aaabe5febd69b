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
import { bodyKey, bodyNumbers, bodyOf, fold, readBodyKey, type DataOf, type UnsentEntry } from './index.ts'
import { allNeeds } from '../plan/needs/index.ts'
import { admit } from '../bench/admit/index.ts'
import {
  bankGrid,
  currentStation,
  gatePoints,
  stationStates,
  summarise,
  whereItHangs,
} from '../bench/stations/index.ts'

const sheets = ferrySheets()
const bank = { ...opening, bodies: 4 }
const jobOf = (first: DataOf['job.opened'], ...entries: UnsentEntry[]) =>
  fold(
    JOB,
    [unsent(1, 'job.opened', first), ...entries].map((entry, i) => placed(entry, i + 1)),
  )
const on = (body: number) => ({ body })
const all = { 1: sheets, 2: sheets, 3: sheets, 4: sheets }
const identify = (n: number, body: number) => unsent(n, 'ident.chosen', identified, on(body))
const four = [identify(2, 1), identify(3, 2), identify(4, 3), identify(5, 4)]

describe('a bank of four', () => {
  it('keeps what was entered of one body apart from the others', () => {
    const state = jobOf(
      bank,
      ...four,
      unsent(6, 'reading.taken', reading('13.4', 'in'), on(2)),
      unsent(7, 'test.noted', { test: 'inlet', result: 'bad' }, on(3)),
    )
    expect(bodyNumbers(state)).toEqual([1, 2, 3, 4])
    expect(bodyOf(state, 2).readings['float.height/none']!.said).toHaveLength(1)
    expect(bodyOf(state, 1).readings).toEqual({})
    expect(bodyOf(state, 3).tests.inlet!.result).toBe('bad')
    expect(stationStates(state, all, 2).set).toBe('begun')
    expect(stationStates(state, all, 1).set).toBe('none')
  })
  it('is refused at forty, with what to do', () => {
    const refused = admit(fold(JOB, []), unsent(1, 'job.opened', { ...opening, bodies: 40 }))
    expect(refused).toMatchObject({ code: 'data', field: 'bodies' })
    expect(refused!.sentence).toMatch(/at most 6 bodies\. Open a second job/)
  })
  it('has no body beyond its last', () => {
    const state = jobOf(bank, ...four)
    expect(admit(state, unsent(9, 'part.off', { position: 'float', tray: 'B' }, on(5)), all)).toMatchObject({
      code: 'body',
      sentence: 'This job has 4 bodies; there is no carburetor 5.',
    })
    expect(
      admit(jobOf(opening), unsent(9, 'mark.read', { place: 'body', text: 'K', maker: null }, on(2))),
    ).toMatchObject({ code: 'body' })
  })
  it('gains or loses a body only before teardown, and loses none that has entries', () => {
    const corrected = (bodies: number) =>
      unsent(20, 'job.opened', { ...opening, bodies }, { corrects: uuid(1) })
    const apart = jobOf(
      bank,
      ...four,
      unsent(6, 'teardown.unlocked', { why: 'in a box' }, on(2)),
      unsent(7, 'part.off', { position: 'float', tray: 'B' }, on(2)),
    )
    expect(admit(apart, corrected(3), all)).toMatchObject({
      code: 'apart',
      sentence: expect.stringContaining('Teardown of carburetor 2 has begun') as string,
    })
    expect(admit(jobOf(bank, ...four), corrected(5), all)).toBeUndefined()
    expect(admit(jobOf(bank, ...four), corrected(3), all)).toMatchObject({
      code: 'has entries',
      sentence: expect.stringContaining('Carburetor 4 has entries') as string,
    })
    expect(admit(jobOf(bank, identify(2, 1)), corrected(1), all)).toBeUndefined()
  })
  it('a correction aims at the same body', () => {
    const state = jobOf(bank, unsent(2, 'mark.read', { place: 'body', text: 'A', maker: null }, on(2)))
    const again = (body: number) =>
      unsent(3, 'mark.read', { place: 'body', text: 'B', maker: null }, { body, corrects: uuid(2) })
    expect(admit(state, again(1))).toMatchObject({ code: 'other thing' })
    expect(admit(state, again(2))).toBeUndefined()
  })
  it('hangs with the body that was worked on last, and says which', () => {
    const state = jobOf(bank, ...four, unsent(6, 'reading.taken', reading('12.1', 'out'), on(3)))
    expect(whereItHangs(state, all)).toMatchObject({
      body: 3,
      station: 'set',
      line: '3 of 4: float height tried once',
    })
    expect(summarise(state, all)).toMatchObject({ bodies: 4, body: 3 })
    // A body with nothing done yet stands at its first open station.
    expect(currentStation(state, all, 1)).toBe('asfound')
  })
  it('goes back only when every body may: the gate lists by body', () => {
    const state = jobOf(bank, ...four.slice(0, 3))
    const points = gatePoints(state, { 1: sheets, 2: sheets, 3: sheets })
    expect(points.find((p) => p.point === 'setting:float.height/none')!.title).toBe(
      'Carburetor 1: Float height is not set',
    )
    expect(points.find((p) => p.point === '3#setting:float.height/none')!.body).toBe(3)
    expect(points.find((p) => p.point === '4#identify')).toMatchObject({
      passable: false,
      station: 'identify',
    })
    // The job's own points stand once.
    expect(points.filter((p) => p.point === 'complaint')).toHaveLength(1)
    expect(admit(jobOf(bank, ...four), unsent(9, 'job.returned', { seenSeq: 5 }), all)).toMatchObject({
      code: 'gate',
    })
  })
  it('one parcel serves the bodies by name', () => {
    const off = (n: number, body: number) => [
      unsent(n, 'part.off', { position: 'seat', tray: 'B' }, on(body)),
      unsent(n + 1, 'finding.judged', finding('seat', 'replace', 'ringed'), on(body)),
    ]
    const state = jobOf(
      bank,
      ...four,
      ...off(6, 1),
      ...off(8, 2),
      unsent(10, 'order.placed', {
        lines: [
          {
            what: 'single',
            code: 'SE-240',
            supplier: 'h',
            quantity: 1,
            priceMinor: 780,
            serves: [bodyKey(2, 'seat')],
          },
        ],
        totalMinor: 780,
        arrives: '2026-11-26',
      }),
    )
    const seats = allNeeds(state, all).filter((need) => need.position === 'seat')
    expect(seats.map((need) => [need.body, need.standing])).toEqual([
      [1, 'open'],
      [2, 'ordered'],
    ])
    expect(readBodyKey('2#jet.main/P')).toEqual({ body: 2, key: 'jet.main/P' })
    expect(readBodyKey('jet.main/P')).toEqual({ body: 1, key: 'jet.main/P' })
  })
  it('has a page of the sheet for each body', () => {
    const state = jobOf(bank, ...four, unsent(6, 'reading.taken', reading('13.4', 'in'), on(2)))
    const pages = returnSheets(state, all, 1190)
    expect(pages.map((page) => page.body)).toEqual([1, 2, 3, 4].map((number) => ({ number, of: 4 })))
    const left = (i: number) => pages[i]!.rows.find((row) => row.name === 'Float height')!.asLeft
    expect([left(0), left(1)]).toEqual(['not recorded', '13.4 mm'])
    expect(returnSheets(jobOf(opening, identify(2, 1)), all, 1)[0]!.body).toBeNull()
  })
  it('shows check by check what nobody looked at', () => {
    const state = jobOf(
      bank,
      ...four,
      unsent(6, 'reading.taken', reading('13.4', 'in'), on(2)),
      unsent(7, 'teardown.unlocked', { why: 'in a box' }, on(2)),
      unsent(8, 'part.off', { position: 'float', tray: 'B' }, on(2)),
      unsent(9, 'finding.judged', finding('float', 'replace', 'dented'), on(2)),
    )
    const rows = bankGrid(state, all)
    const row = (key: string) => rows.find((one) => one.key === key)!
    expect(row('float.height/none').cells.map((cell) => cell.state)).toEqual([
      'nobody',
      'good',
      'nobody',
      'nobody',
    ])
    expect(row('float')).toMatchObject({ uneven: true })
    expect(row('float').cells[1]).toEqual({ words: 'replace', state: 'open' })
    // What nobody looked at on any body is even: it is only not done yet.
    expect(row('needle')).toMatchObject({ uneven: false })
  })
})
