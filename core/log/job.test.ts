import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { teardownOrder } from '../sheets/index.ts'
import {
  bodyOf,
  checkLetter,
  emptyJob,
  fold,
  lastSaid,
  readNumber,
  standings,
  step,
  stepAll,
  type DataOf,
  type Entry,
  type JobState,
  type UnsentEntry,
} from './index.ts'
import { jobNeeds } from '../plan/needs/index.ts'
import { admit } from '../bench/admit/index.ts'
import { currentStation, gatePoints, stationStates, summarise } from '../bench/stations/index.ts'
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

const sheets = ferrySheets()
const all = { 1: sheets }
const logOf = (...entries: UnsentEntry[]): Entry[] => entries.map((entry, i) => placed(entry, i + 1))
const opened = (...more: UnsentEntry[]): JobState =>
  fold(JOB, logOf(unsent(1, 'job.opened', opening), unsent(2, 'ident.chosen', identified), ...more))
const strike = (n: number, target: number) =>
  unsent(n, 'entry.struck', { why: '' }, { corrects: uuid(target) })

describe('the job as its log', () => {
  it('is folded in order; the last reading stands, every try is kept', () => {
    const state = opened(
      unsent(3, 'reading.taken', reading('11.8', 'out')),
      unsent(4, 'reading.taken', reading('13.4', 'in')),
    )
    expect(bodyOf(state).readings['float.height/none']!.said.map((r) => r.raw)).toEqual(['11.8', '13.4'])
    expect(lastSaid(bodyOf(state).readings['float.height/none'])!.shown.verdict).toBe('in')
  })
  it('a strike takes an entry out, a strike of the strike brings it back', () => {
    const note = unsent(3, 'note.written', { text: 'bowl full of rust' })
    expect(opened(note, strike(4, 3)).notes).toEqual([])
    expect(opened(note, strike(4, 3), strike(5, 4)).notes).toHaveLength(1)
  })
  it('a correction stands at its root’s place and what it corrects stays readable', () => {
    const first = unsent(3, 'mark.read', { place: 'plate', text: 'K-4417', maker: null })
    const other = unsent(4, 'mark.read', { place: 'base', text: '44B', maker: null })
    const right = unsent(
      5,
      'mark.read',
      { place: 'plate', text: 'K-4477', maker: null },
      { corrects: uuid(3) },
    )
    const again = unsent(
      6,
      'mark.read',
      { place: 'plate', text: 'K-4417-2S', maker: null },
      { corrects: uuid(5) },
    )
    const state = opened(first, other, right, again)
    expect(bodyOf(state).marks.plate!.text).toBe('K-4417-2S')
    // A replacement that was itself replaced still holds its target down.
    expect([3, 5, 6].map((n) => standings(state.log).get(uuid(n)))).toEqual(['replaced', 'replaced', 'alive'])
    expect(state.log[2]!.data).toEqual(first.data)
    // Taking the last correction back gives the one before it back, not the first.
    expect(bodyOf(opened(first, other, right, again, strike(7, 6))).marks.plate!.text).toBe('K-4477')
    expect(bodyOf(opened(first, other, right, strike(6, 5))).marks.plate!.text).toBe('K-4417')
  })
  it('keeps a kind that it does not know and passes over it', () => {
    const strange = { ...unsent(3, 'note.written', { text: 'x' }), kind: 'photo.pinned' }
    const state = fold(JOB, logOf(unsent(1, 'job.opened', opening), strange))
    expect(state.log).toHaveLength(2)
    expect(state.opened!.customer).toBe('Osk chain ferry')
  })

  // Logs made at random and admissible by construction: what `admit` refuses is left out.
  const positions = teardownOrder(sheets.build).map((p) => p.code)
  const action = fc.oneof(
    fc
      .constantFrom(...positions)
      .map((position) => ({ kind: 'part.off' as const, data: { position, tray: 'A' } })),
    fc.constantFrom(...positions).map((position) => ({
      kind: 'part.on' as const,
      data: { position, from: 'old' as const, part: null },
    })),
    fc
      .constantFrom(...positions)
      .map((position) => ({ kind: 'finding.judged' as const, data: finding(position, 'replace') })),
    fc
      .integer({ min: 100, max: 180 })
      .map((n) => ({ kind: 'reading.taken' as const, data: reading(String(n / 10), 'out') })),
    fc
      .constantFrom('K-4417', 'K-4?17', 'K-44')
      .map((text) => ({ kind: 'mark.read' as const, data: { place: 'plate' as const, text, maker: null } })),
    fc.nat(40).map((back) => ({ kind: 'entry.struck' as const, data: { why: '' }, back })),
    fc.nat(40).map((back) => ({ kind: 'correct' as const, back })),
  )
  const grow = (actions: { kind: string; data?: unknown; back?: number }[], who: string[]): Entry[] => {
    let state = opened()
    actions.forEach((act, i) => {
      const target =
        act.back === undefined ? undefined : state.log[state.log.length - 1 - (act.back % state.log.length)]
      const kind = (act.kind === 'correct' ? target!.kind : act.kind) as keyof DataOf
      const data = (act.kind === 'correct' ? target!.data : act.data) as DataOf[keyof DataOf]
      const entry = unsent(100 + i, kind, data, {
        by: who[i % who.length]!,
        ...(target ? { corrects: target.id } : {}),
      })
      if (!admit(state, entry, all)) state = step(state, placed(entry, state.seq + 1))
    })
    return [...state.log]
  }
  it('a step is a refold, for every prefix of any admissible log', () => {
    fc.assert(
      fc.property(fc.array(action, { minLength: 1, maxLength: 40 }), (actions) => {
        const log = grow(actions, ['I. Marrow', 'O. Dell'])
        let stepped = emptyJob(JOB)
        for (let n = 1; n <= log.length; n++) {
          stepped = step(stepped, log[n - 1]!)
          expect(stepped).toEqual(fold(JOB, log.slice(0, n)))
        }
        expect(stepAll(emptyJob(JOB), log)).toEqual(stepped)
      }),
      { seed: 4417, numRuns: 60 },
    )
  })
})

