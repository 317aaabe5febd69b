import type { CatalogueAnswer, ListNumberAnswer } from '@ekrond/contract/library'
import { useQuery } from '@tanstack/react-query'
import type { ApiError } from '../../data/api'
import { listNumberQuery } from '../../data/library'
import { Board, BoardDrawing, BoardTitle } from '../../shell/frame'
import type { StationProps } from '../../shell/props'
import { planHeading, PlanView } from './PlanView'

const measured = (value: string | number | undefined) => (value === undefined ? null : Number(value))

/** The candidate that leads, drawn at its bores; the one of before stands until the next one's sheets are there. */
export function PlanBoard({
  open,
  leader,
  look,
  says,
}: StationProps & {
  leader: CatalogueAnswer['candidates'][number] | undefined
  /** the feature that is to be looked at next */
  look: string | null
  says: string
}) {
  const sheets = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(leader?.id ?? ''),
    enabled: leader !== undefined,
    placeholderData: (before) => before,
  }).data?.sheets
  const features = leader && {
    throttleBoreMm: measured(leader.features.throttleBoreMm),
    venturiMm: measured(leader.features.venturiMm),
    flangeBoltSpacingMm: measured(leader.features.flangeBoltSpacingMm),
    chokeKind: String(leader.features.chokeKind ?? 'not known'),
  }
  const drawn = features && sheets ? { features, sheets } : null
  return (
    <Board>
      <BoardTitle>
        <div>
          <h1>{drawn ? planHeading(drawn.sheets, drawn.features) : 'Plan, from above'}</h1>
          <p>{says}</p>
        </div>
      </BoardTitle>
      <BoardDrawing>
        {drawn && (
          <PlanView
            {...drawn}
            look={look}
            seen={Object.fromEntries(Object.entries(open.here.features).map(([name, f]) => [name, f.raw]))}
          />
        )}
      </BoardDrawing>
    </Board>
  )
}
