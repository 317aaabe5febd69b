import type { InOut } from '../../measure/index.ts'

/**
 * What puts a setting right, as figures and as words. `of` is what is worked on, `way` the way it goes, `amount` how far, always
 * positive, in `unit`; `words` is the sentence, `short` the same beside an arrow on a drawing.
 */
export interface Remedy {
  action:
    | 'bend tang'
    | 'bend arm'
    | 'change washer'
    | 'bend stop'
    | 'bend link'
    | 'turn cover'
    | 'turn screw'
    | 'move'
    | 'renew'
    | 'as said'
  of: string
  way: string
  amount: number
  unit: 'mm' | 'eighths' | 'notches' | 'steps' | ''
  words: string
  detail: string
  short: string
}

/** What a reading means, as it is shown and frozen with the entry. */
export interface SettingJudgement {
  verdict: InOut
  pIn: number | null
  headline: string
  meaning: string
  remedy: Remedy | null
  /** what else it does or moves, in figures */
  facts: string[]
  assumes: string[]
}

/** The drill that enters and the next one that does not, mm. */
export interface Bracket {
  go: number
  no: number
}

/** A judgement with the band that it was made by: what a reading keeps of how it was judged. */
export interface Shown extends SettingJudgement {
  asWritten: string
  target: number | null
  lo: number | null
  hi: number | null
}
