import { capital } from '@ekrond/core/base/words'
import { complaintWords, symptomWords } from '@ekrond/core/log'
import { isRefusal } from '@ekrond/core/base/refusal'
import { signs, why } from '@ekrond/core/diagnose/why'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { OpenJob } from '../data/job'
import { useOutcomes } from '../data/outcomes'
import { Comeback } from '../stations/receive/Comeback'
import { Columns } from '../shell/Columns'
import { OfJob } from '../shell/OfJob'
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
import { CauseList } from './Causes'
import { Symptoms } from './Symptoms'

const SHOWN = 10

/** Why it does what is complained of, and what to look at next. */
export default function WhyPage() {
  return (
    <OfJob title="why" head={(number) => <Link to={`/jobs/${number}`}>back to the job</Link>}>
      {(open) => <Finder open={open} />}
    </OfJob>
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
    symptomWords(about.replace(/^symptom:/, ''))
  return (
    <Columns $askFirst>
      <section aria-label="Causes">
        <h2>“{complaintWords(complaint)}”: possible causes</h2>
        <Label as="p">
          Bar: how likely now. Blue: how common it is in general
          {outcomes?.answered ? ` and ${outcomes.answered} answered here` : ''}.
        </Label>
        {isRefusal(answer) && (
          <ErrorLine role="alert">
            These answers contradict each other. Undo the one you are least sure of, in History.
          </ErrorLine>
        )}
        <CauseList causes={shown} />
        {causes.length > SHOWN && (
          <QuietButton onPress={() => setAll(!all)}>
            {all
              ? 'show fewer'
              : `and ${causes.length - SHOWN} more, each under ${Math.max(1, Math.round((causes[SHOWN]?.p ?? 0) * 100))} %`}
          </QuietButton>
        )}
      </section>
      <section aria-label="Next check">
        {explains.length > 0 && (
          <>
            <Answer>
              <Tick size={18} /> The findings explain it: {explains.map(({ finding }) => finding).join('; ')}.
            </Answer>
            <p style={{ fontSize: 16 }}>
              Once repaired, it should be gone. The rest is for if it comes back.{' '}
              <Link to={open.to('return')}>Answer the complaint</Link>
            </p>
          </>
        )}
        {asked ? (
          <>
            <Label>best check for the time · {asked.minutes} min</Label>
            <Answer as="h2">{asked.question}</Answer>
            <FieldInput
              aria-label="In words"
              value={words}
              placeholder="in your words (optional)"
              onChange={(event) => setWords(event.target.value)}
            />
            <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
              <MainButton
                onPress={() =>
                  say(asked.code, asked.kind === 'cause' ? nameOf(asked.code) : asked.question, 'present')
                }
              >
                {asked.kind === 'cause' ? 'Yes, it is' : 'Yes'}
              </MainButton>
              <MainButton
                onPress={() =>
                  say(asked.code, asked.kind === 'cause' ? nameOf(asked.code) : asked.question, 'absent')
                }
              >
                {asked.kind === 'cause' ? 'No, it isn’t' : 'No'}
              </MainButton>
              <Choice
                onPress={() =>
                  say(asked.code, asked.kind === 'cause' ? nameOf(asked.code) : asked.question, 'not asked')
                }
              >
                Can’t tell
              </Choice>
            </div>
          </>
        ) : (
          <Answer>No further check would tell more. Check the likeliest cause.</Answer>
        )}
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        <Label as="h2">Other symptoms</Label>
        <Symptoms open={open} main={complaint.symptom} say={say} />
        {!isRefusal(answer) && answer.noted.length > 0 && (
          <>
            <Label as="h2">Noted as found</Label>
            <ul style={{ listStyle: 'none', display: 'grid', gap: 4 }}>
              {answer.noted.map((one) => (
                <li key={one} style={{ fontSize: 16 }}>
                  {capital(one)}.
                </li>
              ))}
            </ul>
          </>
        )}
        {said.length > 0 && (
          <>
            <Label as="h2">Answers so far</Label>
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
        {outcomes &&
          outcomes.relatives.filter(({ number }) => number !== open.number).length +
            Object.keys(outcomes.ends).length >
            0 && (
            <section aria-label="Others of this list number">
              <Label>Others of {open.here.ident?.listNumber}</Label>
              {Object.entries(outcomes.ends).map(([why, n]) => (
                <p key={why} style={{ fontSize: 16 }}>
                  {n} ended: {why}
                </p>
              ))}
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
            Before anyone cranks it: plugs out, check for fuel in the cylinders; check oil smell and level.
            <small>
              fuel and vapour: ventilate, no flame or spark; a spark test well away from the intake
            </small>
          </RedBox>
        )}
        <Label as="p">
          <Key>Esc</Key> back to the job
        </Label>
      </section>
    </Columns>
  )
}
