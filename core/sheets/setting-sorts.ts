import type { PartKind } from './parts/index.ts'
import type { BuildSheet, SettingSpec } from './schemas.ts'

/** A kind of setting that a sheet may lack: what it brings wherever it is, so that only its value has to be told. */
export interface SettingSort {
  code: string
  words: string
  quantity: SettingSpec['quantity']
  /** what its value is like, as it is typed */
  hint: string
  datum: string
  hold: string
  held: SettingSpec['held']
  /** parts that carry it, the likeliest first: a position's code, or any of a kind */
  carriedBy: readonly (string | { kind: PartKind })[]
  /** what makes its reading larger, and what smaller */
  more: string
  less: string
}

const sort = (code: string, words: string, more: Omit<SettingSort, 'code' | 'words'>): SettingSort => ({
  code,
  words,
  ...more,
})

/** What shops set besides what most sheets list, by circuit. */
export const settingSorts: readonly SettingSort[] = [
  sort('fastIdle.gap', 'Fast idle, gap', {
    quantity: 'gap',
    hint: '0.90 ±0.10',
    datum: 'plate edge to bore, opposite the idle port',
    hold: 'Choke shut, screw on the step that its sheet says. A drill shank square in the gap.',
    held: 'inverted',
    carriedBy: [{ kind: 'cam' }, 'throttle.shaft'],
    more: 'Turn the fast-idle screw in.',
    less: 'Turn the fast-idle screw out.',
  }),
  sort('fastIdle.step', 'Fast idle, step', {
    quantity: 'count',
    hint: '2',
    datum: 'step of the cam under the screw, counted from the lowest',
    hold: 'Choke shut, throttle opened once and let go: which step does the screw lie on?',
    held: 'upright',
    carriedBy: [{ kind: 'cam' }, 'choke.rod', 'throttle.shaft'],
    more: 'Bend or turn the choke rod so that the screw lies one step higher.',
    less: 'Bend or turn the choke rod so that the screw lies one step lower.',
  }),
  sort('fastIdle.turns', 'Fast idle, turns', {
    quantity: 'turns',
    hint: '1 1/2',
    datum: 'turns in from where it touches its step',
    hold: 'Choke shut, screw backed off until it leaves its step, then in, counted.',
    held: 'upright',
    carriedBy: [{ kind: 'cam' }, 'throttle.shaft'],
    more: 'Turn it in: faster when cold.',
    less: 'Turn it out: slower when cold.',
  }),
  sort('secondary.opening', 'Secondary opening', {
    quantity: 'gap',
    hint: '12.0 ±0.5',
    datum: 'primary plate edge to bore as the secondary just moves',
    hold: 'Open the primary slowly until the secondary shaft just moves. Measure the primary’s gap there.',
    held: 'inverted',
    carriedBy: [{ kind: 'lever' }, 'throttle.shaft'],
    more: 'Bend the tang away: the secondary opens later.',
    less: 'Bend the tang toward its lever: the secondary opens earlier.',
  }),
  sort('pump.start', 'Pump start, gap', {
    quantity: 'gap',
    hint: '0.4 ±0.1',
    datum: 'lever to its screw or stem, throttle shut',
    hold: 'Throttle shut on its stop, choke open. A feeler between lever and screw, no pressure on it.',
    held: 'upright',
    carriedBy: [{ kind: 'pump' }, { kind: 'cam' }],
    more: 'Screw out: the squirt starts later.',
    less: 'Screw in: the squirt starts earlier.',
  }),
  sort('pump.cam', 'Pump cam, hole', {
    quantity: 'count',
    hint: '1',
    datum: 'hole of the cam, counted as its sheet counts',
    hold: 'Which of its holes is its screw in? The number on the cam is noted with the part.',
    held: 'side',
    carriedBy: [{ kind: 'cam' }],
    more: 'Into the next hole: its start and its lift change together.',
    less: 'Into the hole before: its start and its lift change together.',
  }),
  sort('choke.travel', 'Choke travel', {
    quantity: 'gap',
    hint: '22.0 ±1.0',
    datum: 'upper edge of the choke plate to the wall, knob all the way in',
    hold: 'Knob in, cable clamped. The plate stands straight up or opens by so much.',
    held: 'upright',
    carriedBy: ['choke.rod', { kind: 'coil' }, { kind: 'lever' }],
    more: 'Clamp the cable so that the plate opens further.',
    less: 'Clamp the cable so that the plate opens less.',
  }),
  sort('pullOff.gap', 'Pull-off, second', {
    quantity: 'gap',
    hint: '3.2 ±0.2',
    datum: 'upper edge of the choke plate to the wall, pull-off held in',
    hold: 'Hold this pull-off in by a finger, plate lightly shut. A drill shank square in the gap.',
    held: 'upright',
    carriedBy: [{ kind: 'diaphragm' }, 'choke.rod'],
    more: 'Bend its link so that the plate stands further open.',
    less: 'Bend its link so that the plate stands less open.',
  }),
  sort('dashpot.gap', 'Dashpot', {
    quantity: 'gap',
    hint: '2.5 ±0.3',
    datum: 'stem to throttle lever, stem pushed home, throttle shut',
    hold: 'Push its stem home, let the throttle shut. Gap between stem and lever.',
    held: 'upright',
    carriedBy: ['throttle.shaft'],
    more: 'Screw its body away from the lever.',
    less: 'Screw its body toward the lever.',
  }),
  sort('plate.slot', 'Plate over its slot', {
    quantity: 'length',
    hint: '0.8 ±0.1',
    datum: 'how much of the transfer slot shows below the plate',
    hold: 'Idle screw as it will run. Look from below with a lamp: the part of the slot that shows.',
    held: 'inverted',
    carriedBy: [{ kind: 'plate' }, 'throttle.shaft'],
    more: 'Idle screw in, or by-pass screw in and idle screw to match.',
    less: 'Idle screw out, by-pass screw out to keep the speed.',
  }),
  sort('compensator.gap', 'Hot-idle valve, lift', {
    quantity: 'gap',
    hint: '0.0 to 0.05',
    datum: 'bimetal to its seat at room temperature',
    hold: 'At room temperature it lies on its seat. It is never bent to fit: one that is off is renewed.',
    held: 'upright',
    carriedBy: [{ kind: 'compensator' }],
    more: 'Renew it: its strip is not bent.',
    less: 'Renew it: its strip is not bent.',
  }),
  sort('power.turns', 'Power valve screw', {
    quantity: 'turns',
    hint: '2',
    datum: 'turns in from where its head leaves its stop',
    hold: 'Count from where it just touches.',
    held: 'upright',
    carriedBy: [{ kind: 'valve' }, { kind: 'powerPiston' }],
    more: 'Turn it further in.',
    less: 'Turn it out.',
  }),
  sort('economizer.gap', 'Economizer, opening', {
    quantity: 'gap',
    hint: '6.0 ±0.5',
    datum: 'throttle plate edge to bore as the economizer just opens',
    hold: 'Open the throttle slowly until its stem is just touched. Measure the plate’s gap there.',
    held: 'inverted',
    carriedBy: [{ kind: 'valve' }, 'throttle.shaft'],
    more: 'Shorten its stem or rod: it opens later.',
    less: 'Lengthen its stem or rod: it opens earlier.',
  }),
  sort('bypass.turns', 'By-pass air screw', {
    quantity: 'turns',
    hint: '2',
    datum: 'turns out from lightly seated',
    hold: 'In until it just seats, counting, then out.',
    held: 'upright',
    carriedBy: [{ kind: 'mixtureScrew' }],
    more: 'Turn it out: faster idle.',
    less: 'Turn it in: slower idle.',
  }),
  sort('mixture.more', 'Another mixture screw', {
    quantity: 'turns',
    hint: '1 1/2',
    datum: 'turns out from lightly seated',
    hold: 'In until it just seats, counting, then out. What flows past its tip says which way is richer.',
    held: 'upright',
    carriedBy: [{ kind: 'mixtureScrew' }],
    more: 'Turn it out.',
    less: 'Turn it in.',
  }),
  sort('float2.height', 'Second bowl, float height', {
    quantity: 'length',
    hint: '13.5 ±0.5',
    datum: 'face to the float, as the first bowl’s',
    hold: 'As the first bowl’s, with its own float and needle.',
    held: 'inverted',
    carriedBy: [],
    more: 'Bend its tang the way that makes the first bowl’s reading larger.',
    less: 'Bend its tang the way that makes the first bowl’s reading smaller.',
  }),
  sort('float2.drop', 'Second bowl, float drop', {
    quantity: 'length',
    hint: '30 ±1',
    datum: 'face to the float’s lowest point, hanging',
    hold: 'Upright, the float hanging free.',
    held: 'upright',
    carriedBy: [],
    more: 'Bend its drop tab so that it hangs lower.',
    less: 'Bend its drop tab so that it hangs higher.',
  }),
  sort('float2.level', 'Second bowl, level', {
    quantity: 'length',
    hint: '16.0 ±1.0',
    datum: 'fuel below the face, or at its sight plug',
    hold: 'Fed from the bench tank, tapped once, left two minutes.',
    held: 'upright',
    carriedBy: [],
    more: 'Set its float so that the fuel stands lower.',
    less: 'Set its float so that the fuel stands higher.',
  }),
]

/** The positions of a unit that carry a kind of setting: the first that is there; none where nothing does. */
export function carriersOf(
  { carriedBy }: Pick<SettingSort, 'carriedBy'>,
  { positions }: BuildSheet,
): string[] {
  for (const carrier of carriedBy) {
    const found = positions.filter((position) =>
      typeof carrier === 'string' ? position.code === carrier : position.kind === carrier.kind,
    )
    if (found.length) return found.slice(0, 1).map(({ code }) => code)
  }
  return []
}
