import { portsOf } from '../../../unit/families/index.ts'
import { figure } from '../../../measure/index.ts'
import { settingKey, type Position, type Sheets } from '../../../sheets/index.ts'
import { pumpBand } from '../figures.ts'
import { aroundInlet, codesOf, inletParts, type Listing } from './kind.ts'

const JOINTS = ['cover', 'gasket', 'seal', 'seat', 'washer', 'screen']
const isPump = ({ code, kind }: Position) =>
  kind !== 'screw' && (code.startsWith('pump.') || (kind === 'nozzle' && code === 'nozzle'))

/** Fuel below the face on the bench. */
export const level: Listing = ({ sheets }) => {
  const { spec } = sheets
  // A unit that the bench taught has a level only where all its dimensions are known.
  if (spec.taught && spec.taught.levelSigma === null) return []
  const height = spec.settings.find(({ code }) => code === 'float.height')
  return [
    {
      key: 'level',
      name: 'Wet level',
      short: 'Level',
      unit: `mm, ±${figure((spec.level.hi - spec.level.lo) / 2, 1)}`,
      how: 'level',
      wants: figure(spec.level.target, 1),
      hold: 'Let it fill, tap once, read below the face when it stands.',
      rests: [...inletParts(sheets), ...aroundInlet(sheets)],
      settings: height ? [settingKey(height)] : [],
    },
  ]
}

/** Joints, plugs and ways out, over a clock. */
export const weep: Listing = ({ sheets }) => [
  {
    key: 'weep',
    name: 'Leaks and overflow',
    short: 'Leaks',
    unit: '10 min',
    how: 'weep',
    wants: 'dry',
    hold: 'Full and wiped dry. Tap it once, then watch every place for ten minutes.',
    rests: codesOf(
      sheets,
      ({ code, kind }) =>
        JOINTS.includes(kind) || code.startsWith('inlet.') || code === sheets.spec.float.hangsOn,
    ),
    settings: [],
  },
]

/** Ten strokes into a glass. */
export const pump: Listing = ({ sheets }) => {
  if (!sheets.build.positions.some((one) => isPump(one) && one.kind === 'pump')) return []
  const { lo, hi } = pumpBand(sheets.spec)
  return [
    {
      key: 'pump',
      name: 'Pump, ten strokes',
      short: 'Pump',
      unit: 'ten, mL',
      how: 'pump',
      wants: lo === null || hi === null ? 'at once' : `${figure(lo)} to ${figure(hi)}`,
      hold: 'Bowl full. Ten full strokes into the glass, one every two seconds. It squirts the moment the throttle moves.',
      rests: codesOf(sheets, (one) => isPump(one) || one.kind === 'cover'),
      settings: sheets.spec.settings.filter(({ code }) => code.startsWith('pump.')).map(settingKey),
    },
  ]
}

/** A place that is watched for weep: a union or plug in its thread, a joint, or where fuel comes out when the level is too high. */
export interface WeepPlace {
  name: string
  kind: 'thread' | 'joint' | 'way out'
}

/** Where nothing may be wet, by this unit's own joints and plugs. */
export function weepPlaces(sheets: Sheets): WeepPlace[] {
  const { positions } = sheets.build
  const inlet = positions.find(({ code }) => code === 'inlet.fitting')
  const place =
    (kind: WeepPlace['kind']) =>
    (name: string): WeepPlace => ({ name, kind })
  const all = [
    place('thread')(inlet?.name ?? 'Inlet'),
    ...positions
      .filter(({ kind }) => kind === 'cover')
      .map(({ name }) => `${name} joint`)
      .map(place('joint')),
    ...positions
      .filter(({ kind, code }) => kind === 'seal' && code !== 'bowl.seal')
      .map(({ name }) => name)
      .map(place('thread')),
    ...portsOf(sheets)
      .filter(({ job }) => job === 'drip')
      .map(({ name }) => name)
      .map(place('way out')),
    place('way out')('Nozzle, in the bore'),
  ]
  return all.filter(({ name }, i) => all.findIndex((one) => one.name === name) === i)
}
