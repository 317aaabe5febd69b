import { complaintWords } from '@ekrond/core/complaint'
import { symptoms } from '@ekrond/core/job'
import { isRefusal } from '@ekrond/core/refusal'
import { signs, why, type Area, type WhyCause } from '@ekrond/core/why'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import { useJob, type OpenJob } from '../data/job'
import { useOutcomes } from '../data/outcomes'
import { Comeback } from '../stations/receive/Comeback'
import { NotOpen } from '../shell/NotOpen'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import {
  Answer,
  Choice,
  ErrorLine,
  FieldInput,
  Key,
  Label,
  MainButton,
  QuietButton,
  RedBox,
  Tick,
} from '../ui'
import { useKeys } from '../ui/keys'

const Sheet = styled.main`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 430px;
  min-height: 100%;
  & > section {
    padding: 16px 24px 28px;
    display: grid;
    gap: 12px;
    align-content: start;
    min-width: 0;
  }
  & > section + section {
    border-left: 1px solid var(--ink);
  }
  & h2 {
    font: 500 20px/1.3 ${narrow};
  }
  @media (max-width: 999px) {
    display: flex;
    flex-direction: column-reverse;
    & > section + section {
      border-left: 0;
      border-bottom: 1px solid var(--ink);
    }
  }
`

const Causes = styled.ol`
  display: grid;
  & > li {
    display: grid;
    grid-template-columns: 58px 96px minmax(0, 1fr);
    gap: 2px 12px;
    padding: 7px 0 8px;
    border-bottom: 1px solid var(--rule);
    align-items: baseline;
  }
  & i {
    font: 500 20px/1.2 ${figures};
    letter-spacing: -0.05em;
    text-align: right;
  }
  & .area {
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
  }
  & b {
    font-size: 17px;
    line-height: 1.25;
  }
  & li[data-standing='ruled out'] b {
    text-decoration: line-through;
    color: var(--pencil);
    font-weight: 500;
  }
  & small {
    grid-column: 3;
    font-size: 15px;
    line-height: 1.35;
    color: var(--pencil);
  }
  & svg {
    grid-column: 3;
    width: 100%;
    height: 14px;
    display: block;
  }
  @media (max-width: 699px) {
    & > li {
      grid-template-columns: 52px minmax(0, 1fr);
    }
    & .area {
      display: none;
    }
    & small,
    & svg {
      grid-column: 2;
    }
  }
`

const AREA_WORDS: Readonly<Record<Area, string>> = {
  carburetor: 'carburetor',
  intake: 'intake',
  ignition: 'ignition',
  fuel: 'fuel supply',
  engine: 'engine',
}

/** The chance as a bar, with a mark where it stood before anything was said. */
function Chance({ cause }: { cause: WhyCause }) {
  const x = (p: number) => 4 + p * 592
  return (
    <svg viewBox="0 0 600 14" preserveAspectRatio="none" aria-hidden>
      <line x1={4} x2={596} y1={12.5} y2={12.5} stroke="var(--rule)" />
      <rect
        x={4}
        y={3}
        width={Math.max(1, x(cause.p) - 4)}
        height={7}
        fill={cause.standing === 'found' && cause.brings > 0 ? 'var(--red)' : 'var(--ink)'}
      />
      <line x1={x(cause.prior)} x2={x(cause.prior)} y1={0} y2={14} stroke="var(--blue)" strokeWidth={2} />
    </svg>
  )
}

const SHOWN = 10

/** Why it does what is complained of, and what to look at next. */
export default function WhyPage() {
  const { number = '' } = useParams()
  const load = useJob(number)
  if (load.status === 'loading')
    return (
      <Page title="why">
        <p style={{ padding: 24 }} role="status">
          Fetching the job …
        </p>
      </Page>
    )
  if (load.status !== 'open') return <NotOpen load={load} />
  return (
    <Page title={`job ${number}, why`} head={<Link to={`/jobs/${number}`}>back to the job</Link>}>
      <Finder open={load.open} />
    </Page>
  )
}

