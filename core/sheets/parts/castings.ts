import { SOAKED_CLOTHS } from './cautions.ts'
import { corroded, missing, sound, torn, type PartRow, condition } from './condition.ts'

const warped = condition('warped', 'Warped', 'repair', 'true the face', ['air.leak', 'seal'])
const strippedScrew = condition(
  'stripped',
  'A screw’s thread stripped',
  'repair',
  'an insert: there is metal round it',
  ['loose', 'air.leak'],
)
const strippedJet = condition(
  'strippedJet',
  'Thread of jet or seat stripped',
  'condemn',
  'an insert would break into the passage',
)
const plugLost = condition(
  'plugLost',
  'A plug or cap lost',
  'repair',
  'a new one: it leaks fuel or air there',
  ['air.leak', 'seal'],
)
const sealant = condition(
  'sealant',
  'Sealant in it',
  'clean',
  'pick all of it out of the passages, then blow each',
  ['transfer'],
  {
    previous: 'reversible',
  },
)

/** Castings, shafts, links and what seals between them. */
/** As much comes off a face on the lapping plate in an hour; more is faced on a machine, mm. */
export const MOST_LAPPED_MM = 0.3
const FACED = {
  mm: MOST_LAPPED_MM,
  instead: { what: 'have it faced on a machine', minutes: 20, materialMinor: 3000, tries: 1 },
}

