import { layLabels, type PlacedLabel, type Wish } from '@ekrond/core/unit/drawing'
import { floatView } from '@ekrond/core/unit/families'
import { floatPose, type FloatPose, type LevelInUse } from '@ekrond/core/physics/float'
import { figure } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { isPencil, type Sheets } from '@ekrond/core/sheets'
import { useId, type CSSProperties, type ReactNode } from 'react'
import { Broken, brokenAt } from './Broken'
import { Fuel, Tilted } from './Fuel'
import {
  Balloon,
  CentreLine,
  Datum,
  Dimension,
  Drawing,
  path,
  plus,
  RedLine,
  ScaleBar,
  scaleOf,
  Text,
  turned,
  type Point,
} from './index'
import { Hatchings, Pieces, type View } from './Pieces'
import { useSize } from './sheet'

/** Where nobody measured the place that it is drawn on, px. */
const ROOM = { width: 760, height: 500 }
/** A place that is narrower than this has shorter names and less room for them, px. */
const WIDE = 560
/** Over and under the castings and the float: what to do, the scale, px. */
const MARGINS = 148
/** A float that is at least this wide carries its name inside, px. */
const NAMED_INSIDE = 140
const NUMBERED_INSIDE = 72
/** A letter of what to do, px. */
const REMEDY_LETTER = 7.9

export interface FloatSectionProps {
  sheets: Pick<Sheets, 'spec' | 'build'>
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
  /** what stands beside it, at the size of the sheet */
  beside?: (room: { width: number; height: number }) => ReactNode
}

/** The castings round the float, float, tang, needle and seat to scale, as held or in use: the unit's own drawing, its float's own geometry. */
export function FloatSection(props: FloatSectionProps) {
  const [box, { width, height }] = useSize<HTMLDivElement>()
  const room = width > 0 && height > 0 ? { width, height: Math.max(height, 320) } : ROOM
  return (
    <div ref={box} style={{ width: '100%', height: '100%' }}>
      <PaintedFloat {...props} room={room} />
    </div>
  )
}

/** The same at a size that is known, px. */
function PaintedFloat({
  room: { width, height },
  ...props
}: FloatSectionProps & { room: { width: number; height: number } }) {
  const { sheets, reading, target, verdict, remedy, view, level, drop = false, tiltDeg = 0 } = props
  const { spec } = sheets
  const { float, section } = spec
  const clip = useId()
  const shown = reading ?? target
  const turn = floatPose(float, shown)
  const goal = floatPose(float, target)
  if (isRefusal(turn) || isRefusal(goal)) return null

  const setting = spec.settings.find((s) => s.code === 'float.height')
  const flip = view === 'held' && !drop && setting?.held === 'inverted'
  const around = floatView(sheets, view)
  const posed = (p: Point, { turn: angle, lift }: FloatPose) =>
    plus(plus(turned(p, angle), [0, lift]), section.pin)
  const floats = [turn, goal].flatMap((pose) => section.float.map((p) => posed(p, pose)))
  const { x0, x1 } = around.window
  const y0 = Math.min(around.window.y0, ...floats.map(([, y]) => y))
  const y1 = Math.max(around.window.y1, ...floats.map(([, y]) => y))
  const window = { ...around.window, y0, y1 }
  const isNarrow = width < WIDE
  // Room for names at the left, for dimensions at the right.
  const names = isNarrow ? 140 : 172
  const lane = isNarrow ? 92 : 112
  const perMm = Math.min((width - names - lane) / (x1 - x0), (height - MARGINS) / (y1 - y0))
  const left = names + (width - names - lane - (x1 - x0) * perMm) / 2 - x0 * perMm
  const middle = height / 2 + 18
  const view2d: View = {
    perMm,
    origin: [left, flip ? middle - ((y0 + y1) / 2) * perMm : middle + ((y0 + y1) / 2) * perMm],
    flip,
  }
  const scale = scaleOf(perMm, view2d.origin, flip)
  const bearing = (points: readonly (readonly [number, number, number?])[]) =>
    points.map(([x, y]) => scale([x, y]))
  const rotated = (points: readonly Point[], pose: FloatPose) => points.map((p) => scale(posed(p, pose)))
  const pin = scale(float.guided ? (section.anchors.pin ?? section.pin) : section.pin)
  const point = scale(posed(float.measurePoint.at, turn))
  // What the reading starts from: the face, or the bowl's floor where a larger reading means a higher float.
  const datumY = float.sense === 1 ? section.faceY : section.pin[1] - float.levelReading
  const face = scale([section.anchors.face?.[0] ?? x0 + 4, datumY])
  const out = verdict === 'out' && reading !== null
  const outline = rotated(section.float, turn)
  const floatTop = Math.min(
    ...outline.map((p) => p[1]),
    ...(out ? rotated(section.float, goal).map((p) => p[1]) : []),
  )
  const remedyAt = scale(
    (float.correction === 'washer' ? section.anchors.seat : section.anchors.tang) ?? [4, -6],
  )
  const remedyY = Math.max(10, Math.min(34, floatTop - 40))
  const dimensionX = point[0] + (float.sense === 1 ? 26 : 20)
  const breaks = brokenAt(window, around.castings)
  // What only the family lends is in pencil, unhatched.
  const lentOnly = spec.taught !== undefined
  const lent = (lentOnly ? { '--ink': 'var(--pencil)' } : {}) as CSSProperties
  const mode = lentOnly ? 'pencil' : 'on'
  const wide = float.guided ? 0 : Math.max(...outline.map(([x]) => x)) - Math.min(...outline.map(([x]) => x))
  const floatWords = isPencil(spec, 'float.mass') ? 'float' : `float, ${figure(float.floatMass)} g dry`
  const inside = wide >= NAMED_INSIDE ? `6 · ${floatWords}` : wide >= NUMBERED_INSIDE ? '6 · float' : ''
  const datumWords = float.sense === 1 ? (isNarrow ? 'face' : 'face, gasket off') : 'bowl floor'
  const labels = layLabels(
    [
      ...(inside === '' ? [wish('6', floatWords, middleOf(outline))] : []),
      wish('7', pinWords(float.guided === true, isNarrow), pin),
      ...(float.guided && view === 'held' ? [wish('A', datumWords, face)] : []),
      ...(out
        ? []
        : [wish('5', needleWords(view, drop, isNarrow), scale([around.needle[0], around.needle[1]]))]),
    ],
    { width, height: height - 40, left: names, right: 0 },
    // No leader runs along the face.
    [{ key: 'face', x0: names, x1: pin[0] - 10, y0: face[1] - 5, y1: face[1] + 5 }],
  )

  return (
    <Drawing width={width} height={height} title={titleOf(props, flip)}>
      <Hatchings />
      <Tilted deg={view === 'use' ? tiltDeg : 0} width={width} height={height}>
        <Broken id={clip} window={window} at={breaks} view={view2d} />
        <g clipPath={`url(#${clip})`} style={lent}>
          {around.castings.map(({ code, pieces }) => (
            <Pieces key={code} pieces={pieces} mode={mode} view={view2d} breaks={breaks.lines(view2d)} />
          ))}
        </g>
        {view === 'use' && level && (
          <Fuel
            spec={spec}
            level={level}
            wantedBelowFace={props.wantedBelowFace}
            pressureKpa={props.pressureKpa}
            tiltDeg={tiltDeg}
            readAtMm={props.readAtMm}
            scale={scale}
            bowl={bearing(around.bowl)}
            footY={scale([0, y0])[1]}
          />
        )}
        <g style={lent}>
          <Pieces pieces={around.seat} mode={mode} view={view2d} />
        </g>
        <path
          d={path(bearing(section.needle), true)}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
        <g style={isPencil(spec, 'float.arm') ? lent : {}}>
          <path
            d={path(outline, true)}
            fill="var(--paper)"
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
        </g>
        <Pieces pieces={around.guide} mode={mode} view={view2d} />
        {out && view === 'held' && <RedLine points={rotated(section.float, goal)} closed />}
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
              textAt={[Math.min(dimensionX + 12, width - 74), (scale([0, datumY])[1] + point[1]) / 2 + 4]}
            />
            {!float.guided && (
              <Datum
                at={face}
                letter="A"
                text={datumWords}
                below={float.sense === -1 || !flip}
                over={float.sense === 1}
              />
            )}
          </>
        )}
        {inside && (
          <Text at={[middleOf(outline)[0], middleOf(outline)[1] + 6]} anchor="middle">
            {inside}
          </Text>
        )}
        {labels.map((label) => (
          <Aside key={label.key} label={label} />
        ))}
        {out && remedy && view === 'held' && (
          <Remedy at={remedyAt} y={remedyY} words={remedy} width={width} />
        )}
      </Tilted>
      {props.beside?.({ width, height })}
      <ScaleBar at={[width - 60 - 10 * perMm, height - 14]} scale={scale} />
    </Drawing>
  )
}

