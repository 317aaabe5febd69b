import { missing, slotTorn, sound, torn, type PartRow, condition } from './condition.ts'

/** Float, needle, seat, their pin and washer, the screen: what keeps the level. */
export const inlet = {
  float: {
    words: 'float',
    needed: true,
    place: 'float',
    wash: { byHand: 'heat opens a seam: wipe it, then weigh it' },
    mends: {
      bentArm: { what: 'straighten it', minutes: 10, materialMinor: 0, tries: 2 },
      rubbing: { what: 'centre it', minutes: 10, materialMinor: 0, tries: 2 },
    },
    conditions: [
      sound,
      condition('dented', 'Dented', 'replace', 'it floats lower', ['float', 'level.high']),
      condition('rubbing', 'Rubbed', 'repair', 'centre it between the walls', ['float']),
      condition(
        'rattles',
        'Rattles',
        'replace',
        'fuel has been inside, and will be again, also where it is dry now',
        ['float'],
      ),
      condition('bentArm', 'Arm bent', 'repair', 'straighten it off the body; then its height is set anew', [
        'level.high',
        'level.low',
      ]),
    ],
  },
  needle: {
    words: 'inlet needle',
    needed: true,
    place: 'inlet',
    wash: {},
    conditions: [
      sound,
      condition('grooved', 'Tip grooved', 'replace', 'it will not seal again', ['needle']),
      condition('sticks', 'Sticks', 'clean', 'varnish in its guide', ['needle', 'level.low']),
      condition('springWeak', 'Pin stays in', 'replace', 'its spring has gone', ['needle', 'slosh']),
      condition(
        'swollen',
        'Tip swollen',
        'replace',
        'the fuel softened it: one that this blend does not reach',
        ['needle'],
      ),
      condition('clipLost', 'Clip lost', 'replace', 'without its clip it may hang when the float drops'),
    ],
  },
  seat: {
    words: 'seat',
    needed: true,
    place: 'inlet',
    wash: {},
    mends: {
      sealFlat: { what: 'a new ring', minutes: 5, materialMinor: 80, tries: 2 },
      loose: { what: 'ring and thread', minutes: 10, materialMinor: 80, tries: 2 },
    },
    conditions: [
      sound,
      condition('ringed', 'Ring worn in', 'replace', 'the ring is a larger hole', ['seat']),
      condition('pounded', 'Pounded wide', 'replace', 'the edge is gone', ['seat']),
      condition('scratched', 'Scratched', 'replace', 'a scratch weeps', ['seat']),
      condition(
        'sealFlat',
        'Its sealing ring flat',
        'repair',
        'a new ring under it: fuel goes round the seat',
        ['seat'],
      ),
      condition('loose', 'Loose in its hole', 'repair', 'fuel goes round it: thread and ring, then tight', [
        'seat',
      ]),
    ],
  },
  pin: {
    words: 'pin',
    place: 'float',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition('worn', 'Worn', 'replace', 'the float wanders', ['float']),
      condition('bent', 'Bent', 'replace', 'the float binds', ['float']),
      condition('loose', 'Walks out', 'repair', 'its post or its clip has to hold it', ['float']),
    ],
  },
  washer: {
    words: 'washer',
    place: 'inlet',
    wash: { byHand: 'kept with its seat, wiped' },
    taught: true,
    conditions: [
      sound,
      condition('crushed', 'Crushed', 'replace', 'its thickness sets a height', ['seat']),
      condition(
        'twice',
        'Two of them',
        'repair',
        'one belongs there: two move the height',
        ['level.high', 'level.low'],
        {
          previous: 'reversible',
        },
      ),
      missing,
    ],
  },
  screen: {
    words: 'screen',
    place: 'inlet',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition('dirt', 'Full of dirt', 'clean', 'the tank is dirty: it goes on the card', ['level.low']),
      torn,
      missing,
    ],
  },
  fitting: {
    words: 'fuel fitting',
    fastens: true,
    aid: 'its own gasket; no tape and no sealant where its thread ends in fuel',
    place: 'inlet',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition('fittingStripped', 'Its own thread stripped', 'replace', 'a new fitting', ['seal']),
      condition(
        'castingStripped',
        'Thread in the casting stripped',
        'condemn',
        'fuel under pressure: never a plain insert. An oversize fitting by a method the shop approves, then shown to hold',
        ['seal'],
      ),
      condition('seatScored', 'Its seat scored', 'replace', 'it leaks under pressure', ['seal']),
      missing,
    ],
  },
  screw: {
    words: 'screw',
    place: 'cover',
    wash: {},
    aid: 'lock washer where it had one; dry thread, crosswise, snug and then tight',
    fastens: true,
    taught: true,
    mends: { stripped: { what: 'an insert', minutes: 25, materialMinor: 350, tries: 1 } },
    conditions: [
      sound,
      slotTorn,
      condition('stripped', 'Thread stripped', 'repair', 'a thread can be renewed here', ['loose']),
      condition(
        'wrongLength',
        'Not its length',
        'replace',
        'too long cracks the boss, too short strips it',
        [],
        {
          previous: 'reversible',
        },
      ),
      missing,
    ],
  },
} satisfies Readonly<Record<string, PartRow>>
