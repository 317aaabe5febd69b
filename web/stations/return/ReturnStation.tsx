import { complaintWords } from '@ekrond/core/complaint'
import {
  afterReturn,
  bodyKey,
  bodyNumbers,
  bodyOf,
  lastSaid,
  readBodyKey,
  sentenceOf,
} from '@ekrond/core/job'
import { gatePoints, type GatePoint } from '@ekrond/core/stations'
import type { SheetsOfJobAnswer } from '@ekrond/contract/jobs'
import { returnSheets, type ReturnSheet } from '@ekrond/core/return-sheet'
import { nameOn, type Sheets } from '@ekrond/core/sheets'
import { useState } from 'react'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../../data/api'
import { useShop } from '../../data/shop'
import { usePerson } from '../../data/person'
import { Ask, AskFoot, Board, Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { SettingsStrip } from '../../shell/SettingsStrip'
import { figures, narrow } from '../../theme/global'
import {
  Choice,
  ErrorLine,
  FieldInput,
  FieldSelect,
  Fraction,
  Key,
  Label,
  MainButton,
  QuietButton,
  Tick,
} from '../../ui'
import { onEnter, useKeys } from '../../ui/keys'
import type { StationProps } from '../props'
import { withSheets, type SheetedProps } from '../withSheets'

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
  const base = `/api/jobs/${open.number ?? open.job}`
  const giveBack = () => {
    if (standing.length || state.returned) return
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
        </Board>
        <Ask aria-label="Before it goes back">
          {state.returned ? (
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
              <ol style={{ overflowY: 'auto', minHeight: 120 }} aria-label="Open points">
                {standing.map((point) => (
                  <Point key={point.point} $here={point === current}>
                    <button onClick={() => setPicked(point.point)}>
                      <b>{point.title}</b>
                      <small>{point.detail}</small>
                    </button>
                  </Point>
                ))}
              </ol>
              {current?.point === 'complaint' ? (
                <AnswerComplaint open={open} />
              ) : (
                current && <LetPass key={current.point} open={open} point={current} />
              )}
            </>
          )}
          {points.some((p) => p.passed) && !state.returned && (
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
            {!state.returned && (
              <MainButton onPress={giveBack} isDisabled={standing.length > 0}>
                Give it back <Key>Enter</Key>
              </MainButton>
            )}
            <QuietButton onPress={() => window.open(`${base}/sheet.pdf`, '_blank')}>
              Sheet, PDF <Key>S</Key>
            </QuietButton>
            <a
              href={`${base}/export.json`}
              download
              style={{ alignSelf: 'center', textUnderlineOffset: 4, fontSize: 15 }}
            >
              Job as JSON
            </a>
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}

function LetPass({ open, point }: { open: StationProps['open']; point: GatePoint }) {
  const shop = useShop().data
  const { person } = usePerson()
  const [why, setWhy] = useState('')
  const [second, setSecond] = useState('')
  const [wrong, setWrong] = useState('')
  const pass = () => {
    if (!second) return setWrong('Choose the second name: two people let it pass.')
    setWrong(open.add('gate.passed', { point: point.point, why, second })?.sentence ?? '')
  }
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      {point.station !== 'return' && (
        <Link to={open.to(point.station, point.body)} style={{ textUnderlineOffset: 4, minHeight: 30 }}>
          See to it at its station
        </Link>
      )}
      {point.passable && (
        <>
          <label>
            <Label>Or let it pass, because</Label>
            <FieldInput
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              placeholder="in a few words"
              onKeyDown={onEnter(pass)}
            />
          </label>
          <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 10, alignItems: 'end' }}>
            <label>
              <Label>Second name</Label>
              <FieldSelect value={second} onChange={(event) => setSecond(event.target.value)}>
                <option value="">choose</option>
                {shop?.people
                  .filter((p) => p.name !== person)
                  .map((p) => (
                    <option key={p.name}>{p.name}</option>
                  ))}
              </FieldSelect>
            </label>
            <Choice onPress={pass}>Let it pass</Choice>
          </div>
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        </>
      )}
    </div>
  )
}

function AnswerComplaint({ open }: { open: StationProps['open'] & { sheets: Sheets } }) {
  const found = bodyNumbers(open.state).flatMap((number) =>
    Object.entries(bodyOf(open.state, number).findings)
      .filter(([, judged]) => lastSaid(judged)!.disposition !== 'reuse')
      .map(([code]) => bodyKey(number, code)),
  )
  const [by, setBy] = useState<string[]>([])
  const [words, setWords] = useState('')
  const name = (named: string) => {
    const { body, key } = readBodyKey(named)
    return `${nameOn(open.all[body], key)}${open.bodies > 1 ? `, body ${body}` : ''}`
  }
  const answer = (explained: boolean) =>
    void open.add('complaint.answered', { explained, by: explained ? by : [], words })
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <Label>
        Which findings explain “{open.state.opened && complaintWords(open.state.opened.complaint)}”?
      </Label>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
        {found.map((code) => (
          <Choice
            key={code}
            $on={by.includes(code)}
            aria-pressed={by.includes(code)}
            onPress={() => setBy(by.includes(code) ? by.filter((c) => c !== code) : [...by, code])}
          >
            {name(code)}
          </Choice>
        ))}
      </div>
      <FieldInput
        aria-label="In words"
        value={words}
        placeholder="in words, if more is to be said"
        onChange={(event) => setWords(event.target.value)}
      />
      <div style={{ display: 'flex', gap: 8 }}>
        <Choice onPress={() => answer(true)} isDisabled={by.length === 0 && !words.trim()}>
          Explained
        </Choice>
        <Choice onPress={() => answer(false)}>Not explained</Choice>
      </div>
    </div>
  )
}

