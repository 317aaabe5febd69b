/** What flows past the tip decides the word, not where the screw sits (`docs/physics.md` 10). */
export const screwFlows = ['fuel', 'air', 'bypass', 'stop', 'main', 'pump'] as const
export type ScrewFlow = (typeof screwFlows)[number]
/** Those that set the idle mixture. */
export type ScrewKind = 'fuel' | 'air'

/** Which way any adjusting screw does what. */
export const flowWords: Readonly<Record<ScrewFlow, string>> = {
  fuel: 'In is leaner, out is richer.',
  air: 'In is richer, out is leaner.',
  bypass: 'Out is faster, in is slower: air past the plate, not mixture.',
  stop: 'In is faster, out is slower.',
  main: 'Out is richer under load, in is leaner.',
  pump: 'It moves where the pump begins, not the mixture.',
}

export const leanerWay = (kind: ScrewKind): 'in' | 'out' => (kind === 'fuel' ? 'in' : 'out')
export const richerWay = (kind: ScrewKind): 'in' | 'out' => (kind === 'fuel' ? 'out' : 'in')

/** The way this unit's screws work, for sheet and card; null where nobody looked. */
export const screwWords = (kind: ScrewKind | null): string =>
  kind === null ? 'Which way is richer nobody noted, an eighth at a time and listen.' : flowWords[kind]
