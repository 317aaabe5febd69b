import { figure } from '@ekrond/core/measure'
import { Dimension, Text } from '../../drawing'

const R = 58
/** So many pixels a millimetre in the circle. */
const PER_MM = 15

/** The tank over the bench with its head, where fuel comes from one, and the level where it is read, enlarged: between its limits or not. */
export function WetMarks({
  room: { width, height },
  headMm,
  pressureKpa,
  band: { lo, hi },
  good,
  read,
}: {
  room: { width: number; height: number }
  /** of the bench's fluid over the seat, mm */
  headMm: number
  pressureKpa: number
  /** mm below the face */
  band: { lo: number; hi: number }
  /** whether what was read holds */
  good: boolean
  /** mm below the face; null while nothing was read */
  read: number | null
}) {
  return (
    <>
      {width > 560 && <Tank x={width - 96} headMm={headMm} kpa={pressureKpa} />}
      {read !== null && <Detail at={[R + 14, height - R - 32]} lo={lo} hi={hi} read={read} good={good} />}
    </>
  )
}

function Tank({ x, headMm, kpa }: { x: number; headMm: number; kpa: number }) {
  return (
    <g>
      <path d={`M${x} 14 v40 h72 v-40`} fill="none" stroke="var(--ink)" strokeWidth={2.2} />
      <path d={`M${x + 1} 26 h70 v27 h-70z`} fill="url(#fuel)" />
      <path d={`M${x} 26 h72`} stroke="var(--ink)" strokeWidth={1.6} />
      <path
        d={`M${x + 32} 54 v26 l-6 5 16 6 -10 6 v18 M${x + 42} 54 v24 l-6 5 16 6 -10 6 v20`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      <Dimension from={[x - 16, 26]} to={[x - 16, 116]} at={{ from: [x, 26], to: [x + 30, 116] }} text="" />
      <Text at={[x - 26, 66]} anchor="end" face="figures" size={17}>
        {`${figure(headMm / 1000, 2)} m`}
      </Text>
      <Text at={[x - 26, 86]} anchor="end">
        {`is ${figure(kpa)} kPa`}
      </Text>
      <Text at={[x - 26, 122]} anchor="end" colour="pencil">
        at the seat
      </Text>
    </g>
  )
}

function Detail({
  at: [cx, cy],
  lo,
  hi,
  read,
  good,
}: {
  at: [number, number]
  lo: number
  hi: number
  read: number
  good: boolean
}) {
  const middle = (lo + hi) / 2
  // A reading far off keeps its side of the circle.
  const y = (mm: number) => cy + Math.max(-R + 8, Math.min(R - 8, (mm - middle) * PER_MM))
  return (
    <g>
      <defs>
        <clipPath id="wet-detail">
          <circle cx={cx} cy={cy} r={R} />
        </clipPath>
      </defs>
      <g clipPath="url(#wet-detail)">
        <rect x={cx - R} y={cy - R} width={2 * R} height={2 * R} fill="var(--paper)" />
        <rect x={cx - R} y={y(lo)} width={2 * R} height={y(hi) - y(lo)} fill="var(--tint)" />
        <rect x={cx - R} y={y(read)} width={2 * R} height={2 * R} fill="url(#fuel)" />
        {[lo, hi].map((mm) => (
          <path key={mm} d={`M${cx - R} ${y(mm)} h${2 * R}`} stroke="var(--ink)" strokeDasharray="7 4" />
        ))}
        <path
          d={`M${cx - R} ${y(read)} h${2 * R}`}
          stroke={good ? 'var(--ink)' : 'var(--red)'}
          strokeWidth={2.6}
        />
        <path
          d={`M${cx - 12} ${cy - R} L${cx} ${y(read)} L${cx + 12} ${cy - R}`}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.8}
        />
      </g>
      <circle cx={cx} cy={cy} r={R} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      {[lo, hi].map((mm) => (
        <Text key={mm} at={[cx + R + 8, y(mm) + 5]} face="figures" size={15} colour="pencil">
          {figure(mm)}
        </Text>
      ))}
      <Text at={[cx - R, cy + R + 22]} face="figures" size={18} weight={600} colour={good ? 'ink' : 'red'}>
        {figure(read)}
      </Text>
      <Text at={[cx - R + 50, cy + R + 21]}>below the face</Text>
    </g>
  )
}
