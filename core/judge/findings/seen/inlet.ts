import type { PartKind } from '../../../sheets/index.ts'
import { condition, missing, slotTorn, sound, torn, type Condition } from './condition.ts'

/** Float, needle, seat, their pin and washer, the screen: what keeps the level. */
export const inlet = {
  float: [
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
  needle: [
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
  seat: [
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
  pin: [
    sound,
    condition('worn', 'Worn', 'replace', 'the float wanders', ['float']),
    condition('bent', 'Bent', 'replace', 'the float binds', ['float']),
    condition('loose', 'Walks out', 'repair', 'its post or its clip has to hold it', ['float']),
  ],
  washer: [
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
  screen: [
    sound,
    condition('dirt', 'Full of dirt', 'clean', 'the tank is dirty: it goes on the card', ['level.low']),
    torn,
    missing,
  ],
  screw: [
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
} satisfies Partial<Record<PartKind, readonly Condition[]>>
