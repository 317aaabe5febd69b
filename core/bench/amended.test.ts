import { describe, expect, it } from 'vitest'
import { identified, JOB, opening, placed, sheetsFor, unsent } from '../../demo/log-entries.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { claimsOf } from '../claims/index.ts'
import { judgeSetting, settingsInOrder } from '../judge/settings/index.ts'
import { proofsOf } from '../judge/proof/index.ts'
import { emptyJob, step, type DataOf, type JobState, type UnsentEntry } from '../log/index.ts'
import { jobNeeds } from '../plan/needs/index.ts'
import {
  assemblyOrder,
  calibrationKey,
  carriersOf,
  isOutside,
  cautionsOn,
  momentsOf,
  partsTable,
  settingKey,
  settingSorts,
  teardownOrder,
} from '../sheets/index.ts'
import { workingConditions } from '../sheets/conditions/index.ts'
import { amendmentsOf, forBook, jobSheets } from '../taught/index.ts'
import { outsideOf, unitDrawing } from '../unit/families/index.ts'
import { admit } from './admit/index.ts'
import { isTeardownUnlocked } from './stations/index.ts'
import { enterTravel } from './proving/index.ts'
import { amendedLines } from './return-sheet/amended.ts'
import { startUpCard } from './return-sheet/start-up.ts'

/** A job of a listed number; what is told of it as the bench would log it. */
function unit(listNumber: string) {
  const base = sheetsFor(listNumber)
  let n = 0
  let state: JobState = emptyJob(JOB)
  const sheets = () => jobSheets(state, { 1: base })[1]!
  const enter = <K extends keyof DataOf>(kind: K, data: DataOf[K], more: Partial<UnsentEntry> = {}) => {
    const entry = unsent(++n, kind, data, more)
    const no = admit(state, entry, { 1: sheets() })
    if (no) return no.sentence
    state = step(state, placed(entry, state.seq + 1))
    return ''
  }
  enter('job.opened', opening)
  enter('ident.chosen', {
    ...identified,
    listNumber,
    specRev: base.specRev,
    buildRev: base.buildRev,
  })
  const part = (more: Partial<DataOf['own.part']>): DataOf['own.part'] => ({
    position: 'own.a1',
    name: 'Needle spring',
    kind: 'spring',
    circuit: 'none',
    place: 'none',
    quantity: 1,
    mm: null,
    part: '',
    stamped: '',
    underneath: '',
    at: null,
    absent: false,
    layer: null,
    ...more,
  })
  return {
    base,
    enter,
    sheets,
    state: () => state,
    tell: (more: Partial<DataOf['own.part']> = {}, by?: string) =>
      enter('own.part', part(more), by ? { by } : {}),
    position: (code: string) => sheets().build.positions.find((one) => one.code === code),
    claim: (subject: string) => claimsOf(state, sheets(), 1).find((one) => one.subject === subject),
  }
}

