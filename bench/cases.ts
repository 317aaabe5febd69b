import { indexShift, plateAngle, plateGap, plateScrew } from '@ekrond/core/physics/choke'
import {
  floatBalance,
  inflow,
  seatWasher,
  tangBend,
  type NeedleAt,
  type Sense,
} from '@ekrond/core/physics/float'
import { allSeries, judge, nearestDrill, parseLength, type DrillSeries } from '@ekrond/core/measure'
import {
  CD_JET,
  CD_NEEDLE_AND_SEAT,
  CD_PUMP_NOZZLE,
  GASOLINE_DENSITY,
  orificeFlow,
} from '@ekrond/core/physics/metering'
import { diagnose, LOOK_ERROR, nextBlow, type Blow, type BranchMap } from '@ekrond/core/diagnose/passages'
import type { Branch } from '@ekrond/core/unit/passages'
import { linkChange, pistonVolume, pumpStroke, shotSeconds, type Linkage } from '@ekrond/core/physics/pump'
import { isRefusal, refuse, type Result } from '@ekrond/core/base/refusal'
import { answer, DEG, degrees, number, type Answer, type Case } from './case.ts'
import { laterComputations } from './cases-later.ts'
import { rangeComputations } from './cases-range.ts'

const lever = (given: Case) => ({
  measureArm: number(given, 'measureArm'),
  measureAngle: degrees(given, 'measureAngle'),
  tangArm: number(given, 'tangArm'),
  sense: number(given, 'sense') as Sense,
})

const plate = (given: Case) => ({
  edgeRadius: number(given, 'edgeRadius'),
  wallDistance: number(given, 'wallDistance'),
})

