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
    asked: 'Condemned: cannot be repaired',
    word: 'CONDEMNED',
    rests: 'Not repaired. Do not fit it.',
  },
  'parts core': {
    asked: 'Parts core: kept for parts',
    word: 'PARTS CORE',
    rests: 'Parts only: do not fit it.',
  },
  'stopped by the customer': {
    asked: 'Stopped by the customer',
    word: 'STOPPED',
    rests: 'Not finished, not tested. Do not fit it as it is.',
  },
  'handed back unrepaired': {
    asked: 'Handed back unrepaired',
    word: 'NOT REPAIRED',
    rests: 'Not repaired, not tested. Do not fit it as it is.',
  },
  exchanged: {
    asked: 'Exchanged for another unit',
    word: 'EXCHANGED',
    rests: 'This one stays here; the other has its own sheet.',
  },
  'broken here': {
    asked: 'It broke here',
    word: 'BROKEN HERE',
    rests: 'Broken at our bench. Do not fit it. The customer is informed.',
  },
  'not serviced': {
    asked: 'Not serviced: aircraft engine',
    word: 'NOT SERVICED',
    rests: 'Referred to a certificated repair station.',
  },
}
