import type { PlannedBaths, BathItem, Load } from '@ekrond/core/plan/baths'
import type { Sheets } from '@ekrond/core/sheets'
import { OwnPart } from '../../drawing/OwnPart'
import { Hatchings } from '../../drawing/Pieces'
import { useSize } from '../../drawing/sheet'
import { figures, narrow } from '../../theme/global'

const TOP = 64
const LEFT = 96
const HOUR_MS = 3_600_000
const LEAST_SPAN_MS = 2 * HOUR_MS

/** The sheets of the unit that a part is of, where they are at hand: its own outline comes from there. */
type Own = (item: BathItem) => Sheets | undefined

/** The tank along the hours: what hangs in it now, what hangs there later, each load at its time; beside it what stays out and why. */
export function Tank({
  plan,
  now,
  clock,
  litres,
  own,
}: {
  plan: PlannedBaths
  now: number
  clock: (ms: number) => string
  litres: number
  own: Own
}) {
  const [box, { width, height }] = useSize<SVGSVGElement>()
  const loads = [...(plan.inside ? [plan.inside] : []), ...plan.loads]
  const words = loads
    .map((load, i) => `load ${i + 1} ${clock(load.startMs)} to ${clock(load.endMs)}, ${named(load.items)}`)
    .join('; ')
  return (
    <svg
      ref={box}
      role="img"
      aria-label={`The tank from now on: ${words || 'empty'}.`}
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      {width > 0 && (
        <>
          <Hatchings />
          <Painted
            plan={plan}
            loads={loads}
            now={now}
            clock={clock}
            litres={litres}
            own={own}
            room={{ width, height }}
          />
        </>
      )}
    </svg>
  )
}

const named = (items: readonly BathItem[]) => items.map(({ name, number }) => `${name} ${number}`).join(', ')

function Painted({
  plan,
  loads,
  now,
  clock,
  litres,
  own,
  room: { width, height },
}: {
  plan: PlannedBaths
  loads: readonly Load[]
  now: number
  clock: (ms: number) => string
  litres: number
  own: Own
  room: { width: number; height: number }
}) {
  const start = Math.min(now, loads[0]?.startMs ?? now) - 6 * 60_000
  const span = Math.max(
    LEAST_SPAN_MS,
    Math.min(6 * HOUR_MS, (loads.at(-1)?.endMs ?? now) - start + 12 * 60_000),
  )
  const x = (ms: number) => LEFT + ((ms - start) / span) * (width - LEFT - 12)
  const floor = Math.max(TOP + 170, height - 150)
  const fluid = TOP + 44
  const hours = Array.from({ length: Math.ceil(span / (HOUR_MS / 2)) + 1 }, (_, i) => {
    const half = HOUR_MS / 2
    return Math.ceil(start / half) * half + i * half
  }).filter((ms) => ms < start + span)
  const ink = { stroke: 'var(--ink)', fill: 'none' }
  const small = { font: `500 15px ${narrow}` }
  return (
    <>
      <path d={`M${LEFT} 26H${width - 12}`} {...ink} strokeWidth={1.4} />
      {hours.map((ms) => (
        <g key={ms}>
          <path d={`M${x(ms)} 26v8`} {...ink} strokeWidth={1.4} />
          <text
            x={x(ms)}
            y={18}
            textAnchor="middle"
            fill="var(--ink)"
            style={{ font: `500 15px ${figures}` }}
          >
            {clock(ms)}
          </text>
        </g>
      ))}
      {/* The tank in section: walls, fluid, sludge at the bottom. */}
      <rect x={LEFT} y={fluid} width={width - LEFT - 12} height={floor - fluid} fill="var(--tint)" />
      <path
        d={`M${LEFT - 14} ${TOP + 20}h8V${floor + 6}H${width - 6}V${TOP + 20}h6`}
        {...ink}
        strokeWidth={2.4}
      />
      <path
        d={`M${LEFT} ${floor - 14}H${width - 12}`}
        stroke="var(--pencil)"
        strokeWidth={1}
        strokeDasharray="2 4"
      />
      <text x={0} y={TOP + 40} fill="var(--ink)" style={{ font: `600 16px ${narrow}` }}>
        Warm tank
      </text>
      <text x={0} y={TOP + 60} fill="var(--pencil)" style={small}>
        {litres} L free
      </text>
      <path d={`M${LEFT - 6} ${TOP + 12}H${width - 6}`} {...ink} strokeWidth={2.4} />
      {loads.map((load, i) => {
        const inside = load === plan.inside
        const colour = inside || (i === 0 && !plan.inside) ? 'blue' : 'ink'
        const [from, to] = [x(load.startMs), x(load.endMs)]
        const across = Math.max(1, Math.floor((to - from) / 50))
        const rows = Math.max(1, Math.floor((floor - fluid - 40) / 62))
        const shown = load.items.slice(0, across * rows)
        const rest = load.items.length - shown.length
        return (
          <g key={`${load.startMs} ${load.items[0]!.number} ${load.items[0]!.position}`}>
            <rect
              x={from}
              y={TOP + 12}
              width={Math.max(4, to - from)}
              height={floor - TOP - 26}
              fill="none"
              stroke={`var(--${colour})`}
              strokeWidth={inside ? 2 : 1.2}
              strokeDasharray={inside ? undefined : '5 4'}
            />
            <circle
              cx={(from + to) / 2}
              cy={TOP + 12}
              r={13}
              fill={inside ? 'var(--blue)' : 'var(--paper)'}
              stroke={`var(--${colour})`}
              strokeWidth={1.6}
            />
            <text
              x={(from + to) / 2}
              y={TOP + 17}
              textAnchor="middle"
              fill={inside ? 'var(--onInk)' : `var(--${colour})`}
              style={{ font: `600 15px ${figures}` }}
            >
              {i + 1}
            </text>
            {shown.map((item, k) => {
              const at = from + (((k % across) + 0.5) / across) * (to - from)
              const y = fluid + 44 + Math.floor(k / across) * 62
              return (
                <g key={`${item.number} ${item.body} ${item.position}`}>
                  {/* Each hangs from the rail, or from the one over it. */}
                  <path
                    d={`M${at} ${k < across ? TOP + 26 : y - 38}V${y - 16}`}
                    stroke={`var(--${colour})`}
                    strokeWidth={1}
                  />
                  <OwnPart
                    sheets={own(item)}
                    code={item.position}
                    kind={item.kind}
                    at={[at, y + 4]}
                    room={[44, 40]}
                    mode={inside ? 'now' : 'on'}
                  />
                </g>
              )
            })}
            <text
              x={(from + to) / 2}
              y={floor + 26}
              textAnchor="middle"
              fill={`var(--${colour})`}
              style={{ font: `500 15px ${figures}` }}
            >
              {load.minutes} min{rest > 0 && to - from > 120 ? ` · + ${rest}` : ''}
            </text>
            <text x={(from + to) / 2} y={floor + 46} textAnchor="middle" fill="var(--ink)" style={small}>
              {jobsOf(load, to - from)}
            </text>
          </g>
        )
      })}
      {loads.length === 0 && (
        <text
          x={(LEFT + width) / 2}
          y={(fluid + floor) / 2}
          textAnchor="middle"
          fill="var(--pencil)"
          style={{ font: `500 17px ${narrow}` }}
        >
          empty
        </text>
      )}
      <path d={`M${x(now)} 26V${floor + 6}`} stroke="var(--blue)" strokeWidth={1.8} />
      <text x={x(now) + 6} y={48} fill="var(--blue)" style={{ font: `600 15px ${narrow}` }}>
        now {clock(now)}
      </text>
      <StaysOut items={plan.byHand} y={floor + 66} width={width} own={own} />
    </>
  )
}

