export const dispositions = ['reuse', 'clean', 'repair', 'replace', 'condemn'] as const
export type Disposition = (typeof dispositions)[number]

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

/** What mending a part takes: minutes at the bench, material in minor units of money, and after how many tries to stop. */
export interface Mending {
  what: string
  minutes: number
  materialMinor: number
  tries: number
  /** where more than this was measured, mm, it is mended otherwise */
  beyond?: { mm: number; instead: Mending }
}

/** Where on a unit the parts of a kind belong, when what has to be shown is listed by place. */
export type PartPlace =
  | 'cover'
  | 'float'
  | 'inlet'
  | 'jets'
  | 'pump'
  | 'slide'
  | 'idle'
  | 'choke'
  | 'throttle'
  | 'body'

/** All that Ekrond knows of a kind of part, whichever unit it is on; its outline is `shapeOf`’s (`core/unit/drawing`). */
export interface PartRow {
  /** as people call it */
  words: string
  place: PartPlace
  /** what it can be found to be, the commonest first, with what each leads to and what it would explain */
  conditions: readonly Condition[]
  wash: {
    /** stays out of every bath whatever it is made of: how it is cleaned instead */
    byHand?: string
    /** turned so that each looks up once; 1 where none is said */
    faces?: number
    /** room in the tank; as much as a small part takes where none is said */
    litres?: number
    /** minutes of hand work that a bath saves */
    handMinutes?: number
  }
  /** what mends it, by condition; `measured` for a fault that was measured */
  mends?: Readonly<Record<string, Mending>>
  /** what to mind while one comes off, besides what its sheet says */
  cautionsOff?: readonly string[]
  /** how it can lie, where it can lie more ways than one: asked as it goes on */
  wayRound?: readonly string[]
  /** what holds or seals it, and what that must not touch, where no sheet says */
  aid?: string
  /** a casting: of the unit’s own metal */
  casting?: true
  /** holds other parts: it is turned to snug and final, and counted */
  fastens?: true
  /** nobody sells one by sample */
  notBought?: true
  /** renewed whenever it comes off, where no sheet says */
  always?: true
  /** no unit runs without one: it is never said not to be there, only lost */
  needed?: true
  /** what a unit that no book knows is offered as */
  taught?: true
}