describe('a listed unit that has more than its book', () => {
  const needle = sheetsFor('K-4417-2S').build.positions.find(({ kind }) => kind === 'needle')!
  const told = {
    layer: needle.layer,
    at: [12, -8] as [number, number],
    wayRound: 'small end up',
    caution: 'It jumps: hold a cloth over it.',
    check: 'Float height read without pressing it.',
  }
  it('has the part in its order, its tray, its drawing, its claims and its needs, and the book stays as it is', () => {
    const one = unit('K-4417-2S')
    expect(one.tell(told)).toBe('')
    expect(one.position('own.a1')).toMatchObject({
      name: 'Needle spring',
      wayRound: 'small end up',
      proof: 'Float height read without pressing it.',
      part: 'Needle spring, by sample',
    })
    const order = teardownOrder(one.sheets().build).map(({ code }) => code)
    expect(order).toContain('own.a1')
    expect(assemblyOrder(one.sheets().build).map(({ code }) => code)).toEqual(order.reverse())
    expect(cautionsOn(one.position('own.a1')!)).toEqual(['It jumps: hold a cloth over it.'])
    expect(unitDrawing(one.sheets()).places['own.a1']?.at).toEqual([12, -8])
    // Nobody looked at it yet: it stands open like any listed part.
    expect(one.claim('own.a1')).toMatchObject({ of: 'part', state: 'open' })
    expect(one.enter('teardown.unlocked', { why: 'in a box' })).toBe('')
    expect(one.enter('part.off', { position: 'own.a1', tray: 'A', wayRound: 'small end up' })).toBe('')
    expect(
      one.enter('finding.judged', {
        position: 'own.a1',
        condition: 'rusty',
        raw: '',
        measured: null,
        shown: { disposition: 'replace', sure: true, sentence: 'It will break.', rule: '', limit: null },
        override: null,
      }),
    ).toBe('')
    expect(
      jobNeeds(one.state(), one.sheets(), 1).find(({ position }) => position === 'own.a1'),
    ).toMatchObject({ part: 'Needle spring, by sample' })
    expect(one.base.build.positions.some(({ code }) => code === 'own.a1')).toBe(false)
    expect(amendmentsOf(one.state(), 1)).toMatchObject([{ of: 'own.a1', what: 'part' }])
  })
  it('takes no second name for one part, and nobody’s own name as the second', () => {
    const one = unit('K-4417-2S')
    expect(one.tell({ name: needle.name.toUpperCase() })).toMatch(/stands on the sheet already/)
    const screen = one.base.build.positions.find(({ kind }) => kind === 'screen')
    if (!screen) throw new Error('the ferry engine’s list number has a screen')
    expect(
      one.tell({
        position: screen.code,
        name: screen.name,
        kind: 'screen',
        absent: true,
        second: 'I. Marrow',
      }),
    ).toMatch(/somebody else’s/)
  })
  it('two benches that add one at the same moment have two: each has its own code', () => {
    const one = unit('K-4417-2S')
    one.tell({ position: 'own.b7', name: 'Overflow barb', kind: 'tube' })
    one.tell({ position: 'own.c9', name: 'Sealed cap', kind: 'plug' })
    expect(one.position('own.b7')!.name).toBe('Overflow barb')
    expect(one.position('own.c9')!.name).toBe('Sealed cap')
  })
  it('is the same under a newer sheet of its number', () => {
    const one = unit('K-4417-2S')
    one.tell(told)
    const newer = { ...one.base, specRev: 'K-4417-2S/spec/9', spec: { ...one.base.spec } }
    const codes = jobSheets(one.state(), { 1: newer })[1]!.build.positions.map(({ code }) => code)
    expect(codes).toContain('own.a1')
  })
  it('a port that it has besides stands with its usual ones', () => {
    const one = unit('K-4417-2S')
    const before = outsideOf(one.sheets()).ports.map(({ code }) => code)
    expect(before).not.toContain('overflow')
    expect(one.enter('own.port', { port: 'overflow', boreMm: 5, absent: false })).toBe('')
    expect(
      outsideOf(one.sheets())
        .ports.map(({ code }) => code)
        .sort(),
    ).toEqual([...before, 'overflow'].sort())
  })
})