/** What to do, in red, with its arrow to the place: beside it, or over it where there is no room at its right. */
function Remedy({ at, y, words, width }: { at: Point; y: number; words: string; width: number }) {
  const x = Math.min(at[0] + 28, width - words.length * REMEDY_LETTER)
  const beside = x > at[0] + 12
  return (
    <>
      <path
        d={`${beside ? `M${x - 8} ${y} H${at[0]}` : `M${at[0]} ${y + 12}`} L${at[0]} ${at[1] - 8}`}
        fill="none"
        stroke="var(--red)"
        strokeWidth={1.6}
        markerEnd="url(#arrow-red)"
      />
      <Text at={[x, y + 6]} colour="red" size={19}>
        {words}
      </Text>
    </>
  )
}

const wish = (number: string, words: string, target: Point): Wish => ({
  key: number,
  number,
  words,
  target,
  large: false,
})

const pinWords = (guided: boolean, short: boolean): string =>
  guided ? (short ? 'slides' : 'slides on its pin') : short ? 'pin home' : 'hinge pin home'

const needleWords = (view: 'held' | 'use', drop: boolean, short: boolean): string =>
  drop
    ? short
      ? 'needle off'
      : 'needle off its seat'
    : view === 'use'
      ? 'needle shut'
      : short
        ? 'just seats'
        : 'needle just seats'

/** A name beside the drawing with its leader. */
function Aside({ label: { number, lines, side, balloon, leader } }: { label: PlacedLabel }) {
  const end = leader.at(-1)!
  return (
    <g>
      <path d={path(leader)} fill="none" stroke="var(--ink)" strokeWidth={1} />
      <circle cx={end[0]} cy={end[1]} r={2.6} fill="var(--ink)" />
      <Balloon at={balloon} number={number} text={lines.join(' ')} side={side} />
    </g>
  )
}

function middleOf(outline: readonly Point[]): Point {
  const xs = outline.map(([x]) => x)
  const ys = outline.map(([, y]) => y)
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
}

function titleOf(
  {
    sheets: { spec },
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
    ? ` Fuel ${figure(level.belowFace)} mm below the face at ${figure(pressureKpa)} kPa, target ${figure(wantedBelowFace)}.`
    : ''
  const now =
    reading === null
      ? `At its target of ${figure(target)} mm.`
      : `Reads ${figure(reading)} mm, target ${figure(target)}${verdict ? `: ${verdict}` : ''}.`
  return `${spec.section.title}, ${held}. ${now}${remedy ? ` ${remedy}.` : ''}${fuel}`
}
