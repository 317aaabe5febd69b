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
import { nameOn } from '../sheets/index.ts'
import {
  bodyOf,
  fold,
  kindList,
  kinds,
  sentenceOf,
  stationOfKind,
  step,
  type DataOf,
  type JobState,
  type UnsentEntry,
} from './index.ts'
import { admit } from '../bench/admit/index.ts'

const sheets = ferrySheets()
const all = { 1: sheets }
const opened = (...more: UnsentEntry[]): JobState =>
  fold(
    JOB,
    [unsent(1, 'job.opened', opening), unsent(2, 'ident.chosen', identified), ...more].map((entry, i) =>
      placed(entry, i + 1),
    ),
  )
const name = (code: string) => nameOn(sheets, code)

const order: DataOf['order.placed'] = {
  lines: [
    {
      what: 'kit',
      code: '31-B',
      supplier: 'hollin',
      quantity: 1,
      priceMinor: 1980,
      serves: ['needle', 'seat'],
    },
  ],
  totalMinor: 2430,
  arrives: '2026-11-26',
}
const found: DataOf['asfound.noted'] = {
  code: 'mixture.turns',
  place: 'L',
  raw: '5/8',
  value: 5,
  countedTo: 'seat',
  shown: { headline: '3/4 in.', meaning: 'Someone leaned it.' },
}
const shelf: DataOf['order.placed'] = {
  ...order,
  lines: [{ ...order.lines[0]!, what: 'shelf', code: 'WA-080', supplier: 'shelf', priceMinor: 0 }],
  totalMinor: 0,
}

