import { complaintWords, symptomWords } from '@ekrond/core/log'
import { useState } from 'react'
import styled from 'styled-components'
import { OnStrip } from '../../shell/OnStrip'
import { StripCell } from '../../shell/frame'
import type { StationProps } from '../../shell/props'
import { Label } from '../../ui'
import { useKeys } from '../../ui/keys'
import { TeachBoard } from '../../teach/TeachBoard'
import { TeachForm } from '../../teach/TeachForm'
import { NotIdentified } from '../NotIdentified'
import { Candidates } from './Candidates'
import { Evidence } from './Evidence'
import { PlanBoard } from './PlanBoard'
import { useIdentifying, type IdentifyingView } from './useIdentifying'

const Three = styled.main`
  display: grid;
  grid-template-columns: 372px minmax(0, 1fr) 384px;
  min-height: 0;
  & > section:nth-child(2) {
    border-left: 1px solid var(--ink);
  }
  @media (max-width: 1180px) {
    grid-template-columns: 304px minmax(0, 1fr) 332px;
  }
  @media (max-width: 999px) {
    display: flex;
    flex-direction: column;
  }
`

const Complaint = styled(StripCell)`
  padding: 10px 20px;
  & > b {
    font-size: 20px;
  }
  & > span:last-child {
    color: var(--pencil);
  }
`

/** Which list number it is, or, where no book knows it, what the bench has taught of it so far. */
export default function IdentifyStation({ open }: StationProps) {
  const [teaching, setTeaching] = useState(false)
  if (teaching) return <TeachForm open={open} cancel={() => setTeaching(false)} />
  if (open.here.taught)
    return open.sheets ? <TeachBoard open={open} /> : <NotIdentified open={open} what="teach" />
  return <FromLibrary open={open} teach={() => setTeaching(true)} />
}

/** From whom the outlines on the board are. */
function drawnFor({ nothingSeen, library, candidates, leader }: IdentifyingView): string {
  if (!nothingSeen && library.data)
    return leader ? 'drawn for the number selected on the right' : 'no number of the library fits'
  return candidates.length === 0
    ? 'nothing to draw yet'
    : 'drawn for the most common one until something is read'
}

/** Marks and measures against the library, with the chances and what would settle most. */
function FromLibrary({ open, teach }: StationProps & { teach: () => void }) {
  const view = useIdentifying(open)
  const { at, ranking, pick, look, nothingSeen } = view
  useKeys({
    Enter: view.choose,
    t: teach,
    ArrowDown: () => pick(Math.min(at + 1, ranking.length - 1)),
    ArrowUp: () => pick(Math.max(0, at - 1)),
  })
  const { opened } = open.state
  return (
    <>
      <OnStrip>
        <Complaint>
          <Label>Complaint</Label>
          <b>{opened && complaintWords(opened.complaint)}</b>
          <span>
            {opened && symptomWords(opened.complaint.symptom)} ·{' '}
            {opened && symptomWords(opened.complaint.band)} · from {opened?.engine}, {opened?.equipment}
          </span>
        </Complaint>
      </OnStrip>
      <Three>
        <Evidence
          open={open}
          candidates={view.candidates}
          place={view.place}
          setPlace={view.setPlace}
          markText={view.markText}
          setMarkText={view.setMarkText}
          enterMark={view.enterMark}
          makerNow={view.makerNow}
          setMaker={view.setMaker}
          lookAt={look?.feature ?? null}
          wrong={view.wrong || view.refusedMark}
          setWrong={view.setWrong}
        />
        <PlanBoard
          open={open}
          leader={view.leader}
          look={nothingSeen ? null : (look?.feature ?? null)}
          says={drawnFor(view)}
        />
        <Candidates open={open} view={view} teach={teach} />
      </Three>
    </>
  )
}
