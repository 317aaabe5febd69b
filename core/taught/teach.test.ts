import { opening } from '../../demo/log-entries.ts'
import { describe, expect, it } from 'vitest'
import { templates } from '../unit/families/templates/index.ts'
import { familyOf, outsideOf, portsOf, unitDrawing } from '../unit/families/index.ts'
import { fold, type DataOf, type Entry } from '../log/index.ts'
import { admit } from '../bench/admit/index.ts'
import { judgeSetting, type SettingContext } from '../judge/settings/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { bends, known, levelSpread, ownSheets, readBend, sourceStandingOf, withBand } from './index.ts'
import { factOf, readFact } from '../sheets/index.ts'

const JOB = '00000000-0000-4000-8000-000000000001'
let id = 0
const uuid = () => `00000000-0000-4000-8000-${String(++id).padStart(12, '0')}`

const entry = <K extends keyof DataOf>(kind: K, data: DataOf[K], v = 1): Entry => ({
  id: uuid(),
  job: JOB,
  kind,
  v,
  body: 1,
  data,
  by: 'O. Dell',
  at: '2026-11-26T09:00:00Z',
  receivedAt: '2026-11-26T09:00:00Z',
  seq: id,
})

const taughtAs = (more: Partial<DataOf['ident.taught']> = {}) =>
  entry('ident.taught', {
    family: 'downdraft',
    barrels: 2,
    float: 'from the cover',
    choke: 'coil',
    maker: '',
    name: 'kiln ?-type',
    ...more,
  })
const fact = (code: string, raw: string) => {
  const one = factOf(code)!
  if (one.by === 'look')
    return entry('own.dimension', { fact: code, raw, value: raw, sigma: null, gauge: null })
  const read = readFact(one, raw)
  if ('refused' in read) throw new Error(read.refused.why)
  return entry('own.dimension', { fact: code, raw, value: read.value, sigma: read.sigma, gauge: 'caliper 2' })
}
const height = (value: number) =>
  entry('own.setting', {
    code: 'float.height',
    place: 'none',
    ...withBand('length', value),
    source: 'kit leaf',
    ground: 'leaf 7',
  })

const unit = (...log: Entry[]) => {
  const state = fold(JOB, log)
  return { state, sheets: ownSheets(state, 1, templates[state.bodies[1]!.taught!.family]) }
}

const judge = ({ sheets }: ReturnType<typeof unit>, value: number) => {
  const setting = sheets.spec.settings.find(({ code }) => code === 'float.height')!
  const context: SettingContext = {
    spec: sheets.spec,
    specRev: sheets.specRev,
    conditions: { pressureKpa: 21, ethanol: 0, densityKgM3: 745, assumes: [] },
    gauge: null,
    drawer: [],
    floatHeight: null,
  }
  const judged = judgeSetting(setting, value, context)
  if ('refused' in judged) throw new Error(judged.refused.why)
  return judged
}
const rung = (one: ReturnType<typeof unit>) => {
  const { rungs, at } = known(one.sheets.spec)
  return rungs[at]!.code
}

describe('families', () => {
  it.each(Object.values(templates))('$family: nothing of its sheets has a value', (template) => {
    const { sheets } = unit(taughtAs({ family: template.family, barrels: template.spec.barrels }))
    expect(
      sheets.spec.settings.every(({ target, lo, hi }) => target === null && lo === null && hi === null),
    ).toBe(true)
    expect(
      sheets.build.positions.every(
        ({ part, deciding }) => deciding === null && (part === null || part.endsWith(', by sample')),
      ),
    ).toBe(true)
    expect(sheets.spec.calibration.every(({ mm }) => mm === null)).toBe(true)
  })

  it.each(Object.values(templates))(
    '$family: is drawn as itself, every position in its place',
    (template) => {
      const { sheets } = unit(taughtAs({ family: template.family, barrels: template.spec.barrels }))
      expect(familyOf(sheets)).toBe(template.family)
      const places = Object.keys(unitDrawing(sheets).places)
      expect(
        sheets.build.positions
          .map(({ code }) => code)
          .filter((code) => !places.includes(code) && code !== 'body'),
      ).toEqual([])
    },
  )

  it('has no second jet, no right screw and no coil where there is one barrel and a hand choke', () => {
    const { sheets } = unit(taughtAs({ barrels: 1, choke: 'plate by hand' }))
    const codes = sheets.build.positions.map(({ code }) => code)
    expect(codes).toContain('jet.main/P')
    expect(codes).not.toContain('jet.main/S')
    expect(codes).not.toContain('choke.coil')
    const settings = sheets.spec.settings.map(({ name }) => name)
    expect(settings).toContain('Mixture')
    expect(settings.join()).not.toMatch(/right|Choke cover|Vacuum-break/)
  })
})

