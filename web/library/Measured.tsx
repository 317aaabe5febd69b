import type { ListNumberAnswer, MeasuredBody } from '@ekrond/contract/library'
import { isRefusal } from '@ekrond/core/base/refusal'
import { known, unmeasured, withMeasured } from '@ekrond/core/taught'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { usePerson } from '../data/person'
import { useSend } from '../data/useSend'
import { Choice, ErrorLine, FieldInput, FieldSelect, Label, MainButton } from '../ui'

/** A line of a taught list number that its family only lends, measured on another unit of it: the list number's next revision. */
export function Measured({ data }: { data: ListNumberAnswer }) {
  const { person } = usePerson()
  const [asked] = useSearchParams()
  const { spec, specRev } = data.sheets
  const open = unmeasured(spec)
  const [code, setCode] = useState('')
  const [raw, setRaw] = useState('')
  const [on, setOn] = useState(asked.get('job') ? `job ${asked.get('job')}` : '')
  const { send, wrong, setWrong } = useSend({
    path: `/api/list-numbers/${encodeURIComponent(data.listNumber)}/measured`,
    stale: [
      ['list-number', data.listNumber],
      ['revisions', data.listNumber],
    ],
    done: () => {
      setRaw('')
      setCode('')
    },
  })
  const fact = open.find((one) => one.code === code) ?? known(spec).next?.fact ?? open[0]
  if (!fact) return null
  const save = (text: string) => {
    const made = withMeasured(spec, fact.code, text)
    if (isRefusal(made)) return setWrong(made.refused.why)
    if (!on.trim()) return setWrong('Say which unit: its job number, or its owner.')
    send({
      rev: specRev,
      by: person ?? 'unnamed',
      why: `${fact.name.toLowerCase()} measured on ${on.trim()}`,
      fact: fact.code,
      raw: text,
    } satisfies MeasuredBody)
  }
  return (
    <form
      aria-label="Measured on another one"
      style={{ display: 'grid', gap: 8, padding: '10px 0', maxWidth: 460 }}
      onSubmit={(event) => {
        event.preventDefault()
        save(raw)
      }}
    >
      <Label as="label">
        Measure on another one
        <FieldSelect
          aria-label="What is measured"
          value={fact.code}
          onChange={(event) => {
            setCode(event.target.value)
            setRaw('')
            setWrong('')
          }}
        >
          {open.map((one) => (
            <option key={one.code} value={one.code}>
              {one.name}
            </option>
          ))}
        </FieldSelect>
      </Label>
      <p style={{ fontSize: 16 }}>{fact.how}</p>
      <FieldInput
        aria-label="On which unit"
        placeholder="on which unit: job 1204"
        value={on}
        onChange={(event) => setOn(event.target.value)}
      />
      {fact.choices ? (
        <div role="group" aria-label={fact.name} style={{ display: 'grid', gap: 6 }}>
          {fact.choices.map(({ value, label }) => (
            <Choice key={value} onPress={() => save(value)}>
              {label}
            </Choice>
          ))}
        </div>
      ) : (
        <>
          <FieldInput
            aria-label={fact.name}
            placeholder={fact.unit}
            inputMode="text"
            value={raw}
            onChange={(event) => {
              setRaw(event.target.value)
              setWrong('')
            }}
          />
          <MainButton type="submit" isDisabled={!raw.trim()}>
            Save as next revision
          </MainButton>
        </>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </form>
  )
}