export const castings = {
  cover: {
    words: 'cover',
    needed: true,
    place: 'cover',
    wash: { faces: 2, litres: 1.1, handMinutes: 12 },
    casting: true,
    notBought: true,
    cautionsOff: [SOAKED_CLOTHS],
    taught: true,
    mends: {
      measured: { what: 'lap it', minutes: 25, materialMinor: 100, tries: 3, beyond: FACED },
      warped: { what: 'lap it', minutes: 25, materialMinor: 100, tries: 3 },
      stripped: { what: 'an insert', minutes: 25, materialMinor: 350, tries: 1 },
    },
    conditions: [
      sound,
      warped,
      condition('cracked', 'Cracked', 'condemn', 'a cracked cover leaks fuel', ['seal']),
      strippedScrew,
      plugLost,
      sealant,
      corroded,
    ],
  },
  body: {
    words: 'casting',
    needed: true,
    place: 'body',
    wash: { faces: 3, litres: 2.2, handMinutes: 20 },
    casting: true,
    notBought: true,
    mends: {
      measured: { what: 'lap it', minutes: 30, materialMinor: 100, tries: 3, beyond: FACED },
      warped: { what: 'lap it', minutes: 30, materialMinor: 100, tries: 3 },
      stripped: { what: 'an insert', minutes: 25, materialMinor: 350, tries: 1 },
      standpipe: { what: 'a new pipe pressed in', minutes: 40, materialMinor: 600, tries: 1 },
    },
    conditions: [
      sound,
      warped,
      condition('postCracked', 'Hinge post cracked', 'condemn', 'the pin cannot be held', ['float']),
      strippedScrew,
      strippedJet,
      condition(
        'standpipe',
        'Standpipe cracked',
        'repair',
        'solder no pipe that held fuel: a new one pressed in',
        ['standpipe'],
      ),
      plugLost,
      sealant,
      condition(
        'drilledPassage',
        'A passage drilled',
        'condemn',
        'its size cannot be had back',
        ['jet.drilled'],
        {
          previous: 'for good',
        },
      ),
      corroded,
    ],
  },
  gasket: {
    words: 'gasket',
    place: 'cover',
    aid: 'dry, no sealant: it would run into the passages',
    wash: { byHand: 'it soaks: kept dry to compare' },
    always: true,
    taught: true,
    conditions: [
      condition('saved', 'Off whole', 'replace', 'kept to compare'),
      condition('leaked', 'Wet past it', 'replace', 'it leaked here: feel the face', ['seal', 'air.leak']),
      torn,
      condition('stuck', 'Left bits behind', 'replace', 'wet it, no scraper on the face'),
      condition('two', 'Two, one on the other', 'replace', 'one belongs there', ['air.leak'], {
        previous: 'reversible',
      }),
    ],
  },
  seal: {
    words: 'seal',
    place: 'cover',
    aid: 'a film of grease that fuel does not take off, on the seal only',
    wash: { byHand: 'rubber swells: it is renewed, or wiped' },
    taught: true,
    conditions: [
      condition('standsProud', 'Whole, not flattened', 'reuse', 'still seals'),
      condition('flat', 'Flattened, crushed or cut', 'replace', 'it no longer seals', ['seal']),
      condition('swollen', 'Swollen', 'replace', 'the fuel got at it', ['seal']),
      torn,
    ],
  },
  link: {
    words: 'link',
    place: 'choke',
    wash: {},
    taught: true,
    mends: { bent: { what: 'bend it back', minutes: 8, materialMinor: 0, tries: 2 } },
    conditions: [
      sound,
      condition('bent', 'Bent', 'repair', 'bend it back to its setting', ['links', 'choke']),
      condition('worn', 'Eye worn', 'replace', 'it will drop off', ['links']),
      condition('clipLost', 'Clip lost', 'replace', 'a link without its clip drops off', ['links']),
    ],
  },
  coil: {
    words: 'choke coil',
    place: 'choke',
    wash: { byHand: 'it loses its set: a dry brush' },
    conditions: [
      sound,
      condition('soot', 'Soot in it', 'clean', 'its heat tube leaks: look at the stove', ['choke']),
      condition('broken', 'Broken', 'replace', 'it cannot pull', ['choke']),
      condition(
        'pistonStuck',
        'Its piston sticks',
        'clean',
        'free it dry, no oil: the plate must fall by itself',
        ['choke', 'break'],
      ),
    ],
  },
  electric: {
    words: 'solenoid',
    place: 'idle',
    wash: { byHand: 'its winding drowns: a damp cloth, contacts dry' },
    taught: true,
    mends: { wire: { what: 'a new end', minutes: 12, materialMinor: 150, tries: 2 } },
    conditions: [
      condition('clicks', 'Clicks and moves', 'reuse', 'on and off three times at its own voltage'),
      condition('stuck', 'Clicks, plunger sticks', 'clean', 'free it dry: its tip must shut its seat', [
        'solenoid',
      ]),
      condition('dead', 'Dead', 'replace', 'measure it cold before: open, or its wire', ['solenoid']),
      condition('tipWorn', 'Tip worn or swollen', 'replace', 'it no longer shuts: the engine runs on', [
        'solenoid',
      ]),
      condition('wire', 'Wire or plug broken', 'repair', 'a new end, crimped and sealed', ['solenoid']),
      condition('cutTip', 'Tip cut off', 'replace', 'somebody made it stay open: it no longer cuts off', [], {
        previous: 'for good',
      }),
      missing,
    ],
  },
  shaft: {
    words: 'shaft',
    needed: true,
    place: 'throttle',
    wash: {},
    notBought: true,
    mends: {
      measured: { what: 'bush it', minutes: 60, materialMinor: 900, tries: 1 },
      worn: { what: 'bush it', minutes: 60, materialMinor: 900, tries: 1 },
      plateLoose: { what: 'new screws, secured', minutes: 15, materialMinor: 120, tries: 2 },
    },
    conditions: [
      sound,
      condition('worn', 'Worn', 'repair', 'bush it', ['air.leak']),
      condition('binds', 'Binds', 'clean', 'look for a bent shaft if it still binds', ['links']),
      condition(
        'plateDrilled',
        'A plate drilled',
        'replace',
        'somebody gave it idle air: find why before it is closed',
        [],
        {
          previous: 'for good',
        },
      ),
      condition(
        'plateLoose',
        'Plate screws loose',
        'repair',
        'new screws, secured: a loose one goes into the engine',
        ['loose'],
      ),
      missing,
    ],
  },
} satisfies Readonly<Record<string, PartRow>>