/** One good entry of each kind, in an order in which a job could have them, and its line in the history. */
const STORY: { [K in keyof DataOf]: [DataOf[K], string] } = {
  'job.opened': [opening, 'took it in for Osk chain ferry: Floods when hot'],
  'test.noted': [{ test: 'inlet', result: 'bad' }, 'tested as received: inlet leaks down'],
  'estimate.made': [{ amountMinor: 8650, hourMinor: 5400, words: 'kit' }, 'estimated it at 86.50 OSK: kit'],
  'estimate.agreed': [{ yes: true, who: 'the skipper' }, 'heard yes to the estimate from the skipper'],
  'mark.read': [{ place: 'plate', text: 'K-44[17]7-2S', maker: 'Orvane' }, 'read K-44[17]7-2S on the plate'],
  'feature.seen': [
    { feature: 'throttleBoreMm', raw: '31,0', value: 31, sigma: 0.06 },
    'saw throttle bore: 31,0',
  ],
  'evidence.weighed': [{ what: 'feature:throttleBoreMm', as: 'think so' }, 'thinks so of throttle bore'],
  'ident.chosen': [identified, 'identified it as K-4417-2S (90 %)'],
  'asfound.noted': [found, 'noted Mixture, left as found: 5/8'],
  'asfound.skipped': [
    { code: 'choke.index', place: 'none', why: 'riveted' },
    'skipped Choke cover as found: riveted',
  ],
  'teardown.unlocked': [
    { why: 'float bowl stuck' },
    'went on to teardown without all as found: float bowl stuck',
  ],
  'part.off': [{ position: 'seat', tray: 'B' }, 'Seat off, into tray B'],
  'finding.judged': [finding('seat', 'replace', 'ringed'), 'judged Seat: replace'],
  'order.placed': [order, 'ordered 1 × 31-B'],
  'order.arrived': [{ order: uuid(14) }, 'took the order in'],
  'bath.in': [{ positions: ['seat'], minutes: 8, celsius: 50 }, 'into the bath: Seat, 8 min at 50 °C'],
  'bath.out': [{ positions: ['seat'] }, 'out of the bath, rinsed: Seat'],
  'part.on': [
    { position: 'seat', from: 'kit', part: 'SE-240', proof: 'held', thicknessMm: null },
    'Seat on, new from the kit',
  ],
  'cal.chosen': [
    {
      of: 'jet.main/P',
      size: '1.30',
      nominal: 1.3,
      instead: 1.35,
      part: 'JT-130',
      why: 'moved to 1,600 m',
      for: { ethanol: 0, altitudeM: 1600, changes: [] },
    },
    'chose 1.30 for Main jet, primary, not the sheet’s 1.35: moved to 1,600 m',
  ],
  'part.stuck': [
    { position: 'float.pin', tried: 'penetrant', minutes: 30 },
    'Hinge pin is stuck: penetrant, left to creep, 30 min',
  ],
  'port.noted': [
    { port: 'vacuum.ported', when: 'left', state: 'joined', to: 'distributor' },
    'Ported vacuum left connected to distributor',
  ],
  'seal.seen': [
    { code: 'mixture.turns', place: 'none', state: 'broken', whom: 'by the owner' },
    'seal of mixture.turns/none broken, by the owner',
  ],
  'asfound.seen': [{ look: 'level', seen: 'above', mm: 3 }, 'as found: level 3.0 mm above its mark'],
  'photo.taken': [
    {
      photo: 'ab'.repeat(32),
      thumb: 'cd'.repeat(32),
      width: 1600,
      height: 1200,
      step: 'teardown',
      position: 'seat',
      words: 'washer stuck to it',
    },
    'photographed seat: washer stuck to it',
  ],
  'photo.pinned': [{ photo: 'ab'.repeat(32), x: 0.4, y: 0.6, words: 'ring' }, 'pinned to a photograph: ring'],
  'fastener.turned': [
    { position: 'seat', at: [0], to: 'started', why: '' },
    'Seat: number 1 started by hand',
  ],
  'proof.answered': [{ position: 'seat', answer: 'held', words: '' }, 'Seat: its check held'],
  'reading.taken': [reading('13.4', 'in'), 'read Float height: 13.4, in'],
  'ident.taught': [
    {
      family: 'downdraft',
      barrels: 2,
      float: 'from the cover',
      choke: 'coil',
      maker: '',
      name: 'kiln ?-type',
    },
    'began to teach it: kiln ?-type, downdraft',
  ],
  'own.port': [{ port: 'vacuum.ported', boreMm: 4, absent: false }, 'found ported vacuum, 4.0 mm'],
  'own.part': [
    {
      position: 'jet.main/S',
      name: 'Main jet, secondary',
      kind: 'jet',
      circuit: 'fuel',
      place: 'S',
      quantity: 1,
      mm: 1.57,
      part: '',
      stamped: '62',
      underneath: '',
      at: null,
      absent: false,
      layer: null,
    },
    'wrote main jet, secondary, stamped 62',
  ],
  'own.setting': [
    {
      code: 'float.height',
      place: 'none',
      asWritten: '12.4 ±0.5',
      target: 12.4,
      lo: 11.9,
      hi: 12.9,
      source: 'from relatives',
      ground: 'median of 5',
    },
    'wrote Float height: 12.4 ±0.5, from relatives (median of 5)',
  ],
  'own.source': [
    { code: 'mixture.turns', place: 'L', source: 'as found', why: 'it ran well' },
    'decided the value of Mixture, left: it ran well',
  ],
  'own.dimension': [
    { fact: 'float.arm', raw: '46.2', value: 46.2, sigma: 0.3, gauge: 'caliper 2' },
    'measured pin to toe: 46.2',
  ],
  'own.bend': [{ mm: -0.3, sigma: 0.1 }, 'bent the tang about 0.30 mm away from the needle'],
  'setting.added': [
    {
      code: 'fastIdle.gap',
      place: 'none',
      name: 'Fast idle',
      quantity: 'gap',
      unit: 'mm',
      asWritten: '0.90 ±0.10',
      target: 0.9,
      lo: 0.8,
      hi: 1,
      datum: 'plate to bore, screw on the second step',
      hold: '',
      held: 'upright',
      on: ['throttle.shaft'],
      off: [],
      more: 'Turn the fast-idle screw in.',
      less: 'Turn the fast-idle screw out.',
      source: 'shop',
      ground: 'three of this number',
      absent: false,
    },
    'added fast idle to its sheet: 0.90 ±0.10, shop',
  ],
  'check.added': [
    {
      code: 'poppet',
      name: 'Choke poppet',
      wants: 'snaps shut by itself',
      hold: 'push it open by a finger',
      rests: ['cover'],
      absent: false,
    },
    'added a check to its sheet: choke poppet snaps shut by itself',
  ],
  'amend.kept': [
    { of: 'poppet', how: 'this unit', why: 'an earlier owner fitted it' },
    'kept poppet as this unit’s alone: an earlier owner fitted it',
  ],
  'own.published': [
    {
      listNumber: 'OURS-1',
      specRev: 'OURS-1/spec/1',
      buildRev: 'OURS-1/build/1',
      mark: '',
      maker: 'not known',
    },
    'put it into the library as OURS-1, ours, unverified (OURS-1/spec/1)',
  ],
  'proof.measured': [
    {
      proof: 'lifts',
      name: 'Ten lifts of the needle',
      measured: { what: 'lifts', clean: 10, of: 10, spreadKpa: null },
      wants: '10',
      value: '10 of 10',
      headline: 'No sticking.',
      meaning: '10 lifts, 10 shut clean.',
      instrument: null,
      trace: null,
    },
    'checked ten lifts of the needle, 10 of 10, no sticking',
  ],
  'proof.fitted': [
    { proof: 'weep', name: 'Leaks and overflow', why: 'no adapter here', second: 'O. Dell' },
    'left leaks and overflow untested until it is fitted, with O. Dell: no adapter here',
  ],
  'sign.seen': [
    {
      about: 'sign.choke-helps',
      name: 'With the choke half on, does it run better?',
      state: 'absent',
      words: '',
    },
    'no: With the choke half on, does it run better?',
  ],
  'run.noted': [
    { note: { what: 'blip', part: 'after', bad: true }, words: 'warm' },
    'on the engine: sags below idle after release: warm',
  ],
  'note.written': [{ text: 'shaft a little loose' }, 'noted: shaft a little loose'],
  'test.repeated': [{ test: 'inlet', result: 'good' }, 'tested again: inlet holds pressure'],
  'complaint.answered': [
    { explained: true, by: ['seat'], words: '' },
    'found the complaint explained by Seat',
  ],
  'gate.passed': [
    { point: 'proof', why: 'proved on the ferry', second: 'O. Dell' },
    'let proof pass with O. Dell: proved on the ferry',
  ],
  'sediment.seen': [{ kinds: ['rust', 'water'] }, 'in the bowl: rust, water'],
  'passage.blown': [{ in: 'J', open: ['B'], shut: ['T'] }, 'blew in at J: air at B, none at T'],
  'passage.cleaned': [{ passage: 'transfer', tool: 'soft' }, 'cleaned the passage transfer softly'],
  'entry.struck': [{ why: 'misread' }, 'took it back: misread'],
  'job.closed': [
    { why: 'condemned', words: 'cracked', of: null, second: 'O. Dell' },
    'closed the job: condemned, cracked, seen by O. Dell too',
  ],
  'job.reopened': [{ why: 'another body was found' }, 'opened the job again: another body was found'],
  'job.scoped': [
    { only: ['needle'], words: 'only the needle', agreed: 'J. Osk', all: false },
    'only named work: only the needle, agreed by J. Osk',
  ],
  'job.returned': [{ seenSeq: 40 }, 'returned it with its sheet'],
}
const money = (minor: number) => `${(minor / 100).toFixed(2)} OSK`

