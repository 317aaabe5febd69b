import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { enterFinding, enterReading } from '../../bench/entering/index.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import { floatBalance, floatBody, levelInUse } from '../../physics/float/index.ts'
import type { Gauge } from '../../measure/index.ts'
import { readMeasured } from '../findings/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { listNumberSheets, settingKey, type Sheets } from '../../sheets/index.ts'
import { settingsInOrder, aim, judgeSetting, needleWay, wantedLevel, type SettingContext } from './index.ts'
import type { SettingJudgement } from '../../log/index.ts'

const sheetsOf = (listNumber: string): Sheets => {
  for (const model of models()) {
    const item = model.listNumbers.find((l) => l.number === listNumber)
    if (!item) continue
    const sheets = listNumberSheets(model, item)
    if (isRefusal(sheets)) throw new Error(sheets.refused.why)
    return { specRev: 's', buildRev: 'b', ...sheets }
  }
  throw new Error(listNumber)
}
const caliper: Gauge = {
  code: 'c',
  name: 'caliper 2',
  kind: 'caliper',
  resolutionMm: 0.01,
  repeatabilityMm: 0.06,
}
const rule: Gauge = { code: 'r', name: 'steel rule', kind: 'rule', resolutionMm: 0.5, repeatabilityMm: 0.2 }
const drills: Gauge = {
  code: 'd',
  name: 'drill index',
  kind: 'drills',
  resolutionMm: 0.02,
  repeatabilityMm: 0.03,
}
const context = (
  sheets: Sheets,
  gauge: Gauge | null = caliper,
  floatHeight: number | null = null,
): SettingContext => ({
  spec: sheets.spec,
  specRev: sheets.specRev,
  conditions: workingConditions(
    { engine: '', equipment: '', ethanol: 0, pressureKpa: null, headMm: null, altitudeM: null },
    sheets.spec,
  ),
  gauge,
  drawer: [rule, caliper],
  floatHeight,
})
const judge = (sheets: Sheets, key: string, value: number, gauge?: Gauge): SettingJudgement => {
  const result = judgeSetting(
    sheets.spec.settings.find((s) => settingKey(s) === key)!,
    value,
    context(sheets, gauge),
  )
  if (isRefusal(result)) throw new Error(result.refused.why)
  return result
}
const ferry = sheetsOf('K-4417-2S')

describe('float height', () => {
  it('short on a hung float shuts off late: bend toward the needle, which is down as held upside down', () => {
    const out = judge(ferry, 'float.height/none', 11.2)
    expect(out).toMatchObject({ verdict: 'out', headline: '2.3 mm under.' })
    expect(out.meaning).toMatch(/closes late, so fuel stands 1\.4 mm too high/)
    expect(out.remedy).toMatchObject({
      action: 'bend tang',
      way: 'down, as held',
      amount: expect.closeTo(0.3, 1) as number,
    })
  })
  it('over shuts off early and is bent the other way', () => {
    expect(judge(ferry, 'float.height/none', 14.6).remedy).toMatchObject({ way: 'up, as held' })
    expect(judge(ferry, 'float.height/none', 14.6).meaning).toContain('too low')
  })
  it('in its band says where the fuel stands', () => {
    const inBand = judge(ferry, 'float.height/none', 13.5)
    expect(inBand).toMatchObject({ verdict: 'in', remedy: null })
    expect(inBand.meaning).toContain(`${ferry.spec.level.target.toFixed(1)} mm below the face at 24.0 kPa`)
  })
  it('doubtful names a finer gauge where the one in hand cannot settle it', () => {
    const doubtful = judge(sheetsOf('K-4417-2S'), 'pump.stem/none', 9.2, rule)
    expect(doubtful).toMatchObject({ verdict: 'doubtful', remedy: null })
    expect(doubtful.meaning).toContain('The steel rule cannot settle it: take the caliper 2.')
  })
  it('where nothing bends, a washer out of stock corrects it, thinner for a seat from outside', () => {
    const utility = sheetsOf('U712B')
    const target = aim(utility.spec.settings.find((s) => s.code === 'float.height')!)!
    // Sense −1: a larger reading is a higher float, shuts off late; thinner lets the needle shut earlier.
    const out = judge(utility, 'float.height/none', target + 1.2)
    expect(out.meaning).toContain('late')
    expect(out.remedy).toMatchObject({ action: 'change washer', way: 'thinner' })
    expect(out.remedy!.amount).toBeLessThan(utility.spec.float.washerMm!)
  })
  it('the mark is the sheet’s whatever the job’s pressure; what the pressure does is the deviation', () => {
    const setting = ferry.spec.settings.find((s) => s.code === 'float.height')!
    const at = (pressureKpa: number) =>
      judgeSetting(setting, 11.2, {
        ...context(ferry),
        conditions: { ...context(ferry).conditions, pressureKpa },
      }) as SettingJudgement
    const mark = `spec ${ferry.spec.level.target.toFixed(1)}`
    expect(at(24).facts[0]).toContain(mark)
    expect(at(40).facts[0]).toContain(mark)
    // More pressure lifts the fuel: further above the same mark.
    const above = (words: string) => Number(/([\d.]+) mm too high/.exec(words)![1])
    expect(above(at(40).meaning)).toBeGreaterThan(above(at(24).meaning))
  })
  it('after one washer was fitted the next is reckoned from it', () => {
    const utility = sheetsOf('U712B')
    const setting = utility.spec.settings.find((s) => s.code === 'float.height')!
    const with_ = (washerMm: number | null) =>
      (judgeSetting(setting, aim(setting)! + 1.2, { ...context(utility), washerMm }) as SettingJudgement)
        .remedy!
    expect(with_(null).words).toContain(`instead of ${utility.spec.float.washerMm!.toFixed(1)}`)
    expect(with_(1.5).words).toContain('instead of 1.5')
    expect(with_(1.5).amount).toBeGreaterThan(with_(null).amount)
  })
  it('refuses a reading that pin and arm cannot show, with the range', () => {
    const result = judgeSetting(
      ferry.spec.settings.find((s) => s.code === 'float.height')!,
      60,
      context(ferry),
    )
    expect(result).toMatchObject({
      refused: { input: 'reading', why: expect.stringContaining('allow') as string },
    })
  })
})

