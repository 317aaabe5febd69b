import { describe, expect, it } from 'vitest'
import { identified, JOB, opening, placed, reading, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { fold, type UnsentEntry } from '../../log/index.ts'
import {
  benchLevel,
  proofsOf,
  pumpBand,
  weepPlaces,
  type Proof,
  type ProofCode,
} from '../../judge/proof/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import {
  enterAlike,
  enterHold,
  enterLevel,
  enterLifts,
  enterPump,
  enterSeen,
  enterTravel,
  enterWeep,
  judgeFall,
  judgeShutIn,
} from './index.ts'

const value = <T>(result: Result<T>): T => {
  if (isRefusal(result)) throw new Error(result.refused.why)
  return result
}
const why = (result: Result<unknown>) => (isRefusal(result) ? result.refused.why : 'not refused')
const subjectOf = (listNumber: string, ...more: UnsentEntry[]) => {
  const sheets: Sheets = sheetsFor(listNumber)
  const entries = [
    unsent(1, 'job.opened', { ...opening, bodies: 1 }),
    unsent(2, 'ident.chosen', {
      ...identified,
      listNumber,
      specRev: sheets.specRev,
      buildRev: sheets.buildRev,
    }),
    ...more,
  ]
  return {
    state: fold(
      JOB,
      entries.map((entry, i) => placed(entry, i + 1)),
    ),
    sheets,
    body: 1,
  }
}
const ferry = subjectOf('K-4417-2S')
const proof = (code: ProofCode, subject = ferry): Proof => proofsOf(subject).find((one) => one.code === code)!
const typed = { volumeMl: 9, sigma: 0.2, weightG: 20, popOffKpa: null, reseatKpa: null }

describe('a fall that was read off', () => {
  it('gives the leak of the laminar law, and holds where its whole interval does', () => {
    // u = p/(p + 2a): 40 → .16484, 38 → .15790; ln ratio .04304 in 30 s; Q = .04304/30·540·40·242.65/(a·2a) = 0.366.
    const hold = value(judgeFall(proof('inlet'), 40, 38, 30, typed))
    expect(hold.leak).toBeCloseTo(0.366, 2)
    expect(hold).toMatchObject({ verdict: 'slow', passes: true })
  })
  it('in under twenty seconds it may be settling: wait', () =>
    expect(value(judgeFall(proof('inlet'), 40, 38, 8, typed))).toMatchObject({
      verdict: 'wait',
      secondsMore: 12,
    }))
  it('to nothing at once is stuck open', () =>
    expect(value(judgeFall(proof('inlet'), 40, 0, 2, typed))).toMatchObject({
      verdict: 'open',
      passes: false,
    }))
  it('refuses a rise, nothing between, and what hardly stands above the gauge’s noise', () => {
    expect(why(judgeFall(proof('inlet'), 38, 40, 30, typed))).toMatch(/is rising/)
    expect(why(judgeFall(proof('inlet'), 40, 38, 0, typed))).toMatch(/40 37\.8 30/)
    expect(why(judgeFall(proof('inlet'), 1.5, 1.4, 30, typed))).toMatch(/Pump it up further/)
  })
  it('by eye a failure says to watch it longer before a part is bought, a trace does not', () => {
    const hold = value(judgeFall(proof('inlet'), 40, 24, 30, typed))
    const byEye = enterHold(ferry, proof('inlet'), hold, 40, 24, 30, typed, { byEye: true })
    expect(byEye).toMatchObject({ proved: false })
    expect(byEye.data.meaning).toMatch(/cannot tell a leak from settling/)
    expect(enterHold(ferry, proof('inlet'), hold, 40, 24, 30, typed).data.meaning).not.toMatch(/cannot tell/)
  })
})

