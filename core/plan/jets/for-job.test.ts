import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { identified, JOB, opening, placed, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { tables } from '../../../demo/tables.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { bodyOf, fold, type RunNote } from '../../log/index.ts'
import { jobSheets } from '../../taught/index.ts'
import {
  chooseOther,
  jobAskedBlank,
  jobJets,
  otherChoices,
  sizesOf,
  type JobAsked,
  type JobJets,
} from './index.ts'

const all = tables(models())
const rows = (file: string) => all.find((table) => table.file === file)!.rows as string[][]
const stock = {
  parts: rows('parts.csv').map(([part, name, kind, , tell]) => ({
    part: part!,
    name: name!,
    kind: kind!,
    tell: tell!,
  })),
  shelf: rows('shelf.csv').map(([part, quantity]) => ({ part: part!, quantity: Number(quantity) })),
  singles: rows('prices.csv').map(([part, supplier, price, days]) => ({
    part: part!,
    supplier: supplier!,
    priceMinor: Number(price),
    leadDays: Number(days),
  })),
}

const jobOf = (listNumber: string, run: readonly RunNote[]) => {
  const entries = [
    unsent(1, 'job.opened', opening),
    unsent(2, 'ident.chosen', { ...identified, listNumber }),
    ...run.map((note, i) => unsent(3 + i, 'run.noted', { note, words: '' })),
  ]
  return fold(
    JOB,
    entries.map((entry, i) => placed(entry, i + 1)),
  )
}

const asked = (
  listNumber: string,
  conditions: Partial<JobAsked>,
  {
    run = [],
    picked = {},
    drawer = true,
  }: { run?: RunNote[]; picked?: Record<string, number>; drawer?: boolean } = {},
) => {
  const sheets = sheetsFor(listNumber)
  const from = drawer ? stock : { ...stock, shelf: [] }
  const sizes = Object.fromEntries(
    sheets.build.positions
      .filter(({ kind }) => kind === 'jet')
      .map((position) => [position.code, sizesOf(position, from)]),
  )
  const state = jobOf(listNumber, run)
  return jobJets({ chosen: bodyOf(state, 1).chosen, run: state.run }, sheets, {
    asked: { ...jobAskedBlank, ...conditions },
    sizes,
    picked,
  })
}
const jets = (...given: Parameters<typeof asked>): JobJets => {
  const said = asked(...given)
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}
const told = ({ changes }: JobJets) => changes.map(({ of, from, to, where }) => [of, from, to, where])
const at = ({ openings, proposed }: JobJets, x: number) => proposed.ratio[openings.indexOf(x)]!

describe('a unit moved from the valley to 1,600 m', () => {
  it('a slide: from the drawer, main and idle jet, inside at every opening', () => {
    const said = jets('S26-14F', { toAltitude: '1600' })
    expect(told(said)).toEqual([
      ['jet.idle', '0.45', '0.42', 'drawer'],
      ['jet.main', '1.15', '1.10', 'drawer'],
    ])
    expect(said.inside).toBe(true)
    // + 7.8 % at full, less what a main jet of (1.10/1.15) takes: about share × exponent × 2Δd/d.
    expect(at(said, 1)).toBeCloseTo(1.003, 2)
    expect(said.isBlind).toBe(false)
  })

  it('what is not in the drawer is ordered; the sheet’s own stands beside it', () => {
    const { changes, others } = jets('U712B', { toAltitude: '1600' })
    // 0.95 × 1.079^(−1/1.8) = 0.911: of 0.85, 0.90 and 0.95 the middle one.
    expect(changes).toMatchObject([
      { of: 'jet.main', to: '0.90', part: 'JT-090', where: 'supplier', priceMinor: 310 },
    ])
    expect(others).toContainEqual(
      expect.objectContaining({ words: 'from the drawer: the sheet’s own', inside: false, priceMinor: 0 }),
    )
  })

  it('a two-barrel: each pair by itself, the late one without an idle circuit', () => {
    const said = jets('K-4417-2S', { toAltitude: '1600' })
    // 1.35 and 1.55 × 1.079^(−1/1.8): 1.294 and 1.486.
    expect(told(said)).toEqual([
      ['jet.main/P', '1.35', '1.28', 'supplier'],
      ['jet.main/S', '1.55', '1.48', 'supplier'],
    ])
    expect(said.inside).toBe(true)
    // Its idle tube is pressed in and stays: the screw takes + 7 %.
    expect(said.screw).toMatchObject({ fits: true })
    // Bleed and nozzle are on its sheet: nothing more is worth measuring.
    expect(said.measureNext).toBeNull()
  })

  it('a slide under a diaphragm: its needle is not known, and the clip is left out', () => {
    const said = jets('D32-11K', { toAltitude: '1600' })
    expect(said.isBlind).toBe(true)
    // Known by degrees: with the needle measured the doubt from half open on falls by more than an eighth.
    expect(said.measureNext!.what).toMatch(/^the needle every 2 mm/)
    expect(said.measureNext!.to).toBeLessThan(0.88 * said.measureNext!.from)
    expect(said.changes.map(({ of }) => of)).toEqual(['jet.main'])
  })

  it('a size picked by hand is worked out as it is', () => {
    const said = jets('S26-14F', { toAltitude: '1600' }, { picked: { 'jet.main': 1.15, 'jet.idle': 0.45 } })
    expect(said.changes).toEqual([])
    expect(said.inside).toBe(false)
    // 2.60 tolerances of 3 %: + 7.8 % at full.
    expect(said.worst).toBeCloseTo(2.6, 1)
  })

  it('the clip one groove lower leans the middle and not wide open', () => {
    const before = jets('S26-14F', {}, { picked: {} })
    const lower = jets('S26-14F', {}, { picked: { 'needle.clip/none': 2 } })
    expect(lower.changes).toMatchObject([{ of: 'needle.clip/none', from: '3', to: '2' }])
    expect(at(lower, 0.25)).toBeLessThan(at(before, 0.25) - 0.05)
    expect(Math.abs(at(lower, 1) - at(before, 1))).toBeLessThan(0.01)
  })
})

describe('a four-barrel for 85 % ethanol', () => {
  const said = jets('Q-8010-1S', { toEthanol: '85' })
  it('gets larger jets in both pairs, its pressed idle tube opened for good', () => {
    expect(said.dangerous).toBe(true)
    expect(said.inside).toBe(true)
    expect(said.changes.map(({ of, where }) => [of, where])).toEqual([
      ['jet.idle', 'opened for good'],
      ['jet.main/P', 'supplier'],
      ['jet.main/S', 'supplier'],
    ])
    // Round a rod of 1.10 in 1.50 the ring grows by 1.462^(1/0.9): √(1.04 × 1.525 + 1.21) = 1.67.
    expect(Number(said.changes[1]!.to)).toBeCloseTo(1.67, 1)
  })
  it('is told what else the fuel asks', () => {
    const words = (what: string) => said.fuel.find((line) => line.what === what)?.words
    // 2.80 × √1.462 = 3.39; 0.70 × 1.209 = 0.85; the volume × 1.426.
    expect(words('Inlet seat')).toMatch(/^2\.80 to about 3\.39 mm/)
    expect(words('Pump')).toBe(
      'Nozzle 0.70 to about 0.85 mm, and 1.43 times the volume by hole or cam: the nozzle alone only shortens the shot.',
    )
    expect(words('Does not last')).toMatch(/pump plunger/)
    expect(said.fuel.at(-1)!.what).toBe('In this order')
  })
  it('a tenth of ethanol is no other fuel', () =>
    expect(jets('Q-8010-1S', { toEthanol: '10' }).fuel).toEqual([]))
  it('of a slide the needle jet is named: the main jet does not rule the middle', () =>
    // √(2.5² + f (2.6² − 2.5²)) with the main jet's f of about 1.6.
    expect(
      jets('S26-14F', { toEthanol: '85' }).fuel.find(({ what }) => what === 'Needle jet')!.words,
    ).toMatch(/^2\.60 wants 2\.66/))
})

describe('a power circuit at another place', () => {
  it('opens at the same vacuum, and the engine has less of it', () => {
    // 22 kPa; 1,600 m takes 17.8: what cruised at 39.8 is down to it, what idled at 46.8 has no margin of 7 left.
    const { fuel } = jets('K-4417-2S', { toAltitude: '1600' })
    expect(fuel).toHaveLength(1)
    expect(fuel[0]!.words).toMatch(/17\.8 kPa less: an engine that cruised at 40 kPa or less/)
    expect(fuel[0]!.words).toMatch(/idled at 47 or less/)
    expect(jets('S26-14F', { toAltitude: '1600' }).fuel).toEqual([])
  })
})

describe('what was read on the engine', () => {
  const black: RunNote = { what: 'plug', band: 'wide open', colour: 'black' }
  it('stands beside the curve, and is told where the figures do not explain it', () => {
    const said = jets('S26-14F', {}, { run: [black] })
    expect(said.heard).toEqual([{ opening: 1, words: 'black plug', richer: 0.12, give: 0.06 }])
    expect(said.fights[0]).toBe(
      'Black plug: richer than the place and the fuel explain. First: level high, choke on, power circuit open, a larger jet.',
    )
    // At 1,600 m + 7.8 % explains it.
    expect(jets('S26-14F', { toAltitude: '1600' }, { run: [black] }).fights).toEqual([])
  })
  it('a probe says more than a plug: richer than wanted by its λ, λ 1/1.15 is wanted wide open', () => {
    const said = jets(
      'S26-14F',
      {},
      { run: [black, { what: 'lambda', band: 'wide open', lambda: 0.82 }, black] },
    )
    expect(said.heard).toHaveLength(1)
    // 0.8696/0.82 − 1.
    expect(said.heard[0]).toMatchObject({ opening: 1, words: 'λ 0.82', give: 0.03 })
    expect(said.heard[0]!.richer).toBeCloseTo(0.0605, 3)
  })
  it('counts since the last change only', () =>
    expect(
      jets('S26-14F', {}, { run: [black, { what: 'change', of: 'main jet', way: 'leaner', expects: '' }] })
        .heard,
    ).toEqual([]))
})

describe('an idle screw that would want to be shut', () => {
  it('says that the idle jet is too large', () => {
    const { screw } = jets('S26-14F', {}, { picked: { 'jet.idle': 0.58 } })
    expect(screw).toMatchObject({ fits: false })
    expect(screw!.words).toMatch(/the idle jet is too large for it\.$/)
  })
})

describe('another engine', () => {
  const larger = { displacement: '500', toDisplacement: '575', throttle: '36', rpm: '2500' }
  it('15 % larger enriches by a few per cent at most: signal and flow keep step', () => {
    const said = jets('K-4417-2S', larger, { picked: { 'jet.main/P': 1.35, 'jet.main/S': 1.55 } })
    const change = (x: number) => said.asIs.ratio[said.openings.indexOf(x)]! - 1
    expect(said.changed.map(({ what, from, to }) => [what, from, to])).toEqual([
      ['Engine', '500 cm³', '575 cm³'],
    ])
    expect(Math.abs(change(1))).toBeLessThan(0.025)
    expect(change(0.125)).toBeGreaterThan(0.01)
    expect(change(0.125)).toBeLessThan(0.06)
  })
  it('asks what it must know of it', () => {
    const at = (more: Partial<JobAsked>) => {
      const said = asked('K-4417-2S', { ...larger, ...more })
      return isRefusal(said) ? said.refused.input : undefined
    }
    expect(at({ throttle: '' })).toBe('throttle')
    expect(at({ displacement: '' })).toBe('displacement')
    expect(at({ toDisplacement: '9' })).toBe('toDisplacement')
    // An engine that these jets were never for.
    expect(at({ displacement: '30', toDisplacement: '35' })).toBe('engine')
  })
})

describe('a bleed that was chosen by hand', () => {
  it('counts in the curve against the sheet’s own', () => {
    // Main bleed 1.70 to 1.40 with 1.35 in 3.0: 1.35², 1.7², 3²: K by the bores; a smaller bleed enriches the main circuit.
    const sheets = sheetsFor('K-4417-2S')
    const entries = [
      unsent(1, 'job.opened', opening),
      unsent(2, 'ident.chosen', { ...identified, listNumber: 'K-4417-2S' }),
      unsent(3, 'cal.chosen', {
        of: 'bleed.main/P',
        size: '1.40',
        nominal: 1.4,
        instead: 1.7,
        part: null,
        why: 'tried',
        for: { ethanol: 0, altitudeM: 0, changes: [] },
      }),
    ]
    const state = fold(
      JOB,
      entries.map((entry, i) => placed(entry, i + 1)),
    )
    const said = jobJets(
      { chosen: bodyOf(state, 1).chosen, run: state.run },
      jobSheets(state, { 1: sheets })[1]!,
      {
        asked: jobAskedBlank,
        sizes: {},
        picked: { 'jet.main/P': 1.35, 'jet.main/S': 1.55 },
      },
    )
    if (isRefusal(said)) throw new Error(said.refused.why)
    const q = (bleed: number) => {
      const [j, b, o] = [1.35, bleed, 3].map((d) => (Math.PI / 4) * d ** 2) as [number, number, number]
      return j / Math.sqrt(1 + (j ** 2 + b ** 2 + 12.5 * j * b) / o ** 2)
    }
    // At full the main circuit feeds 97 %.
    expect(said.asIs.ratio.at(-1)!).toBeCloseTo(0.03 + 0.97 * (q(1.4) / q(1.7)), 3)
  })
})

describe('what is typed wrongly', () => {
  it.each([
    [{ toAltitude: '30 %' }, 'toAltitude'],
    [{ toEthanol: '110' }, 'toEthanol'],
    [{ toTemperature: 'warm' }, 'toTemperature'],
    [{ toBox: '-1' }, 'toBox'],
    [{ toBoost: 'some' }, 'toBoost'],
  ] as const)('is said by its field: %o', (conditions, field) => {
    const said = asked('S26-14F', conditions)
    expect(isRefusal(said) && said.refused.input).toBe(field)
  })
})

describe('the circuits', () => {
  it('idle rules shut, the main jet wide open, the needle between', () => {
    const { rules } = jets('S26-14F', {})
    const share = (name: string, i: number) => rules.find((one) => one.name === name)!.share[i]!
    expect(share('idle jet', 0)).toBeCloseTo(1, 2)
    expect(share('needle', 10)).toBeGreaterThan(share('main jet', 10))
    expect(share('main jet', 40)).toBeGreaterThan(0.8)
  })
})

describe('something else that is chosen', () => {
  const sheets = sheetsFor('Q-8010-1S')
  const choice = (of: string) => otherChoices(sheets).find((one) => one.of === of)!
  const put = (of: string, size: string, why = 'for 85 %') =>
    chooseOther(choice(of), { size, part: '', why }, { ethanol: 0.85, altitudeM: 0, changes: [] })
  it('is a seat, a bleed, a tube that was opened, a hole of the pump', () => {
    expect(otherChoices(sheets).map(({ of }) => of)).toEqual(
      expect.arrayContaining(['seat', 'bleed.main/P', 'jet.idle', 'pump.hole/none']),
    )
    expect(put('seat', '3.4')).toMatchObject({ nominal: 3.4, instead: choice('seat').own, size: '3.40' })
    expect(put('pump.hole/none', '1')).toMatchObject({ nominal: 1, size: '1' })
  })
  it.each([
    ['seat', '340', 'size'],
    ['seat', 'large', 'size'],
    ['pump.hole/none', '1.5', 'size'],
    ['pump.hole/none', '', 'size'],
  ])('%s at “%s” is asked again', (of, size, field) => {
    const said = put(of, size)
    expect(isRefusal(said) && said.refused.input).toBe(field)
  })
  it('is a jet by the number that stands on it, where its maker’s counting is known', () => {
    const main = otherChoices(sheets).find(({ of }) => of.startsWith('jet.main'))!
    const numbered = (size: string) =>
      chooseOther(
        main,
        { size, part: '', why: 'for 1,600 m' },
        { ethanol: 0, altitudeM: 1600, changes: [] },
        { by: 'hundredths' },
      )
    expect(numbered('117.5')).toMatchObject({ nominal: 1.175, size: '1.18' })
    const other = numbered('520')
    expect(isRefusal(other) && other.refused.why).toMatch(/520 is 5\.20 mm for a sheet’s .* another maker’s/)
    // Whose numbers they are nobody has said here.
    expect(isRefusal(put(main.of, '118'))).toBe(true)
  })
  it('without a reason is not entered', () => {
    const said = put('seat', '3.4', ' ')
    expect(isRefusal(said) && said.refused.input).toBe('why')
  })
})

describe('a shim under a needle’s clip', () => {
  const slide = sheetsFor('S26-14F')
  const clip = otherChoices(slide).find(({ takesShim }) => takesShim)!
  const put = (size: string) =>
    chooseOther(clip, { size, part: '', why: 'flat at a quarter' }, { ethanol: 0, altitudeM: 0, changes: [] })
  it('is typed beside its groove and lifts the needle by its thickness', () => {
    expect(put('3 + 0.5')).toMatchObject({ nominal: 3, shimMm: 0.5, size: '3 + 0.50 shim' })
    expect(put('3 with 0.45 shim under')).toMatchObject({ nominal: 3, shimMm: 0.45 })
    expect(put('4')).toMatchObject({ nominal: 4, size: '4' })
    expect(put('4')).not.toHaveProperty('shimMm')
  })
  it('above it lifts nothing, and is refused by that', () => {
    const above = put('3 + 0.5 above')
    expect(isRefusal(above) && above.refused.why).toMatch(/only loads its holder/)
    expect(isRefusal(put('3 + 9'))).toBe(true)
    expect(isRefusal(put('3 0.5'))).toBe(true)
  })
  it('of half a groove enriches a quarter by about half of what a groove does', () => {
    const own = clip.own
    const richer = (groove: number) => {
      const said = jets('S26-14F', {}, { picked: { [clip.of]: groove } })
      return at(said, 0.25) - 1
    }
    const whole = richer(own + 1)
    const half = richer(own + 0.5)
    expect(half / whole).toBeGreaterThan(0.4)
    expect(half / whole).toBeLessThan(0.6)
    expect(
      jets('S26-14F', {}, { picked: { [clip.of]: own + 0.5 } }).changes.find(({ of }) => of === clip.of),
    ).toMatchObject({ to: `${own} + 0.45 shim`, nominal: own, shimMm: 0.45 })
  })
})
