import { CentreLine, Drawing, Text } from '../index'
import type { SettingPicture } from './props'

export const needleClipPicture: SettingPicture = {
  Picture: ({ reading, target }) => <NeedleClip groove={reading.value} target={target} />,
}

const AXIS = 150
const GROOVES = [1, 2, 3, 4, 5]
const [TOP, STEP] = [70, 40]

/** The main needle with its grooves, counted from the blunt end, and the clip in one of them. */
function NeedleClip({ groove, target }: { groove: number | null; target: number }) {
  const shown = groove ?? target
  const y = (n: number) => TOP + n * STEP
  const clip = (n: number) => ({ x: AXIS - 62, y: y(n) - 5, width: 124, height: 10 })
  return (
    <Drawing
      width={520}
      height={500}
      title={`Main needle, clip in groove ${shown} from the blunt end, target ${target}.`}
    >
      <path
        d={`M${AXIS - 28} ${TOP}h56v250l-20 150h-16l-20-150Z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      <CentreLine from={[AXIS, TOP - 20]} to={[AXIS, 490]} />
      {GROOVES.map((n) => (
        <g key={n}>
          <path
            d={`M${AXIS - 28} ${y(n) - 5}h6v10h-6M${AXIS + 28} ${y(n) - 5}h-6v10h6`}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <Text at={[AXIS + 78, y(n) + 6]} face="figures" size={18} colour={n === shown ? 'ink' : 'pencil'}>
            {n}
          </Text>
        </g>
      ))}
      <rect {...clip(shown)} fill={groove === null ? 'var(--ink)' : 'var(--blue)'} />
      {shown !== target && (
        <rect {...clip(target)} fill="none" stroke="var(--red)" strokeWidth={2} strokeDasharray="6 4" />
      )}
      <Text at={[AXIS, TOP - 30]} anchor="middle">
        blunt end: count from here
      </Text>
      <Says at={y(1)} first="clip up: needle lower," second="leaner in the middle" />
      <Says at={y(5)} first="clip down: needle higher," second="richer in the middle" />
    </Drawing>
  )
}

/** What a move of the clip does, in two lines beside its end of the grooves. */
const Says = ({ at, first, second }: { at: number; first: string; second: string }) => (
  <>
    <Text at={[AXIS + 112, at]}>{first}</Text>
    <Text at={[AXIS + 112, at + 24]}>{second}</Text>
  </>
)
