import { complaintWords } from '@ekrond/core/complaint'
import { bodyKey, bodyNumbers, bodyOf, lastSaid, readBodyKey } from '@ekrond/core/job'
import { nameOn, type Sheets } from '@ekrond/core/sheets'
import { useState } from 'react'
import { Choice, FieldInput, Label } from '../../ui'
import type { StationProps } from '../props'

export function AnswerComplaint({ open }: { open: StationProps['open'] & { sheets: Sheets } }) {
  const found = bodyNumbers(open.state).flatMap((number) =>
    Object.entries(bodyOf(open.state, number).findings)
      .filter(([, judged]) => lastSaid(judged)!.disposition !== 'reuse')
      .map(([code]) => bodyKey(number, code)),
  )
  const [by, setBy] = useState<string[]>([])
  const [words, setWords] = useState('')
  const name = (named: string) => {
    const { body, key } = readBodyKey(named)
    return `${nameOn(open.all[body], key)}${open.bodies > 1 ? `, body ${body}` : ''}`
  }
  const answer = (explained: boolean) =>
    void open.add('complaint.answered', { explained, by: explained ? by : [], words })
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <Label>
        Which findings explain “{open.state.opened && complaintWords(open.state.opened.complaint)}”?
      </Label>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
        {found.map((code) => (
          <Choice
            key={code}
            $on={by.includes(code)}
            aria-pressed={by.includes(code)}
            onPress={() => setBy(by.includes(code) ? by.filter((c) => c !== code) : [...by, code])}
          >
            {name(code)}
          </Choice>
        ))}
      </div>
      <FieldInput
        aria-label="In words"
        value={words}
        placeholder="in words, if more is to be said"
        onChange={(event) => setWords(event.target.value)}
      />
      <div style={{ display: 'flex', gap: 8 }}>
        <Choice onPress={() => answer(true)} isDisabled={by.length === 0 && !words.trim()}>
          Explained
        </Choice>
        <Choice onPress={() => answer(false)}>Not explained</Choice>
      </div>
    </div>
  )
}
