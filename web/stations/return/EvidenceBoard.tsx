import { claimsOf, isSettled, placesOf, type PlaceOfClaims } from '@ekrond/core/claims'
import { layBeside, type Beside } from '@ekrond/core/unit/drawing'
import { unitDrawing } from '@ekrond/core/unit/families'
import type { GatePoint } from '@ekrond/core/bench/stations'
import { useMemo } from 'react'
import styled from 'styled-components'
import { Bar } from '../../drawing/labels'
import { Axis, Hatchings, Pieces, type View } from '../../drawing/Pieces'
import { useSize } from '../../drawing/sheet'
import { BoardTitle } from '../../shell/frame'
import { figures, narrow } from '../../theme/global'
import type { SheetedProps } from '../withSheets'
import { Mark, MARK_WORDS, MarkAt } from '../../drawing/ClaimMark'

const LEGEND = ['shown', 'open', 'void', 'contradicted', 'excepted'] as const

const Legend = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font: 500 15px/1.3 ${narrow};
  & > li {
    display: flex;
    align-items: center;
    gap: 6px;
  }
`

/** As high as the board, so that the paper begins below it; where everything stands in one column, as high as a hand holds. */
const Section = styled.section`
  flex: 1 0 auto;
  height: calc(100% + 16px);
  min-height: 400px;
  margin: -16px -20px 20px -24px;
  padding: 16px 20px 10px 24px;
  background: var(--paper);
  border-bottom: 2px solid var(--ink);
  display: flex;
  flex-direction: column;
  @media (max-width: 999px) {
    flex: none;
    height: 560px;
    margin: -14px -16px 16px;
    padding: 14px 16px;
  }
`

interface Props extends SheetedProps {
  /** what stands in its way, in its order */
  standing: readonly GatePoint[]
  current: GatePoint | undefined
  pick: (point: string) => void
}

/** The unit with everything that has to be shown of it, each at its place: what is settled in green, what is open numbered as it is worked off. */
export function EvidenceBoard({ open, standing, current, pick }: Props) {
  const { state, sheets, body, known } = open
  const claims = claimsOf(state, sheets, body, known)
  const places = useMemo(() => placesOf(claims, sheets), [claims, sheets])
  const asked = claims.filter((claim) => claim.state !== 'out of scope')
  const count = (which: string) => asked.filter((claim) => claim.state === which).length
  const settled = count('shown')
  const excepted = count('excepted')
  const left = asked.filter((claim) => !isSettled(claim)).length
  const says = [
    `${settled} of ${asked.length} items done`,
    ...(excepted ? [`${excepted} ${excepted === 1 ? 'exception' : 'exceptions'}`] : []),
    ...(left ? [`${left} open`] : []),
  ].join(', ')
  return (
    <Section aria-label="What was checked, and where">
      <BoardTitle style={{ flexWrap: 'wrap' }}>
        <div>
          <h1>What was checked, and where</h1>
          <p>{says}. Its sheet is below.</p>
        </div>
        <Legend style={{ marginLeft: 'auto' }} aria-hidden>
          {LEGEND.map((one) => (
            <li key={one}>
              <Mark state={one} /> {MARK_WORDS[one]}
            </li>
          ))}
        </Legend>
      </BoardTitle>
      <div style={{ flex: 1, minHeight: 300 }}>
        <Drawn
          sheets={sheets}
          places={places}
          standing={standing.filter((point) => point.body === body)}
          numberOf={(point) => standing.indexOf(point) + 1}
          current={current}
          pick={pick}
          says={says}
        />
      </div>
    </Section>
  )
}

const Row = styled.g<{ $acts: boolean }>`
  cursor: ${({ $acts }) => ($acts ? 'pointer' : 'default')};
  &:focus-visible {
    outline: 3px solid var(--blue);
  }