describe('what a hold says', () => {
  const flat = Array.from({ length: 200 }, (_, i) => [i / 5, 30 + 0.1 * Math.sin(i * 12.9)] as const)
  it('tells the circle that the needle seals on beside the seat’s own', () => {
    const hold = value(judgeShutIn(proof('inlet'), flat, typed))
    const entered = enterHold(ferry, proof('inlet'), hold, 30, 30, 40, {
      ...typed,
      popOffKpa: 46,
      reseatKpa: 38,
    })
    expect(entered.proved).toBe(true)
    // 20 g and the needle's own over 46 kPa.
    const grams = 20 + ferry.sheets.spec.float.needleMass
    const circle = Math.sqrt((4 * grams * 9.80665) / (Math.PI * 46)).toFixed(2)
    expect(entered.facts[0]).toContain(
      `seals on ${circle} mm, the seat is ${ferry.sheets.spec.float.seatBore.toFixed(2)}`,
    )
    expect(entered.facts[1]).toBe('it shut at 38 kPa')
  })
})

describe('a hold that was made at less than is asked', () => {
  const flat = Array.from({ length: 200 }, (_, i) => [i / 5, 20 + 0.1 * Math.sin(i * 12.9)] as const)
  it('is tight and proves nothing, and says so before it is entered', () => {
    // The ferry engine's needle is proved at 30 kPa: 28.5 and more will do.
    const hold = value(judgeShutIn(proof('inlet'), flat, typed))
    const low = enterHold(ferry, proof('inlet'), hold, 20, 20, 40, typed)
    expect(low.data.headline).toBe('Tight.')
    expect(low).toMatchObject({ proved: false, short: 'it was made at 20.0 kPa, 30.0 is asked' })
    expect(enterHold(ferry, proof('inlet'), hold, 29, 29, 40, typed)).toMatchObject({
      proved: true,
      short: '',
    })
  })
})

describe('a wet level', () => {
  const bench = { pressureKpa: 3, densityKgM3: 760, tiltDeg: 0, readAtMm: 0 }
  const target = ferry.sheets.spec.settings.find(({ code }) => code === 'float.height')!.target!
  const expected = value(benchLevel(ferry.sheets.spec, bench, null)).expected
  const set = (mm: number) =>
    subjectOf('K-4417-2S', unsent(3, 'reading.taken', { ...reading(String(mm), 'in'), value: mm }))
  it('that is right proves it, whatever the sheet’s own figure is at its own pressure', () =>
    expect(value(enterLevel(set(target), proof('level'), { ...bench, belowFace: expected })).proved).toBe(
      true,
    ))
  it('that is high with the dry height right sends to the float’s weight, and bends nothing', () => {
    const high = value(enterLevel(set(target), proof('level'), { ...bench, belowFace: expected - 2 }))
    expect(high).toMatchObject({ proved: false })
    expect(high.remedy!.words).toMatch(/Weigh the float: one \d/)
    expect(high.remedy!.words).not.toMatch(/Bend/)
  })
  it('that is off as the dry height says names the bend, the height it leads to, and what is opened', () => {
    const low = set(target - 2)
    const now = value(benchLevel(ferry.sheets.spec, bench, target - 2)).byHeight!
    const entered = value(enterLevel(low, proof('level'), { ...bench, belowFace: now }))
    expect(entered.remedy!.words).toMatch(/Bend the tang/)
    // The sheet's level is rounded to a tenth: so is what it leads back to.
    expect(entered.remedy!.detail).toMatch(/dry height 11\.5 to 13\.[45] mm/)
    expect(entered.remedy!.detail).toMatch(/bowl cover comes off: redo inlet, level and leak tests/)
  })
  it('under the lowest way out it overflows before the needle shuts', () =>
    expect(why(enterLevel(set(target), proof('level'), { ...bench, belowFace: 10, lipMm: 12 }))).toMatch(
      /overflows before the needle shuts/,
    ))
})

