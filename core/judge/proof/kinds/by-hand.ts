import { portsOf } from '../../../unit/families/index.ts'
import { limitsOf, type Limits } from '../limits.ts'
import type { Position } from '../../../sheets/index.ts'
import { travelSeconds } from './travel.ts'
import { codesOf, seen, type Listed, type Listing } from './kind.ts'

const MOVES = ['shaft', 'link', 'body', 'screw']

/** A slide or piston. */
export const slide: Listing = ({ sheets }) => {
  const slide = sheets.build.positions.find(({ code }) => code === 'slide' || code === 'diaphragm')
  return slide
    ? [
        seen(
          'slide',
          'Slide falls by itself',
          'Slide',
          'falls',
          'Lift it to the top, let go, upright and as installed: it falls to its stop without a catch.',
          [slide.code, 'cap', 'main.needle', 'body'],
        ),
      ]
    : []
}

/** A plunger that enriches the cold engine. */
export const enricher: Listing = ({ sheets }) =>
  sheets.build.positions.some(({ code }) => code === 'choke.plunger')
    ? [
        seen(
          'enricher',
          'Enrichment plunger seats',
          'Enricher',
          'seats',
          'Pull it up, let go: it goes home by its spring, and no air passes with it down.',
          ['choke.plunger'],
        ),
      ]
    : []

/** A coil: timed where it is electric, else by warm air. */
export const choke: Listing = ({ sheets }) => {
  const coil = sheets.build.positions.find(({ kind }) => kind === 'coil')
  if (!coil) return []
  const rests = [coil.code, 'choke.rod']
  const settings = ['choke.index/none']
  return coil.deciding?.what === 'ohms'
    ? [
        {
          key: 'choke',
          name: 'Electric choke opens',
          short: 'Choke',
          unit: 'to 95 %, s',
          how: 'travel',
          wants: `≤ ${limitsOf(sheets.spec).coilSeconds}`,
          hold: 'Cold, plate shut. Switch it on at its voltage and tap as the plate passes each mark.',
          rests,
          settings,
        },
      ]
    : [
        {
          ...seen(
            'choke',
            'Choke opens with warmth',
            'Choke',
            'opens',
            'Warm the coil with warm air, 60 °C at most: the plate opens to its stop. Let it cool: it shuts again.',
            rests,
          ),
          settings,
        },
      ]
}

/** What a heater drives out by itself is timed; what a winding pulls clicks. */
const heated = ({ code, name }: Position, limits: Limits): Listed => ({
  key: `electric:${code}`,
  name: `${name} shuts`,
  short: 'Enricher',
  unit: 'to 95 %, s',
  how: 'travel',
  wants: `≤ ${travelSeconds({ key: 'electric', limits })}`,
  hold: 'Cold, its plunger in sight. Switch it on at its own voltage and tap as the plunger passes each mark: it creeps, it does not click.',
  rests: [code],
  settings: [],
})

/** A heated enricher, a cut-off solenoid or another part with a winding. */
export const electric: Listing = ({ sheets }) =>
  sheets.build.positions
    .filter(({ kind }) => kind === 'electric' || kind === 'enricher')
    .map((part) =>
      part.kind === 'enricher'
        ? heated(part, limitsOf(sheets.spec))
        : // Sheets of before had no kind for it.
          /enrich|heated/i.test(part.name)
          ? seen(
              `electric:${part.code}`,
              `${part.name} moves as it warms`,
              part.name,
              'travels to its stop',
              'At its own voltage for five minutes: it does not click, its plunger creeps out to its stop. Ohms cold before; off again it creeps back.',
              [part.code],
            )
          : seen(
              `electric:${part.code}`,
              `${part.name} clicks and moves`,
              part.name,
              'moves',
              'Three times on and off at its own voltage, no longer than it clicks: the plunger moves each time and shuts its seat. A sensor is set to zero again at the engine.',
              [part.code],
            ),
    )

/** What its sheet asks beside the usual. */
export const own: Listing = ({ sheets }) =>
  (sheets.spec.proofs?.more ?? []).map(({ code, name, wants, hold, rests }) =>
    seen(`own:${code}`, name, name, wants, hold, rests),
  )

/** Whatever closes the bore. */
export const throttle: Listing = ({ sheets }) => {
  const has = (code: RegExp) => sheets.build.positions.some((one) => code.test(one.code))
  const opens = has(/^slide$/) ? 'From the top the slide snaps shut' : 'From wide open it snaps shut'
  return [
    seen(
      'throttle',
      'Throttle snaps shut',
      'Throttle',
      'snaps',
      `${opens} by its own spring, ten times${has(/^choke\./) ? ', choke on and choke off' : ''}.`,
      codesOf(
        sheets,
        ({ kind, code }) =>
          (MOVES.includes(kind) && !/cover|bowl|lid|inlet|cap/.test(code)) ||
          code === 'slide' ||
          code === 'cap',
      ),
    ),
  ]
}

/** Ports are looked at where they are listed. */
export const ports: Listing = ({ sheets }) => {
  const ports = portsOf(sheets)
  return ports.length
    ? [
        {
          key: 'ports',
          name: 'Ports as their list has them',
          short: 'Ports',
          unit: 'as listed',
          how: 'ports',
          wants: String(ports.length),
          hold: 'Each is joined, capped, or open on purpose. What vents is never capped.',
          rests: [],
          settings: [],
        },
      ]
    : []
}
