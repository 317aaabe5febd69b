import { useEffect, useRef } from 'react'
import { Label, Radio, RadioGroup } from 'react-aria-components'
import styled from 'styled-components'
import { narrow } from '../theme/global'
import { Tick } from './index'

const Group = styled(RadioGroup)`
  & > span {
    display: block;
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
    margin-bottom: 6px;
  }
  & > div {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
  }
`

const One = styled(Radio)`
  min-height: 48px;
  padding: 6px 12px;
  border: 1px solid var(--line);
  font-weight: 600;
  font-size: 16px;
  display: flex;
  align-items: center;
  gap: 8px;
  cursor: pointer;
  & > svg {
    visibility: hidden;
    flex: none;
  }
  &[data-selected] {
    background: var(--ink);
    color: var(--onInk);
    border-color: var(--ink);
  }
  &[data-selected] > svg {
    visibility: visible;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--blue);
    outline-offset: 2px;
  }
`

/** One of a few, by arrows and space or a gloved finger. With `focus` the keys go here as it appears. */
export function Radios({
  label,
  value,
  onChange,
  options,
  focus = false,
}: {
  label: string
  value: string
  onChange: (value: string) => void
  options: readonly { value: string; label: string }[]
  focus?: boolean
}) {
  const group = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!focus) return
    const radios = [...(group.current?.querySelectorAll<HTMLInputElement>('input[type=radio]') ?? [])]
    const first = radios.find((radio) => radio.checked) ?? radios[0]
    first?.focus()
  }, [focus])
  return (
    // Null, not an empty text: with a value that no radio has none of them could be reached by the keyboard.
    <Group ref={group} value={value === '' ? null : value} onChange={onChange}>
      <Label>{label}</Label>
      <div>
        {options.map((option) => (
          <One key={option.value} value={option.value}>
            <Tick /> {option.label}
          </One>
        ))}
      </div>
    </Group>
  )
}
