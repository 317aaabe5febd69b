import { teardownOrder } from '@ekrond/core/work'
import { conditionsFor, enterAsFound, enterFinding } from '@ekrond/core/entering'
import { conditionsOf, dispositions, dispositionWord, type Disposition } from '@ekrond/core/findings'
import { lastSaid, type BodyState } from '@ekrond/core/job'
import { asFoundDone, teardownUnlocked } from '@ekrond/core/stations'
import type { Gauge } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/refusal'
import { settingKey, type Position, type SettingSpec, type Sheets } from '@ekrond/core/sheets'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { useDraft } from '../../data/draft'
import { useShop } from '../../data/shop'
import { Stack } from '../../drawing/Stack'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main, StripCell } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { StepHead } from '../../shell/StepHead'
import { Answer, Choice, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { Radios } from '../../ui/Radios'
import { onEnter, useKeys } from '../../ui/keys'
import type { StationProps } from '../props'
import { withSheets, type SheetedProps } from '../withSheets'

type Task =
  { kind: 'part'; position: Position } | { kind: 'exposed'; setting: SettingSpec; position: Position }

const MEASURE: Record<
  NonNullable<Position['deciding']>['what'],
  { label: string; unit: string; gauge: Gauge['kind']; hint: string }
> = {
  mass: { label: 'Mass', unit: 'g', gauge: 'scale', hint: 'dry, without its pin' },
  bore: {
    label: 'Pin that goes, pin that does not',
    unit: 'mm',
    gauge: 'pins',
    hint: '2.40 2.45, or #41 #40',
  },
  play: { label: 'Play at the shaft', unit: 'mm', gauge: 'indicator', hint: 'rocked, diametral' },
  warp: {
    label: 'Widest gap under the straight edge',
    unit: 'mm',
    gauge: 'feeler',
    hint: 'the leaf that just enters',
  },
}

export default withSheets('take apart', Teardown)

function Teardown({ open }: SheetedProps) {
  const { state, sheets } = open
  const body = open.here
  const order = useMemo(() => teardownOrder(sheets.build), [sheets])
  const off = useMemo(() => new Set(Object.keys(body.off)), [body.off])
  const [picked, setPicked] = useState<string | null>(null)
  const unlocked = teardownUnlocked(state, sheets, open.body)
  const tasks = openTasks(sheets, order, body)
  const chosen = picked ? sheets.build.positions.find((p) => p.code === picked) : undefined
  const task: Task | undefined = chosen ? { kind: 'part', position: chosen } : tasks[0]
  const after = order.filter((p) => !off.has(p.code) && p.code !== task?.position.code).map((p) => p.code)
  const browse = [...order, ...sheets.build.positions.filter((p) => p.stays && p.deciding)]
  const move = (by: number) => {
    const at = browse.findIndex((p) => p.code === task?.position.code)
    setPicked(browse[Math.max(0, Math.min(browse.length - 1, at + by))]?.code ?? null)
  }
  useKeys({ ArrowDown: () => move(1), ArrowUp: () => move(-1) })
  const words = Object.fromEntries(task ? [[task.position.code, `${task.position.name.toLowerCase()}`]] : [])

  return (
    <>
      <OnStrip>
        <Tray open={open} />
      </OnStrip>
      <Main $ask={420}>
        <Board>
          <BoardTitle>
            <div>
              <h1>Stack, as it comes apart</h1>
              <p>dashed: off · blue: now · solid: still on</p>
            </div>
          </BoardTitle>
          <BoardDrawing>
            <Stack
              build={sheets.build}
              order={order}
              off={off}
              current={task?.position.code ?? null}
              next={after}
              words={words}
            />
          </BoardDrawing>
        </Board>
        {!unlocked ? (
          <Locked open={open} />
        ) : task?.kind === 'exposed' ? (
          <Exposed key={settingKey(task.setting)} open={open} task={task} />
        ) : task ? (
          <PartOff
            key={task.position.code}
            open={open}
            position={task.position}
            number={browse.indexOf(task.position) + 1}
            of={browse.length}
            done={() => setPicked(null)}
            move={move}
          />
        ) : (
          <AllOff open={open} />
        )}
      </Main>
    </>
  )
}

function openTasks(sheets: Sheets, order: readonly Position[], body: BodyState): Task[] {
  const tasks: Task[] = []
  for (const position of sheets.build.positions)
    if (body.off[position.code] && !body.on[position.code])
      for (const key of position.exposes) {
        const setting = sheets.spec.settings.find((s) => settingKey(s) === key)
        if (setting && !asFoundDone(body, key)) tasks.push({ kind: 'exposed', setting, position })
      }
  for (const position of order) if (!body.off[position.code]) tasks.push({ kind: 'part', position })
  for (const position of sheets.build.positions)
    if (position.stays && position.deciding && !body.findings[position.code])
      tasks.push({ kind: 'part', position })
  return tasks
}

function Locked({ open }: StationProps) {
  const navigate = useNavigate()
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  const go = () => setWrong(open.add('teardown.unlocked', { why })?.sentence ?? '')
  return (
    <Ask>
      <h2>As found is not all noted.</h2>
      <p style={{ fontSize: 17 }}>Once it is apart, nobody can tell what it came in with.</p>
      <label>
        <Label>Begin all the same, because</Label>
        <FieldInput
          autoFocus
          value={why}
          placeholder="came in a box, in parts"
          onChange={(event) => setWhy(event.target.value)}
          onKeyDown={onEnter(go)}
        />
      </label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={() => void navigate(open.to('asfound'))}>
          Note it first <Key>3</Key>
        </MainButton>
        <QuietButton onPress={go}>Begin with this reason</QuietButton>
      </AskFoot>
    </Ask>
  )
}

function Exposed({
  open,
  task,
}: {
  open: StationProps['open'] & { sheets: Sheets }
  task: Extract<Task, { kind: 'exposed' }>
}) {
  const { setting, position } = task
  const [text, setText] = useDraft(open.draft('asfound', setting.code, setting.place))
  const [skip, setSkip] = useState(false)
  const [wrong, setWrong] = useState('')
  const log = () => {
    if (skip)
      return setWrong(
        open.add('asfound.skipped', { code: setting.code, place: setting.place, why: text })?.sentence ?? '',
      )
    const draft = enterAsFound(setting, text, null, open.sheets, open.state, open.body)
    if (isRefusal(draft)) return setWrong(draft.refused.why)
    const no = open.add('asfound.noted', draft.data)
    if (no) setWrong(no.sentence)
    else setText('')
  }
  useKeys({ Enter: log })
  const said = text && !skip ? enterAsFound(setting, text, null, open.sheets, open.state, open.body) : null
  return (
    <Ask aria-label="What is asked">
      <Label>as found, now that {position.name.toLowerCase()} is off</Label>
      <h2>{setting.name}, before anything is moved</h2>
      <p style={{ fontSize: 17 }}>{setting.hold}</p>
      <ReadingField
        focus
        label={skip ? 'Why it is skipped' : `${setting.name}, as found`}
        value={text}
        onChange={setText}
        onEnter={log}
        unit={skip ? '' : setting.quantity === 'count' ? 'from the blunt end' : setting.unit}
        size={skip ? 24 : 52}
        placeholder={skip ? 'in a few words' : ''}
      />
      <Label as="p">
        sheet: {setting.asWritten} · {setting.datum}
      </Label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      {said && !isRefusal(said) && <Answer>{said.data.shown.headline}</Answer>}
      <AskFoot>
        <MainButton onPress={log} isDisabled={text === ''}>
          {skip ? 'Skip, with this reason' : 'Note it'} <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={() => setSkip(!skip)}>{skip ? 'Do not skip' : 'Skip, why'}</QuietButton>
      </AskFoot>
    </Ask>
  )
}

function PartOff({
  open,
  position,
  number,
  of,
  done,
  move,
}: {
  open: StationProps['open'] & { sheets: Sheets }
  position: Position
  number: number
  of: number
  done: () => void
  move: (by: number) => void
}) {
  const { state, sheets } = open
  const body = open.here
  const gauges = (useShop().data?.gauges ?? []) as Gauge[]
  const isOff = position.code in body.off
  const before = lastSaid(body.findings[position.code])
  const [condition, setCondition] = useState(
    before?.condition ?? (position.always ? conditionsOf[position.kind][0]!.code : ''),
  )
  const [raw, setRaw] = useDraft(open.draft('teardown', position.code))
  const [override, setOverride] = useState<{ disposition: Disposition; why: string } | null>(null)
  const [wrong, setWrong] = useState('')
  const measure = position.deciding ? MEASURE[position.deciding.what] : null
  const gauge = measure ? (gauges.find((g) => g.kind === measure.gauge) ?? null) : null
  const conditions = conditionsFor(state, sheets)
  // A measurement decides: what is seen is taken as sound until somebody says otherwise.
  const seen = condition || (raw.trim() ? conditionsOf[position.kind][0]!.code : '')
  const draft = seen ? enterFinding(position, seen, raw, gauge, sheets, conditions, override) : null
  const said = draft && !isRefusal(draft) ? draft : null
  const disposition = said?.said.disposition
  const log = () => {
    setWrong('')
    if (!draft) return setWrong('Say how it is: pick what you see.')
    if (isRefusal(draft)) return setWrong(draft.refused.why)
    if (override && !override.why.trim()) return setWrong('Against the rule needs a reason, in a few words.')
    const no = open.addAll([
      ...(isOff || position.stays
        ? []
        : [{ kind: 'part.off' as const, data: { position: position.code, tray: position.tray } }]),
      { kind: 'finding.judged' as const, data: draft.data },
    ])
    if (no) return setWrong(no.sentence)
    setRaw('')
    done()
  }
  useKeys({ Enter: log })
  return (
    <Ask aria-label="What is asked">
      <StepHead what="Part" move={move}>
        {number} of {of} ·{' '}
        {position.stays ? 'stays in' : isOff ? `off, in tray ${position.tray}` : `tray ${position.tray}`}
      </StepHead>
      <h2>
        {position.name}
        {position.quantity > 1 ? `, ${position.quantity}` : ''}
      </h2>
      <p style={{ fontSize: 16 }}>
        {position.step} {position.underneath && <b>Underneath: {position.underneath}</b>}
      </p>
      {position.cautions.map((caution) => (
        <ErrorLine key={caution}>{caution}</ErrorLine>
      ))}
      <Radios
        label="How is it?"
        value={condition}
        onChange={setCondition}
        focus={!measure}
        options={conditionsOf[position.kind].map((c) => ({ value: c.code, label: c.label }))}
      />
      {measure && (
        <div>
          <Label>
            {measure.label} · {measure.hint}
          </Label>
          <ReadingField
            focus
            size={38}
            label={measure.label}
            value={raw}
            onChange={setRaw}
            onEnter={log}
            unit={measure.unit}
            placeholder={before?.raw ?? ''}
          />
        </div>
      )}
      {draft && isRefusal(draft) && raw && <ErrorLine role="alert">{draft.refused.why}</ErrorLine>}
      {said && disposition && (
        <Answer aria-live="polite" style={{ fontSize: 19 }}>
          {disposition === 'reuse' ? (
            `${dispositionWord[disposition]}. `
          ) : (
            <em>
              {said.said.judgement && !said.said.judgement.sure
                ? 'Doubtful. '
                : `${dispositionWord[disposition]}. `}
            </em>
          )}
          {said.data.shown.sentence}
          {position.always && ' A new one goes on all the same.'}
        </Answer>
      )}
      {body.findings[position.code]?.differ && (
        <ErrorLine>Two people differ on it. A third judgement settles it.</ErrorLine>
      )}
      {override && (
        <div style={{ display: 'grid', gap: 8 }}>
          <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
            {dispositions.map((d) => (
              <Choice
                key={d}
                $on={override.disposition === d}
                aria-pressed={override.disposition === d}
                onPress={() => setOverride({ ...override, disposition: d })}
              >
                {dispositionWord[d]}
              </Choice>
            ))}
          </div>
          <FieldInput
            aria-label="Reason against the rule"
            placeholder="because …"
            value={override.why}
            onChange={(event) => setOverride({ ...override, why: event.target.value })}
          />
        </div>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={log} isDisabled={!seen}>
          {isOff || position.stays ? 'Judge it' : `Off, into tray ${position.tray}`} <Key>Enter</Key>
        </MainButton>
        {said && !override && (
          <QuietButton onPress={() => setOverride({ disposition: 'reuse', why: '' })}>
            Not so, because
          </QuietButton>
        )}
      </AskFoot>
    </Ask>
  )
}

function AllOff({ open }: StationProps) {
  const navigate = useNavigate()
  const go = () => void navigate(open.to('parts'))
  useKeys({ Enter: go })
  return (
    <Ask>
      <h2>All of it is off and judged.</h2>
      <p style={{ fontSize: 17 }}>Arrows go back to a part; a second judgement stands beside the first.</p>
      <AskFoot>
        <MainButton onPress={go} autoFocus>
          To the parts <Key>Enter</Key>
        </MainButton>
      </AskFoot>
    </Ask>
  )
}

/** What is off and where it lies. */
export function Tray({ open }: StationProps) {
  const body = open.here
  const build = open.sheets?.build
  if (!build) return null
  const order = teardownOrder(build)
  const lying = order.filter((p) => body.off[p.code] && !body.on[p.code])
  return (
    <>
      <StripCell style={{ flex: '0 0 128px', paddingLeft: 16 }}>
        <Label>Tray</Label>
        <b style={{ fontSize: 26, lineHeight: 1.2 }}>
          {lying.length} <small style={{ fontSize: 16, fontWeight: 400 }}>off</small>
        </b>
        <span style={{ color: 'var(--pencil)' }}>{order.filter((p) => !body.off[p.code]).length} to go</span>
      </StripCell>
      {build.trays.map((tray) => {
        const here = lying.filter((p) => body.off[p.code]!.tray === tray.code)
        return (
          <StripCell key={tray.code}>
            <Label>
              {tray.code} · {tray.name}
            </Label>
            {here.slice(0, 3).map((p) => (
              <span
                key={p.code}
                style={{
                  display: 'block',
                  whiteSpace: 'nowrap',
                  overflow: 'hidden',
                  textOverflow: 'ellipsis',
                }}
              >
                {p.name.toLowerCase()}
              </span>
            ))}
            {here.length > 3 && <span style={{ color: 'var(--pencil)' }}>and {here.length - 3} more</span>}
          </StripCell>
        )
      })}
    </>
  )
}
