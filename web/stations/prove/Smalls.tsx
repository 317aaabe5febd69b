import styled from 'styled-components'
import { FieldInput, Label } from '../../ui'

/** Small figures side by side. */
export const Smalls = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
`

/** A small figure that stays as it was last said on this job. */
export function Small({
  label,
  value,
  set,
  usual,
}: {
  label: string
  value: string
  set: (text: string) => void
  /** what counts while nothing is typed, in words */
  usual: string
}) {
  return (
    <label>
      <Label>
        {label}
        {!value && usual && ` (${usual})`}
      </Label>
      <FieldInput inputMode="decimal" value={value} onChange={(event) => set(event.target.value)} />
    </label>
  )
}