describe('known by degrees', () => {
  it('keeps the record with nothing known, and says what buys the next rung', () => {
    const one = unit(taughtAs())
    expect(rung(one)).toBe('record')
    expect(known(one.sheets.spec).next?.fact.code).toBe('float.sense')
  })

  it('climbs rung by rung: band, way, bend, level, what it holds', () => {
    const log = [taughtAs(), height(12.4)]
    expect(rung(unit(...log))).toBe('band')
    log.push(fact('float.sense', 'from the face'))
    expect(rung(unit(...log))).toBe('way')
    log.push(fact('float.correction', 'tang'), fact('float.arm', '46.2'), fact('float.tang', '6.0'))
    expect(rung(unit(...log))).toBe('bend')
    log.push(
      fact('seat.bore', '2.4'),
      fact('float.mass', '9.6'),
      fact('float.area', '38 x 24'),
      fact('float.pin', '6'),
    )
    expect(rung(unit(...log))).toBe('level')
    log.push(fact('float.depth', '17'))
    expect(rung(unit(...log))).toBe('holds')
    expect(known(unit(...log).sheets.spec).next).toBeNull()
  })

  it('is known throughout where a library has the sheet', () => {
    const { sheets } = unit(taughtAs(), height(12.4))
    const { taught: _, ...spec } = sheets.spec
    expect(known(spec).rungs.every(({ reached }) => reached)).toBe(true)
  })
})

