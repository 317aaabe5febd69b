import { boxOf, emptyCircle, fitted, type Piece } from '@ekrond/core/unit/drawing'
import { unitDrawing } from '@ekrond/core/unit/families'
import { detailOf, type Detail } from '@ekrond/core/unit/passages'
import type { PassageView } from '@ekrond/core/bench/stations'
import type { Sheets } from '@ekrond/core/sheets'
import { branchStandingOf } from '@ekrond/core/diagnose/passages'
import { useId, useMemo } from 'react'
import styled from 'styled-components'
import { Hatchings, pathOf, Pieces, type View } from '../../drawing/Pieces'
import { useSize } from '../../drawing/sheet'
import { figures, narrow } from '../../theme/global'

const Port = styled.g`
  cursor: pointer;
  outline: none;
  &:focus-visible > circle:first-child {
    stroke: var(--blue);
    stroke-width: 3;
  }
`

/** How a port stands in the blow that is being tapped. */
export type Tapped = 'in' | 'open' | 'shut'
export const TAPPED_WORDS: Record<Tapped, string> = {
  in: 'blown in here',
  open: 'air came out',
  shut: 'no air',
}

interface Props {
  sheets: Sheets
  view: PassageView
  tapped: Readonly<Record<string, Tapped>>
  /** the ports of the blow that is suggested */
  suggested: ReadonlySet<string>
  tap: (port: string) => void
}

const DASHES = { fuel: undefined, air: '7 4', vacuum: '11 3.5 2.5 3.5' }
/** A bore narrower than this on the sheet is one stroke, px. */
const ONE_STROKE = 3.5
const MARGIN = 24
/** A detail smaller than this shows no more than the map, px. */
const LEAST_DETAIL = 76
const MOST_DETAIL = 128

interface Laid {
  view: View
  /** the detail's circle on the sheet, px, and what it shows at which scale */
  detail: { centre: readonly [number, number]; radius: number; view: View } | null
}

/** How far the circle keeps from lines and ports, px. */
const GAP = 10
const PORT = 15

/**
 * The unit, and the circle of its detail where its sheet is empty, the unit pushed to an edge where that makes room; where no place is
 * large enough it is drawn smaller, the circle beside it or under it, whichever leaves the unit larger.
 */
function layOut(
  pieces: readonly Piece[],
  { ports, passages }: PassageView['plan'],
  detail: Detail | null,
  room: { width: number; height: number },
): Laid {
  const bounds = boxOf(pieces)
  const full = fitted(bounds, room, MARGIN)
  if (!detail) return { view: full, detail: null }
  const on = (view: View, centre: readonly [number, number], radius: number): Laid => {
    const perMm = radius / detail.radius
    const origin = [centre[0] - detail.at[0] * perMm, centre[1] + detail.at[1] * perMm] as const
    return { view, detail: { centre, radius, view: { perMm, origin } } }
  }
  const spare = {
    x: (room.width - (bounds.x1 - bounds.x0) * full.perMm) / 2 - MARGIN,
    y: (room.height - (bounds.y1 - bounds.y0) * full.perMm) / 2 - MARGIN,
  }
  const places = [
    [0, 0],
    [-spare.x, 0],
    [0, -spare.y],
    [0, spare.y],
  ].map(([dx, dy]) => {
    const view: View = { perMm: full.perMm, origin: [full.origin[0] + dx!, full.origin[1] + dy!] }
    const px = ([x, y]: readonly [number, number, number?]) =>
      [view.origin[0] + x * view.perMm, view.origin[1] - y * view.perMm] as const
    const lines = [
      ...pieces.flatMap(({ line, closed, hollows = [] }) =>
        [closed ? [...line, line[0]!] : line, ...hollows.map((hole) => [...hole, hole[0]!])].map((its) =>
          its.map(px),
        ),
      ),
      ...passages.map(({ line }) => line.map(px)),
      ...ports.map(({ at }) => {
        const [x, y] = px(at)
        return [-PORT, PORT].map((d) => [x + d, y] as const)
      }),
    ]
    return { view, ...emptyCircle(lines, room, { most: MOST_DETAIL, gap: GAP }) }
  })
  const place = places.reduce((best, one) => (one.radius > best.radius ? one : best))
  if (place.radius >= LEAST_DETAIL) return on(place.view, place.centre, place.radius)
  const beside = Math.min(MOST_DETAIL, room.height / 2 - 4, room.width * 0.19)
  const under = Math.min(MOST_DETAIL, room.height * 0.21)
  const ways = [
    {
      radius: beside,
      room: { width: room.width - 2 * beside - GAP, height: room.height },
      centre: [room.width - beside - 6, Math.min(room.height / 2, beside + 40)],
    },
    {
      radius: under,
      room: { width: room.width, height: room.height - 2 * under - GAP },
      centre: [room.width - under - 40, room.height - under - 6],
    },
  ] as const
  const [best] = ways
    .map((way) => ({ ...way, view: fitted(bounds, way.room, MARGIN) }))
    .sort((a, b) => b.view.perMm - a.view.perMm)
  return best && best.radius >= LEAST_DETAIL
    ? on(best.view, best.centre, best.radius)
    : { view: full, detail: null }
}

