import type { JobNeed } from '../../plan/needs/index.ts'
import {
  enterByHand,
  asFoundNow,
  conditionsFor,
  enterAsFound,
  enterFinding,
  enterOrder,
  enterReading,
  settingContext,
} from './index.ts'
import { describe, expect, it } from 'vitest'
import { fold } from '../../log/index.ts'
import { cheapestCover, type Market } from '../../plan/kits/index.ts'
import { readMeasured } from '../../judge/findings/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
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

const sheets = ferrySheets()
const state = fold(JOB, [
  placed(unsent(1, 'job.opened', opening), 1),
  placed(unsent(2, 'ident.chosen', identified), 2),
])
const setting = (code: string) => sheets.spec.settings.find((s) => s.code === code)!
const position = (code: string) => sheets.build.positions.find((p) => p.code === code)!
const caliper = {
  code: 'c',
  name: 'caliper 2',
  kind: 'caliper' as const,
  resolutionMm: 0.01,
  repeatabilityMm: 0.06,
}

describe('a reading about to be logged', () => {
  it('keeps the text as typed beside the value, the gauge and what was shown', () => {
    const draft = enterReading(
      setting('float.height'),
      ' 9/16 ',
      settingContext(state, sheets, caliper, [caliper]),
    )
    if (isRefusal(draft)) throw new Error(draft.refused.why)
    // 9/16 in = 14.2875 mm: out of 13.0 to 14.0.
    expect(draft.data).toMatchObject({
      raw: '9/16',
      value: 14.2875,
      gauge: 'caliper 2',
      specRev: identified.specRev,
      shown: { verdict: 'out', asWritten: '13.5 ±0.5' },
    })
  })
  it('a letter or a drill is no height', () => {
    for (const text of ['K', '#31'])
      expect(
        enterReading(setting('float.height'), text, settingContext(state, sheets, caliper, [])),
      ).toMatchObject({
        refused: {
          input: 'text',
          why: expect.stringContaining('is a drill, and this is a length') as string,
        },
      })
  })
  it('a drop is judged from the height in force', () => {
    const set = fold(JOB, [...state.log, placed(unsent(3, 'reading.taken', reading('14.0', 'in')), 3)])
    expect(settingContext(set, sheets, caliper, []).floatHeight).toBe(14)
    expect(settingContext(state, sheets, caliper, []).floatHeight).toBeNull()
  })
  it('what is no gap is told by the plate', () => {
    expect(
      enterReading(setting('vacuumBreak.gap'), '30 mm', settingContext(state, sheets, caliper, [])),
    ).toMatchObject({ refused: { input: 'reading' } })
  })
})

