import type { Disposition } from '../../../log/index.ts'

export const dispositionWord: Record<Disposition, string> = {
  reuse: 'Reuse',
  clean: 'Clean',
  repair: 'Repair',
  replace: 'Replace',
  condemn: 'Condemn',
}

/** What a part looks like, and what follows from it. */
export interface Condition {
  code: string
  label: string
  disposition: Disposition
  why: string
  /** causes of the complaint that it is (`core/diagnose/complaint/causes.ts`) */
  explains: readonly string[]
  /** somebody did it: whether it can be undone */
  previous?: 'reversible' | 'for good'
}

export const condition = (
  code: string,
  label: string,
  disposition: Disposition,
  why: string,
  explains: readonly string[] = [],
  more: Pick<Condition, 'previous'> = {},
): Condition => ({ code, label, disposition, why, explains, ...more })

export const sound: Condition = condition('sound', 'Sound', 'reuse', 'nothing found')
export const missing = condition('missing', 'Missing', 'replace', 'it must be there')
export const corroded = condition('corroded', 'Corroded', 'clean', 'look again after the wash')
export const torn = condition('torn', 'Torn', 'replace', 'it leaks', ['seal', 'air.leak'])
export const slotTorn = condition('slot', 'Slot torn', 'replace', 'no driver will hold')