/** The sheets that went out, each as it was. */
function Revisions({ open }: { open: StationProps['open'] }) {
  const sheets = useQuery<SheetsOfJobAnswer, ApiError>({
    queryKey: ['sheets of', open.job, open.state.seq],
    queryFn: () => call(`/api/jobs/${open.number}/sheets`),
    enabled: open.number !== null,
    placeholderData: (before) => before,
  })
  const after = afterReturn(open.state)
  return (
    <ul aria-label="Revisions of the sheet">
      {sheets.data?.sheets.map((sheet, i) => (
        <li
          key={`${sheet.revision} ${sheet.seq}`}
          style={{ display: 'flex', gap: 12, borderBottom: '1px solid var(--rule)', padding: '8px 0' }}
        >
          <b className="figures">{sheet.revision}</b>
          <span style={{ flex: 1, fontSize: 15 }}>
            {i === 0
              ? 'as it went back'
              : sentenceOf(after!.corrections[i - 1]?.entry ?? open.state.log.at(-1)!, (code) =>
                  nameOn(open.sheets, code),
                )}
          </span>
          <a
            href={`/api/jobs/${open.number}/sheet.pdf?revision=${sheet.revision}`}
            target="_blank"
            rel="noreferrer"
            style={{ fontSize: 15 }}
          >
            PDF
          </a>
        </li>
      ))}
    </ul>
  )
}

function Reopen({ open }: { open: StationProps['open'] }) {
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <FieldInput
        aria-label="Why it is opened again"
        value={why}
        placeholder="why it is opened again"
        onChange={(event) => setWhy(event.target.value)}
      />
      <Choice onPress={() => setWrong(open.add('job.reopened', { why })?.sentence ?? '')}>
        Open it again
      </Choice>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}

const SheetOfPaper = styled.article`
  background: var(--paper);
  border: 2px solid var(--ink);
  max-width: 760px;
  width: 100%;
  margin: 0 auto 16px;
  font-size: 15px;
  & > header {
    display: flex;
    gap: 14px;
    align-items: baseline;
    padding: 12px 16px;
    border-bottom: 1px solid var(--ink);
  }
  & h1 {
    font-size: 22px;
    font-weight: 600;
  }
  & table {
    border-collapse: collapse;
    width: 100%;
  }
  & th {
    font: 600 14px/1.4 ${narrow};
    color: var(--pencil);
    text-align: left;
    padding: 6px 10px 4px;
  }
  & td {
    padding: 4px 10px;
    border-top: 1px solid var(--rule);
  }
  & td:nth-child(2),
  & td:nth-child(3),
  & td:nth-child(4) {
    font-family: ${figures};
    letter-spacing: -0.03em;
  }
  & td:nth-child(3) {
    color: var(--pencil);
  }
  & td:nth-child(4) {
    font-weight: 600;
  }
  & .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    border-top: 1px solid var(--ink);
  }
  & .two > div {
    padding: 8px 14px 12px;
  }
  & .two > div + div {
    border-left: 1px solid var(--ink);
  }
  & .card {
    border-top: 1px solid var(--ink);
    padding: 10px 16px 14px;
  }
  & .card h2 {
    font-size: 18px;
    margin-bottom: 6px;
  }
  & .card ol {
    list-style: decimal;
    columns: 2;
    column-gap: 36px;
    padding-left: 20px;
  }
  & .danger {
    border: 2px solid var(--red);
    color: var(--red);
    font-weight: 600;
    padding: 8px 12px;
    margin-bottom: 8px;
  }
  & ul {
    list-style: disc;
    padding-left: 18px;
  }
`

/** The sheet as it will be printed, from the same document. */
function Paper({ sheet }: { sheet: ReturnSheet }) {
  return (
    <SheetOfPaper aria-label="Return sheet as it stands">
      <header>
        <h1>Return sheet</h1>
        <span>
          {sheet.model} · <b className="figures">{sheet.listNumber}</b>
          {sheet.body && `, body ${sheet.body.number} of ${sheet.body.of}`}
          {sheet.revision !== 'A' && `, revision ${sheet.revision}`}
        </span>
      </header>
      <table>
        <thead>
          <tr>
            {['Setting', 'Spec', 'As found', 'As left', 'With'].map((title) => (
              <th key={title} scope="col">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.rows.map((row) => (
            <tr key={row.name}>
              <td>{row.name}</td>
              {[row.spec, row.asFound, row.asLeft].map((text, i) => (
                <td key={i}>
                  <Fraction text={text} />
                </td>
              ))}
              <td>{row.with}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="two">
        <div>
          <Label>Found and done</Label>
          <ul>
            {sheet.foundAndDone.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
        <div>
          <Label>The complaint</Label>
          <p style={{ fontWeight: 600 }}>
            “{sheet.complaint.words}”: {sheet.complaint.answer}.
          </p>
          <p>{sheet.complaint.detail}</p>
          {sheet.changes.length > 0 && <Label style={{ marginTop: 8 }}>Corrected after it went back</Label>}
          {sheet.changes.map((change) => (
            <p key={change}>{change}</p>
          ))}
          {sheet.left.length > 0 && (
            <Label style={{ marginTop: 8 }}>Left as it was, or let pass, and why</Label>
          )}
          {sheet.left.map((item) => (
            <p key={item.what}>
              {item.what}: {item.why}
            </p>
          ))}
        </div>
      </div>
      <div className="card">
        <h2>Start-up card</h2>
        {sheet.startUp.danger && <p className="danger">{sheet.startUp.danger}</p>}
        <ol>
          {sheet.startUp.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      </div>
    </SheetOfPaper>
  )
}
