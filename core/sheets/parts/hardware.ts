import { condition, missing, slotTorn, sound, torn, type PartRow } from './condition.ts'

/** Plates, cams, valves, levers, spacers, tubes and plugs: what a list number may have besides, and a sheet may have left out. */
export const hardware = {
  plate: {
    words: 'plate',
    place: 'throttle',
    wash: {},
    notBought: true,
    taught: true,
    wayRound: ['bevels on the bore, mark down', 'bevels on the bore, mark up'],
    aid: 'new screws or the old ones cleaned; low-strength threadlocker on dry threads, or staked; none on the shaft',
    cautionsOff: [
      'File the old staking off first: a screw that is forced breaks in the shaft. Whatever falls here goes into the engine.',
    ],
    mends: {
      measured: { what: 'centre it', minutes: 15, materialMinor: 120, tries: 3 },
      offCentre: { what: 'centre it', minutes: 15, materialMinor: 120, tries: 3 },
      screwsLoose: { what: 'new screws, secured', minutes: 15, materialMinor: 120, tries: 2 },
    },
    conditions: [
      sound,
      condition(
        'offCentre',
        'Light on one side',
        'repair',
        'back the stop off, loosen its screws, hold it shut, tighten: light all round',
        ['air.leak', 'links'],
      ),
      condition('worn', 'Edge worn', 'replace', 'it lets air by when it is shut', ['air.leak']),
      condition('bent', 'Bent', 'replace', 'it binds in its bore', ['links']),
      condition('turned', 'Wrong way round', 'repair', 'its bevels lie on the bore', ['air.leak', 'links'], {
        previous: 'reversible',
      }),
      condition('drilled', 'Drilled', 'replace', 'somebody gave it idle air: find why first', ['air.leak'], {
        previous: 'for good',
      }),
      condition(
        'screwsLoose',
        'Its screws loose',
        'repair',
        'new screws, secured: a loose one goes into the engine',
        ['loose'],
      ),
    ],
  },
  cam: {
    words: 'cam',
    place: 'throttle',
    wash: {},
    taught: true,
    wayRound: ['number outward', 'number inward'],
    mends: {
      otherHole: { what: 'back to its hole', minutes: 5, materialMinor: 0, tries: 2 },
      stuck: { what: 'free and dry it', minutes: 5, materialMinor: 0, tries: 2 },
    },
    conditions: [
      sound,
      condition('worn', 'Worn', 'replace', 'its steps or its lift are gone', ['pump', 'choke']),
      condition('stuck', 'Hangs', 'repair', 'free it, dry: it falls by itself', ['choke', 'links']),
      condition('cracked', 'Cracked', 'replace', 'it will jam the throttle', ['links']),
      condition(
        'otherHole',
        'In another hole',
        'repair',
        'the sheet’s hole, or a reason: its start moves',
        ['pump'],
        {
          previous: 'reversible',
        },
      ),
      condition('otherCam', 'Another cam', 'replace', 'its lift is another one', ['pump'], {
        previous: 'reversible',
      }),
    ],
  },
  valve: {
    words: 'valve',
    place: 'jets',
    wash: { byHand: 'a diaphragm in it swells: wipe it, blow it from the fuel side only' },
    taught: true,
    aid: 'its own gasket, nothing on its thread',
    conditions: [
      condition('holds', 'Shuts and holds', 'reuse', 'moves freely, holds vacuum where it has one'),
      condition('leaks', 'Leaks', 'replace', 'it feeds when it should be shut: rich', ['power', 'seal']),
      condition('stuck', 'Sticks', 'clean', 'varnish: it neither opens nor shuts in time', ['power']),
      condition('torn', 'Diaphragm torn', 'replace', 'it stays open', ['power']),
      condition('otherValve', 'Another number', 'replace', 'it opens at another vacuum', ['power'], {
        previous: 'reversible',
      }),
      missing,
    ],
  },
  enricher: {
    words: 'heated enricher',
    place: 'choke',
    wash: { byHand: 'its heater drowns: a damp cloth, contacts dry' },
    taught: true,
    aid: 'its own seal; its plunger dry',
    conditions: [
      condition(
        'free',
        'Plunger free, needle straight',
        'reuse',
        'it is timed on the bench, it does not click',
      ),
      condition(
        'stuck',
        'Plunger sticks',
        'clean',
        'free it dry: stuck in it runs lean cold, out it runs rich',
        ['choke'],
      ),
      condition('dead', 'Heater open', 'replace', 'measure it cold: no current, it never shuts', ['choke']),
      condition('needleWorn', 'Its needle worn', 'replace', 'it feeds when it should be shut: rich warm', [
        'choke',
      ]),
      missing,
    ],
  },
  compensator: {
    words: 'bimetal valve',
    place: 'idle',
    wash: { byHand: 'its strip is calibrated: air and a soft brush, no bend' },
    taught: true,
    conditions: [
      condition('shutCold', 'Shut when cold', 'reuse', 'warmed in water it lifts off its seat'),
      condition('open', 'Stands open cold', 'replace', 'air at idle when cold: lean, stalls', ['air.leak']),
      condition('never', 'Never opens', 'replace', 'a hot idle loads up', ['idle.jet']),
      condition('bent', 'Strip bent', 'replace', 'nobody bends it back to its temperature', ['air.leak'], {
        previous: 'for good',
      }),
    ],
  },
  spacer: {
    words: 'spacer',
    place: 'body',
    wash: {},
    taught: true,
    conditions: [
      sound,
      condition('otherLength', 'Another length', 'replace', 'the bodies no longer stand alike', ['links'], {
        previous: 'reversible',
      }),
      condition('worn', 'Worn', 'replace', 'bodies move against each other', ['links']),
      missing,
    ],
  },
  lever: {
    words: 'lever',
    place: 'throttle',
    wash: {},
    taught: true,
    wayRound: ['bend outward', 'bend inward'],
    mends: { bent: { what: 'straighten it', minutes: 10, materialMinor: 0, tries: 2 } },
    conditions: [
      sound,
      condition('bent', 'Bent', 'repair', 'straight again, and what hangs on it set anew', ['links']),
      condition('worn', 'Hole worn', 'replace', 'play: it opens late', ['links']),
      condition('loose', 'Loose on its shaft', 'replace', 'it slips: the throttle may not shut', ['links']),
      condition('order', 'Stacked in another order', 'replace', 'lay them as its sheet says', ['links'], {
        previous: 'reversible',
      }),
    ],
  },
  tee: {
    words: 'fuel tee',
    place: 'inlet',
    wash: {},
    taught: true,
    aid: 'new seals, a little oil or fuel on them; never sealant',
    conditions: [
      sound,
      condition('cracked', 'Cracked', 'replace', 'it leaks fuel between the bodies', ['seal']),
      condition('sealFlat', 'Its seals flat', 'replace', 'new seals whenever it comes off', ['seal']),
      condition('notSeated', 'Not home', 'replace', 'push it in until both shoulders touch', ['seal'], {
        previous: 'reversible',
      }),
    ],
  },
  holder: {
    words: 'jet holder',
    place: 'jets',
    wash: {},
    fastens: true,
    taught: true,
    aid: 'its own washer, no other thickness: it moves the jet',
    conditions: [
      sound,
      slotTorn,
      condition('washerLost', 'Its washer missing', 'replace', 'the jet stands elsewhere, and it leaks', [
        'main.jet',
        'seal',
      ]),
      condition('stripped', 'Thread stripped', 'replace', 'a new holder', ['seal']),
    ],
  },
  tube: {
    words: 'tube',
    place: 'jets',
    wash: {},
    taught: true,
    wayRound: ['holes up', 'holes down', 'collar up', 'collar down'],
    conditions: [
      sound,
      condition('blocked', 'Holes blocked', 'clean', 'each of its holes, by a soft wire', [
        'main.jet',
        'transfer',
      ]),
      condition('loose', 'Loose in its hole', 'replace', 'it falls out when the body is turned', ['loose']),
      condition('bent', 'Bent', 'replace', 'its end stands elsewhere'),
      condition('cracked', 'Cracked', 'replace', 'fuel or air gets past it', ['seal', 'air.leak']),
      condition(
        'otherHoles',
        'Other holes',
        'replace',
        'another number: it mixes otherwise',
        ['jet.drilled'],
        {
          previous: 'reversible',
        },
      ),
      missing,
    ],
  },
  plug: {
    words: 'plug or cap',
    place: 'body',
    wash: {},
    fastens: true,
    taught: true,
    aid: 'nothing inside; sealant outside only, on the thread, where its sheet says so',
    conditions: [
      sound,
      condition('leaks', 'Leaks', 'replace', 'a new one', ['seal', 'air.leak']),
      condition('drilledOut', 'Drilled out', 'replace', 'somebody wanted in: local law may seal it', [], {
        previous: 'for good',
      }),
      missing,
    ],
  },
  clip: {
    words: 'clip',
    place: 'choke',
    wash: {},
    taught: true,
    wayRound: ['open end up', 'open end down'],
    conditions: [sound, condition('bent', 'Bent', 'replace', 'it lets go', ['links']), torn, missing],
  },
  lockWasher: {
    words: 'lock washer',
    place: 'cover',
    wash: {},
    taught: true,
    conditions: [sound, condition('flat', 'Flattened', 'replace', 'it no longer holds', ['loose']), missing],
  },
} satisfies Readonly<Record<string, PartRow>>
