import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitPhotoPinned: Admit<'photo.pinned'> = (state, { data, body }, { standing }) =>
  standing || bodyOf(state, body).photos.some(({ photo }) => photo === data.photo)
    ? undefined
    : notAdmitted('no photograph')
