import {
  floatBalance,
  floatBody,
  inflow,
  leverAt,
  levelInUse,
  readingForLevel,
} from '@ekrond/core/physics/float'
import { blendDensity } from '@ekrond/core/physics/metering'
import { isRefusal } from '@ekrond/core/base/refusal'
import type { FloatGeometry, ListNumber, Model } from '@ekrond/core/sheets'

/** A small seeded generator (mulberry32), so that the committed catalogue can be made again. */
export function seeded(seed: number) {
  let a = seed >>> 0
  const next = () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = a
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    next,
    pick: <T>(items: readonly T[]): T => items[Math.floor(next() * items.length)]!,
    between: (low: number, high: number, step: number) =>
      Math.round((low + next() * (high - low)) / step) * step,
  }
}
export type Seeded = ReturnType<typeof seeded>

const round = (value: number, step: number) => Number((Math.round(value / step) * step).toFixed(4))

export interface Worked {
  height: number
  level: number
}

/**
 * A dry float height as a sheet would print it: worked out from the level that the maker wanted, rounded to half a millimetre,
 * and the level worked out again. Undefined where the float could not hold half as much pressure again.
 */
function workHeight(geometry: FloatGeometry, level: number, pressureKpa: number): Worked | undefined {
  const density = blendDensity(0)
  const exact = readingForLevel(geometry, level, pressureKpa, density)
  if (exact === undefined) return undefined
  const height = round(exact, 0.5)
  const again = levelInUse(geometry, height, pressureKpa, density)
  const balance = floatBalance(floatBody(geometry), pressureKpa, density)
  if (isRefusal(again) || isRefusal(balance) || balance.maxPressure < 1.5 * pressureKpa) return undefined
  return { height, level: round(again.belowFace, 0.1) }
}

/** Whether the drop can be reached and the lift passes the engine's demand with a third to spare. */
function dropPasses(
  geometry: FloatGeometry,
  height: number,
  drop: number,
  pressureKpa: number,
  engine: ListNumber['engine'],
): boolean {
  const lever = leverAt(geometry, height)
  if (isRefusal(lever)) return false
  const flow = inflow({
    ...lever,
    heightReading: height,
    dropReading: drop,
    seatBore: geometry.seatBore,
    coneHalfAngle: (geometry.coneHalfAngle * Math.PI) / 180,
    pressure: pressureKpa,
    density: blendDensity(0),
    cd: 0.65,
    powerKw: engine.powerKw,
    bsfc: engine.bsfc,
    ethanol: 0,
    buoyancyArm: geometry.buoyancyArm,
    tangAngle: 0,
  })
  return !isRefusal(flow) && flow.margin >= 1.3
}

const band = (target: number, tolerance: number) => ({
  asWritten: `${target.toFixed(1)} ±${tolerance}`,
  target,
  lo: round(target - tolerance, 0.01),
  hi: round(target + tolerance, 0.01),
})

const DRILL_GAPS = [
  { asWritten: '#29', lo: 3.4544, hi: 3.5687 },
  { asWritten: '#30', lo: 3.2639, hi: 3.4544 },
  { asWritten: '#31', lo: 3.048, hi: 3.2639 },
  { asWritten: '#32', lo: 2.9464, hi: 3.048 },
]