describe('float height of a taught unit', () => {
  it('says short or over and no way while nobody said what it is read from', () => {
    const said = judge(unit(taughtAs(), height(12.4)), 10.9)
    expect(said.verdict).toBe('out')
    expect(said.remedy).toBeNull()
    expect(said.meaning).toMatch(/Which way to bend is not known/)
  })

  it('hold, datum and drop follow how the float hangs', () => {
    const settings = (more: Parameters<typeof taughtAs>[0], ...facts: Entry[]) =>
      unit(taughtAs(more), ...facts).sheets.spec.settings
    const heightOf = (...args: Parameters<typeof settings>) =>
      settings(...args).find(({ code }) => code === 'float.height')!
    const downdraft = { family: 'downdraft' } as const
    expect(heightOf(downdraft)).toMatchObject({
      held: 'inverted',
      hold: expect.stringMatching(/^Cover upside/) as string,
    })
    const stands = heightOf({ ...downdraft, float: 'in the bowl' })
    expect(stands).toMatchObject({ held: 'upright', datum: expect.stringMatching(/^bowl rim/) as string })
    expect(stands.hold).toMatch(/^Bowl upright/)
    // It falls to the floor of its bowl: there is no drop to read.
    const codes = (more: Parameters<typeof taughtAs>[0]) => settings(more).map(({ code }) => code)
    expect(codes(downdraft)).toContain('float.drop')
    expect(codes({ ...downdraft, float: 'in the bowl' })).not.toContain('float.drop')
    const floor = heightOf({ ...downdraft, float: 'in the bowl' }, fact('float.sense', 'from the floor'))
    expect(floor).toMatchObject({ held: 'upright', datum: expect.stringMatching(/^bowl floor/) as string })
    // A family that is read from the floor, of a unit whose float hangs: the face, turned over.
    const small = { family: 'small one-barrel', barrels: 1, choke: 'plate by hand' } as const
    expect(heightOf({ ...small, float: 'in the bowl' }).datum).toMatch(/floor/)
    expect(heightOf({ ...small, float: 'from the cover' })).toMatchObject({
      held: 'inverted',
      datum: expect.stringMatching(/^face/) as string,
    })
    // From the face it lies level where its pin lies.
    const { float } = unit(taughtAs({ ...small, float: 'from the cover' })).sheets.spec
    expect(float).toMatchObject({ sense: 1, levelReading: float.pinBelowFace })
  })

  it('read from the floor a small reading is early, from the face late', () => {
    const late = judge(unit(taughtAs(), height(12.4), fact('float.sense', 'from the face')), 10.9)
    const early = judge(unit(taughtAs(), height(12.4), fact('float.sense', 'from the floor')), 10.9)
    expect(late.meaning).toMatch(/late, so fuel stands too high/)
    expect(early.meaning).toMatch(/early, so fuel stands too low/)
  })

  it('from three readings: 46.2 ± 0.3 over 6.0 ± 0.2 with the family at 25 %, 1.5 mm of toe is 0.20 at the tang', () => {
    const one = unit(
      taughtAs(),
      height(12.4),
      fact('float.sense', 'from the face'),
      fact('float.correction', 'tang'),
      fact('float.arm', '46.2'),
      fact('float.tang', '6.0'),
    )
    // 46.2 / 6.0 = 7.7; the family's own share of the weight is about 2 %.
    expect(one.sheets.spec.taught!.ratio!.k).toBeCloseTo(7.7, 1)
    expect(one.sheets.spec.taught!.ratio!.relSigma).toBeCloseTo(0.034, 2)
    const { remedy } = judge(one, 10.9)
    expect(remedy?.words).toMatch(
      /^Bend the tang 0\.19 ±0\.01 mm toward the needle|^Bend the tang 0\.2 ±0\.01 mm toward the needle/,
    )
    expect(remedy?.detail).not.toMatch(/half-way/)
  })

  it('from its family only it goes half-way first', () => {
    const { remedy } = judge(
      unit(taughtAs(), height(12.4), fact('float.sense', 'from the face'), fact('float.correction', 'tang')),
      10.9,
    )
    expect(remedy?.detail).toMatch(/^Go half-way first/)
    expect(remedy?.detail).toMatch(/from its family only/)
  })

  it('from two tries: 11.2 became 14.6 by 0.45, 13.5 by −0.15 (physics 18)', () => {
    const at = (value: number) =>
      entry(
        'reading.taken',
        {
          code: 'float.height',
          place: 'none',
          raw: String(value),
          value,
          gauge: 'caliper 2',
          sigma: 0.1,
          bracket: null,
          specRev: 'own',
          shown: {
            verdict: 'out',
            pIn: 0,
            headline: '',
            meaning: '',
            remedy: null,
            facts: [],
            assumes: [],
            asWritten: '12.4',
            target: 12.4,
            lo: 11.9,
            hi: 12.9,
          },
        },
        2,
      )
    const one = unit(
      taughtAs(),
      height(12.4),
      fact('float.sense', 'from the face'),
      fact('float.correction', 'tang'),
      at(11.2),
      entry('own.bend', { mm: 0.45, sigma: 0.15 }),
      at(14.6),
      entry('own.bend', { mm: -0.15, sigma: 0.05 }),
      at(13.5),
    )
    const ratio = one.sheets.spec.taught!.ratio!
    expect(ratio.tries).toBe(2)
    // tries 7.56 ± 2.53 and 7.33 ± 2.63 with the family's 46.7/6.5 = 7.19 ± 1.80
    expect(ratio.k).toBeCloseTo(7.3, 0)
    expect(ratio.relSigma).toBeLessThan(0.25)
    const bend = judge(one, 13.5).remedy!
    expect(bend.way).toBe('away from the needle')
    expect(bend.amount).toBeCloseTo(1.1 / ratio.k, 2)
  })

  it('says the level with its spread once all is measured, and which measurement would narrow it', () => {
    const one = unit(
      taughtAs(),
      height(12.4),
      fact('float.sense', 'from the face'),
      fact('float.correction', 'tang'),
      fact('float.arm', '46.2'),
      fact('float.tang', '6.0'),
      fact('seat.bore', '2.4'),
      fact('float.mass', '9.6'),
      fact('float.area', '38 x 24'),
      fact('float.pin', '6'),
    )
    const spread = levelSpread(one.sheets.spec, one.state.bodies[1]!.ownFacts)!
    // 5 % of an area of 821 mm² on an immersion of some 14 mm: about 0.7 mm, and the largest share.
    // A float as deep as its family’s, give or take a tenth, is the worst of it until somebody measures that.
    expect(spread.shares[0]!.fact).toBe('float.depth')
    const deep = unit(...one.state.log, fact('float.depth', '17'))
    const narrower = levelSpread(deep.sheets.spec, deep.state.bodies[1]!.ownFacts)!
    expect(narrower.shares[0]!.fact).toBe('float.area')
    expect(narrower.sigma).toBeGreaterThan(0.3)
    expect(narrower.sigma).toBeLessThan(1.8)
    expect(narrower.sigma).toBeLessThan(spread.sigma)
    expect(judge(one, 12.4).meaning).toMatch(/Fuel stands \d+(\.\d)? ±\d(\.\d)? mm below the face/)
  })
})

