import type { PartKind } from '../sheets/index.ts'

export type Disposition = 'reuse' | 'clean' | 'repair' | 'replace' | 'condemn'

export const dispositions: readonly Disposition[] = ['reuse', 'clean', 'repair', 'replace', 'condemn']

export const dispositionWord: Record<Disposition, string> = {
  reuse: 'Reuse',
  clean: 'Clean',
  repair: 'Repair',
  replace: 'Replace',
  condemn: 'Condemn',
}

export interface Condition {
  code: string
  label: string
  disposition: Disposition
  why: string
}

const sound: Condition = { code: 'sound', label: 'Sound', disposition: 'reuse', why: 'nothing found' }
const condition = (code: string, label: string, disposition: Disposition, why: string): Condition => ({
  code,
  label,
  disposition,
  why,
})

const stripped = condition('stripped', 'Thread stripped', 'repair', 'a thread can be renewed here')
const missing = condition('missing', 'Missing', 'replace', 'it must be there')
const corroded = condition('corroded', 'Corroded', 'clean', 'look again after the wash')
const torn = condition('torn', 'Torn', 'replace', 'it leaks')

/** The conditions that a part's kind can have, the commonest first, with what each leads to. */
export const conditionsOf: Record<PartKind, readonly Condition[]> = {
  cover: [
    sound,
    condition('warped', 'Warped', 'repair', 'true the face'),
    condition('cracked', 'Cracked', 'condemn', 'a cracked cover leaks fuel'),
    corroded,
  ],
  body: [
    sound,
    condition('warped', 'Warped', 'repair', 'true the face'),
    condition('postCracked', 'Hinge post cracked', 'condemn', 'the pin cannot be held'),
    stripped,
    corroded,
  ],
  gasket: [
    condition('saved', 'Off whole', 'replace', 'kept to compare'),
    torn,
    condition('stuck', 'Left bits behind', 'replace', 'wet it, no scraper on the face'),
  ],
  float: [
    sound,
    condition('dented', 'Dented', 'replace', 'it floats lower'),
    condition('rubbing', 'Rubbed', 'repair', 'centre it between the walls'),
    condition(
      'rattles',
      'Rattles',
      'replace',
      'fuel has been inside, and will be again, also where it is dry now',
    ),
  ],
  needle: [
    sound,
    condition('grooved', 'Tip grooved', 'replace', 'it will not seal again'),
    condition('sticks', 'Sticks', 'clean', 'varnish in its guide'),
    condition('springWeak', 'Pin stays in', 'replace', 'its spring has gone'),
  ],
  seat: [
    sound,
    condition('ringed', 'Ring worn in', 'replace', 'the ring is a larger hole'),
    condition('pounded', 'Pounded wide', 'replace', 'the edge is gone'),
    condition('scratched', 'Scratched', 'replace', 'a scratch weeps'),
  ],
  pin: [
    sound,
    condition('worn', 'Worn', 'replace', 'the float wanders'),
    condition('bent', 'Bent', 'replace', 'the float binds'),
  ],
  washer: [sound, condition('crushed', 'Crushed', 'replace', 'its thickness sets a height'), missing],
  seal: [
    condition('standsProud', 'Stands proud', 'reuse', 'still seals'),
    condition('flat', 'Flattened', 'replace', 'must stand proud of the face'),
    condition('swollen', 'Swollen', 'replace', 'the fuel got at it'),
    torn,
  ],
  jet: [
    sound,
    condition('varnished', 'Varnished', 'clean', 'soft tools, then measure again'),
    condition('drilled', 'Drilled out', 'replace', 'its size is gone'),
    condition('slot', 'Slot torn', 'replace', 'no driver will hold'),
  ],
  pump: [
    sound,
    condition('swollen', 'Swollen', 'replace', 'it drags in the well'),
    condition('hard', 'Hard, cracked', 'replace', 'it lets by'),
    condition('cupTorn', 'Lip torn', 'replace', 'it lets by'),
  ],
  ball: [sound, condition('pitted', 'Pitted', 'replace', 'it will not seat'), missing],
  nozzle: [
    sound,
    condition('blocked', 'Blocked', 'clean', 'air, and watch where it comes out'),
    condition('enlarged', 'Opened up', 'replace', 'its size is gone'),
  ],
  spring: [
    sound,
    condition('clipped', 'Cut short', 'replace', 'its force is gone'),
    condition('rusty', 'Rusty', 'replace', 'it will break'),
    missing,
  ],
  diaphragm: [
    condition('holds', 'Holds', 'reuse', 'holds vacuum'),
    condition('leaks', 'Leaks', 'replace', 'a pinhole'),
    condition('stiff', 'Stiff', 'replace', 'the fuel hardened it'),
    condition('torn', 'Torn', 'replace', 'it lifts nothing'),
  ],
  mixtureScrew: [
    sound,
    condition('ringed', 'Ring in the taper', 'replace', 'it was driven into its seat'),
    condition('bent', 'Bent', 'replace', 'it opens to one side'),
    condition('brokenOff', 'Tip broken off', 'condemn', 'the tip sits in the casting'),
  ],
  screw: [sound, condition('slot', 'Slot torn', 'replace', 'no driver will hold'), stripped, missing],
  link: [
    sound,
    condition('bent', 'Bent', 'repair', 'bend it back to its setting'),
    condition('worn', 'Eye worn', 'replace', 'it will drop off'),
    condition('clipLost', 'Clip lost', 'replace', 'a link without its clip drops off'),
  ],
  coil: [
    sound,
    condition('soot', 'Soot in it', 'clean', 'its heat tube leaks: look at the stove'),
    condition('broken', 'Broken', 'replace', 'it cannot pull'),
  ],
  shaft: [
    sound,
    condition('worn', 'Worn', 'repair', 'bush it'),
    condition('binds', 'Binds', 'clean', 'look for a bent shaft if it still binds'),
  ],
  screen: [
    sound,
    condition('dirt', 'Full of dirt', 'clean', 'the tank is dirty: it goes on the card'),
    torn,
    missing,
  ],
  slide: [
    sound,
    condition('scored', 'Scored', 'replace', 'it hangs'),
    condition('sticks', 'Sticks', 'clean', 'varnish in its bore'),
  ],
  meteringNeedle: [
    sound,
    condition('step', 'Step worn in', 'replace', 'its taper is gone'),
    condition('bent', 'Bent', 'replace', 'it rubs on the jet'),
  ],
}