export function orvaneNumbers(model: Omit<Model, 'listNumbers'>): ListNumber[] {
  const random = seeded(4417)
  const marks = [
    'K-4417-2S',
    'K-4417-1',
    'K-4477-1',
    'K-4477-3',
    'K-4411-2',
    'K-4419-1S',
    'K-4431-1',
    'K-4438-2S',
    'K-4463-1',
    'K-4463-2',
    'K-4470-4',
    'K-4482-1S',
    'K-4488-2',
    'K-4490-1',
    'K-4502-1',
    'K-4502-2S',
    'K-4516-3',
    'K-4527-1',
  ]
  return marks.map((mark, i) => {
    for (;;) {
      const wide = mark.startsWith('K-45')
      const bore =
        mark === 'K-4417-2S' ? 31 : wide ? random.pick([36.5, 38.1]) : random.pick([31, 31, 33.3, 34.9])
      const seatBore = mark === 'K-4417-2S' ? 2.4 : random.pick([2.2, 2.4, 2.4, 2.6])
      const floatMass = mark === 'K-4417-2S' ? 9 : random.pick([8.6, 9, 9.4])
      const pressureKpa = mark === 'K-4417-2S' ? 24 : random.pick([18, 21, 24])
      const powerKw = mark === 'K-4417-2S' ? 55 : random.between(40, 75, 5)
      const geometry = { ...model.spec.float, seatBore, floatMass }
      const worked = workHeight(
        geometry,
        mark === 'K-4417-2S' ? 15.6 : random.between(14.5, 17.5, 0.1),
        pressureKpa,
      )
      if (!worked) continue
      const drop = round(worked.height + random.pick([8, 8.5, 9]), 0.5)
      const engine = {
        displacementL: round(powerKw / 25, 0.1),
        powerKw,
        bsfc: 300,
        idleRpm: 750,
        idleInGearRpm: mark.endsWith('S') ? 650 : null,
      }
      if (!dropPasses(geometry, worked.height, drop, pressureKpa, engine)) continue
      const primary = random.between(1.3, 1.5, 0.05)
      const secondary = primary + random.pick([0.1, 0.15, 0.2])
      const gap = mark === 'K-4417-2S' ? DRILL_GAPS[2]! : random.pick(DRILL_GAPS)
      const notches = mark === 'K-4417-2S' ? 1 : random.pick([0, 1, 1, 2])
      const eighths = mark === 'K-4417-2S' ? 11 : random.pick([9, 10, 11, 12])
      const stem = mark === 'K-4417-2S' ? 9.5 : random.pick([9, 9.5, 10])
      const powerPiston = mark.endsWith('S') || i % 3 === 0
      const turns = { asWritten: eighthsWritten(eighths), target: eighths, lo: eighths - 1, hi: eighths + 1 }
      const code2 = (value: number) => String(Math.round(value * 100)).padStart(3, '0')
      return {
        number: mark,
        mark,
        weight: mark.startsWith('K-4417') ? 3 : random.pick([1, 1, 2]),
        features: {
          draft: 'down',
          barrels: 2,
          chokeKind: mark.endsWith('S') ? 'coil, hot air' : random.pick(['coil, hot air', 'coil, electric']),
          inletThread: wide ? '3/4' : '5/8',
          material: 'zinc',
          throttleBoreMm: bore,
          venturiMm: round(bore - random.pick([5, 6, 6.5]), 0.5),
          flangeBoltSpacingMm: wide ? 82 : 74.2,
        },
        supersedes: i % 7 === 3 ? [`K-${4300 + i}-1`] : [],
        fitsAs:
          i % 6 === 2
            ? [{ listNumber: marks[i - 1]!, words: 'with that one’s main jets and its own linkage' }]
            : [],
        settings: {
          'float.height/none': band(worked.height, 0.5),
          'float.drop/none': {
            asWritten: `${(drop - 2).toFixed(1)} to ${(drop + 2).toFixed(1)}`,
            target: drop,
            lo: round(drop - 2, 0.5),
            hi: round(drop + 2, 0.5),
          },
          'pump.stem/none': band(stem, 0.4),
          'vacuumBreak.gap/none': { ...gap, target: null },
          'choke.index/none': {
            asWritten: notches === 0 ? 'index' : `${notches} rich`,
            target: notches,
            lo: notches,
            hi: notches,
          },
          'mixture.turns/L': turns,
          'mixture.turns/R': turns,
        },
        calibration: {
          'jet.main/P': round(primary, 0.05),
          'jet.main/S': round(secondary, 0.05),
          seat: seatBore,
        },
        float: { seatBore, floatMass },
        level: {
          target: worked.level,
          lo: round(worked.level - 0.8, 0.1),
          hi: round(worked.level + 0.8, 0.1),
        },
        supply: { feed: 'pump', pressureKpa, mostKpa: pressureKpa + 3 },
        engine,
        parts: {
          seat: `SE-${code2(seatBore)}`,
          needle: seatBore > 2.4 ? 'ND-28' : 'ND-24',
          float: `FL-${String(Math.round(floatMass * 10)).padStart(3, '0')}`,
          'jet.main/P': `JT-${code2(primary)}`,
          'jet.main/S': `JT-${code2(secondary)}`,
          'cover.gasket': wide ? 'GK-441C' : 'GK-441A',
          'body.gasket': wide ? 'GK-442C' : powerPiston ? 'GK-442B' : 'GK-442A',
          ...(powerPiston ? {} : { 'power.piston': null }),
        },
      }
    }
  })
}