describe('the other settings', () => {
  it('too much drop cocks the needle, too little starves', () => {
    expect(judge(ferry, 'float.drop/none', 26).meaning).toContain('cock')
    expect(judge(ferry, 'float.drop/none', 18).meaning).toContain('Too little drop')
    // 2.4/(2·sin 30°·(1 + √(1 − cos 30°))) = 1.757 mm.
    expect(judge(ferry, 'float.drop/none', 26).facts).toContain(
      'from 1.8 mm of lift the seat is the narrow place',
    )
    expect(judge(ferry, 'float.drop/none', 26).remedy).toMatchObject({
      action: 'bend stop',
      way: 'toward its post',
    })
  })
  it('a low stem wants a shorter link on this linkage, and says the volume', () => {
    const low = judge(ferry, 'pump.stem/none', 8.2)
    expect(low.remedy).toMatchObject({ action: 'bend link', way: 'shorter' })
    expect(low.facts[1]).toMatch(/mL a stroke, lasting/)
  })
  it('the choke cover is counted in notches and said in degrees', () => {
    const lean = judge(ferry, 'choke.index/none', 0)
    expect(lean).toMatchObject({
      verdict: 'out',
      headline: '1 too lean.',
      remedy: { words: 'Turn the cover 1 notch rich.' },
    })
    // shut at 24 °C on the index; a notch is 3.1 °C.
    expect(lean.meaning).toContain('24 °C, 3 colder')
  })
  it('a drill that enters while the next does not is in: #31 for #31', () => {
    const gap = ferry.spec.settings.find((s) => s.code === 'vacuumBreak.gap')!
    const draft = enterReading(gap, '#31', context(ferry, drills))
    if (isRefusal(draft)) throw new Error(draft.refused.why)
    expect(draft.data.shown.verdict).toBe('in')
    const wrong = enterReading(gap, '#38', context(ferry, drills))
    if (isRefusal(wrong)) throw new Error(wrong.refused.why)
    expect(wrong.said.shown).toMatchObject({ verdict: 'out', remedy: { way: 'opens' } })
  })
  it('turning a fuel screw out is richer, an air screw out leaner', () => {
    expect(judge(ferry, 'mixture.turns/L', 5).remedy!.words).toBe(
      'Turn it 3/4 out: that way is richer on this unit.',
    )
    const slide = sheetsOf('S26-14F')
    const target = aim(slide.spec.settings.find((s) => s.code === 'mixture.turns')!)!
    expect(judge(slide, 'mixture.turns/none', target - 6).remedy!.words).toContain('leaner on this unit')
  })
  it('turns beyond the thread are refused', () => {
    expect(
      isRefusal(
        judgeSetting(
          ferry.spec.settings.find((s) => s.code === 'mixture.turns')!,
          80,
          context(ferry),
        ),
      ),
    ).toBe(true)
  })
  it('are set in an order in which none undoes another', () => {
    expect(settingsInOrder(ferry.spec).map((s) => s.short)).toEqual([
      'Float',
      'Drop',
      'Stem',
      'Choke',
      'Pull-off',
      'Mix L',
      'Mix R',
    ])
  })
})

