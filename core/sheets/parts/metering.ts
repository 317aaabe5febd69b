import { missing, slotTorn, sound, type PartRow, condition } from './condition.ts'

/** Jets, needles, slide, pump and springs: what meters the fuel. */
export const metering = {
  jet: {
    words: 'jet',
    place: 'jets',
    wash: {},
    aid: 'nothing on its thread; snug, brass strips before it is tight',
    taught: true,
    conditions: [
      sound,
      condition('varnished', 'Varnished', 'clean', 'soft tools, then measure again', [
        'idle.jet',
        'main.jet',
      ]),
      condition('drilled', 'Drilled out', 'replace', 'its size is gone', ['jet.drilled'], {
        previous: 'for good',
      }),
      condition(
        'otherSize',
        'Another size stamped',
        'replace',
        'the sheet’s size, or a reason',
        ['jet.drilled', 'main.jet', 'idle.jet'],
        {
          previous: 'reversible',
        },
      ),
      slotTorn,
    ],
  },
  pump: {
    words: 'plunger',
    place: 'pump',
    aid: 'a leather cup is oiled before it goes in, rubber is not',
    wash: { byHand: 'its cup swells: wipe it' },
    taught: true,
    mends: { wellScored: { what: 'polish the well', minutes: 20, materialMinor: 50, tries: 2 } },
    conditions: [
      sound,
      condition('swollen', 'Swollen', 'replace', 'it drags in the well', ['pump']),
      condition('hard', 'Hard, cracked', 'replace', 'it lets by', ['pump']),
      condition('cupTorn', 'Lip torn', 'replace', 'it lets by', ['pump']),
      condition(
        'wellScored',
        'Well scored',
        'repair',
        'polish it lengthways; a deep score lets by for good',
        ['pump'],
      ),
    ],
  },
  powerPiston: {
    words: 'power piston',
    place: 'jets',
    wash: {},
    taught: true,
    mends: { retainerLoose: { what: 'stake it', minutes: 10, materialMinor: 0, tries: 2 } },
    conditions: [
      sound,
      condition('pistonSticks', 'Sticks', 'clean', 'varnish in its bore: up it runs rich, down lean', [
        'power',
      ]),
      condition('pistonScored', 'Scored', 'replace', 'it hangs where it is scored', ['power']),
      condition('retainerLoose', 'Retainer loose', 'repair', 'stake it again, lightly', ['power']),
    ],
  },
  ball: {
    words: 'check ball',
    place: 'pump',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition('pitted', 'Pitted', 'replace', 'it will not seat', ['pump']),
      condition('stuckBall', 'Stuck', 'clean', 'varnish on its seat', ['pump']),
      missing,
    ],
  },
  nozzle: {
    words: 'nozzle',
    place: 'pump',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition('blocked', 'Blocked', 'clean', 'air, and watch where it comes out', ['pump']),
      condition('enlarged', 'Opened up', 'replace', 'its size is gone', ['jet.drilled'], {
        previous: 'for good',
      }),
      condition('bentNozzle', 'Aims wrong', 'repair', 'bend it back: it must hit the booster'),
    ],
  },
  spring: {
    words: 'spring',
    place: 'pump',
    wash: {},
    wayRound: ['small end up', 'small end down'],
    taught: true,
    conditions: [
      sound,
      condition('clipped', 'Cut short', 'replace', 'preload is lower, rate is higher', ['power', 'links'], {
        previous: 'for good',
      }),
      condition(
        'otherSpring',
        'Another spring',
        'replace',
        'wire, coils and free length are not its own',
        ['power'],
        {
          previous: 'reversible',
        },
      ),
      condition('rusty', 'Rusty', 'replace', 'it will break', ['links']),
      missing,
    ],
  },
  diaphragm: {
    words: 'diaphragm',
    place: 'slide',
    wayRound: ['tab in its notch, plate up', 'tab in its notch, plate down'],
    aid: 'dry, no sealant; its bead in its groove all round',
    wash: { byHand: 'rubber swells: a damp cloth' },
    taught: true,
    conditions: [
      condition('holds', 'Holds', 'reuse', 'holds vacuum'),
      condition('leaks', 'Leaks', 'replace', 'a pinhole', ['break', 'power', 'pump', 'slide']),
      condition('stiff', 'Stiff', 'replace', 'the fuel hardened it', ['pump', 'slide']),
      condition('torn', 'Torn', 'replace', 'it lifts nothing', ['break', 'power', 'pump', 'slide']),
    ],
  },
  mixtureScrew: {
    words: 'adjuster',
    place: 'idle',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition(
        'ringed',
        'Ring in the taper',
        'replace',
        'it was driven into its seat; look at its seat in the casting',
        ['transfer'],
      ),
      condition('bent', 'Bent', 'replace', 'it opens to one side'),
      condition('oRing', 'Seal flat', 'replace', 'air gets in past its thread', ['air.leak']),
      condition('brokenOff', 'Tip broken off', 'condemn', 'the tip sits in the casting', ['idle.jet']),
      condition(
        'seatMarked',
        'Its seat marked',
        'condemn',
        'the seat is part of the casting: it cannot be set any more',
      ),
    ],
  },
  slide: {
    words: 'slide',
    needed: true,
    place: 'slide',
    wash: {},
    conditions: [
      sound,
      condition('scored', 'Scored', 'replace', 'it hangs', ['slide']),
      condition('sticks', 'Sticks', 'clean', 'varnish in its bore', ['slide']),
      condition('sealGone', 'Seal worn', 'replace', 'air gets by: it cannot be set lean low down', [
        'slide',
        'air.leak',
      ]),
    ],
  },
  meteringNeedle: {
    words: 'rod or needle',
    place: 'jets',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition('step', 'Step worn in', 'replace', 'its taper is gone', ['metering']),
      condition('bent', 'Bent', 'replace', 'it rubs on the jet', ['metering']),
      condition(
        'otherClip',
        'Clip in another groove',
        'repair',
        'back to the sheet’s groove, or a reason',
        ['metering'],
        {
          previous: 'reversible',
        },
      ),
    ],
  },
} satisfies Readonly<Record<string, PartRow>>
