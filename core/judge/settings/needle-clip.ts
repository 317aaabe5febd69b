import { plain } from './plain.ts'

/** Groove of the main needle's clip, counted from the blunt end. */
export const needleClip = plain(4, { set: 'from the blunt end', found: 'from the blunt end' })
