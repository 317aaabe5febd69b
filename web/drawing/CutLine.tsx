import type { Cut } from '@ekrond/core/unit/drawing'
import { CentreLine, Text, type Scale } from './index'

/** Where a section is cut, its ends thick, with arrows the way it is looked at, and its letter; `small` beside a drawing. */
export function CutLine({
  cut: { from, to, letter },
  scale,
  small = false,
}: {
  cut: Cut
  scale: Scale
  small?: boolean
}) {
  const ends = [scale([from[0], from[1]]), scale([to[0], to[1]])] as const
  const size = small ? 0.6 : 1
  return (
    <g>
      <CentreLine from={ends[0]} to={ends[1]} />
      {ends.map(([x, y], i) => {
        const inward = (i === 0 ? 12 : -12) * size
        return (
          <g key={i}>
            <path
              d={`M${x + inward} ${y}H${x}V${y - 16 * size}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={2.2 * size}
            />
            <path d={`M${x} ${y - 22 * size}l${-4.5 * size} ${9 * size}h${9 * size}Z`} fill="var(--ink)" />
            <Text at={[x, y + (small ? 15 : 18)]} anchor="middle" size={small ? 14 : 15}>
              {letter}
            </Text>
          </g>
        )
      })}
    </g>
  )
}
