import { figure } from '../measure/index.ts'
import type { Deciding, SpecSheet } from '../sheets/schemas.ts'
import type { Measured } from './registry.ts'

/** Slips of the hand and of the unit, commonest first: how many times too large, and what to type instead. */
const SLIPS: readonly [times: number, words: (right: string) => string][] = [
  [100, (right) => `Hundredths as they are stamped? Then type ${right}`],
  [10, (right) => `A point forgotten? Then type ${right}`],
  [25.4, (right) => `Thousandths of an inch or millimetres? Then type ${right} mm`],
  [1000, (right) => `A point forgotten? Then type ${right}`],
  [0.1, (right) => `A point too far left? Then type ${right}`],
  [1 / 25.4, (right) => `Millimetres, typed as inches? Then type ${right} mm`],
]

interface Measure {
  value: number
  /** the value that it is expected near, and what it cannot go beyond */
  near: number
  least: number
  most: number
  unit: string
  limits: string
}

/** Why a measurement cannot be of this part, with the likeliest slip; undefined where it can. Lengths mm, mass g. */
export function cannotBe(measured: Measured, deciding: Deciding, spec: SpecSheet): string | undefined {
  const one = measureOf(measured, deciding, spec)
  if (!one || (one.value >= one.least && one.value <= one.most)) return undefined
  const slip = SLIPS.find(
    ([times]) => one.value / times >= one.near / 1.5 && one.value / times <= one.near * 1.5,
  )
  const said = `${figure(one.value, 2)} ${one.unit} cannot be: ${one.limits}.`
  return slip ? `${said} ${slip[1](figure(one.value / slip[0], 2))}.` : `${said} Measure it again.`
}

function measureOf(measured: Measured, deciding: Deciding, spec: SpecSheet): Measure | undefined {
  if (measured.what === 'bore' && deciding.what === 'bore') {
    const { newMm } = deciding
    const limits = `this one is ${figure(newMm, 2)} new`
    return {
      value: (measured.go + measured.no) / 2,
      near: newMm,
      least: newMm / 3,
      most: newMm * 3,
      unit: 'mm',
      limits,
    }
  }
  if (measured.what === 'mass' && deciding.what === 'mass') {
    const { floatMass } = spec.float
    const limits = `this float weighs ${figure(floatMass)} g new`
    return {
      value: measured.value,
      near: floatMass,
      least: floatMass / 3,
      most: floatMass * 4,
      unit: 'g',
      limits,
    }
  }
  if (measured.what === 'play' && deciding.what === 'play') {
    const { shaftMm } = deciding
    const limits = `the shaft is ${figure(shaftMm)} mm thick and would fall about in its boss`
    return { value: measured.value, near: 0.1, least: 0, most: shaftMm / 5, unit: 'mm', limits }
  }
  if (measured.what === 'warp' && deciding.what === 'warp') {
    const { gasketMm } = deciding
    const limits = `its gasket is ${figure(gasketMm)} mm thick`
    return { value: measured.value, near: 0.15, least: 0, most: gasketMm * 2.5, unit: 'mm', limits }
  }
  return undefined
}
