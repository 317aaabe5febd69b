import type { CorrectionBody, ListNumberAnswer } from '@ekrond/contract/library'
import { isRefusal } from '@ekrond/core/base/refusal'
import { readSetting } from '@ekrond/core/judge/settings'
import { settingKey, type SettingSpec } from '@ekrond/core/sheets'
import { withBand } from '@ekrond/core/taught'
import { useState } from 'react'
import { usePerson } from '../data/person'
import { useSend } from '../data/useSend'
import { Choice, ErrorLine, FieldInput, Label, QuietButton } from '../ui'

const FROM: readonly (readonly [CorrectionBody['source'], string])[] = [
  ['factory sheet', 'a maker’s sheet'],
  ['kit leaf', 'a leaf'],
  ['shop', 'the shop’s own'],
]

/** One value of a list number put right, with why: its next revision. Jobs keep the one that they stand on. */
export function Correct({ data, setting }: { data: ListNumberAnswer; setting: SettingSpec }) {
  const { person } = usePerson()
  const [open, setOpen] = useState(false)
  const [text, setText] = useState('')
  const [why, setWhy] = useState('')
  const [source, setSource] = useState<CorrectionBody['source']>('factory sheet')
  const { send, wrong, setWrong } = useSend({
    path: `/api/list-numbers/${encodeURIComponent(data.listNumber)}/corrections`,
    stale: [['list-number', data.listNumber], ['revisions', data.listNumber], ['relatives']],
    done: () => {
      setOpen(false)
      setText('')
    },
  })
  if (!open)
    return (
      <QuietButton style={{ minHeight: 44, padding: 0 }} onPress={() => setOpen(true)}>
        correct
      </QuietButton>
    )
  const save = () => {
    const read = readSetting(setting, text)
    if (isRefusal(read)) return setWrong(read.refused.why)
    if (!why.trim()) return setWrong('Give the reason in a few words: no value is changed without one.')
    send({
      rev: data.sheets.specRev,
      by: person ?? 'unnamed',
      why,
      setting: settingKey(setting),
      ...withBand(setting.quantity, read.value),
      source,
    } satisfies CorrectionBody)
  }
  return (
    <form
      aria-label={`Correct ${setting.name}`}
      style={{ display: 'grid', gap: 6, padding: '6px 0' }}
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <FieldInput
        autoFocus
        aria-label={`${setting.name}, correct value`}
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          setWrong('')
        }}
      />
      <div role="group" aria-label="From" style={{ display: 'flex', flexWrap: 'wrap', gap: 4 }}>
        {FROM.map(([value, words]) => (
          <Choice
            key={value}
            $on={source === value}
            aria-pressed={source === value}
            onPress={() => setSource(value)}
          >
            {words}
          </Choice>
        ))}
      </div>
      <Label>Why</Label>
      <FieldInput
        aria-label="Reason for the correction"
        placeholder="because …"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
      />
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <div style={{ display: 'flex', gap: 6 }}>
        <Choice onPress={() => save()}>Save as next revision</Choice>
        <QuietButton onPress={() => setOpen(false)}>Cancel</QuietButton>
      </div>
    </form>
  )
}
