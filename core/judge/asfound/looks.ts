import { looks, type Look, type LookCode } from '../../log/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { familyOf, passagePlans } from '../../unit/families/index.ts'

/** The looks that this unit has: a transfer slot only where its family's passages feed one. */
export function looksOf(sheets: Pick<Sheets, 'spec' | 'build'>): Look[] {
  const plan = passagePlans[familyOf(sheets)]
  const slot = plan.passages.some(({ id, to }) => id === 'transfer' && to === 'T')
  return looks.filter(({ code }) => code !== 'slot' || slot)
}

/** What a look brings to the causes of the complaint: how often each would show it, and how often it shows without any. */
export const lookEvidence: readonly {
  id: string
  look: LookCode
  seen: string
  leak: number
  weights: Readonly<Record<string, number>>
}[] = [
  {
    id: 'look:level above',
    look: 'level',
    seen: 'above',
    leak: 0.05,
    weights: { 'level.high': 0.85, float: 0.6, needle: 0.45, seat: 0.4, 'pressure.high': 0.6 },
  },
  {
    id: 'look:level below',
    look: 'level',
    seen: 'below',
    leak: 0.25,
    weights: { 'level.low': 0.85, 'filter.fuel': 0.5, 'pump.weak': 0.5, 'tank.vent': 0.4 },
  },
  {
    id: 'look:slot long',
    look: 'slot',
    seen: 'long',
    leak: 0.1,
    weights: { 'idle.jet': 0.6, 'air.leak': 0.3, 'manifold.leak': 0.3, transfer: 0.2 },
  },
  {
    id: 'look:slot hidden',
    look: 'slot',
    seen: 'hidden',
    leak: 0.05,
    weights: { 'air.leak': 0.3, 'manifold.leak': 0.3, loose: 0.2 },
  },
]
