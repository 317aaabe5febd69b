/** What flows past the tip decides the word, not where the screw sits (`docs/physics.md` 10). */
export type ScrewKind = 'fuel' | 'air'

export const leanerWay = (kind: ScrewKind): 'in' | 'out' => (kind === 'fuel' ? 'in' : 'out')
export const richerWay = (kind: ScrewKind): 'in' | 'out' => (kind === 'fuel' ? 'out' : 'in')

/** The way this unit's screws work, for sheet and card; null where nobody looked. */
export const screwWords = (kind: ScrewKind | null): string =>
  kind === null
    ? 'Which way is richer nobody noted, an eighth at a time and listen.'
    : kind === 'fuel'
      ? 'In is leaner, out is richer.'
      : 'In is richer, out is leaner.'
