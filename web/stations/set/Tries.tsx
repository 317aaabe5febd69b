import { showValue } from '@ekrond/core/measure'
import type { ReadingData } from '@ekrond/core/log'
import type { SettingSpec } from '@ekrond/core/sheets'
import { Text } from '../../drawing'

const W = 430
const H = 66

/** Every try against its band, converging: hollow before, filled the last, red where the remedy aims. */
export function Tries({
  setting,
  said,
  target,
  typed,
}: {
  setting: SettingSpec
  said: readonly ReadingData[]
  target: number
  typed: number | null
}) {
  const lo = setting.lo ?? target
  const hi = setting.hi ?? target
  const values = [...said.slice(-6).map((r) => r.value), ...(typed === null ? [] : [typed])]
  const half = Math.max((hi - lo) / 2, ...values.map((v) => Math.abs(v - (lo + hi) / 2)), 0.01) * 1.25
  const y = (v: number) => H / 2 - ((v - (lo + hi) / 2) / half) * (H / 2 - 13)
  const x = (i: number) => 34 + i * 66
  const words = said.map((r) => showValue(r.value, setting.quantity)).join(', ')
  const last = values.at(-1)
  const out = last !== undefined && (last < lo || last > hi)
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`Tries: ${words || 'none yet'}. Band ${setting.asWritten}.`}
      style={{ width: '100%', maxHeight: 110, flex: 'none' }}
    >
      <rect x={0} y={y(hi)} width={W} height={Math.max(2, y(lo) - y(hi))} fill="var(--tint)" />
      <path d={`M0 ${y(hi)}H${W}M0 ${y(lo)}H${W}`} stroke="var(--line)" strokeWidth={1.5} />
      <line x1={0} x2={W} y1={y(target)} y2={y(target)} stroke="var(--line)" strokeDasharray="14 4 3 4" />
      {values.map(
        (v, i) =>
          i > 0 && (
            <line
              key={i}
              x1={x(i - 1)}
              y1={y(values[i - 1]!)}
              x2={x(i)}
              y2={y(v)}
              stroke="var(--pencil)"
              strokeWidth={1.6}
              strokeDasharray="3 4"
            />
          ),
      )}
      {out && (
        <>
          <line
            x1={x(values.length - 1)}
            y1={y(last)}
            x2={x(values.length)}
            y2={y(target)}
            stroke="var(--red)"
            strokeWidth={1.8}
            strokeDasharray="6 4"
          />
          <circle
            cx={x(values.length)}
            cy={y(target)}
            r={6}
            fill="none"
            stroke="var(--red)"
            strokeWidth={2}
          />
        </>
      )}
      {values.map((v, i) => (
        <g key={i}>
          <circle
            cx={x(i)}
            cy={y(v)}
            r={i === values.length - 1 ? 8 : 6}
            fill={i === values.length - 1 ? 'var(--pencil)' : 'var(--paper)'}
            stroke="var(--pencil)"
            strokeWidth={2}
          />
          <Text
            at={[x(i) + 12, Math.min(H - 4, Math.max(13, y(v) + (v > target ? -6 : 16)))]}
            size={14}
            face="figures"
          >
            {showValue(v, setting.quantity)}
          </Text>
        </g>
      ))}
    </svg>
  )
}
