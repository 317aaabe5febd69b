import { fold, type DataOf, type Entry, type JobState, type SheetsByBody } from '@ekrond/core/job'
import { claimsOf } from '@ekrond/core/claims'
import type { Sheets } from '@ekrond/core/sheets'
import { openPoints } from '@ekrond/core/stations'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWriter, type DemoWorld } from '../../demo/jobs.ts'
import { opening, placed, unsent } from '../../demo/log-entries.ts'
import { selectListNumber, selectListNumbers, selectMarket } from '../library/library.sql.ts'
import { selectShopLists } from '../shop/shop.sql.ts'
import { NOW, openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
let world: DemoWorld
beforeAll(async () => {
  shop = await openShop('evidence')
  const { gauges } = await selectShopLists(shop.pool)
  world = {
    now: new Date(NOW),
    gauges,
    market: await selectMarket(shop.pool),
    sheetsOf: async (listNumber) => (await selectListNumber(shop.pool, listNumber))!.sheets,
  }
})
afterAll(() => shop.close())

interface Told {
  log: Entry[]
  sheets: Sheets
  all: SheetsByBody
  state: (log?: readonly Entry[]) => JobState
  /** what stands in the way, by its names */
  stands: (log?: readonly Entry[]) => string[]
}

/** One of a model's list numbers, taken through all of it honestly: apart, measured, renewed, blown, built, set, proved. */
async function honest(model: string, told: Partial<DataOf['job.opened']> = {}): Promise<Told> {
  const { listNumbers } = await selectListNumbers(shop.pool, { q: '', limit: 500 })
  const { listNumber } = listNumbers.find((one) => one.model === model)!
  const w = openWriter(world, `honest ${model} ${JSON.stringify(told)}`)
  w.from(3)
  const { evidence: _, ...plain } = opening
  w.receive({ ...plain, ethanol: 0, pressureKpa: null, ...told }, 3)
  const sheets = await world.sheetsOf(listNumber)
  const all: SheetsByBody = Object.fromEntries(
    Array.from({ length: told.bodies ?? 1 }, (_, i) => [i + 1, sheets]),
  )
  for (let body = 1; body <= (told.bodies ?? 1); body++) {
    w.body(body)
    await w.identify(listNumber, 0.99)
    w.add('teardown.unlocked', { why: 'came in a box' })
    w.stripTheRest()
  }
  w.add('order.arrived', { order: w.order() })
  for (let body = 1; body <= (told.bodies ?? 1); body++) {
    w.body(body)
    w.build()
    w.lookAgain()
    w.setTheRest()
    w.leavePorts()
  }
  for (let body = 1; body <= (told.bodies ?? 1); body++) {
    w.body(body)
    w.prove()
  }
  w.body(1)
  w.add('complaint.answered', { explained: true, by: ['needle'], words: 'grooved' })
  const log = [...w.state().log]
  const renumbered = (entries: readonly Entry[]) => entries.map((entry, i) => ({ ...entry, seq: i + 1 }))
  const state = (entries: readonly Entry[] = log) => fold(w.job, renumbered(entries))
  return {
    log,
    sheets,
    all,
    state,
    stands: (entries) => openPoints(state(entries), all).map(({ point }) => point),
  }
}

/** The log with entries left out, or told otherwise. */
const without = (log: readonly Entry[], which: (entry: Entry) => boolean) =>
  log.filter((entry) => !which(entry))
const changed = <K extends keyof DataOf>(
  log: readonly Entry[],
  kind: K,
  change: (data: DataOf[K]) => DataOf[K],
  which: (data: DataOf[K]) => boolean = () => true,
) =>
  log.map((entry) =>
    entry.kind === kind && which(entry.data as DataOf[K])
      ? { ...entry, data: change(entry.data as DataOf[K]) }
      : entry,
  )
let made = 900
const more = <K extends keyof DataOf>(log: readonly Entry[], kind: K, data: DataOf[K], by = 'I. Marrow') => [
  ...log,
  placed({ ...unsent(++made, kind, data, { job: log[0]!.job, by }) }, log.length + 1),
]

const MODELS = ['K-44', 'Q-80', 'S26', 'D32', 'U3', 'U7', '24T', '12T']

describe.each(MODELS)('a %s', (model) => {
  let unit: Told
  beforeAll(async () => {
    unit = await honest(model)
  })
  const position = (which: (one: Sheets['build']['positions'][number]) => boolean) =>
    unit.sheets.build.positions.find(which)

  it('that was shown throughout has nothing in its way', () => {
    expect(unit.stands()).toEqual([])
    expect(claimsOf(unit.state(), unit.sheets).every(({ state }) => state === 'shown')).toBe(true)
  })
  it('never opened is one line', () => {
    const touched = ['part.off', 'part.on', 'finding.judged', 'fastener.turned', 'passage.blown', 'order.']
    const log = without(unit.log, ({ kind }) => touched.some((one) => kind.startsWith(one)))
    expect(unit.stands(log)).toContain('unopened')
  })
  it('of which a part was never touched says which', () => {
    const part = position(({ stays, always, kind }) => !stays && !always && kind !== 'screw')!
    const log = without(
      unit.log,
      ({ kind, data }) =>
        /^(part\.|finding\.|fastener\.|proof\.answered)/.test(kind) &&
        (data as { position: string }).position === part.code,
    )
    expect(unit.stands(log)).toContain('unseen')
    const open = claimsOf(unit.state(log), unit.sheets).filter(({ state }) => state !== 'shown')
    expect(open.map(({ subject }) => subject)).toEqual([part.code])
  })
  it('of which a part was called sound and never measured says so', () => {
    const part = position(({ stays, always, deciding }) => !stays && !always && deciding !== null)
    if (!part) return expect(model).toBe('none of them')
    const log = changed(
      unit.log,
      'finding.judged',
      (data) => ({ ...data, measured: null, raw: '' }),
      ({ position: code }) => code === part.code,
    )
    expect(unit.stands(log)).toContain('unmeasured')
  })
  it('of which what is always renewed went on again old is asked for it', () => {
    const part = position(({ always, part: number }) => always && number !== null)!
    const old = changed(
      unit.log,
      'part.on',
      (data) => ({ ...data, from: 'old', part: null }),
      ({ position: code }) => code === part.code,
    )
    expect(unit.stands(old)).toContain(`need:${part.code}`)
    const untouched = without(
      unit.log,
      ({ kind, data }) =>
        /^(part\.|finding\.|fastener\.)/.test(kind) && (data as { position: string }).position === part.code,
    )
    expect(unit.stands(untouched)).toContain('unrenewed')
  })
  it('whose passages nobody blew is asked for them', () => {
    expect(unit.stands(without(unit.log, ({ kind }) => kind === 'passage.blown'))).toContain('unblown')
  })
  it('with a setting that was called in and lies out of its band is out', () => {
    const setting = unit.sheets.spec.settings.find(
      ({ set, quantity, lo }) => set && quantity === 'length' && lo !== null,
    )!
    const log = changed(
      unit.log,
      'reading.taken',
      (data) => ({ ...data, raw: '3.0', value: 3 }),
      ({ code, place }) => code === setting.code && place === setting.place,
    )
    expect(unit.stands(log)).toContain(`setting:${setting.code}/${setting.place}`)
  })
  it('proved at less than its pressure, or before its screws were final, is proved again', () => {
    const low = changed(unit.log, 'proof.measured', (data) =>
      data.proof === 'inlet' && data.measured.what === 'hold'
        ? { ...data, measured: { ...data.measured, fromKpa: 4 } }
        : data,
    )
    expect(unit.stands(low)).toContain('proof:inlet')
    const screws = position(({ kind, quantity }) => kind === 'screw' && quantity > 1)
    if (screws)
      expect(
        unit.stands(
          more(unit.log, 'fastener.turned', { position: screws.code, at: [0], to: 'final', why: '' }),
        ),
      ).toContain('proof:weep')
  })
  it('that was opened once more asks for what rests on what came off, and for nothing twice', () => {
    const { tray, code } = position((one) => one.code === 'needle')!
    const log = more(more(unit.log, 'part.off', { position: code, tray, again: 'opened again' }), 'part.on', {
      position: code,
      from: 'kit',
      part: null,
      proof: 'held',
      thicknessMm: null,
    })
    const stands = unit.stands(log)
    expect(stands).toEqual(expect.arrayContaining(['proof:inlet', 'proof:lifts']))
    expect(stands.filter((one) => one.startsWith('need:') || one === 'unrenewed')).toEqual([])
  })
  it('whose setting was read before the part that carries it came off again is read once more', () => {
    const carried = unit.sheets.spec.settings.flatMap((setting) => {
      const part = unit.sheets.build.positions.find(
        ({ code, stays }) => !stays && setting.set && setting.when?.on.includes(code),
      )
      return part ? [{ key: `${setting.code}/${setting.place}`, part }] : []
    })[0]
    if (!carried) return expect(model).not.toBe('K-44')
    const { code, tray } = carried.part
    const off = more(unit.log, 'part.off', { position: code, tray, again: 'opened again' })
    const on = more(off, 'part.on', {
      position: code,
      from: 'old',
      part: null,
      proof: 'held',
      thicknessMm: null,
    })
    expect(unit.stands(on)).toContain(`setting:${carried.key}`)
  })
  it('of which a part broke here goes on with another one only', () => {
    const part = position(
      ({ stays, always, part: number, kind }) => !stays && !always && number !== null && kind !== 'screw',
    )!
    const off = more(unit.log, 'part.off', { position: part.code, tray: part.tray, again: 'broke here' })
    const stands = unit.stands(off)
    expect(stands).toContain(`tray:${part.code}`)
    expect(stands).toContain(`need:${part.code}`)
  })
  it('that is to run on a fuel which its parts do not bear is stopped by them', () => {
    const tender = unit.sheets.build.positions.some(
      ({ ethanolLimit }) => ethanolLimit !== null && ethanolLimit < 0.85,
    )
    const log = changed(unit.log, 'job.opened', (data) => ({ ...data, ethanol: 0.85 }))
    expect(unit.stands(log).includes('fuel')).toBe(tender)
  })
})

describe('what is said against evidence', () => {
  it('a condemned casting that the same hand calls sound stays condemned; a measurement or other eyes settle it', async () => {
    const unit = await honest('K-44')
    const code = 'cover'
    const judged = (disposition: 'condemn' | 'reuse', condition: string): DataOf['finding.judged'] => ({
      position: code,
      condition,
      raw: '',
      measured: null,
      shown: { disposition, sure: true, sentence: condition, rule: '', limit: null },
      override: null,
    })
    const condemned = more(unit.log, 'finding.judged', judged('condemn', 'cracked'))
    expect(unit.stands(condemned)).toContain(`finding:${code}`)
    expect(unit.stands(more(condemned, 'finding.judged', judged('reuse', 'sound')))).toContain(
      `finding:${code}`,
    )
    const other = more(condemned, 'finding.judged', judged('reuse', 'sound'), 'R. Oda')
    expect(unit.stands(other)).not.toContain(`finding:${code}`)
  })
  it('a pass for one value is none for a worse one', async () => {
    const unit = await honest('K-44')
    const out = (raw: string) =>
      changed(
        unit.log,
        'reading.taken',
        (data) => ({ ...data, raw, value: Number(raw), shown: { ...data.shown, verdict: 'out' as const } }),
        ({ code }) => code === 'float.height',
      )
    const point = 'setting:float.height/none'
    const passed = (log: readonly Entry[], value: string) =>
      more(log, 'gate.passed', { point, why: 'runs so', second: 'R. Oda', value })
    expect(unit.stands(out('14.4'))).toContain(point)
    expect(unit.stands(passed(out('14.4'), '14.4'))).not.toContain(point)
    expect(unit.stands(passed(out('19.0'), '14.4'))).toContain(point)
  })
  it('a body of a bank that nobody opened is named', async () => {
    const unit = await honest('B34', { bodies: 4 })
    expect(unit.stands()).toEqual([])
    const log = without(
      unit.log,
      ({ kind, body }) => body === 3 && /^(part\.|finding\.|fastener\.|passage\.)/.test(kind),
    )
    expect(unit.stands(log)).toContain('3#unopened')
  })
  it('a comeback that nothing explains does not go a second time', async () => {
    const unit = await honest('K-44', { earlier: 1187 })
    const log = changed(unit.log, 'complaint.answered', (data) => ({ ...data, explained: false, by: [] }))
    expect(unit.stands(log)).toContain('comeback')
  })
  it('barrels that speak against the list number stop it', async () => {
    const unit = await honest('K-44')
    expect(
      unit.stands(more(unit.log, 'feature.seen', { feature: 'barrels', raw: '4', value: 4, sigma: null })),
    ).toContain('identity:barrels')
  })
  it('a job that began before this was asked has one line for all of it', async () => {
    const unit = await honest('K-44')
    const older = unit.log.map((entry) => (entry.kind === 'job.opened' ? { ...entry, v: 2 } : entry))
    expect(unit.stands(older)).toEqual([])
    const bare = without(older, ({ kind }) => kind === 'passage.blown')
    expect(unit.stands(bare)).toEqual(['older'])
  })
})
