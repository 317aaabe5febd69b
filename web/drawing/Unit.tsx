import { layUnit, LARGE_PX, WORD_PX, type Label, type Standing, type UnitDrawing } from '@ekrond/core/drawing'
import { unitDrawing } from '@ekrond/core/families'
import type { Sheets } from '@ekrond/core/sheets'
import { useMemo } from 'react'
import { figures, narrow } from '../theme/global'
import { Hatchings, pathOf, Pieces, type View } from './Pieces'
import { useSize } from './sheet'

interface Props {
  sheets: Sheets
  standings: Readonly<Record<string, Standing>>
  /** those that are named: the current one first, then what comes next */
  named: readonly { code: string; number: string; words: string }[]
  /** what is shown, for whoever cannot see it */
  title: string
}

/** A unit in section at a moment of its teardown or its build, from its family's geometry: off dashed, now blue, on in ink. */
export function Unit({ sheets, standings, named, title }: Props) {
  const drawing = useMemo(() => unitDrawing(sheets), [sheets])
  const [box, { width, height }] = useSize<SVGSVGElement>()
  return (
    <svg
      ref={box}
      role="img"
      aria-label={title}
      style={{ width: '100%', height: '100%', display: 'block', overflow: 'visible' }}
    >
      {width > 0 && (
        <PaintedUnit
          drawing={drawing}
          sheets={sheets}
          standings={standings}
          named={named}
          room={{ width, height }}
        />
      )}
    </svg>
  )
}

/** The same at a size that is known, px. */
export function PaintedUnit({
  drawing,
  sheets,
  standings,
  named,
  room,
}: Omit<Props, 'title'> & { drawing: UnitDrawing; room: { width: number; height: number } }) {
  const laid = layUnit(drawing, sheets.build.positions, standings, named, room)
  const view: View = { perMm: laid.perMm, origin: laid.origin }
  const bodyNow = standings.body === 'now'
  // Castings lie behind what they hold, what is done now in front.
  const depth = ({ code, standing }: (typeof laid.exploded.parts)[number]) =>
    drawing.places[code]!.lifted ? 0 : standing === 'now' ? 2 : 1
  const parts = [...laid.exploded.parts].sort((a, b) => depth(a) - depth(b))
  const missing = laid.exploded.missing
  return (
    <>
      <Hatchings />
      {parts
        .filter(({ standing }) => standing === 'off')
        .map(({ code, pieces }) => (
          <Pieces key={code} pieces={pieces} mode="off" view={view} />
        ))}
      <Pieces pieces={drawing.fixed} mode={bodyNow ? 'now' : 'on'} view={view} />
      {parts
        .filter(({ standing }) => standing !== 'off')
        .map(({ code, standing, pieces, seat }) => (
          <g key={code}>
            {seat && <Pieces pieces={seat} mode="seat" view={view} />}
            <Pieces pieces={pieces} mode={standing} view={view} />
          </g>
        ))}
      {drawing.axes.map((axis, i) => (
        <path
          key={i}
          d={pathOf(axis, false, view)}
          fill="none"
          stroke="var(--line)"
          strokeWidth={0.8}
          strokeDasharray="12 3 2.5 3"
        />
      ))}
      {laid.labels.map((label) => (
        <Named key={label.key} label={label} />
      ))}
      <Bar perMm={laid.perMm} x={8} y={room.height - 10} />
      {missing.length > 0 && (
        <Words x={8} y={room.height - 34} lines={[`not drawn: ${missing.join(', ')}`]} size={WORD_PX} />
      )}
    </>
  )
}

function Named({ label }: { label: Label }) {
  const { side, balloon, leader, large, lines, number } = label
  const colour = large ? 'blue' : 'ink'
  const [end] = leader.slice(-1)
  return (
    <g>
      <path
        d={leader.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')}
        fill="none"
        stroke={`var(--${colour})`}
        strokeWidth={large ? 1.6 : 1}
      />
      <circle cx={end![0]} cy={end![1]} r={2.7} fill={`var(--${colour})`} />
      <circle
        cx={balloon[0]}
        cy={balloon[1]}
        r={13}
        fill="var(--paper)"
        stroke={`var(--${colour})`}
        strokeWidth={large ? 2 : 1.4}
      />
      <text
        x={balloon[0]}
        y={balloon[1] + 5}
        textAnchor="middle"
        fill={`var(--${colour})`}
        style={{ font: `500 14px ${figures}`, letterSpacing: '-0.04em' }}
      >
        {number}
      </text>
      <Words
        x={balloon[0] + (side === 'left' ? -20 : 20)}
        y={balloon[1] + 5}
        lines={lines}
        size={large ? LARGE_PX : WORD_PX}
        colour={colour}
        anchor={side === 'left' ? 'end' : 'start'}
        bold={large}
      />
    </g>
  )
}

function Words({
  x,
  y,
  lines,
  size,
  colour = 'ink',
  anchor = 'start',
  bold = false,
}: {
  x: number
  y: number
  lines: readonly string[]
  size: number
  colour?: string
  anchor?: 'start' | 'end'
  bold?: boolean
}) {
  return (
    <text
      textAnchor={anchor}
      fill={`var(--${colour})`}
      stroke="var(--paper)"
      strokeWidth={4}
      paintOrder="stroke"
      style={{ font: `${bold ? 600 : 500} ${size}px ${narrow}` }}
    >
      {lines.map((line, i) => (
        <tspan key={i} x={x} y={y + i * 19}>
          {line}
        </tspan>
      ))}
    </text>
  )
}

/** Ten millimetres: on a screen nothing is one to one. */
function Bar({ perMm, x, y }: { perMm: number; x: number; y: number }) {
  const end = x + 10 * perMm
  return (
    <g>
      <path
        d={`M${x} ${y - 6}v12M${x} ${y}H${end}m0 -6v12`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      <text x={end + 8} y={y + 5} fill="var(--ink)" style={{ font: `500 14px ${figures}` }}>
        10 mm
      </text>
    </g>
  )
}
