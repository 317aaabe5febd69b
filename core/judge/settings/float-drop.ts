import { dropSwing, floatRotation, fullLift, inflow, leverAt } from '../../physics/float/index.ts'
import { figure } from '../../measure/index.ts'
import { CD_NEEDLE_AND_SEAT } from '../../physics/metering/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import { aim, compose } from './judge.ts'
import type { Setting } from './kind.ts'

/** Inflow over demand that is wanted at full load (`docs/physics.md` 6). */
const WANTED_MARGIN = 1.3

/** Float drop, mm, at the point where the height is read: how far the needle opens, and so what flows in. */
export const floatDrop: Setting = {
  order: 2,
  gauges: ['caliper'],
  unit: { set: 'mm', found: 'mm' },
  judge(setting, value, context, standing) {
    const { spec, conditions } = context
    const geometry = spec.float
    const sheetHeight = spec.settings.find((s) => s.code === 'float.height')
    const height = context.floatHeight ?? (sheetHeight ? aim(sheetHeight) : null)
    if (height === null)
      return refuse(
        'reading',
        'The drop is judged from the float height, and this sheet has none. Read the height first.',
      )
    const lever = leverAt(geometry, height)
    if (isRefusal(lever)) return lever
    const swing = dropSwing(height, value, lever.measureArm, lever.measureAngle, geometry.sense)
    if (isRefusal(swing)) return refuse('reading', swing.refused.why)
    const flow = inflow({
      ...lever,
      heightReading: height,
      dropReading: value,
      seatBore: geometry.seatBore,
      coneHalfAngle: (geometry.coneHalfAngle * Math.PI) / 180,
      pressure: conditions.pressureKpa,
      density: conditions.densityKgM3,
      cd: CD_NEEDLE_AND_SEAT,
      powerKw: spec.engine.powerKw,
      bsfc: spec.engine.bsfc,
      ethanol: conditions.ethanol,
      buoyancyArm: geometry.buoyancyArm,
      tangAngle: (geometry.tangAngle * Math.PI) / 180,
    })
    if (isRefusal(flow)) return flow
    const atTarget = floatRotation(value, standing.target, {
      ...lever,
      measureAngle: lever.measureAngle - swing,
    })
    if (isRefusal(atTarget)) return atTarget
    const tooFar = geometry.sense * standing.off > 0
    const stop = geometry.dropStop
    const amount = stop ? stop.arm * Math.abs(atTarget) : 0
    const way = `${tooFar ? 'toward' : 'away from'} its post`
    const gives = `${figure(flow.inflow, 0)} mL/min come in, ${figure(flow.demand, 0)} wanted at full load`
    return compose(standing, setting, {
      inWords: `The needle lifts ${figure(flow.lift)} mm: ${gives}.`,
      meaning: tooFar
        ? 'It hangs too far: the needle can cock or leave its guide.'
        : `Too little drop: ${gives}.`,
      remedy: stop
        ? {
            action: 'bend stop',
            of: stop.words,
            way,
            amount,
            unit: 'mm',
            words: `Bend the ${stop.words} ${figure(amount, 2)} mm ${way}.`,
            detail: 'the height is read again afterwards',
            short: `${stop.words} ${figure(amount, 2)} mm ${way}`,
          }
        : {
            action: 'renew',
            of: 'float',
            way: '',
            amount: 0,
            unit: '',
            words: 'The drop is not adjustable here. Look at float, pin and needle.',
            detail: '',
            short: 'The drop is not adjustable here',
          },
      facts: [
        gives,
        `margin ${figure(flow.margin)} (target ${WANTED_MARGIN})`,
        `from ${figure(fullLift(geometry.seatBore, (geometry.coneHalfAngle * Math.PI) / 180))} mm of lift the seat is the narrow place`,
      ],
      assumes: conditions.assumes,
    })
  },
}
