import { plateAngle, vacuumBreakBend } from '../../physics/choke/index.ts'
import { alsoAs, figure, findDrill, nearestDrill } from '../../measure/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import type { SettingSpec } from '../../sheets/index.ts'
import { aim, compose } from './judge.ts'
import type { Setting } from './kind.ts'

/** Gap (mm) at the choke plate's edge with the vacuum break pulled in: how far it opens right after the start. */
export const vacuumBreak: Setting = {
  order: 6,
  gauges: ['drills', 'caliper'],
  unit: { set: 'mm', found: 'mm' },
  judge(setting, value, { spec }, standing) {
    const choke = spec.choke
    if (!choke) return refuse('reading', 'This list number has no vacuum break.')
    const angle = plateAngle(choke, value)
    if (isRefusal(angle)) return refuse('reading', angle.refused.why)
    const bend = vacuumBreakBend(choke, value, standing.target, choke.linkArm)
    if (isRefusal(bend)) return bend
    const drill = specDrill(setting)
    const opens = figure((angle * 180) / Math.PI, 0)
    const way = bend > 0 ? 'opens' : 'closes'
    return compose(standing, setting, {
      inWords: `It pulls the plate ${opens}° open.`,
      meaning: `It pulls the plate ${opens}° open: ${standing.off < 0 ? 'too rich after the start' : 'too lean after the start'}.`,
      remedy: {
        action: 'bend link',
        of: 'link',
        way,
        amount: Math.abs(bend),
        unit: 'mm',
        words: `Bend the link ${figure(Math.abs(bend), 2)} mm so that the plate ${way}.`,
        detail: `drill ${drill.name} should just enter with the break held in`,
        short: `link ${figure(Math.abs(bend), 2)} mm, the plate ${way}`,
      },
      facts: [`${opens}° open`, `spec is drill ${drill.name}, ${alsoAs(drill.mm, 'length')}`],
    })
  },
}

/** The drill that a gap's spec names, else the one that comes nearest to it: its own size, not the bracket to the next one. */
const specDrill = (setting: SettingSpec): { name: string; mm: number } =>
  findDrill(setting.asWritten.trim()) ?? nearestDrill(aim(setting)!, ['number', 'letter'])
