import styled from 'styled-components'
import { Choice, Label } from '../ui'

const Row = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 6px;
`

/** Which way round a part lies, where it can lie more ways than one. */
export function WayRound({
  label,
  ways,
  value,
  set,
}: {
  label: string
  ways: readonly string[]
  value: string
  set: (way: string) => void
}) {
  return (
    <div>
      <Label>{label}</Label>
      <Row role="group" aria-label={label}>
        {ways.map((way) => (
          <Choice key={way} $on={value === way} aria-pressed={value === way} onPress={() => set(way)}>
            {way}
          </Choice>
        ))}
      </Row>
    </div>
  )
}
