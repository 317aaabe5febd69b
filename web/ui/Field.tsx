import styled from 'styled-components'
import { figures, narrow } from '../theme/global'
import { ReadingInput } from './index'
import { onEnter as enterOf } from './keys'

const Line = styled.div`
  display: flex;
  align-items: flex-end;
  gap: 12px;
  border-bottom: 3px solid var(--blue);
  & > span {
    font: 400 18px ${figures};
    color: var(--pencil);
    padding-bottom: 8px;
    white-space: nowrap;
  }
  & > select {
    min-height: 44px;
    border: 0;
    background: transparent;
    font-size: 15px;
    color: var(--ink);
    max-width: 150px;
  }
`

/** The large figure over its blue line, with its unit and whatever stands beside it. */
export function ReadingField({
  label,
  value,
  onChange,
  onEnter,
  unit,
  placeholder,
  invalid,
  readOnly,
  onKey,
  focus,
  children,
  size = 52,
  fractions = false,
}: {
  label: string
  value: string
  onChange?: (text: string) => void
  onEnter: () => void
  unit: string
  placeholder?: string
  invalid?: boolean
  readOnly?: boolean
  /** true where the key was dealt with */
  onKey?: (key: string) => boolean
  focus?: boolean
  children?: React.ReactNode
  size?: number
  fractions?: boolean
}) {
  const enter = enterOf(onEnter)
  return (
    <Line>
      <ReadingInput
        aria-label={label}
        aria-invalid={invalid}
        value={value}
        placeholder={placeholder}
        readOnly={readOnly}
        autoComplete="off"
        spellCheck={false}
        autoFocus={focus}
        style={{
          fontSize: size,
          ...(fractions ? { fontFamily: narrow, fontFeatureSettings: "'frac'" } : {}),
        }}
        onChange={(event) => onChange?.(event.target.value)}
        onKeyDown={(event) => {
          if (onKey?.(event.key)) event.preventDefault()
          else enter(event)
        }}
      />
      <span>{unit}</span>
      {children}
    </Line>
  )
}
