import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ferrySheets, identified, JOB, opening, placed, unsent } from '../../../demo/log-entries.ts'
import { fold, type DataOf, type JobState, type UnsentEntry } from '../../log/index.ts'
import { admit } from '../../bench/admit/index.ts'
import { gatePoints } from '../../bench/stations/index.ts'
import { crossOrder, jointOf, jointWords, lengthWords, proofOf, torqueWords } from './index.ts'

const sheets = ferrySheets()
const screws = sheets.build.positions.find(({ code }) => code === 'cover.screws')!
const float = sheets.build.positions.find(({ code }) => code === 'float')!

/** A job whose parts are off, that goes on by entries. */
function bench() {
  const log: UnsentEntry[] = []
  const folded = () =>
    fold(
      JOB,
      log.map((entry, i) => placed(entry, i + 1)),
    )
  const job = {
    get state(): JobState {
      return folded()
    },
    enter<K extends keyof DataOf>(kind: K, data: DataOf[K]) {
      const entry = unsent(log.length + 1, kind, data)
      const no = admit(folded(), entry, { 1: sheets })
      if (no) return no.code
      log.push(entry)
      return 'in'
    },
    on: (position: string, proof: 'held' | 'not yet' | 'none' = 'none') =>
      job.enter('part.on', { position, from: 'old', part: null, proof, thicknessMm: null }),
    turn: (to: DataOf['fastener.turned']['to'], at = [0, 1, 2, 3, 4, 5, 6, 7], why = '') =>
      job.enter('fastener.turned', { position: 'cover.screws', at, to, why }),
    gate: () => gatePoints(folded(), { 1: sheets }).map(({ point }) => point),
  }
  job.enter('job.opened', opening)
  job.enter('ident.chosen', identified)
  for (const position of ['cover.screws', 'cover', 'float']) job.enter('part.off', { position, tray: 'B' })
  return job
}

describe('the cross pattern', () => {
  it('goes to the opposite one, then between, as it is done by hand', () => {
    expect(crossOrder(1)).toEqual([0])
    expect(crossOrder(2)).toEqual([0, 1])
    expect(crossOrder(4)).toEqual([0, 2, 1, 3])
    expect(crossOrder(6)).toEqual([0, 3, 1, 4, 2, 5])
    expect(crossOrder(8)).toEqual([0, 4, 2, 6, 1, 5, 3, 7])
  })
  it('takes each one once, and from four on never a neighbour next', () =>
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 24 }), (count) => {
        const order = crossOrder(count)
        expect([...order].sort((a, b) => a - b)).toEqual([...Array(count).keys()])
        const second = order[1]!
        expect(Math.min(second, count - second)).toBe(Math.floor(count / 2))
      }),
    ))
})

describe('a joint of eight screws', () => {
  it('is not tightened before all are started by hand', () => {
    const job = bench()
    expect(job.turn('started')).toBe('not on')
    job.on('cover.screws')
    expect(job.turn('final', [0])).toBe('not all started')
    expect(job.turn('started', [0, 1, 2, 3, 4, 5, 6])).toBe('in')
    expect(job.turn('final', [0])).toBe('not all started')
    expect(jointWords(jointOf(job.state, screws)!)).toBe('7 of 8 started')
    expect(job.turn('started', [7])).toBe('in')
    expect(job.turn('final', [0, 4])).toBe('in')
    expect(job.turn('final', [8])).toBe('no such fastener')
    // What was never tightened is not felt again.
    expect(job.turn('checked')).toBe('not final')
    expect(job.turn('checked', [0, 4])).toBe('in')
  })

  it('is done when each was final and felt again after the last of them', () => {
    const job = bench()
    job.on('cover.screws')
    expect(job.gate()).toContain('joint:cover.screws')
    job.turn('started')
    job.turn('final', [0, 4, 2, 6])
    const half = jointOf(job.state, screws)!
    expect(jointWords(half)).toBe('0 of 8 finger-tight'.replace('0', '4'))
    job.turn('final', [1, 5, 3, 7])
    expect(jointOf(job.state, screws)).toMatchObject({ phase: 'checked', open: [0, 4, 2, 6, 1, 5, 3, 7] })
    job.turn('checked')
    expect(jointOf(job.state, screws)).toMatchObject({ phase: null })
    expect(job.gate()).not.toContain('joint:cover.screws')
    // One is turned once more: those that were felt before it are felt again.
    job.turn('final', [3])
    expect(jointOf(job.state, screws)).toMatchObject({ phase: 'checked' })
  })

  it('that was opened again starts anew', () => {
    const job = bench()
    job.on('cover.screws')
    job.turn('started')
    job.turn('final')
    job.turn('checked')
    job.enter('part.off', { position: 'cover.screws', tray: 'B' })
    expect(jointOf(job.state, screws)).toBeNull()
    job.on('cover.screws')
    expect(jointOf(job.state, screws)).toMatchObject({ phase: 'started', states: Array(8).fill('off') })
  })

  it('one that is left slack on purpose says why, and does not stand in the way', () => {
    const job = bench()
    job.on('cover.screws')
    job.turn('started')
    expect(job.turn('engine', [0])).toBe('why slack')
    job.turn('engine', [0, 1, 2, 3, 4, 5, 6, 7], 'until the hose is routed')
    expect(jointOf(job.state, screws)).toMatchObject({
      phase: null,
      forEngine: ['until the hose is routed'],
    })
    expect(job.gate()).not.toContain('joint:cover.screws')
  })
})

describe('the check that proves a step', () => {
  it('stands before the return until it held, and again once the part came off', () => {
    const job = bench()
    job.on('float', 'not yet')
    expect(job.gate()).toContain('proof:float')
    expect(proofOf(job.state, float)).toBe('not yet')
    job.enter('proof.answered', { position: 'float', answer: 'held', words: '' })
    expect(proofOf(job.state, float)).toBe('held')
    expect(job.gate()).not.toContain('proof:float')
    job.enter('part.off', { position: 'float', tray: 'B' })
    job.on('float', 'not yet')
    expect(job.gate()).toContain('proof:float')
  })
  it('of a part that an older program put on was answered by its key', () => {
    const old = { ...unsent(6, 'part.on', { position: 'float', from: 'old', part: null } as never), v: 1 }
    const state = fold(JOB, [
      placed(unsent(1, 'job.opened', opening), 1),
      placed(unsent(2, 'ident.chosen', identified), 2),
      placed(unsent(3, 'part.off', { position: 'float', tray: 'B' }), 3),
      placed(old, 4),
    ])
    expect(proofOf(state, float)).toBe('held')
  })
})

describe('lengths and torque', () => {
  it('says which holes take the long ones, and how a wrong one shows', () => {
    expect(
      lengthWords({
        ...screws,
        quantity: 8,
        fastener: { thread: 'M5', lengthsMm: [16, 16, 24, 24, 16, 16, 16, 16], torqueNm: 3.4, proudMm: 6 },
      }),
    ).toBe(
      '24.0 mm in holes 3, 4; the others 16.0. Laid in loosely, all heads stand 6.0 mm proud: one that does not is in the wrong hole.',
    )
  })
  it('says a torque in both units: 3.4 N·m are 30 pound-inches', () => {
    expect(torqueWords(3.4)).toBe('3.4 N·m (30 lb·in)')
    expect(torqueWords(null)).toBe('snug, not tight')
  })
})
