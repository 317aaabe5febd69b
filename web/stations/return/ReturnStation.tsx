import { afterReturn, signedBy } from '@ekrond/core/log'
import { gatePoints, type GatePoint } from '@ekrond/core/bench/stations'
import { returnSheets } from '@ekrond/core/bench/return-sheet'
import { capital } from '@ekrond/core/base/words'
import { amendmentsOf } from '@ekrond/core/taught'
import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { Ask, AskFoot, Board, Main } from '../../shell/frame'
import { Scrolled } from '../../ui/Scrolled'
import { BeforeAfter } from '../../photos/BeforeAfter'
import { OnStrip } from '../../shell/OnStrip'
import { SettingsStrip } from '../../shell/SettingsStrip'
import { Choice, ErrorLine, Key, Label, MainButton, QuietButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import { withSheets, type SheetedProps } from '../withSheets'
import { Paper } from './Paper'
import { stampNow } from '../../data/clock'
import { figures } from '../../theme/global'
import { Mark } from '../../drawing/ClaimMark'
import { EvidenceBoard } from './EvidenceBoard'
import { EvidenceStrip } from './EvidenceStrip'
import { LetPass, whereOf } from './LetPass'
import { PaperWillSay, Since } from './Settle'
import { EndsOtherwise } from './EndsOtherwise'
import { UnitAndBook } from '../../teach/UnitAndBook'
import { AnswerComplaint } from './AnswerComplaint'
import { Revisions, Reopen } from './WentBack'

/** Where this unit and its book stand side by side on the board. */
const BOOK = 'unit-and-book'

export default withSheets('return', Return)

const Point = styled.li<{ $here: boolean }>`
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid ${({ $here }) => ($here ? 'var(--blue)' : 'transparent')};
  background: ${({ $here }) => ($here ? 'var(--tint)' : 'none')};
  & > button {
    display: flex;
    gap: 10px;
    align-items: flex-start;
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

const Balloon = styled.i<{ $red: boolean; $here: boolean }>`
  flex: none;
  width: 28px;
  height: 28px;
  border-radius: 50%;
  border: 2px solid ${({ $red }) => ($red ? 'var(--red)' : 'var(--blue)')};
  background: ${({ $red, $here }) => ($here ? ($red ? 'var(--red)' : 'var(--blue)') : 'none')};
  color: ${({ $red, $here }) => ($here ? 'var(--paper)' : $red ? 'var(--red)' : 'var(--blue)')};
  font: 600 15px/24px ${figures};
  text-align: center;
`

function Return({ open }: SheetedProps) {
  const { state } = open
  const known = useMemo(() => ({ ...open.known, at: stampNow() }), [open.known])
  const points = gatePoints(state, open.all, known)
  // What was sent off without the server having taken it has not gone back.
  const waiting = open.pending.some(({ kind }) => kind === 'job.returned')
  const ended = open.here.ended
  const standing = points.filter((point) => !point.passed)
  const [picked, setPicked] = useState<string | null>(null)
  const current = standing.find((p) => p.point === picked) ?? standing[0]
  const [wrong, setWrong] = useState('')
  const [ending, setEnding] = useState(false)
  // What this unit has otherwise than its book, of which nobody said yet whose it is.
  const whose = open.here.taught
    ? []
    : amendmentsOf(state, open.body).filter(({ of }) => !open.here.amendKept[of])
  const settling = !state.returned && !state.closed && !ended
  const navigate = useNavigate()
  const base = `/api/jobs/${open.number ?? open.job}`
  const giveBack = () => {
    if (state.returned || state.closed) return
    if (standing.length) return current && seeTo(current)
    setWrong(open.add('job.returned', { seenSeq: state.seq })?.sentence ?? '')
  }
  const seeTo = (point: GatePoint) => {
    if (point.station !== 'return') void navigate(whereOf(open, point))
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
        {settling ? <EvidenceStrip open={{ ...open, known }} /> : <SettingsStrip open={open} />}
      </OnStrip>
      <Main $ask={440}>
        <Board
          style={{ overflowY: 'auto', background: 'var(--board)' }}
          tabIndex={0}
          aria-label="The sheet so far"
        >
          {settling && (
            <EvidenceBoard open={{ ...open, known }} standing={standing} current={current} pick={setPicked} />
          )}
          <UnitAndBook open={open} id={BOOK} />
          {returnSheets(waiting ? { ...state, returned: null } : state, open.all, open.number ?? 0).map(
            (page) => (
              <Paper key={page.body?.number ?? 1} sheet={page} />
            ),
          )}
          <BeforeAfter open={open} />
        </Board>
        <Ask aria-label="Before release">
          {state.closed ? (
            <>
              <h2>Job closed.</h2>
              <p style={{ fontSize: 17 }}>
                {capital(state.closed.why)}: {state.closed.words} Its sheet says so.
              </p>
              <Reopen open={open} />
            </>
          ) : waiting ? (
            <>
              <h2>Waiting for the server.</h2>
              <p style={{ fontSize: 17 }}>
                Not released yet: the server checks everything once more, and the sheet stays a draft until
                then. Nothing is lost meanwhile.
              </p>
            </>
          ) : state.returned ? (
            <>
              <h2>Released. Sheet, revision {afterReturn(state)!.letter}.</h2>
              <p>
                Corrections at a station make the next revision; every released sheet is kept. Reopen the job
                to work on it.
              </p>
              <Revisions open={open} />
              <Link
                to={`/receive?earlier=${open.number}`}
                style={{ fontWeight: 600, padding: '8px 0', textUnderlineOffset: 4 }}
              >
                It came back: open a comeback job
              </Link>
              <Reopen open={open} />
            </>
          ) : ending ? (
            <>
              <h2>Not returned repaired.</h2>
              <EndsOtherwise open={open} leave={() => setEnding(false)} />
            </>
          ) : ended ? (
            <>
              <h2>Carburetor {open.body} has ended.</h2>
              <p style={{ fontSize: 17 }}>
                {capital(ended.why)}: {ended.words} Its sheet says so.
              </p>
              <Reopen open={open} />
            </>
          ) : standing.length === 0 ? (
            <>
              <h2>Ready to release.</h2>
              <p style={{ fontSize: 17 }}>
                The sheet is made from the job as it is now, and stored with its checksum.
              </p>
              <PaperWillSay open={open} />
            </>
          ) : (
            <>
              <h2>
                {standing.length} {standing.length === 1 ? 'item' : 'items'} open.
              </h2>
              <Scrolled label="Open items">
                {standing.map((point, i) => (
                  <Point key={`${point.point} ${point.value}`} $here={point === current}>
                    <button onClick={() => setPicked(point.point)}>
                      <Balloon $red={point.as !== 'open'} $here={point === current}>
                        {i + 1}
                      </Balloon>
                      <span>
                        <b>{point.title}</b>
                        <small>{point.detail}</small>
                      </span>
                    </button>
                  </Point>
                ))}
              </Scrolled>
              {current?.point === 'complaint' ? (
                <AnswerComplaint open={open} />
              ) : (
                current && <Since open={open} point={current} />
              )}
              {current && current.point !== 'complaint' && (
                <LetPass key={current.point} open={open} point={current} />
              )}
              {!current?.since && <PaperWillSay open={open} />}
            </>
          )}
          {points.some((p) => p.passed) && !state.returned && !ending && (
            <div>
              <Label>Released with a second name</Label>
              {points
                .filter((p) => p.passed)
                .map((p) => (
                  <p key={p.point} style={{ fontSize: 15 }}>
                    <Mark state="excepted" /> {p.title}: {p.passed!.why} ({signedBy(p.passed!)})
                  </p>
                ))}
            </div>
          )}
          {whose.length > 0 && !ending && (
            <Choice onPress={() => document.getElementById(BOOK)?.scrollIntoView({ behavior: 'smooth' })}>
              {whose.length === 1 ? whose[0]!.name : `${whose.length} things`}: only this unit’s, or the
              book’s?
            </Choice>
          )}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          <AskFoot>
            {settling && !ending && (
              <MainButton onPress={giveBack} isDisabled={standing.length > 0}>
                Release to customer {standing.length === 0 && <Key>Enter</Key>}
              </MainButton>
            )}
            <QuietButton onPress={() => window.open(`${base}/sheet.pdf`, '_blank')}>
              Sheet, PDF <Key>S</Key>
            </QuietButton>
            {!state.returned && !state.closed && !ending && (
              <QuietButton onPress={() => setEnding(true)}>End without return …</QuietButton>
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
