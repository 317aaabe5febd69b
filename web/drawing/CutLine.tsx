import type { Pt } from '@ekrond/core/drawing'
import { CentreLine, Text, type Scale } from './index'

/** Where a section is cut, its ends thick, with arrows the way it is looked at, and its letter. */
export function CutLine({
  cut: { from, to, letter },
  scale,
}: {
  cut: { from: Pt; to: Pt; letter: string }
  scale: Scale
}) {
  const ends = [scale([from[0], from[1]]), scale([to[0], to[1]])] as const
  return (
    <g>
      <CentreLine from={ends[0]} to={ends[1]} />
      {ends.map(([x, y], i) => {
        const s = i === 0 ? 1 : -1
        return (
          <g key={i}>
            <path
              d={`M${x + s * 12} ${y}H${x}V${y - 16}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={2.2}
            />
            <path d={`M${x} ${y - 22}l-4.5 9h9Z`} fill="var(--ink)" />
            <Text at={[x, y + 18]} anchor="middle" size={15}>
              {letter}
            </Text>
          </g>
        )
      })}
    </g>
  )
}
