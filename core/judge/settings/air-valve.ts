import { plain } from './plain.ts'

/** Turns by which the air valve's spring is wound on, eighths. */
export const airValve = plain(8, { set: 'turns wound on', found: 'turns so far' })
