import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitSealSeen: Admit<'seal.seen'> = (_state, { data }, { sheets, standing }) => {
  if (!sheets || standing) return undefined
  const setting = sheets.spec.settings.find((one) => one.code === data.code && one.place === data.place)
  return setting?.sealed
    ? undefined
    : notAdmitted('not sealed', setting?.name ?? `${data.code} ${data.place}`)
}
