import { conditionsFor, draftReading, settingContext } from '@ekrond/core/drafts'
import { levelInUse } from '@ekrond/core/float'
import { lastSaid } from '@ekrond/core/job'
import { figure, gaugeSigma, type Gauge } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/refusal'
import { aim, judgeSetting, remedyInShort } from '@ekrond/core/setting'
import { settingKey, settingsInOrder, type SettingSpec } from '@ekrond/core/sheets'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { useDraft } from '../../data/draft'
import { useShop } from '../../data/job'
import { AirValveSpring, CoverIndex, MixtureScrews, PlateInBore, PumpLinkage } from '../../drawing/Mechanisms'
import { FloatSection } from '../../drawing/FloatSection'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { StepHead } from '../../shell/StepHead'
import { SettingsStrip } from '../../shell/SettingsStrip'
import { figures } from '../../theme/global'
import {
  Answer,
  Choice,
  ErrorLine,
  Fraction,
  Key,
  Label,
  MainButton,
  QuietButton,
  RedBox,
  Tick,
} from '../../ui'
import { ReadingField } from '../../ui/Field'
import { useKeys } from '../../ui/keys'
import { PAD_WORDS, usePad } from '../../ui/Pad'
import { withSheets, type SheetedProps } from '../withSheets'
import { Tries } from './Tries'

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

const InUse = styled.div`
  border: 1px solid var(--line);
  padding: 7px 12px;
  align-self: flex-start;
  margin-top: 8px;
  & > b {
    display: block;
    font: 500 20px/1.3 ${figures};
    letter-spacing: -0.03em;
  }
  & > span {
    font-size: 14px;
    color: var(--pencil);
  }
`

const isFloat = (setting: SettingSpec) => setting.code === 'float.height' || setting.code === 'float.drop'

const bestGauge = (setting: SettingSpec, gauges: readonly Gauge[]): Gauge | null => {
  if (setting.quantity !== 'length' && setting.quantity !== 'gap') return null
  const kind = setting.quantity === 'gap' ? 'drills' : 'caliper'
  return gauges.find((gauge) => gauge.kind === kind) ?? gauges[0] ?? null
}

const UNIT: Record<SettingSpec['quantity'], string> = {
  length: 'mm',
  gap: 'mm',
  turns: 'turns out',
  notches: 'of index',
  count: '',
}

export default withSheets('set', SetWith)

