import type { ClaimState } from '@ekrond/core/claims'

export const MARK_WORDS: Readonly<Record<ClaimState, string>> = {
  shown: 'done',
  open: 'open',
  void: 'redo',
  contradicted: 'disputed',
  excepted: 'exception',
  'out of scope': 'not asked for',
}

/** Whether something was shown, as a shape of radius `r` about a place: never by its colour alone. */
export function MarkAt({ state, x, y, r = 6 }: { state: ClaimState; x: number; y: number; r?: number }) {
  const w = Math.max(1.4, r / 4)
  switch (state) {
    case 'shown':
      return (
        <g>
          <circle cx={x} cy={y} r={r} fill="var(--green)" />
          <path
            d={`M${x - r * 0.5} ${y + r * 0.05}l${r * 0.35} ${r * 0.4} ${r * 0.65} ${-r * 0.85}`}
            fill="none"
            stroke="var(--paper)"
            strokeWidth={w}
          />
        </g>
      )
    case 'open':
      return <circle cx={x} cy={y} r={r - w / 2} fill="var(--paper)" stroke="var(--blue)" strokeWidth={w} />
    case 'void':
      return (
        <g stroke="var(--red)" strokeWidth={w}>
          <circle cx={x} cy={y} r={r - w / 2} fill="var(--paper)" />
          <path d={`M${x - r} ${y + r}L${x + r} ${y - r}`} />
        </g>
      )
    case 'contradicted':
      return (
        <path
          d={`M${x} ${y - r}l${r} ${r}-${r} ${r}-${r}-${r}Z`}
          fill="var(--paper)"
          stroke="var(--red)"
          strokeWidth={w}
        />
      )
    case 'excepted':
      return (
        <rect
          x={x - r + w / 2}
          y={y - r + w / 2}
          width={2 * r - w}
          height={2 * r - w}
          fill="var(--paper)"
          stroke="var(--red)"
          strokeWidth={w}
        />
      )
    case 'out of scope':
      return (
        <circle
          cx={x}
          cy={y}
          r={r - w / 2}
          fill="none"
          stroke="var(--pencil)"
          strokeWidth={w}
          strokeDasharray="2 2"
        />
      )
  }
}

/** The same within a line of words. */
export function Mark({ state, size = 14 }: { state: ClaimState; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox={`0 0 ${size} ${size}`}
      role="img"
      aria-label={MARK_WORDS[state]}
      style={{ flex: 'none', verticalAlign: '-2px' }}
    >
      <MarkAt state={state} x={size / 2} y={size / 2} r={size / 2 - 0.5} />
    </svg>
  )
}
