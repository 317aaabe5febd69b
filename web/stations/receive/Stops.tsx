import styled from 'styled-components'
import { narrow } from '../../theme/global'
import { Tick } from '../../ui'

const Line = styled.div<{ $n: number }>`
  display: grid;
  grid-template-columns: repeat(${({ $n }) => $n}, minmax(0, 1fr));
  position: relative;
  &::before {
    content: '';
    position: absolute;
    left: ${({ $n }) => 50 / $n}%;
    right: ${({ $n }) => 50 / $n}%;
    top: 13px;
    border-top: 1.4px solid var(--ink);
  }
`

export const Stop = styled.button<{ $on: boolean }>`
  position: relative;
  min-height: 52px;
  padding: 2px 0 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: ${({ $on }) => ($on ? 600 : 400)} 15px/1.15 ${narrow};
  display: grid;
  grid-template-rows: 26px auto;
  justify-items: center;
  cursor: pointer;
  & > i {
    width: 22px;
    height: 22px;
    border: 1.8px solid var(--ink);
    border-radius: 50%;
    background: ${({ $on }) => ($on ? 'var(--ink)' : 'var(--paper)')};
    color: var(--onInk);
    display: grid;
    place-items: center;
  }
  &:focus-visible {
    outline: 3px solid var(--blue);
    outline-offset: -2px;
  }
`

/** Choices as stops on a line, one of them filled; a second tap takes it off again. */
export function Stops({
  label,
  stops,
  value,
  set,
}: {
  label: string
  stops: readonly { value: string; words: string }[]
  value: string
  set: (value: string) => void
}) {
  return (
    <Line role="group" aria-label={label} $n={stops.length}>
      {stops.map((stop) => (
        <Stop
          key={stop.value}
          type="button"
          $on={value === stop.value}
          aria-pressed={value === stop.value}
          onClick={() => set(value === stop.value ? '' : stop.value)}
        >
          <i aria-hidden>{value === stop.value && <Tick size={14} />}</i>
          {stop.words}
        </Stop>
      ))}
    </Line>
  )
}
