import {
  layUnit,
  WORD_PX,
  type LaidUnit,
  type PartStanding,
  type UnitDrawing,
} from '@ekrond/core/unit/drawing'
import { unitDrawing } from '@ekrond/core/unit/families'
import { nameOn, type Sheets } from '@ekrond/core/sheets'
import { useId, useMemo } from 'react'
import type { ClaimState } from '@ekrond/core/claims'
import { MarkAt } from './ClaimMark'
import { CutLine } from './CutLine'
import { scaleOf } from './geometry'
import { Bar, Named, Words } from './labels'
import { Axis, Hatchings, pathOf, Pieces, type View } from './Pieces'
import { useSize } from './sheet'

interface Props {
  sheets: Sheets
  standings: Readonly<Record<string, PartStanding>>
  /** those that are named: the current one first, then what comes next */
  named: readonly { code: string; number: string; words: string }[]
  /** what is shown, for whoever cannot see it */
  title: string
  /** what has been shown of its parts, a small mark at each */
  marks?: Readonly<Record<string, ClaimState>> | undefined
  /** where somebody taps it, mm on the unit */
  onTap?: ((at: readonly [number, number]) => void) | undefined
}

/** A unit in section at a moment of its teardown or its build, from its family's geometry: off dashed, now blue, on in ink. */
export function Unit({ sheets, standings, named, title, marks, onTap }: Props) {
  const drawing = useMemo(() => unitDrawing(sheets), [sheets])
  const [box, { width, height }] = useSize<SVGSVGElement>()
  return (
    <svg
      ref={box}
      role="img"
      aria-label={title}
      style={{
        width: '100%',
        height: '100%',
        display: 'block',
        overflow: 'visible',
        ...(onTap ? { cursor: 'crosshair' } : {}),
      }}
      onClick={(event) => {
        if (!onTap) return
        const laid = layUnit(drawing, sheets.build.positions, standings, named, { width, height })
        const at = event.currentTarget.getBoundingClientRect()
        const [x, y] = [event.clientX - at.left - laid.origin[0], laid.origin[1] - (event.clientY - at.top)]
        onTap([Math.round(x / laid.perMm), Math.round(y / laid.perMm)])
      }}
    >
      {width > 0 && (
        <PaintedUnit
          drawing={drawing}
          sheets={sheets}
          standings={standings}
          named={named}
          marks={marks}
          room={{ width, height }}
        />
      )}
    </svg>
  )
}

/** The same at a size that is known, px. */
export function PaintedUnit({
  drawing,
  sheets,
  standings,
  named,
  marks = {},
  room,
}: Omit<Props, 'title' | 'onTap'> & { drawing: UnitDrawing; room: { width: number; height: number } }) {
  const laid = layUnit(drawing, sheets.build.positions, standings, named, room)
  const view: View = { perMm: laid.perMm, origin: laid.origin }
  const bodyNow = standings.body === 'now'
  const borrowed = new Set(sheets.spec.taught?.pencil ?? [])
  const pencil = (code: string) => borrowed.has(`position:${code}`)
  // Castings lie behind what they hold, what is done now in front.
  const depth = ({ code, standing }: (typeof laid.exploded.parts)[number]) =>
    drawing.places[code]!.lifted ? 0 : standing === 'now' ? 2 : 1
  const parts = [...laid.exploded.parts].sort((a, b) => depth(a) - depth(b))
  const clip = useId()
  const missing = laid.exploded.missing
  return (
    <>
      <Hatchings />
      <defs>
        <clipPath id={clip}>
          <rect
            x={laid.area.x0}
            y={laid.area.y0}
            width={laid.area.x1 - laid.area.x0}
            height={laid.area.y1 - laid.area.y0}
          />
        </clipPath>
      </defs>
      <g clipPath={laid.enlarged ? `url(#${clip})` : undefined}>
        <Pieces
          pieces={drawing.fixed}
          mode={bodyNow ? 'now' : pencil('body') ? 'pencil' : 'on'}
          view={view}
        />
        {parts
          .filter(({ standing }) => standing === 'off')
          .map(({ code, pieces }) => (
            <Pieces key={code} pieces={pieces} mode="off" view={view} />
          ))}
        {parts
          .filter(({ standing }) => standing !== 'off')
          .map(({ code, standing, pieces, seat }) => (
            <g key={code}>
              {seat && <Pieces pieces={seat} mode="seat" view={view} />}
              <Pieces
                pieces={pieces}
                mode={standing === 'on' && pencil(code) ? 'pencil' : standing}
                view={view}
              />
            </g>
          ))}
        {drawing.axes.map((axis, i) => (
          <Axis key={i} line={axis} view={view} />
        ))}
      </g>
      {parts.map(({ code, anchor, pieces }) => {
        // A leader's own point says enough of what it names.
        const state = named.some((one) => one.code === code) ? undefined : marks[code]
        const [x, y] = scaleOf(view.perMm, view.origin)([anchor[0], anchor[1]])
        return state && pieces.length > 0 ? <MarkAt key={code} state={state} x={x} y={y} r={5} /> : null
      })}
      {laid.key && <KeyMap laid={laid} drawing={drawing} />}
      {laid.labels.map((label) => (
        <Named key={label.key} label={label} />
      ))}
      <Bar perMm={laid.perMm} x={8} y={room.height - 10} />
      {missing.length > 0 && (
        <Words
          x={8}
          y={room.height - 34}
          lines={[`not drawn: ${missing.map((code) => nameOn(sheets, code).toLowerCase()).join(', ')}`]}
          size={WORD_PX}
        />
      )}
    </>
  )
}

/** The unit from above, small: where the section is cut, and what of it is drawn large. */
function KeyMap({ laid, drawing }: { laid: LaidUnit; drawing: UnitDrawing }) {
  const { perMm, origin, frame } = laid.key!
  const { outlines, cut } = drawing.plan
  const view: View = { perMm, origin }
  return (
    <g>
      {outlines.map((line, i) => (
        <path
          key={i}
          d={pathOf(line, true, view)}
          fill="var(--paper)"
          stroke="var(--pencil)"
          strokeWidth={1}
        />
      ))}
      {frame && (
        <rect
          x={origin[0] + frame.x0 * perMm}
          y={origin[1] - frame.y1 * perMm}
          width={(frame.x1 - frame.x0) * perMm}
          height={(frame.y1 - frame.y0) * perMm}
          fill="none"
          stroke="var(--blue)"
          strokeWidth={1.8}
        />
      )}
      <CutLine cut={cut} scale={scaleOf(perMm, origin)} small />
    </g>
  )
}
