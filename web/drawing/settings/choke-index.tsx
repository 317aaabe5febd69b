import { showValue } from '@ekrond/core/measure'
import { Drawing, Text, type Point } from '../index'
import { isOut, type SettingPicture } from './props'

const DEG = Math.PI / 180

export const chokeIndexPicture: SettingPicture = {
  Picture: ({ spec, reading, target }) =>
    spec.choke && (
      <CoverIndex
        notches={reading.value}
        target={target}
        notchDegrees={spec.choke.notchDegrees}
        out={isOut(reading)}
      />
    ),
}

/** The coil's cover against its housing: each mark one notch. */
export function CoverIndex({
  notches,
  target,
  notchDegrees,
  out,
}: {
  notches: number | null
  target: number
  notchDegrees: number
  out: boolean
}) {
  const shown = notches ?? target
  // Drawn wider than life so that a notch can be seen across the bench.
  const spread = Math.max(notchDegrees, 11)
  const at = (n: number, r: number): Point => [
    380 + r * Math.sin(n * spread * DEG),
    260 - r * Math.cos(n * spread * DEG),
  ]
  return (
    <Drawing
      width={760}
      height={500}
      title={`Choke cover at ${showValue(shown, 'notches')}, target ${showValue(target, 'notches')}.`}
    >
      <circle cx={380} cy={260} r={180} fill="none" stroke="var(--ink)" strokeWidth={2} />
      {[-4, -3, -2, -1, 0, 1, 2, 3, 4].map((n) => {
        const [a, b] = [at(n, 180), at(n, n === 0 ? 150 : 164)]
        return (
          <line
            key={n}
            x1={a[0]}
            y1={a[1]}
            x2={b[0]}
            y2={b[1]}
            stroke="var(--ink)"
            strokeWidth={n === 0 ? 4 : 2}
          />
        )
      })}
      <circle cx={380} cy={260} r={140} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <path
        d={`M380 260 m-10 0 a10 10 0 1 1 20 0 a20 20 0 1 1 -40 0 a32 32 0 1 1 64 0 a46 46 0 1 1 -92 0 a62 62 0 1 1 124 0`}
        fill="none"
        stroke="var(--line)"
        strokeWidth={3}
      />
      <path
        d={`M${at(shown, 146).join(' ')} L${at(shown + 0.35, 122).join(' ')} L${at(shown - 0.35, 122).join(' ')} Z`}
        fill={notches === null ? 'var(--ink)' : 'var(--pencil)'}
      />
      {out && (
        <path
          d={`M${at(target, 147).join(' ')} L${at(target + 0.35, 122).join(' ')} L${at(target - 0.35, 122).join(' ')} Z`}
          fill="none"
          stroke="var(--red)"
          strokeWidth={2.2}
        />
      )}
      <Text at={[380, 58]} anchor="middle">
        housing’s long mark
      </Text>
      <Text at={[at(4, 214)[0], at(4, 214)[1]]} anchor="middle" size={18}>
        rich
      </Text>
      <Text at={[at(-4, 214)[0], at(-4, 214)[1]]} anchor="middle" size={18}>
        lean
      </Text>
      <Text at={[380, 476]} anchor="middle" colour="pencil" size={15}>
        {`drawn larger: one notch is ${notchDegrees}°`}
      </Text>
    </Drawing>
  )
}
