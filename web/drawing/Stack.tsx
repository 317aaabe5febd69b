import type { BuildSheet, Position } from '@ekrond/core/sheets'
import { spread } from './geometry'
import { Balloon, CentreLine, Drawing, Leader, Text, type Point } from './index'
import { PartShape } from './PartShape'

const WIDTH = 840
const HEIGHT = 530
const WIDE = new Set(['cover', 'body', 'gasket', 'shaft'])
const [LEFT, RIGHT] = [150, 560]

interface Placed {
  position: Position
  number: number
  at: Point
  wide: boolean
}

/**
 * The build sheet as a stack: its layers from the top down. Dashed is off, blue is now, solid is on; only the current part, the
 * next four are labelled.
 */
export function Stack({
  build,
  order,
  off,
  current,
  next,
  words,
}: {
  build: BuildSheet
  order: readonly Position[]
  off: ReadonlySet<string>
  current: string | null
  next: readonly string[]
  words: Readonly<Record<string, string>>
}) {
  const placed = place(build, order)
  const byCode = new Map(placed.map((p) => [p.position.code, p]))
  const now = current ? byCode.get(current) : undefined
  const labelled = [...new Set([...(current ? [current] : []), ...next.slice(0, 4)])]
    .map((code) => byCode.get(code))
    .filter((p) => p !== undefined)
    .filter((p) => p !== now)
    .slice(0, 7)
    .sort((a, b) => a.at[1] - b.at[1] || b.at[0] - a.at[0])
  const labelY = spread(
    labelled.map((p) => p.at[1]),
    46,
    30,
    HEIGHT - 30,
  )
  const offCount = order.filter((p) => off.has(p.code)).length
  return (
    <Drawing
      width={WIDTH}
      height={HEIGHT}
      title={`Stack of ${order.length} parts: ${offCount} off.${now ? ` Now ${now.position.name}.` : ''} Next: ${
        next
          .slice(0, 4)
          .map((c) => byCode.get(c)?.position.name ?? c)
          .join(', ') || 'nothing'
      }.`}
    >
      <CentreLine from={[355, 12]} to={[355, HEIGHT - 8]} />
      {placed
        .filter((p) => p !== now)
        .map(({ position, at, wide }) => (
          <PartShape
            key={position.code}
            kind={position.kind}
            at={at}
            size={36}
            mode={off.has(position.code) ? 'off' : 'on'}
            {...(wide ? { width: RIGHT - LEFT } : {})}
          />
        ))}
      {labelled.map((p, i) => {
        const from: Point = [632, labelY[i]!]
        return (
          <g key={p.position.code}>
            <Leader from={[from[0] - 14, from[1]]} to={[p.wide ? RIGHT - 8 : p.at[0] + 12, p.at[1]]} />
            <Balloon at={from} number={p.number} />
            <Text at={[from[0] + 22, from[1] + 5]}>{short(p.position.name, 24)}</Text>
          </g>
        )
      })}
      {now && (
        <g>
          {!now.wide && (
            <line
              x1={now.at[0]}
              x2={now.at[0]}
              y1={now.at[1] - 24}
              y2={8}
              stroke="var(--blue)"
              strokeWidth={1.6}
              strokeDasharray="8 4 2 4"
            />
          )}
          <PartShape
            kind={now.position.kind}
            at={[now.at[0], now.at[1] - (now.wide ? 6 : 4)]}
            size={50}
            mode="now"
            {...(now.wide ? { width: RIGHT - LEFT } : {})}
          />
          <Leader from={[88, now.at[1]]} to={[now.wide ? LEFT : now.at[0] - 20, now.at[1]]} colour="blue" />
          <Balloon at={[74, now.at[1]]} number={now.number} colour="blue" />
          <Text at={[16, Math.max(22, now.at[1] - 24)]} colour="blue" size={18}>
            {words[now.position.code] ?? short(now.position.name, 22)}
          </Text>
        </g>
      )}
    </Drawing>
  )
}

function place(build: BuildSheet, order: readonly Position[]): Placed[] {
  const numbers = new Map(order.map((position, i) => [position.code, i + 1]))
  const all = [...order, ...build.positions.filter((p) => p.stays)]
  const layers = [...new Set(all.map((p) => p.layer))].sort((a, b) => b - a)
  const step = (HEIGHT - 60) / Math.max(1, layers.length - 1)
  return layers.flatMap((layer, row) => {
    const here = all.filter((p) => p.layer === layer)
    const small = here.filter((p) => !WIDE.has(p.kind))
    const wide = here.filter((p) => WIDE.has(p.kind))
    const y = 30 + row * step
    return [
      ...wide.map((position, i): Placed => ({
        position,
        number: numbers.get(position.code) ?? order.length + 1,
        at: [(LEFT + RIGHT) / 2, y + (i - (wide.length - 1) / 2) * 14],
        wide: true,
      })),
      ...small.map((position, i): Placed => ({
        position,
        number: numbers.get(position.code) ?? order.length + 1,
        at: [LEFT + 40 + ((RIGHT - LEFT - 80) * (i + 0.5)) / small.length, y],
        wide: false,
      })),
    ]
  })
}

const short = (text: string, most: number) =>
  text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text