/** The passages in the unit's own section: circuits by their line, blocked ones red, ports to be tapped; what is too small drawn once more. */
export function PassageMap(props: Props) {
  const { sheets, view } = props
  const drawing = useMemo(() => unitDrawing(sheets), [sheets])
  const [box, room] = useSize<SVGSVGElement>()
  const likely = view.suspects[0]
  const detail = useMemo(() => detailOf(view.plan, likely), [view.plan, likely])
  const laid = useMemo(
    () => (room.width > 0 ? layOut(drawing.fixed, view.plan, detail, room) : null),
    [drawing, view.plan, detail, room],
  )
  return (
    <svg
      ref={box}
      role="group"
      aria-label={`Passage map, ${view.plan.passages.length} branches. ${
        likely ? `${likely.name} seems blocked.` : view.proven ? 'All clear.' : ''
      }`}
      style={{ width: '100%', height: '100%', display: 'block', overflow: 'visible' }}
    >
      {laid && (
        <>
          <Hatchings />
          <Castings pieces={drawing.fixed} view={laid.view} />
          <Bores view={view} on={laid.view} />
          <Ports {...props} on={laid.view} />
          {detail && laid.detail && <InDetail {...props} pieces={drawing.fixed} of={detail} laid={laid} />}
        </>
      )}
    </svg>
  )
}

const Castings = ({ pieces, view }: { pieces: readonly Piece[]; view: View }) => (
  <g opacity={0.45}>
    <Pieces pieces={pieces} mode="on" view={view} />
  </g>
)

/** Every bore at its true width: all walls first, then what is in them, so that junctions run into each other. */
function Bores({ view, on }: { view: PassageView; on: View }) {
  const bores = view.plan.passages.map(({ id, line, circuit, bore }) => {
    const standing = branchStandingOf(view.blocked[id]!, view.blows.length)
    return {
      id,
      d: pathOf(line, false, on),
      width: bore * on.perMm,
      dash: DASHES[circuit],
      wall: standing === 'blocked' ? 'var(--red)' : standing === 'free' ? 'var(--ink)' : 'var(--pencil)',
      core: standing === 'blocked' ? 'var(--red)' : standing === 'free' ? 'var(--tint)' : 'var(--paper)',
    }
  })
  const drawn = bores.filter(({ width }) => width >= ONE_STROKE)
  return (
    <g fill="none" strokeLinejoin="round">
      {bores.map(({ id, d, width }) => (
        <path key={id} d={d} stroke="var(--paper)" strokeWidth={Math.max(ONE_STROKE, width) + 5} />
      ))}
      {drawn.map(({ id, d, width, wall, dash }) => (
        <path key={id} d={d} stroke={wall} strokeWidth={width + 3} strokeDasharray={dash} />
      ))}
      {drawn.map(({ id, d, width, core }) => (
        <path key={id} d={d} stroke={core} strokeWidth={width} strokeLinecap="square" />
      ))}
      {bores
        .filter(({ width }) => width < ONE_STROKE)
        .map(({ id, d, wall, dash }) => (
          <path key={id} d={d} stroke={wall} strokeWidth={ONE_STROKE} strokeDasharray={dash} />
        ))}
    </g>
  )
}