describe('direction words', () => {
  it('turn round with how the part is held', () => {
    expect(needleWay('above', 'upright', 'needle')).toBe('up, as held')
    expect(needleWay('above', 'inverted', 'needle')).toBe('down, as held')
    expect(needleWay('below', 'inverted', 'away')).toBe('down, as held')
    expect(needleWay('side', 'upright', 'needle')).toContain('wall')
  })
})

describe('findings as they are typed', () => {
  const seat = ferry.build.positions.find((p) => p.code === 'seat')!
  it('reads two pins or two drills, the smaller first', () => {
    expect(readMeasured(seat, '#41 #40', null)).toEqual({
      what: 'bore',
      go: expect.closeTo(2.4384, 4) as number,
      no: expect.closeTo(2.4892, 4) as number,
    })
    expect(isRefusal(readMeasured(seat, '2.45 2.40', null))).toBe(true)
    expect(isRefusal(readMeasured(seat, '2.45', null))).toBe(true)
  })
  it('lets the harsher of eye and measure stand, and an override against both', () => {
    const conditions = context(ferry).conditions
    const draft = enterFinding(seat, 'ringed', '2.39 2.41', null, ferry, conditions)
    expect(draft).toMatchObject({ said: { disposition: 'replace' } })
    const kept = enterFinding(seat, 'ringed', '2.39 2.41', null, ferry, conditions, {
      disposition: 'reuse',
      why: 'recut here',
    })
    expect(kept).toMatchObject({
      said: { disposition: 'reuse' },
      data: { shown: { disposition: 'replace' } },
    })
  })
})

describe('the demo’s sheets', () => {
  it('hold half as much pressure again, each of the 150', () => {
    const all = models().flatMap((model) =>
      model.listNumbers.map((item) => {
        const both = listNumberSheets(model, item)
        if (isRefusal(both)) throw new Error(both.refused.why)
        return both
      }),
    )
    expect(all).toHaveLength(150)
    for (const { spec } of all) {
      const balance = floatBalance(floatBody(spec.float), spec.supply.pressureKpa, 745)
      expect(
        !isRefusal(balance) && balance.maxPressure >= 1.5 * spec.supply.pressureKpa,
        spec.listNumber,
      ).toBe(true)
    }
  })
})

describe('where the fuel should stand', () => {
  it('is the sheet’s own level: another pressure moves the fuel, not the mark', () => {
    const { spec } = sheetsOf('K-4463-1')
    const at = (pressureKpa: number) =>
      workingConditions(
        { engine: '', equipment: '', ethanol: 0, pressureKpa, headMm: null, altitudeM: null },
        spec,
      )
    for (const pressureKpa of [18, 20, 26])
      expect(wantedLevel(spec, 12.5, at(pressureKpa))).toBe(spec.level.target)
    const level = (pressureKpa: number) => {
      const { densityKgM3 } = at(pressureKpa)
      const found = levelInUse(spec.float, 12.5, pressureKpa, densityKgM3)
      if (isRefusal(found)) throw new Error(found.refused.why)
      return found.belowFace
    }
    // More pressure holds the needle off longer: the fuel stands higher, so less far below the face.
    expect(level(26)).toBeLessThan(level(18) - 0.2)
  })
  it('of a taught unit, which no sheet gives a level, is where its own height puts it', () => {
    const { spec } = sheetsOf('K-4463-1')
    const conditions = workingConditions(undefined, spec)
    const taught = {
      ...spec,
      taught: { family: 'f', pencil: [], at: {}, ratio: null, levelSigma: null },
    }
    const own = levelInUse(spec.float, 14, conditions.pressureKpa, conditions.densityKgM3)
    if (isRefusal(own)) throw new Error(own.refused.why)
    expect(wantedLevel(taught, 14, conditions)).toBeCloseTo(own.belowFace, 9)
  })
})
