import { conditionsFor, enterFinding, fittedWasher } from '@ekrond/core/bench/entering'
import { bodyKey, lastSaid, type PartSource } from '@ekrond/core/log'
import { jobNeeds } from '@ekrond/core/plan/needs'
import { sourcesHere } from '@ekrond/core/bench/admit'
import { figure, parseLength } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import {
  aidOf,
  cautionsOn,
  lookAlikes,
  nameOn,
  partsTable,
  type Position,
  type Sheets,
} from '@ekrond/core/sheets'
import { useState } from 'react'
import { Link } from 'react-router'
import { Ask, AskFoot } from '../../shell/frame'
import { StepHead } from '../../shell/StepHead'
import { Answer, ErrorLine, Key, Label, MainButton, QuietButton } from '../../ui'
import { Photos } from '../../photos/Photos'
import { WayRound } from '../../shell/WayRound'
import { ReadingField } from '../../ui/Field'
import { Radios } from '../../ui/Radios'
import { useKeys } from '../../ui/keys'
import type { StationProps } from '../../shell/props'

const SOURCES: { value: PartSource; label: string }[] = [
  { value: 'old', label: 'Old part' },
  { value: 'kit', label: 'New, from the kit' },
  { value: 'loose', label: 'New, loose part' },
  { value: 'shelf', label: 'New, from the shelf' },
]