function SetWith({ open }: SheetedProps) {
  const { state, sheets } = open
  const { spec } = sheets
  const gauges = (useShop().data?.gauges ?? []) as Gauge[]
  const body = open.here
  const settings = useMemo(() => settingsInOrder(spec), [spec])
  const firstOpen = () =>
    settings.findIndex((setting) => lastSaid(body.readings[settingKey(setting)])?.verdict !== 'in')
  const [index, setIndex] = useState(() => Math.max(0, firstOpen()))
  const setting = settings[index]!
  const key = settingKey(setting)
  const [text, setText] = useDraft(open.draft('set', setting.code, setting.place))
  const [view, setView] = useState<'held' | 'use'>('held')
  const [gaugeCode, setGaugeCode] = useState<Record<string, string>>({})
  const [refused, setRefused] = useState('')
  const [pad] = usePad()
  const [settled, setSettled] = useState('')
  const gauge = gauges.find((g) => g.code === gaugeCode[key]) ?? bestGauge(setting, gauges)
  const context = settingContext(state, sheets, gauge, gauges, open.body)
  const conditions = conditionsFor(state, sheets)

  const draft = text.trim() === '' ? null : draftReading(setting, text, context)
  const said = body.readings[key]?.said ?? []
  const last = said.at(-1)
  const asking =
    draft && !isRefusal(draft) && draft.said.read.ask.length > 0 && settled !== text
      ? draft.said.read.ask
      : []
  const lastJudged = last ? judgeSetting(setting, last.value, context) : null
  const judgement = draft
    ? isRefusal(draft)
      ? null
      : draft.said.judgement
    : lastJudged && !isRefusal(lastJudged)
      ? lastJudged
      : null
  const value = draft && !isRefusal(draft) ? draft.said.read.value : !draft && last ? last.value : null
  const target = aim(setting) ?? 0
  const verdict = !draft && last ? last.verdict : (judgement?.verdict ?? null)

  const next = (by: number) => {
    setRefused('')
    setIndex((now) => (now + by + settings.length) % settings.length)
  }
  const log = () => {
    setRefused('')
    if (!draft) {
      if (last?.verdict === 'in') next(1)
      return
    }
    if (isRefusal(draft) || asking.length) return
    // After the return a reading is put right, not taken anew.
    const before = state.returned
      ? open.standing('reading.taken', (data) => `${data.code}/${data.place}` === key)
      : undefined
    const no = open.add('reading.taken', draft.data, before ? { corrects: before.id } : {})
    if (no) setRefused(no.sentence)
    else setText('')
  }
  useKeys({
    Enter: log,
    ArrowDown: () => next(1),
    ArrowUp: () => next(-1),
    v: () => setView((now) => (now === 'held' ? 'use' : 'held')),
  })

  const heightSetting = settings.find((s) => s.code === 'float.height')
  const heightTarget = heightSetting ? (aim(heightSetting) ?? 0) : 0
  const heightNow =
    setting.code === 'float.height'
      ? (value ?? heightTarget)
      : (lastSaid(body.readings['float.height/none'])?.value ?? heightTarget)
  const level = levelInUse(spec.float, heightNow, conditions.pressureKpa, conditions.densityKgM3)
  const wanted = levelInUse(spec.float, heightTarget, conditions.pressureKpa, conditions.densityKgM3)
  const wantedBelowFace = isRefusal(wanted) ? spec.level.target : wanted.belowFace
  const out = verdict === 'out'
  const remedyShort = judgement?.remedy && out ? remedyInShort(judgement.remedy) : null
  const held = setting.held === 'inverted' ? 'upside down' : setting.held

  return (
    <>
      <OnStrip>
        <SettingsStrip body={body} spec={spec} here={key} />
      </OnStrip>
      <Main>
        <Board>
          <BoardTitle>
            <div>
              <h1>
                {isFloat(setting)
                  ? `${spec.section.title}, ${view === 'use' && setting.code === 'float.height' ? 'in use' : setting.code === 'float.drop' ? 'float hanging' : `as held: ${held}`}`
                  : setting.name}
              </h1>
              <p>
                drawn from {spec.listNumber} geometry
                {setting.code === 'float.height' && view === 'use' && conditions.assumes.length
                  ? ` · assumed: ${conditions.assumes.join(', ')}`
                  : ''}
              </p>
            </div>
            {setting.code === 'float.height' && (
              <Views role="group" aria-label="View">
                <Choice $on={view === 'held'} onPress={() => setView('held')}>
                  as held
                </Choice>
                <Choice $on={view === 'use'} onPress={() => setView('use')}>
                  in use
                </Choice>
              </Views>
            )}
          </BoardTitle>
          {setting.code === 'float.height' && view === 'held' && !isRefusal(level) && (
            <InUse>
              <span>
                in use, at {figure(conditions.pressureKpa)} kPa
                {conditions.assumes.some((a) => a.includes('kPa')) ? ' (assumed)' : ''}
              </span>
              <b>
                {figure(level.belowFace)}, want {figure(wantedBelowFace)}
              </b>
              <span>fuel below face, mm</span>
            </InUse>
          )}
          <BoardDrawing>
            {isFloat(setting) ? (
              <FloatSection
                spec={spec}
                reading={value}
                target={target}
                verdict={verdict}
                remedy={remedyShort}
                view={setting.code === 'float.drop' ? 'held' : view}
                drop={setting.code === 'float.drop'}
                level={isRefusal(level) ? null : level}
                wantedBelowFace={wantedBelowFace}
                pressureKpa={conditions.pressureKpa}
              />
            ) : setting.code === 'pump.stem' && spec.pump ? (
              <PumpLinkage pump={spec.pump} reading={value} target={target} out={out} />
            ) : setting.code === 'vacuumBreak.gap' && spec.choke ? (
              <PlateInBore choke={spec.choke} reading={value} target={target} out={out} />
            ) : setting.code === 'choke.index' && spec.choke ? (
              <CoverIndex notches={value} target={target} notchDegrees={spec.choke.notchDegrees} out={out} />
            ) : setting.code === 'mixture.turns' ? (
              <MixtureScrews
                kind={spec.mixture.kind}
                screws={settings
                  .filter((s) => s.code === 'mixture.turns')
                  .map((s) => ({
                    label: s.name,
                    now: s === setting,
                    eighths: s === setting ? value : (lastSaid(body.readings[settingKey(s)])?.value ?? null),
                  }))}
              />
            ) : setting.code === 'airValve.turns' ? (
              <AirValveSpring eighths={value} target={target} />
            ) : (
              <NeedleClip groove={value} target={target} />
            )}
          </BoardDrawing>
        </Board>
        {/* With the number pad up the column draws together: what to do, and its caution, stay in sight. */}
        <Ask aria-label="What is asked" {...(pad ? { style: { gap: 6 } } : {})}>
          <StepHead what="Setting" move={next}>
            {index + 1} of {settings.length} · {setting.name}
          </StepHead>
          {!pad && <HowHeld>{setting.hold}</HowHeld>}
          <ReadingField
            key={key}
            focus
            label={`${setting.name}, reading`}
            invalid={draft !== null && isRefusal(draft)}
            value={text}
            placeholder={last ? last.raw : ''}
            unit={setting.code === 'airValve.turns' ? 'turns wound on' : UNIT[setting.quantity]}
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
              {draft && !isRefusal(draft) && draft.said.read.also ? `also ${draft.said.read.also} · ` : ''}
              spec <Fraction text={setting.asWritten} /> · {setting.source}
            </Label>
          )}
          {draft && isRefusal(draft) && <ErrorLine role="alert">{draft.refused.why}</ErrorLine>}
          {refused && <ErrorLine role="alert">{refused}</ErrorLine>}
          {asking.length > 0 ? (
            <div style={{ display: 'grid', gap: 8 }}>
              <Answer>
                <em>That can be read two ways.</em> Which is it?
              </Answer>
              {asking.map((sense) => (
                <Choice
                  key={sense.as}
                  onPress={() =>
                    setText(sense.as.startsWith('drill') ? sense.as.slice(6) : `${figure(sense.mm, 3)} mm`)
                  }
                >
                  {sense.as}: {figure(sense.mm, 2)} mm
                </Choice>
              ))}
              <Choice onPress={() => setSettled(text)}>As typed: {figure(value ?? 0, 2)} mm</Choice>
            </div>
          ) : (
            judgement && (
              <Answer aria-live="polite">
                {verdict === 'in' ? (
                  <>
                    <Tick size={18} /> In.{' '}
                  </>
                ) : (
                  <em>{!draft && last ? last.headline : judgement.headline} </em>
                )}
                <Fraction text={judgement.meaning} />
              </Answer>
            )
          )}
          {judgement?.remedy && out && asking.length === 0 && (
            <RedBox style={pad ? { padding: '8px 14px' } : {}}>
              <Fraction text={judgement.remedy.words} />
              <small>{judgement.remedy.detail}</small>
            </RedBox>
          )}
          {judgement && verdict !== 'out' && asking.length === 0 && judgement.facts.length > 0 && (
            <Label as="p">{judgement.facts.join(' · ')}</Label>
          )}
          {body.readings[key]?.differ && (
            <ErrorLine>
              Two people differ here:{' '}
              {said
                .slice(-2)
                .map((r) => `${r.by} ${r.raw}`)
                .join(', ')}
              . A third reading settles it.
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
                <Tries
                  setting={setting}
                  said={said}
                  target={target}
                  typed={draft && !isRefusal(draft) ? value : null}
                />
              </div>
            </WhereItFits>
          )}
          <AskFoot>
            <MainButton
              onPress={log}
              isDisabled={
                (draft !== null && isRefusal(draft)) ||
                asking.length > 0 ||
                (!draft && last?.verdict !== 'in')
              }
            >
              {draft
                ? said.length
                  ? 'Log this try'
                  : 'Log it'
                : last?.verdict === 'in'
                  ? `Next: ${settings[(index + 1) % settings.length]!.name.toLowerCase()}`
                  : 'Type the reading'}{' '}
              <Key>Enter</Key>
            </MainButton>
            <QuietButton isDisabled={!open.lastOwn('set')} onPress={() => setRefused(open.takeBack('set'))}>
              Take back <Key>U</Key>
            </QuietButton>
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}

