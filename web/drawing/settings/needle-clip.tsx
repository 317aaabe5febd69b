import type { SettingPicture } from './props'

export const needleClip: SettingPicture = {
  Picture: ({ reading, target }) => <NeedleClip groove={reading.value} target={target} />,
}

/** The main needle with its grooves, counted from the blunt end, and the clip in one of them. */
function NeedleClip({ groove, target }: { groove: number | null; target: number }) {
  const shown = groove ?? target
  const y = (n: number) => 90 + n * 26
  return (
    <svg
      viewBox="0 0 760 500"
      role="img"
      aria-label={`Main needle, clip in groove ${shown} from the blunt end, wants ${target}.`}
      style={{ width: '100%', height: '100%' }}
    >
      <path
        d="M352 70h56v190l-18 190h-20l-18-190Z"
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      {[1, 2, 3, 4, 5].map((n) => (
        <g key={n}>
          <path
            d={`M352 ${y(n) - 4}h6v8h-6M408 ${y(n) - 4}h-6v8h6`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <text x={430} y={y(n) + 5} fill="var(--pencil)" style={{ font: "500 16px 'JetBrains Mono'" }}>
            {n}
          </text>
        </g>
      ))}
      <rect
        x={318}
        y={y(shown) - 4}
        width={124}
        height={8}
        fill={groove === null ? 'var(--ink)' : 'var(--blue)'}
      />
      {shown !== target && (
        <rect
          x={318}
          y={y(target) - 4}
          width={124}
          height={8}
          fill="none"
          stroke="var(--red)"
          strokeWidth={2}
          strokeDasharray="6 4"
        />
      )}
      <text
        x={380}
        y={54}
        textAnchor="middle"
        fill="var(--ink)"
        style={{ font: "500 16px 'Barlow Semi Condensed'" }}
      >
        blunt end: count from here
      </text>
      <text x={470} y={y(1) + 5} fill="var(--ink)" style={{ font: "500 16px 'Barlow Semi Condensed'" }}>
        clip up: needle hangs lower, leaner in the middle
      </text>
      <text x={470} y={y(5) + 5} fill="var(--ink)" style={{ font: "500 16px 'Barlow Semi Condensed'" }}>
        clip towards the point: needle up, richer in the middle
      </text>
    </svg>
  )
}
