/** A float with its hinge, needle and seat, mm, g and degrees; all of its shape that its level and its bend need. */
export interface FloatGeometry {
  /** the position that carries the float and from whose face it is read; sheets of before do not say */
  hangsOn?: string | undefined
  /** slides straight on a pin instead of turning about one: lengths along the pin, the arms are not used */
  guided?: boolean | undefined
  sense: 1 | -1
  /** the reading (mm) at which the measuring point is level with the pin */
  levelReading: number
  /** how far the pin lies below the face that the fuel level is measured from; negative above */
  pinBelowFace: number
  /** the measuring point in the float's own frame: origin at the pin, x along the float */
  measurePoint: { name: string; at: [number, number] }
  tangArm: number
  tangAngle: number
  correction: 'tang' | 'washer' | 'arm' | 'none'
  seatFrom: 'bowl' | 'outside'
  washerStockMm: number[]
  washerMm: number | null
  dropStop: { arm: number; words: string } | null
  floatMass: number
  planArea: number
  depth: number
  buoyancyArm: number
  gravityArm: number
  /** the float's underside at the buoyancy arm, y in its own frame */
  undersideY: number
  needleMass: number
  needleAt: 'above' | 'side' | 'below'
  seatBore: number
  coneHalfAngle: number
}
