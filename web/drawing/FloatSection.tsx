import { floatPose, type FloatPose, type LevelInUse } from '@ekrond/core/float'
import { figure } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/refusal'
import { isPencil, type SpecSheet } from '@ekrond/core/sheets'
import type { CSSProperties, ReactNode } from 'react'
import {
  Balloon,
  CentreLine,
  Datum,
  Dimension,
  Drawing,
  Leader,
  path,
  plus,
  RedLine,
  ScaleBar,
  scaleOf,
  Section,
  Text,
  turned,
  type Point,
} from './index'

const WIDTH = 760
const HEIGHT = 500

export interface FloatSectionProps {
  spec: SpecSheet
  /** mm; null draws the float at its target */
  reading: number | null
  target: number
  verdict: 'in' | 'out' | 'doubtful' | null
  remedy: string | null
  view: 'held' | 'use'
  /** the float at full drop: upright, hanging */
  drop?: boolean
  level: LevelInUse | null
  wantedBelowFace: number
  pressureKpa: number
  /** how it is installed, degrees, float end up above 0; in use only. The fuel stays level */
  tiltDeg?: number
  /** where the level is read, mm beyond the float’s centre */
  readAtMm?: number
}

/** Bowl, float, tang, needle and seat to scale from the list number's own geometry, as held or in use. */
export function FloatSection(props: FloatSectionProps) {
  const { spec, reading, target, verdict, remedy, view, level, drop = false, tiltDeg = 0 } = props
  const { float, section } = spec
  const shown = reading ?? target
  const turn = floatPose(float, shown)
  const goal = floatPose(float, target)
  const setting = spec.settings.find((s) => s.code === 'float.height')
  const flip = view === 'held' && !drop && setting?.held === 'inverted'

  const all: Point[] = [
    ...section.castings.flatMap((c) => c.outline),
    ...section.float.map((p) => plus(p, section.pin)),
    ...(view === 'use' ? section.bowl : []),
  ]
  const minX = Math.min(...all.map((p) => p[0]))
  const maxX = Math.max(...all.map((p) => p[0]))
  const minY = Math.min(...all.map((p) => p[1])) - (drop ? 8 : 0)
  const maxY = Math.max(...all.map((p) => p[1]))
  const perMm = Math.min(600 / (maxX - minX), 340 / (maxY - minY))
  const left = (WIDTH - (maxX - minX) * perMm) / 2 - minX * perMm - 20
  const middle = HEIGHT / 2 + 14
  const scale = scaleOf(
    perMm,
    [left, flip ? middle - ((minY + maxY) / 2) * perMm : middle + ((minY + maxY) / 2) * perMm],
    flip,
  )
  const bearing = (points: readonly Point[]) => points.map(scale)
  if (isRefusal(turn) || isRefusal(goal)) return null

  const posed = (p: Point, { turn: angle, lift }: FloatPose) =>
    plus(plus(turned(p, angle), [0, lift]), section.pin)
  const rotated = (points: readonly Point[], pose: FloatPose) => points.map((p) => scale(posed(p, pose)))
  const pin = scale(section.pin)
  const point = scale(posed(float.measurePoint.at, turn))
  // What the reading starts from: the face, or the bowl's floor where a larger reading means a higher float.
  const datumY = float.sense === 1 ? section.faceY : section.pin[1] - float.levelReading
  const face = scale([section.anchors.face?.[0] ?? minX + 4, datumY])
  const out = verdict === 'out' && reading !== null
  const needleAt = scale(section.anchors.needle ?? [0, 0])
  const floatAt = rotated(
    [
      [
        (section.anchors.float?.[0] ?? 20) - section.pin[0],
        (section.anchors.float?.[1] ?? -10) - section.pin[1],
      ],
    ],
    turn,
  )[0]!
  const floatTop = Math.min(
    ...rotated(section.float, turn).map((p) => p[1]),
    ...(out ? rotated(section.float, goal).map((p) => p[1]) : []),
  )
  const remedyAt = scale(
    (float.correction === 'washer' ? section.anchors.seat : section.anchors.tang) ?? [4, -6],
  )
  // Above the float's own label.
  const remedyY = Math.max(10, Math.min(34, floatTop - 62))
  // A guided float has its dimension over it: its own label stands off on the other side. In use the level's dimension stands
  // beside the bowl, and the label keeps clear of it.
  const floatBalloon: Point = float.guided
    ? [scale([minX, 0])[0] - 20, floatAt[1]]
    : [
        Math.min(
          floatAt[0] + 44,
          view === 'use' ? scale([Math.max(...section.bowl.map((p) => p[0])), 0])[0] - 118 : Infinity,
        ),
        floatTop - 28,
      ]
  const dimensionX = point[0] + (float.sense === 1 ? 26 : 20)
  // The pin's balloon stands off on the side where there is no casting.
  const clear = flip || float.sense === -1 ? 1 : -0.3
  const title = titleOf(props, flip)
  // What only the family lends is in pencil, unhatched.
  const lentOnly = spec.taught !== undefined
  const lent = (lentOnly ? { '--ink': 'var(--pencil)' } : {}) as CSSProperties

  return (
    <Drawing width={WIDTH} height={HEIGHT} title={title}>
      <Tilted deg={view === 'use' ? tiltDeg : 0}>
        <g style={lent}>
          {section.castings.map((casting) => (
            <Section key={casting.name} points={bearing(casting.outline)} hatched={!lentOnly} />
          ))}
        </g>
        {view === 'use' && level && (
          <Fuel {...props} level={level} scale={scale} floatOutline={rotated(section.float, turn)} />
        )}
        <g style={lent}>
          {section.lines.map((line, i) => (
            <Section key={i} points={bearing(line)} hatched={false} />
          ))}
          {section.seat.map((half, i) => (
            <Section key={i} points={bearing(half)} fine />
          ))}
        </g>
        <path
          d={path(bearing(section.needle), true)}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={2}
        />

        {out && view === 'held' && <RedLine points={rotated(section.float, goal)} closed />}
        <g style={{ transition: 'transform 260ms', ...(isPencil(spec, 'float.arm') ? lent : {}) }}>
          <path
            d={path(rotated(section.float, turn), true)}
            fill={view === 'use' ? 'var(--paper)' : 'none'}
            stroke="var(--ink)"
            strokeWidth={2.4}
            strokeLinejoin="round"
          />
          <path
            d={path(rotated(section.arm, turn))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={5}
            strokeLinejoin="round"
            strokeLinecap="round"
          />
          <CentreLine {...centre(rotated(section.float, turn))} />
        </g>
        <path
          d={path(bearing(section.tang.map((p) => plus(p, section.pin))))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={4.5}
          strokeLinecap="round"
        />
        {!float.guided && (
          <circle cx={pin[0]} cy={pin[1]} r={7} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
        )}
        <CentreLine from={[pin[0] - 24, pin[1]]} to={[pin[0] + 24, pin[1]]} />
        <CentreLine from={[pin[0], pin[1] - 24]} to={[pin[0], pin[1] + 24]} />

        {view === 'held' && (
          <>
            <Dimension
              from={[dimensionX, scale([0, datumY])[1]]}
              to={[dimensionX, point[1]]}
              at={{ to: point, from: [face[0], scale([0, datumY])[1]] }}
              text={figure(shown, 1)}
              colour={reading === null ? 'ink' : 'pencil'}
              {...(out ? { wants: figure(target, 1) } : {})}
              textAt={[Math.min(dimensionX + 12, WIDTH - 74), (scale([0, datumY])[1] + point[1]) / 2 + 4]}
            />
            <Datum
              at={face}
              letter="A"
              text={float.sense === 1 ? 'face, gasket off' : 'bowl floor'}
              below={float.sense === 1 ? !flip : false}
            />
          </>
        )}

        <Leader from={[pin[0] - 62, pin[1] - 84 * clear]} to={pin} />
        <Balloon
          at={[pin[0] - 70, pin[1] - 96 * clear]}
          number={7}
          text={pin[0] > 190 ? (float.guided ? 'slides on its pin' : 'hinge pin home') : ''}
          side="left"
        />
        <Leader from={floatBalloon} to={floatAt} />
        <Balloon
          at={floatBalloon}
          number={6}
          text={isPencil(spec, 'float.mass') ? 'float' : `float, ${figure(float.floatMass)} g dry`}
          side={float.guided ? 'left' : 'right'}
        />
        {!out && (
          <>
            <Leader from={[needleAt[0] + 70, needleAt[1] + 108]} to={needleAt} />
            <Balloon
              at={[needleAt[0] + 76, needleAt[1] + 120]}
              number={5}
              text={drop ? 'needle off its seat' : view === 'use' ? 'needle shut' : 'needle just seats'}
            />
          </>
        )}
        {out && remedy && view === 'held' && (
          <>
            <path
              d={`M${remedyAt[0] + 20} ${remedyY} H${remedyAt[0]} L${remedyAt[0]} ${remedyAt[1] - 8}`}
              fill="none"
              stroke="var(--red)"
              strokeWidth={1.6}
              markerEnd="url(#arrow-red)"
            />
            <Text at={[remedyAt[0] + 28, remedyY + 6]} colour="red" size={19}>
              {remedy}
            </Text>
          </>
        )}
      </Tilted>
      <ScaleBar at={[WIDTH - 60 - 10 * perMm, HEIGHT - 14]} scale={scale} />
    </Drawing>
  )
}

/** As it sits: the drawing turned about its middle, float end up above 0, with the angle written at its edge. */
function Tilted({ deg, children }: { deg: number; children: ReactNode }) {
  if (deg === 0) return children
  // At the corner that the drawing leaves free.
  const [x, y] = [deg > 0 ? 150 : WIDTH - 70, 40]
  return (
    <>
      <path d={`M${x - 120} ${y} h130`} stroke="var(--ink)" strokeDasharray="10 4 2 4" />
      <path d={`M${x - 120} ${y} h130`} stroke="var(--ink)" transform={`rotate(${-deg} ${x - 120} ${y})`} />
      <Text at={[x + 16, y + 6]} face="figures" size={18}>
        {`${figure(Math.abs(deg), 0)}°`}
      </Text>
      <Text at={[x - 120, y + 24]}>{deg > 0 ? 'float end up' : 'float end down'}</Text>
      <g transform={`rotate(${-deg} ${WIDTH / 2} ${HEIGHT / 2})`}>{children}</g>
    </>
  )
}

function Fuel({
  spec,
  level,
  wantedBelowFace,
  pressureKpa,
  scale,
  floatOutline,
  tiltDeg = 0,
  readAtMm = 0,
}: FloatSectionProps & { level: LevelInUse; scale: ReturnType<typeof scaleOf>; floatOutline: Point[] }) {
  const { section } = spec
  const y = section.faceY - level.belowFace
  const [x0, x1] = [Math.min(...section.bowl.map((p) => p[0])), Math.max(...section.bowl.map((p) => p[0]))]
  const floor = Math.min(...section.bowl.map((p) => p[1]))
  // Where it was read the fuel stands at the level; to both sides its surface is level, however the casting is turned.
  const at = section.pin[0] + (spec.float.guided ? 0 : spec.float.buoyancyArm) + readAtMm
  const surface = (x: number) => y - (x - at) * Math.tan((tiltDeg * Math.PI) / 180)
  const read = scale([at, y])
  const [a, b] = [scale([x0, surface(x0)]), scale([x1, surface(x1)])]
  const wanted = scale([x1, section.faceY - wantedBelowFace])
  const face = scale([x1, section.faceY])
  const off = Math.abs(level.belowFace - wantedBelowFace) > 0.25
  return (
    <g>
      <path d={path(section.bowl.map(scale))} fill="none" stroke="var(--ink)" strokeWidth={2} />
      <path d={path([a, b, scale([x1, floor]), scale([x0, floor])], true)} fill="url(#fuel)" />
      <path d={path(floatOutline, true)} fill="var(--paper)" />
      <line x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="var(--ink)" strokeWidth={2.4} />
      <path d={`M${a[0] + 26} ${a[1] - 12} h16 l-8 11Z`} fill="var(--ink)" />
      {off && (
        <line
          x1={a[0]}
          y1={wanted[1] + a[1] - read[1]}
          x2={b[0]}
          y2={wanted[1] + b[1] - read[1]}
          stroke="var(--red)"
          strokeWidth={1.6}
          strokeDasharray="7 4"
        />
      )}
      <Dimension
        from={[b[0] + 26, face[1]]}
        to={[b[0] + 26, read[1]]}
        at={{ from: face, to: [b[0], read[1]] }}
        text={figure(level.belowFace)}
        {...(off ? { wants: figure(wantedBelowFace) } : {})}
        textAt={[b[0] + 36, (face[1] + read[1]) / 2 + 2]}
      />
      <Text at={[a[0] + 8, scale([x0, floor])[1] + 22]} size={15} colour="pencil">
        {`fuel at ${figure(pressureKpa)} kPa`}
      </Text>
    </g>
  )
}

function centre(outline: readonly Point[]) {
  const xs = outline.map((p) => p[0])
  const nearest = outline.filter((p) => p[0] === Math.min(...xs))[0]!
  const far = outline.filter((p) => p[0] > Math.max(...xs) - 4)
  const farY = far.reduce((sum, p) => sum + p[1], 0) / far.length
  const meanY = outline.reduce((sum, p) => sum + p[1], 0) / outline.length
  return {
    from: [nearest[0] + 30, (nearest[1] + meanY) / 2] as Point,
    to: [Math.max(...xs) + 10, farY] as Point,
  }
}

function titleOf(
  {
    spec,
    reading,
    target,
    verdict,
    remedy,
    view,
    level,
    wantedBelowFace,
    pressureKpa,
    drop,
  }: FloatSectionProps,
  flip: boolean,
): string {
  const held = drop
    ? 'upright, float hanging'
    : flip
      ? 'as held, upside down'
      : view === 'held'
        ? 'as held, upright'
        : 'in use'
  const fuel = level
    ? ` Fuel ${figure(level.belowFace)} mm below the face at ${figure(pressureKpa)} kPa, wants ${figure(wantedBelowFace)}.`
    : ''
  const now =
    reading === null
      ? `At its target of ${figure(target)} mm.`
      : `Reads ${figure(reading)} mm, wants ${figure(target)}${verdict ? `: ${verdict}` : ''}.`
  return `${spec.section.title}, ${held}. ${now}${remedy ? ` ${remedy}.` : ''}${fuel}`
}