describe('a listed part that is not there', () => {
  const screenOf = () => {
    const one = unit('K-4417-2S')
    const screen = one.base.build.positions.find(({ kind }) => kind === 'screen')!
    const say = (second?: string) =>
      one.tell({
        position: screen.code,
        name: screen.name,
        kind: 'screen',
        absent: true,
        ...(second ? { second } : {}),
      })
    return { one, screen, say }
  }
  it('is a claim of its own until it was photographed and somebody else looked', () => {
    const { one, screen, say } = screenOf()
    say()
    const subject = `missing:${screen.code}`
    expect(one.position(screen.code)).toBeUndefined()
    expect(one.claim(subject)).toMatchObject({ state: 'open', weight: 'major' })
    say('O. Dell')
    expect(one.claim(subject)!.next).toBe('the book has one; it wants a photograph of its place')
    one.enter('photo.taken', {
      photo: 'a'.repeat(64),
      thumb: 'b'.repeat(64),
      width: 800,
      height: 600,
      step: 'teardown',
      position: screen.code,
      words: '',
    })
    expect(one.claim(subject)).toMatchObject({ state: 'shown' })
  })
  it('is never what no unit runs without: a lost needle is replaced', () => {
    const one = unit('K-4417-2S')
    const main = one.base.build.positions.find(({ code }) => code.startsWith('jet.main'))!
    expect(one.tell({ position: main.code, name: main.name, kind: 'jet', absent: true })).toMatch(
      /No unit runs without/,
    )
    for (const kind of ['needle', 'seat', 'float', 'cover'] as const) {
      const position = one.base.build.positions.find((each) => each.kind === kind)!
      expect(one.tell({ position: position.code, name: position.name, kind, absent: true }), kind).toMatch(
        /No unit runs without/,
      )
    }
  })
  it('cannot be one that came off', () => {
    const { one, screen, say } = screenOf()
    one.enter('teardown.unlocked', { why: 'in a box' })
    one.enter('part.off', { position: screen.code, tray: 'A' })
    expect(say('O. Dell')).not.toBe('')
  })
})

describe('a setting that its sheet lacks', () => {
  const sortOf = (code: string) => settingSorts.find((one) => one.code === code)!
  const added = (
    one: ReturnType<typeof unit>,
    code: string,
    value: { asWritten: string; target: number; lo: number; hi: number },
    more: Partial<DataOf['setting.added']> = {},
  ) => {
    const sort = sortOf(code)
    return one.enter('setting.added', {
      code,
      place: 'none',
      name: sort.words,
      quantity: sort.quantity,
      unit: 'mm',
      ...value,
      datum: sort.datum,
      hold: sort.hold,
      held: sort.held,
      on: carriersOf(sort, one.sheets().build),
      off: [],
      more: sort.more,
      less: sort.less,
      source: 'shop',
      ground: 'three of this number',
      absent: false,
      ...more,
    })
  }
  const gap = { asWritten: '0.90 ±0.10', target: 0.9, lo: 0.8, hi: 1 }
  it('is set, judged and proved like any: too small a gap turns the screw in, too large out', () => {
    const one = unit('K-4417-2S')
    expect(added(one, 'fastIdle.gap', gap)).toBe('')
    const setting = settingsInOrder(one.sheets().spec).find(({ code }) => code === 'fastIdle.gap')!
    const judged = (value: number) => {
      const said = judgeSetting(setting, value, {
        spec: one.sheets().spec,
        specRev: one.sheets().specRev,
        conditions: workingConditions(one.state().opened!, one.sheets().spec),
        gauge: null,
        drawer: [],
        floatHeight: null,
      })
      if (isRefusal(said)) throw new Error(said.refused.why)
      return said
    }
    expect(judged(0.6)).toMatchObject({
      verdict: 'out',
      remedy: { words: 'Turn the fast-idle screw in.', detail: '0.30 to go, to 0.90' },
    })
    expect(judged(1.3).remedy?.words).toBe('Turn the fast-idle screw out.')
    expect(judged(0.9).remedy).toBeNull()
    expect(one.claim('fastIdle.gap/none')).toMatchObject({ of: 'setting', state: 'open' })
  })
  it('locks nothing again: what was noted before teardown stays enough', () => {
    const one = unit('K-4417-2S')
    const noted = one.base.spec.settings.filter((each) => isOutside(each, one.base.build))
    for (const { code, place, target, quantity } of noted)
      one.enter('asfound.skipped', { code, place, why: `${quantity} ${target ?? ''} not reached` })
    expect(isTeardownUnlocked(one.state(), one.sheets(), 1)).toBe(true)
    added(one, 'dashpot.gap', { asWritten: '2.5', target: 2.5, lo: 2, hi: 3 }, { on: [] })
    expect(isTeardownUnlocked(one.state(), one.sheets(), 1)).toBe(true)
  })
  it('is in its book once, also where a newer sheet has it by this very job', () => {
    const one = unit('K-4417-2S')
    added(one, 'fastIdle.gap', gap)
    one.enter('check.added', {
      code: 'own.poppet',
      name: 'Choke poppet',
      wants: 'snaps shut',
      hold: '',
      rests: [],
      absent: false,
    })
    const twice = jobSheets(one.state(), { 1: one.sheets() })[1]!
    expect(twice.spec.settings.filter(({ code }) => code === 'fastIdle.gap')).toHaveLength(1)
    expect(twice.spec.proofs!.more!.filter(({ code }) => code === 'own.poppet')).toHaveLength(1)
  })
  it('has a moment: it is read while what carries it is on', () => {
    const one = unit('K-4417-2S')
    added(one, 'fastIdle.gap', gap)
    const setting = one.sheets().spec.settings.find((each) => settingKey(each) === 'fastIdle.gap/none')!
    expect(setting.when!.on).toEqual(['throttle.shaft'])
    expect(isRefusal(momentsOf(setting, one.sheets().build))).toBe(false)
  })
  it('is refused outside its own limits, by a name that stands there, and on a part that is not there', () => {
    const one = unit('K-4417-2S')
    const first = one.base.spec.settings[0]!
    expect(added(one, 'fastIdle.gap', gap, { name: first.name })).toMatch(/stands on the sheet already/)
    expect(added(one, 'fastIdle.gap', gap, { on: ['nothing.there'] })).toMatch(/has no part/)
    expect(added(one, 'fastIdle.gap', { ...gap, target: 2 })).toMatch(/outside its own limits/)
    expect(added(one, 'fastIdle.gap', gap, { datum: ' ' })).toMatch(/read from/)
  })
  it('of whatever kind says what makes it larger and what smaller, and never the same of both but where nothing is bent', () => {
    for (const { code, more, less, datum, hold } of settingSorts) {
      expect(more, code).toMatch(/[.]$/)
      expect(less, code).toMatch(/[.]$/)
      if (code !== 'compensator.gap') expect(more, code).not.toBe(less)
      expect(datum.length, code).toBeGreaterThan(8)
      expect(hold.length, code).toBeGreaterThan(8)
    }
    expect(new Set(settingSorts.map(({ code }) => code)).size).toBe(settingSorts.length)
  })
})

