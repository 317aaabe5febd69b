import { lengthWords } from '@ekrond/core/assembly'
import { conditionsFor, enterFinding } from '@ekrond/core/entering'
import {
  conditionsOf,
  dispositions,
  dispositionWord,
  findings,
  type Disposition,
} from '@ekrond/core/findings'
import { lastSaid } from '@ekrond/core/job'
import type { Gauge } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/refusal'
import { type Position, type Sheets, cautionsOff } from '@ekrond/core/sheets'
import { useState } from 'react'
import { useDraft } from '../../data/draft'
import { useShop } from '../../data/shop'
import { Ask, AskFoot } from '../../shell/frame'
import { StepHead } from '../../shell/StepHead'
import { Answer, Choice, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { Radios } from '../../ui/Radios'
import { useKeys } from '../../ui/keys'
import type { StationProps } from '../props'

export function PartOff({
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
  // Nothing is chosen beforehand: each judgement is somebody's own, also the second.
  const [condition, setCondition] = useState('')
  const [raw, setRaw] = useDraft(open.draft('teardown', position.code))
  const [override, setOverride] = useState<{ disposition: Disposition; why: string } | null>(null)
  const [wrong, setWrong] = useState('')
  const measure = position.deciding ? findings[position.deciding.what] : null
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
      {lengthWords(position) && <p style={{ fontSize: 16 }}>{lengthWords(position)}</p>}
      {cautionsOff(position).map((caution) => (
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
