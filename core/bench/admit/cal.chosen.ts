import { notAdmitted } from '../../log/index.ts'
import { calibrationKey, settingKey } from '../../sheets/index.ts'
import type { Admit } from './admit.ts'

/** Of a part that its list number has with a bore or as a rod, of a setting, or of what is pressed in by its sheet. */
export const admitCalChosen: Admit<'cal.chosen'> = (_state, { data }, { sheets, standing }) => {
  if (standing) return undefined
  if (!sheets) return notAdmitted('identify first')
  const position = sheets.build.positions.find(({ code }) => code === data.of)
  const what = position?.deciding?.what
  if (position) return what === 'bore' || what === 'step' ? undefined : notAdmitted('no bore', position.name)
  const { settings, calibration } = sheets.spec
  return settings.some((setting) => settingKey(setting) === data.of) ||
    calibration.some((one) => calibrationKey(one) === data.of)
    ? undefined
    : notAdmitted('position', sheets.build.listNumber, data.of)
}