describe('as found', () => {
  it('by a list number that was corrected since it is said of the sheet in force', () => {
    const turned = {
      raw: '1',
      value: 8,
      countedTo: 'seat' as const,
      headline: '1, as usual.',
      meaning: 'The sheet has 1 1/4.',
      by: '',
      entry: uuid(3),
    }
    const then = [
      ...state.log,
      placed(unsent(3, 'feature.seen', { feature: 'draft', raw: 'down', value: 'down', sigma: null }), 3),
    ]
    const later = fold(JOB, [
      ...then,
      placed(unsent(4, 'ident.chosen', identified, { corrects: uuid(2) }), 4),
    ])
    const mixture = setting('mixture.turns')
    expect(asFoundNow(mixture, turned, sheets, fold(JOB, then))).toBe(turned)
    expect(asFoundNow(mixture, turned, sheets, later)).toEqual(
      expect.objectContaining({ headline: '1, just outside 1 1/4 to 1 1/2.', meaning: 'Spec 1 3/8.' }),
    )
  })
  it('says of a screw counted until free where it stood, where its thread was counted', () => {
    const draft = enterAsFound(setting('mixture.turns'), '3 1/2', 'free', sheets, state)
    if (isRefusal(draft)) throw new Error(draft.refused.why)
    // The whole thread is 6 1/2 turns on this model: what is left of it is where it stood.
    expect(draft.data.shown.headline).toBe(
      '3 1/2 until free, of 6 1/2: it was 3 out. 3 where 1 3/8 is usual.',
    )
    expect(enterAsFound(setting('mixture.turns'), '7', 'free', sheets, state)).toMatchObject({
      refused: { why: '7 is not possible: from seated it comes free after 6 1/2. Count again.' },
    })
    const unknown = {
      ...sheets,
      spec: { ...sheets.spec, mixture: { kind: 'fuel' as const, mostEighths: 44 } },
    }
    expect(enterAsFound(setting('mixture.turns'), '3 1/2', 'free', unknown, state)).toMatchObject({
      data: { shown: { headline: '3 1/2 until it came free.' } },
    })
  })
  it('compares everything else with the sheet', () => {
    const draft = enterAsFound(setting('choke.index'), 'index', null, sheets, state)
    if (isRefusal(draft)) throw new Error(draft.refused.why)
    expect(draft).toMatchObject({
      said: { usual: false },
      data: { value: 0, shown: { headline: 'index where the spec is 1 rich.' } },
    })
    expect(isRefusal(enterAsFound(setting('choke.index'), 'twelve', null, sheets, state))).toBe(true)
    // An idle-speed screw has no band: where it stood is no fault, and not what the sheet has either.
    expect(enterAsFound(setting('idle.screw'), '2 1/4', null, sheets, state)).toMatchObject({
      said: { usual: true },
      data: { shown: { headline: '2 1/4; starting point 1 1/2.' } },
    })
    expect(enterAsFound(setting('idle.screw'), '1 1/2', null, sheets, state)).toMatchObject({
      data: { shown: { headline: '1 1/2, as the sheet has it.' } },
    })
  })
})

describe('a finding', () => {
  it('asks for a condition that its kind can have', () => {
    expect(
      enterFinding(position('float'), 'warped', '', null, sheets, conditionsFor(state, sheets)),
    ).toMatchObject({ refused: { input: 'condition' } })
  })
  it('a part that is judged by eye takes no measurement', () =>
    expect(isRefusal(readMeasured(position('float.pin'), '3', null))).toBe(true))
  it('weighs with the scale’s own error', () => {
    const scale = {
      code: 's',
      name: 'scale',
      kind: 'scale' as const,
      resolutionMm: 0.1,
      repeatabilityMm: 0.05,
    }
    // √(0.05² + 0.1²/12) = 0.0577
    expect(readMeasured(position('float'), '11.1 g', scale)).toEqual({
      what: 'mass',
      value: 11.1,
      sigma: expect.closeTo(0.0577, 4) as number,
    })
  })
})

describe('an order', () => {
  it('names lines by where they come from and what they serve, and the day they come', () => {
    const market: Market = {
      suppliers: [{ code: 'h', shippingMinor: 450 }],
      kits: [],
      singles: [{ part: 'SE-240', supplier: 'h', priceMinor: 780, leadDays: 2 }],
      shelf: [{ part: 'WA-080', quantity: 3 }],
    }
    const cover = cheapestCover(
      [
        { id: 'seat', accepts: ['SE-240'], quantity: 1 },
        { id: 'seat.washer', accepts: ['WA-080'], quantity: 2 },
      ],
      market,
    )
    if (isRefusal(cover)) throw new Error(cover.refused.why)
    expect(enterOrder(cover, market, '2026-11-30')).toEqual({
      lines: [
        { what: 'single', code: 'SE-240', supplier: 'h', quantity: 1, priceMinor: 780, serves: ['seat'] },
        { what: 'shelf', code: 'WA-080', supplier: '', quantity: 2, priceMinor: 0, serves: ['seat.washer'] },
      ],
      totalMinor: 1230,
      arrives: '2026-12-02',
    })
  })
})

