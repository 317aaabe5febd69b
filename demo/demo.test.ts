import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { enterFinding } from '@ekrond/core/bench/entering'
import { floatBalance, floatBody, inflow, leverAt, levelInUse } from '@ekrond/core/physics/float'
import { isRefusal } from '@ekrond/core/base/refusal'
import { aim } from '@ekrond/core/judge/settings'
import { listNumberSheets } from '@ekrond/core/sheets'
import { catalogueFiles, models } from './catalogue.ts'

const sheets = models().flatMap((model) =>
  model.listNumbers.map((item) => {
    const both = listNumberSheets(model, item)
    if (isRefusal(both)) throw new Error(both.refused.why)
    return both
  }),
)

describe('the demo catalogue', () => {
  it('is what its generator makes, to the letter', () => {
    for (const [name, contents] of catalogueFiles())
      expect(readFileSync(join(import.meta.dirname, 'catalogue', name), 'utf8'), name).toBe(contents)
  })
  it('has sheets that hang together: the height gives the level that the sheet wants, within what rounding to half a millimetre does', () => {
    for (const { spec } of sheets) {
      const height = spec.settings.find((s) => s.code === 'float.height')!
      const level = levelInUse(spec.float, aim(height)!, spec.supply.pressureKpa, 745)
      if (isRefusal(level)) throw new Error(`${spec.listNumber}: ${level.refused.why}`)
      expect(level.belowFace, spec.listNumber).toBeCloseTo(spec.level.target, 0)
      expect(level.holds, spec.listNumber).toBe(true)
    }
  })
  it('fills every engine that a drop is given for', () => {
    for (const { spec } of sheets) {
      const drop = spec.settings.find((s) => s.code === 'float.drop')
      if (!drop) continue
      const height = aim(spec.settings.find((s) => s.code === 'float.height')!)!
      const lever = leverAt(spec.float, height)
      if (isRefusal(lever)) throw new Error(spec.listNumber)
      const flow = inflow({
        ...lever,
        heightReading: height,
        dropReading: aim(drop)!,
        seatBore: spec.float.seatBore,
        coneHalfAngle: Math.PI / 6,
        pressure: spec.supply.pressureKpa,
        density: 745,
        cd: 0.65,
        powerKw: spec.engine.powerKw,
        bsfc: spec.engine.bsfc,
        ethanol: 0,
        buoyancyArm: spec.float.buoyancyArm,
        tangAngle: 0,
      })
      expect(!isRefusal(flow) && flow.margin, spec.listNumber).toBeGreaterThanOrEqual(1.3)
    }
  })
  it('draws what it reckons with: outline and geometry agree within 2 %', () => {
    for (const { code, spec } of models()) {
      const { float, section } = spec
      const xs = section.float.map((p) => p[0])
      const lowest = Math.min(...section.float.map((p) => p[1]))
      expect(Math.abs(lowest - float.undersideY), `${code} underside`).toBeLessThanOrEqual(
        0.02 * Math.abs(float.undersideY),
      )
      // The measuring point lies on the float's outline.
      const [mx, my] = float.measurePoint.at
      expect(
        Math.min(...section.float.map(([x, y]) => Math.hypot(x - mx, y - my))),
        `${code} measuring point`,
      ).toBeLessThanOrEqual(0.02 * Math.hypot(mx, my))
      // The tang's contact stands at the tang's arm from the pin.
      const contact = section.tang.at(-1)!
      expect(Math.abs(Math.hypot(...contact) - float.tangArm), `${code} tang`).toBeLessThanOrEqual(
        0.02 * float.tangArm,
      )
      expect(
        Math.abs(section.faceY - section.pin[1] - float.pinBelowFace),
        `${code} pin`,
      ).toBeLessThanOrEqual(0.02 * Math.abs(float.pinBelowFace))
      // The centre of buoyancy lies under the float.
      expect(float.buoyancyArm, code).toBeGreaterThan(Math.min(...xs))
      expect(float.buoyancyArm, code).toBeLessThan(Math.max(...xs))
    }
  })
  it('has every design that the shop meets: drafts, barrels, floats, needles, seats', () => {
    const all = models()
    const having = (fits: (model: (typeof all)[number]) => boolean) => all.filter(fits).map((m) => m.code)
    expect(having((m) => m.spec.draft === 'down').sort()).toEqual(['K-44', 'Q-80'])
    expect(having((m) => m.spec.draft === 'up').sort()).toEqual(['12T', '24T'])
    expect(having((m) => m.spec.barrels === 4)).toEqual(['Q-80'])
    expect(having((m) => m.build.positions.some((p) => p.kind === 'slide' && p.code === 'slide'))).toEqual([
      'S26',
    ])
    expect(having((m) => m.build.positions.some((p) => p.code === 'diaphragm')).sort()).toEqual([
      'B34',
      'D32',
    ])
    expect(having((m) => m.spec.float.guided === true)).toEqual(['12T'])
    expect(having((m) => m.spec.float.correction === 'arm')).toEqual(['Q-80'])
    expect(having((m) => m.build.positions.some((p) => p.name === 'Needle with its spring'))).toEqual(['24T'])
    // A seat that is pressed into the casting has no part number and stays.
    expect(
      having((m) => m.build.positions.some((p) => p.kind === 'seat' && p.stays && p.part === null)),
    ).toEqual(['U3'])
    expect(new Set(all.map((m) => m.maker))).toEqual(new Set(['Orvane', 'Besk', 'Quillard', 'Tessmer']))
    const numbers = all.flatMap((m) => m.listNumbers.map((l) => l.number))
    expect(numbers).toHaveLength(150)
    expect(new Set(numbers).size).toBe(150)
  })
  it('condemns a body whose pressed seat is ringed, where another would get a new seat', () => {
    const u3 = sheets.find((s) => s.spec.model === 'U3')!
    const full = { specRev: 's', buildRev: 'b', ...u3 }
    const seat = u3.build.positions.find((p) => p.code === 'seat')!
    const conditions = { pressureKpa: 2, ethanol: 0, densityKgM3: 745, assumes: [] }
    const draft = enterFinding(seat, 'ringed', '', null, full, conditions)
    expect(draft).toMatchObject({
      said: { disposition: 'condemn' },
      data: { shown: { sentence: expect.stringContaining('recut or sleeved') as string } },
    })
  })
  it('still shuts at the most pressure that its sheet allows', () => {
    for (const { spec } of sheets) {
      const balance = floatBalance(floatBody(spec.float), spec.supply.mostKpa, 745)
      expect(!isRefusal(balance) && balance.holds, spec.listNumber).toBe(true)
    }
  })
})
