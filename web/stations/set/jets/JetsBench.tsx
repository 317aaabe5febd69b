import { figure } from '@ekrond/core/measure'
import type { JobAsked, JobJets } from '@ekrond/core/plan/jets'
import { nameOn } from '@ekrond/core/sheets'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { MixtureChart } from '../../../figures/MixtureChart'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main } from '../../../shell/frame'
import { OnStrip } from '../../../shell/OnStrip'
import { figures, narrow } from '../../../theme/global'
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
} from '../../../ui'
import { useKeys } from '../../../ui/keys'
import type { SheetedOpen } from '../../withSheets'
import { Another } from './Another'
import { Circuits } from './Circuits'
import { Sizes } from './Sizes'
import { useJets, type JetsView } from './useJets'

const Conditions = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 0.8fr) minmax(0, 0.8fr) 76px;
  gap: 0 10px;
  margin-top: -18px;
  align-items: end;
  & > b {
    font: 500 16px/44px ${narrow};
  }
  & > span {
    font: 500 15px/1.2 ${narrow};
    color: var(--pencil);
  }
  & > output {
    font: 500 15px/44px ${figures};
    letter-spacing: -0.04em;
    text-align: right;
  }
`

const Change = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 12px;
  align-items: baseline;
  font-size: 18px;
  font-weight: 600;
  & > span:last-child {
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
  }
  & s {
    font: 400 17px ${figures};
    color: var(--pencil);
  }
  & em {
    font: 600 18px ${figures};
    letter-spacing: -0.03em;
    color: var(--red);
  }
`

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
`

const Fuel = styled.dl`
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  gap: 6px 14px;
  margin: 0;
  font-size: 16px;
  line-height: 1.35;
  overflow-y: auto;
  & dt {
    font: 600 16px/1.35 ${narrow};
  }
  & dd {
    margin: 0;
  }
