import { neverCapped, portCodes, portName, portsOf, type OutsidePort } from '@ekrond/core/unit/families'
import { portWords, type PortState } from '@ekrond/core/log'
import { parseLength } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import styled from 'styled-components'
import { Choice, ErrorLine, FieldInput, Label, QuietButton } from '../../ui'
import { onEnter } from '../../ui/keys'
import { portLetter } from './Outside'
import type { SheetedProps } from '../withSheets'

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
`

/** Ports and hoses as found, before anything is pulled off: one tap a port, or two with what it is joined to. */
export function PortsFound({ open }: SheetedProps) {
  const ports = portsOf(open.sheets)
  const [asked, setAsked] = useState<string | null>(null)
  const [adding, setAdding] = useState(false)
  if (adding) return <NewPort open={open} done={() => setAdding(false)} />
  const port = ports.find(({ code }) => code === asked)
  const next = (after: OutsidePort) =>
    setAsked(ports.find((one) => one !== after && !open.here.ports[one.code]?.found)?.code ?? null)
  return (
    <div
      role="group"
      data-asking={port ? '' : undefined}
      aria-label="Ports and hoses"
      style={{ display: 'grid', gap: 6 }}
    >
      <Label>
        {port
          ? `${port.name}, ${port.boreMm} mm: how was it found?`
          : 'Ports and hoses, before any is pulled off'}
      </Label>
      {port ? (
        <PortChoice key={port.code} open={open} port={port} when="found" done={() => next(port)} />
      ) : (
        <Row>
          {ports.map((one, i) => {
            const found = open.here.ports[one.code]?.found
            return (
              <Choice key={one.code} $on={found !== undefined} onPress={() => setAsked(one.code)}>
                {portLetter(i)} {one.name.toLowerCase()}
                {found ? `: ${portWords(found)}` : ''}
              </Choice>
            )
          })}
          <QuietButton onPress={() => setAdding(true)}>
            {ports.length ? 'Another port' : 'There is a port'}
          </QuietButton>
        </Row>
      )}
    </div>
  )
}

/** A port that the sheet does not have: what it does, and which drill just goes in. */
function NewPort({ open, done }: SheetedProps & { done: () => void }) {
  const [code, setCode] = useState<(typeof portCodes)[number] | null>(null)
  const [bore, setBore] = useState('')
  const [wrong, setWrong] = useState('')
  const there = new Set(portsOf(open.sheets).map((port) => port.code))
  const left = portCodes.filter((one) => !there.has(one))
  const write = () => {
    if (!code) return
    const read = parseLength(bore)
    if (isRefusal(read)) return setWrong(read.refused.why)
    const no = open.add('own.port', { port: code, boreMm: read.mm, absent: false })
    if (no) setWrong(no.sentence)
    else done()
  }
  return (
    <div role="group" data-asking aria-label="A port" style={{ display: 'grid', gap: 6 }}>
      <Label>
        {code ? `${portName(code)}: its bore: the largest drill that goes in` : 'What is it for?'}
      </Label>
      <Row>
        {code ? (
          <>
            <FieldInput
              autoFocus
              style={{ width: 160 }}
              aria-label={`Bore of ${portName(code)}`}
              placeholder="mm or drill"
              value={bore}
              onChange={(event) => setBore(event.target.value)}
              onKeyDown={onEnter(write)}
            />
            <Choice onPress={write}>Write it</Choice>
            <QuietButton onPress={() => setCode(null)}>back</QuietButton>
          </>
        ) : (
          <>
            {left.map((one) => (
              <Choice key={one} onPress={() => setCode(one)}>
                {portName(one)}
              </Choice>
            ))}
            <QuietButton onPress={done}>not now</QuietButton>
          </>
        )}
      </Row>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}

/** How one port is: joined to something, capped, open. What a port may not be is not offered. */
export function PortChoice({
  open,
  port,
  when,
  done,
}: SheetedProps & { port: OutsidePort; when: 'found' | 'left'; done: () => void }) {
  const found = open.here.ports[port.code]?.found
  const [joining, setJoining] = useState(false)
  const [to, setTo] = useState(when === 'left' ? (found?.to ?? '') : '')
  const [wrong, setWrong] = useState('')
  const note = (state: PortState, words = '') => {
    const no = open.add('port.noted', { port: port.code, when, state, to: words })
    if (no) setWrong(no.sentence)
    else done()
  }
  return (
    <Row>
      {joining ? (
        <>
          <FieldInput
            autoFocus
            style={{ width: 230 }}
            aria-label={`What ${port.name} is connected to`}
            placeholder="connected to …"
            value={to}
            onChange={(event) => setTo(event.target.value)}
            onKeyDown={onEnter(() => note('joined', to))}
          />
          <Choice onPress={() => note('joined', to)}>Connected</Choice>
          <QuietButton onPress={() => setJoining(false)}>back</QuietButton>
        </>
      ) : (
        <>
          {when === 'left' && found?.state === 'joined' && (
            <Choice onPress={() => note('joined', found.to)}>As found: to {found.to}</Choice>
          )}
          <Choice onPress={() => setJoining(true)}>Connected to …</Choice>
          {(when === 'found' || !neverCapped(port)) && <Choice onPress={() => note('capped')}>Capped</Choice>}
          {(when === 'found' || neverCapped(port)) && <Choice onPress={() => note('open')}>Open</Choice>}
          {/* Between the carburetors of a bank only: on a single one an open manifold port is a leak. */}
          {when === 'left' && open.bodies > 1 && !neverCapped(port) && (
            <Choice onPress={() => note('sync')}>Open until synchronized</Choice>
          )}
          {when === 'found' && <QuietButton onPress={done}>not now</QuietButton>}
        </>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </Row>
  )
}