describe('facts as typed', () => {
  const read = (code: string, raw: string) => readFact(factOf(code)!, raw)

  it('takes half a pin off, a drill for a bore, and pontoons by area', () => {
    expect(read('float.arm', '47.5 - 1.3')).toMatchObject({ value: 46.2 })
    expect(read('seat.bore', '#42')).toMatchObject({ value: expect.closeTo(2.375, 2) as number })
    expect(read('float.area', '38 x 22')).toMatchObject({ value: 752.4 })
    expect(read('float.area', '38x11x2')).toMatchObject({ value: 752.4 })
    expect(read('float.pin', '-4')).toMatchObject({ value: -4 })
  })

  it('asks again for what cannot be, inches first', () => {
    expect(read('float.arm', '1.82')).toMatchObject({
      refused: { why: expect.stringMatching(/Inches\? Then type 46\.2/) as string },
    })
    expect(read('float.mass', '900')).toMatchObject({
      refused: { why: expect.stringMatching(/between 1 and 80/) as string },
    })
    expect(read('float.area', 'big')).toMatchObject({ refused: { input: 'text' } })
  })
})

describe('sources side by side', () => {
  const opened = (symptom: 'none: overhaul' | 'flooding', ran: boolean | null = null) =>
    entry('job.opened', {
      customer: 'Osk hop kiln 2',
      engine: 'kiln engine',
      equipment: 'fan',
      aircraft: false,
      ethanol: null,
      pressureKpa: null,
      headMm: null,
      altitudeM: null,
      promise: '2026-12-04',
      today: '2026-11-26',
      bodies: 1,
      ran,
      complaint: { symptom, band: 'idle', temperature: 'any', words: '', when: [] },
    } as unknown as DataOf['job.opened'])
  const found = (value: number) =>
    entry('asfound.noted', {
      code: 'float.height',
      place: 'none',
      raw: String(value),
      value,
      countedTo: null,
      shown: { headline: '', meaning: '' },
    })
  const setting = templates.downdraft.spec.settings.find(({ code }) => code === 'float.height')!

  it('as found holds where it ran well, and stands behind relatives where it did not', () => {
    const relatives = entry('own.setting', {
      code: 'float.height',
      place: 'none',
      ...withBand('length', 13.2),
      source: 'from relatives',
      ground: 'median of 5',
    })
    const well = sourceStandingOf(
      unit(opened('none: overhaul', true), taughtAs(), found(12.4), relatives).state,
      1,
      setting,
    )
    expect(well.picked).toMatchObject({ source: 'as found', trust: 'good', ground: 'it ran well' })
    // No complaint is not a yes: only who was asked and said so is believed.
    for (const ran of [null, false])
      expect(
        sourceStandingOf(
          unit(opened('none: overhaul', ran), taughtAs(), found(12.4), relatives).state,
          1,
          setting,
        ).picked?.source,
        String(ran),
      ).toBe('from relatives')
    const ill = sourceStandingOf(
      unit(opened('flooding'), taughtAs(), found(12.4), relatives).state,
      1,
      setting,
    )
    expect(ill.picked?.source).toBe('from relatives')
    // 12.4 lies outside 13.2 ± 0.5: a conflict, not silently won.
    expect(ill.against.map(({ id: one }) => one)).toEqual(['as found'])
  })

  it('a decision with its reason settles it, and its value is the sheet’s', () => {
    const leaf = height(14.5)
    const one = unit(
      opened('none: overhaul', true),
      taughtAs(),
      found(12.4),
      leaf,
      entry('own.source', {
        code: 'float.height',
        place: 'none',
        source: 'as found',
        why: 'the leaf is for another cover',
      }),
    )
    const standing = sourceStandingOf(one.state, 1, setting)
    expect(standing.picked?.source).toBe('as found')
    expect(standing.against).toEqual([])
    const own = one.sheets.spec.settings.find(({ code }) => code === 'float.height')!
    expect([own.lo, own.target, own.hi]).toEqual([11.9, 12.4, 12.9])
  })
})

