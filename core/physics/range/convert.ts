import { checkNumbers, refuse, type Refusal, type Result } from '../../base/refusal/index.ts'
import { areaOf, passes } from './circuit.ts'
import { cdChange, fuelFactors } from './fuel.ts'
import { POWER } from './tables.ts'

const STEPS = 200

/** What there is, bores mm (`idleOutlet` mm², `pressure` kPa, `pumpVolume` mL). */
export interface Converted {
  ethanol: number
  refEthanol?: number
  main?: number
  mainBleed?: number
  nozzle?: number
  idle?: number
  idleBleed?: number
  idleOutlet?: number
  powerBore?: number
  seat?: number
  pressure?: number
  pumpBore?: number
  pumpVolume?: number
  /** an area factor that somebody goes by */
  rule?: number
}

export interface Conversion {
  massFactor: number
  areaFactor: number
  volumeFactor: number
  mainBore?: number
  idleBore?: number
  powerBore?: number
  seatBore?: number
  pumpBore?: number
  pressure?: number
  pumpVolume?: number
  /** the share of ethanol that the rule fits; null beyond 0 to 1 */
  impliedEthanol?: number | null
}

/** The jet that passes `factor` times as much by its circuit, its own coefficient in the new fuel with it, mm; null where none can. */
function jetFor(
  bore: number,
  factor: number,
  cd: number,
  exponent: number,
  circuit: { bleed: number; outlet: number } | null,
): number | null {
  const was = areaOf(bore)
  if (!circuit) return bore * Math.sqrt(factor ** (1 / exponent) / cd)
  const { bleed, outlet } = circuit
  const wanted = factor * passes(was, bleed, outlet)
  // However large the jet, no more passes than the outlet lets out.
  if (wanted >= outlet) return null
  let [lo, hi] = [0, was]
  while (passes(hi, bleed, outlet) < wanted) hi *= 2
  for (let i = 0; i < STEPS; i++) {
    const middle = (lo + hi) / 2
    if (passes(middle, bleed, outlet) < wanted) lo = middle
    else hi = middle
  }
  return Math.sqrt((lo + hi) / 2 / cd / (Math.PI / 4))
}

const TOO_SMALL = 'is too small: no jet passes as much as this fuel wants.'

/**
 * Another fuel (`docs/physics.md` 26): what the fuel must rise by, and what that makes of each part that was given. Refused by the field:
 * a share outside 0 to 1, a size of 0 or less, an outlet too small for any jet.
 */
export function convertFuel(given: Converted): Result<Conversion> {
  const { ethanol, refEthanol = 0 } = given
  for (const [key, share] of Object.entries({ ethanol, refEthanol }))
    if (typeof share !== 'number' || !(share >= 0 && share <= 1))
      return refuse(key, 'The share of ethanol is 0 to 1.')
  const sizes = Object.fromEntries(
    Object.entries(given).filter(([key, size]) => !/thanol$/.test(key) && size !== undefined),
  ) as Record<string, number>
  const bad = checkNumbers(sizes, { above: Object.fromEntries(Object.keys(sizes).map((key) => [key, 0])) })
  if (bad) return bad
  const { mass, area, volume } = fuelFactors(ethanol, refEthanol)
  const said: Conversion = { massFactor: mass, areaFactor: area, volumeFactor: volume }
  const jets = jetsFor(given, area, refEthanol)
  if ('refused' in jets) return jets
  const wider = Math.sqrt(area)
  const { powerBore, seat, pumpBore, pressure, pumpVolume, rule } = given
  return {
    ...said,
    ...jets,
    ...(powerBore === undefined ? {} : { powerBore: powerBore * wider }),
    ...(seat === undefined ? {} : { seatBore: seat * wider }),
    ...(pumpBore === undefined ? {} : { pumpBore: pumpBore * wider }),
    ...(pressure === undefined ? {} : { pressure: pressure / area }),
    ...(pumpVolume === undefined ? {} : { pumpVolume: pumpVolume * volume }),
    ...(rule === undefined ? {} : { impliedEthanol: shareOf(rule, refEthanol) }),
  }
}

function jetsFor(
  { ethanol, main, mainBleed, nozzle, idle, idleBleed, idleOutlet }: Converted,
  factor: number,
  refEthanol: number,
): Pick<Conversion, 'mainBore' | 'idleBore'> | Refusal {
  const jets: Pick<Conversion, 'mainBore' | 'idleBore'> = {}
  if (main !== undefined) {
    const circuit =
      mainBleed !== undefined && nozzle !== undefined
        ? { bleed: areaOf(mainBleed), outlet: areaOf(nozzle) }
        : null
    const bore = jetFor(main, factor, cdChange(main, refEthanol, ethanol), POWER.main, circuit)
    if (bore === null) return refuse('nozzle', `The nozzle ${TOO_SMALL}`)
    jets.mainBore = bore
  }
  if (idle !== undefined) {
    const circuit =
      idleBleed !== undefined && idleOutlet !== undefined
        ? { bleed: areaOf(idleBleed), outlet: idleOutlet }
        : null
    const bore = jetFor(idle, factor, cdChange(idle, refEthanol, ethanol), POWER.idle, circuit)
    if (bore === null) return refuse('idleOutlet', `The mixture screw’s opening ${TOO_SMALL}`)
    jets.idleBore = bore
  }
  return jets
}

/** The share of ethanol for which a rule's area factor is right; null beyond 0 to 1. The factor rises with the share. */
function shareOf(rule: number, refEthanol: number): number | null {
  const factorAt = (share: number) => fuelFactors(share, refEthanol).area
  if (rule < factorAt(0) - 1e-12 || rule > factorAt(1) + 1e-12) return null
  let [lo, hi] = [0, 1]
  for (let i = 0; i < STEPS; i++) {
    const middle = (lo + hi) / 2
    if (factorAt(middle) < rule) lo = middle
    else hi = middle
  }
  return (lo + hi) / 2
}