`

function Drawn({
  sheets,
  places,
  standing,
  numberOf,
  current,
  pick,
  says,
}: {
  sheets: SheetedProps['open']['sheets']
  places: readonly PlaceOfClaims[]
  standing: readonly GatePoint[]
  numberOf: (point: GatePoint) => number
  current: GatePoint | undefined
  pick: (point: string) => void
  says: string
}) {
  const drawing = useMemo(() => unitDrawing(sheets), [sheets])
  const [box, { width, height }] = useSize<SVGSVGElement>()
  const column = Math.min(190, Math.max(width < 420 ? 104 : 118, width * 0.22))
  const laid = useMemo(
    () =>
      width > 0
        ? layBeside(
            drawing,
            sheets.build.positions,
            places.map((one) => ({ of: one, at: one.at })),
            { width, height, column },
          )
        : null,
    [drawing, sheets, places, width, height, column],
  )
  const pointOf = (place: PlaceOfClaims) =>
    standing.find((point) => point.claims.some((claim) => place.claims.includes(claim)))
  return (
    <svg
      ref={box}
      role="group"
      aria-label={`${sheets.spec.modelName} in section. ${says}.`}
      style={{ width: '100%', height: '100%', display: 'block', overflow: 'visible' }}
    >
      {laid && (
        <>
          <Hatchings />
          <g opacity={0.62} aria-hidden>
            <Pieces pieces={drawing.fixed} mode="on" view={laid} />
            {laid.parts.map(({ code, pieces }) => (
              <Pieces key={code} pieces={pieces} mode="on" view={laid} />
            ))}
            {drawing.axes.map((axis, i) => (
              <Axis key={i} line={axis} view={laid} />
            ))}
          </g>
          <Troubled places={places} laid={laid} />
          {laid.rows.map((row) => {
            const point = pointOf(row.of)
            return (
              <Named
                key={row.of.place}
                row={row}
                column={column}
                number={point ? numberOf(point) : null}
                isCurrent={point !== undefined && point === current}
                pick={point ? () => pick(point.point) : undefined}
              />
            )
          })}
          <Bar perMm={laid.perMm} x={column + 12} y={height - 8} />
        </>
      )}
    </svg>
  )
}

/** The part with trouble in full strength, in its mark's colour. */
function Troubled({
  places,
  laid,
}: {
  places: readonly PlaceOfClaims[]
  laid: View & { parts: ReturnType<typeof layBeside>['parts'] }
}) {
  return places.flatMap(({ worst }) => {
    const part = worst && laid.parts.find(({ code }) => code === worst.subject)
    if (!part) return []
    return [
      <g key={part.code} style={worst.state === 'open' ? {} : ({ '--blue': 'var(--red)' } as object)}>
        <Pieces pieces={part.pieces} mode="now" view={laid} />
      </g>,
    ]
  })
}

const MARK_PX = 15

/** One place: its name, a mark for each of its claims, and the way to it. */
function Named({
  row,
  column,
  number,
  isCurrent,
  pick,
}: {
  row: Beside<PlaceOfClaims>
  column: number
  number: number | null
  isCurrent: boolean
  pick: (() => void) | undefined
}) {
  const { of: place, side, leader, target } = row
  const [x, y] = row.row
  const left = side === 'left'
  const trouble = place.worst
  const colour = trouble ? (trouble.state === 'open' ? 'var(--blue)' : 'var(--red)') : 'var(--ink)'
  const marks = [...place.claims]
    .filter(({ state }) => state !== 'out of scope')
    .sort((a, b) => Number(isSettled(a)) - Number(isSettled(b)))
  const fit = Math.floor((column - (number ? 44 : 14)) / MARK_PX)
  const shown = marks.slice(0, marks.length > fit ? fit - 2 : fit)
  const textX = left ? x - (number ? 40 : 10) : x + (number ? 40 : 10)
  const anchor = left ? 'end' : 'start'
  const from = left ? x - 6 : x + 6
  return (
    <Row
      $acts={pick !== undefined}
      role={pick ? 'button' : undefined}
      tabIndex={pick ? 0 : undefined}
      aria-label={`${place.name}: ${marks.filter(isSettled).length} of ${marks.length} settled${trouble ? `, ${MARK_WORDS[trouble.state]}: ${trouble.name}` : ''}`}
      aria-current={isCurrent || undefined}
      onClick={pick}
      onKeyDown={(event) => {
        if (!pick || (event.key !== 'Enter' && event.key !== ' ')) return
        event.preventDefault()
        event.stopPropagation()
        pick()
      }}
    >
      <rect
        x={left ? x - column : x}
        y={y - 26}
        width={column}
        height={52}
        fill={isCurrent ? 'var(--tint)' : 'transparent'}
      />
      {target && (
        <path
          d={[[from, y] as const, ...leader.slice(1)]
            .map(([px, py], i) => `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`)
            .join('')}
          fill="none"
          stroke={colour}
          strokeWidth={trouble ? 1.8 : 1}
        />
      )}
      {target && (
        <MarkAt
          state={trouble?.state ?? worstSettled(place)}
          x={target[0]}
          y={target[1]}
          r={trouble ? 10 : 6.5}
        />
      )}
      {number !== null && (
        <g>
          <circle
            cx={left ? x - 20 : x + 20}
            cy={y}
            r={14}
            fill={isCurrent ? colour : 'var(--paper)'}
            stroke={colour}
            strokeWidth={2}
          />
          <text
            x={left ? x - 20 : x + 20}
            y={y + 5}
            textAnchor="middle"
            fill={isCurrent ? 'var(--paper)' : colour}
            style={{ font: `600 15px ${figures}` }}
          >
            {number}
          </text>
        </g>
      )}
      <text
        x={textX}
        y={y - 5}
        textAnchor={anchor}
        fill={colour}
        style={{ font: `${trouble ? 600 : 500} 16px ${narrow}` }}
      >
        {/* On a narrow board there is room for the first word of it. */}
        {column < 130 ? place.name.split(',')[0] : place.name}
      </text>
      {shown.map((claim, i) => (
        <MarkAt
          key={claim.id}
          state={claim.state}
          x={left ? textX - 6 - i * MARK_PX : textX + 6 + i * MARK_PX}
          y={y + 12}
        />
      ))}
      {marks.length > shown.length && (
        <text
          x={left ? textX - shown.length * MARK_PX : textX + shown.length * MARK_PX}
          y={y + 17}
          textAnchor={anchor}
          fill="var(--pencil)"
          style={{ font: `400 14px ${figures}` }}
        >
          +{marks.length - shown.length}
        </text>
      )}
    </Row>
  )
}

const worstSettled = ({ claims }: PlaceOfClaims) =>
  claims.some(({ state }) => state === 'excepted')
    ? ('excepted' as const)
    : claims.every(({ state }) => state === 'out of scope')
      ? ('out of scope' as const)
      : ('shown' as const)
