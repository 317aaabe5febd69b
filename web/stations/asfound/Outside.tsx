import { fitted, layLabels, type Piece, type Px, type Wish } from '@ekrond/core/unit/drawing'
import { outsideOf } from '@ekrond/core/unit/families'
import type { BodyState } from '@ekrond/core/log'
import { isPencil, settingKey, type SettingSpec, type Sheets } from '@ekrond/core/sheets'
import { outsideSettings } from '@ekrond/core/bench/stations'
import { Bar, Named } from '../../drawing/labels'
import { Axis, Hatchings, pathOf, Pieces, type View } from '../../drawing/Pieces'
import { ScrewDial } from '../../drawing/ScrewDial'
import { useSize } from '../../drawing/sheet'
import { figures } from '../../theme/global'
import { asTyped } from '../../shell/SettingsStrip'

export const portLetter = (i: number): string => String.fromCharCode(97 + i)

const DIAL = 36
/** A dial with its name over it and its count under it, px. */
const DIALS = 144
/** Under this height the unit has the room for itself, px: the counts stand beside their balloons too. */
const LEAST_FOR_DIALS = 330
/** A port's letter in its ring, px. */
const LETTER = 14
/** A port's stub, mm. */
const STUB = 9

interface Props {
  sheets: Sheets
  body: BodyState
  /** the setting that is asked, by its key */
  current: string
  counting: number | null
}

/** The unit from outside as its family is built: each thing that is noted there at its place, its balloon filled when it is; ports with what they are joined to. */
export function Outside(props: Props) {
  const [box, size] = useSize<SVGSVGElement>()
  const { sheets, body, current } = props
  const outside = outsideSettings(sheets)
  const words = outside
    .map((one) => `${one.name} ${isDone(body, one) ? 'noted' : settingKey(one) === current ? 'now' : 'open'}`)
    .join(', ')
  return (
    <svg
      ref={box}
      role="img"
      aria-label={`The outside as received: ${words}.`}
      style={{ width: '100%', height: '100%', display: 'block', overflow: 'visible' }}
    >
      {size.width > 0 && <PaintedOutside {...props} size={size} />}
    </svg>
  )
}

const isDone = (body: BodyState, setting: SettingSpec) =>
  settingKey(setting) in body.asFound || settingKey(setting) in body.asFoundSkipped

