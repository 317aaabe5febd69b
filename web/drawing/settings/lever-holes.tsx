import { CentreLine, Drawing, Leader, Text } from '../index'

const SHAFT = [150, 330] as const
/** The outer hole, and the step from hole to hole toward the shaft. */
const OUTER = 600
const STEP = 110
/** A lever shows at least so many holes. */
const LEAST = 3

/** A lever with its holes, counted from the outer end, and the link's hooked rod in one of them. */
export function LeverHoles({ hole, target, name }: { hole: number | null; target: number; name: string }) {
  const count = Math.max(LEAST, target, hole ?? 0)
  const x = (n: number) => OUTER - (n - 1) * Math.min(STEP, 340 / (count - 1))
  const y = SHAFT[1]
  const shown = hole ?? target
  return (
    <Drawing
      width={760}
      height={500}
      title={`${name}: ${hole === null ? 'not noted' : `hole ${hole}`} counted from the outer end, the sheet says ${target}.`}
    >
      <path
        d={`M${SHAFT[0]} ${y - 62}L${OUTER + 10} ${y - 34}a34 34 0 0 1 0 68L${SHAFT[0]} ${y + 62}a62 62 0 0 1 0 -124Z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      {/* The shaft, its flat where the lever is held. */}
      <path
        d={`M${SHAFT[0] - 26} ${y + 18}a32 32 0 1 1 52 0Z`}
        fill="url(#hatch)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <CentreLine from={[SHAFT[0] - 90, y]} to={[OUTER + 70, y]} />
      {Array.from({ length: count }, (_, i) => i + 1).map((n) => (
        <g key={n}>
          <circle cx={x(n)} cy={y} r={17} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.2} />
          {n === target && n !== shown && (
            <circle
              cx={x(n)}
              cy={y}
              r={26}
              fill="none"
              stroke="var(--red)"
              strokeWidth={2}
              strokeDasharray="6 4"
            />
          )}
          <Text
            at={[x(n), y + 72]}
            anchor="middle"
            face="figures"
            size={26}
            colour={n === shown ? 'ink' : 'pencil'}
          >
            {n}
          </Text>
          {n === target && n !== shown && (
            <Text at={[x(n), y + 98]} anchor="middle" colour="red">
              the sheet
            </Text>
          )}
        </g>
      ))}
      {/* The rod stands up out of its hole; before it was read it is dashed where the sheet has it. */}
      <g
        fill="none"
        stroke={hole === null ? 'var(--pencil)' : 'var(--blue)'}
        strokeWidth={14}
        strokeDasharray={hole === null ? '10 7' : undefined}
      >
        <path d={`M${x(shown)} ${y}V120a34 34 0 0 1 34 -34H${x(shown) + 130}`} />
      </g>
      <circle cx={x(shown)} cy={y} r={9} fill={hole === null ? 'var(--pencil)' : 'var(--blue)'} />
      <Text at={[x(shown) + 20, 58]}>
        {hole === null ? 'link, where the sheet has it' : `link, in hole ${hole}`}
      </Text>
      <Leader from={[OUTER + 60, y + 110]} to={[OUTER + 30, y + 26]} />
      <Text at={[OUTER + 140, y + 136]} anchor="end">
        outer end: count from here
      </Text>
      <Text at={[SHAFT[0], y + 106]} anchor="middle" colour="pencil">
        throttle shaft
      </Text>
    </Drawing>
  )
}
