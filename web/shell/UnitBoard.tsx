import type { ClaimState } from '@ekrond/core/claims'
import type { PartStanding } from '@ekrond/core/unit/drawing'
import type { Position, Sheets } from '@ekrond/core/sheets'
import { useMemo, type ReactNode } from 'react'
import styled from 'styled-components'
import { Unit } from '../drawing/Unit'
import { Board, BoardDrawing, BoardTitle } from './frame'

interface Props {
  sheets: Sheets
  /** what has been shown of its parts */
  marks?: Readonly<Record<string, ClaimState>> | undefined
  /** what is done, and which line says what */
  title: string
  legend: string
  /** the order of teardown, whose numbers the balloons bear */
  order: readonly Position[]
  off: ReadonlySet<string>
  current: Position | undefined
  /** codes in the order in which they come */
  next: readonly string[]
  /** what stands over the drawing, at its right */
  head?: ReactNode
  /** what is shown in place of the unit */
  instead?: ReactNode
  /** what stands at the drawing's right */
  beside?: ReactNode
  /** what is asked at the drawing's foot */
  children?: ReactNode
  /** where somebody taps the drawing, mm on the unit */
  onTap?: ((at: readonly [number, number]) => void) | undefined
}

const Beside = styled.div`
  display: flex;
  gap: 12px;
  flex: 1;
  min-height: 0;
  & > :first-child {
    flex: 1;
    min-width: 0;
  }
`

/** Names beside the drawing: the current part and the two that come next. */
const NAMED = 3

/** The unit in section as it stands now, apart or together; teardown and build show the same one, each in its own direction. */
export function UnitBoard({
  sheets,
  marks,
  title,
  legend,
  order,
  off,
  current,
  next,
  head,
  instead,
  beside,
  children,
  onTap,
}: Props) {
  const standings = useMemo(
    () =>
      Object.fromEntries(
        sheets.build.positions.map(({ code }): [string, PartStanding] => [
          code,
          code === current?.code ? 'now' : off.has(code) ? 'off' : 'on',
        ]),
      ),
    [sheets, off, current],
  )
  const named = useMemo(() => {
    const codes = [...(current ? [current.code] : []), ...next.slice(0, NAMED - 1)]
    return codes.flatMap((code) => {
      const position = sheets.build.positions.find((p) => p.code === code)
      if (!position) return []
      const number = order.findIndex((p) => p.code === code) + 1
      return [{ code, number: number ? String(number) : '·', words: position.name }]
    })
  }, [sheets, order, current, next])
  const lying = order.filter(({ code }) => off.has(code)).length
  return (
    <Board>
      <BoardTitle>
        <div>
          <h1>{title}</h1>
          <p>{legend}</p>
        </div>
        {head && <div>{head}</div>}
      </BoardTitle>
      <Beside>
        <BoardDrawing>
          {instead || (
            <Unit
              sheets={sheets}
              standings={standings}
              named={named}
              marks={marks}
              onTap={onTap}
              title={`${sheets.spec.modelName} in section, ${order.length} parts: ${lying} off.${
                current ? ` Now ${current.name}.` : ''
              } Next: ${
                named
                  .filter(({ code }) => code !== current?.code)
                  .map(({ words }) => words)
                  .join(', ') || 'nothing'
              }.`}
            />
          )}
        </BoardDrawing>
        {beside}
      </Beside>
      {children}
    </Board>
  )
}
