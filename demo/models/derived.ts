import type { FloatGeometry, Model, Position, SettingSpec } from '@ekrond/core/sheets'

export type Family = Omit<Model, 'listNumbers'>
type Section = Family['spec']['section']
type Pt = [number, number]

const round = (value: number, step = 0.01) => Number((Math.round(value / step) * step).toFixed(4))

/** Another size of the same design: lengths by k, areas by k², masses by k³, its outline with them. */
export function scaled(
  float: FloatGeometry,
  section: Section,
  k: number,
): { float: FloatGeometry; section: Section } {
  const length = (value: number) => round(value * k, 0.1)
  const at = ([x, y]: Pt): Pt => [length(x), length(y)]
  const line = (points: readonly Pt[]): Pt[] => points.map(at)
  return {
    float: {
      ...float,
      levelReading: length(float.levelReading),
      pinBelowFace: length(float.pinBelowFace),
      measurePoint: { ...float.measurePoint, at: at(float.measurePoint.at) },
      tangArm: length(float.tangArm),
      dropStop: float.dropStop && { ...float.dropStop, arm: length(float.dropStop.arm) },
      floatMass: round(float.floatMass * k ** 3, 0.1),
      planArea: round(float.planArea * k ** 2, 1),
      depth: length(float.depth),
      buoyancyArm: length(float.buoyancyArm),
      gravityArm: length(float.gravityArm),
      undersideY: length(float.undersideY),
      needleMass: round(float.needleMass * k, 0.1),
    },
    section: {
      ...section,
      castings: section.castings.map((casting) => ({ ...casting, outline: line(casting.outline) })),
      lines: section.lines.map(line),
      float: line(section.float),
      arm: line(section.arm),
      seat: section.seat.map(line),
      needle: line(section.needle),
      tang: line(section.tang),
      pin: at(section.pin),
      faceY: length(section.faceY),
      anchors: Object.fromEntries(Object.entries(section.anchors).map(([name, p]) => [name, at(p)])),
      bowl: line(section.bowl),
    },
  }
}

/** A setting as its relative has it, with what is told otherwise here. */
export const likeSetting = (family: Family, key: string, more: Partial<SettingSpec>): SettingSpec => {
  const [code, place] = key.split('/')
  const own = family.spec.settings.find((s) => s.code === code && s.place === place)
  if (!own) throw new Error(`${family.code} has no setting ${key}`)
  return { ...own, ...more }
}

/** A position as its relative has it, with what is told otherwise here. */
export const likePosition = (family: Family, code: string, more: Partial<Position> = {}): Position => {
  const own = family.build.positions.find((p) => p.code === code)
  if (!own) throw new Error(`${family.code} has no position ${code}`)
  return { ...own, ...more }
}

export const withFloat = (float: FloatGeometry, more: Partial<FloatGeometry>): FloatGeometry => ({
  ...float,
  ...more,
})
