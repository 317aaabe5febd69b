import { plateAngle } from '@ekrond/core/physics/choke'
import { figure, nearestDrill } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import type { ChokeGeometry } from '@ekrond/core/sheets'
import {
  CentreLine,
  Dimension,
  Drawing,
  Leader,
  RedLine,
  ScaleBar,
  scaleOf,
  Text,
  type Point,
} from '../index'
import { isOut, type SettingPicture } from './props'

const DEG = Math.PI / 180

export const vacuumBreakPicture: SettingPicture = {
  Picture: ({ spec, reading, target }) =>
    spec.choke && (
      <PlateInBore choke={spec.choke} reading={reading.value} target={target} out={isOut(reading)} />
    ),
}

/** The choke plate in its bore, pulled off, with the drill that stands in the gap. */
export function PlateInBore({
  choke,
  reading,
  target,
  out,
}: {
  choke: ChokeGeometry
  reading: number | null
  target: number
  out: boolean
}) {
  const gap = Math.min(reading ?? target, choke.wallDistance)
  const angle = plateAngle(choke, gap)
  const goal = plateAngle(choke, target)
  const scale = scaleOf(9.5, [380, 240])
  if (isRefusal(angle) || isRefusal(goal)) return null
  const shut = Math.acos(choke.wallDistance / choke.edgeRadius)
  const edge = (opened: number, side: 1 | -1): Point => [
    side * choke.edgeRadius * Math.cos(shut + opened),
    side * choke.edgeRadius * Math.sin(shut + opened),
  ]
  const w = choke.wallDistance
  const drill = nearestDrill(gap, ['number', 'letter'])
  const tip = scale(edge(angle, 1))
  const wallX = scale([w, 0])[0]
  const radius = (drill.mm / 2) * scale.perMm
  return (
    <Drawing
      width={760}
      height={500}
      title={`Choke plate with the break held in. Gap ${figure(gap, 2)} mm, target ${figure(target, 2)}.`}
    >
      {[-1, 1].map((side) => (
        <rect
          key={side}
          x={side < 0 ? scale([-w, 0])[0] - 44 : wallX}
          y={70}
          width={44}
          height={350}
          fill="url(#hatch)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      ))}
      <CentreLine from={[scale([0, 0])[0], 56]} to={[scale([0, 0])[0], 432]} />
      {out && <RedLine points={[scale(edge(goal, -1)), scale(edge(goal, 1))]} />}
      <line
        x1={scale(edge(angle, -1))[0]}
        y1={scale(edge(angle, -1))[1]}
        x2={tip[0]}
        y2={tip[1]}
        stroke="var(--ink)"
        strokeWidth={7}
      />
      <circle cx={380} cy={240} r={9} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <circle
        cx={(tip[0] + wallX) / 2}
        cy={tip[1] - radius - 4}
        r={radius}
        fill="var(--tint)"
        stroke="var(--blue)"
        strokeWidth={2}
      />
      <Leader
        from={[wallX + 74, tip[1] - 74]}
        to={[(tip[0] + wallX) / 2, tip[1] - radius - 4]}
        colour="blue"
      />
      <Text at={[wallX + 66, tip[1] - 84]} size={18} colour="blue">
        {`drill ${drill.name}`}
      </Text>
      <Dimension
        from={[tip[0], tip[1] + 46]}
        to={[wallX, tip[1] + 46]}
        at={{ from: tip, to: [wallX, tip[1]] }}
        text={figure(gap, 2)}
        colour={reading === null ? 'ink' : 'pencil'}
        {...(out ? { wants: figure(target, 2) } : {})}
        textAt={[wallX + 62, tip[1] + 54]}
      />
      <Text at={[120, 60]}>air horn, from the lever side</Text>
      <Text at={[384, 450]} anchor="middle" colour="pencil" size={15}>
        {`${figure(angle / DEG, 0)}° open`}
      </Text>
      <ScaleBar at={[560, 476]} scale={scale} />
    </Drawing>
  )
}
