export { lookEvidence, looksOf } from './looks.ts'
import { showTurns } from '../../measure/index.ts'
import type { ScrewKind } from '../../physics/mixture/index.ts'
import type { SettingSpec, SpecSheet } from '../../sheets/index.ts'

export interface ScrewSaying {
  usual: boolean
  headline: string
  meaning: string
  /** where the cause is looked for */
  look: 'rich cause' | 'starved cause' | 'none'
}

// Half a turn from the sheet is a finding where the sheet gives no band of its own.
const USUAL_EIGHTHS = 4

/**
 * What a mixture screw's count says, by the kind of screw: a fuel-side screw far in was leaned, so look for a rich cause;
 * far out it was enriched, so look for a starved one; an air-side screw reads the other way round. Counts in eighths out
 * from seated. `mostEighths`: what thread and taper allow; beyond it the count is asked again. A unit that ran well, `ranWell`, is trusted as found: then it is the sheet that is questioned.
 */
export function screwSaying(
  found: number,
  spec: Pick<SettingSpec, 'target' | 'lo' | 'hi'>,
  mixture: SpecSheet['mixture'],
  twin?: { name: string; found: number },
  ranWell = false,
  /** whether the idle has a jet of its own, or only a passage */
  idleJet = true,
): ScrewSaying {
  const target = spec.target ?? found
  if (found > mixture.mostEighths)
    return {
      usual: false,
      headline: `${showTurns(found)} is not possible.`,
      meaning: `Thread and taper end at ${showTurns(mixture.mostEighths)} turns. Turn it back out and count again.`,
      look: 'none',
    }
  const lo = Math.min(spec.lo ?? target, target - USUAL_EIGHTHS)
  const hi = Math.max(spec.hi ?? target, target + USUAL_EIGHTHS)
  const way = found < lo ? 'in' : found > hi ? 'out' : 'usual'
  if (way === 'usual') {
    // A sheet that gives one figure leaves the room of its quantity round it.
    const { lo: least, hi: most } = spec
    const inBand = least === null || most === null || least === most || (found >= least && found <= most)
    return {
      usual: true,
      headline: inBand
        ? `${showTurns(found)}, as usual.`
        : `${showTurns(found)}, just outside ${showTurns(least)} to ${showTurns(most)}.`,
      meaning: `Spec ${showTurns(target)}.`,
      look: 'none',
    }
  }
  const leaned = (way === 'in') === (mixture.kind === 'fuel')
  const headline = `${showTurns(found)} where ${showTurns(target)} is usual.`
  if (ranWell)
    return {
      usual: false,
      headline,
      meaning: `It ran well like this: trust the count and set it back. Question the sheet: ${leaned ? 'altitude' : 'a cold place'}, exhaust, another version of this list number.`,
      look: 'none',
    }
  const meaning = leaned
    ? 'Somebody leaned it, or the passage behind it lets too much through.'
    : 'Somebody enriched it, or the passage behind it lets too little through.'
  const twinWay = twin && (twin.found < lo ? 'in' : twin.found > hi ? 'out' : 'usual')
  const both =
    twin && twinWay === way
      ? ` The ${twin.name} one stood at ${showTurns(twin.found)}: both far ${way}, so likelier ${leaned ? 'the fuel level' : 'an air leak or fuel starved for both'} than one passage.`
      : ''
  const look = leaned ? 'rich cause' : 'starved cause'
  return {
    usual: false,
    headline,
    meaning: `${meaning}${both} At teardown: ${screwCauses(look, mixture.kind, idleJet).slice(0, 2).join(', ')}.`,
    look,
  }
}

/** Where a rich or a starved cause is looked for at teardown, in order. */
export const screwCauses = (look: ScrewSaying['look'], kind: ScrewKind, idleJet = true): string[] => {
  const idle = idleJet ? 'idle jet' : 'idle passage'
  if (look === 'rich cause')
    return kind === 'fuel'
      ? [`opened ${idle}`, 'float level high', 'idle air bleed choked', 'power circuit leaking']
      : ['air screw tip broken', `opened ${idle}`, 'float level high']
  if (look === 'starved cause')
    return [
      `${idle} varnished`,
      idleJet ? 'passage blocked' : 'its bleed blocked',
      'air leak at shaft or gasket',
      'float level low',
    ]
  return []
}
