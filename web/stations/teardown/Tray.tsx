import { boxOf, type Piece } from '@ekrond/core/unit/drawing'
import { unitDrawing } from '@ekrond/core/unit/families'
import { teardownOrder } from '@ekrond/core/sheets'
import { useMemo } from 'react'
import styled from 'styled-components'
import { Hatchings, Pieces } from '../../drawing/Pieces'
import { StripCell } from '../../shell/frame'
import { Label } from '../../ui'
import { figures } from '../../theme/global'
import type { StationProps } from '../../shell/props'

const Lying = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: flex-end;
  max-height: 84px;
  overflow: hidden;
  & > span {
    display: inline-flex;
    align-items: flex-end;
    font: 500 14px/1 ${figures};
  }
`

/** What is off and where it lies, each in its shape. */
export function Tray({ open }: StationProps) {
  const body = open.here
  const sheets = open.sheets
  const places = useMemo(() => (sheets ? unitDrawing(sheets).places : {}), [sheets])
  if (!sheets) return null
  const { build } = sheets
  const order = teardownOrder(build)
  const lying = order.filter((p) => body.off[p.code] && !body.on[p.code])
  const pieces = lying.reduce((sum, { quantity }) => sum + quantity, 0)
  return (
    <>
      <StripCell style={{ flex: '0 0 128px', paddingLeft: 16 }}>
        <Label>Tray</Label>
        <b style={{ fontSize: 26, lineHeight: 1.2 }}>
          {pieces} <small style={{ fontSize: 16, fontWeight: 400 }}>pieces off</small>
        </b>
        <span style={{ color: 'var(--pencil)' }}>{order.filter((p) => !body.off[p.code]).length} to go</span>
      </StripCell>
      {build.trays.map((tray) => {
        const here = lying.filter((p) => body.off[p.code]!.tray === tray.code)
        return (
          <StripCell key={tray.code}>
            <Label>
              {tray.code} · {tray.name}
            </Label>
            <Lying role="list" aria-label={`Tray ${tray.code}`}>
              {here.map((p) => (
                <span key={p.code} role="listitem" aria-label={p.name} title={p.name}>
                  <Shape pieces={places[p.code]?.one ?? places[p.code]?.pieces ?? []} />
                  {p.quantity > 1 && `×${p.quantity}`}
                </span>
              ))}
            </Lying>
          </StripCell>
        )
      })}
    </>
  )
}

/** Largest and smallest side of a part in its tray, px; between them it is to its own scale. */
const [LEAST, MOST] = [16, 44]

/** A part by itself, in steps of scale: castings small, small brass large enough to be told. */
function Shape({ pieces }: { pieces: readonly Piece[] }) {
  if (pieces.length === 0) return null
  const { x0, y0, x1, y1 } = boxOf(pieces)
  const long = Math.max(x1 - x0, y1 - y0)
  const perMm = Math.min(MOST / long, Math.max(LEAST / long, long < 20 ? 2 : 1))
  const [width, height] = [(x1 - x0) * perMm + 5, (y1 - y0) * perMm + 5]
  return (
    <svg width={width} height={height} aria-hidden>
      <Hatchings />
      <Pieces pieces={pieces} mode="on" view={{ perMm, origin: [2.5 - x0 * perMm, 2.5 + y1 * perMm] }} />
    </svg>
  )
}
