import { uncured } from '@ekrond/core/judge/findings'
import {
  largestTool,
  nextBlow,
  circuitsOf,
  branchStandingOf,
  type Circuit,
} from '@ekrond/core/diagnose/passages'
import { isRefusal } from '@ekrond/core/base/refusal'
import { SOAKED_CLOTHS } from '@ekrond/core/sheets'
import { passageView } from '@ekrond/core/bench/stations'
import { figure } from '@ekrond/core/measure'
import { useMemo, useState, type ReactNode } from 'react'
import { Link, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { stampNow } from '../../data/clock'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main, StripCell } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { Answer, Choice, ErrorLine, Key, Label, MainButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import { withSheets, type SheetedProps } from '../withSheets'
import { BathPlan } from './BathPlan'
import { Branches } from './Branches'
import { PassageMap, TAPPED_WORDS, type Tapped } from './PassageMap'

export default withSheets('clean', Clean)

const Views = styled.div`
  display: flex;
  gap: 6px;
`

/** Two sides of it: the passages of this unit, and the bath that all jobs share. */
function Clean({ open }: SheetedProps) {
  const [search, setSearch] = useSearchParams()
  const bath = search.get('view') === 'bath'
  const show = (view: 'bath' | 'passages') =>
    setSearch(
      (now) => {
        if (view === 'bath') now.set('view', 'bath')
        else now.delete('view')
        return now
      },
      { replace: true },
    )
  useKeys({ v: () => show(bath ? 'passages' : 'bath') })
  const views = (
    <BoardTitle>
      <div>
        <h1>{bath ? 'Bath, all jobs' : 'Passages'}</h1>
        <p>
          {bath
            ? 'loads by time · blue: now or next'
            : `${open.sheets.spec.taught ? `as in its family, ${open.sheets.spec.taught.family}: check that each exists · ` : ''}solid: fuel · dashed: air · tinted: shown clear · red: blocked`}
        </p>
      </div>
      <Views role="group" aria-label="View">
        <Choice $on={!bath} onPress={() => show('passages')}>
          Passages
        </Choice>
        <Choice $on={bath} onPress={() => show('bath')}>
          Bath
        </Choice>
      </Views>
    </BoardTitle>
  )
  return bath ? (
    <Main $ask={420}>
      <BathPlan open={open} views={views} />
    </Main>
  ) : (
    <Passages open={open} views={views} />
  )
}

/** Blow the passages port by port; what is blocked is named, cleaned, and blown again. Parts to clean are measured again at their place. */
function Passages({ open, views }: SheetedProps & { views: ReactNode }) {
  const { state, sheets, here } = open
  const view = useMemo(() => passageView({ state, here, sheets }), [state, here, sheets])
  const [tapped, setTapped] = useState<Record<string, Tapped>>({})
  const [wrong, setWrong] = useState('')
  const [school, setSchool] = useState<'soft' | 'sized'>('soft')
  const next = useMemo(() => {
    const look = nextBlow(view.map, view.blows)
    return isRefusal(look) ? null : look
  }, [view])
  const suggested = useMemo(
    () => new Set(Object.keys(tapped).length === 0 && next ? [next.in, ...next.watch] : []),
    [tapped, next],
  )
  const from = Object.keys(tapped).find((port) => tapped[port] === 'in')
  const seen = (what: Tapped) => Object.keys(tapped).filter((port) => tapped[port] === what)
  const ready = from !== undefined && seen('open').length + seen('shut').length > 0

  /** The first tap blows in; each further one says air, then none, then nothing again. */
  const tap = (port: string) => {
    setWrong('')
    setTapped((now) => {
      const { [port]: was, ...rest } = now
      if (was === undefined) return { ...now, [port]: from === undefined ? 'in' : 'open' }
      if (was === 'open') return { ...now, [port]: 'shut' }
      return was === 'in' ? {} : rest
    })
  }
  const log = () => {
    if (!ready) return
    const no = open.add('passage.blown', { in: from, open: seen('open'), shut: seen('shut') })
    setWrong(no?.sentence ?? '')
    if (!no) setTapped({})
  }
  // What came clear at all of its ports is one tap; one that is blocked is blown port by port.
  const circuits = circuitsOf(view.plan).filter(
    ({ passages }) =>
      passages.some(({ id }) => branchStandingOf(view.blocked[id]!, view.blows.length) !== 'free') &&
      passages.every(({ id }) => branchStandingOf(view.blocked[id]!, view.blows.length) !== 'blocked'),
  )
  const clear = (circuit: Circuit) =>
    setWrong(open.add('passage.blown', { in: circuit.in, open: [...circuit.out], shut: [] })?.sentence ?? '')
  const suspect = view.suspects[0]
  const stale = daysSince(here.blows.at(-1)?.at)
  const cleaned = () => {
    if (!suspect) return
    setWrong(open.add('passage.cleaned', { passage: suspect.id, tool: school })?.sentence ?? '')
    setTapped({})
  }
  useKeys({
    Enter: log,
    ...Object.fromEntries(view.plan.ports.map(({ code }, i) => [String(i + 1), () => tap(code)])),
  })
  const toClean = uncured(state, sheets, open.body).filter(({ wants, left }) => wants === 'clean' && !left)
  const nameOf = (port: string) => view.plan.ports.find(({ code }) => code === port)?.name ?? port

  return (
    <>
      <OnStrip>
        <StripCell style={{ flex: '0 0 200px', paddingLeft: 16 }}>
          <Label>To clean, then measure again</Label>
          <b style={{ fontSize: 26, lineHeight: 1.2 }}>{toClean.length}</b>
        </StripCell>
        <StripCell>
          {toClean.length === 0 && <p style={{ color: 'var(--pencil)' }}>No part is waiting for it.</p>}
          <ul style={{ display: 'flex', flexWrap: 'wrap', gap: '4px 20px' }}>
            {toClean.map(({ position, name, cure }) => (
              <li key={position}>
                <Link to={`${open.to('teardown')}?part=${position}`} style={{ textUnderlineOffset: 4 }}>
                  {name}
                </Link>
                <span style={{ color: 'var(--pencil)' }}> {cure}</span>
              </li>
            ))}
          </ul>
        </StripCell>
      </OnStrip>
      <Main $ask={420}>
        <Board>
          {views}
          <BoardDrawing>
            <PassageMap sheets={sheets} view={view} tapped={tapped} suggested={suggested} tap={tap} />
          </BoardDrawing>
        </Board>
        <Ask aria-label="Current step">
          <Label>
            {view.blows.length === 0
              ? here.cleaned.length
                ? 'no air test since cleaning'
                : 'no air test yet'
              : `${view.blows.length} ${view.blows.length === 1 ? 'air test' : 'air tests'}${here.cleaned.length ? ' since cleaning' : ''}`}
          </Label>
          <h2>
            {from
              ? `Blow in at ${from}: where does air come out?`
              : view.proven
                ? 'Every passage is clear.'
                : suspect
                  ? `${suspect.name} seems blocked`
                  : 'Blow in air and watch where it comes out'}
          </h2>
          {from ? (
            <div style={{ display: 'grid', gap: 4 }}>
              <p style={{ fontSize: 17 }}>Tap a port for air, tap again for none.</p>
              {Object.entries(tapped).map(([port, what]) => (
                <p key={port} style={{ fontSize: 17 }}>
                  <b>{port}</b> {nameOf(port)}: {TAPPED_WORDS[what]}
                </p>
              ))}
            </div>
          ) : (
            <>
              {suspect && (
                <Answer>
                  <em>{Math.round(view.blocked[suspect.id]! * 100)} %.</em> On the engine: {suspect.symptom}.
                </Answer>
              )}
              {suspect && (
                <>
                  <div style={{ display: 'flex', gap: 8 }} role="group" aria-label="Tools">
                    <Choice $on={school === 'soft'} onPress={() => setSchool('soft')}>
                      Soft tools only
                    </Choice>
                    <Choice $on={school === 'sized'} onPress={() => setSchool('sized')}>
                      Sized tool
                    </Choice>
                  </div>
                  <p style={{ fontSize: 17 }}>
                    {school === 'soft'
                      ? `Solvent, air, a bristle or one soft strand of at most ${figure(largestTool(suspect.bore), 2)} mm.`
                      : `Drill in a pin vise, by hand, at most ${figure(largestTool(suspect.bore), 2)} mm in its ${figure(suspect.bore)} mm. Never on a tapered seat. Measure the bore again after.`}
                  </p>
                </>
              )}
              {next && !view.proven && (
                <p style={{ fontSize: 17 }}>
                  <b>Next: blow in at {next.in}</b> ({nameOf(next.in)}), watch {next.watch.join(' and ')} (
                  {next.watch.map(nameOf).join('; ')}).
                </p>
              )}
              {circuits.length > 0 && (
                <div role="group" aria-label="Circuits that are clear" style={{ display: 'grid', gap: 6 }}>
                  <Label>Air at every port? Tap the circuit</Label>
                  {circuits.map((circuit) => (
                    <Choice key={circuit.in} onPress={() => clear(circuit)} style={{ textAlign: 'left' }}>
                      Blow in at {circuit.in}, clear at {circuit.out.join(', ')}
                    </Choice>
                  ))}
                </div>
              )}
              <Caution />
              <Branches view={view} most={suspect ? 2 : 8} />
            </>
          )}
          {stale >= 2 && !from && (
            <p style={{ fontSize: 17 }}>
              <b>Blown {stale} days ago.</b> Dust and dried fluid settle: blow each once more before closing.
            </p>
          )}
          {view.contradiction && <ErrorLine>{view.contradiction}</ErrorLine>}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          <AskFoot>
            {suspect && !from ? (
              <MainButton onPress={cleaned}>Cleaned: blow again</MainButton>
            ) : (
              <MainButton onPress={log} isDisabled={!ready}>
                {ready ? 'Log air test' : from ? 'Tap where you looked' : 'Tap where you blow in'}{' '}
                <Key>Enter</Key>
              </MainButton>
            )}
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}

/** Whole days since an instant; 0 where there is none. */
const daysSince = (at: string | undefined): number =>
  at ? Math.floor((Date.parse(stampNow()) - Date.parse(at)) / 86_400_000) : 0

/** What can hurt here, at the step where it bites. */
const Caution = () => (
  <p style={{ fontSize: 15, color: 'var(--red)' }}>
    Wear eye protection: it sprays back. Ventilate. {SOAKED_CLOTHS} Never use flammable liquid in an
    ultrasonic bath.
  </p>
)
