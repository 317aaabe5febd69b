import { figure } from '../../measure/index.ts'
import { CD_PUMP_NOZZLE } from '../../physics/metering/index.ts'
import { linkChange, pistonVolume, pumpStroke, shotSeconds, type Linkage } from '../../physics/pump/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import type { PumpGeometry } from '../../sheets/index.ts'
import { compose } from './judge.ts'
import type { Setting } from './kind.ts'

/** The pump's linkage from its sheet's geometry: angles in radians. */
export const linkageOf = (pump: PumpGeometry): Linkage => ({
  ...pump,
  leverAngle: (pump.leverAngle * Math.PI) / 180,
  outputAngle: (pump.outputAngle * Math.PI) / 180,
})

/** Height of the pump's stem at idle, mm over the cover's face: the stroke, and so the shot. */
export const pumpStem: Setting = {
  order: 3,
  gauges: ['caliper'],
  unit: { set: 'mm', found: 'mm' },
  judge(setting, value, { spec, conditions }, standing) {
    const pump = spec.pump
    if (!pump) return refuse('reading', 'This list number has no pump.')
    const linkage = linkageOf(pump)
    const idle = (pump.idle * Math.PI) / 180
    const wot = (pump.wot * Math.PI) / 180
    // The link as it is: the length at which the stem stands where it was read.
    const asRead = linkChange(linkage, idle, value + pump.stemDatumY)
    if (isRefusal(asRead)) return refuse('reading', asRead.refused.why)
    const asWanted = linkChange(linkage, idle, standing.target + pump.stemDatumY)
    if (isRefusal(asWanted)) return asWanted
    const stroke = pumpStroke({ ...linkage, linkLength: linkage.linkLength + asRead }, idle, wot)
    if (isRefusal(stroke)) return refuse('reading', stroke.refused.why)
    const volume = pistonVolume(pump.wellBore, stroke.stroke)
    if (isRefusal(volume)) return volume
    const seconds = shotSeconds(
      volume,
      CD_PUMP_NOZZLE,
      pump.nozzleHoles,
      pump.nozzleBore,
      pump.springKpa,
      conditions.densityKgM3,
    )
    if (isRefusal(seconds)) return seconds
    const change = asWanted - asRead
    const way = change > 0 ? 'longer' : 'shorter'
    return compose(standing, setting, {
      inWords: `It gives ${figure(volume, 2)} mL a stroke.`,
      meaning: `The stem stands ${standing.off < 0 ? 'low' : 'high'}: ${figure(volume, 2)} mL a stroke.`,
      remedy: {
        action: 'bend link',
        of: 'link',
        way,
        amount: Math.abs(change),
        unit: 'mm',
        words: `Bend the link ${figure(Math.abs(change), 2)} mm ${way}.`,
        detail: `${change > 0 ? 'open' : 'close'} its crank · off the lever, in a vise`,
        short: `link ${figure(Math.abs(change), 2)} mm ${way}`,
      },
      facts: [
        `stroke ${figure(stroke.stroke)} mm`,
        `${figure(volume, 2)} mL a stroke, lasting ${figure(seconds)} s`,
      ],
    })
  },
}
