import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { finding, identified, JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { passagePlanOf, passagePlans, unitDrawing } from '../../unit/families/index.ts'
import { boxOf } from '../../unit/drawing/index.ts'
import { emptyJob, step, type DataOf, type JobState } from '../../log/index.ts'
import { admit } from '../admit/index.ts'
import { largestTool, mapOf, nextBlow } from '../../diagnose/passages/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { openPoints, passageView, stationStates } from './index.ts'

function bench(sheets: Sheets, symptom: 'flat spot' | 'flooding' = 'flat spot') {
  let n = 0
  let state: JobState = emptyJob(JOB)
  const enter = <K extends keyof DataOf>(kind: K, data: DataOf[K]) => {
    const entry = unsent(++n, kind, data)
    const no = admit(state, entry, { 1: sheets })
    if (!no) state = step(state, placed(entry, state.seq + 1))
    return no?.code
  }
  const { listNumber } = sheets.spec
  enter('job.opened', { ...opening, complaint: { ...opening.complaint, symptom, band: 'just off idle' } })
  enter('ident.chosen', { ...identified, listNumber, specRev: sheets.specRev, buildRev: sheets.buildRev })
  return {
    enter,
    view: () => passageView({ state, here: state.bodies[1] ?? state.blank, sheets }),
    gate: () => openPoints(state, { 1: sheets }).map(({ point }) => point),
    station: () => stationStates(state, { 1: sheets }, 1).clean,
  }
}

describe('clean: which passage is blocked', () => {
  const ferry = sheetsFor('K-4417-2S')
  it('a blocked transfer feed is found in three blows, stands at the gate, and is proven after it was cleaned', () => {
    const job = bench(ferry)
    // The unit answers as one whose transfer feed is shut: the program picks each blow.
    let blows = 0
    while (job.view().suspects.length === 0 && blows < 3) {
      const look = nextBlow(job.view().map, job.view().blows)
      if (!look || 'refused' in look) throw new Error('no blow is suggested')
      const shut =
        look.in === 'T' ? look.watch : look.watch.filter((port) => port === 'T' || away(look.in, port))
      job.enter('passage.blown', {
        in: look.in,
        open: look.watch.filter((port) => !shut.includes(port)),
        shut,
      })
      blows++
    }
    expect(blows).toBeLessThanOrEqual(3)
    expect(job.view().suspects.map(({ id }) => id)).toEqual(['transfer'])
    expect(job.gate()).toContain('passage:transfer')
    expect(job.station()).toBe('begun')
    job.enter('passage.cleaned', { passage: 'transfer', tool: 'soft' })
    // What was blown before says nothing of now.
    expect(job.view().blows).toHaveLength(0)
    expect(job.gate()).not.toContain('passage:transfer')
    expect(job.view().proven).toBe(false)
    job.enter('passage.blown', { in: 'J', open: ['B', 'I', 'T', 'A'], shut: [] })
    job.enter('passage.blown', { in: 'A', open: ['T', 'I', 'J'], shut: [] })
    job.enter('passage.blown', { in: 'W', open: ['N'], shut: [] })
    expect(job.view().proven).toBe(true)
  })
  /** Ports of the pump hang on nothing else. */
  const away = (a: string, b: string) => ['W', 'N'].includes(a) !== ['W', 'N'].includes(b)

  it('the complaint is the prior: a flat spot speaks for the transfer feed, flooding does not', () => {
    const plan = passagePlans.downdraft
    const prior = (symptom: string) =>
      mapOf(plan, { symptom, band: 'just off idle', temperature: 'both', when: 'any time' }).branches.find(
        ({ id }) => id === 'transfer',
      )!.prior
    expect(prior('flat spot')).toBeGreaterThan(prior('flooding'))
    // 0.1/0.9 mm, and nothing said.
    expect(mapOf(plan, null).branches.find(({ id }) => id === 'transfer')!.prior).toBeCloseTo(0.1111, 4)
  })
  it('a blow without a look, or that names a port twice, is not taken', () => {
    const job = bench(ferry)
    expect(job.enter('passage.blown', { in: 'J', open: [], shut: [] })).toBe('blow unseen')
    expect(job.enter('passage.blown', { in: 'J', open: ['J'], shut: [] })).toBe('blow twice')
  })
  it('a part to be cleaned holds the station until it was measured again', () => {
    const job = bench(ferry)
    job.enter('passage.blown', { in: 'J', open: ['B', 'I', 'T', 'A'], shut: [] })
    expect(job.station()).toBe('begun')
    job.enter('passage.blown', { in: 'A', open: ['T', 'I', 'J'], shut: [] })
    job.enter('passage.blown', { in: 'W', open: ['N'], shut: [] })
    job.enter('teardown.unlocked', { why: 'in a box' })
    for (const { code, stays, tray } of ferry.build.positions)
      if (!stays) {
        job.enter('part.off', { position: code, tray })
        job.enter('finding.judged', finding(code, 'reuse'))
      }
    expect(job.station()).toBe('done')
    job.enter('finding.judged', {
      ...finding('jet.main/P', 'reuse', 'varnished'),
      shown: { disposition: 'clean', sure: true, sentence: 'Varnished.', rule: '', limit: null },
    })
    expect(job.station()).toBe('begun')
    job.enter('finding.judged', finding('jet.main/P', 'reuse'))
    expect(job.station()).toBe('done')
  })
  it('no tool touches the wall: nine tenths of the bore, in steps of a twentieth', () => {
    expect(largestTool(1)).toBeCloseTo(0.9, 12)
    expect(largestTool(0.7)).toBeCloseTo(0.6, 12)
    for (const bore of [0.4, 0.65, 0.9, 1.35, 3.2])
      expect(largestTool(bore)).toBeLessThanOrEqual(bore * 0.9 + 1e-9)
  })
})

describe('the passage map of each family', () => {
  const units = models().map((model) => sheetsFor(model.listNumbers[0]!.number))
  it('lies in its unit: every port and line inside of the castings’ box, ports apart enough for a glove', () => {
    for (const sheets of units) {
      const plan = passagePlanOf(sheets)
      const { x0, x1, y0, y1 } = boxOf(unitDrawing(sheets).fixed)
      const where = sheets.spec.model
      for (const [x, y] of [
        ...plan.ports.map(({ at }) => at),
        ...plan.passages.flatMap(({ line }) => line),
      ]) {
        expect(x, where).toBeGreaterThan(x0 - 2)
        expect(x, where).toBeLessThan(x1 + 2)
        expect(y, where).toBeGreaterThan(y0 - 2)
        expect(y, where).toBeLessThan(y1 + 2)
      }
      for (const [i, one] of plan.ports.entries())
        for (const other of plan.ports.slice(i + 1))
          expect(
            Math.hypot(one.at[0] - other.at[0], one.at[1] - other.at[1]),
            `${where} ${one.code} ${other.code}`,
          ).toBeGreaterThan(8)
    }
  })
  it('every branch can be reached by blows, and the blows that are suggested prove a free unit in ten or fewer', () => {
    for (const sheets of units) {
      const job = bench(sheets, 'flooding')
      const plan = passagePlanOf(sheets)
      const groups = (port: string) => {
        const seen = new Set([port])
        for (let size = 0; size !== seen.size;) {
          size = seen.size
          for (const { from, to } of plan.passages) {
            if (seen.has(from)) seen.add(to)
            if (seen.has(to)) seen.add(from)
          }
        }
        return seen
      }
      let blows = 0
      for (; blows < 10 && !job.view().proven; blows++) {
        const look = nextBlow(job.view().map, job.view().blows)
        if (!look || 'refused' in look) break
        const open = look.watch.filter((port) => groups(look.in).has(port))
        job.enter('passage.blown', {
          in: look.in,
          open,
          shut: look.watch.filter((port) => !open.includes(port)),
        })
      }
      expect(job.view().proven, `${sheets.spec.model} after ${blows}`).toBe(true)
    }
  })
})
