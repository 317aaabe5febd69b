import { neverCapped, portsOf } from '../../unit/families/index.ts'
import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitPortNoted: Admit<'port.noted'> = (_state, { data }, { sheets, standing }) => {
  if (!sheets || standing) return undefined
  const port = portsOf(sheets).find(({ code }) => code === data.port)
  if (!port) return notAdmitted('port', sheets.spec.listNumber, data.port)
  if (data.when === 'left' && data.state === 'capped' && neverCapped(port))
    return notAdmitted('never capped', port.name)
  if (data.state === 'joined' && data.to.trim() === '') return notAdmitted('joined to what', port.name)
  return undefined
}
