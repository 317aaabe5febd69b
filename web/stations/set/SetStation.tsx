import { readingView } from '@ekrond/core/judge/settings'
import { settingsToSet } from '@ekrond/core/judge/work'
import { lazy, Suspense, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { nextOpen } from '../../ui/next-open'
import { Unit } from '../../drawing/Unit'
import { Answer, Label, QuietButton } from '../../ui'
import { Ask, Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { AddSetting } from '../../teach/AddSetting'
import { withSheets, type SheetedProps } from '../withSheets'
import { SettingBench } from './SettingBench'

// Its chart is as large as the rest of the station.
const JetsBench = lazy(() => import('./jets/JetsBench').then((one) => ({ default: one.JetsBench })))

export default withSheets('set', SetOrJets)

/** The settings, or what is asked of the jets: the address says which. */
function SetOrJets({ open }: SheetedProps) {
  const [search] = useSearchParams()
  return search.has('jets') ? (
    <Suspense>
      <JetsBench open={open} />
    </Suspense>
  ) : (
    <SetWith open={open} />
  )
}

/** Every setting side by side: what is set from outside is set here, what a cover hides says which parts must come off. */
function SetWith({ open }: SheetedProps) {
  const { state, sheets, here } = open
  const settings = settingsToSet(sheets, here)
  const navigate = useNavigate()
  const [adding, setAdding] = useState(false)
  const [index, setIndex] = useState(() =>
    Math.max(
      0,
      settings.findIndex((one) => !readingView(state, sheets, one, open.body).holds),
    ),
  )
  if (adding)
    return (
      <Main>
        <Board>
          <BoardTitle>
            <div>
              <h1>Another setting</h1>
              <p>what its kind brings, this unit has from now on; only its value has to be told</p>
            </div>
          </BoardTitle>
          <BoardDrawing>
            <Unit sheets={sheets} standings={{}} named={[]} title={`${sheets.spec.modelName} in section`} />
          </BoardDrawing>
        </Board>
        <AddSetting open={open} done={() => setAdding(false)} />
      </Main>
    )
  if (settings.length === 0)
    return (
      <Main>
        <Ask>
          <h2>Nothing to set.</h2>
          <Answer>The spec sheet has no settings for this unit.</Answer>
          <Label>Test it on the bench.</Label>
          <QuietButton onPress={() => setAdding(true)}>Add a setting</QuietButton>
        </Ask>
      </Main>
    )
  const at = Math.min(index, settings.length - 1)
  const following = nextOpen(
    at,
    settings.map((one) => !readingView(state, sheets, one, open.body).holds),
  )
  return (
    <SettingBench
      open={open}
      settings={settings}
      index={at}
      add={() => setAdding(true)}
      move={(by) => setIndex((now) => (now + by + settings.length) % settings.length)}
      onward={
        following === null
          ? { words: 'Go to Prove', go: () => void navigate(open.to('prove')) }
          : {
              words: `Next: ${settings[following]!.name.toLowerCase()}`,
              go: () => setIndex(following),
            }
      }
    />
  )
}