describe('parts as they came off', () => {
  it('overrides its family’s, drops what is not there, adds what it does not know', () => {
    const part = (more: Partial<DataOf['own.part']>) =>
      entry('own.part', {
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
        ...more,
      })
    const { sheets } = unit(
      taughtAs(),
      part({}),
      part({
        position: 'power.piston',
        name: 'Power piston',
        kind: 'pump',
        mm: null,
        stamped: '',
        absent: true,
      }),
      part({ position: 'own.1', name: 'Bleed restrictor', kind: 'jet', mm: 0.9, stamped: '', layer: 4 }),
    )
    const codes = sheets.build.positions.map(({ code }) => code)
    expect(codes).not.toContain('power.piston')
    expect(codes).toContain('own.1')
    expect(
      sheets.spec.calibration.find(({ code, place }) => code === 'jet.main' && place === 'S'),
    ).toMatchObject({ mm: 1.57, words: 'stamped 62' })
    expect(sheets.spec.calibration.find(({ code }) => code === 'own.1')).toMatchObject({
      mm: 0.9,
      name: 'Bleed restrictor',
    })
    expect(sheets.spec.taught!.pencil).not.toContain('position:jet.main/S')
    expect(sheets.spec.taught!.pencil).toContain('position:jet.main/P')
  })

  it('another family keeps what was measured', () => {
    const log = [taughtAs(), height(12.4), fact('float.sense', 'from the face'), fact('float.arm', '31.0')]
    const other = unit(
      ...log,
      taughtAs({ family: 'small one-barrel', barrels: 1, float: 'in the bowl', choke: 'plate by hand' }),
    )
    expect(familyOf(other.sheets)).toBe('small one-barrel')
    expect(Math.hypot(...other.sheets.spec.float.measurePoint.at)).toBeCloseTo(31, 0)
    expect(other.sheets.spec.settings.find(({ code }) => code === 'float.height')!.target).toBe(12.4)
  })
})

describe('a bend as a hand says it', () => {
  it('is half of a tang of 0.9 mm, known to a third', () => {
    const half = bends.find(({ words }) => words === 'half of it')!
    expect(half).toMatchObject({ mm: 0.45, sigma: expect.closeTo(0.15, 9) as number })
  })
  it('measured is known to 0.05 mm; nothing, words and a whole float’s length are refused', () => {
    expect(readBend('0,35')).toEqual({ mm: 0.35, sigma: 0.05 })
    for (const text of ['', '0', '-1', 'a bit', '11']) expect(isRefusal(readBend(text)), text).toBe(true)
  })
})

describe('ports of a unit that nobody described', () => {
  const port = (code: 'vacuum.ported' | 'vacuum.brake' | 'drip', more = {}) =>
    entry('own.port', { port: code, boreMm: 4.2, absent: false, ...more })
  it('none are asked until somebody saw one; then each is at its place with the bore that was found', () => {
    expect(portsOf(unit(taughtAs()).sheets)).toEqual([])
    const { sheets } = unit(taughtAs(), port('vacuum.ported'))
    expect(portsOf(sheets)).toMatchObject([{ code: 'vacuum.ported', job: 'vacuum', boreMm: 4.2 }])
  })
  it('one that its family does not usually have is drawn on the casting too', () => {
    const { sheets } = unit(taughtAs({ family: 'small one-barrel', barrels: 1 }), port('vacuum.brake'))
    const [brake] = portsOf(sheets)
    expect(brake).toMatchObject({ code: 'vacuum.brake', name: 'Brake booster', job: 'vacuum' })
    const { bounds } = outsideOf(sheets).elevation
    expect(brake!.at[0]).toBeGreaterThanOrEqual(bounds.x0 - 1)
    expect(brake!.at[0]).toBeLessThanOrEqual(bounds.x1 + 1)
  })
  it('a drip hole is never capped, also on a unit of one’s own', () => {
    const { sheets, state } = unit(entry('job.opened', opening), taughtAs(), port('drip'))
    const left = { port: 'drip', when: 'left', state: 'capped', to: '' } as const
    expect(admit(state, entry('port.noted', left), { 1: sheets })?.sentence).toMatch(/never capped/)
  })
  it('is there no longer once it was seen that there is none, unless something was noted of it', () => {
    expect(portsOf(unit(taughtAs(), port('drip'), port('drip', { absent: true })).sheets)).toEqual([])
    const noted = unit(
      entry('job.opened', opening),
      taughtAs(),
      port('drip'),
      entry('port.noted', { port: 'drip', when: 'found', state: 'open', to: '' }),
    )
    const gone = entry('own.port', { port: 'drip', boreMm: 4.2, absent: true })
    expect(admit(noted.state, gone, { 1: noted.sheets })?.code).toBe('was there')
  })
})
