/** What flows past the tip decides the word, not where the screw sits (`docs/physics.md` 10). */
export type ScrewKind = 'fuel' | 'air'

export const leanerWay = (kind: ScrewKind): 'in' | 'out' => (kind === 'fuel' ? 'in' : 'out')
export const richerWay = (kind: ScrewKind): 'in' | 'out' => (kind === 'fuel' ? 'out' : 'in')

/** The way this unit's screws work, for sheet and card. */
export const screwWords = (kind: ScrewKind): string =>
  kind === 'fuel' ? 'In is leaner, out is richer.' : 'In is richer, out is leaner.'
