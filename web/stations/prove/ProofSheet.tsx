import { signedBy, receivedTests } from '@ekrond/core/log'
import { testOf, type Proof, type ProofStanding, canWait, missingFor } from '@ekrond/core/judge/proof'
import type { EnteredProof } from '@ekrond/core/bench/proving'
import { isRefusal, type Result } from '@ekrond/core/base/refusal'
import { useState, type ReactNode } from 'react'
import styled from 'styled-components'
import type { Heard } from '../../data/hub'
import { Simulated } from '../../instruments/Simulated'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { StepHead } from '../../shell/StepHead'
import { figures } from '../../theme/global'
import {
  Answer,
  Button,
  Choice,
  ErrorLine,
  Key,
  Label,
  MainButton,
  QuietButton,
  RedBox,
  Tick,
} from '../../ui'
import { useKeys } from '../../ui/keys'
import type { SheetedProps } from '../withSheets'
import { OffAgain } from '../../shell/OffAgain'
import { WhenFitted } from './WhenFitted'

export interface BenchProps extends SheetedProps {
  proof: Proof
  standing: ProofStanding
  place: string
  move: (by: number) => void
  /** to a check that the sheet does not ask for */
  add: () => void
  /** where Enter leads once this one is done with */
  onward: { words: string; go: () => void }
}

const Beside = styled.dl`
  display: grid;
  grid-template-columns: 1fr 1fr;
  border-top: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  & > div {
    padding: 6px 0;
  }
  & > div + div {
    border-left: 1px solid var(--rule);
    padding-left: 14px;
  }
  & dd {
    font: 400 18px/1.3 ${figures};
    letter-spacing: -0.04em;
  }
`

/** Whether what is measured can be entered: it proves, or it has failed; while it waits it is neither. */
const isSettled = (one: EnteredProof): boolean =>
  !(one.data.measured.what === 'hold' && one.data.measured.verdict === 'wait')

/** What every proof has around its own picture and its own asking: what it says, as received beside now, entering it, only when fitted. */
export function ProofSheet({
  open,
  proof,
  standing,
  place,
  move,
  add,
  onward,
  title,
  sub,
  drawing,
  children,
  advice,
  entering,
  ready = true,
  primary: asked,
  again,
  running = false,
  logged,
  instrument,
}: BenchProps & {
  title: string
  sub?: string
  drawing: ReactNode
  children?: ReactNode | ((keys: { enter: () => void; onKey: (key: string) => boolean }) => ReactNode)
  /** what is to be turned for it, under the verdict */
  advice?: ReactNode
  /** what would be entered now; null while nothing is measured */
  entering: Result<EnteredProof> | null
  /** false while something runs that must end first */
  ready?: boolean
  /** what Enter does before there is anything to enter */
  primary?: { words: string; act: () => void; off?: boolean } | null
  /** begins anew; offered once there is something to begin anew */
  again?: () => void
  running?: boolean
  logged?: () => void
  /** what it is read by: a simulated one is told what to do here */
  instrument?: Heard | null
}) {
  const [refused, setRefused] = useState('')
  const [fitting, setFitting] = useState(false)
  // Parts to remove again takes the whole pane: nothing else is asked meanwhile.
  const [taking, setTaking] = useState(false)
  // What a hand and an eye show needs no adapter.
  const mayWait = canWait(proof) || open.state.opened?.evidence === false
  const subject = { state: open.state, sheets: open.sheets, body: open.body }
  const missing = missingFor(subject, proof)
  const one = entering && !isRefusal(entering) ? entering : null
  // What stands proved is gone on from; it is proved anew by a button of its own.
  const anew = asked && !one && standing.state === 'proved' && !running ? asked : null
  const primary = anew ? null : asked
  const enter = () => {
    setRefused('')
    if (primary && !one) return primary.off ? undefined : primary.act()
    if (primary && one && !isSettled(one)) return undefined
    if (!one) return standing.state === 'not yet' ? undefined : onward.go()
    if (!isSettled(one) || !ready || missing.length) return undefined
    const no = open.add('proof.measured', one.data)
    if (no) setRefused(no.sentence)
    else logged?.()
  }
  useKeys({
    Enter: enter,
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    a: () => again?.(),
    ...(mayWait ? { f: () => setFitting((now) => !now) } : {}),
  })
  // A letter is no figure: in an empty field these keys are still the bench's.
  const onKey = (key: string): boolean => {
    const acts: Record<string, (() => void) | undefined> = {
      ArrowDown: () => move(1),
      ArrowUp: () => move(-1),
      a: again,
      ...(mayWait ? { f: () => setFitting(true) } : {}),
    }
    const act = acts[key]
    act?.()
    return act !== undefined
  }
  const said = standing.said
  const test = receivedTests.find(({ code }) => code === testOf(proof.key))
  const came = test && open.here.tests[test.code]
  const words = one
    ? one.proved
      ? 'Log: passed'
      : one.short
        ? 'Log it: test again'
        : isSettled(one)
          ? 'Log: failed'
          : 'Not settled yet'
    : primary
      ? primary.words
      : standing.state === 'not yet'
        ? 'Nothing measured yet'
        : onward.words
  return (
    <Main $ask={420}>
      <Board>
        <BoardTitle>
          <div>
            <h1>{title}</h1>
            {sub && <p>{sub}</p>}
          </div>
          <QuietButton onPress={add} style={{ marginLeft: 'auto' }}>
            Another check
          </QuietButton>
        </BoardTitle>
        <BoardDrawing>{drawing}</BoardDrawing>
      </Board>
      <Ask aria-label="Current step">
        <StepHead what="test" move={move}>
          {place}
        </StepHead>
        <h2>{proof.name}</h2>
        {!one && <p style={{ fontSize: 17, lineHeight: 1.35 }}>{proof.hold}</p>}
        {missing.length > 0 && (
          <ErrorLine>
            Before this test, install: {missing.map(({ name }) => name.toLowerCase()).join(', ')}.
          </ErrorLine>
        )}
        {taking ? null : fitting ? (
          <WhenFitted open={open} proof={proof} done={() => setFitting(false)} />
        ) : (
          <>
            {typeof children === 'function' ? children({ enter, onKey }) : children}
            {entering && isRefusal(entering) && <ErrorLine role="alert">{entering.refused.why}</ErrorLine>}
            {refused && <ErrorLine role="alert">{refused}</ErrorLine>}
            {one ? <Said one={one} /> : <StandingWords standing={standing} />}
            {advice}
            {(came || said) && (
              <Beside>
                <div>
                  <dt>
                    <Label>as found</Label>
                  </dt>
                  <dd>
                    {came
                      ? came.result === 'good'
                        ? test.good
                        : came.result === 'bad'
                          ? test.bad
                          : 'not equipped'
                      : '·'}
                  </dd>
                </div>
                <div>
                  <dt>
                    <Label>now</Label>
                  </dt>
                  <dd>{one ? one.data.value : said ? said.value : '·'}</dd>
                </div>
              </Beside>
            )}
          </>
        )}
        {!fitting && !taking && instrument && <Simulated one={instrument} />}
        <AskFoot>
          {!fitting && !taking && (
            <MainButton
              onPress={enter}
              isDisabled={
                one
                  ? !isSettled(one) || !ready || missing.length > 0
                  : primary
                    ? primary.off === true || missing.length > 0
                    : standing.state === 'not yet'
              }
            >
              {words} <Key>Enter</Key>
            </MainButton>
          )}
          {anew && !fitting && !taking && (
            <Button onPress={anew.act} isDisabled={anew.off === true || missing.length > 0}>
              {anew.words}
            </Button>
          )}
          {again && !fitting && !taking && (running || entering !== null) && (
            <Button onPress={again}>
              Again <Key>A</Key>
            </Button>
          )}
          {mayWait && !taking && (
            <Choice onPress={() => setFitting(!fitting)} style={{ flex: '1 1 200px' }}>
              {fitting ? 'Back to the bench' : 'Can’t test here, because …'}{' '}
              <Key style={{ marginLeft: 'auto' }}>F</Key>
            </Choice>
          )}
          <OffAgain
            open={open}
            first={standing.state === 'failed' ? proof.opens : []}
            words="Reopen"
            shows={setTaking}
          />
        </AskFoot>
      </Ask>
    </Main>
  )
}

