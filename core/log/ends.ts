/** How a job ends that does not go back set and proved. */
export const ends = [
  'not serviced',
  'condemned',
  'parts core',
  'stopped by the customer',
  'handed back unrepaired',
  'exchanged',
  'broken here',
  // what older logs have for a job that was taken away
  'withdrawn',
] as const
export type End = (typeof ends)[number]

/** Each end that a bench chooses, as it is asked, and what its paper says of the unit. */
export const endWords: Readonly<
  Record<Exclude<End, 'withdrawn'>, { asked: string; word: string; rests: string }>
> = {
  condemned: {
    asked: 'Condemned: it cannot be made right',
    word: 'CONDEMNED',
    rests: 'Not repaired, not to be fitted.',
  },
  'parts core': {
    asked: 'Parts core: kept for its parts',
    word: 'PARTS CORE',
    rests: 'Not a unit any more: not to be fitted.',
  },
  'stopped by the customer': {
    asked: 'The customer stopped it',
    word: 'STOPPED',
    rests: 'Not finished, not proved: not to be fitted as it is.',
  },
  'handed back unrepaired': {
    asked: 'Handed back unrepaired',
    word: 'NOT REPAIRED',
    rests: 'Not repaired, not proved: not to be fitted as it is.',
  },
  exchanged: {
    asked: 'Exchanged for another unit',
    word: 'EXCHANGED',
    rests: 'This one stays here; the other has its own sheet.',
  },
  'broken here': {
    asked: 'It broke here',
    word: 'BROKEN HERE',
    rests: 'Broken at this bench, not to be fitted. The customer is told.',
  },
  'not serviced': {
    asked: 'Not serviced: from an aircraft',
    word: 'NOT SERVICED',
    rests: 'Referred to a certificated repair station.',
  },
}