/** The ports, to be tapped; in a detail they are there for the eye and the finger, and spoken of once. */
function Ports({ view, tapped, suggested, tap, on, silent }: Props & { on: View; silent?: boolean }) {
  return view.plan.ports.map(({ code, name, at }) => {
    const x = on.origin[0] + at[0] * on.perMm
    const y = on.origin[1] - at[1] * on.perMm
    const stands = tapped[code]
    const colour = stands === 'in' ? 'blue' : stands === 'shut' ? 'red' : 'ink'
    return (
      <Port
        key={code}
        {...(silent
          ? { 'aria-hidden': true }
          : {
              role: 'button',
              tabIndex: 0,
              'aria-label': `Port ${code}, ${name}${stands ? `: ${TAPPED_WORDS[stands]}` : ''}`,
            })}
        onClick={() => tap(code)}
        // Enter logs the blow, whatever has the focus.
        onKeyDown={(event) => {
          if (event.key !== ' ') return
          event.preventDefault()
          tap(code)
        }}
      >
        <circle cx={x} cy={y} r={22} fill="transparent" />
        <circle
          cx={x}
          cy={y}
          r={14}
          fill={stands ? `var(--${colour})` : 'var(--paper)'}
          stroke={`var(--${suggested.has(code) && !stands ? 'blue' : colour})`}
          strokeWidth={2}
          strokeDasharray={suggested.has(code) && !stands ? '4 3' : undefined}
        />
        <text
          x={x}
          y={y + 5}
          textAnchor="middle"
          fill={stands ? 'var(--onInk)' : 'var(--ink)'}
          style={{ font: `600 15px ${figures}`, pointerEvents: 'none' }}
        >
          {code}
        </text>
        {stands === 'open' && <Mark x={x + 15} y={y - 13} d="M-4 0L-1 4L5 -5" />}
        {stands === 'shut' && <Mark x={x + 15} y={y - 13} d="M-4 -4L4 4M4 -4L-4 4" />}
      </Port>
    )
  })
}

/** A circle on the unit, and what lies in it once more, larger. */
function InDetail({
  pieces,
  of,
  laid,
  ...props
}: Props & { pieces: readonly Piece[]; of: Detail; laid: Laid }) {
  const clip = useId()
  const { view: main, detail } = laid
  if (!detail) return null
  const { centre, radius, view } = detail
  const [x, y] = [main.origin[0] + of.at[0] * main.perMm, main.origin[1] - of.at[1] * main.perMm]
  const small = of.radius * main.perMm
  const likely = props.view.suspects[0]
  return (
    <g aria-label="Detail" role="group">
      <clipPath id={clip}>
        <circle cx={centre[0]} cy={centre[1]} r={radius} />
      </clipPath>
      <circle cx={x} cy={y} r={small} fill="none" stroke="var(--ink)" strokeWidth={1.2} />
      <path
        d={`M${x + (small * (centre[0] - x)) / Math.hypot(centre[0] - x, centre[1] - y)} ${y + (small * (centre[1] - y)) / Math.hypot(centre[0] - x, centre[1] - y)}L${centre[0] - (radius * (centre[0] - x)) / Math.hypot(centre[0] - x, centre[1] - y)} ${centre[1] - (radius * (centre[1] - y)) / Math.hypot(centre[0] - x, centre[1] - y)}`}
        stroke="var(--rule)"
        strokeWidth={1.2}
      />
      <g clipPath={`url(#${clip})`}>
        <circle cx={centre[0]} cy={centre[1]} r={radius} fill="var(--paper)" />
        <Castings pieces={pieces} view={view} />
        <Bores view={props.view} on={view} />
        <Ports {...props} on={view} silent />
      </g>
      <circle cx={centre[0]} cy={centre[1]} r={radius} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      <text
        x={centre[0] + radius * 0.74}
        y={centre[1] + radius * 0.9}
        fill={likely ? 'var(--red)' : 'var(--pencil)'}
        style={{ font: `500 15px ${narrow}` }}
      >
        {(view.perMm / main.perMm).toFixed(1)} ×
      </text>
    </g>
  )
}

const Mark = ({ x, y, d }: { x: number; y: number; d: string }) => (
  <g transform={`translate(${x} ${y})`}>
    <circle r={9} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.4} />
    <path d={d} fill="none" stroke="var(--ink)" strokeWidth={2.2} />
  </g>
)