export function beskNumbers(model: Omit<Model, 'listNumbers'>): ListNumber[] {
  const random = seeded(712)
  const marks = [
    'U712B',
    'U712A',
    'U713B',
    'U718B',
    'U721C',
    'U727A',
    'U730B',
    'U733B',
    'U738A',
    'U741C',
    'U746B',
    'U752A',
  ]
  return marks.map((mark, i) => {
    for (;;) {
      const bore = i === 0 ? 17 : random.pick([16, 17, 18, 19])
      const seatBore = i === 0 ? 1.8 : random.pick([1.6, 1.8, 2])
      const head = random.pick([250, 300, 400])
      const pressureKpa = i === 0 ? 2.2 : round((head * 745 * 9.80665) / 1e6, 0.1)
      const geometry = { ...model.spec.float, seatBore }
      const worked = workHeight(geometry, i === 0 ? 9 : random.between(8, 10.5, 0.1), pressureKpa)
      if (!worked) continue
      const jet = random.between(0.8, 1, 0.05)
      const washer = random.pick([0.8, 1, 1.2])
      const powerKw = random.pick([3, 4, 5.5])
      return {
        number: mark,
        // Many of this maker's castings bear nothing.
        mark: i % 4 === 3 ? '' : mark,
        weight: random.pick([1, 2, 3]),
        features: {
          draft: 'side',
          barrels: 1,
          chokeKind: random.pick(['plate, lever', 'plate, cable']),
          inletThread: 'hose',
          material: 'zinc',
          throttleBoreMm: bore,
          venturiMm: round(bore - 3.5, 0.5),
          flangeBoltSpacingMm: bore > 17 ? 42 : 38,
        },
        supersedes: [],
        fitsAs: [],
        settings: { 'float.height/none': band(worked.height, 0.7) },
        calibration: { 'jet.main': round(jet, 0.05), seat: seatBore },
        float: { seatBore, washerMm: washer },
        level: { target: worked.level, lo: round(worked.level - 1, 0.1), hi: round(worked.level + 1, 0.1) },
        supply: { feed: 'gravity', pressureKpa, mostKpa: round(pressureKpa * 2, 0.1) },
        engine: {
          displacementL: round(powerKw * 0.06, 0.01),
          powerKw,
          bsfc: 420,
          idleRpm: 1600,
          idleInGearRpm: null,
        },
        parts: {
          seat: `SE-${Math.round(seatBore * 100)}`,
          needle: seatBore > 1.8 ? 'ND-20U' : 'ND-18',
          'jet.main': `JT-${String(Math.round(jet * 100)).padStart(3, '0')}`,
          'seat.washer': `WA-${String(Math.round(washer * 100)).padStart(3, '0')}`,
          'bowl.gasket': bore > 17 ? 'GK-712' : 'GK-711',
        },
      }
    }
  })
}

