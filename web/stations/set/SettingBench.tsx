import { conditionsFor, enterReading, settingContext } from '@ekrond/core/bench/entering'
import { figure, gaugeSigma, type Gauge } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { aim, readingView, settingOf } from '@ekrond/core/judge/settings'
import { settingKey, type Position, type SettingSpec } from '@ekrond/core/sheets'
import { hiddenBy, waitsForParts } from '@ekrond/core/judge/work'
import { OffAgain } from '../../shell/OffAgain'
import { useState } from 'react'
import styled from 'styled-components'
import { useDraft } from '../../data/draft'
import { useShop } from '../../data/shop'
import { pictureFor } from '../../drawing/settings'
import { Bent } from '../../teach/Bent'
import { ValueAsk } from '../../teach/ValueAsk'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { StepHead } from '../../shell/StepHead'
import { SettingsStrip } from '../../shell/SettingsStrip'
import { Answer, Choice, ErrorLine, Fraction, Key, Label, MainButton, RedBox, Tick } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { useKeys } from '../../ui/keys'
import { PAD_WORDS, usePad } from '../../ui/Pad'
import type { SheetedProps } from '../withSheets'
import { Tries } from './Tries'
import { InUse } from './InUse'

const Views = styled.div`
  display: flex;
  border: 2px solid var(--ink);
  & > button {
    min-width: 96px;
    border: 0;
    border-radius: 0;
    font-weight: 500;
    justify-content: center;
    min-height: 44px;
  }
`

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

const HowHeld = styled.p`
  font-size: 16px;
  line-height: 1.4;
`

const inWords = (parts: readonly Position[]) => parts.map(({ name }) => name.toLowerCase()).join(', ')

const bestGauge = (setting: SettingSpec, gauges: readonly Gauge[]): Gauge | null => {
  const [kind] = settingOf(setting).gauges
  return kind ? (gauges.find((gauge) => gauge.kind === kind) ?? gauges[0] ?? null) : null
}

/**
 * One setting on the bench: its drawing, its reading, its verdict and remedy. Set works through all of them with it, Build stops
 * with it before a part that would hide one.
 */