/** The same at a size that is known, px. */
export function PaintedOutside({
  sheets,
  body,
  current,
  counting,
  size,
}: Props & { size: { width: number; height: number } }) {
  const { elevation, ports, drawing, placeOf } = outsideOf(sheets)
  const lent = isPencil(sheets.spec, 'position:body')
  const [mode, stroke] = lent ? (['pencil', 'var(--pencil)'] as const) : (['on', 'var(--ink)'] as const)
  const outside = outsideSettings(sheets)
  const dials = size.height < LEAST_FOR_DIALS ? [] : outside.filter(({ quantity }) => quantity === 'turns')
  const column = size.width < 560 ? 0 : Math.max(132, Math.min(172, size.width * 0.2))
  const foot = dials.length > 0 ? DIALS : 0
  const { x0, x1, y0, y1 } = elevation.bounds
  const right = column || 128
  // A port that leaves upward has its letter over it.
  const head = ports.some(({ side }) => side === 'up') ? LETTER : 0
  const room = { width: size.width - column - right, height: Math.max(120, size.height - foot - head) }
  const fit = fitted({ x0: x0 - STUB, x1: x1 + STUB, y0, y1: y1 + 4 }, room, 14)
  const view: View = { perMm: fit.perMm, origin: [fit.origin[0] + column, fit.origin[1] + head] }
  const px = (x: number, y: number): Px => [view.origin[0] + x * view.perMm, view.origin[1] - y * view.perMm]
  const value = (setting: SettingSpec) =>
    settingKey(setting) === current && counting !== null
      ? counting
      : (body.asFound[settingKey(setting)]?.value ?? null)
  const said = (setting: SettingSpec) => {
    const noted = body.asFound[settingKey(setting)]
    return noted ? `: ${asTyped(noted.raw, noted.value, setting)}` : ''
  }
  const stubs = ports.map((port) => {
    const [dx, dy] = { left: [-1, 0], right: [1, 0], up: [0, 1], down: [0, -1] }[port.side] as [
      number,
      number,
    ]
    const [x, y] = port.at
    return {
      port,
      end: [x + dx * STUB, y + dy * STUB] as const,
      across: [dy, dx] as const,
      out: [dx, dy] as const,
    }
  })
  const wishes: Wish[] = [
    ...outside.map((setting, i): Wish => {
      const [x, y] = placeOf(setting)
      return {
        key: settingKey(setting),
        number: String(i + 1),
        words: `${setting.short}${said(setting)}`,
        target: px(x, y),
        large: settingKey(setting) === current,
      }
    }),
  ]
  const labels = layLabels(wishes, { width: size.width, height: size.height - foot, left: column, right }, [])
  const done = new Set([...outside.filter((setting) => isDone(body, setting)).map(settingKey)])
  const idle = outside.find(({ code }) => code === 'idle.screw')
  return (
    <>
      <Hatchings />
      <Pieces pieces={elevation.behind} mode={mode} view={view} />
      {stubs.map(({ port, end, across }) => (
        <path
          key={port.code}
          d={pathOf(stubLine(port.at, end, across, port.boreMm / 2 + 0.8), true, view)}
          fill="var(--paper)"
          stroke={stroke}
          strokeWidth={1.4}
        />
      ))}
      {idle && <Pieces pieces={stopScrew(placeOf(idle))} mode={mode} view={view} />}
      {elevation.silhouettes.map((line, i) => (
        <path key={i} d={pathOf(line, true, view)} fill="var(--paper)" stroke={stroke} strokeWidth={1.9} />
      ))}
      <Pieces pieces={elevation.front} mode={mode} view={view} />
      {drawing.axes.slice(0, sheets.spec.barrels > 2 ? 2 : 1).map((axis, i) => (
        <Axis
          key={i}
          line={axis.map(([x, y]) => [x, Math.min(y1 + 5, Math.max(y0 - 5, y))] as const)}
          view={view}
        />
      ))}
      {labels.map((label) => (
        <Named key={label.key} label={label} filled={done.has(label.key)} />
      ))}
      {stubs.map(({ port, end, out }, i) => {
        const [x, y] = px(end[0], end[1])
        const found = body.ports[port.code]?.found !== undefined
        return (
          <g key={port.code}>
            <circle
              cx={x + out[0] * 14}
              cy={y - out[1] * 14}
              r={11}
              fill={found ? 'var(--ink)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth={1.4}
            />
            <text
              x={x + out[0] * 14}
              y={y - out[1] * 14 + 5}
              textAnchor="middle"
              fill={found ? 'var(--onInk)' : 'var(--ink)'}
              style={{ font: `500 14px ${figures}` }}
            >
              {portLetter(i)}
            </text>
          </g>
        )
      })}
      {dials.map((setting, i) => (
        <g key={settingKey(setting)}>
          <ScrewDial
            at={[
              size.width / 2 + (i - (dials.length - 1) / 2) * Math.min(180, size.width / dials.length),
              size.height - foot + DIAL + 26,
            ]}
            radius={DIAL}
            eighths={value(setting)}
            state={settingKey(setting) === current ? 'now' : isDone(body, setting) ? 'noted' : 'none'}
            label={setting.short}
          />
        </g>
      ))}
      <Bar perMm={view.perMm} x={8} y={12} />
    </>
  )
}

/** A stub from a casting to its end, mm, with a bead for the hose. */
function stubLine(
  [x, y]: readonly [number, number, number?],
  [ex, ey]: readonly [number, number],
  [ax, ay]: readonly [number, number],
  half: number,
): (readonly [number, number])[] {
  const along = (share: number, out: number): [number, number] => [
    x + (ex - x) * share + ax * out,
    y + (ey - y) * share + ay * out,
  ]
  return [
    along(-0.2, half),
    along(0.62, half),
    along(0.72, half + 0.7),
    along(0.84, half + 0.7),
    along(1, half - 0.3),
    along(1, -half + 0.3),
    along(0.84, -half - 0.7),
    along(0.72, -half - 0.7),
    along(0.62, -half),
    along(-0.2, -half),
  ]
}

/** The stop screw beside the shaft, its head outward, mm. */
function stopScrew([x, y]: readonly [number, number, number?]): Piece[] {
  const box = (x0: number, y0: number, x1: number, y1: number): Piece => ({
    line: [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    closed: true,
    stroke: 'seen',
  })
  return [box(x - 10, y - 1.6, x - 2, y + 1.6), box(x - 2, y - 3.4, x + 1, y + 3.4)]
}
