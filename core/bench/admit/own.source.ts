import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnSource: Admit<'own.source'> = (state, { data, body }) => {
  const here = bodyOf(state, body)
  const key = `${data.code}/${data.place}`
  const stands =
    data.source === 'as found'
      ? here.asFound[key] !== undefined
      : here.ownSources[key]?.some(({ entry }) => entry === data.source)
  return stands ? undefined : notAdmitted('no such source')
}
