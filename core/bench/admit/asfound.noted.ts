import { notAdmitted } from '../../log/index.ts'
import { isReadFrom } from '../../judge/settings/index.ts'
import type { Admit } from './admit.ts'

export const admitAsFoundNoted: Admit<'asfound.noted'> = (_state, { data }, { sheets, standing }) => {
  if (!sheets || standing) return undefined
  const setting = sheets.spec.settings.find((one) => one.code === data.code && one.place === data.place)
  if (!setting) return notAdmitted('setting', sheets.spec.listNumber, `${data.code} ${data.place}`)
  return isReadFrom(setting, data.raw, data.value) ? undefined : notAdmitted('derived', data.raw, data.value)
}
