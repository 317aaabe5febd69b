/** A model told by its flange: how many bores, which way the air goes. To one scale, so that large ones look large. */
export function ModelMark({ features }: { features: Readonly<Record<string, string | number>> }) {
  const barrels = Number(features.barrels ?? 1)
  const bore = Number(features.throttleBoreMm ?? 30) * 0.5
  const draft = String(features.draft)
  const columns = barrels === 1 ? 1 : 2
  const rows = barrels === 4 ? 2 : 1
  const [cx, cy] = [62, 34]
  const step = bore + 3
  const bolts = barrels === 1 ? (Number(features.flangeBoltSpacingMm ?? 60) * 0.5) / 2 : 0
  const half =
    barrels === 1
      ? { x: bore / 2 + 3, y: bore / 2 + 4 }
      : { x: (columns * step) / 2 + 3, y: (rows * step) / 2 + 3 }
  const centres = Array.from({ length: barrels }, (_, i) => [
    cx + ((i % columns) - (columns - 1) / 2) * step,
    cy + (Math.floor(i / columns) - (rows - 1) / 2) * step,
  ])
  const way = {
    down: 'M8 18V46M3 40 8 48 13 40',
    up: 'M8 50V22M3 28 8 20 13 28',
    side: 'M2 34H16M10 29 18 34 10 39',
  }[draft]
  const word = { down: 'downdraft', up: 'updraft', side: 'side-draft' }[draft] ?? draft
  return (
    <svg
      width="96"
      height="58"
      viewBox="0 0 112 68"
      role="img"
      aria-label={`${barrels === 1 ? 'one bore' : `${barrels} bores`} of ${features.throttleBoreMm} mm, ${word}`}
      style={{ flex: 'none' }}
    >
      <path d={way} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
      <rect
        x={cx - half.x}
        y={cy - half.y}
        width={half.x * 2}
        height={half.y * 2}
        rx="3"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.6"
      />
      {bolts > 0 &&
        [-1, 1].map((side) => (
          <g key={side} stroke="var(--ink)" fill="none">
            <path
              d={`M${cx + side * half.x} ${cy - 6}H${cx + side * bolts}a6 6 0 0 ${side > 0 ? 1 : 0} 0 12H${cx + side * half.x}`}
              strokeWidth="1.6"
            />
            <circle cx={cx + side * bolts} cy={cy} r="2" strokeWidth="1.2" />
          </g>
        ))}
      {centres.map(([x, y], i) => (
        <g key={i} stroke="var(--ink)" fill="none">
          <circle cx={x} cy={y} r={bore / 2} strokeWidth="1.8" />
          <path
            d={`M${x! - bore / 2 - 3} ${y}H${x! + bore / 2 + 3}M${x} ${y! - bore / 2 - 3}V${y! + bore / 2 + 3}`}
            stroke="var(--line)"
            strokeWidth="0.8"
            strokeDasharray="5 2 1 2"
          />
        </g>
      ))}
    </svg>
  )
}