describe('a check that its sheet does not ask for', () => {
  const poppet = {
    code: 'poppet',
    name: 'Choke poppet',
    wants: 'snaps shut by itself',
    hold: 'Push it open by a finger, let go.',
    rests: ['cover'],
    absent: false,
  }
  it('is proved by hand before the return, and made anew once its part was opened', () => {
    const one = unit('K-4417-2S')
    expect(one.enter('check.added', poppet)).toBe('')
    const proof = proofsOf({ state: one.state(), sheets: one.sheets(), body: 1 }).find(
      ({ key }) => key === 'own:poppet',
    )!
    expect(proof).toMatchObject({ name: 'Choke poppet', rests: ['cover'] })
    expect(one.claim('own:poppet')).toMatchObject({ of: 'test', state: 'open' })
  })
  it('is refused for a part that is not there', () =>
    expect(unit('K-4417-2S').enter('check.added', { ...poppet, rests: ['slide'] })).toMatch(/has no part/))
})

describe('a heated enricher that its sheet lacks', () => {
  const add = () => {
    const one = unit('S26-14F')
    one.tell({ name: 'Cold start', kind: 'enricher', circuit: 'fuel' })
    const subject = { state: one.state(), sheets: one.sheets(), body: 1 }
    return { subject, proof: proofsOf(subject).find(({ key }) => key === 'electric:own.a1')! }
  }
  /** Creeps by x = 1 − exp(−(t − 10)/τ): 95 % at 10 + τ·ln 20. */
  const creeps = (tau: number, gain = 1): [number, number][] =>
    [0.25, 0.5, 0.75, 0.9].filter((x) => x < gain).map((x) => [10 - tau * Math.log(1 - x / gain), x])
  it('is timed under current, whatever it is called: no click is asked of it', () => {
    const { proof } = add()
    expect(proof).toMatchObject({ how: 'travel', wants: '≤ 300', rests: ['own.a1'] })
    expect(proof.hold).toMatch(/it does not click/)
  })
  it('that creeps shut in 190 s is good, in 430 s slow, and its words are an enricher’s', () => {
    const { subject, proof } = add()
    const timed = (tau: number) => {
      const said = enterTravel(subject, proof, creeps(tau), 12, null)
      if (isRefusal(said)) throw new Error(said.refused.why)
      return said
    }
    // τ 60: 10 + 60·2.996 = 190; τ 140: 429.
    expect(timed(60).data.headline).toMatch(/^Shuts\. 95 % of its travel after 19[01] s, 300 is allowed/)
    expect(timed(60).proved).toBe(true)
    expect(timed(140)).toMatchObject({ proved: false, remedy: { detail: 'nothing sets it' } })
    expect(JSON.stringify(timed(140))).not.toMatch(/plate|notch|coil/)
  })
})

