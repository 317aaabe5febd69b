import type { FindingData } from '../log/index.ts'
import type { Deciding } from '../sheets/index.ts'

export type { Position, Sheets } from '../sheets/index.ts'

/** Whether a judgement rests on what decides: the measurement where the rule has one, else a look. */
export const isLooked = (finding: FindingData, deciding: Deciding | null): boolean =>
  deciding === null || finding.measured?.what === deciding.what

const WORDS: Readonly<Record<Deciding['what'], string>> = {
  mass: 'weigh it',
  bore: 'try its bore with pins or drills',
  play: 'measure its play',
  warp: 'a feeler under a straight edge',
  step: 'measure its wear step',
  force: 'measure its force at its length',
  proud: 'measure how far it stands proud',
  opens: 'draw it shut and let the vacuum fall until it opens',
  light: 'hold it shut against a lamp and measure the light round it',
  ohms: 'measure its resistance',
}

/** What decides about a part, said to whoever is to do it. */
export const measuredWords = (deciding: Deciding | null): string =>
  deciding ? WORDS[deciding.what] : 'check it'
