import type { Advice } from '@ekrond/core/physics/bank'
import { figure } from '@ekrond/core/measure'
import { Drawing, Text } from '../../drawing'

const W = 800
const H = 520

/** The bank from above with its couplers, and a column of each barrel beneath: how far each stands from the one that leads, and where the turns that are advised should bring it. */
export function BankColumns({
  readings,
  lead,
  allowed,
  unit,
  advice,
  missing,
  bodies,
  turn,
}: {
  readings: readonly number[] | null
  lead: number
  allowed: number
  unit: string
  advice: Advice | null
  missing: readonly number[]
  bodies: number
  turn: (sixteenths: number) => string
}) {
  const places = unit === 'mm' ? 2 : 0
  const pitch = (W - 120) / bodies
  const x = (i: number) => 90 + pitch * (i + 0.5)
  const wide = Math.min(112, pitch * 0.6)
  const leads = readings?.[lead] ?? 0
  const half = readings ? Math.max(allowed * 2, ...readings.map((one) => Math.abs(one - leads))) * 1.25 : 1
  const y = (v: number) => 400 - ((v - leads) / half) * 78
  const rank = (c: number) => advice?.steps.findIndex(({ coupler }) => coupler === c) ?? -1
  return (
    <Drawing
      width={W}
      height={H}
      title={
        readings
          ? `Bank of ${bodies}: ${readings.map((one, i) => `carburetor ${i + 1} ${figure(one, places)}`).join(', ')} ${unit}.`
          : `Bank of ${bodies}, no reading yet.`
      }
    >
      <rect
        x={70}
        y={58}
        width={W - 80}
        height={20}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {Array.from({ length: bodies }, (_, i) => {
        const cx = x(i)
        const open = readings ? Math.min(16, 3 + (Math.max(0, readings[i]! - leads + half) / half) * 5) : 6
        return (
          <g key={i}>
            <path
              d={`M${cx - wide / 2 + 8} 58 l10 -26 h${wide - 36} l10 26z`}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
            <Text at={[cx, 53]} anchor="middle" size={20} weight={600}>
              {i + 1}
            </Text>
            <rect
              x={cx - wide / 2}
              y={78}
              width={wide}
              height={102}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
            <circle cx={cx} cy={128} r={44} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
            <path
              d={`M${cx - 40} ${128 - open} A 41 41 0 0 1 ${cx + 40} ${128 - open}Z M${cx - 40} ${128 + open} A 41 41 0 0 0 ${cx + 40} ${128 + open}Z`}
              fill="var(--ink)"
            />
            {[-16, 16].map((dx) => (
              <circle
                key={dx}
                cx={cx + dx}
                cy={128}
                r={5}
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth={1.6}
              />
            ))}
            <path d={`M${cx - 7} 180 v104 M${cx + 7} 180 v104`} stroke="var(--ink)" strokeWidth={2} />
          </g>
        )
      })}
      {Array.from({ length: bodies - 1 }, (_, c) => {
        const cx = (x(c) + x(c + 1)) / 2
        const step = advice?.steps.find(({ coupler }) => coupler === c)
        const n = rank(c)
        const gone = missing.includes(c)
        return (
          <g key={c}>
            <path
              d={`M${x(c) + wide / 2} 128 H${x(c + 1) - wide / 2}`}
              stroke={gone ? 'var(--line)' : 'var(--ink)'}
              strokeWidth={3}
              strokeDasharray={gone ? '3 5' : undefined}
            />
            {!gone && (
              <>
                <circle
                  cx={cx}
                  cy={128}
                  r={13}
                  fill="var(--paper)"
                  stroke={step ? 'var(--red)' : 'var(--ink)'}
                  strokeWidth={2.2}
                />
                <line
                  x1={cx - 8}
                  y1={134}
                  x2={cx + 8}
                  y2={122}
                  stroke={step ? 'var(--red)' : 'var(--ink)'}
                  strokeWidth={2.4}
                />
              </>
            )}
            {step && (
              <>
                <line x1={cx} y1={142} x2={cx} y2={196} stroke="var(--red)" />
                <Text at={[cx, 214]} anchor="middle" colour="red" weight={600}>
                  {n === 0 ? 'first' : n === (advice?.steps.length ?? 0) - 1 ? 'last' : 'then'}
                </Text>
                <Text at={[cx, 236]} anchor="middle" colour="red" size={19} weight={600}>
                  {turn(step.sixteenths)}
                </Text>
                <Text at={[cx, 256]} anchor="middle">{`${c + 1}–${c + 2}`}</Text>
              </>
            )}
          </g>
        )
      })}
      <path
        d={`M70 ${H - 34} V${H - 14} H${W - 10} V${H - 34}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      {readings && (
        <>
          <rect
            x={70}
            y={y(leads + allowed / 2)}
            width={W - 80}
            height={y(leads - allowed / 2) - y(leads + allowed / 2)}
            fill="var(--tint)"
          />
          {ticksOf(leads, half).map((tick) => (
            <g key={tick}>
              <line x1={70} x2={W - 10} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" strokeWidth={1.2} />
              <Text at={[62, y(tick) + 5]} anchor="end" face="figures" size={15} colour="pencil">
                {figure(tick, places)}
              </Text>
            </g>
          ))}
          <line
            x1={70}
            x2={W - 10}
            y1={y(leads)}
            y2={y(leads)}
            stroke="var(--ink)"
            strokeDasharray="12 4 2 4"
          />
          <Text at={[62, 288]} anchor="end" size={15} colour="pencil">
            {unit}
          </Text>
          <Text at={[W - 6, y(leads) - 6]} anchor="end" face="figures" size={15} colour="pencil">
            {`±${figure(allowed / 2, places === 2 ? 3 : 0)}`}
          </Text>
        </>
      )}
      {Array.from({ length: bodies }, (_, i) => (
        <Column
          key={i}
          x={x(i)}
          y={y}
          value={readings?.[i]}
          goal={advice?.steps.length && i !== lead ? advice.after[i] : undefined}
          out={readings !== null && Math.abs(readings[i]! - leads) > allowed / 2}
          leads={i === lead}
          places={places}
        />
      ))}
      {!readings && (
        <Text at={[W / 2, 390]} anchor="middle" colour="pencil">
          No reading yet.
        </Text>
      )}
    </Drawing>
  )
}

/** Heights of a scale's lines: round figures, about three to each side of the one that leads. */
function ticksOf(middle: number, half: number): number[] {
  const rough = half / 3
  const ten = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((n) => n * ten).find((one) => one >= rough) ?? 10 * ten
  const first = Math.ceil((middle - half) / step)
  const last = Math.floor((middle + half) / step)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step)
}

const clamp = (y: number) => Math.max(296, Math.min(H - 20, y))

/** One barrel's column, its fluid where it was read, and where the turns that are advised should bring it. */
function Column({
  x,
  y,
  value,
  goal,
  out,
  leads,
  places,
}: {
  x: number
  y: (value: number) => number
  value: number | undefined
  goal: number | undefined
  out: boolean
  leads: boolean
  places: number
}) {
  const level = value === undefined ? H - 40 : clamp(y(value))
  const aim = goal === undefined ? level : clamp(y(goal))
  const moves = goal !== undefined && Math.abs(aim - level) > 5
  // Two figures one over the other keep a line's height between them.
  const said = moves && Math.abs(aim - level) < 22 ? level + (aim < level ? -22 : 22) : aim
  return (
    <g>
      <rect
        x={x - 15}
        y={284}
        width={30}
        height={H - 300}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <rect x={x - 14} y={level} width={28} height={H - 16 - level} fill="url(#fuel)" stroke="none" />
      {value !== undefined && (
        <Text
          at={[x + 22, leads ? level - 8 : level + 6]}
          face="figures"
          size={20}
          colour={moves ? 'pencil' : out ? 'red' : 'ink'}
          weight={leads ? 700 : 500}
        >
          {`${figure(value, places)}${leads ? ' leads' : ''}`}
        </Text>
      )}
      {moves && goal !== undefined && (
        <g stroke="var(--red)" strokeWidth={2} fill="none">
          <path d={`M${x + 18} ${level - 1}h48`} strokeWidth={1.6} />
          <path d={`M${x} ${level}V${aim + (aim < level ? 8 : -8)}`} />
          <path d={`M${x} ${aim}l-5 ${aim < level ? 11 : -11}h10Z`} fill="var(--red)" stroke="none" />
          <path d={`M${x - 15} ${aim}h30`} />
          <g stroke="none">
            <Text at={[x + 22, said + 6]} face="figures" size={20} weight={600} colour="red">
              {figure(goal, places)}
            </Text>
          </g>
        </g>
      )}
    </g>
  )
}
