import { bodyOf, notAdmitted } from '../../log/index.ts'
import { settingKey } from '../../sheets/index.ts'
import type { Admit } from './admit.ts'

/** A setting that the sheet does not have yet, by a name of its own, carried by parts that are there. */
export const admitSettingAdded: Admit<'setting.added'> = (state, { data, body }, { sheets, standing }) => {
  if (standing) return undefined
  if (!sheets) return notAdmitted('identify first')
  const key = `${data.code}/${data.place}`
  const isOwn = bodyOf(state, body).addedSettings[key] !== undefined
  const twin = sheets.spec.settings.find(
    (one) =>
      (settingKey(one) === key && !isOwn) ||
      (settingKey(one) !== key && one.name.toLowerCase() === data.name.toLowerCase()),
  )
  if (twin && !data.absent) return notAdmitted('name taken', twin.name)
  const strange = [...data.on, ...data.off].find(
    (code) => !sheets.build.positions.some((position) => position.code === code),
  )
  return strange ? notAdmitted('position', sheets.build.listNumber, strange) : undefined
}
