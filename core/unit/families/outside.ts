import { edgeAt, elevationOf, headOf, type Elevation, type Pt, type UnitDrawing } from '../drawing/index.ts'
import type { SettingSpec, Sheets } from '../../sheets/index.ts'
import { unitDrawing } from './drawing.ts'

/** What a port does; some are never capped. */
export type PortJob = 'vacuum' | 'vent' | 'drip' | 'sync'

/** A hose's place on the outside of a unit. */
export interface OutsidePort {
  code: string
  name: string
  job: PortJob
  boreMm: number
  /** where its stub leaves the casting, mm, and to which side */
  at: Pt
  side: 'left' | 'right' | 'up' | 'down'
}

/** The unit from outside, with where each thing that is set from there sits. */
export interface OutsideView {
  drawing: UnitDrawing
  elevation: Elevation
  ports: OutsidePort[]
  /** where a setting's leader points, mm */
  placeOf: (setting: SettingSpec) => Pt
}

/** Drip holes, bowl vents and standpipes are never capped. */
export const neverCapped = (port: Pick<OutsidePort, 'job'>): boolean =>
  port.job === 'vent' || port.job === 'drip'

const PORT_NAMES = {
  'vacuum.manifold': 'Manifold vacuum',
  'vacuum.ported': 'Ported vacuum',
  'vacuum.brake': 'Brake booster',
  'vacuum.sync': 'Synchronizing port',
  'vent.bowl': 'Bowl vent',
  overflow: 'Overflow',
  drip: 'Drip hole',
} as const

export const portCodes = Object.keys(PORT_NAMES) as (keyof typeof PORT_NAMES)[]

/** A port's usual name; the code itself where it is none of the usual ones. */
export const portName = (code: string): string =>
  (PORT_NAMES as Readonly<Record<string, string>>)[code] ?? code

type Sketch = Omit<OutsidePort, 'at' | 'name'> & { y: number; x?: number }

/** The usual ports of each draft, by height from the throttle shaft or the face; the model's own list overrides them. */
function usualPorts(
  sheets: Pick<Sheets, 'spec' | 'build'>,
  shaftY: number,
  { y1 }: Elevation['bounds'],
): Sketch[] {
  const { draft, barrels } = sheets.spec
  const has = (code: string) => sheets.build.positions.some((one) => one.code === code)
  if (draft === 'down')
    return [
      {
        code: 'vacuum.manifold',
        job: 'vacuum',
        boreMm: 6,
        y: shaftY - 9,
        side: 'left',
      },
      {
        code: 'vacuum.ported',
        job: 'vacuum',
        boreMm: 4,
        y: shaftY + 8,
        side: 'right',
      },
      ...(barrels > 2
        ? [
            {
              code: 'vacuum.brake',
              job: 'vacuum',
              boreMm: 10,
              y: shaftY - 9,
              side: 'right',
            } as const,
          ]
        : []),
      { code: 'vent.bowl', job: 'vent', boreMm: 6, y: 4, x: 6, side: 'up' },
    ]
  if (draft === 'up')
    return [
      { code: 'vent.bowl', job: 'vent', boreMm: 5, y: 9, x: 8, side: 'up' },
      { code: 'drip', job: 'drip', boreMm: 3, y: shaftY, side: 'right' },
    ]
  if (has('slide'))
    return [
      { code: 'vent.bowl', job: 'vent', boreMm: 4, y: 2, side: 'left' },
      { code: 'overflow', job: 'drip', boreMm: 5, y: -20, side: 'right' },
    ]
  if (has('diaphragm'))
    return [
      { code: 'vacuum.sync', job: 'sync', boreMm: 4, y: y1 * 0.4, side: 'right' },
      { code: 'vent.bowl', job: 'vent', boreMm: 4, y: 2, side: 'left' },
      { code: 'overflow', job: 'drip', boreMm: 5, y: -20, side: 'right' },
    ]
  return [{ code: 'vent.bowl', job: 'vent', boreMm: 4, y: -4, side: 'left' }]
}

/** The ports of a list number: its model's own, else those usual for its family. */
export const portsOf = (sheets: Pick<Sheets, 'spec' | 'build'>): OutsidePort[] => outsideOf(sheets).ports