describe('what is admitted', () => {
  const refused = (state: JobState, entry: UnsentEntry) => admit(state, entry, all)?.code
  it('nothing before the opening, and no second opening', () => {
    expect(refused(emptyJob(JOB), unsent(1, 'note.written', { text: 'x' }))).toBe('not open')
    expect(refused(opened(), unsent(9, 'job.opened', opening))).toBe('opened')
  })
  it('no aircraft, with the reason', () => {
    expect(admit(emptyJob(JOB), unsent(1, 'job.opened', { ...opening, aircraft: true }))).toMatchObject({
      code: 'aircraft',
      sentence: expect.stringContaining('certificated repair station') as string,
    })
  })
  it('no part off twice, naming who took it; none that stays in; none on before it is off', () => {
    const off = unsent(3, 'part.off', { position: 'float', tray: 'B' }, { by: 'O. Dell' })
    expect(admit(opened(off), unsent(4, 'part.off', { position: 'float', tray: 'B' }), all)).toMatchObject({
      code: 'off twice',
      sentence: expect.stringContaining('O. Dell') as string,
    })
    expect(refused(opened(), unsent(3, 'part.off', { position: 'plugs', tray: 'A' }))).toBe('stays')
    expect(
      refused(
        opened(),
        unsent(3, 'part.on', {
          position: 'float',
          from: 'old',
          part: null,
          proof: 'held',
          thicknessMm: null,
        }),
      ),
    ).toBe('not off')
    expect(refused(opened(), unsent(3, 'part.off', { position: 'wing', tray: 'A' }))).toBe('position')
  })
  it('off, on, and off again', () => {
    const state = opened(
      unsent(3, 'part.off', { position: 'float', tray: 'B' }),
      unsent(4, 'part.on', { position: 'float', from: 'old', part: null, proof: 'held', thicknessMm: null }),
    )
    expect(refused(state, unsent(5, 'part.off', { position: 'float', tray: 'B' }))).toBeUndefined()
  })
  it('a condemned part does not go back on', () => {
    const state = opened(
      unsent(3, 'part.off', { position: 'cover', tray: 'B' }),
      unsent(4, 'finding.judged', finding('cover', 'condemn', 'cracked')),
    )
    expect(
      refused(
        state,
        unsent(5, 'part.on', {
          position: 'cover',
          from: 'old',
          part: null,
          proof: 'held',
          thicknessMm: null,
        }),
      ),
    ).toBe('condemned')
  })
  it('a body that fails its schema, naming the field', () => {
    expect(
      admit(
        opened(),
        unsent(3, 'reading.taken', { ...reading('13', 'in'), value: 'thirteen' as unknown as number }),
        all,
      ),
    ).toMatchObject({ code: 'data', field: 'value' })
    expect(refused(opened(), { ...unsent(3, 'note.written', { text: 'x' }), kind: 'note.sung' })).toBe('kind')
    expect(refused(opened(), unsent(3, 'mark.read', { place: 'plate', text: 'K-😀', maker: null }))).toBe(
      'mark',
    )
  })
  it('a correction aims at what stands, of the same thing', () => {
    const state = opened(
      unsent(3, 'mark.read', { place: 'plate', text: 'A', maker: null }),
      unsent(4, 'mark.read', { place: 'plate', text: 'B', maker: null }, { corrects: uuid(3) }),
    )
    expect(
      refused(
        state,
        unsent(5, 'mark.read', { place: 'plate', text: 'C', maker: null }, { corrects: uuid(3) }),
      ),
    ).toBe('superseded')
    expect(
      refused(
        state,
        unsent(5, 'mark.read', { place: 'base', text: 'C', maker: null }, { corrects: uuid(4) }),
      ),
    ).toBe('other thing')
    expect(
      refused(
        state,
        unsent(5, 'mark.read', { place: 'plate', text: 'C', maker: null }, { corrects: uuid(4) }),
      ),
    ).toBeUndefined()
    expect(refused(state, strike(5, 77))).toBe('no target')
  })
  it('a strike that later entries rest on is refused, naming them', () => {
    const state = opened(
      unsent(3, 'part.off', { position: 'float', tray: 'B' }),
      unsent(4, 'part.on', { position: 'float', from: 'old', part: null, proof: 'held', thicknessMm: null }),
    )
    expect(admit(state, strike(5, 3), all)).toMatchObject({
      code: 'later ones',
      sentence: expect.stringContaining('float on') as string,
    })
    expect(refused(state, strike(5, 4))).toBeUndefined()
  })
  it('two people who judge one part differently both stand until a third judgement', () => {
    const base = [
      unsent(3, 'part.off', { position: 'seat', tray: 'B' }),
      unsent(4, 'finding.judged', finding('seat', 'reuse')),
      unsent(5, 'finding.judged', finding('seat', 'replace', 'ringed'), { by: 'O. Dell' }),
    ]
    expect(bodyOf(opened(...base)).findings.seat).toMatchObject({
      differ: true,
      said: [{ by: 'I. Marrow' }, { by: 'O. Dell' }],
    })
    expect(
      bodyOf(
        opened(...base, unsent(6, 'finding.judged', finding('seat', 'replace', 'ringed'), { by: 'R. Oda' })),
      ).findings.seat!.differ,
    ).toBe(false)
  })
  it('a second name that is somebody else’s', () => {
    expect(
      refused(
        opened(),
        unsent(3, 'gate.passed', { point: 'proof', why: 'stand taken', second: 'I. Marrow' }),
      ),
    ).toBe('second')
  })
})