`

interface Asking {
  key: string
  from: Exclude<keyof JobAsked, 'vent'>
  to: Exclude<keyof JobAsked, 'vent'>
  words: string
}
/** Another filter or air box: asked where somebody says so. */
const BOX: Asking = { key: 'Air box', from: 'box', to: 'toBox', words: 'Draws, kPa' }
const ROWS = [
  { key: 'Altitude', from: 'altitude', to: 'toAltitude', words: 'Altitude, m' },
  { key: 'Temperature', from: 'temperature', to: 'toTemperature', words: 'Air, °C' },
  { key: 'Ethanol', from: 'ethanol', to: 'toEthanol', words: 'Ethanol, %' },
] as const satisfies readonly Asking[]

const signed = (share: number): string =>
  `${share > 0 ? '+' : share < 0 ? '−' : ''}${figure(Math.abs(share) * 100, 1)} %`

/** Which jets and which groove this unit wants for its place and fuel, and what puts them on its sheet. */
export function JetsBench({ open }: { open: SheetedOpen }) {
  const view = useJets(open)
  const { jets, refused } = view
  const [other, setOther] = useState(false)
  const [shows, setShows] = useState<'mixture' | 'fuel'>('mixture')
  const [at, setAt] = useState<number | null>(null)
  const put = () => (view.canPut ? view.put() : undefined)
  useKeys({ Enter: put, Escape: view.close })
  // The first that changes, until somebody looks at another.
  const first = jets?.offered.findIndex(({ own, proposed }) => own !== proposed) ?? -1
  const shown = at ?? Math.max(0, first)
  const offered = jets?.offered[shown % Math.max(1, jets.offered.length)]
  const isFuel = shows === 'fuel' && jets !== null && jets.fuel.length > 0
  return (
    <>
      {jets && offered && (
        <OnStrip>
          <Sizes
            offered={offered}
            pick={(mm) => view.pick(offered.of, mm)}
            {...(jets.offered.length > 1 ? { next: () => setAt((shown + 1) % jets.offered.length) } : {})}
          />
        </OnStrip>
      )}
      <Main>
        <Board>
          <BoardTitle>
            <div>
              <h1>{isFuel ? 'What it asks besides the jets' : 'Mixture over the whole opening'}</h1>
              <p>
                {isFuel
                  ? `by ${open.sheets.spec.listNumber}’s bores`
                  : 'grey: as it is · ink: as proposed · shaded: how sure · thin lines: limits'}
              </p>
            </div>
            {jets && jets.fuel.length > 0 && (
              <div role="group" aria-label="View" style={{ display: 'flex' }}>
                {(['mixture', 'fuel'] as const).map((one) => (
                  <Choice
                    key={one}
                    $on={shows === one}
                    aria-pressed={shows === one}
                    onPress={() => setShows(one)}
                  >
                    {one === 'mixture' ? 'mixture' : 'the rest'}
                  </Choice>
                ))}
              </div>
            )}
          </BoardTitle>
          {jets && !isFuel && <Circuits rules={jets.rules} />}
          <BoardDrawing style={isFuel ? { overflowY: 'auto', paddingTop: 14 } : undefined}>
            {jets &&
              (isFuel ? (
                <Fuel>
                  {jets.fuel.map(({ what, words }) => (
                    <Line key={what} what={what} words={words} />
                  ))}
                </Fuel>
              ) : (
                <MixtureChart plan={jets} changes={jets.changes.length > 0} heard={jets.heard} />
              ))}
            {refused && <ErrorLine role="alert">{refused.why}</ErrorLine>}
          </BoardDrawing>
        </Board>
        <Ask aria-label="What changed">
          <div style={{ display: 'flex', alignItems: 'baseline', justifyContent: 'space-between' }}>
            <h2>What changed?</h2>
            <QuietButton onPress={view.close}>
              Settings <Key>Esc</Key>
            </QuietButton>
          </div>
          <Asked view={view} />
          {view.waiting && <Label>Looking in the drawer…</Label>}
          {jets && <Proposed view={view} jets={jets} open={open} />}
          {jets &&
            (other ? (
              <Another open={open} conditions={view.conditions} done={() => setOther(false)} />
            ) : (
              <QuietButton onPress={() => setOther(true)} style={{ alignSelf: 'start', padding: 0 }}>
                Another part or setting
              </QuietButton>
            ))}
          <AskFoot>
            <MainButton onPress={put} isDisabled={!view.canPut}>
              {view.isPut ? 'On the sheet' : jets?.changes.length ? 'Put on the sheet' : 'Nothing to change'}{' '}
              <Key>Enter</Key>
            </MainButton>
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}

function Line({ what, words }: { what: string; words: string }) {
  return (
    <>
      <dt>{what}</dt>
      <dd>{words}</dd>
    </>
  )
}

/** The sheet's conditions and those of now, each with what it alone does wide open. */
function Asked({ view: { asked, set, refused, jets } }: { view: JetsView }) {
  const field = (key: Exclude<keyof JobAsked, 'vent'>, name: string) => (
    <FieldInput
      aria-label={name}
      inputMode="decimal"
      aria-invalid={refused?.input === key}
      value={asked[key]}
      onChange={(event) => set(key, event.target.value)}
    />
  )
  const [more, setMore] = useState(false)
  const isBox = more || asked.box !== '0' || asked.toBox !== '0'
  return (
    <Conditions role="group" aria-label="Conditions">
      {isBox ? (
        <QuietButton
          onPress={() => set('vent', asked.vent === 'inside' ? 'outside' : 'inside')}
          style={{ justifySelf: 'start', padding: '4px 0' }}
        >
          bowl vented {asked.vent}
        </QuietButton>
      ) : (
        <QuietButton onPress={() => setMore(true)} style={{ justifySelf: 'start', padding: '4px 0' }}>
          filter, air box
        </QuietButton>
      )}
      <span>sheet</span>
      <span>now</span>
      <span style={{ textAlign: 'right' }}>at full</span>
      {(isBox ? [...ROWS, BOX] : ROWS).map(({ key, from, to, words }) => {
        const one = jets?.changed.find(({ what }) => what === key)
        return (
          <Row key={key} words={words}>
            {field(from, `${key} of the sheet`)}
            {field(to, `${key} now`)}
            <output aria-label={`${key} alone at full`}>{one ? signed(one.full) : '·'}</output>
          </Row>
        )
      })}
    </Conditions>
  )
}

function Row({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <>
      <b>{words}</b>
      {children}
    </>
  )
}

const WHERE = {
  drawer: 'in the drawer',
  supplier: 'order it',
  'opened for good': 'opened: for good',
} as const

/** What to change, how sure it is, and what it is done for. */
function Proposed({ view, jets, open }: { view: JetsView; jets: JobJets; open: SheetedOpen }) {
  const {
    changes,
    dangerous,
    inside,
    tryAndRead,
    isBlind,
    measureNext,
    assumedSizes,
    screw,
    fights,
    others,
    changed,
  } = jets
  const chosen = Object.entries(open.here.chosen)
  return (
    <>
      {dangerous && (
        <RedBox role="alert" $tight>
          Too lean for full load as it is: it burns holes. No load before the jets are changed.
        </RedBox>
      )}
      <Answer aria-live="polite" style={{ fontSize: 19, lineHeight: 1.25 }}>
        <b>
          {changes.length > 0
            ? inside
              ? 'Within limits at every opening.'
              : view.anyPicked
                ? 'Not within limits everywhere.'
                : 'The nearest to be had: not within limits everywhere.'
            : changed.length === 0
              ? 'Nothing changed: the sheet’s jets are right.'
              : inside
                ? 'The sheet’s jets stay.'
                : 'None of these sizes is better than the sheet’s.'}
        </b>
      </Answer>
      {changes.length > 0 && (
        <List aria-label="To change">
          {changes.map(({ of, name, from, to, where }) => (
            <Change key={of}>
              <span>
                {name} <s>{from}</s> <em>{to}</em>
              </span>
              <span>{where ? WHERE[where] : ''}</span>
            </Change>
          ))}
        </List>
      )}
      {screw && <p style={{ fontSize: 16 }}>{screw.words}</p>}
      {fights.map((words) => (
        <ErrorLine key={words}>{words}</ErrorLine>
      ))}
      {(tryAndRead || isBlind || assumedSizes) && changes.length > 0 && (
        <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
          {tryAndRead ? 'Not sure to the last size: try it and read the plugs. ' : ''}
          {measureNext
            ? `Measure ${measureNext.what}: ±${figure(measureNext.from * 100, 1)} becomes ±${figure(measureNext.to * 100, 1)} %. `
            : ''}
          {isBlind ? 'Until its needle is measured the clip is left out. ' : ''}
          {assumedSizes ? 'Assumed: sizes every 0.025 mm.' : ''}
        </p>
      )}
      {view.anyPicked && <QuietButton onPress={view.unpick}>Back to the best</QuietButton>}
      {view.canPut && (
        <label>
          <Label>What for, as it is printed</Label>
          <FieldInput
            aria-label="What for"
            value={view.why}
            maxLength={200}
            onChange={(event) => view.setWhy(event.target.value)}
          />
        </label>
      )}
      {changes.length > 0 &&
        !view.anyPicked &&
        others.map(({ words, worst }) => (
          <p key={words} style={{ fontSize: 15, color: 'var(--pencil)' }}>
            Or {words}: at worst {figure(worst * 100, 0)} % of what is allowed.
          </p>
        ))}
      {view.notPut && <ErrorLine role="alert">{view.notPut}</ErrorLine>}
      {chosen
        .filter(([of]) => !changes.some((one) => one.of === of))
        .map(([of, { size, why }]) => (
          <p key={of} style={{ fontSize: 16 }}>
            {nameOn(open.sheets, of)} <b>{size}</b>: {why}
          </p>
        ))}
      {chosen.length > 0 && !view.canPut && (
        <p style={{ fontSize: 16 }}>
          On this job’s sheet.{' '}
          {changes.some(({ part }) => part) ? <Link to={open.to('parts')}>Parts</Link> : null}
          {changes.some(({ part }) => part)
            ? ' orders what is not in it yet; Build fits it and measures it.'
            : ''}
        </p>
      )}
    </>
  )
}