/** The next part that goes on: which one, its washer's thickness where it has one, and whether its check held. */
export function PartOn({
  open,
  position,
  left,
  done,
  move,
}: {
  open: StationProps['open'] & { sheets: Sheets }
  position: Position
  left: number
  done: () => void
  move: (by: number) => void
}) {
  const { state, sheets } = open
  const need = jobNeeds(state, sheets, open.body).find((n) => n.position === position.code)
  const finding = lastSaid(open.here.findings[position.code])
  const line = state.orders
    .flatMap((order) => order.lines)
    .find((l) => l.serves.includes(bodyKey(open.body, position.code)))
  // What is known is chosen: the old one where nothing asks for another, the new one where it has come. The rest is asked.
  const usual: PartSource | '' = !need
    ? 'old'
    : need.standing === 'here' && line
      ? line.what === 'single'
        ? 'loose'
        : line.what
      : ''
  const [from, setFrom] = useState<PartSource | ''>(usual)
  const [wrong, setWrong] = useState('')
  const [thickness, setThickness] = useState('')
  const here = sourcesHere(state, bodyKey(open.body, position.code))
  const missing = need && need.standing !== 'here' && need.standing !== 'on'
  const alike = lookAlikes(sheets.build, position)
  const [mark, setMark] = useState('')
  const chosen = open.here.chosen[position.code]
  const [pins, setPins] = useState('')
  // By its sheet, else as it came off; where nobody knows, nothing is asked.
  const lies = position.wayRound ?? open.here.off[position.code]?.wayRound
  const [lay, setLay] = useState('')
  const washer = position.kind === 'washer'
  const wanted = washer ? (fittedWasher(state, sheets.build, open.body) ?? sheets.spec.float.washerMm) : null
  const log = (held: boolean) => {
    if (from === '') return setWrong('Choose which one you install.')
    if (alike.length > 0 && mark !== position.code)
      return setWrong(
        mark === ''
          ? 'Read its mark first: same thread, different bores.'
          : `That is the ${nameOn(sheets, mark).toLowerCase()}. It goes elsewhere.`,
      )
    if (lies && lay === '')
      return setWrong('Which way round does it lie? Look before the next part covers it.')
    if (position.wayRound && lay && lay !== position.wayRound)
      return setWrong(`${position.name}: ${position.wayRound}, by its sheet. Turn it round.`)
    const read = thickness.trim() ? parseLength(thickness) : null
    if (read && isRefusal(read)) return setWrong(read.refused.why)
    const found =
      chosen && from !== 'old' && pins.trim()
        ? enterFinding(position, 'sound', pins, null, sheets, conditionsFor(state, sheets))
        : null
    if (found && isRefusal(found)) return setWrong(found.refused.why)
    // The bag can hold another one: it goes on only as the size that was chosen.
    if (found && found.data.shown.disposition !== 'reuse') return setWrong(found.data.shown.sentence)
    const no = open.addAll([
      {
        kind: 'part.on',
        data: {
          position: position.code,
          from,
          part: from === 'old' ? null : position.part,
          proof: position.proof === '' ? 'none' : held ? 'held' : 'not yet',
          thicknessMm: read?.mm ?? null,
          ...(lay ? { wayRound: lay } : {}),
        },
      },
      ...(found ? [{ kind: 'finding.judged' as const, data: found.data }] : []),
    ])
    if (no) setWrong(no.sentence)
    else done()
  }
  useKeys({ Enter: () => log(true) })
  return (
    <Ask aria-label="Current step">
      <StepHead what="part" move={move}>
        {left} parts still in trays · from tray {open.here.off[position.code]?.tray}
      </StepHead>
      <h2>
        {position.name}
        {position.quantity > 1 ? `, ${position.quantity}` : ''}
      </h2>
      {cautionsOn(position).map((caution) => (
        <ErrorLine key={caution}>{caution}</ErrorLine>
      ))}
      <Radios
        label="Which one do you install?"
        focus
        value={from}
        onChange={(value) => setFrom(value as PartSource)}
        options={SOURCES.filter(({ value }) => here.includes(value))}
      />
      <Photos
        open={open}
        step="build"
        position={position.code}
        shown={(photo) => photo.position === position.code}
        label="As removed"
        take={false}
      />
      {alike.length > 0 && (
        <Radios
          label="Its mark reads"
          value={mark}
          onChange={setMark}
          options={alike.map((one) => ({ value: one.position, label: figure(one.mm, 2) }))}
        />
      )}
      {need && from === 'old' && (
        <ErrorLine>It was to be replaced: {need.why}. Return will ask for a reason.</ErrorLine>
      )}
      {need && from !== 'old' && from !== '' && (
        <p>
          New {position.part}: {need.why}.
        </p>
      )}
      {missing && from !== 'old' && (
        <ErrorLine>
          {need.standing === 'ordered'
            ? 'The new part is ordered but has not arrived.'
            : 'The new part is not ordered yet.'}{' '}
          <Link to={open.to('parts')}>Parts</Link>
        </ErrorLine>
      )}
      {finding?.disposition === 'clean' && <p>Cleaned? {finding.sentence}</p>}
      {position.proof && (
        <div>
          <Label>Check it before the next part covers it</Label>
          <Answer style={{ fontSize: 19 }}>{position.proof}</Answer>
        </div>
      )}
      {lies && (
        <>
          <WayRound
            label="Which way round?"
            ways={partsTable[position.kind].wayRound ?? [lies]}
            value={lay}
            set={(way) => {
              setLay(way)
              setWrong('')
            }}
          />
          {lay && lay !== lies && !position.wayRound && (
            <ErrorLine>It came off {lies}. Put it back that way, unless you know better.</ErrorLine>
          )}
        </>
      )}
      {aidOf(position) && <p style={{ fontSize: 16 }}>Fit with: {aidOf(position)}.</p>}
      {washer && (
        <div>
          <Label>
            Its thickness, mm
            {wanted ? ` · ${figure(wanted, 2)} assumed` : ' · by caliper'}
          </Label>
          <ReadingField
            size={38}
            label="Its thickness"
            value={thickness}
            onChange={setThickness}
            onEnter={() => log(true)}
            unit="mm"
          />
        </div>
      )}
      {chosen && from !== 'old' && (
        <div>
          <Label>Pin that goes, pin that does not · {chosen.size} is wanted</Label>
          <ReadingField
            size={38}
            label="Its bore, two pins"
            value={pins}
            onChange={setPins}
            onEnter={() => log(true)}
            unit="mm"
          />
        </div>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={() => log(true)}>
          {position.proof ? 'Installed, checked' : 'On'} <Key>Enter</Key>
        </MainButton>
        {position.proof && <QuietButton onPress={() => log(false)}>Installed, check later</QuietButton>}
      </AskFoot>
    </Ask>
  )
}
