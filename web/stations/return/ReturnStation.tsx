import { afterReturn } from '@ekrond/core/job'
import { gatePoints } from '@ekrond/core/stations'
import { returnSheets } from '@ekrond/core/return-sheet'
import { capital } from '@ekrond/core/words'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { Ask, AskFoot, Board, Main } from '../../shell/frame'
import { Scrolled } from '../../ui/Scrolled'
import { BeforeAfter } from '../../photos/BeforeAfter'
import { OnStrip } from '../../shell/OnStrip'
import { SettingsStrip } from '../../shell/SettingsStrip'
import { ErrorLine, Key, Label, MainButton, QuietButton, Tick } from '../../ui'
import { useKeys } from '../../ui/keys'
import { withSheets, type SheetedProps } from '../withSheets'
import { Paper } from './Paper'
import { LetPass } from './LetPass'
import { EndsOtherwise } from './EndsOtherwise'
import { AnswerComplaint } from './AnswerComplaint'
import { Revisions, Reopen } from './WentBack'

export default withSheets('return', Return)

const Point = styled.li<{ $here: boolean }>`
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid ${({ $here }) => ($here ? 'var(--blue)' : 'transparent')};
  background: ${({ $here }) => ($here ? 'var(--tint)' : 'none')};
  & > button {
    display: block;
    width: 100%;
    text-align: left;
    background: none;
    border: 0;
    padding: 7px 10px;
    min-height: 44px;
    cursor: pointer;
  }
  & b {
    display: block;
    line-height: 1.25;
  }
  & small {
    font-size: 15px;
    color: var(--pencil);
  }
`

function Return({ open }: SheetedProps) {
  const { state } = open
  const points = gatePoints(state, open.all)
  const standing = points.filter((point) => !point.passed)
  const [picked, setPicked] = useState<string | null>(null)
  const current = standing.find((p) => p.point === picked) ?? standing[0]
  const [wrong, setWrong] = useState('')
  const [ending, setEnding] = useState(false)
  const base = `/api/jobs/${open.number ?? open.job}`
  const giveBack = () => {
    if (standing.length || state.returned || state.closed) return
    setWrong(open.add('job.returned', { seenSeq: state.seq })?.sentence ?? '')
  }
  const move = (by: number) => {
    const at = standing.findIndex((p) => p === current)
    setPicked(standing[Math.max(0, Math.min(standing.length - 1, at + by))]?.point ?? null)
  }
  useKeys({
    Enter: giveBack,
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    s: () => window.open(`${base}/sheet.pdf`, '_blank'),
  })
  return (
    <>
      <OnStrip>
        <SettingsStrip open={open} />
      </OnStrip>
      <Main $ask={440}>
        <Board
          style={{ overflowY: 'auto', background: 'var(--board)' }}
          tabIndex={0}
          aria-label="The sheet as it stands"
        >
          {returnSheets(state, open.all, open.number ?? 0).map((page) => (
            <Paper key={page.body?.number ?? 1} sheet={page} />
          ))}
          <BeforeAfter open={open} />
        </Board>
        <Ask aria-label="Before it goes back">
          {state.closed ? (
            <>
              <h2>It is closed.</h2>
              <p style={{ fontSize: 17 }}>
                {capital(state.closed.why)}: {state.closed.words} Its paper says so.
              </p>
              <Reopen open={open} />
            </>
          ) : state.returned ? (
            <>
              <h2>It went back. Sheet, revision {afterReturn(state)!.letter}.</h2>
              <p>
                What is put right now at its station makes the next revision; each that went out is kept.
                Opening it again lets work go on.
              </p>
              <Revisions open={open} />
              <Link
                to={`/receive?earlier=${open.number}`}
                style={{ fontWeight: 600, padding: '8px 0', textUnderlineOffset: 4 }}
              >
                It came back: open a new job on it
              </Link>
              <Reopen open={open} />
            </>
          ) : ending ? (
            <>
              <h2>It does not go back repaired.</h2>
              <EndsOtherwise open={open} leave={() => setEnding(false)} />
            </>
          ) : standing.length === 0 ? (
            <>
              <h2>Nothing stands in its way.</h2>
              <p style={{ fontSize: 17 }}>
                The sheet is made as the job stands now, and kept with its fingerprint.
              </p>
            </>
          ) : (
            <>
              <h2>
                {standing.length} {standing.length === 1 ? 'point' : 'points'} before it may go.
              </h2>
              <Scrolled label="Open points">
                {standing.map((point) => (
                  <Point key={point.point} $here={point === current}>
                    <button onClick={() => setPicked(point.point)}>
                      <b>{point.title}</b>
                      <small>{point.detail}</small>
                    </button>
                  </Point>
                ))}
              </Scrolled>
              {current?.point === 'complaint' ? (
                <AnswerComplaint open={open} />
              ) : (
                current && <LetPass key={current.point} open={open} point={current} />
              )}
            </>
          )}
          {points.some((p) => p.passed) && !state.returned && !ending && (
            <div>
              <Label>Let pass, with a second name</Label>
              {points
                .filter((p) => p.passed)
                .map((p) => (
                  <p key={p.point} style={{ fontSize: 15 }}>
                    <Tick /> {p.title}: {p.passed!.why} ({p.passed!.second})
                  </p>
                ))}
            </div>
          )}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          <AskFoot>
            {!state.returned && !state.closed && !ending && (
              <MainButton onPress={giveBack} isDisabled={standing.length > 0}>
                Give it back <Key>Enter</Key>
              </MainButton>
            )}
            <QuietButton onPress={() => window.open(`${base}/sheet.pdf`, '_blank')}>
              Sheet, PDF <Key>S</Key>
            </QuietButton>
            {!state.returned && !state.closed && !ending && (
              <QuietButton onPress={() => setEnding(true)}>It ends otherwise …</QuietButton>
            )}
            <a
              href={`${base}/export.json`}
              download
              style={{ alignSelf: 'center', textUnderlineOffset: 4, fontSize: 15 }}
            >
              Job as JSON
            </a>
            <a
              href={`${base}/sheet.html`}
              download
              style={{ alignSelf: 'center', textUnderlineOffset: 4, fontSize: 15, padding: '12px 0' }}
            >
              Page for the customer
            </a>
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}