function NeedleClip({ groove, target }: { groove: number | null; target: number }) {
  const shown = groove ?? target
  const y = (n: number) => 90 + n * 26
  return (
    <svg
      viewBox="0 0 760 500"
      role="img"
      aria-label={`Main needle, clip in groove ${shown} from the blunt end, wants ${target}.`}
      style={{ width: '100%', height: '100%' }}
    >
      <path
        d="M352 70h56v190l-18 190h-20l-18-190Z"
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      {[1, 2, 3, 4, 5].map((n) => (
        <g key={n}>
          <path
            d={`M352 ${y(n) - 4}h6v8h-6M408 ${y(n) - 4}h-6v8h6`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <text x={430} y={y(n) + 5} fill="var(--pencil)" style={{ font: "500 16px 'JetBrains Mono'" }}>
            {n}
          </text>
        </g>
      ))}
      <rect
        x={318}
        y={y(shown) - 4}
        width={124}
        height={8}
        fill={groove === null ? 'var(--ink)' : 'var(--blue)'}
      />
      {shown !== target && (
        <rect
          x={318}
          y={y(target) - 4}
          width={124}
          height={8}
          fill="none"
          stroke="var(--red)"
          strokeWidth={2}
          strokeDasharray="6 4"
        />
      )}
      <text
        x={380}
        y={54}
        textAnchor="middle"
        fill="var(--ink)"
        style={{ font: "500 16px 'Barlow Semi Condensed'" }}
      >
        blunt end: count from here
      </text>
      <text x={470} y={y(1) + 5} fill="var(--ink)" style={{ font: "500 16px 'Barlow Semi Condensed'" }}>
        clip up: needle hangs lower, leaner in the middle
      </text>
      <text x={470} y={y(5) + 5} fill="var(--ink)" style={{ font: "500 16px 'Barlow Semi Condensed'" }}>
        clip towards the point: needle up, richer in the middle
      </text>
    </svg>
  )
}
