import { boxOf, fitted } from '@ekrond/core/unit/drawing'
import { unitDrawing } from '@ekrond/core/unit/families'
import type { PassageView } from '@ekrond/core/bench/stations'
import type { Sheets } from '@ekrond/core/sheets'
import { branchStandingOf } from '@ekrond/core/diagnose/passages'
import { useMemo } from 'react'
import styled from 'styled-components'
import { Hatchings, pathOf, Pieces, type View } from '../../drawing/Pieces'
import { useSize } from '../../drawing/sheet'
import { figures } from '../../theme/global'

const Port = styled.g`
  cursor: pointer;
  outline: none;
  &:focus-visible > circle:first-child {
    stroke: var(--blue);
    stroke-width: 3;
  }
`

/** How a port stands in the blow that is being tapped. */
export type Tapped = 'in' | 'open' | 'shut'
export const TAPPED_WORDS: Record<Tapped, string> = {
  in: 'blown in here',
  open: 'air came out',
  shut: 'no air',
}

interface Props {
  sheets: Sheets
  view: PassageView
  tapped: Readonly<Record<string, Tapped>>
  /** the ports of the blow that is suggested */
  suggested: ReadonlySet<string>
  tap: (port: string) => void
}

const DASHES = { fuel: undefined, air: '7 4', vacuum: '11 3.5 2.5 3.5' }

/** The passages in the unit's own section: circuits by their line, blocked ones red, ports to be tapped. */
export function PassageMap({ sheets, view, tapped, suggested, tap }: Props) {
  const drawing = useMemo(() => unitDrawing(sheets), [sheets])
  const [box, room] = useSize<SVGSVGElement>()
  const laid = room.width > 0 ? fitted(boxOf(drawing.fixed), room, 24) : null
  const onSheet: View = laid ?? { perMm: 1, origin: [0, 0] }
  const likely = view.suspects[0]
  return (
    <svg
      ref={box}
      role="group"
      aria-label={`Passage map, ${view.plan.passages.length} branches. ${
        likely ? `${likely.name} seems blocked.` : view.proven ? 'All clear.' : ''
      }`}
      style={{ width: '100%', height: '100%', display: 'block', overflow: 'visible' }}
    >
      {laid && (
        <>
          <Hatchings />
          <g opacity={0.45}>
            <Pieces pieces={drawing.fixed} mode="on" view={onSheet} />
          </g>
          {view.plan.passages.map(({ id, line, circuit, bore }) => {
            const p = view.blocked[id]!
            const standing = branchStandingOf(p, view.blows.length)
            const blocked = standing === 'blocked'
            const free = standing === 'free'
            const d = pathOf(line, false, onSheet)
            const width = Math.max(3.4, bore * onSheet.perMm * 0.8)
            return (
              <g key={id}>
                <path
                  d={d}
                  fill="none"
                  stroke="var(--paper)"
                  strokeWidth={width + 4}
                  strokeLinejoin="round"
                />
                <path
                  d={d}
                  fill="none"
                  stroke={blocked ? 'var(--red)' : free ? 'var(--ink)' : 'var(--pencil)'}
                  strokeWidth={blocked || free ? width : Math.min(width, 3.4)}
                  strokeDasharray={DASHES[circuit]}
                  strokeLinejoin="round"
                />
              </g>
            )
          })}
          {view.plan.ports.map(({ code, name, at }) => {
            const x = onSheet.origin[0] + at[0] * onSheet.perMm
            const y = onSheet.origin[1] - at[1] * onSheet.perMm
            const stands = tapped[code]
            const colour = stands === 'in' ? 'blue' : stands === 'shut' ? 'red' : 'ink'
            return (
              <Port
                key={code}
                role="button"
                tabIndex={0}
                aria-label={`Port ${code}, ${name}${stands ? `: ${TAPPED_WORDS[stands]}` : ''}`}
                onClick={() => tap(code)}
                // Enter logs the blow, whatever has the focus.
                onKeyDown={(event) => {
                  if (event.key !== ' ') return
                  event.preventDefault()
                  tap(code)
                }}
              >
                <circle cx={x} cy={y} r={22} fill="transparent" />
                <circle
                  cx={x}
                  cy={y}
                  r={14}
                  fill={stands ? `var(--${colour})` : 'var(--paper)'}
                  stroke={`var(--${suggested.has(code) && !stands ? 'blue' : colour})`}
                  strokeWidth={2}
                  strokeDasharray={suggested.has(code) && !stands ? '4 3' : undefined}
                />
                <text
                  x={x}
                  y={y + 5}
                  textAnchor="middle"
                  fill={stands ? 'var(--onInk)' : 'var(--ink)'}
                  style={{ font: `600 15px ${figures}`, pointerEvents: 'none' }}
                >
                  {code}
                </text>
                {stands === 'open' && <Mark x={x + 15} y={y - 13} d="M-4 0L-1 4L5 -5" />}
                {stands === 'shut' && <Mark x={x + 15} y={y - 13} d="M-4 -4L4 4M4 -4L-4 4" />}
              </Port>
            )
          })}
        </>
      )}
    </svg>
  )
}

const Mark = ({ x, y, d }: { x: number; y: number; d: string }) => (
  <g transform={`translate(${x} ${y})`}>
    <circle r={9} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.4} />
    <path d={d} fill="none" stroke="var(--ink)" strokeWidth={2.2} />
  </g>
)
