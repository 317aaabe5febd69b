import { complaintWords, bodyKey, bodyNumbers, bodyOf, lastSaid, readBodyKey } from '@ekrond/core/log'
import { nameOn, type Sheets } from '@ekrond/core/sheets'
import { causesNamed } from '@ekrond/core/diagnose/explain'
import { isRefusal } from '@ekrond/core/base/refusal'
import { why } from '@ekrond/core/diagnose/why'
import { useState } from 'react'
import { Link } from 'react-router'
import { Choice, FieldInput, Label } from '../../ui'
import type { StationProps } from '../../shell/props'

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
    return `${nameOn(open.all[body], key)}${open.bodies > 1 ? `, carburetor ${body}` : ''}`
  }
  const answer = (explained: boolean) =>
    void open.add('complaint.answered', {
      explained,
      by: explained ? by : [],
      words,
      ...(explained ? { causes: [...new Set([...causesNamed(open.state, open.all, by), ...answered])] } : {}),
    })
  // What was looked at on the engine and found there is named too.
  const answered = Object.entries(open.state.signs).flatMap(([about, { state }]) =>
    state === 'present' && !about.startsWith('sign.') ? [about] : [],
  )
  const thought = why(open.state, open.all)
  const likely = isRefusal(thought) ? [] : thought.causes.filter(({ p }) => p >= 0.1).slice(0, 3)
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <Label>
        Which findings explain “{open.state.opened && complaintWords(open.state.opened.complaint)}”?
      </Label>
      {likely.length > 0 && (
        <p style={{ fontSize: 15 }}>
          Based on what is known:{' '}
          {likely.map(({ finding, p }) => `${finding} ${Math.round(p * 100)} %`).join(', ')}.{' '}
          <Link to={open.to('why')}>Why</Link>
        </p>
      )}
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
        placeholder="in your words (optional)"
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
