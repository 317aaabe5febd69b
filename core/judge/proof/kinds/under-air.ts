import { workingConditions } from '../../../sheets/conditions/index.ts'
import { figure } from '../../../measure/index.ts'
import type { Sheets } from '../../../sheets/index.ts'
import { inletTestKpa } from '../figures.ts'
import { limitsOf } from '../limits.ts'
import { aroundInlet, inletParts, seen, type Listed, type Listing } from './kind.ts'

/** Needle and seat under air: pops off, reseats, holds. */
export const inletProof: Listing = ({ state, sheets }) => {
  const kpa = inletTestKpa(sheets.spec, workingConditions(state.opened ?? undefined, sheets.spec))
  return [
    {
      key: 'inlet',
      name: 'Inlet under air',
      short: 'Inlet',
      unit: 'mL/min',
      how: 'hold',
      wants: `≤ ${figure(limitsOf(sheets.spec).inletMlMin)}`,
      hold: `${heldShut(sheets)} Pump to ${kpa} kPa, shut the valve, wait.`,
      rests: inletParts(sheets),
      opens: aroundInlet(sheets),
      weighted: hangsOnCover(sheets),
      settings: [],
    },
  ]
}

/** A needle that hangs does so now and then: ten lifts show it. */
export const lifts: Listing = ({ sheets }) => [
  {
    key: 'lifts',
    name: 'Ten lifts of the needle',
    short: 'Lifts',
    unit: 'of ten',
    how: 'lifts',
    wants: '10',
    hold: 'Let it lift and shut ten times. None may hang, each shuts at the same pressure.',
    rests: inletParts(sheets),
    opens: aroundInlet(sheets),
    settings: [],
  },
]

/** What holds a vacuum: the break, and each diaphragm. */
export const vacuum: Listing = ({ sheets }) => {
  const { vacuumKpa, vacuumLossKpa } = limitsOf(sheets.spec)
  const hold = (what: string) =>
    `Draw ${what} to ${vacuumKpa} kPa, shut the valve, wait. It may lose ${vacuumLossKpa} kPa in 30 s.`
  const own = sheets.build.positions
    .filter(({ kind }) => kind === 'diaphragm')
    .map((position): Listed => {
      const key = `vacuum/${position.code}`
      const rests = [position.code, ...(position.code === 'diaphragm' ? ['cap'] : [])]
      // A slide's chamber is open to the barrel: it is told by how it sinks, not by a gauge.
      return position.code === 'diaphragm'
        ? seen(
            key,
            'Slide’s diaphragm holds',
            'Diaphragm',
            'holds',
            'Slide lifted by hand, its vacuum hole closed with a finger, let go: it stays up and sinks slowly. A torn one falls at once.',
            rests,
          )
        : {
            key,
            name: `${position.name} under vacuum`,
            short: 'Air cut',
            unit: 'kPa, 30 s',
            how: 'hold',
            wants: `≤ ${vacuumLossKpa}`,
            hold: hold('its chamber'),
            rests,
            settings: [],
          }
    })
  const hasBreak = sheets.spec.settings.some(({ code }) => code === 'vacuumBreak.gap')
  return hasBreak
    ? [
        {
          key: 'vacuum/break',
          name: 'Vacuum break',
          short: 'Break',
          unit: 'kPa, 30 s',
          how: 'hold',
          wants: `≤ ${vacuumLossKpa}`,
          hold: hold('the vacuum break'),
          rests: ['choke.rod'].filter((code) => sheets.build.positions.some((one) => one.code === code)),
          settings: [],
        },
        ...own,
      ]
    : own
}

const hangsOnCover = ({ spec, build }: Sheets): boolean =>
  build.positions.find(({ code }) => code === spec.float.hangsOn)?.kind === 'cover'

function heldShut(sheets: Sheets): string {
  if (hangsOnCover(sheets)) return 'Cover upside down, a weight on the needle.'
  return sheets.spec.float.guided
    ? 'Float on its needle, as it floats up.'
    : 'Held so that the float lies on its needle.'
}
