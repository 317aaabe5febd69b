import { conditionsFor } from '@ekrond/core/bench/entering'
import { levelInUse } from '@ekrond/core/physics/float'
import { figure } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { wantedLevel } from '@ekrond/core/judge/settings'
import styled from 'styled-components'
import { figures } from '../../theme/global'
import { type SheetedProps } from '../withSheets'

const InUseBox = styled.div`
  border: 1px solid var(--line);
  padding: 7px 12px;
  align-self: flex-start;
  margin-top: 8px;
  & > b {
    display: block;
    font: 500 20px/1.3 ${figures};
    letter-spacing: -0.03em;
  }
  & > span {
    font-size: 14px;
    color: var(--pencil);
  }
`

/** What the height means with the engine running, beside the drawing of how it is held. */
export function InUse({ open, height, wanted }: SheetedProps & { height: number; wanted: number }) {
  const { spec } = open.sheets
  const conditions = conditionsFor(open.state, open.sheets)
  const { pressureKpa, densityKgM3, assumes } = conditions
  const level = levelInUse(spec.float, height, pressureKpa, densityKgM3)
  const mark = wantedLevel(spec, wanted, conditions)
  if (isRefusal(level) || mark === null) return null
  return (
    <InUseBox>
      <span>
        in use, at {figure(pressureKpa)} kPa
        {assumes.some((a) => a.includes('kPa')) ? ' (assumed)' : ''}
      </span>
      <b>
        {figure(level.belowFace)}, target {figure(mark)}
      </b>
      <span>fuel below face, mm</span>
    </InUseBox>
  )
}