describe('each kind of entry', () => {
  it('is in the story once, and nothing else is', () =>
    expect(Object.keys(STORY).sort()).toEqual(kindList.map((kind) => kind.kind).sort()))

  it.each(Object.entries(STORY))('%s tells its line', (kind, [data, line]) =>
    expect(sentenceOf({ kind, v: kinds.get(kind)!.version, data }, name, money)).toBe(line),
  )

  it('tells a check once: no figure that its words name, no name that they are', () => {
    const told = (name: string, value: string, headline: string) =>
      sentenceOf({
        kind: 'proof.measured',
        v: 1,
        data: { name, value, headline },
      })
    expect(told('Inlet under air', '3.5', 'Leaks: 3.52 mL/min, 2.0 is allowed.')).toBe(
      'checked inlet under air, leaks: 3.52 mL/min, 2.0 is allowed',
    )
    expect(told('Throttle snaps shut', 'snaps', 'Throttle snaps shut.')).toBe('checked throttle snaps shut')
    expect(told('Leaks', 'dry', 'Seeps since 2:10.')).toBe('checked leaks, dry, seeps since 2:10')
  })

  it('belongs to one station, or to the job', () => {
    const known = kindList.map((kind) => kind.kind as string)
    const placed = known.filter(stationOfKind)
    expect(known.filter((kind) => !placed.includes(kind)).sort()).toEqual([
      'entry.struck',
      'job.closed',
      'job.reopened',
      'note.written',
      'photo.pinned',
      'photo.taken',
      'run.noted',
      'sign.seen',
    ])
    expect(kindList.filter((kind) => kind.ofBody).map((kind) => kind.kind)).toEqual(
      expect.arrayContaining(['reading.taken', 'part.off', 'finding.judged', 'ident.chosen', 'test.noted']),
    )
  })

  it('is admitted in the order in which a job goes, but for the gate', () => {
    let state = fold(JOB, [])
    let n = 0
    for (const [kind, [data]] of Object.entries(STORY)) {
      n++
      if (['entry.struck', 'job.closed', 'job.reopened', 'job.returned'].includes(kind)) continue
      // The ferry's sheet has no sealed adjuster.
      if (kind === 'seal.seen') {
        const entry = { ...unsent(n, 'note.written', { text: '' }), kind, data }
        expect(admit(state, entry, all)).toMatchObject({ code: 'not sealed' })
        continue
      }
      const entry = { ...unsent(n, 'note.written', { text: '' }), kind, data, v: kinds.get(kind)!.version }
      expect(admit(state, entry, all), kind).toBeUndefined()
      state = step(state, placed(entry, state.seq + 1))
    }
    expect(bodyOf(state).on.seat).toMatchObject({ from: 'kit', part: 'SE-240' })
    expect(state.orders[0]).toMatchObject({ arrived: true, totalMinor: 2430 })
  })
})