/** Whose parts a load has; how many more jobs where their numbers have no room. */
function jobsOf(load: Load, width: number): string {
  const numbers = [...new Set(load.items.map(({ number }) => number))]
  const fit = Math.max(1, Math.floor(width / 40))
  return numbers.length <= fit
    ? numbers.join(', ')
    : `${numbers.slice(0, Math.max(1, fit - 1)).join(', ')} + ${numbers.length - Math.max(1, fit - 1)}`
}

/** What stays out of every bath, by kind, with how it is cleaned instead. */
function StaysOut({
  items,
  y,
  width,
  own,
}: {
  items: readonly BathItem[]
  y: number
  width: number
  own: Own
}) {
  const groups = [...new Map(items.map((item) => [item.wash.why, item])).values()].slice(
    0,
    Math.max(1, Math.floor((width - LEFT) / 190)),
  )
  if (items.length === 0) return null
  const each = (width - LEFT) / groups.length
  return (
    <g>
      <path d={`M0 ${y - 10}H${width}`} stroke="var(--rule)" strokeWidth={1} />
      <text x={0} y={y + 18} fill="var(--ink)" style={{ font: `600 16px ${narrow}` }}>
        Not in a bath
      </text>
      {groups.map((item, i) => {
        const jobs = [
          ...new Set(items.filter(({ wash }) => wash.why === item.wash.why).map(({ number }) => number)),
        ]
        const [what, how = ''] = item.wash.why.split(': ')
        return (
          <g key={item.wash.why}>
            <OwnPart
              sheets={own(item)}
              code={item.position}
              kind={item.kind}
              at={[LEFT + i * each + 22, y + 26]}
              room={[38, 42]}
            />
            <text fill="var(--ink)" style={{ font: `500 15px ${narrow}` }}>
              <tspan x={LEFT + i * each + 50} y={y + 12}>
                {short(item.name, each - 56)}
              </tspan>
              <tspan x={LEFT + i * each + 50} y={y + 31} fill="var(--pencil)">
                {short(what!, each - 56)}
              </tspan>
              <tspan x={LEFT + i * each + 50} y={y + 50} fill="var(--pencil)">
                {short(how || jobs.join(', '), each - 56)}
              </tspan>
            </text>
          </g>
        )
      })}
    </g>
  )
}

/** As many letters as fit, px; the narrow face is about half as wide as high. */
const short = (words: string, room: number): string => {
  const most = Math.max(6, Math.floor(room / 6.9))
  return words.length <= most ? words : `${words.slice(0, most - 1).trimEnd()}…`
}
