import { Balloon, CentreLine, Dimension, Drawing, Leader, Text, type Point } from '../../drawing'

interface PlanFeatures {
  barrels: number
  /** null where the library does not have it: a unit that was taught, and not measured there */
  throttleBoreMm: number | null
  venturiMm: number | null
  flangeBoltSpacingMm: number | null
  chokeKind: string
}

/** Usual flange bolts, mm, and how they go with the bore. */
const USUAL_BOLTS = 62
const BOLTS_OVER_BORE = 2.2

/** The unit from its flange side, to the leading candidate's measures; what was measured is pencil, what to measure next blue. */
export function PlanView({
  features,
  seen,
  look,
}: {
  features: PlanFeatures
  seen: Record<string, string>
  look: string | null
}) {
  const {
    barrels,
    throttleBoreMm: knownBore,
    venturiMm: venturi,
    flangeBoltSpacingMm: knownBolts,
    chokeKind,
  } = features
  // What nobody measured is drawn in the usual proportion, its figure left open.
  const bore = knownBore ?? (knownBolts ?? USUAL_BOLTS) / BOLTS_OVER_BORE
  const bolts = knownBolts ?? bore * BOLTS_OVER_BORE
  const k = Math.min(4.2, 300 / bolts)
  const [cx, cy] = [232, 250]
  const wide = barrels > 1
  const offset = wide ? (bore / 2 + 3) * k : 0
  // Four stand in two rows, the pair that opens first in front.
  const rows = barrels === 4 ? [cy + offset, cy - offset] : [cy]
  const centres = rows.flatMap((y): Point[] =>
    wide
      ? [
          [cx - offset, y],
          [cx + offset, y],
        ]
      : [[cx, y]],
  )
  const half = (bolts / 2) * k
  const tall = barrels === 4 ? bore * k * 1.25 : wide ? bore * k * 0.72 : bore * k * 0.85
  const boltAt: Point[] = wide
    ? [
        [cx - half, cy - tall * 0.8],
        [cx + half, cy - tall * 0.8],
        [cx - half, cy + tall * 0.8],
        [cx + half, cy + tall * 0.8],
      ]
    : [
        [cx - half, cy],
        [cx + half, cy],
      ]
  const body = wide
    ? ((w) => ({ x: cx - w / 2, w }))(2 * (offset + (bore / 2) * k) + 30)
    : { x: cx - bore * k * 0.8, w: bore * k * 1.6 }
  const coil = chokeKind.startsWith('coil')
  const colourOf = (feature: string) => (look === feature ? 'blue' : 'ink')
  return (
    <Drawing
      width={480}
      height={520}
      title={`Plan of the leading candidate: ${barrels} barrel${barrels > 1 ? 's' : ''}, bore ${knownBore ?? 'not known'} mm, venturi ${venturi ?? 'not known'} mm, flange bolts ${knownBolts ?? 'not known'} mm, choke ${chokeKind}.`}
    >
      <rect
        x={cx - half - 24}
        y={cy - (wide ? tall * 0.8 + 24 : 34)}
        width={2 * half + 48}
        height={wide ? tall * 1.6 + 48 : 68}
        rx={22}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <rect
        x={body.x}
        y={cy - tall - 6}
        width={body.w}
        height={2 * tall + 12}
        rx={10}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.2}
      />
      {boltAt.map(([x, y], i) => (
        <g key={i}>
          <circle cx={x} cy={y} r={9} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.8} />
          <CentreLine from={[x - 16, y]} to={[x + 16, y]} />
          <CentreLine from={[x, y - 16]} to={[x, y + 16]} />
        </g>
      ))}
      {centres.map(([x, y], i) => (
        <g key={i}>
          <circle
            cx={x}
            cy={y}
            r={(bore / 2) * k}
            fill="var(--paper)"
            stroke={`var(--${i === 0 ? colourOf('throttleBoreMm') : 'ink'})`}
            strokeWidth={i === 0 && look === 'throttleBoreMm' ? 3.4 : 2.2}
          />
          {venturi !== null && (
            <circle
              cx={x}
              cy={y}
              r={(venturi / 2) * k}
              fill="none"
              stroke={`var(--${colourOf('venturiMm')})`}
              strokeWidth={look === 'venturiMm' ? 3 : 1.4}
              strokeDasharray="6 4"
            />
          )}
          <CentreLine from={[x, y - (bore / 2) * k - 14]} to={[x, y + (bore / 2) * k + 14]} />
        </g>
      ))}
      <CentreLine from={[cx - half - 34, cy]} to={[cx + half + 34, cy]} />
      {coil && (
        <g>
          <circle
            cx={cx + half + 6}
            cy={cy - tall - 30}
            r={32}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2.2}
          />
          <path
            d={`M${cx + half + 6} ${cy - tall - 30} m-4 0 a6 6 0 1 1 10 4 a12 12 0 1 1 4 -16`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.8}
          />
        </g>
      )}
      <Leader from={[74, cy - tall - 62]} to={[body.x + 30, cy - tall - 6]} />
      <Balloon at={[62, cy - tall - 74]} number={1} text="mark" />
      <Leader
        from={[58, cy + tall * 0.4 + 74]}
        to={[centres[0]![0] - (bore / 2) * k * 0.7, centres[0]![1] + (bore / 2) * k * 0.7]}
        colour={colourOf('throttleBoreMm')}
      />
      <Text
        at={[12, cy + tall * 0.4 + 94]}
        size={19}
        face="figures"
        colour={look === 'throttleBoreMm' ? 'blue' : seen.throttleBoreMm ? 'pencil' : 'ink'}
      >
        {look === 'throttleBoreMm' ? 'measure' : `⌀${seen.throttleBoreMm ?? knownBore ?? '?'}`}
      </Text>
      <Dimension
        from={[cx - half, cy + tall + 74]}
        to={[cx + half, cy + tall + 74]}
        at={{ from: boltAt.at(-2)!, to: boltAt.at(-1)! }}
        text={
          look === 'flangeBoltSpacingMm' ? 'measure' : String(seen.flangeBoltSpacingMm ?? knownBolts ?? '?')
        }
        colour={look === 'flangeBoltSpacingMm' ? 'blue' : seen.flangeBoltSpacingMm ? 'pencil' : 'ink'}
        textAt={[cx - 30, cy + tall + 66]}
      />
    </Drawing>
  )
}
