import { plainNumber } from '@ekrond/core/measure'
import { useState } from 'react'
import styled from 'styled-components'
import { useShop } from '../data/shop'
import { FieldInput, FieldSelect, Label } from '../ui'

export const Row = styled.div`
  display: grid;
  gap: 10px;
  align-items: end;
  grid-template-columns: minmax(0, 1fr) 110px 90px 56px;
  @media (max-width: 480px) {
    grid-template-columns: minmax(0, 1fr) 90px 70px 48px;
  }
`

/** A line of words. */
export const Words = ({
  label,
  value,
  set,
  ...more
}: {
  label: string
  value: string
  set: (value: string) => void
} & Partial<
  Pick<React.InputHTMLAttributes<HTMLInputElement>, 'placeholder' | 'list' | 'readOnly' | 'autoFocus'>
>) => (
  <label>
    <Label>{label}</Label>
    <FieldInput value={value} onChange={(event) => set(event.target.value)} {...more} />
  </label>
)

/** A whole number, or an amount of money: what cannot be read leaves the last good one, and the field says so by its red line. */
export function Figure({
  label,
  value,
  set,
  money = false,
}: {
  label: string
  value: number
  set: (value: number) => void
  money?: boolean
}) {
  const exponent = useShop().data?.currency.exponent ?? 2
  const factor = money ? 10 ** exponent : 1
  const [text, setText] = useState(() => (money ? (value / factor).toFixed(exponent) : String(value)))
  const read = plainNumber(text)
  const bad = !(read >= 0)
  return (
    <label>
      <Label>{label}</Label>
      <FieldInput
        inputMode={money ? 'decimal' : 'numeric'}
        aria-invalid={bad}
        style={bad ? { borderBottomColor: 'var(--red)' } : {}}
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          const next = plainNumber(event.target.value)
          set(next >= 0 ? Math.round(next * factor) : -1)
        }}
      />
    </label>
  )
}

export const Pick = ({
  label,
  value,
  set,
  options,
}: {
  label: string
  value: string
  set: (value: string) => void
  options: readonly (readonly [string, string])[]
}) => (
  <label>
    <Label>{label}</Label>
    <FieldSelect value={value} onChange={(event) => set(event.target.value)}>
      {!options.some(([code]) => code === value) && <option value={value}>{value || 'choose'}</option>}
      {options.map(([code, words]) => (
        <option key={code} value={code}>
          {words}
        </option>
      ))}
    </FieldSelect>
  </label>
)
