import { ladderOf, rungsAround } from '@ekrond/core/judge/work'
import { useMemo } from 'react'
import styled from 'styled-components'
import { useSize } from '../../drawing/sheet'
import { narrow } from '../../theme/global'
import type { SheetedProps } from '../withSheets'

const STEP = 40
const RAIL = [12, 32] as const

const Column = styled.div`
  width: 196px;
  flex: none;
  min-height: 0;
  @media (max-width: 1199px) {
    display: none;
  }
`

/** The steps of putting it together: thick is on, two thin lines are to come, a diamond is set before the next part hides it. */
export function BuildLadder({ open, now }: SheetedProps & { now: string | undefined }) {
  const [box, size] = useSize<SVGSVGElement>()
  const ladder = useMemo(
    () => ladderOf(open.state, open.sheets, open.body),
    [open.state, open.sheets, open.body],
  )
  const room = Math.max(3, Math.floor(size.height / STEP))
  const rungs = rungsAround(ladder, now, room)
  const [left, right] = RAIL
  const middle = (left + right) / 2
  const foot = rungs.length * STEP
  const label = rungs.find(({ code }) => code === now)
  return (
    <Column>
      <svg
        ref={box}
        role="img"
        aria-label={`Steps to go: ${ladder.filter(({ state }) => state === 'next').length} of ${ladder.length}.${label ? ` Now ${label.name}.` : ''}`}
        style={{ width: '100%', height: '100%', display: 'block' }}
      >
        {RAIL.map((x) => (
          <line key={x} x1={x} x2={x} y1={0} y2={foot} stroke="var(--ink)" strokeWidth={1.6} />
        ))}
        {rungs.map(({ kind, code, name, state, hiddenBy }, i) => {
          const y = i * STEP + STEP / 2
          const isNow = code === now
          const colour = isNow ? 'var(--blue)' : state === 'done' ? 'var(--pencil)' : 'var(--ink)'
          return (
            <g key={`${kind} ${code}`}>
              {kind === 'setting' ? (
                <path
                  d={`M${middle} ${y - 14} L${middle + 14} ${y} L${middle} ${y + 14} L${middle - 14} ${y} Z`}
                  fill={isNow ? 'var(--blue)' : state === 'done' ? 'var(--ink)' : 'var(--paper)'}
                  stroke={isNow ? 'var(--blue)' : 'var(--ink)'}
                  strokeWidth={1.8}
                />
              ) : state === 'done' ? (
                <line x1={left} x2={right} y1={y} y2={y} stroke="var(--ink)" strokeWidth={5} />
              ) : (
                [-2.5, 2.5].map((off) => (
                  <line
                    key={off}
                    x1={left}
                    x2={right}
                    y1={y + off}
                    y2={y + off}
                    stroke={colour}
                    strokeWidth={isNow ? 3 : 1.4}
                  />
                ))
              )}
              <text
                x={right + 16}
                y={y + (kind === 'setting' && state === 'next' ? -2 : 5)}
                fill={colour}
                style={{ font: `${isNow ? 600 : 500} 15px ${narrow}` }}
              >
                {short(name, 21)}
              </text>
              {kind === 'setting' && state === 'next' && (
                <text x={right + 16} y={y + 14} fill={colour} style={{ font: `400 14px ${narrow}` }}>
                  {short(`before ${hiddenBy.toLowerCase()}`, 23)}
                </text>
              )}
            </g>
          )
        })}
      </svg>
    </Column>
  )
}

const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text)
