import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitFastenerTurned: Admit<'fastener.turned'> = (
  state,
  { data, body },
  { sheets, standing },
) => {
  const position = sheets?.build.positions.find(({ code }) => code === data.position)
  if (standing) return undefined
  if (sheets && !position) return notAdmitted('position', sheets.build.listNumber, data.position)
  const name = position?.name ?? data.position
  const here = bodyOf(state, body)
  const on = here.on[data.position]
  if (!on) return notAdmitted('not on', name)
  if (position && data.at.some((i) => i >= position.quantity))
    return notAdmitted('no such fastener', name, position.quantity)
  if (data.to === 'engine' && data.why.trim() === '') return notAdmitted('why slack', name)
  const order = state.log.map(({ id }) => id)
  const since = order.indexOf(on.entry)
  const turned = here.fasteners[data.position] ?? {}
  const untouched = Array.from({ length: position?.quantity ?? 0 }, (_, i) => i).filter(
    (i) => !turned[i] || order.indexOf(turned[i].entry) < since,
  )
  if (position?.quantity !== 1 && (data.to === 'final' || data.to === 'checked') && untouched.length > 0)
    return notAdmitted('not all started', name, untouched.length)
  if (data.to === 'checked' && data.at.some((i) => turned[i]!.to === 'started' || turned[i]!.to === 'finger'))
    return notAdmitted('not final', name)
  return undefined
}
