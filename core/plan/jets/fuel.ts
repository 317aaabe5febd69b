import { isRefusal } from '../../base/refusal/index.ts'
import { lower } from '../../base/words/index.ts'
import { figure } from '../../measure/index.ts'
import { airPressure } from '../../physics/air/index.ts'
import { ANOTHER_FUEL, convertFuel, type Metering } from '../../physics/range/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { mm } from './worked.ts'

/** What another fuel or place asks of one thing of the unit besides its jets. */
export interface FuelLine {
  what: string
  words: string
}

const percent = (share: number) => `${figure(share * 100, 0)} %`

/** Less than this does nothing to when a power circuit opens, m. */
const ANOTHER_PLACE = 300
/** Idle has to stay so far above where power opens, kPa (`docs/physics.md` 22). */
const IDLE_MARGIN = 7

/** When the power circuit opens at another place: every vacuum falls there, the valve does not know. */
function powerLine({ metering }: Sheets['spec'], ref: Metering, now: Metering): FuelLine[] {
  const opens = metering?.powerOpensKpa
  const [was, is] = [ref.altitude ?? 0, now.altitude ?? ref.altitude ?? 0]
  const there = airPressure(was)
  const here = airPressure(is)
  if (opens === undefined || Math.abs(is - was) < ANOTHER_PLACE || isRefusal(there) || isRefusal(here))
    return []
  const fall = there - here
  return [
    {
      what: 'Power opens',
      words: `At ${figure(opens, 0)} kPa, wherever it is. At ${figure(is, 0)} m every vacuum is ${figure(Math.abs(fall), 1)} kPa ${fall > 0 ? 'less' : 'more'}: an engine that cruised at ${figure(opens + Math.max(0, fall), 0)} kPa or less at ${figure(was, 0)} m cruises with it open, one that idled at ${figure(opens + IDLE_MARGIN + Math.max(0, fall), 0)} or less opens it at idle. A weaker spring or a lower valve then.`,
    },
  ]
}

/** A needle jet's bore that passes `factor` times as much round its needle, mm: D' = √(d² + f(D² − d²)) (`docs/physics.md` 26). */
const needleJetFor = (bore: number, needle: number, factor: number): number =>
  Math.sqrt(needle ** 2 + factor * (bore ** 2 - needle ** 2))

/**
 * What another fuel asks besides main and idle jets that can be changed: seat, pump, power, pressed restrictors, needle jet, parts that
 * it spoils, what may stay, the order of tuning. Empty where the fuel stays.
 */
export function fuelLines(sheets: Sheets, ref: Metering, now: Metering, ethanolNow: number): FuelLine[] {
  const { spec, build } = sheets
  const air = powerLine(spec, ref, now)
  const from = ref.ethanol ?? 0
  const to = now.ethanol ?? from
  if (Math.abs(to - from) < ANOTHER_FUEL) return air
  const { pump, calibration } = spec
  const seat = calibration.find(({ code }) => code === 'seat')?.mm ?? null
  const said = convertFuel({
    ethanol: to,
    refEthanol: from,
    main: ref.main!,
    ...(ref.mainBleed === undefined || ref.nozzle === undefined
      ? {}
      : { mainBleed: ref.mainBleed, nozzle: ref.nozzle }),
    ...(seat === null ? {} : { seat }),
    ...(pump ? { pumpBore: pump.nozzleBore, pumpVolume: 1 } : {}),
  })
  if (isRefusal(said)) return []
  const more = to > from
  const lines: FuelLine[] = [...air]
  if (said.seatBore !== undefined)
    lines.push({
      what: 'Inlet seat',
      words: `${mm(seat!)} to about ${figure(said.seatBore, 2)} mm: ${figure(said.areaFactor, 2)} times the fuel at the same pressure, and as much more push on the needle. Level and leak test after it.`,
    })
  if (pump)
    lines.push({
      what: 'Pump',
      words: `Nozzle ${mm(pump.nozzleBore)} to about ${figure(said.pumpBore!, 2)} mm, and ${figure(said.pumpVolume!, 2)} times the volume by hole or cam: the nozzle alone only ${more ? 'shortens' : 'lengthens'} the shot.`,
    })
  const power = build.positions.find(({ kind }) => kind === 'powerPiston')
  if (power)
    lines.push({
      what: power.name,
      words: `Its restrictor × ${figure(Math.sqrt(said.areaFactor), 2)} in bore. It opens at the same vacuum: its spring stays.`,
    })
  if (ref.needleJet !== undefined && ref.needle) {
    const factor = (said.mainBore! / ref.main!) ** 2
    lines.push({
      what: 'Needle jet',
      words: `${mm(ref.needleJet)} wants ${figure(needleJetFor(ref.needleJet, ref.needle[0]![1], factor), 2)}: with the sheet’s own it stays ${more ? 'lean' : 'rich'} up to half open, whatever the main jet.`,
    })
  }
  const spoiled = build.positions.filter(
    ({ ethanolLimit }) => ethanolLimit !== null && ethanolNow > ethanolLimit,
  )
  if (spoiled.length > 0)
    lines.push({
      what: 'Does not last',
      words: `In ${percent(ethanolNow)} ethanol: ${spoiled.map(({ name }) => lower(name)).join(', ')}. Parts rated for it, or a signed exception.`,
    })
  const isNeedle = build.positions.some(({ kind }) => kind === 'meteringNeedle')
  const order = [
    'level, idle, off idle',
    isNeedle ? 'needle, main' : 'main',
    ...(power ? ['power'] : []),
    ...(pump ? ['pump'] : []),
  ].join(', ')
  lines.push(
    {
      what: 'May stay, watched',
      words: `Air bleeds${isNeedle ? ', the needle’s taper' : ''} and the float: it sits at most 5 % higher.`,
    },
    {
      what: 'In this order',
      words: `${order[0]!.toUpperCase()}${order.slice(1)}; bleeds last. One at a time, a run between, no full load before the main jets are in.`,
    },
  )
  return lines
}
