import type { RunNote } from '@ekrond/core/log'
import { useState } from 'react'
import { Choice, FieldInput, Label, MainButton } from '../ui'
import { onEnter } from '../ui/keys'
import { Row } from './Row'

const BANDS = ['idle', 'just off idle', 'middle', 'wide open'] as const
const COLOURS = ['white', 'tan', 'black', 'wet'] as const

/** Plugs by their colour, after a run in one band. */
export function Plugs({ note }: { note: (it: RunNote) => void }) {
  const [band, setBand] = useState<(typeof BANDS)[number]>('idle')
  return (
    <Row>
      {BANDS.map((one) => (
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

/** One change, which way the mixture goes by it, what is expected and what it did. */
export function Change({ note }: { note: (it: RunNote) => void }) {
  const [of, setOf] = useState('')
  const [expects, setExpects] = useState('')
  const [way, setWay] = useState<'richer' | 'leaner' | 'other'>('other')
  const log = () => {
    if (!of.trim()) return
    note({ what: 'change', of: of.trim(), way, expects: expects.trim() })
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
          placeholder="main jet 1.40 to 1.45"
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
      <label>
        <Label>Expected result</Label>
        <FieldInput
          value={expects}
          placeholder="no stumble on opening"
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
