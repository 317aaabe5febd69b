import { jetSets } from '@ekrond/core/plan/jets'
import { figure, gaugeSigma } from '@ekrond/core/measure'
import { settingOf } from '@ekrond/core/judge/settings'
import { sourceWords, type SettingSpec } from '@ekrond/core/sheets'
import { Link } from 'react-router'
import styled from 'styled-components'
import { ValueAsk } from '../../teach/ValueAsk'
import { Ask, AskFoot, Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { StepHead } from '../../shell/StepHead'
import { SettingsStrip } from '../../shell/SettingsStrip'
import { Fraction, Key, Label, MainButton, QuietButton } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { useKeys } from '../../ui/keys'
import { PAD_WORDS, usePad } from '../../ui/Pad'
import type { SheetedProps } from '../withSheets'
import { SettingBoard } from './SettingBoard'
import { Tries } from './Tries'
import { useSettingBench, type SettingBenchView } from './useSettingBench'
import { Verdict } from './Verdict'

/** Shows what is in it whole, or where the column has no room for that not at all: it then wraps out of sight. */
const WhereItFits = styled.div`
  flex: 1 1 0;
  min-height: 0;
  overflow: hidden;
  display: flex;
  flex-flow: column wrap;
  &::before {
    content: '';
    width: 100%;
    height: 1px;
  }
  & > div {
    width: 100%;
  }
  @media (max-width: 999px) {
    flex: none;
  }
`

const Ends = styled(Label)`
  display: flex;
  justify-content: space-between;
`

const HowHeld = styled.p`
  font-size: 16px;
  line-height: 1.4;
`

/**
 * One setting on the bench: its drawing, its reading, its verdict and remedy. Set works through all of them with it, Build stops
 * with it before a part that would hide one.
 */
export function SettingBench({
  open,
  settings,
  index,
  move,
  onward,
  why,
  add,
}: SheetedProps & {
  settings: readonly SettingSpec[]
  index: number
  /** to another of them; absent where this one is asked and no other */
  move: (by: number) => void
  /** where Enter leads once this one holds; absent where the station around it leads on */
  onward?: { words: string; go: () => void }
  /** what stands over the reading instead of its place among the settings */
  why?: string
  /** to a setting that the sheet does not have */
  add?: () => void
}) {
  const setting = settings[index]!
  const bench = useSettingBench(open, setting, move, onward?.go)
  const { reading, log, next } = bench
  const [pad] = usePad()
  useKeys({ Enter: log, ArrowDown: () => next(1), ArrowUp: () => next(-1) })
  const unsaid = open.here.taught && setting.target === null
  return (
    <>
      <OnStrip>
        <SettingsStrip open={open} here={bench.key} />
      </OnStrip>
      <Main>
        <SettingBoard open={open} bench={bench} />
        {/* With the number pad up the column draws together: what to do, and its caution, stay in sight. */}
        <Ask aria-label="Current step" $tight={pad}>
          {unsaid ? (
            <ValueAsk open={open} setting={setting} later={settings.length > 1 ? () => next(1) : undefined} />
          ) : (
            <>
              <StepHead what="setting" move={next}>
                {why ?? `${index + 1} of ${settings.length}${pad ? ` · ${setting.name}` : ''}`}
              </StepHead>
              {!pad && <h2>{setting.name}</h2>}
              {!pad && <HowHeld>{setting.hold}</HowHeld>}
              <Typed bench={bench} />
              {!pad && (
                <Label as="p" aria-live="polite">
                  {reading.last && !bench.typed ? `logged ${reading.last.raw} · ` : ''}
                  {reading.also ? `also ${reading.also} · ` : ''}
                  spec <Fraction text={setting.asWritten} /> · {sourceWords(setting.source)}
                </Label>
              )}
              <Verdict open={open} bench={bench} pad={pad} />
              {!pad && (reading.said.length > 0 || reading.value !== null) && (
                <WhereItFits>
                  <div>
                    <Ends>
                      <span>Tries</span>
                      <span>
                        band <Fraction text={setting.asWritten} />
                      </span>
                    </Ends>
                    <Tries
                      setting={setting}
                      said={reading.said}
                      target={bench.target}
                      typed={bench.typed ? reading.value : null}
                    />
                  </div>
                </WhereItFits>
              )}
              <Foot
                bench={bench}
                onward={onward?.words}
                jets={jetSets(open.sheets).length > 0 ? open.to('set') : null}
                add={add}
              />
            </>
          )}
        </Ask>
      </Main>
    </>
  )
}

/** The field, with the gauge that it is read by. */
function Typed({ bench }: { bench: SettingBenchView }) {
  const { setting, reading, gauge } = bench
  return (
    <ReadingField
      key={bench.key}
      focus
      label={`${setting.name}, reading`}
      invalid={reading.refused !== ''}
      value={bench.text}
      unit={settingOf(setting).unit.set}
      padWords={PAD_WORDS[setting.quantity]}
      onChange={bench.setText}
      onEnter={bench.log}
    >
      {gauge && (
        <select
          aria-label="Gauge"
          value={gauge.code}
          onChange={(event) => bench.chooseGauge(event.target.value)}
        >
          {bench.gauges.map((g) => (
            <option key={g.code} value={g.code}>
              {g.name} ±{figure(gaugeSigma(g), 2)}
            </option>
          ))}
        </select>
      )}
    </ReadingField>
  )
}

function Foot({
  bench: { reading, asking, typed, closed, log },
  onward,
  jets,
  add,
}: {
  bench: SettingBenchView
  onward: string | undefined
  /** the station in which its jets are worked out; null where its sheet says none */
  jets: string | null
  add: (() => void) | undefined
}) {
  const leadsOn = reading.holds && onward !== undefined
  return (
    <AskFoot>
      <MainButton
        onPress={log}
        isDisabled={reading.refused !== '' || asking.length > 0 || (typed ? closed : !leadsOn)}
      >
        {typed ? 'Log reading' : leadsOn ? onward : 'Type the reading'} <Key>Enter</Key>
      </MainButton>
      {jets && !typed && (
        <Link
          to={`${jets}${jets.includes('?') ? '&' : '?'}jets`}
          style={{ alignSelf: 'center', padding: '12px 8px', textUnderlineOffset: 4 }}
        >
          Jets for this place
        </Link>
      )}
      {add && !typed && (
        <QuietButton onPress={add} aria-label="Another setting">
          + setting
        </QuietButton>
      )}
    </AskFoot>
  )
}
