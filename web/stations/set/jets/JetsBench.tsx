import { useState } from 'react'
import styled from 'styled-components'
import { MixtureChart } from '../../../figures/MixtureChart'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main } from '../../../shell/frame'
import { OnStrip } from '../../../shell/OnStrip'
import { narrow } from '../../../theme/global'
import { Choice, ErrorLine, Key, Label, MainButton, QuietButton } from '../../../ui'
import { useKeys } from '../../../ui/keys'
import type { SheetedOpen } from '../../withSheets'
import { Another } from './Another'
import { Asked } from './Asked'
import { Circuits } from './Circuits'
import { Proposed } from './Proposed'
import { Sizes } from './Sizes'
import { useJets } from './useJets'

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
              {view.isPut
                ? 'On the sheet'
                : jets?.changes.length
                  ? `Put on the sheet${view.bodies > 1 ? ` of all ${view.bodies}` : ''}`
                  : 'Nothing to change'}{' '}
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