function Finder({ open }: { open: OpenJob }) {
  const navigate = useNavigate()
  const { state } = open
  const outcomes = useOutcomes(open.here.ident?.listNumber).data
  const [words, setWords] = useState('')
  const [wrong, setWrong] = useState('')
  const [all, setAll] = useState(false)
  useKeys({ r: () => void navigate('/'), Escape: () => void navigate(`/jobs/${open.number ?? open.job}`) })
  const answer = why(state, open.all, outcomes, open.body)
  const say = (about: string, name: string, seen: 'present' | 'absent' | 'not asked') => {
    setWrong(open.add('sign.seen', { about, name: name.slice(0, 200), state: seen, words })?.sentence ?? '')
    setWords('')
  }
  const explains =
    isRefusal(answer) || answer.explained < 0.5
      ? []
      : answer.causes.filter(({ standing, brings }) => standing === 'found' && brings >= 0.2)
  const asked = isRefusal(answer) ? null : answer.next
  const causes = isRefusal(answer) ? [] : answer.causes
  const shown = all ? causes : causes.slice(0, SHOWN)
  const complaint = state.opened!.complaint
  const said = Object.entries(state.signs)
  const nameOf = (about: string) =>
    signs.find(({ code }) => code === about)?.question ??
    causes.find(({ code }) => code === about)?.finding ??
    about.replace(/^symptom:/, '')
  return (
    <Sheet>
      <section aria-label="Causes">
        <h2>“{complaintWords(complaint)}”: what it comes of</h2>
        <Label as="p">
          Bar: how likely, by what is known. Blue: how often it is met at all, by judgement
          {outcomes?.answered ? ` and ${outcomes.answered} answered here` : ''}.
        </Label>
        {isRefusal(answer) && (
          <ErrorLine role="alert">
            What was said cannot all be so together. Take back the answer that you are least sure of, in the
            history.
          </ErrorLine>
        )}
        <Causes>
          {shown.map((cause) => (
            <li key={cause.code} data-standing={cause.standing}>
              <i>{cause.p < 0.005 ? '0' : cause.p > 0.995 ? '100' : Math.round(cause.p * 100)} %</i>
              <span className="area">{AREA_WORDS[cause.area]}</span>
              <b>
                {cause.finding}
                {cause.standing === 'found' &&
                  (cause.brings > 0 ? ', found' : ', found, but it brings something else')}
              </b>
              <Chance cause={cause} />
              {cause.standing === 'open' && <small>{cause.look}</small>}
              {cause.met > 0 && (
                <small>
                  met {cause.met} {cause.met === 1 ? 'time' : 'times'} in this shop
                </small>
              )}
            </li>
          ))}
        </Causes>
        {causes.length > SHOWN && (
          <QuietButton onPress={() => setAll(!all)}>
            {all
              ? 'only the likeliest'
              : `and ${causes.length - SHOWN} more, each under ${Math.max(1, Math.round((causes[SHOWN]?.p ?? 0) * 100))} %`}
          </QuietButton>
        )}
      </section>
      <section aria-label="The next look">
        {explains.length > 0 && (
          <>
            <Answer>
              <Tick size={18} /> What was found explains it:{' '}
              {explains.map(({ finding }) => finding).join('; ')}.
            </Answer>
            <p style={{ fontSize: 16 }}>
              Put right, it should be gone. What follows is for when it comes again.{' '}
              <Link to={open.to('return')}>Answer the complaint</Link>
            </p>
          </>
        )}
        {asked ? (
          <>
            <Label>settles most a minute · {asked.minutes} min</Label>
            <Answer as="h2">{asked.question}</Answer>
            <FieldInput
              aria-label="In words"
              value={words}
              placeholder="in words, if more is to be said"
              onChange={(event) => setWords(event.target.value)}
            />
            <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
              <MainButton
                onPress={() =>
                  say(asked.code, asked.kind === 'cause' ? nameOf(asked.code) : asked.question, 'present')
                }
              >
                {asked.kind === 'cause' ? 'It is so' : 'Yes'}
              </MainButton>
              <MainButton
                onPress={() =>
                  say(asked.code, asked.kind === 'cause' ? nameOf(asked.code) : asked.question, 'absent')
                }
              >
                {asked.kind === 'cause' ? 'It is not' : 'No'}
              </MainButton>
              <Choice
                onPress={() =>
                  say(asked.code, asked.kind === 'cause' ? nameOf(asked.code) : asked.question, 'not asked')
                }
              >
                Cannot tell
              </Choice>
            </div>
          </>
        ) : (
          <Answer>Nothing that can be asked would tell more. Look at the likeliest.</Answer>
        )}
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        <Label as="h2">It also does, or does not</Label>
        <Symptoms open={open} main={complaint.symptom} say={say} />
        {said.length > 0 && (
          <>
            <Label as="h2">Said so far</Label>
            <ul style={{ listStyle: 'none', display: 'grid', gap: 4 }}>
              {said.map(([about, one]) => (
                <li key={about} style={{ fontSize: 16 }}>
                  {one.state === 'present' ? <Tick size={13} /> : one.state === 'absent' ? '✕' : '?'}{' '}
                  {nameOf(about)}
                  {one.words ? `: ${one.words}` : ''} <span style={{ color: 'var(--pencil)' }}>{one.by}</span>
                </li>
              ))}
            </ul>
          </>
        )}
        <p>
          <Link
            to={open.to('engine')}
            style={{ fontWeight: 600, padding: '10px 0', display: 'inline-block', textUnderlineOffset: 4 }}
          >
            Run log: mixture, blip, one change at a time
          </Link>
        </p>
        {state.opened?.earlier != null && <Comeback number={state.opened.earlier} />}
        {outcomes && outcomes.relatives.filter(({ number }) => number !== open.number).length > 0 && (
          <section aria-label="Others of this list number">
            <Label>Others of {open.here.ident?.listNumber}</Label>
            {outcomes.relatives
              .filter(({ number }) => number !== open.number)
              .map((one) => (
                <p key={one.number} style={{ fontSize: 16 }}>
                  <Link to={`/jobs/${one.number}`}>{one.number}</Link> “{one.complaint}”:{' '}
                  {one.explained
                    ? one.causes.map((code) => nameOf(code)).join(', ') || one.words || 'explained'
                    : 'not explained'}
                </p>
              ))}
          </section>
        )}
        {(complaint.symptom === 'flooding' || complaint.symptom === 'leak') && (
          <RedBox>
            Before anyone cranks: plugs out, look for fuel in the cylinders; smell and level of the oil.
            <small>
              fuel and vapour: ventilate, no flame or spark; a spark test well away from the intake
            </small>
          </RedBox>
        )}
        <Label as="p">
          <Key>Esc</Key> back to the job
        </Label>
      </section>
    </Sheet>
  )
}

function Symptoms({
  open,
  main,
  say,
}: {
  open: OpenJob
  main: string
  say: (about: string, name: string, seen: 'present' | 'absent' | 'not asked') => void
}) {
  const others = symptoms.filter((one) => one !== main && one !== 'none: overhaul' && one !== 'rattle')
  const next = {
    undefined: 'present',
    'not asked': 'present',
    present: 'absent',
    absent: 'not asked',
  } as const
  return (
    <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
      {others.map((symptom) => {
        const about = `symptom:${symptom}`
        const now = open.state.signs[about]?.state
        return (
          <Choice
            key={symptom}
            $on={now === 'present'}
            aria-label={`${symptom}: ${now === 'present' ? 'it does' : now === 'absent' ? 'it does not' : 'not said'}`}
            style={now === 'absent' ? { textDecoration: 'line-through' } : {}}
            onPress={() => say(about, symptom, next[now ?? 'undefined'])}
          >
            {symptom}
          </Choice>
        )
      })}
    </div>
  )
}