describe('needs and the gate', () => {
  const torn = [
    unsent(3, 'part.off', { position: 'seat', tray: 'B' }),
    unsent(4, 'finding.judged', finding('seat', 'replace', 'ringed')),
  ]
  it('come from verdicts, from what is always renewed, and from the fuel', () => {
    const needs = jobNeeds(opened(...torn), sheets)
    expect(needs.find((n) => n.position === 'seat')).toMatchObject({
      kind: 'finding',
      why: 'ring worn in',
      standing: 'open',
    })
    expect(needs.find((n) => n.position === 'cover.gasket')).toMatchObject({ kind: 'always' })
    // 10 % ethanol is more than the pump cup bears (5 %), less than the foam float does (30 %).
    expect(needs.find((n) => n.position === 'pump.cup')).toMatchObject({ kind: 'fuel' })
    expect(needs.find((n) => n.position === 'float')).toBeUndefined()
  })
  it('a part that this fuel would spoil is not asked for again: one that carries it, or the sheet knows none', () => {
    const cup = (positions = sheets.build.positions) =>
      jobNeeds(opened(), { ...sheets, build: { ...sheets.build, positions } }).find(
        (n) => n.position === 'pump.cup',
      )!
    expect(cup()).toMatchObject({ part: 'PC-120', carried: false })
    expect(cup().why).toContain('10 % ethanol, this one is rated for 5 %')
    const withOther = sheets.build.positions.map((position) =>
      position.code === 'pump.cup'
        ? { ...position, ethanolPart: { part: 'PC-120V', limit: 0.85 } }
        : position,
    )
    expect(cup(withOther)).toMatchObject({ part: 'PC-120V', carried: true })
    expect(cup(withOther).why).toContain('one rated for it')
  })
  it('an order covers what it serves, and is here when it arrives', () => {
    const order = unsent(5, 'order.placed', {
      lines: [
        {
          what: 'single',
          code: 'SE-240',
          supplier: 'hollin',
          quantity: 1,
          priceMinor: 780,
          serves: ['seat'],
        },
      ],
      totalMinor: 1230,
      arrives: '2026-11-25',
    })
    const seat = (state: JobState) => jobNeeds(state, sheets).find((n) => n.position === 'seat')!.standing
    expect(seat(opened(...torn, order))).toBe('ordered')
    expect(seat(opened(...torn, order, unsent(6, 'order.arrived', { order: uuid(5) })))).toBe('here')
    expect(
      seat(
        opened(
          ...torn,
          order,
          unsent(6, 'order.arrived', { order: uuid(5) }),
          unsent(7, 'part.on', {
            position: 'seat',
            from: 'loose',
            part: 'SE-240',
            proof: 'held',
            thicknessMm: null,
          }),
        ),
      ),
    ).toBe('on')
  })
  it('lists what is open: unset, in the tray, needed, the complaint, the proof', () => {
    const points = gatePoints(opened(...torn), all).map((p) => p.point)
    expect(points).toEqual(
      expect.arrayContaining([
        'setting:float.height/none',
        'tray:seat',
        'finding:seat',
        'complaint',
        'proof',
      ]),
    )
  })
  it('is refused while a point stands, and goes when each is met or passed', () => {
    expect(admit(opened(...torn), unsent(5, 'job.returned', { seenSeq: 4 }), all)).toMatchObject({
      code: 'gate',
    })
    let state = opened()
    const add = (kind: keyof DataOf, data: DataOf[keyof DataOf]) => {
      const entry = unsent(50 + state.seq, kind, data)
      expect(admit(state, entry, all), JSON.stringify(data)).toBeUndefined()
      state = step(state, placed(entry, state.seq + 1))
    }
    add('complaint.answered', { explained: false, by: [], words: '' })
    for (const point of gatePoints(state, all))
      if (!point.passed)
        add('gate.passed', {
          point: point.point,
          why: 'parts-only return',
          second: 'O. Dell',
          value: point.value,
        })
    add('job.returned', { seenSeq: state.seq })
    expect(state.returned).not.toBeNull()
    expect(admit(state, unsent(99, 'reading.taken', reading('13', 'in')), all)).toMatchObject({
      code: 'went back',
    })
    expect(admit(state, unsent(99, 'note.written', { text: 'fetched' }), all)).toBeUndefined()
  })
})

