import { bodyKey, bodyOf, lastSaid, notAdmitted, type JobState, type PartSource } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitPartOn: Admit<'part.on'> = (state, { data, body }, { sheets, standing }) => {
  const here = bodyOf(state, body)
  const name = sheets?.build.positions.find((p) => p.code === data.position)?.name ?? data.position
  if (!here.off[data.position]) return notAdmitted('not off', name)
  if (here.on[data.position]) return notAdmitted('on twice', name, here.on[data.position]!.by)
  if (data.from === 'old' && lastSaid(here.findings[data.position])?.disposition === 'condemn')
    return notAdmitted('condemned', name)
  if (data.from === 'old' && !standing && here.off[data.position]!.again === 'broke here')
    return notAdmitted('broke', name)
  if (standing || data.from === 'old') return undefined
  return isHere(state, bodyKey(body ?? 1, data.position), data.from)
    ? undefined
    : notAdmitted('not here', name, data.from)
}

const LINE_OF = { kit: 'kit', loose: 'single', shelf: 'shelf' } as const

/** What can go on at a position: the old one, and new ones from where they really came. */
export const sourcesHere = (state: JobState, named: string): PartSource[] => [
  'old',
  ...(['kit', 'loose', 'shelf'] as const).filter((from) => isHere(state, named, from)),
]

/** Whether a new part for a position is really there: it came with its order, or was taken from the shelf for it. */
function isHere(state: JobState, named: string, from: Exclude<PartSource, 'old'>): boolean {
  return state.orders.some((order) =>
    order.lines.some(
      (line) =>
        line.what === LINE_OF[from] &&
        line.serves.includes(named) &&
        (order.arrived || line.what === 'shelf'),
    ),
  )
}
