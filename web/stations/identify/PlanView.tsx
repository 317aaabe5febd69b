import { boxOf, fitted } from '@ekrond/core/unit/drawing'
import { flangeView } from '@ekrond/core/unit/families'
import type { Sheets } from '@ekrond/core/sheets'
import { Balloon, CentreLine, Dimension, Drawing, Leader, ScaleBar, scaleOf, Text } from '../../drawing'
import { CutLine } from '../../drawing/CutLine'
import { pathOf, type View } from '../../drawing/Pieces'

interface PlanFeatures {
  /** null where the library does not have it: a unit that was taught, and not measured there */
  throttleBoreMm: number | null
  venturiMm: number | null
  flangeBoltSpacingMm: number | null
  chokeKind: string
}

const WIDTH = 480
const HEIGHT = 520
/** Over the drawing the mark's balloon, under it the bolts' dimension, px. */
const HEAD = 76
const FOOT = 84
/** Beside it the dimension of bolts that stand behind one another, px. */
const LANE = 84

/** What the heading over it says: which way it is looked at. */
export const planHeading = (sheets: Pick<Sheets, 'spec' | 'build'>, features: PlanFeatures): string =>
  flangeView(sheets, features).seen === 'from above' ? 'Plan, from above' : 'At the flange'

/** The picked candidate at its bores, from its family's outlines and its own measures; what was measured is pencil, what to measure next blue. */
export function PlanView({
  sheets,
  features,
  seen,
  look,
}: {
  sheets: Pick<Sheets, 'spec' | 'build'>
  features: PlanFeatures
  seen: Record<string, string>
  look: string | null
}) {
  const { throttleBoreMm: bore, venturiMm: venturi, flangeBoltSpacingMm: bolts, chokeKind } = features
  const plan = flangeView(sheets, features)
  const coil = chokeKind.startsWith('coil')
  const all = boxOf(
    [...plan.outlines.map(({ line }) => line), ...(plan.cut ? [[plan.cut.from, plan.cut.to]] : [])].map(
      (line) => ({ line, closed: true, stroke: 'seen' as const }),
    ),
  )
  const [one, other] = plan.pair
  const upright = Math.abs(one[0] - other[0]) < Math.abs(one[1] - other[1])
  const fit = fitted(all, { width: WIDTH - (upright ? LANE : 0), height: HEIGHT - HEAD - FOOT }, 30)
  const view: View = { perMm: fit.perMm, origin: [fit.origin[0], fit.origin[1] + HEAD] }
  const scale = scaleOf(view.perMm, view.origin)
  const colourOf = (feature: string) => (look === feature ? 'blue' : 'ink')
  const measured = (feature: string, value: number | null) =>
    look === feature ? 'measure' : (seen[feature] ?? String(value ?? '?'))
  const inkOf = (feature: string) => (look === feature ? 'blue' : seen[feature] ? 'pencil' : 'ink')
  const { barrels } = sheets.spec
  const first = plan.bores[0]!
  const centre = scale([first.at[0], first.at[1]])
  const radius = (first.boreMm / 2) * view.perMm
  const top = scale([all.x0, all.y1])[1]
  const foot = scale([all.x0, all.y0])[1]
  const [a, b] = [scale([one[0], one[1]]), scale([other[0], other[1]])]
  const across = upright ? scale([all.x1, 0])[0] + 16 : foot + 42
  const at = scale([plan.mark[0] + 8, plan.mark[1]])
  // Its balloon over the drawing, or beside it where the mark stands further down.
  const high = at[1] - top < 40
  const balloon = high
    ? ([at[0] - 28, top - 46] as const)
    : ([scale([all.x0, 0])[0] - 26, at[1] + 4] as const)
  return (
    <Drawing
      width={WIDTH}
      height={HEIGHT}
      title={`${plan.seen === 'from above' ? 'Plan from above' : 'At the flange'}: ${barrels} barrel${barrels > 1 ? 's' : ''}, bore ${bore ?? 'not known'} mm, venturi ${venturi ?? 'not known'} mm, flange bolts ${bolts ?? 'not known'} mm, choke ${chokeKind}.`}
    >
      {plan.outlines.map(({ name, line }, i) => (
        <path
          key={name}
          d={pathOf(line, true, view)}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={i === plan.outlines.length - 1 ? 2.2 : 1.8}
        />
      ))}
      {coil && <Coil at={scale([all.x1 - 4, all.y1 + 8])} colour={colourOf('chokeKind')} />}
      {plan.bolts.map(([x, y], i) => {
        const [bx, by] = scale([x, y])
        return (
          <g key={i}>
            <circle
              cx={bx}
              cy={by}
              r={Math.max(5, 2.9 * view.perMm)}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={1.6}
            />
            <CentreLine from={[bx - 14, by]} to={[bx + 14, by]} />
            <CentreLine from={[bx, by - 14]} to={[bx, by + 14]} />
          </g>
        )
      })}
      {plan.bores.map(({ at: [x, y], boreMm, venturiMm }, i) => {
        const [cx, cy] = scale([x, y])
        const r = (boreMm / 2) * view.perMm
        return (
          <g key={i}>
            <circle
              cx={cx}
              cy={cy}
              r={r}
              fill="var(--paper)"
              stroke={`var(--${i === 0 ? colourOf('throttleBoreMm') : 'ink'})`}
              strokeWidth={i === 0 && look === 'throttleBoreMm' ? 3.4 : 2.2}
            />
            {venturiMm !== null && (
              <circle
                cx={cx}
                cy={cy}
                r={(venturiMm / 2) * view.perMm}
                fill="none"
                stroke={`var(--${colourOf('venturiMm')})`}
                strokeWidth={look === 'venturiMm' ? 3 : 1.4}
                strokeDasharray="6 4"
              />
            )}
            <CentreLine from={[cx, cy - r - 10]} to={[cx, cy + r + 10]} />
            <CentreLine from={[cx - r - 10, cy]} to={[cx + r + 10, cy]} />
          </g>
        )
      })}
      {plan.cut && <CutLine cut={plan.cut} scale={scale} />}
      <Leader from={high ? [balloon[0] + 6, balloon[1] + 12] : [balloon[0] + 12, balloon[1]]} to={at} />
      <Balloon at={balloon} number={1} text="mark" side={high ? 'right' : 'left'} />
      <Leader
        from={[Math.max(70, centre[0] - radius - 60), foot + 26]}
        to={[centre[0] - radius * 0.7, centre[1] + radius * 0.7]}
        colour={colourOf('throttleBoreMm')}
      />
      <Text
        at={[Math.max(70, centre[0] - radius - 60) - 6, foot + 42]}
        size={19}
        face="figures"
        anchor="end"
        colour={inkOf('throttleBoreMm')}
      >
        {`${look === 'throttleBoreMm' ? '' : '⌀'}${measured('throttleBoreMm', bore)}`}
      </Text>
      <Dimension
        from={upright ? [across, a[1]] : [a[0], across]}
        to={upright ? [across, b[1]] : [b[0], across]}
        at={{ from: a, to: b }}
        text={measured('flangeBoltSpacingMm', bolts)}
        colour={inkOf('flangeBoltSpacingMm')}
        textAt={
          upright
            ? [Math.min(across + 8, WIDTH - 62), (a[1] + b[1]) / 2 + 6]
            : [(a[0] + b[0]) / 2 - 26, across - 8]
        }
      />
      <ScaleBar at={[14, HEIGHT - 12]} scale={scale} />
    </Drawing>
  )
}

function Coil({ at: [x, y], colour }: { at: readonly [number, number]; colour: string }) {
  return (
    <g>
      <circle cx={x} cy={y} r={27} fill="var(--paper)" stroke={`var(--${colour})`} strokeWidth={2.2} />
      <path
        d={`M${x} ${y} m-4 0 a6 6 0 1 1 10 4 a12 12 0 1 1 4 -16`}
        fill="none"
        stroke={`var(--${colour})`}
        strokeWidth={1.8}
      />
    </g>
  )
}
