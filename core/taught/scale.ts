import type { FloatGeometry, SpecSheet } from '../sheets/index.ts'

type Section = SpecSheet['section']
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
      float: line(section.float),
      arm: line(section.arm),
      needle: line(section.needle),
      tang: line(section.tang),
      pin: at(section.pin),
      faceY: length(section.faceY),
      anchors: Object.fromEntries(Object.entries(section.anchors).map(([name, p]) => [name, at(p)])),
    },
  }
}
