import { readBodyKey, receivedTests } from '@ekrond/core/log'
import { portsOf } from '@ekrond/core/unit/families'
import { type GatePoint } from '@ekrond/core/bench/stations'
import { useState } from 'react'
import { Link } from 'react-router'
import { SecondName, useAlone } from '../../shell/SecondName'
import { Choice, Key, QuietButton, ErrorLine, FieldInput, Label } from '../../ui'
import { onEnter } from '../../ui/keys'
import { PortChoice } from '../asfound/Ports'
import type { StationProps } from '../../shell/props'

/** Where a point is seen to: its station, and the part where it is one. */
export function whereOf(open: StationProps['open'], point: GatePoint): string {
  const address = open.to(point.station, point.body)
  const { key } = readBodyKey(point.point)
  const [only] = point.claims
  const part = key.startsWith('finding:') ? key.slice(8) : point.station === 'teardown' ? only?.subject : ''
  return part ? `${address}${address.includes('?') ? '&' : '?'}part=${encodeURIComponent(part)}` : address
}

export function LetPass({ open, point }: { open: StationProps['open']; point: GatePoint }) {
  const alone = useAlone(open)
  const shown = point.claims.length === 1 ? point.claims[0]!.shownBy.at(-1) : undefined
  const worker = open.state.log.find(({ id }) => id === shown)?.by ?? null
  const [asked, setAsked] = useState(false)
  const [why, setWhy] = useState('')
  const [second, setSecond] = useState('')
  const [wrong, setWrong] = useState('')
  const { key } = readBodyKey(point.point)
  const [kind, of] = [key.slice(0, key.indexOf(':')), key.slice(key.indexOf(':') + 1)]
  const test = kind === 'test' ? receivedTests.find(({ code }) => code === of) : undefined
  const bodySheets = open.all[point.body]
  const port =
    kind === 'port' && bodySheets && point.body === open.body
      ? portsOf(bodySheets).find(({ code }) => code === of)
      : undefined
  const again = (code: (typeof receivedTests)[number]['code'], result: 'good' | 'bad') =>
    open.addAll([{ kind: 'test.repeated', data: { test: code, result }, body: point.body }])?.sentence ?? ''
  const pass = () => {
    if (!second && !alone)
      return setWrong('Choose the second name: a release with an exception takes two people.')
    setWrong(
      open.add('gate.passed', { point: point.point, why, second: second || null, value: point.value })
        ?.sentence ?? '',
    )
  }
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      {point.station !== 'return' && (
        <Link to={whereOf(open, point)} style={{ textUnderlineOffset: 4, minHeight: 30 }}>
          Go to its station <Key>Enter</Key>
        </Link>
      )}
      {test && (
        <div role="group" aria-label={`${test.name}, once more`} style={{ display: 'flex', gap: 8 }}>
          {(['good', 'bad'] as const).map((result) => (
            <Choice key={result} onPress={() => setWrong(again(test.code, result))}>
              {test.name}: {test[result]}
            </Choice>
          ))}
        </div>
      )}
      {port && bodySheets && (
        <div role="group" aria-label={`${port.name} as left`}>
          <PortChoice
            open={{ ...open, sheets: bodySheets }}
            port={port}
            when="left"
            done={() => setWrong('')}
          />
        </div>
      )}
      {point.passable && !asked && (
        <QuietButton onPress={() => setAsked(true)} style={{ justifySelf: 'start' }}>
          Release anyway, give reason …
        </QuietButton>
      )}
      {!point.passable && point.weight === 'fatal' && point.station !== 'return' && (
        <p style={{ fontSize: 15 }}>This cannot be released: fix it, or return the unit unrepaired.</p>
      )}
      {point.passable && asked && (
        <>
          <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
            {point.weight === 'minor'
              ? 'It is printed as an exception: PROVED EXCEPT.'
              : 'Too serious for an exception: the sheet will say NOT PROVED, and why.'}
          </p>
          <label>
            <Label>Release anyway. Reason:</Label>
            <FieldInput
              autoFocus
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              placeholder="in a few words"
              onKeyDown={onEnter(pass)}
            />
          </label>
          <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 10, alignItems: 'end' }}>
            <SecondName open={open} value={second} set={setSecond} worker={worker} />
            <Choice onPress={pass}>Release anyway</Choice>
          </div>
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        </>
      )}
    </div>
  )
}