export function quillardNumbers(model: Omit<Model, 'listNumbers'>): ListNumber[] {
  const random = seeded(2614)
  const marks = [
    'S26-14F',
    'S26-14G',
    'S26-17F',
    'S26-20C',
    'S26-22F',
    'S26-31A',
    'S26-35F',
    'S26-38E',
    'S26-41F',
    'S26-44F',
  ]
  return marks.map((mark, i) => {
    for (;;) {
      const bore = 26
      const seatBore = i === 0 ? 2 : random.pick([1.8, 2, 2.2])
      const floatMass = i === 0 ? 7 : random.pick([6.6, 7, 7.4])
      const pressureKpa = random.pick([2.9, 3.6, 4.4])
      const geometry = { ...model.spec.float, seatBore, floatMass }
      const worked = workHeight(geometry, random.between(12, 14.5, 0.1), pressureKpa)
      if (!worked) continue
      const main = random.between(1, 1.25, 0.05)
      const eighths = random.pick([10, 12, 14])
      const powerKw = random.pick([9, 12, 15])
      const sheet: ListNumber = {
        number: mark,
        mark,
        weight: random.pick([1, 1, 2]),
        features: {
          draft: 'side',
          barrels: 1,
          chokeKind: random.pick(['enricher, lever', 'enricher, cable']),
          inletThread: 'hose',
          material: 'zinc',
          throttleBoreMm: bore,
          venturiMm: random.pick([24, 26]),
          flangeBoltSpacingMm: random.pick([52, 60]),
        },
        supersedes: [],
        fitsAs: [],
        settings: {
          'float.height/none': band(worked.height, 0.8),
          'mixture.turns/none': {
            asWritten: eighthsWritten(eighths),
            target: eighths,
            lo: eighths - 2,
            hi: eighths + 2,
          },
          'needle.clip/none': ((clip) => ({ asWritten: String(clip), target: clip, lo: clip, hi: clip }))(
            random.pick([2, 3, 3, 4]),
          ),
        },
        calibration: {
          'jet.main': round(main, 0.05),
          'jet.idle': random.pick([0.35, 0.4, 0.45]),
          seat: seatBore,
        },
        float: { seatBore, floatMass },
        level: {
          target: worked.level,
          lo: round(worked.level - 0.8, 0.1),
          hi: round(worked.level + 0.8, 0.1),
        },
        supply: { feed: 'gravity', pressureKpa, mostKpa: round(pressureKpa * 2, 0.1) },
        engine: {
          displacementL: round(powerKw * 0.03, 0.01),
          powerKw,
          bsfc: 350,
          idleRpm: 1300,
          idleInGearRpm: null,
        },
        parts: {
          seat: `SE-${Math.round(seatBore * 100)}`,
          float: `FL-${String(Math.round(floatMass * 10)).padStart(3, '0')}`,
          'jet.main': `JT-${String(Math.round(main * 100)).padStart(3, '0')}`,
        },
      }
      const idle = sheet.calibration['jet.idle']
      return {
        ...sheet,
        parts: { ...sheet.parts, 'jet.idle': `JT-${String(Math.round(idle! * 100)).padStart(3, '0')}` },
      }
    }
  })
}

/** What sets one family's list numbers apart; the rest follows from its geometry. */
interface FamilyPlan {
  seed: number
  marks: string[]
  bare?: (i: number) => boolean
  bores: number[]
  venturi: (bore: number) => number
  bolts: (bore: number) => number
  seats: number[]
  /** dry heights between which the maker's levels lie */
  heights: [number, number]
  tolerance: number
  pressures: number[]
  feed: 'pump' | 'gravity'
  powers: number[]
  bsfc: number
  litresPerKw: number
  idle: [number, number | null]
  chokes: string[]
  inlet: (bore: number) => string
  jets: Record<string, [number, number]>
  turns: number[]
  clip?: number[]
  drop?: number[]
  /** other settings that vary */
  also?: (random: Seeded) => ListNumber['settings']
  parts: (own: {
    seatBore: number
    floatMass: number
    bore: number
    washer: number | null
  }) => ListNumber['parts']
}