describe('the washer under the seat', () => {
  const ferry = {
    ...sheets,
    spec: { ...sheets.spec, float: { ...sheets.spec.float, correction: 'washer' as const } },
  }
  const remedy = {
    action: 'change washer' as const,
    of: 'washer',
    way: 'thicker',
    amount: 1.2,
    unit: 'mm' as const,
    words: '',
    detail: '',
    short: '',
  }
  const read = (n: number, amount: number) => {
    const data = reading('12', 'out')
    return placed(
      unsent(n, 'reading.taken', { ...data, shown: { ...data.shown, remedy: { ...remedy, amount } } }),
      n,
    )
  }
  const on = (n: number) =>
    placed(
      unsent(n, 'part.on', {
        position: 'seat.washer',
        from: 'old',
        part: null,
        proof: 'held',
        thicknessMm: null,
      }),
      n,
    )
  const off = (n: number) => placed(unsent(n, 'part.off', { position: 'seat.washer', tray: 'B' }), n)
  const now = (...more: ReturnType<typeof placed>[]) => {
    const log = [
      placed(unsent(1, 'job.opened', opening), 1),
      placed(unsent(2, 'ident.chosen', identified), 2),
      ...more,
    ]
    return settingContext(fold(JOB, log), ferry, caliper, []).washerMm
  }
  it('is the sheet’s until one that was asked for went on', () => {
    expect(now(read(3, 1.2))).toBeNull()
    expect(now(off(3), on(4), read(5, 1.2))).toBeNull()
    expect(now(read(3, 1.2), off(4), on(5))).toBe(1.2)
  })
  it('stays the one that was fitted while a further one is only asked for', () =>
    expect(now(read(3, 1.2), off(4), on(5), read(6, 0.8))).toBe(1.2))
})

describe('a measurement that cannot be is asked again, with the likely slip', () => {
  const typed = (code: string, raw: string) => {
    const entered = enterFinding(position(code), 'sound', raw, null, sheets, conditionsFor(state, sheets))
    return isRefusal(entered) ? entered.refused.why : 'taken'
  }
  it('a jet a hundred times its size was typed as stamped', () => {
    expect(typed('jet.main/P', '134 136')).toBe(
      '135.00 mm cannot be: this one is 1.35 new. Hundredths as they are stamped? Then type 1.35.',
    )
    expect(typed('jet.main/P', '1.34 1.36')).toBe('taken')
  })
  it('a float of 90 g was 9.0, a play of 8 mm in a 9 mm shaft 0.08', () => {
    expect(typed('float', '90')).toContain('Then type 9.00.')
    expect(typed('throttle.shaft', '8')).toContain('cannot be: the shaft is 9.0 mm thick')
    expect(typed('throttle.shaft', '8')).toContain('type 0.08')
    expect(typed('throttle.shaft', '0.3')).toBe('taken')
  })
  it('a warp beyond its gasket twice over is no warp', () => {
    expect(typed('cover', '12')).toContain('its gasket is 0.80 mm thick')
    expect(typed('cover', '0.4')).toBe('taken')
  })
})

describe('what nobody lists, ordered by hand', () => {
  const need = (position: string, quantity: number): JobNeed => ({
    body: 1,
    position,
    name: position,
    part: `${position}, by sample`,
    quantity,
    why: '',
    kind: 'finding',
    carried: true,
    standing: 'open',
  })

  it('gives each need its line; the one price for all stands on the first', () => {
    const order = enterByHand([need('seat.washer', 2), need('bowl.gasket', 1)], {
      what: 'single',
      supplier: 'the kiln’s own shop',
      totalMinor: 1240,
      arrives: '2026-12-01',
    })
    expect(order.lines.map(({ priceMinor, quantity }) => priceMinor * quantity)).toEqual([1240, 0])
    expect(order.lines.map(({ serves }) => serves)).toEqual([['seat.washer'], ['bowl.gasket']])
    expect(order.totalMinor).toBe(1240)
  })
})
