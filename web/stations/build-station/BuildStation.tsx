import { assemblyOrder, dueBefore } from '@ekrond/core/work'
import { bodyKey, jobNeeds, lastSaid, type PartSource } from '@ekrond/core/job'
import { cautionsOn, type Position, type Sheets } from '@ekrond/core/sheets'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { Ask, AskFoot, Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { StepHead } from '../../shell/StepHead'
import { Answer, ErrorLine, Key, Label, MainButton } from '../../ui'
import { Radios } from '../../ui/Radios'
import { useKeys } from '../../ui/keys'
import type { StationProps } from '../props'
import { withSheets, type SheetedProps } from '../withSheets'
import { SettingBench } from '../set/SettingBench'
import { Tray } from '../teardown/Tray'
import { UnitBoard } from '../teardown/UnitBoard'

const SOURCES: { value: PartSource; label: string }[] = [
  { value: 'old', label: 'The old one' },
  { value: 'kit', label: 'New, from the kit' },
  { value: 'loose', label: 'New, loose part' },
  { value: 'shelf', label: 'New, off the shelf' },
]

export default withSheets('put together', Build)

function Build({ open }: SheetedProps) {
  const { sheets } = open
  const body = open.here
  const order = useMemo(() => assemblyOrder(sheets.build), [sheets])
  const waiting = order.filter((p) => body.off[p.code] && !body.on[p.code])
  const [picked, setPicked] = useState<string | null>(null)
  const current = waiting.find((p) => p.code === picked) ?? waiting[0]
  const stillOff = useMemo(() => new Set(Object.keys(body.off).filter((code) => !body.on[code])), [body])
  const move = (by: number) => {
    const at = waiting.findIndex((p) => p === current)
    setPicked(waiting[Math.max(0, Math.min(waiting.length - 1, at + by))]?.code ?? null)
  }
  useKeys({ ArrowDown: () => move(1), ArrowUp: () => move(-1) })
  const down = useMemo(() => [...order].reverse(), [order])
  const due = current ? dueBefore(open.state, sheets, current, open.body) : []
  const [asked, setAsked] = useState(0)
  if (current && due.length > 0)
    return (
      <SettingBench
        open={open}
        settings={due}
        index={asked % due.length}
        move={(by) => setAsked((now) => (now + by + due.length) % due.length)}
        why={`before the ${current.name.toLowerCase()} goes on`}
      />
    )
  return (
    <>
      <OnStrip>
        <Tray open={open} />
      </OnStrip>
      <Main $ask={420}>
        <UnitBoard
          sheets={sheets}
          title="As it goes together"
          legend="dashed: still in a tray · blue: now · ink: on"
          order={down}
          off={stillOff}
          current={current}
          next={waiting.filter((p) => p !== current).map((p) => p.code)}
        />
        {current ? (
          <PartOn
            key={current.code}
            open={open}
            position={current}
            left={waiting.length}
            done={() => setPicked(null)}
            move={move}
          />
        ) : (
          <TrayEmpty open={open} any={Object.keys(body.off).length > 0} />
        )}
      </Main>
    </>
  )
}

function PartOn({
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
  const missing = need && need.standing !== 'here' && need.standing !== 'on'
  const log = () => {
    if (from === '') return setWrong('Which one goes on? Choose it first.')
    const no = open.add('part.on', {
      position: position.code,
      from,
      part: from === 'old' ? null : position.part,
    })
    if (no) setWrong(no.sentence)
    else done()
  }
  useKeys({ Enter: log })
  return (
    <Ask aria-label="What is asked">
      <StepHead what="Part" move={move}>
        {left} still in the trays · from tray {open.here.off[position.code]?.tray}
      </StepHead>
      <h2>
        {position.name}
        {position.quantity > 1 ? `, ${position.quantity}` : ''}
      </h2>
      {cautionsOn(position).map((caution) => (
        <ErrorLine key={caution}>{caution}</ErrorLine>
      ))}
      <Radios
        label="Which one goes on?"
        focus
        value={from}
        onChange={(value) => setFrom(value as PartSource)}
        options={SOURCES.filter((s) => s.value === 'old' || position.part !== null)}
      />
      {need && from === 'old' && (
        <ErrorLine>It was to be renewed: {need.why}. The return will ask for a reason.</ErrorLine>
      )}
      {need && from !== 'old' && from !== '' && (
        <p>
          New {position.part}: {need.why}.
        </p>
      )}
      {missing && from !== 'old' && (
        <ErrorLine>
          {need.standing === 'ordered' ? 'It is ordered and has not arrived.' : 'It is not ordered yet.'}
        </ErrorLine>
      )}
      {finding?.disposition === 'clean' && <p>Cleaned? {finding.sentence}</p>}
      {position.proof && (
        <div>
          <Label>Proves it, before the next part hides it</Label>
          <Answer style={{ fontSize: 19 }}>{position.proof}</Answer>
        </div>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={log}>
          On, and proved <Key>Enter</Key>
        </MainButton>
      </AskFoot>
    </Ask>
  )
}

function TrayEmpty({ open, any }: StationProps & { any: boolean }) {
  const navigate = useNavigate()
  const go = () => void navigate(`/jobs/${open.number ?? open.job}/${any ? 'set' : 'teardown'}`)
  useKeys({ Enter: go })
  return (
    <Ask>
      <h2>{any ? 'The trays are empty.' : 'Nothing is off.'}</h2>
      <p style={{ fontSize: 17 }}>
        {any
          ? 'Every part that came off is on again.'
          : 'Parts are counted back from the tray that teardown fills.'}
      </p>
      <AskFoot>
        <MainButton onPress={go} autoFocus>
          {any ? 'Set it' : 'To teardown'} <Key>Enter</Key>
        </MainButton>
      </AskFoot>
    </Ask>
  )
}