export function SettingBench({
  open,
  settings,
  index,
  move,
  why,
}: SheetedProps & {
  settings: readonly SettingSpec[]
  index: number
  /** to another of them; absent where this one is asked and no other */
  move: (by: number) => void
  /** what stands over the reading instead of its place among the settings */
  why?: string
}) {
  const { state, sheets } = open
  const { spec } = sheets
  const gauges = (useShop().data?.gauges ?? []) as Gauge[]
  const body = open.here
  const setting = settings[index]!
  const key = settingKey(setting)
  const [text, setText] = useDraft(open.draft('set', setting.code, setting.place))
  const [side, setSide] = useState<'held' | 'use'>('held')
  const [gaugeCode, setGaugeCode] = useState<Record<string, string>>({})
  const [refused, setRefused] = useState('')
  const [pad] = usePad()
  const [settled, setSettled] = useState('')
  const gauge = gauges.find((g) => g.code === gaugeCode[key]) ?? bestGauge(setting, gauges)
  const context = settingContext(state, sheets, gauge, gauges, open.body)
  const conditions = conditionsFor(state, sheets)

  const entering = text.trim() === '' ? null : enterReading(setting, text, context)
  const reading = readingView(
    state,
    sheets,
    setting,
    open.body,
    entering && !isRefusal(entering) ? entering.said : entering,
  )
  const { said, last, shown, value } = reading
  const asking = settled === text ? [] : reading.ask
  const target = aim(setting) ?? 0
  const verdict = shown?.verdict ?? null
  const hidden = hiddenBy(body, setting, sheets.build)
  const waits = hidden.length ? [] : waitsForParts(body, setting, sheets.build)
  // After the return a reading is put right where the unit stands.
  const closed = !state.returned && (hidden.length > 0 || waits.length > 0)

  const next = (by: number) => {
    setRefused('')
    move(by)
  }
  const log = () => {
    setRefused('')
    if (!entering) {
      if (reading.holds) next(1)
      return
    }
    if (isRefusal(entering) || asking.length || closed) return
    // After the return a reading is put right, not taken anew.
    const before = state.returned
      ? open.standing('reading.taken', (data) => `${data.code}/${data.place}` === key)
      : undefined
    const no = open.add('reading.taken', entering.data, before ? { corrects: before.id } : {})
    if (no) setRefused(no.sentence)
    else setText('')
  }
  useKeys({
    Enter: log,
    ArrowDown: () => next(1),
    ArrowUp: () => next(-1),
    v: () => setSide((now) => (now === 'held' ? 'use' : 'held')),
  })

  const { Picture, heading, inUse } = pictureFor(spec, setting.code)
  const drawn = { spec, setting, side: inUse ? side : ('held' as const) }
  const out = verdict === 'out'
  // What was said by another sheet is not said of this one.
  const stale = entering === null && reading.again !== ''

  return (
    <>
      <OnStrip>
        <SettingsStrip open={open} here={key} />
      </OnStrip>
      <Main>
        <Board>
          <BoardTitle>
            <div>
              <h1>{heading?.(drawn) ?? setting.name}</h1>
              <p>
                {spec.taught
                  ? `lent by its family, ${spec.taught.family}`
                  : `drawn from ${spec.listNumber} geometry`}
                {inUse && side === 'use' && conditions.assumes.length
                  ? ` · assumed: ${conditions.assumes.join(', ')}`
                  : ''}
              </p>
            </div>
            {inUse && (
              <Views role="group" aria-label="View">
                <Choice $on={side === 'held'} onPress={() => setSide('held')}>
                  as held
                </Choice>
                <Choice $on={side === 'use'} onPress={() => setSide('use')}>
                  in use
                </Choice>
              </Views>
            )}
          </BoardTitle>
          {inUse && side === 'held' && <InUse open={open} height={value ?? target} wanted={target} />}
          <BoardDrawing>
            <Picture
              {...drawn}
              sheets={sheets}
              reading={reading}
              target={target}
              conditions={conditions}
              here={body}
            />
          </BoardDrawing>
        </Board>
        {/* With the number pad up the column draws together: what to do, and its caution, stay in sight. */}
        <Ask
          aria-label="What is asked"
          {...(pad ? { style: { gap: 4, paddingTop: 6, paddingBottom: 8 } } : {})}
        >
          {open.here.taught && setting.target === null ? (
            <ValueAsk open={open} setting={setting} later={settings.length > 1 ? () => next(1) : undefined} />
          ) : (
            <>
              <StepHead what="Setting" move={next}>
                {why ?? `${index + 1} of ${settings.length}${pad ? ` · ${setting.name}` : ''}`}
              </StepHead>
              {!pad && <h2>{setting.name}</h2>}
              {!pad && <HowHeld>{setting.hold}</HowHeld>}
              <ReadingField
                key={key}
                focus
                label={`${setting.name}, reading`}
                invalid={reading.refused !== ''}
                value={text}
                placeholder={last ? last.raw : ''}
                unit={settingOf(setting).unit.set}
                padWords={PAD_WORDS[setting.quantity]}
                onChange={setText}
                onEnter={log}
                onKey={(pressed) => {
                  const by = pressed === 'ArrowDown' ? 1 : pressed === 'ArrowUp' ? -1 : 0
                  if (by) next(by)
                  return by !== 0
                }}
              >
                {gauge && (
                  <select
                    aria-label="Gauge"
                    value={gauge.code}
                    onChange={(event) => setGaugeCode({ ...gaugeCode, [key]: event.target.value })}
                  >
                    {gauges
                      .filter((g) => g.kind !== 'scale')
                      .map((g) => (
                        <option key={g.code} value={g.code}>
                          {g.name} ±{figure(gaugeSigma(g), 2)}
                        </option>
                      ))}
                  </select>
                )}
              </ReadingField>
              {!pad && (
                <Label as="p" aria-live="polite">
                  {reading.also ? `also ${reading.also} · ` : ''}
                  spec <Fraction text={setting.asWritten} /> · {setting.source}
                </Label>
              )}
              {reading.refused && <ErrorLine role="alert">{reading.refused}</ErrorLine>}
              {!entering && reading.again && <ErrorLine>Check again: {reading.again}.</ErrorLine>}
              {refused && <ErrorLine role="alert">{refused}</ErrorLine>}
              {closed && (entering || !reading.holds) && (
                <ErrorLine>
                  {hidden.length
                    ? `To read it, take off first: ${inWords(hidden)}.`
                    : `To read it, these go on first: ${inWords(waits)}.`}
                </ErrorLine>
              )}
              {closed && hidden.some(({ code }) => body.on[code]) && (entering || !reading.holds) && (
                <OffAgain
                  open={open}
                  first={hidden.map(({ code }) => code)}
                  words={hidden.length > 1 ? 'Take them off again' : 'Take it off again'}
                />
              )}
              {asking.length > 0 ? (
                <div style={{ display: 'grid', gap: 8 }}>
                  <Answer>
                    <em>That can be read two ways.</em> Which is it?
                  </Answer>
                  {asking.map((sense) => (
                    <Choice
                      key={sense.as}
                      onPress={() =>
                        setText(
                          sense.as.startsWith('drill') ? sense.as.slice(6) : `${figure(sense.mm, 3)} mm`,
                        )
                      }
                    >
                      {sense.as}: {figure(sense.mm, 2)} mm
                    </Choice>
                  ))}
                  <Choice onPress={() => setSettled(text)}>As typed: {figure(value ?? 0, 2)} mm</Choice>
                </div>
              ) : (
                shown &&
                !stale && (
                  <Answer aria-live="polite">
                    {verdict === 'in' ? (
                      <>
                        <Tick size={18} /> In.{' '}
                      </>
                    ) : (
                      <em>{shown.headline} </em>
                    )}
                    <Fraction text={shown.meaning} />
                  </Answer>
                )
              )}
              {shown?.remedy && out && asking.length === 0 && (
                <RedBox style={pad ? { padding: '8px 14px' } : {}}>
                  <Fraction text={shown.remedy.words} />
                  <small>{shown.remedy.detail}</small>
                </RedBox>
              )}
              {setting.code === 'float.height' && !entering && spec.float.correction === 'tang' && (
                <Bent open={open} said={shown?.remedy ?? null} />
              )}
              {shown && !out && !stale && asking.length === 0 && shown.facts.length > 0 && (
                <Label as="p">{shown.facts.join(' · ')}</Label>
              )}
              {reading.differ.length > 0 && (
                <ErrorLine>
                  Two people differ here: {reading.differ.map((r) => `${r.by} ${r.raw}`).join(', ')}. A third
                  reading settles it.
                </ErrorLine>
              )}
              {!pad && (said.length > 0 || value !== null) && (
                <WhereItFits>
                  <div>
                    <Label style={{ display: 'flex', justifyContent: 'space-between' }}>
                      <span>Tries</span>
                      <span>
                        band <Fraction text={setting.asWritten} />
                      </span>
                    </Label>
                    <Tries setting={setting} said={said} target={target} typed={entering ? value : null} />
                  </div>
                </WhereItFits>
              )}
              <AskFoot>
                <MainButton
                  onPress={log}
                  isDisabled={
                    reading.refused !== '' ||
                    asking.length > 0 ||
                    (entering ? closed : !reading.holds || settings.length < 2)
                  }
                >
                  {entering
                    ? said.length
                      ? 'Log this try'
                      : 'Log it'
                    : reading.holds
                      ? `Next: ${settings[(index + 1) % settings.length]!.name.toLowerCase()}`
                      : 'Type the reading'}{' '}
                  <Key>Enter</Key>
                </MainButton>
              </AskFoot>
            </>
          )}
        </Ask>
      </Main>
    </>
  )
}
