import { standings } from '@ekrond/core/job'
import { useState } from 'react'
import { useShop } from '../../data/job'
import { Ask, AskFoot, Board, BoardTitle, Main, StripCell } from '../../shell/frame'
import { JobSheet } from '../../shell/JobSheet'
import { Choice, ErrorLine, Key, Label, MainButton, QuietButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import type { StationProps } from '../props'
import { Assumed } from './Assumed'
import { emptyOpening, OpeningForm, readOpening, type Opening } from './OpeningForm'

/** What was said at the counter, to be put right where it was wrong. */
export default function ReceiveStation({ open }: StationProps) {
  const { opened } = open.state
  const shop = useShop().data
  const given: Opening = opened
    ? {
        customer: opened.customer,
        engine: opened.engine,
        equipment: opened.equipment,
        ethanol: opened.ethanol === null ? '' : String(Math.round(opened.ethanol * 1000) / 10),
        pressure: opened.pressureKpa === null ? '' : String(opened.pressureKpa),
        head: opened.headMm === null ? '' : String(opened.headMm),
        altitude: opened.altitudeM === null ? '' : String(opened.altitudeM),
        promise: opened.promise,
        symptom: opened.complaint.symptom,
        band: opened.complaint.band,
        temperature: opened.complaint.temperature,
        words: opened.complaint.words,
        aircraft: '',
      }
    : emptyOpening
  const [changes, setChanges] = useState<Partial<Opening>>({})
  const [wrong, setWrong] = useState<{ field?: keyof Opening; sentence: string } | null>(null)
  const typed = { ...given, ...changes }
  const changed = (Object.keys(changes) as (keyof Opening)[]).some((field) => changes[field] !== given[field])
  const correct = () => {
    if (!changed || !shop) return
    // A promise that was given and is over stays what it was.
    const read = readOpening(typed, typed.promise === given.promise ? typed.promise : shop.today)
    if ('sentence' in read) return setWrong(read)
    const standing = standings(open.state.log)
    const target = open.state.log.find(
      (entry) => entry.kind === 'job.opened' && standing.get(entry.id) === 'alive',
    )
    const refused = open.add('job.opened', read.data, target ? { corrects: target.id } : {})
    if (refused) setWrong({ sentence: refused.sentence })
    else setChanges({})
  }
  const closeAircraft = () => {
    const refused = open.add('job.closed', {
      why: 'not serviced',
      words: 'From an aircraft: referred to a certificated repair station.',
    })
    return refused ? { sentence: refused.sentence } : null
  }
  useKeys({ Enter: correct })
  return (
    <JobSheet
      open={open}
      station="receive"
      strip={
        <>
          <StripCell>
            <Label>Engine</Label>
            <b>{given.engine}</b>
          </StripCell>
          <StripCell>
            <Label>Fuel</Label>
            <b>{given.ethanol ? `E${given.ethanol}` : 'gasoline, assumed'}</b>
          </StripCell>
          <StripCell>
            <Label>Pressure</Label>
            <b>
              {given.pressure
                ? `${given.pressure} kPa`
                : given.head
                  ? `${given.head} mm head`
                  : 'from the sheet'}
            </b>
          </StripCell>
          <StripCell>
            <Label>Complaint</Label>
            <b>{given.symptom}</b>
            {given.band}, {given.temperature === 'both' ? 'cold and hot' : given.temperature}
          </StripCell>
        </>
      }
    >
      <Main $ask={320}>
        <Board style={{ overflowY: 'auto' }}>
          <OpeningForm
            typed={typed}
            shop={shop}
            wrong={wrong?.field}
            set={(field, value) => {
              setWrong(null)
              setChanges((now) => ({ ...now, [field]: value }))
            }}
          />
        </Board>
        <Ask>
          <BoardTitle>
            <h1>As it was taken in</h1>
          </BoardTitle>
          <Assumed typed={typed} />
          <p style={{ color: 'var(--pencil)' }}>
            {changed
              ? 'What stood before stays readable in the history.'
              : 'Change what was wrong; levels and flows follow it.'}
          </p>
          {open.state.closed ? (
            <ErrorLine>
              Closed: {open.state.closed.why}. {open.state.closed.words}
            </ErrorLine>
          ) : (
            !open.state.returned && (
              <Choice onPress={() => setWrong(closeAircraft())}>
                It turns out to be from an aircraft: close it
              </Choice>
            )
          )}
          {wrong && <ErrorLine role="alert">{wrong.sentence}</ErrorLine>}
          <AskFoot>
            <MainButton onPress={correct} isDisabled={!changed}>
              {changed ? 'Put it right' : 'Nothing changed'} <Key>Enter</Key>
            </MainButton>
            {open.number !== null && (
              <QuietButton onPress={() => window.open(`/api/jobs/${open.number}/label.pdf`, '_blank')}>
                Label
              </QuietButton>
            )}
          </AskFoot>
        </Ask>
      </Main>
    </JobSheet>
  )
}
