import type { Shape, Worked } from '@ekrond/core/plan/figures'
import { useSize } from '../drawing/sheet'
import { figures as mono, narrow } from '../theme/global'

const STROKES: Readonly<Record<string, { colour: string; width: number; dash?: string }>> = {
  ink: { colour: 'var(--ink)', width: 2.2 },
  thin: { colour: 'var(--line)', width: 1.2 },
  dash: { colour: 'var(--pencil)', width: 1.6, dash: '6 5' },
  centre: { colour: 'var(--pencil)', width: 1.2, dash: '14 4 3 4' },
  blue: { colour: 'var(--blue)', width: 2.6 },
  red: { colour: 'var(--red)', width: 2.2 },
}
const FILLS: Readonly<Record<string, string>> = {
  fuel: 'var(--tint)',
  tint: 'var(--tint)',
  paper: 'var(--paper)',
}
const WORDS: Readonly<Record<string, string>> = {
  ink: 'var(--ink)',
  pencil: 'var(--pencil)',
  blue: 'var(--blue)',
  red: 'var(--red)',
}

const TEXT_PX = 16
const ARROW_PX = 9

/** A figure drawn from its shapes, to scale, as large as its place allows; without words it serves as a small picture of itself. */
export function FigureDrawing({
  worked: { shapes, box },
  title,
  plain = false,
}: {
  worked: Worked
  title: string
  /** no words, no sizes: for a tab */
  plain?: boolean
}) {
  const [svg, room] = useSize<SVGSVGElement>()
  const [, , w, h] = box
  // Units of the drawing to a pixel of the screen.
  const unit = room.width > 0 && room.height > 0 ? 1 / Math.min(room.width / w, room.height / h) : w / 600
  const id = plain ? 'small' : 'large'
  return (
    <svg
      ref={svg}
      viewBox={box.join(' ')}
      preserveAspectRatio="xMidYMid meet"
      {...(plain ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      {!plain && (
        <defs>
          <pattern
            id={`figure-${id}`}
            width={8 * unit}
            height={8 * unit}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line y2={8 * unit} stroke="var(--hatch)" strokeWidth={1.2 * unit} />
          </pattern>
        </defs>
      )}
      {shapes.map((shape, i) => (
        <One key={i} shape={shape} unit={unit} plain={plain} hatch={`url(#figure-${id})`} />
      ))}
    </svg>
  )
}

function One({ shape, unit, plain, hatch }: { shape: Shape; unit: number; plain: boolean; hatch: string }) {
  switch (shape.is) {
    case 'line': {
      const { colour, width, dash } = STROKES[shape.as]!
      return (
        <polyline
          points={shape.points.join(' ')}
          fill="none"
          stroke={colour}
          strokeWidth={plain ? Math.min(width, 1.6) : width}
          strokeDasharray={dash}
          strokeLinejoin="round"
          vectorEffect="non-scaling-stroke"
        />
      )
    }
    case 'area': {
      const points = shape.points.join(' ')
      if (shape.as === 'hatch')
        return (
          <polygon
            points={points}
            fill={plain ? 'none' : hatch}
            stroke="var(--ink)"
            strokeWidth={plain ? 1.2 : 1.8}
            vectorEffect="non-scaling-stroke"
          />
        )
      return (
        <polygon
          points={points}
          fill={shape.as === 'blue' ? 'var(--blue)' : FILLS[shape.as]}
          fillOpacity={shape.as === 'blue' ? 0.22 : 1}
          stroke={shape.as === 'blue' ? 'var(--blue)' : 'none'}
          strokeWidth={1.6}
          vectorEffect="non-scaling-stroke"
        />
      )
    }
    case 'circle':
      return (
        <circle
          cx={shape.at[0]}
          cy={shape.at[1]}
          r={shape.r}
          fill="none"
          stroke={STROKES[shape.as]!.colour}
          strokeWidth={plain ? 1.4 : STROKES[shape.as]!.width}
          vectorEffect="non-scaling-stroke"
        />
      )
    case 'text':
      return plain ? null : (
        <text
          x={shape.at[0]}
          y={shape.at[1]}
          textAnchor={shape.align ?? 'start'}
          fill={WORDS[shape.as]}
          stroke="var(--paper)"
          strokeWidth={4 * unit}
          paintOrder="stroke"
          style={{ font: `500 ${TEXT_PX * unit}px ${narrow}` }}
        >
          {shape.words}
        </text>
      )
    default:
      return plain ? null : <Size shape={shape} unit={unit} />
  }
}

/** A size between two points: a line with arrows and its figure beside it. */
function Size({
  shape: { from, to, words, as },
  unit,
}: {
  shape: Extract<Shape, { is: 'size' }>
  unit: number
}) {
  const colour = WORDS[as]!
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const long = Math.hypot(dx, dy) || unit
  const [ux, uy] = [dx / long, dy / long]
  const a = ARROW_PX * unit
  // Where it is too short for both arrows they point in from outside.
  const side = long < 3 * a ? -1 : 1
  const head = (at: readonly [number, number], s: number) =>
    `M${at[0]} ${at[1]}L${at[0] + s * ux * a - uy * a * 0.35} ${at[1] + s * uy * a + ux * a * 0.35}L${at[0] + s * ux * a + uy * a * 0.35} ${at[1] + s * uy * a - ux * a * 0.35}Z`
  const isFlat = Math.abs(dx) >= Math.abs(dy)
  const mid = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2] as const
  const out = side < 0 ? 2.4 * a : 0
  return (
    <g>
      <line
        x1={from[0] - ux * out}
        y1={from[1] - uy * out}
        x2={to[0] + ux * out}
        y2={to[1] + uy * out}
        stroke={colour}
        strokeWidth={1.4}
        vectorEffect="non-scaling-stroke"
      />
      <path d={head(from, side) + head(to, -side)} fill={colour} />
      <text
        x={isFlat && side > 0 ? mid[0] : isFlat ? to[0] + out + a * 0.6 : mid[0] + 0.8 * a}
        y={isFlat && side > 0 ? mid[1] - 0.7 * a : mid[1] + 0.6 * a}
        textAnchor={isFlat && side > 0 ? 'middle' : 'start'}
        fill={colour}
        stroke="var(--paper)"
        strokeWidth={4 * unit}
        paintOrder="stroke"
        style={{ font: `500 ${18 * unit}px ${mono}`, letterSpacing: '-0.03em' }}
      >
        {words}
      </text>
    </g>
  )
}
