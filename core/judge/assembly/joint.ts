import { bodyOf, type JobState, type FastenerState, seqOf } from '../../log/index.ts'
import { figure } from '../../measure/index.ts'
import { partsTable, type Position } from '../../sheets/index.ts'
import { crossOrder } from './order.ts'

export type { FastenerState } from '../../log/index.ts'

/** A joint as it stands: how far each of its fasteners is. */
export interface Joint {
  states: FastenerState[]
  /** in which they are tightened, by index */
  order: number[]
  /** what the joint needs next; null where it is done */
  phase: 'started' | 'finger' | 'final' | 'checked' | null
  /** the fasteners that this phase still needs, in order */
  open: number[]
  /** left slack on purpose, why */
  forEngine: string[]
}

const RANK: Record<FastenerState, number> = { off: 0, started: 1, finger: 2, final: 3, checked: 4, engine: 5 }

/** Whether a position's fasteners are followed one by one. */
export const isFastened = (position: Pick<Position, 'kind'>): boolean =>
  partsTable[position.kind].fastens === true

/**
 * A position's fasteners since they went on last; null where none are on, or where they never came off. A joint is done when each was
 * final and, where it has more than one, checked again after the last was.
 */
export function jointOf(state: JobState, position: Position, body = 1): Joint | null {
  const here = bodyOf(state, body)
  const on = here.on[position.code]
  if (!isFastened(position) || !on) return null
  const since = seqOf(state, on.entry)
  const turned = here.fasteners[position.code] ?? {}
  const said = Array.from({ length: position.quantity }, (_, i) => {
    const one = turned[i]
    return one && seqOf(state, one.entry) > since ? one : undefined
  })
  const finals = said.map((one) => (one && RANK[one.to] >= RANK.final ? seqOf(state, one.entry) : 0))
  const lastFinal = Math.max(0, ...said.map((one, i) => (one?.to === 'final' ? finals[i]! : 0)))
  // Checked, then another one made final: it has to be felt again.
  const states = said.map((one, i): FastenerState =>
    one?.to === 'checked' && finals[i]! < lastFinal ? 'final' : (one?.to ?? 'off'),
  )
  const order = crossOrder(position.quantity)
  const least = Math.min(...states.map((one) => RANK[one]))
  const done = position.quantity === 1 ? RANK.final : RANK.checked
  // One screw alone pulls nothing crooked: it is one act.
  const phase = least >= done ? null : position.quantity === 1 ? 'final' : PHASES[least]!
  return {
    states,
    order,
    phase,
    open: phase === null ? [] : order.filter((i) => RANK[states[i]!] < RANK[phase]),
    forEngine: [...new Set(said.flatMap((one) => (one?.to === 'engine' && one.why ? [one.why] : [])))],
  }
}

const PHASES = ['started', 'finger', 'final', 'checked'] as const

/** Where a joint stands, in words: `3 of 8 final`. */
export function jointWords({ states, phase }: Joint): string {
  if (phase === null) return states.includes('engine') ? 'left for the engine' : 'final'
  const reached = states.filter((one) => RANK[one] >= RANK[phase]).length
  return `${reached} of ${states.length} ${phase === 'checked' ? 'checked again' : phase === 'finger' ? 'finger-tight' : phase}`
}

const INCH_POUNDS_PER_NM = 8.85075

/** A joint's torque in both units of the trade, or snug where its sheet has none. */
export const torqueWords = (torqueNm: number | null | undefined): string =>
  torqueNm ? `${figure(torqueNm)} N·m (${figure(torqueNm * INCH_POUNDS_PER_NM, 0)} lb·in)` : 'snug, not tight'

/**
 * What the lengths of a joint's fasteners say, one line or none: which holes take the long ones, and how a wrong one betrays itself when
 * they are laid loosely in their holes.
 */
export function lengthWords(position: Position): string {
  const { fastener, quantity } = position
  if (!fastener || quantity === 1) return ''
  const proud = fastener.proudMm
    ? ` Laid in loosely, ${quantity === 2 ? 'both' : 'all'} heads stand ${figure(fastener.proudMm)} mm proud: one that does not is in the wrong hole.`
    : ''
  const lengths = [...new Set(fastener.lengthsMm)].sort((a, b) => b - a)
  if (lengths.length === 1) return `All ${figure(lengths[0]!)} mm long.${proud}`
  const holes = (mm: number) =>
    fastener.lengthsMm.flatMap((one, i) => (one === mm ? [String(i + 1)] : [])).join(', ')
  const rest = lengths.at(-1)!
  const longer = lengths
    .slice(0, -1)
    .map((mm) => `${figure(mm)} mm in ${holes(mm).includes(',') ? 'holes' : 'hole'} ${holes(mm)}`)
  return `${longer.join(', ')}; the others ${figure(rest)}.${proud}`
}
