import { runBands, type RunBand, type RunNote } from '@ekrond/core/log'
import { useState } from 'react'
import { Choice, FieldInput, Label, MainButton } from '../ui'
import { onEnter } from '../ui/keys'
import { Row } from './Row'

const COLOURS = ['white', 'tan', 'black', 'wet'] as const

/** Plugs by their colour, after a run in one band. */
export function Plugs({ note }: { note: (it: RunNote) => void }) {
  const [band, setBand] = useState<RunBand>('idle')
  return (
    <Row>
      {runBands.map((one) => (
        <Choice key={one} $on={one === band} onPress={() => setBand(one)}>
          {one}
        </Choice>
      ))}
      <span style={{ width: 12 }} />
      {COLOURS.map((colour) => (
        <Choice key={colour} onPress={() => note({ what: 'plug', band, colour })}>
          {colour}
        </Choice>
      ))}
    </Row>
  )
}

const LAMBDA = /^[01][.,]\d+$/

/** What a probe in the exhaust reads at a throttle position. */
export function Probe({ note }: { note: (it: RunNote) => void }) {
  const [band, setBand] = useState<RunBand>('wide open')
  const [text, setText] = useState('')
  const lambda = Number(text.trim().replace(',', '.'))
  const isRead = LAMBDA.test(text.trim()) && lambda >= 0.5
  const log = () => {
    if (!isRead) return
    note({ what: 'lambda', band, lambda })
    setText('')
  }
  return (
    <Row role="group" aria-label="Probe">
      {runBands.map((one) => (
        <Choice key={one} $on={one === band} onPress={() => setBand(one)}>
          {one}
        </Choice>
      ))}
      <FieldInput
        aria-label="Lambda"
        inputMode="decimal"
        placeholder="0.92"
        style={{ width: 80 }}
        aria-invalid={text.trim() !== '' && !isRead}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={onEnter(log)}
      />
      <Choice onPress={log} isDisabled={!isRead}>
        Log
      </Choice>
    </Row>
  )
}

/** One change, which way the mixture goes by it, what is expected and what it did. */
export function Change({ note }: { note: (it: RunNote) => void }) {
  const [of, setOf] = useState('')
  const [expects, setExpects] = useState('')
  const [way, setWay] = useState<'richer' | 'leaner' | 'other'>('other')
  const [band, setBand] = useState<RunBand | undefined>()
  const log = () => {
    if (!of.trim()) return
    note({ what: 'change', of: of.trim(), way, expects: expects.trim(), ...(band && { band }) })
    setBand(undefined)
    setOf('')
    setExpects('')
    setWay('other')
  }
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <label>
        <Label>Changed</Label>
        <FieldInput
          value={of}
          placeholder="what, from and to"
          onChange={(event) => setOf(event.target.value)}
          onKeyDown={onEnter(log)}
        />
      </label>
      <Row>
        {(['richer', 'leaner', 'other'] as const).map((one) => (
          <Choice key={one} $on={way === one} onPress={() => setWay(one)}>
            {one === 'other' ? 'neither' : one}
          </Choice>
        ))}
      </Row>
      <Row role="group" aria-label="Throttle position it works at">
        {runBands.map((one) => (
          <Choice key={one} $on={band === one} onPress={() => setBand(band === one ? undefined : one)}>
            {one}
          </Choice>
        ))}
      </Row>
      <label>
        <Label>Expected result</Label>
        <FieldInput
          value={expects}
          placeholder="what should change"
          onChange={(event) => setExpects(event.target.value)}
          onKeyDown={onEnter(log)}
        />
      </label>
      <MainButton onPress={log} isDisabled={!of.trim()}>
        Log change
      </MainButton>
      <Label>And the result</Label>
      <Row>
        {(['better', 'same', 'worse'] as const).map((seen) => (
          <Choice key={seen} onPress={() => note({ what: 'effect', seen })}>
            {seen}
          </Choice>
        ))}
      </Row>
    </div>
  )
}