/** A port that its family does not usually have: on the side and at the height where its like sit. */
function unusual(code: string, i: number, shaftY: number): Sketch {
  if (code === 'vent.bowl') return { code, job: 'vent', boreMm: 5, y: 4, x: 6, side: 'up' }
  if (code === 'overflow' || code === 'drip')
    return { code, job: 'drip', boreMm: 4, y: shaftY - 4, side: 'right' }
  return {
    code,
    job: code === 'vacuum.sync' ? 'sync' : 'vacuum',
    boreMm: 4,
    y: shaftY + (i % 2 ? 8 : -8),
    side: i % 2 ? 'right' : 'left',
  }
}

const known = new WeakMap<object, OutsideView>()

/** A list number's unit from outside. */
export function outsideOf(sheets: Pick<Sheets, 'spec' | 'build'>): OutsideView {
  const before = known.get(sheets.build)
  if (before) return before
  const drawing = unitDrawing(sheets)
  const elevation = elevationOf(drawing, sheets.build.positions)
  const { bounds } = elevation
  const shaft = drawing.places['throttle.shaft']?.at ?? drawing.places.slide?.at
  const shaftY = shaft?.[1] ?? (bounds.y0 * 2) / 3
  const within = (y: number) => Math.min(bounds.y1 - 1, Math.max(bounds.y0 + 1, y))
  const own = new Map((sheets.spec.ports ?? []).map((port) => [port.code, port]))
  const usual = usualPorts(sheets, shaftY, bounds)
  const listed = sheets.spec.ports
    ? [...own.keys()].map((code, i) => usual.find((port) => port.code === code) ?? unusual(code, i, shaftY))
    : usual
  const ports = listed.map(({ x, y, ...port }): OutsidePort => {
    const at: Pt =
      port.side === 'left' || port.side === 'right'
        ? [edgeAt(elevation, within(y), port.side), within(y)]
        : [x ?? 0, port.side === 'up' ? topAt(elevation, x ?? 0) : bounds.y0]
    return { name: portName(port.code), ...port, ...own.get(port.code), at }
  })
  const outside: OutsideView = {
    drawing,
    elevation,
    ports,
    placeOf(setting) {
      const code = partOf(setting, sheets)
      const head = code ? headOf(drawing, code) : null
      if (setting.code === 'pump.hole') return lowEnd(drawing, 'pump.link') ?? head ?? [bounds.x0, shaftY]
      if (head) return head
      if (setting.code === 'idle.screw')
        return [edgeAt(elevation, within(shaftY), 'right') + 8, within(shaftY)]
      // A screw that no part of its sheet carries sits above the shaft, over the stop.
      if (setting.code === 'screw.turns')
        return [edgeAt(elevation, within(shaftY + 28), 'right') - 2, within(shaftY + 28)]
      if (setting.code === 'vacuumBreak.gap' || setting.code === 'airValve.turns') {
        const axis = drawing.axes[setting.code === 'airValve.turns' ? 1 : 0]?.[0]
        return [axis?.[0] ?? 0, bounds.y1 - 4]
      }
      return [(bounds.x0 + bounds.x1) / 2, (bounds.y0 + bounds.y1) / 2]
    },
  }
  known.set(sheets.build, outside)
  return outside
}

/** Which part a setting is turned or read at. */
function partOf({ code, place }: SettingSpec, { build }: Pick<Sheets, 'build'>): string | undefined {
  const at = (wanted: string) => build.positions.find((one) => one.code === wanted)?.code
  switch (code) {
    case 'mixture.turns':
      return (
        build.positions.find((one) => one.kind === 'mixtureScrew' && one.code.endsWith(`/${place}`)) ??
        build.positions.find((one) => one.kind === 'mixtureScrew')
      )?.code
    case 'choke.index':
      return at('choke.coil')
    case 'pump.hole':
    case 'pump.stem':
      return at('pump.link')
    default:
      return undefined
  }
}

function lowEnd(drawing: UnitDrawing, code: string): Pt | null {
  const points = drawing.places[code]?.pieces.flatMap(({ line }) => line) ?? []
  return points.length ? points.reduce((low, one) => (one[1] < low[1] ? one : low)) : null
}

function topAt({ silhouettes }: Elevation, x: number): number {
  const ys = silhouettes.flatMap((line) =>
    line.flatMap(([ax, ay], i) => {
      const [bx, by] = line[(i + 1) % line.length]!
      return ax === bx || (x - ax) * (x - bx) > 0 ? [] : [ay + ((x - ax) / (bx - ax)) * (by - ay)]
    }),
  )
  return ys.length ? Math.max(...ys) : 0
}