function Said({ one }: { one: EnteredProof }) {
  const waits = !isSettled(one)
  return (
    <>
      <Answer aria-live="polite">
        {one.proved ? (
          <>
            <Tick size={18} /> {one.data.headline}
          </>
        ) : waits || one.remedy === null ? (
          one.data.headline
        ) : (
          <em>{one.data.headline}</em>
        )}
      </Answer>
      {one.data.meaning && <p style={{ fontSize: 16, lineHeight: 1.35 }}>{one.data.meaning}</p>}
      {one.short && <ErrorLine role="alert">This proves nothing yet: {one.short}.</ErrorLine>}
      {one.remedy && (
        <RedBox>
          {one.remedy.words}
          <small>{one.remedy.detail}</small>
        </RedBox>
      )}
      {one.facts.length > 0 && <Label as="p">{one.facts.join(' · ')}</Label>}
    </>
  )
}

function StandingWords({ standing }: { standing: ProofStanding }) {
  switch (standing.state) {
    case 'proved':
      return standing.said ? (
        <>
          <Answer>
            <Tick size={18} /> {standing.said.headline}
          </Answer>
          <p style={{ fontSize: 16 }}>
            {standing.said.meaning} {standing.said.by}.
          </p>
        </>
      ) : (
        <Answer>
          <Tick size={18} /> As it should be.
        </Answer>
      )
    case 'failed':
      return standing.said ? (
        <>
          <Answer>
            <em>{standing.said.headline}</em>
          </Answer>
          <p style={{ fontSize: 16 }}>
            {standing.said.meaning} {standing.said.by}.
          </p>
        </>
      ) : null
    case 'short':
      return (
        <ErrorLine>
          Test again: {standing.why}. It read {standing.said.value}.
        </ErrorLine>
      )
    case 'void':
      return (
        <ErrorLine>
          Test again: {standing.opened.toLowerCase()} was opened or set since. It read {standing.said.value}.
        </ErrorLine>
      )
    case 'fitted':
      return (
        <Answer>
          Not tested here: {standing.why} ({signedBy(standing)}).
        </Answer>
      )
    case 'not yet':
      return null
  }
}