/** What cannot be, with the code that a program reads and a piece of the sentence that a technician reads. */
const REFUSED: [string, JobState, UnsentEntry, string, RegExp][] = [
  ['an opening of an open job', opened(), unsent(9, 'job.opened', opening), 'opened', /is open already/],
  [
    'a second name that is one’s own',
    opened(),
    unsent(9, 'gate.passed', { point: 'proof', why: 'ran well', second: 'I. Marrow' }),
    'second',
    /somebody else’s: two people let it pass/,
  ],
  [
    'a yes to no estimate',
    opened(),
    unsent(9, 'estimate.agreed', { yes: true, who: 'the skipper' }),
    'estimate',
    /no estimate to agree to\. Make one first/,
  ],
  [
    'a setting that this list number has not',
    opened(),
    unsent(9, 'reading.taken', { ...reading('13.4', 'in'), code: 'slide.height' }),
    'setting',
    /K-4417-2S has no setting slide\.height/,
  ],
  [
    'an as-found of a setting that it has not',
    opened(),
    unsent(9, 'asfound.noted', { ...found, code: 'slide.height', place: 'none' }),
    'setting',
    /K-4417-2S has no setting/,
  ],
  [
    'a reading before it is identified',
    fold(JOB, [placed(unsent(1, 'job.opened', opening), 1)]),
    unsent(9, 'reading.taken', reading('13.4', 'in')),
    'identify first',
    /Nothing can be set before it is identified/,
  ],
  [
    'a part that it has not',
    opened(),
    unsent(9, 'part.off', { position: 'slide', tray: 'A' }),
    'position',
    /K-4417-2S has no part slide/,
  ],
  [
    'a judgement of a part that is still on',
    opened(),
    unsent(9, 'finding.judged', finding('needle', 'reuse')),
    'still on',
    /Needle is still on\. Take it off, then judge it/,
  ],
  [
    'a part on that never came off',
    opened(),
    unsent(9, 'part.on', { position: 'needle', from: 'old', part: null, proof: 'held', thicknessMm: null }),
    'not off',
    /Needle never came off/,
  ],
  [
    'a part on twice',
    opened(
      unsent(3, 'part.off', { position: 'needle', tray: 'B' }),
      unsent(
        4,
        'part.on',
        { position: 'needle', from: 'kit', part: 'ND-24', proof: 'held', thicknessMm: null },
        { by: 'O. Dell' },
      ),
    ),
    unsent(9, 'part.on', {
      position: 'needle',
      from: 'kit',
      part: 'ND-24',
      proof: 'held',
      thicknessMm: null,
    }),
    'on twice',
    /Needle is on already: O\. Dell put it on/,
  ],
  [
    'an arrival of an order that was not placed',
    opened(),
    unsent(9, 'order.arrived', { order: uuid(77) }),
    'order',
    /no such order/,
  ],
  [
    'an arrival of what came from the shelf',
    opened(unsent(3, 'order.placed', shelf)),
    unsent(9, 'order.arrived', { order: uuid(3) }),
    'arrived',
    /has arrived already/,
  ],
  [
    'a mark with what is on no casting',
    opened(),
    unsent(9, 'mark.read', { place: 'plate', text: 'K-44😀', maker: null }),
    'mark',
    /is not on any casting/,
  ],
  [
    'an undo that names nothing',
    opened(),
    unsent(9, 'entry.struck', { why: '' }),
    'corrects',
    /must name what it undoes/,
  ],
  [
    'an opening again of an open job',
    opened(),
    unsent(9, 'job.reopened', { why: 'more to do' }),
    'open',
    /is open already/,
  ],
  [
    'anything on a closed job',
    opened(unsent(3, 'job.closed', { why: 'condemned', words: '', of: null, second: 'O. Dell' })),
    unsent(9, 'reading.taken', reading('13.4', 'in')),
    'closed',
    /closed \(condemned\)\. Reopen it first/,
  ],
  [
    'a return with points that stand',
    opened(),
    unsent(9, 'job.returned', { seenSeq: 2 }),
    'gate',
    /cannot go back yet: .+;/,
  ],
  [
    'a kind that nobody knows',
    opened(),
    { ...unsent(9, 'note.written', { text: 'x' }), kind: 'float.weighed' },
    'kind',
    /does not know entries of the kind “float\.weighed”\. Reload/,
  ],
]

