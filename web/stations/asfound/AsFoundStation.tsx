import { besideSettings, isTeardownUnlocked } from '@ekrond/core/bench/stations'
import { aim } from '@ekrond/core/judge/settings'
import type { SettingSpec } from '@ekrond/core/sheets'
import { conditionsFor } from '@ekrond/core/bench/entering'
import { useState } from 'react'
import styled from 'styled-components'
import { pictureFor } from '../../drawing/settings'
import { Ask, AskFoot, AskHead, Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { Photos } from '../../photos/Photos'
import { OnStrip } from '../../shell/OnStrip'
import type { StationProps } from '../../shell/props'
import { SettingsStrip } from '../../shell/SettingsStrip'
import { NoneHere } from '../../teach/NoneHere'
import {
  Answer,
  Choice,
  ErrorLine,
  FieldInput,
  Fraction,
  Key,
  Label,
  MainButton,
  QuietButton,
} from '../../ui'
import { onEnter, useKeys } from '../../ui/keys'
import { NotIdentified } from '../NotIdentified'
import type { SheetedOpen } from '../withSheets'
import { Counted, Read } from './Counted'
import { Looks } from './Looks'
import { Outside } from './Outside'
import { PortsFound } from './Ports'
import { Received } from './Received'
import { Seal } from './Seal'
import { useAsFound, type AsFoundView } from './useAsFound'

const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 28px;
  align-items: end;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  /* While one thing is asked the others stand aside: the drawing keeps its room. */
  &:has([data-asking]) > *:not([data-asking]) {
    display: none !important;
  }
`

const HowTo = styled.p`
  font-size: 17px;
`

const Meaning = styled(Answer)<{ $long: boolean }>`
  font-size: ${({ $long }) => ($long ? 17 : 19)}px;
`

/** Before anything moves: what it came in with. */
export default function AsFoundStation({ open }: StationProps) {
  const view = useAsFound(open)
  const { setting, log, setSkipping, step } = view
  useKeys({
    Enter: log,
    k: () => setSkipping('this'),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
  })
  const { sheets } = open
  if (!sheets || !setting) return <NotIdentified open={open} what="note" />
  const sheeted = { ...open, sheets }
  return (
    <>
      <OnStrip>
        <SettingsStrip open={sheeted} here={view.key} order="asfound" />
      </OnStrip>
      <Main $ask={430}>
        <FromOutside open={sheeted} setting={setting} view={view} />
        <Asked open={sheeted} setting={setting} view={view} />
      </Main>
    </>
  )
}

/** The unit from outside with its ports, or what is read now close up; under it its tests, its looks and its photographs. */
function FromOutside({ open, setting, view }: AskedProps) {
  const { spec } = open.sheets
  // A screw is counted by its dial; what is read is best seen close up.
  const near = setting.quantity !== 'turns'
  const [close, setClose] = useState(true)
  const isClose = near && close
  useKeys(near ? { v: () => setClose((now) => !now) } : {})
  return (
    <Board>
      <BoardTitle>
        <div>
          <h1>{isClose ? 'Close up, as received' : 'Outside, as received'}</h1>
          <p>
            {isClose ? '' : 'filled: noted · blue: now · '}
            {spec.taught
              ? `grey: borrowed from its family, ${spec.taught.family}`
              : `${isClose ? '' : 'letters: ports · '}drawn from ${spec.listNumber}`}
          </p>
        </div>
        {near && (
          <div role="group" aria-label="View" style={{ display: 'flex', gap: 6 }}>
            <Choice $on={!close} aria-pressed={!close} onPress={() => setClose(false)}>
              Outside
            </Choice>
            <Choice $on={close} aria-pressed={close} onPress={() => setClose(true)}>
              Close up <Key>V</Key>
            </Choice>
          </div>
        )}
      </BoardTitle>
      <BoardDrawing>
        {isClose ? (
          <CloseUp open={open} setting={setting} view={view} />
        ) : (
          <Outside
            sheets={open.sheets}
            body={open.here}
            current={view.key}
            counting={view.turns && view.text !== '' ? view.count : null}
          />
        )}
      </BoardDrawing>
      <Foot>
        <Received open={open} />
        <PortsFound open={open} />
        <Looks open={open} />
        <Photos
          open={open}
          step="asfound"
          shown={({ step, position }) => position === null && (step === 'asfound' || step === 'received')}
          label="Linkages and clips from all sides"
        />
      </Foot>
    </Board>
  )
}

/** What is read now as Set draws it: the lever with its holes, the plate with the gap, the cover with its marks. */
function CloseUp({ open, setting, view }: AskedProps) {
  const { sheets, state, here } = open
  const { Picture } = pictureFor(sheets.spec, setting.code)
  return (
    <Picture
      spec={sheets.spec}
      sheets={sheets}
      setting={setting}
      reading={{ value: view.noted?.value ?? null, shown: null }}
      target={aim(setting) ?? 0}
      conditions={conditionsFor(state, sheets)}
      here={here}
      side="held"
    />
  )
}

interface AskedProps {
  open: SheetedOpen
  setting: SettingSpec
  view: AsFoundView
}

function howTo(setting: SettingSpec, { mixture, to }: AsFoundView): string {
  if (!mixture) return setting.hold
  return to === 'free'
    ? 'Turn it out until it comes free. Tap for each part of a turn.'
    : 'Turn it in (clockwise) until it just seats. Tap for each part of a turn. Stop as soon as you feel it: force marks the seat.'
}

/** How far the tests, the ports and the looks are, which are steps too. */
function stepsBeside({ state, body, sheets }: SheetedOpen): string {
  const { tests, ports, looks } = besideSettings({ state, body, sheets })
  const said = (what: string, [seen, of]: readonly [number, number]) =>
    of > 0 ? ` · ${what} ${seen} of ${of}` : ''
  return said('tests', tests) + said('ports', ports) + said('looks', looks)
}

/** The one setting that is noted now. */
function Asked({ open, setting, view }: AskedProps) {
  const { skipping, setSkipping, wrong, noted, text, skipped } = view
  return (
    <Ask aria-label="Current step">
      <AskHead>
        <Label>
          {view.index + 1} of {view.outside.length}
          {stepsBeside(open)} · before anything is moved
        </Label>
        {!isTeardownUnlocked(open.state, open.sheets, open.body) && (
          <QuietButton onPress={() => setSkipping('all')}>skip the rest</QuietButton>
        )}
      </AskHead>
      <h2>{setting.name}</h2>
      <HowTo>{howTo(setting, view)}</HowTo>
      {setting.sealed && !skipping && <Seal open={open} setting={setting} />}
      {skipping ? (
        <Skipping view={view} />
      ) : view.turns ? (
        <Counted setting={setting} view={view} />
      ) : (
        <Read setting={setting} view={view} />
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      {/* The judging sentence waits until the count is finished. */}
      {noted && text === '' && !skipping && <Said setting={setting} view={view} />}
      {skipped && <Answer>Skipped: {skipped}</Answer>}
      <AskFoot>
        <MainButton onPress={view.log}>
          {wordsOf(view)} <Key>Enter</Key>
        </MainButton>
        {skipping ? (
          <QuietButton onPress={() => setSkipping(null)}>Don’t skip</QuietButton>
        ) : (
          <QuietButton onPress={() => setSkipping('this')}>
            Skip, give reason <Key>K</Key>
          </QuietButton>
        )}
        {open.here.taught && !skipping && !noted && <NoneHere open={open} setting={setting} />}
      </AskFoot>
    </Ask>
  )
}

/** What Enter does now. */
function wordsOf({ skipping, text, mixture, to, noted }: AsFoundView): string {
  if (skipping) return 'Skip, with this reason'
  if (text === '') return noted ? 'Next' : 'Record'
  if (!mixture) return 'Record'
  return to === 'seat' ? 'Seated' : 'It came free'
}

function Skipping({ view: { skipping, why, setWhy, log } }: { view: AsFoundView }) {
  return (
    <label>
      <Label>
        {skipping === 'all' ? 'Reason to start teardown without the rest' : 'Reason for skipping'}
      </Label>
      <FieldInput
        autoFocus
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={onEnter(log)}
        placeholder="in a few words"
      />
    </label>
  )
}

/** What was noted, and what it means beside the sheet. */
function Said({ setting, view: { said, noted } }: Omit<AskedProps, 'open'>) {
  if (!said || !noted) return null
  const off =
    (setting.lo !== null && noted.value < setting.lo) || (setting.hi !== null && noted.value > setting.hi)
  const headline = <Fraction text={said.headline} />
  return (
    <Meaning aria-live="polite" $long={said.meaning.length > 120}>
      {said.meaning && off ? <em>{headline} </em> : <>{headline} </>}
      <Fraction text={said.meaning} />
    </Meaning>
  )
}
