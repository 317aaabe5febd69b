import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  ferrySheets,
  identified,
  JOB,
  opening,
  placed,
  reading,
  unsent,
  uuid,
} from '../../../demo/log-entries.ts'
import {
  bodyNumbers,
  emptyJob,
  fold,
  standings,
  step,
  type JobState,
  type UnsentEntry,
  stationOfKind,
} from '../../log/index.ts'
import { admit } from '../admit/index.ts'
import { lastOwn, lastUndone } from './index.ts'

const sheets = ferrySheets()
const all = { 1: sheets, 2: sheets, 3: sheets, 4: sheets }
const HANDS = ['I. Marrow', 'O. Dell', 'R. Oda'] as const

type Deed =
  | { do: 'read'; body: number; by: number; value: number }
  | { do: 'test'; body: number; by: number; good: boolean }
  | { do: 'off'; body: number; by: number; part: number }
  | { do: 'undo'; body: number; by: number }
  | { do: 'redo'; body: number; by: number }

const parts = ['needle', 'seat', 'float', 'cover.gasket']
const hands = fc.integer({ min: 0, max: 2 })
const body = fc.integer({ min: 1, max: 4 })
const deed: fc.Arbitrary<Deed> = fc.oneof(
  fc.record({ do: fc.constant('read' as const), body, by: hands, value: fc.integer({ min: 110, max: 160 }) }),
  fc.record({ do: fc.constant('test' as const), body, by: hands, good: fc.boolean() }),
  fc.record({ do: fc.constant('off' as const), body, by: hands, part: fc.integer({ min: 0, max: 3 }) }),
  fc.record({ do: fc.constant('undo' as const), body, by: hands }),
  fc.record({ do: fc.constant('redo' as const), body, by: hands }),
)

/** The log that benches would have written: each deed is entered only where it is admitted, as the screens do. */
function play(deeds: readonly Deed[]): { state: JobState; told: number } {
  let state = emptyJob(JOB)
  let n = 0
  let told = 0
  const enter = (entry: UnsentEntry) => {
    if (admit(state, entry, all)) return void told++
    state = step(state, placed(entry, state.seq + 1))
  }
  enter(unsent(++n, 'job.opened', { ...opening, bodies: 4 }))
  for (const number of [1, 2, 3, 4]) enter(unsent(++n, 'ident.chosen', identified, { body: number }))
  for (const one of deeds) {
    const more = { body: one.body, by: HANDS[one.by]! }
    n++
    if (one.do === 'read')
      enter(unsent(n, 'reading.taken', reading((one.value / 10).toFixed(1), 'out'), more))
    else if (one.do === 'test')
      enter(unsent(n, 'test.noted', { test: 'inlet', result: one.good ? 'good' : 'bad' }, more))
    else if (one.do === 'off') enter(unsent(n, 'part.off', { position: parts[one.part]!, tray: 'B' }, more))
    else {
      const station = 'set' as const
      const target =
        one.do === 'undo'
          ? lastOwn(state, HANDS[one.by]!, station, one.body)
          : lastUndone(state, HANDS[one.by]!, station, one.body)
      if (target)
        enter(
          unsent(n, 'entry.struck', { why: '' }, { corrects: target.id, by: HANDS[one.by]!, body: one.body }),
        )
    }
  }
  return { state, told }
}
const withoutLog = ({ log: _l, seq: _s, ...rest }: JobState) => rest

describe('undo and redo on a bank of four, by three pairs of hands', () => {
  it('whatever is done and undone, the state is the fold of its log', () => {
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 40 }), (deeds) => {
        const { state } = play(deeds)
        expect(state).toEqual(fold(JOB, state.log))
      }),
      { numRuns: 60, seed: 1181 },
    )
  })
  it('an undo takes away one entry of these hands at this body and touches no other body', () => {
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 30 }), hands, body, (deeds, by, number) => {
        const { state } = play(deeds)
        const target = lastOwn(state, HANDS[by]!, 'set', number)
        if (!target) return
        expect(target.by).toBe(HANDS[by])
        expect(target.body).toBe(number)
        expect(stationOfKind(target.kind)).toBe('set')
        const strike = unsent(900, 'entry.struck', { why: '' }, { corrects: target.id, by: HANDS[by]! })
        if (admit(state, strike, all)) return
        const after = step(state, placed(strike, state.seq + 1))
        for (const other of bodyNumbers(state))
          if (other !== number) expect(after.bodies[other]).toEqual(state.bodies[other])
        expect(standings(after.log).get(target.id)).toBe('struck')
      }),
      { numRuns: 60, seed: 1182 },
    )
  })
  it('a redo right after an undo gives back exactly what was there', () => {
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 30 }), hands, body, (deeds, by, number) => {
        const { state } = play(deeds)
        const target = lastOwn(state, HANDS[by]!, 'set', number)
        if (!target) return
        const strike = unsent(900, 'entry.struck', { why: '' }, { corrects: target.id, by: HANDS[by]! })
        if (admit(state, strike, all)) return
        const undone = step(state, placed(strike, state.seq + 1))
        expect(lastUndone(undone, HANDS[by]!, 'set', number)?.id).toBe(uuid(900))
        const back = unsent(901, 'entry.struck', { why: '' }, { corrects: uuid(900), by: HANDS[by]! })
        expect(admit(undone, back, all)).toBeUndefined()
        const redone = step(undone, placed(back, undone.seq + 1))
        expect(withoutLog(redone)).toEqual(withoutLog(state))
        // The story keeps all three.
        expect(redone.log).toHaveLength(state.log.length + 2)
      }),
      { numRuns: 60, seed: 1183 },
    )
  })
  it('a part off twice is never in a log, however the benches race', () => {
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 40 }), (deeds) => {
        const { state } = play(deeds)
        const alive = standings(state.log)
        const off = state.log
          .filter((entry) => entry.kind === 'part.off' && alive.get(entry.id) === 'alive')
          .map((entry) => `${entry.body} ${(entry.data as { position: string }).position}`)
        expect(new Set(off).size).toBe(off.length)
      }),
      { numRuns: 60, seed: 1184 },
    )
  })
})