/** Every computation that can be run on a file of cases, by its name. */
export const computations: Record<string, (given: Case) => Answer> = {
  ...laterComputations,
  ...rangeComputations,
  'measure.parse': (given) => {
    if (typeof given.text !== 'string') return refuse('text', 'The text of the reading is missing.')
    if (given.unit !== undefined && given.unit !== 'mm' && given.unit !== 'in')
      return refuse('unit', 'The unit for bare numbers is mm or in.')
    return answer(parseLength(given.text, given.unit ?? 'mm'), ({ mm }) => ({ mm }))
  },
  'measure.drill': (given) => {
    const mm = number(given, 'mm')
    if (!(mm > 0) || !Number.isFinite(mm)) return refuse('mm', 'A bore or gap is more than 0 mm.')
    const series = (given.series ?? allSeries) as DrillSeries[]
    if (!Array.isArray(series) || series.length === 0 || series.some((name) => !allSeries.includes(name)))
      return refuse('series', `The series are ${allSeries.join(', ')}.`)
    const drill = nearestDrill(mm, series)
    return { name: drill.name, mm: drill.mm, error: drill.error }
  },
  'measure.verdict': (given) =>
    answer(
      judge(
        number(given, 'value'),
        number(given, 'sigma'),
        given.lo as number | null,
        given.hi as number | null,
      ),
      (verdict) => ({ ...verdict }),
    ),
  'orifice.flow': (given) =>
    answer(
      orificeFlow(
        number(given, 'cd', CD_JET),
        number(given, 'area'),
        number(given, 'pressure'),
        number(given, 'density', GASOLINE_DENSITY),
      ),
      (flow) => ({ flow }),
    ),
  'float.bend': (given) =>
    answer(
      tangBend(number(given, 'reading'), number(given, 'target'), lever(given)),
      ({ rotation, bend, toward }) => ({ rotation: rotation / DEG, bend, toward }),
    ),
  'float.washer': (given) =>
    answer(
      seatWasher(
        number(given, 'reading'),
        number(given, 'target'),
        lever(given),
        (given.seatFrom ?? 'bowl') as 'bowl' | 'outside',
        degrees(given, 'tangAngle', 0),
      ),
      ({ change }) => ({ change }),
    ),
  'float.level': (given) =>
    answer(
      floatBalance(
        {
          floatMass: number(given, 'floatMass'),
          planArea: number(given, 'planArea'),
          depth: number(given, 'depth'),
          buoyancyArm: number(given, 'buoyancyArm'),
          gravityArm: number(given, 'gravityArm'),
          needleMass: number(given, 'needleMass'),
          needleAt: (given.needleAt ?? 'above') as NeedleAt,
          tangArm: number(given, 'tangArm'),
          seatBore: number(given, 'seatBore'),
        },
        number(given, 'pressure'),
        number(given, 'density', GASOLINE_DENSITY),
      ),
      (balance) => ({ ...balance }),
    ),
  'float.inflow': (given) => {
    const result = inflow({
      ...lever(given),
      heightReading: number(given, 'heightReading'),
      dropReading: number(given, 'dropReading'),
      seatBore: number(given, 'seatBore'),
      coneHalfAngle: degrees(given, 'coneHalfAngle'),
      pressure: number(given, 'pressure'),
      density: number(given, 'density', GASOLINE_DENSITY),
      cd: number(given, 'cd', CD_NEEDLE_AND_SEAT),
      powerKw: number(given, 'powerKw'),
      bsfc: number(given, 'bsfc', 300),
      ethanol: number(given, 'ethanol', 0),
      buoyancyArm: number(given, 'buoyancyArm'),
      tangAngle: degrees(given, 'tangAngle', 0),
    })
    return answer(result, ({ swing, ...rest }) => ({ swing: swing / DEG, ...rest }))
  },
  'pump.linkage': (given) => {
    const linkage: Linkage = {
      leverRadius: number(given, 'leverRadius'),
      leverAngle: degrees(given, 'leverAngle'),
      pivotX: number(given, 'pivotX'),
      pivotY: number(given, 'pivotY'),
      inputArm: number(given, 'inputArm'),
      linkLength: number(given, 'linkLength'),
      outputArm: number(given, 'outputArm'),
      outputAngle: degrees(given, 'outputAngle'),
      elbow: number(given, 'elbow') as 1 | -1,
    }
    const stroke = pumpStroke(linkage, degrees(given, 'idle'), degrees(given, 'wot'))
    if (isRefusal(stroke)) return stroke
    const volume = pistonVolume(number(given, 'wellBore'), stroke.stroke)
    if (isRefusal(volume)) return volume
    const plain = { stemAtIdle: stroke.stemAtIdle, stroke: stroke.stroke, volume }
    if (given.targetStem === undefined) return plain
    return answer(linkChange(linkage, degrees(given, 'idle'), number(given, 'targetStem')), (change) => ({
      ...plain,
      linkChange: change,
    }))
  },
  'pump.shot': (given) =>
    answer(
      shotSeconds(
        number(given, 'volume'),
        number(given, 'cd', CD_PUMP_NOZZLE),
        number(given, 'holes'),
        number(given, 'bore'),
        number(given, 'pressure'),
        number(given, 'density', GASOLINE_DENSITY),
      ),
      (seconds) => ({ seconds }),
    ),
  'plate.gap': (given) => answer(plateGap(plate(given), degrees(given, 'open')), (gap) => ({ gap })),
  'plate.angle': (given) =>
    answer(plateAngle(plate(given), number(given, 'gap')), (open) => ({ open: open / DEG })),
  'plate.screw': (given) =>
    answer(
      plateScrew(
        plate(given),
        number(given, 'gapNow'),
        number(given, 'gapWanted'),
        number(given, 'leverRadius'),
        number(given, 'pitch'),
      ),
      (turns) => ({ turns }),
    ),
  'choke.index': (given) =>
    answer(
      indexShift(
        number(given, 'notchDegrees'),
        number(given, 'coilDegreesPerC'),
        number(given, 'notchesRich'),
      ),
      (shiftC) => ({ shiftC }),
    ),
  'passages.diagnose': (given) => {
    const read = passageCase(given)
    if (isRefusal(read)) return read
    const { map, tests, error, watch } = read
    const posterior = diagnose(map, tests, error)
    if (isRefusal(posterior)) return posterior
    const next = nextBlow(map, tests, error, watch)
    return isRefusal(next) ? next : { posterior, next }
  },
}

/** A passage map and its tests as a file has them. Refuses `branches`, `ports`, `tests`, `watch` where their shape is another. */
function passageCase(given: Case): Result<{ map: BranchMap; tests: Blow[]; error: number; watch: 1 | 2 }> {
  const list = (value: unknown): value is unknown[] => Array.isArray(value)
  const words = (value: unknown): value is string[] =>
    list(value) && value.every((one) => typeof one === 'string')
  const { branches, ports, tests = [], watch = 2 } = given
  if (!list(branches) || !branches.every(isBranch))
    return refuse('branches', 'A branch has id, from, to and prior.')
  if (!words(ports)) return refuse('ports', 'The ports are a list of places.')
  if (watch !== 1 && watch !== 2) return refuse('watch', 'One port or two are watched.')
  if (!list(tests)) return refuse('tests', 'The tests are a list.')
  const blows: Blow[] = []
  for (const test of tests as Record<string, unknown>[]) {
    const { open = [], shut = [] } = test ?? {}
    if (typeof test?.in !== 'string' || !words(open) || !words(shut))
      return refuse('tests', 'A test has the port in, and lists of ports open and shut.')
    blows.push({ in: test.in, open, shut })
  }
  return { map: { branches, ports }, tests: blows, error: number(given, 'error', LOOK_ERROR), watch }
}

const isBranch = (value: unknown): value is Branch => {
  const one = value as Record<string, unknown> | null
  return (
    typeof one === 'object' &&
    one !== null &&
    [one.id, one.from, one.to].every((name) => typeof name === 'string') &&
    typeof one.prior === 'number'
  )
}