describe('what cannot be', () => {
  it.each(REFUSED)('%s', (_what, state, entry, code, words) => {
    const refused = admit(state, entry, all)
    expect(refused?.code).toBe(code)
    expect(refused?.sentence).toMatch(words)
  })
})

/** Data that the schemas refuse: the field, and what is wrong in words. */
const MALFORMED: [string, UnsentEntry, string, RegExp][] = [
  ['no customer', unsent(1, 'job.opened', { ...opening, customer: '  ' }), 'customer', /Enter the customer/],
  [
    'a pressure in the wrong unit',
    unsent(1, 'job.opened', { ...opening, pressureKpa: 24000 }),
    'pressureKpa',
    /between 0 and 700 kPa: is it in kPa\?/,
  ],
  [
    'a head in the wrong unit',
    unsent(1, 'job.opened', { ...opening, headMm: 450000 }),
    'headMm',
    /is it in mm\?/,
  ],
  [
    'more than all ethanol',
    unsent(1, 'job.opened', { ...opening, ethanol: 10 }),
    'ethanol',
    /between 0 and 100 %/,
  ],
  [
    'upside down',
    unsent(1, 'job.opened', { ...opening, tiltDeg: 90 }),
    'tiltDeg',
    /between 0 and 60 degrees/,
  ],
  ['half a body', unsent(1, 'job.opened', { ...opening, bodies: 1.5 }), 'bodies', /counted in whole ones/],
  ['no body', unsent(1, 'job.opened', { ...opening, bodies: 0 }), 'bodies', /at least one body/],
  [
    'a day that is not',
    unsent(1, 'job.opened', { ...opening, promise: '2026-11-31' }),
    'promise',
    /date|day/i,
  ],
  [
    'a symptom of its own',
    unsent(1, 'job.opened', {
      ...opening,
      complaint: { ...opening.complaint, symptom: 'coughs' as 'surge' },
    }),
    'complaint.symptom',
    /symptom/i,
  ],
  ['an empty note', unsent(3, 'note.written', { text: '' }), 'text', /.+/],
  [
    'a skip without a reason',
    unsent(3, 'asfound.skipped', { code: 'choke.index', place: 'none', why: ' ' }),
    'why',
    /.+/,
  ],
  [
    'a negative estimate',
    unsent(3, 'estimate.made', { amountMinor: -1, hourMinor: 1, words: '' }),
    'amountMinor',
    /.+/,
  ],
]

describe('what is malformed', () => {
  it.each(MALFORMED)('%s', (_what, entry, field, words) => {
    const state = entry.kind === 'job.opened' ? fold(JOB, []) : opened()
    const refused = admit(state, entry, all)
    expect(refused).toMatchObject({ code: 'data', field })
    expect(refused!.sentence).toMatch(words)
  })
})