/** List numbers of a family by its plan: a level is chosen, the dry height worked out, rounded, and worked out again. */
export function familyNumbers(model: Omit<Model, 'listNumbers'>, plan: FamilyPlan): ListNumber[] {
  const random = seeded(plan.seed)
  const base = model.spec.float
  const turnKeys = model.spec.settings
    .filter((s) => s.code === 'mixture.turns')
    .map((s) => `${s.code}/${s.place}`)
  return plan.marks.map((mark, i) => {
    for (;;) {
      const bore = random.pick(plan.bores)
      const seatBore = random.pick(plan.seats)
      const floatMass = round(base.floatMass * random.pick([0.96, 1, 1, 1.04]), 0.1)
      const pressureKpa = random.pick(plan.pressures)
      const powerKw = random.pick(plan.powers)
      const washer = base.washerStockMm.length ? random.pick(base.washerStockMm.slice(1, 4)) : base.washerMm
      const geometry = { ...base, seatBore, floatMass }
      const [low, high] = plan.heights.map((height) =>
        levelInUse(geometry, height, pressureKpa, blendDensity(0)),
      )
      if (isRefusal(low!) || isRefusal(high!)) throw new Error(`${model.code}: its heights cannot be reached`)
      const [shallow, deep] = [low!.belowFace, high!.belowFace].sort((a, b) => a - b)
      const worked = workHeight(geometry, random.between(shallow!, deep!, 0.1), pressureKpa)
      if (!worked) continue
      const engine = {
        displacementL: round(powerKw * plan.litresPerKw, 0.01),
        powerKw,
        bsfc: plan.bsfc,
        idleRpm: plan.idle[0],
        idleInGearRpm: plan.idle[1],
      }
      const drop = plan.drop && round(worked.height + random.pick(plan.drop), 0.5)
      if (drop && !dropPasses(geometry, worked.height, drop, pressureKpa, engine)) continue
      const eighths = random.pick(plan.turns)
      const turns = { asWritten: eighthsWritten(eighths), target: eighths, lo: eighths - 1, hi: eighths + 1 }
      const jets = Object.entries(plan.jets).map(
        ([key, [from, to]]) => [key, round(random.between(from, to, 0.05), 0.05)] as const,
      )
      const hasCalibration = (key: string) =>
        model.build.positions.some((p) => p.code === key && p.part !== null)
      return {
        number: mark,
        mark: plan.bare?.(i) ? '' : mark,
        weight: random.pick([1, 1, 2]),
        features: {
          draft: model.spec.draft,
          barrels: model.spec.barrels,
          chokeKind: random.pick(plan.chokes),
          inletThread: plan.inlet(bore),
          material: 'zinc',
          throttleBoreMm: bore,
          venturiMm: round(plan.venturi(bore), 0.5),
          flangeBoltSpacingMm: plan.bolts(bore),
        },
        supersedes: i % 8 === 5 ? [`${mark.slice(0, -1)}A-old`] : [],
        fitsAs:
          i % 5 === 3
            ? [{ listNumber: plan.marks[i - 1]!, words: 'with that one’s jets and float height' }]
            : [],
        settings: {
          'float.height/none': band(worked.height, plan.tolerance),
          ...(drop
            ? {
                'float.drop/none': {
                  asWritten: `${(drop - 2).toFixed(1)} to ${(drop + 2).toFixed(1)}`,
                  target: drop,
                  lo: round(drop - 2, 0.5),
                  hi: round(drop + 2, 0.5),
                },
              }
            : {}),
          ...Object.fromEntries(turnKeys.map((key) => [key, turns])),
          ...(plan.clip
            ? {
                'needle.clip/none': ((clip) => ({
                  asWritten: String(clip),
                  target: clip,
                  lo: clip,
                  hi: clip,
                }))(random.pick(plan.clip)),
              }
            : {}),
          ...plan.also?.(random),
        },
        calibration: { ...Object.fromEntries(jets), seat: seatBore },
        float: { seatBore, floatMass, ...(base.washerStockMm.length ? { washerMm: washer } : {}) },
        level: {
          target: worked.level,
          lo: round(worked.level - 0.8, 0.1),
          hi: round(worked.level + 0.8, 0.1),
        },
        supply: {
          feed: plan.feed,
          pressureKpa,
          mostKpa: plan.feed === 'pump' ? pressureKpa + 3 : round(pressureKpa * 2, 0.1),
        },
        engine,
        parts: {
          ...Object.fromEntries(
            jets
              .filter(([key]) => hasCalibration(key))
              .map(([key, mm]) => [key, `JT-${String(Math.round(mm * 100)).padStart(3, '0')}`]),
          ),
          ...plan.parts({ seatBore, floatMass, bore, washer }),
        },
      }
    }
  })
}

/** Numbers of one pattern: its figures from a seed, none twice, in order. */
export function marksOf(
  seed: number,
  count: number,
  low: number,
  high: number,
  write: (n: number, i: number) => string,
): string[] {
  const random = seeded(seed)
  const numbers = new Set<number>()
  while (numbers.size < count) numbers.add(random.between(low, high, 1))
  return [...numbers].sort((a, b) => a - b).map(write)
}

function eighthsWritten(eighths: number): string {
  const whole = Math.floor(eighths / 8)
  const rest = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'][eighths % 8]!
  return [whole || '', rest].filter(Boolean).join(' ')
}