describe('where it stands', () => {
  it('hangs at the station of its last bench entry while that is unfinished', () => {
    expect(currentStation(opened(), all)).toBe('asfound')
    const state = opened(
      unsent(3, 'teardown.unlocked', { why: 'in a box' }),
      unsent(4, 'part.off', { position: 'float', tray: 'B' }),
    )
    expect(currentStation(state, all)).toBe('teardown')
    expect(stationStates(state, all)).toMatchObject({
      identify: 'done',
      asfound: 'done',
      teardown: 'begun',
      set: 'none',
    })
    expect(summarise(state, all)).toMatchObject({
      station: 'teardown',
      line: 'teardown: 1 of 24 off',
      listNumber: 'K-4417-2S',
    })
  })
  it('another sheet makes settings taken before check again', () => {
    const state = opened(
      unsent(3, 'reading.taken', reading('13.4', 'in')),
      unsent(4, 'ident.chosen', { ...identified, specRev: 'K-4417-2S/spec/2' }, { corrects: uuid(2) }),
    )
    const withHeight = (hi: number) => ({
      ...sheets,
      specRev: 'K-4417-2S/spec/2',
      spec: {
        ...sheets.spec,
        settings: sheets.spec.settings.map((one) => (one.code === 'float.height' ? { ...one, hi } : one)),
      },
    })
    const { hi } = sheets.spec.settings.find(({ code }) => code === 'float.height')!
    // The same band under another revision asks for nothing.
    expect(stationStates(state, { 1: withHeight(hi!) }).set).toBe('begun')
    const later = withHeight(hi! + 0.4)
    expect(stationStates(state, { 1: later }).set).toBe('again')
    expect(gatePoints(state, { 1: later }).find((p) => p.point === 'setting:float.height/none')!.title).toBe(
      'Float height: redo',
    )
    // The reading itself stays as it was judged.
    expect(lastSaid(bodyOf(state).readings['float.height/none'])).toMatchObject({
      shown: { verdict: 'in' },
      specRev: 'K-4417-2S/spec/1',
    })
  })
  it('gives each number a letter that finds a wrong digit and a swap', () => {
    for (const number of [1181, 1187, 20417]) {
      const digits = String(number)
      for (let i = 0; i < digits.length; i++)
        for (let d = 0; d < 10; d++) {
          const other = Number(digits.slice(0, i) + String(d) + digits.slice(i + 1))
          if (other !== number) expect(checkLetter(other)).not.toBe(checkLetter(number))
        }
    }
    expect(checkLetter(1817)).not.toBe(checkLetter(1187))
    expect(readNumber(`1187${checkLetter(1187)}`)).toEqual({ number: 1187, letterFits: true })
    expect(readNumber('frost')).toBeNull()
  })
})
