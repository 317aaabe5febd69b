/** A simulated hand pump with its gauge, valve and needle: pressure over time, by the laws that a real one follows. */
export interface Rig {
  /** kPa above the air's, or below it */
  pressure: number
  /** a stroke of the pump, kPa */
  stroke: number
  pumping: { to: number } | null
  shut: boolean
  /** kPa at which the needle lets go, and where it shuts again */
  popOff: number
  reseat: number
  /** lifts still to make by itself */
  lifts: number
  /** mL/min of a laminar leak at the pressure it has; kPa that settle away, with their time, s */
  leak: number
  settle: { kpa: number; tau: number }
  volume: number
  vacuum: boolean
  /** s that the hand still rests after the needle let go */
  rests: number
}

export const newRig = (vacuum = false): Rig => ({
  pressure: 0,
  stroke: 4,
  pumping: null,
  shut: false,
  popOff: 46,
  reseat: 38,
  lifts: 0,
  leak: 0,
  settle: { kpa: 0, tau: 2 },
  volume: 9,
  vacuum,
  rests: 0,
})

const AIR = 101.325
/** A hand feels the needle let go, and rests before the next stroke, s. */
const RESTS_S = 0.5

/** Moves a rig on by `s` seconds. */
export function moveRig(rig: Rig, s: number): void {
  if (rig.pumping && !rig.shut) {
    if (rig.rests > 0) {
      rig.rests -= s
      return
    }
    // A hand makes two strokes a second, each pushed through evenly.
    rig.pressure += rig.stroke * 2 * s
    if (!rig.vacuum && rig.pressure >= rig.popOff) {
      rig.pressure = rig.reseat
      rig.rests = RESTS_S
      if (rig.lifts > 0) rig.lifts--
      if (rig.lifts === 0 && rig.pumping.to >= rig.popOff) rig.pumping = null
    } else if (rig.lifts === 0 && rig.pressure >= rig.pumping.to) {
      rig.pressure = rig.pumping.to
      rig.pumping = null
    }
    return
  }
  if (rig.pressure <= 0) return
  const side = rig.vacuum ? -1 : 1
  // Laminar: the flow goes with the difference of the squares; `leak` is what it is at 40 kPa.
  const per = (p: number) => p * (2 * AIR + side * p)
  const flow = rig.leak * (per(rig.pressure) / per(40))
  rig.pressure -= ((flow * AIR) / (60 * rig.volume)) * s
  if (rig.shut && rig.settle.kpa > 0) {
    const step = rig.settle.kpa * (1 - Math.exp(-s / rig.settle.tau))
    rig.settle.kpa -= step
    rig.pressure -= step
  }
  rig.pressure = Math.max(0, rig.pressure)
}
