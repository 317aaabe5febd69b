import { figure } from '@ekrond/core/measure'
import { linkagePose, linkChange } from '@ekrond/core/physics/pump'
import { isRefusal } from '@ekrond/core/base/refusal'
import { linkageOf } from '@ekrond/core/judge/settings'
import type { PumpGeometry } from '@ekrond/core/sheets'
import {
  CentreLine,
  Dimension,
  Drawing,
  Leader,
  path,
  RedLine,
  ScaleBar,
  scaleOf,
  Text,
  type Point,
} from '../index'
import { isOut, type SettingPicture } from './props'

const DEG = Math.PI / 180

export const pumpStemPicture: SettingPicture = {
  Picture: ({ spec, reading, target }) =>
    spec.pump && (
      <PumpLinkage pump={spec.pump} reading={reading.value} target={target} out={isOut(reading)} />
    ),
}

/** The pump linkage at idle (and wide open, dashed) with the stem's height as it was read. */
export function PumpLinkage({
  pump,
  reading,
  target,
  out,
}: {
  pump: PumpGeometry
  reading: number | null
  target: number
  out: boolean
}) {
  const linkage = linkageOf(pump)
  const lengthFor = (stem: number) => {
    const change = linkChange(linkage, pump.idle * DEG, stem + pump.stemDatumY)
    return isRefusal(change) ? linkage.linkLength : linkage.linkLength + change
  }
  const linkLength = lengthFor(reading ?? target)
  const idle = linkagePose({ ...linkage, linkLength }, pump.idle * DEG)
  const open = linkagePose({ ...linkage, linkLength }, pump.wot * DEG)
  const goal = linkagePose({ ...linkage, linkLength: lengthFor(target) }, pump.idle * DEG)
  const scale = scaleOf(6.1, [420, 420])
  if (isRefusal(idle) || isRefusal(open) || isRefusal(goal)) return null
  const pivot = scale([pump.pivotX, pump.pivotY])
  const shaft = scale([0, 0])
  const faceY = scale([0, pump.stemDatumY])[1]
  const stem = scale(idle.stem)
  const parts = (pose: typeof idle): Point[][] => {
    const rods: Point[][] = [
      [[0, 0], pose.lever],
      [pose.lever, pose.joint],
      [pose.joint, [pump.pivotX, pump.pivotY], pose.stem],
    ]
    return rods.map((points) => points.map(scale))
  }
  return (
    <Drawing
      width={760}
      height={500}
      title={`Pump linkage at idle. Stem ${figure(reading ?? target)} mm above the face, target ${figure(target)}.`}
    >
      <line x1={300} y1={faceY} x2={540} y2={faceY} stroke="var(--ink)" strokeWidth={2} />
      <Text at={[470, faceY + 22]} size={15} colour="pencil">
        cover face
      </Text>
      <rect
        x={stem[0] - 37}
        y={faceY}
        width={74}
        height={126}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <line x1={stem[0]} y1={stem[1]} x2={stem[0]} y2={faceY + 74} stroke="var(--ink)" strokeWidth={7} />
      <path
        d={`M${stem[0] - 35} ${faceY + 74} h70 l-8 26 h-54Z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <Leader from={[stem[0] + 90, faceY + 150]} to={[stem[0] + 28, faceY + 90]} />
      <Text at={[stem[0] + 94, faceY + 156]}>cup in its well, {pump.wellBore} mm</Text>
      {parts(open).map((points, i) => (
        <path
          key={i}
          d={path(points)}
          fill="none"
          stroke="var(--line)"
          strokeWidth={2.5}
          strokeDasharray="6 5"
        />
      ))}
      {out && <RedLine points={[scale(goal.joint), pivot, scale(goal.stem)]} />}
      {parts(idle).map((points, i) => (
        <path
          key={i}
          d={path(points)}
          fill="none"
          stroke={i === 1 ? 'var(--blue)' : 'var(--ink)'}
          strokeWidth={i === 1 ? 4 : 6}
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      ))}
      {[shaft, pivot, scale(idle.lever), scale(idle.joint)].map((at, i) => (
        <circle
          key={i}
          cx={at[0]}
          cy={at[1]}
          r={i < 2 ? 7 : 4.5}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={2.2}
        />
      ))}
      <CentreLine from={[shaft[0] - 26, shaft[1]]} to={[shaft[0] + 26, shaft[1]]} />
      <CentreLine from={[shaft[0], shaft[1] - 26]} to={[shaft[0], shaft[1] + 26]} />
      <Text at={[shaft[0] + 34, shaft[1] + 6]}>throttle shaft</Text>
      <Leader
        from={[220, 300]}
        to={[
          (scale(idle.lever)[0] + scale(idle.joint)[0]) / 2,
          (scale(idle.lever)[1] + scale(idle.joint)[1]) / 2,
        ]}
        colour="blue"
      />
      <Text at={[214, 306]} anchor="end" colour="blue">
        link: sets the height
      </Text>
      <Text at={[pivot[0] - 16, pivot[1] - 18]} anchor="end">
        pump lever
      </Text>
      <Dimension
        from={[stem[0] + 66, faceY]}
        to={[stem[0] + 66, stem[1]]}
        at={{ to: stem }}
        text={figure(reading ?? target)}
        colour={reading === null ? 'ink' : 'pencil'}
        {...(out ? { wants: figure(target) } : {})}
        textAt={[stem[0] + 80, (faceY + stem[1]) / 2 + 4]}
      />
      <Text at={[40, 470]} size={15} colour="pencil">
        solid: throttle shut · dashed: wide open
      </Text>
      <ScaleBar at={[630, 480]} scale={scale} />
    </Drawing>
  )
}
