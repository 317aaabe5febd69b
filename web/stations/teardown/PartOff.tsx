import { lengthWords } from '@ekrond/core/judge/assembly'
import { conditionsFor, enterFinding } from '@ekrond/core/bench/entering'
import { findings, mendOrBuy } from '@ekrond/core/judge/findings'
import {
  partsTable,
  toolsFor,
  dispositionWord,
  type Position,
  type Sheets,
  cautionsOff,
  lookAlikes,
  dispositions,
  type Disposition,
} from '@ekrond/core/sheets'
import { wouldExplain } from '@ekrond/core/diagnose/explain'
import { lastSaid, type PartMeasured } from '@ekrond/core/log'
import { figure, type Gauge } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { lower } from '@ekrond/core/base/words'
import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { useMarket } from '../../data/library'
import { useDraft } from '../../data/draft'
import { useShop } from '../../data/shop'
import { Ask, AskFoot } from '../../shell/frame'
import { OffAgain } from '../../shell/OffAgain'
import { StepHead } from '../../shell/StepHead'
import { Answer, Choice, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../../ui'
import { Photos } from '../../photos/Photos'
import { WayRound } from '../../shell/WayRound'
import { asPart, useWritten } from '../../teach/Written'
import { ReadingField } from '../../ui/Field'
import { MendLine } from './MendLine'
import { Stuck } from './Stuck'
import { Radios } from '../../ui/Radios'
import { useKeys } from '../../ui/keys'
import { narrow } from '../../theme/global'
import type { StationProps } from '../../shell/props'

/** So many conditions are offered at once; the rarer ones are a tap away. */
const SHOWN = { looked: 6, measured: 4 } as const

const Chance = styled.small`
  display: block;
  color: var(--pencil);
  font: 400 14px/1.4 ${narrow};
`

const chanceWords = (pIn: number) => {
  const percent = pIn > 0.995 ? 'over 99' : pIn < 0.005 ? 'under 1' : String(Math.round(pIn * 100))
  return `within its limit: ${percent} %`
}

export function PartOff({
  open,
  position,
  number,
  of,
  done,
  move,
  shows,
  next = [],
}: {
  open: StationProps['open'] & { sheets: Sheets }
  position: Position
  number: number
  of: number
  done: () => void
  move: (by: number) => void
  /** what is measured of it, as it is typed: the board draws it. Stays the same function. */
  shows: (measured: PartMeasured | null) => void
  /** this part and those that come off next */
  next?: readonly Position[]
}) {
  const { state, sheets } = open
  const body = open.here
  const shop = useShop().data
  const market = useMarket().data
  const [more, setMore] = useState(false)
  const gauges = (shop?.gauges ?? []) as Gauge[]
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
  const shown = SHOWN[measure ? 'measured' : 'looked']
  const alike = lookAlikes(sheets.build, position)
  const tools = toolsFor(next)
  const written = useWritten(open, position)
  const [lay, setLay] = useState('')
  const ways = isOff || position.stays ? [] : (partsTable[position.kind].wayRound ?? [])
  // A measurement decides: what is seen is taken as sound until somebody says otherwise.
  const seen = condition || (raw.trim() ? partsTable[position.kind].conditions[0]!.code : '')
  const draft = seen ? enterFinding(position, seen, raw, gauge, sheets, conditions, override) : null
  const said = draft && !isRefusal(draft) ? draft : null
  const disposition = said?.said.disposition
  // What was measured is drawn on the board.
  const measured = said?.data.measured ?? before?.measured ?? null
  const seenAs = JSON.stringify(measured)
  useEffect(() => {
    shows(JSON.parse(seenAs) as PartMeasured | null)
  }, [seenAs, shows])
  const explains = wouldExplain(state, sheets, open.body, position, condition)
  const tried = body.findings[position.code]?.said.filter((one) => one.ruled === 'repair').length ?? 0
  const mend = mendOrBuy(
    position,
    { condition, measured: said?.data.measured ?? null, tried },
    shop?.hourMinor ?? 0,
    market?.singles ?? [],
  )
  const log = () => {
    setWrong('')
    if (!draft) return setWrong('Choose the condition you see.')
    if (isRefusal(draft)) return setWrong(draft.refused.why)
    if (override && !override.why.trim()) return setWrong('A verdict against the rule needs a reason.')
    if (written.refused) return setWrong(written.refused)
    const no = open.addAll([
      ...(body.taught && written.entry ? [{ kind: 'own.part' as const, data: written.entry }] : []),
      ...(isOff || position.stays
        ? []
        : [
            {
              kind: 'part.off' as const,
              data: { position: position.code, tray: position.tray, ...(lay ? { wayRound: lay } : {}) },
            },
          ]),
      { kind: 'finding.judged' as const, data: draft.data },
    ])
    if (no) return setWrong(no.sentence)
    setRaw('')
    done()
  }
  const none = () => {
    const no = open.add('own.part', asPart(open, position, { absent: true }))
    if (no) setWrong(no.sentence)
    else done()
  }
  useKeys({ Enter: log })
  // Light round a plate is looked at before it comes off: it is asked first.
  const lit = position.deciding?.what === 'light'
  const asked = measure && (
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
        logged={before?.raw}
      />
    </div>
  )
  return (
    <Ask aria-label="Current step">
      <StepHead what="part" move={move}>
        {number} of {of} ·{' '}
        {position.stays
          ? 'stays in'
          : isOff
            ? body.on[position.code]
              ? 'reinstalled'
              : `removed, in tray ${position.tray}`
            : `tray ${position.tray}`}
      </StepHead>
      <h2>
        {position.name}
        {position.quantity > 1 ? `, ${position.quantity}` : ''}
      </h2>
      <p style={{ fontSize: 16 }}>
        {position.step} {position.underneath && <b>Underneath: {position.underneath}</b>}
      </p>
      {isOff && body.on[position.code] && (
        <OffAgain open={open} first={[position.code]} words="It is installed. Remove it again" />
      )}
      {alike.length > 0 && (
        <ErrorLine>
          Same thread, {alike.length} bores:{' '}
          {alike.map(({ name, mm }) => `${lower(name)} ${figure(mm, 2)}`).join(', ')}. Read its mark before it
          goes into the tray.
        </ErrorLine>
      )}
      {tools.length > 0 && !isOff && <Label as="p">At hand next: {tools.join(', ')}</Label>}
      {lengthWords(position) && <p style={{ fontSize: 16 }}>{lengthWords(position)}</p>}
      {cautionsOff(position).map((caution) => (
        <ErrorLine key={caution}>{caution}</ErrorLine>
      ))}
      {lit && asked}
      <Radios
        label="Condition?"
        value={condition}
        onChange={setCondition}
        focus={!measure}
        options={partsTable[position.kind].conditions
          .slice(0, more ? undefined : shown)
          .map((c) => ({ value: c.code, label: c.label }))}
      />
      {!more && partsTable[position.kind].conditions.length > shown && (
        <QuietButton onPress={() => setMore(true)}>
          Other condition: {partsTable[position.kind].conditions.length - shown} more
        </QuietButton>
      )}
      {ways.length > 0 && !position.wayRound && (
        <WayRound label="As it lay, if you can see it" ways={ways} value={lay} set={setLay} />
      )}
      {body.taught && written.fields}
      {!lit && asked}
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
          {position.always && ' Fit a new one anyway.'}
          {said.said.judgement && <Chance>{chanceWords(said.said.judgement.pIn)}</Chance>}
        </Answer>
      )}
      <Photos
        open={open}
        step="teardown"
        position={position.code}
        shown={(photo) => photo.position === position.code}
        label="As removed"
      />
      {explains && <p style={{ fontSize: 16 }}>{explains}</p>}
      {mend && disposition === 'repair' && <MendLine mend={mend} currency={shop?.currency} />}
      {body.findings[position.code]?.differ && (
        <ErrorLine>Two people disagree on it. A third verdict decides.</ErrorLine>
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
            aria-label="Reason for another verdict"
            placeholder="because …"
            value={override.why}
            onChange={(event) => setOverride({ ...override, why: event.target.value })}
          />
        </div>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={log} isDisabled={!seen}>
          {isOff || position.stays ? 'Save verdict' : `Removed, to tray ${position.tray}`} <Key>Enter</Key>
        </MainButton>
        {said && !override && (
          <QuietButton onPress={() => setOverride({ disposition: 'reuse', why: '' })}>
            Another verdict, because
          </QuietButton>
        )}
        {!isOff && !position.stays && <Stuck open={open} position={position} />}
        {body.taught && !isOff && <QuietButton onPress={none}>Not equipped</QuietButton>}
      </AskFoot>
    </Ask>
  )
}