describe('a weep', () => {
  const subject = subjectOf('U712B')
  const places = weepPlaces(subject.sheets).map((place) => ({ ...place, wetAt: null as number | null }))
  const wet = (name: string) =>
    enterWeep(
      proof('weep', subject),
      250,
      true,
      places.map((one) => (one.name === name ? { ...one, wetAt: 250 } : one)),
    )
  it('at a plug in its thread is nipped up; at a joint its screws and gasket; out of the nozzle it is the level', () => {
    expect(wet('Drain plug and seal').remedy!.words).toMatch(/^Tighten it slightly/)
    expect(wet('Bowl cover joint').remedy!.words).toMatch(/new gasket/)
    const nozzle = wet('Nozzle, in the bore')
    expect(nozzle.data.headline).toBe('Nozzle, in the bore runs since 4:10.')
    expect(nozzle.remedy!.detail).toMatch(/before anyone cranks/)
  })
  it('dry for ten minutes asks for the one tap', () => {
    expect(enterWeep(proof('weep', subject), 620, false, places).data.headline).toBe('Tap it once.')
    expect(enterWeep(proof('weep', subject), 620, true, places).proved).toBe(true)
  })
})

describe('a pump, a coil, a hand, a bank', () => {
  it('ten strokes are said as a share of what the piston sweeps', () => {
    const { swept, lo } = pumpBand(ferry.sheets.spec)
    expect(lo).toBeCloseTo(0.8 * swept!, 9)
    const short = value(enterPump(ferry, proof('pump'), 0.65 * swept!, true))
    expect(short.data.meaning).toContain('65 %')
    expect(short.proved).toBe(false)
    expect(value(enterPump(ferry, proof('pump'), swept!, false)).data.headline).toBe('It squirts late.')
    expect(why(enterPump(ferry, proof('pump'), -1, true))).toMatch(/0 to 200 mL/)
  })
  it('a coil that stops half-way never reaches its end, and voltage and ground come first', () => {
    const subject = subjectOf('Q-8010-1S')
    const half = [10, 25, 40, 60, 90, 130].map((t) => [t, 0.5 * (1 - Math.exp(-t / 30))] as const)
    const entered = value(enterTravel(subject, proof('choke', subject), half, null, null))
    expect(entered.data.headline).toMatch(/stops at 50 % of its travel/)
    expect(entered.remedy!.words).toMatch(/Voltage at the terminal first/)
    const good = [5, 15, 30, 45].map((t) => [t, Math.min(0.99, 1.2 * (1 - Math.exp(-t / 30)))] as const)
    // 95 % where 1.2·(1 − e^(−t/30)) = 0.95: t = −30·ln(1 − 0.95/1.2) = 47.1 s.
    expect(value(enterTravel(subject, proof('choke', subject), good, null, null))).toMatchObject({
      proved: true,
      data: { value: '47' },
    })
    const dead = value(enterTravel(subject, proof('choke', subject), good, 12, 0.01))
    expect(dead.remedy!.words).toMatch(/circuit is open/)
    // 6 to 11 Ω at 12 V: 1.09 to 2.00 A cold. Warm it draws less, or it does not heat.
    const warm = (hot: number) => value(enterTravel(subject, proof('choke', subject), good, 12, 1.4, hot))
    expect(warm(0.7)).toMatchObject({ proved: true })
    expect(warm(1.4).proved).toBe(false)
    expect(warm(1.4).data.meaning).toContain('does not heat')
  })
  it('nine lifts ask for one more; one that hung is not proved', () => {
    expect(value(enterLifts(proof('lifts'), 9, 9, null)).data.headline).toBe('1 more lift.')
    expect(value(enterLifts(proof('lifts'), 9, 10, null)).data.headline).toBe('It stuck once in 10.')
    expect(why(enterLifts(proof('lifts'), 11, 10, null))).toMatch(/no more than were made/)
  })
  it('what does not, says what it does instead', () =>
    expect(enterSeen(proof('throttle'), false, 'hangs a third open').data.headline).toBe(
      'No: hangs a third open.',
    ))
  it('a bank is alike within what is allowed, and refuses a body that was not read', () => {
    const sync = { ...proof('throttle'), code: 'sync' as const }
    expect(value(enterAlike(sync, [250, 256, 259], 1, 10, [])).proved).toBe(true)
    expect(value(enterAlike(sync, [250, 256, 261], 1, 10, [])).data.headline).toBe(
      '11 mbar apart, 10 is allowed.',
    )
    expect(why(enterAlike(sync, [250, NaN], 0, 10, []))).toMatch(/One reading for each body/)
  })
})
