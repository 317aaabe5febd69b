import { bodyOf, notAdmitted } from '../../log/index.ts'
import { isReadFrom } from '../../judge/settings/index.ts'
import type { Admit } from './admit.ts'

export const admitReadingTaken: Admit<'reading.taken'> = (state, { data, body }, { sheets, standing }) => {
  if (!bodyOf(state, body).ident) return notAdmitted('identify first')
  if (!sheets || standing) return undefined
  const setting = sheets.spec.settings.find((one) => one.code === data.code && one.place === data.place)
  if (!setting) return notAdmitted('setting', sheets.spec.listNumber, `${data.code} ${data.place}`)
  return data.specRev === sheets.specRev && !isReadFrom(setting, data.raw, data.value, data.bracket)
    ? notAdmitted('derived', data.raw, data.value)
    : undefined
}
