import { headPressure } from '../../physics/float/index.ts'
import { blendDensity } from '../../physics/metering/index.ts'
import type { SpecSheet } from '../index.ts'

/** What the unit will work under, as far as the customer could say. Pressures kPa, head and altitude mm and m. */
export interface Application {
  engine: string
  equipment: string
  ethanol: number | null
  pressureKpa: number | null
  headMm: number | null
  altitudeM: number | null
}

export interface Conditions {
  pressureKpa: number
  ethanol: number
  densityKgM3: number
  /** what was not known and is taken from the sheet or by default, in words */
  assumes: string[]
}

/** The pressure and fuel that levels and flows are worked out for; what is not known comes from the sheet and is named. */
export function workingConditions(application: Application | undefined, spec: SpecSheet): Conditions {
  const assumes: string[] = []
  let ethanol = application?.ethanol ?? null
  if (ethanol === null) {
    ethanol = 0
    assumes.push('gasoline without ethanol')
  }
  const densityKgM3 = blendDensity(ethanol)
  let pressureKpa = application?.pressureKpa ?? null
  if (pressureKpa === null && application?.headMm != null)
    pressureKpa = headPressure(application.headMm, densityKgM3)
  if (pressureKpa === null) {
    pressureKpa = spec.supply.pressureKpa
    assumes.push(
      `fuel at ${spec.supply.pressureKpa} kPa, ${spec.taught ? 'usual with its family' : 'from the sheet'}`,
    )
  }
  return { pressureKpa, ethanol, densityKgM3, assumes }
}
