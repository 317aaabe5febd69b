import { showTurns } from '@ekrond/core/measure'
import { CentreLine, Drawing, path, Text, type Point } from '../index'
import { ScrewDial } from '../ScrewDial'
import type { SettingPicture } from './props'

export const airValvePicture: SettingPicture = {
  Picture: ({ reading, target }) => <AirValveSpring eighths={reading.value} target={target} />,
}

/** The flap over the secondaries, hung off its middle, and the coil that shuts it: as many turns of it as were wound on. */
export function AirValveSpring({ eighths, target }: { eighths: number | null; target: number }) {
  const turns = (eighths ?? target) / 8
  const [px, py]: Point = [214, 250]
  // One and a half coils hang slack; what is wound on comes to them.
  const sweep = (1.5 + turns) * 2 * Math.PI
  const coil = Array.from({ length: 73 }, (_, i): Point => {
    const a = (i / 72) * sweep
    const r = 13 + (36 * i) / 72
    return [px + r * Math.cos(a), py + r * Math.sin(a)]
  })
  return (
    <Drawing
      width={760}
      height={500}
      title={`Air valve spring: ${eighths === null ? 'not recorded' : showTurns(eighths)} turns wound on, target ${showTurns(target)}. More turns open it later, fewer sooner.`}
    >
      {[90, 390].map((x) => (
        <rect
          key={x}
          x={x}
          y={110}
          width={22}
          height={270}
          fill="url(#hatch)"
          stroke="var(--ink)"
          strokeWidth={2.2}
        />
      ))}
      <path
        d={`M114 ${py - 5} H388 V${py + 5} H114 Z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.2}
      />
      <path
        d={`M${px + 174} ${py} A174 174 0 0 1 ${px + 87} ${py + 151}`}
        fill="none"
        stroke="var(--line)"
        strokeWidth={1.6}
        strokeDasharray="6 5"
        markerEnd="url(#arrow-ink)"
      />
      <path d={path(coil)} fill="none" stroke="var(--blue)" strokeWidth={3} strokeLinecap="round" />
      <circle cx={px} cy={py} r={8} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <CentreLine from={[px, py - 90]} to={[px, py + 90]} />
      <Text at={[251, 96]} anchor="middle" colour="pencil" size={16}>
        air, to the secondaries
      </Text>
      <ScrewDial at={[570, 230]} radius={92} eighths={eighths} state="now" label="wound on" />
      <Text at={[130, 432]} size={20} weight={600}>
        more turns: it opens later
      </Text>
      <Text at={[130, 458]} colour="pencil">
        too few: it opens early, and bogs
      </Text>
    </Drawing>
  )
}
