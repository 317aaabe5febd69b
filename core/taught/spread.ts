import { levelInUse } from '../physics/float/index.ts'
import type { OwnFact } from '../log/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { isPencil, type FloatGeometry, type SpecSheet } from '../sheets/index.ts'
import { known } from './known.ts'

export interface LevelSpread {
  /** σ of the level in use, mm */
  sigma: number
  /** each fact's share in it, mm, the largest first: what a better measurement would narrow */
  shares: readonly { fact: string; mm: number }[]
}

const FIELDS: Readonly<Record<string, keyof FloatGeometry>> = {
  'seat.bore': 'seatBore',
  'float.mass': 'floatMass',
  'float.area': 'planArea',
  'float.pin': 'pinBelowFace',
  'float.tang': 'tangArm',
}
/** Fuel of the middle of the road: the spread is of the unit, not of a job. */
const DENSITY = 745
/** σ of a length that only the family lends, as a share. */
const LENT = 0.05

/**
 * How sure the level in use of a taught unit is, by the σ of each measured fact and how the level moves with it (central differences,
 * `docs/physics.md` 18). Null while a fact is missing that the level needs.
 */
export function levelSpread(
  spec: SpecSheet,
  said: Readonly<Record<string, Pick<OwnFact, 'sigma'>>>,
): LevelSpread | null {
  const level = known(spec).rungs.find(({ code }) => code === 'level')!
  const needs = level.missing.filter((code) => !code.startsWith('value:') && code !== 'float.correction')
  if (needs.length > 0) return null
  const height = spec.settings.find(({ code }) => code === 'float.height')?.target ?? spec.float.levelReading
  const at = (geometry: FloatGeometry): number => {
    const now = levelInUse(geometry, height, spec.supply.pressureKpa, DENSITY)
    return isRefusal(now) ? NaN : now.belowFace
  }
  const shares = Object.entries(FIELDS).flatMap(([fact, field]) => {
    const sigma = said[fact]?.sigma
    const value = spec.float[field]
    if (!sigma || typeof value !== 'number') return []
    const mm = Math.abs(
      at({ ...spec.float, [field]: value + sigma }) - at({ ...spec.float, [field]: value - sigma }),
    )
    return Number.isFinite(mm) ? [{ fact, mm: mm / 2 }] : []
  })
  // What only the family lends counts as well: centre of lift and of weight, and how deep the float is.
  for (const field of ['buoyancyArm', 'gravityArm'] as const) {
    const off = LENT * spec.float[field]
    const mm = Math.abs(
      at({ ...spec.float, [field]: spec.float[field] + off }) -
        at({ ...spec.float, [field]: spec.float[field] - off }),
    )
    if (Number.isFinite(mm)) shares.push({ fact: 'float.arm', mm: mm / 2 })
  }
  if (isPencil(spec, 'float.depth')) shares.push({ fact: 'float.depth', mm: 2 * LENT * spec.float.depth })
  const sigma = Math.hypot(...shares.map(({ mm }) => mm))
  return sigma > 0 ? { sigma, shares: shares.sort((a, b) => b.mm - a.mm) } : null
}
