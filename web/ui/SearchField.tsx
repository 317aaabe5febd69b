import { Search } from 'lucide-react'
import type { RefObject } from 'react'
import styled from 'styled-components'
import { Key } from './index'
import { onEnter } from './keys'

const Find = styled.label`
  flex: 1;
  & > input {
    flex: 1;
    border: 0;
    background: none;
    min-height: 44px;
    font-size: 17px;
    min-width: 0;
  }
  & > input:focus {
    outline: none;
  }
  &:focus-within {
    box-shadow: inset 0 -3px 0 var(--blue);
  }
`

/** The search along a sheet's head; `/` goes there. */
export function SearchField({
  label,
  placeholder,
  value,
  onChange,
  go,
  field,
}: {
  label: string
  placeholder: string
  value: string
  onChange: (text: string) => void
  go?: () => void
  field: RefObject<HTMLInputElement | null>
}) {
  return (
    <Find>
      <Search size={20} aria-hidden />
      <input
        ref={field}
        aria-label={label}
        placeholder={placeholder}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={onEnter(() => go?.())}
      />
      <Key>/</Key>
    </Find>
  )
}
