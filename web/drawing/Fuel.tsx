import type { LevelInUse } from '@ekrond/core/physics/float'
import { figure } from '@ekrond/core/measure'
import { useId, type ReactNode } from 'react'
import type { SpecSheet } from '@ekrond/core/sheets'
import { TurnProvider } from './sheet'
import { Dimension, path, Text, type Point, type scaleOf } from './index'

/** As it sits: the drawing turned about its middle, float end up above 0, with the angle written at its edge; its words stay upright. */
export function Tilted({
  deg,
  width,
  height,
  children,
}: {
  deg: number
  width: number
  height: number
  children: ReactNode
}) {
  if (deg === 0) return children
  // At the corner that the drawing leaves free.
  const [x, y] = [deg > 0 ? 150 : width - 70, 40]
  return (
    <>
      <path d={`M${x - 120} ${y} h130`} stroke="var(--ink)" strokeDasharray="10 4 2 4" />
      <path d={`M${x - 120} ${y} h130`} stroke="var(--ink)" transform={`rotate(${-deg} ${x - 120} ${y})`} />
      <Text at={[x + 16, y + 6]} face="figures" size={18}>
        {`${figure(Math.abs(deg), 0)}°`}
      </Text>
      <Text at={[x - 120, y + 24]}>{deg > 0 ? 'float end up' : 'float end down'}</Text>
      <TurnProvider value={deg}>
        <g transform={`rotate(${-deg} ${width / 2} ${height / 2})`}>{children}</g>
      </TurnProvider>
    </>
  )
}

/** The fuel in its bowl at its level, the level that is wanted beside it where that is another. */
export function Fuel({
  spec,
  level,
  wantedBelowFace,
  pressureKpa,
  scale,
  bowl,
  footY,
  tiltDeg = 0,
  readAtMm = 0,
}: {
  spec: SpecSheet
  level: LevelInUse
  wantedBelowFace: number
  pressureKpa: number
  tiltDeg?: number | undefined
  readAtMm?: number | undefined
  scale: ReturnType<typeof scaleOf>
  /** the cavity that holds it, on the sheet */
  bowl: readonly Point[]
  /** where the drawing of the castings ends, px */
  footY: number
}) {
  const id = useId()
  const { section, float } = spec
  const y = section.faceY - level.belowFace
  const xs = bowl.map(([x]) => x)
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)]
  const floor = Math.max(...bowl.map(([, py]) => py))
  // Where it was read the fuel stands at the level; to both sides its surface is level, however the casting is turned.
  const at = scale([section.pin[0] + (float.guided ? 0 : float.buoyancyArm) + readAtMm, y])
  const slope = Math.tan((tiltDeg * Math.PI) / 180)
  const surface = (x: number, height: number): Point => [x, height + (x - at[0]) * slope]
  const [a, b] = [surface(x0, at[1]), surface(x1, at[1])]
  const wantedY = scale([0, section.faceY - wantedBelowFace])[1]
  const faceY = scale([0, section.faceY])[1]
  const off = Math.abs(level.belowFace - wantedBelowFace) > 0.25
  const mark = surface(x0 + 22, at[1])
  return (
    <g>
      <defs>
        <clipPath id={id}>
          <path d={path(bowl, true)} />
        </clipPath>
      </defs>
      <g clipPath={`url(#${id})`}>
        <path d={path([a, b, [x1, floor], [x0, floor]], true)} fill="url(#fuel)" />
        <path d={path([a, b])} stroke="var(--ink)" strokeWidth={2.4} />
        {off && (
          <path
            d={path([surface(x0, wantedY), surface(x1, wantedY)])}
            stroke="var(--red)"
            strokeWidth={1.6}
            strokeDasharray="7 4"
          />
        )}
      </g>
      <path d={`M${mark[0] - 8} ${mark[1] - 13} h16 l-8 11Z`} fill="var(--ink)" />
      <Dimension
        from={[x1 + 34, faceY]}
        to={[x1 + 34, at[1]]}
        at={{ from: [x1, faceY], to: [b[0], b[1]] }}
        text={figure(level.belowFace)}
        {...(off ? { wants: figure(wantedBelowFace) } : {})}
        textAt={[x1 + 44, (faceY + at[1]) / 2 + 2]}
      />
      <Text at={[x0, footY + 20]} size={15} colour="pencil">
        {`fuel at ${figure(pressureKpa)} kPa`}
      </Text>
    </g>
  )
}