describe('what is said of it', () => {
  it('stands on the card, so that whoever opens it next looks for no part that is not there', () => {
    const one = unit('K-4417-2S')
    const screen = one.base.build.positions.find(({ kind }) => kind === 'screen')!
    expect(amendedLines(one.state(), 1)).toEqual([])
    one.tell({ name: 'Retainer spring' })
    one.tell({ position: screen.code, name: screen.name, kind: 'screen', absent: true })
    expect(startUpCard(one.state(), one.sheets(), 1).lines).toContain(
      `Not as its book: it has besides retainer spring; it lacks ${screen.name.toLowerCase()}.`,
    )
  })
})

describe('what goes into the library of a taught unit', () => {
  it('gives the next of its number a jet to measure against, by the bore that was read', () => {
    const { spec, build } = sheetsFor('K-4417-2S')
    const jet = build.positions.find(({ kind }) => kind === 'jet')!
    const bare = {
      ...sheetsFor('K-4417-2S'),
      spec,
      build: {
        ...build,
        positions: build.positions.map((one) => (one === jet ? { ...one, deciding: null } : one)),
      },
    }
    const book = forBook(bare, unit('K-4417-2S').state().bodies[1]!)
    const bore = spec.calibration.find((one) => calibrationKey(one) === jet.code)!.mm
    expect(bore).toBeGreaterThan(0)
    expect(book.build.positions.find(({ code }) => code === jet.code)!.deciding).toEqual({
      what: 'bore',
      newMm: bore,
    })
  })
})

describe('what becomes of it', () => {
  it('is said of what differs, and the book is corrected only where it has a page', () => {
    const one = unit('K-4417-2S')
    expect(one.enter('amend.kept', { of: 'own.a1', how: 'this unit', why: 'so it came' })).toMatch(/Nothing/)
    one.tell()
    expect(one.enter('amend.kept', { of: 'own.a1', how: 'book', why: 'on four of four' })).toBe('')
    expect(one.state().bodies[1]!.amendKept['own.a1']).toMatchObject({ how: 'book' })
  })
})

describe('hardware that the first sheets left out', () => {
  it.each([
    ['plate', 'bevels on the bore, mark down', /threadlocker/],
    ['cam', 'number outward', null],
    ['tube', 'holes down', null],
    ['lever', 'bend outward', null],
  ] as const)('a %s can lie more ways than one', (kind, way, aid) => {
    expect(partsTable[kind].wayRound).toContain(way)
    if (aid) expect(partsTable[kind].aid).toMatch(aid)
  })
  it('what holds a jet is said, and no sealant goes near a passage', () => {
    expect(partsTable.jet.aid).toMatch(/nothing on its thread/)
    expect(partsTable.gasket.aid).toMatch(/no sealant/)
    expect(partsTable.plate.aid).toMatch(/none on the shaft/)
  })
})
