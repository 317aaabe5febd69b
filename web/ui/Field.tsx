import type { Quantity } from '@ekrond/core/measure/instruments'
import { Calculator } from 'lucide-react'
import { useRef } from 'react'
import styled from 'styled-components'
import { figures, narrow } from '../theme/global'
import { readingNow } from '../data/hub'
import { ReadingInput } from './index'
import { onEnter as enterOf, useAsked } from './keys'
import { Pad, usePad } from './Pad'

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
  & > button {
    flex: none;
    width: 44px;
    height: 44px;
    display: grid;
    place-items: center;
    border: 0;
    background: none;
    color: var(--pencil);
    cursor: pointer;
  }
  & > button[aria-pressed='true'] {
    color: var(--blue);
  }
  /* On a phone the figure has the line, the gauge stands under it. */
  @media (max-width: 699px) {
    flex-wrap: wrap;
    & > input {
      flex: 1 1 60%;
      width: auto;
    }
    & > select {
      order: 1;
      flex: 1 1 100%;
      max-width: none;
    }
  }
`

const Beneath = styled.p`
  font: 400 15px/1.25 ${narrow};
  color: var(--pencil);
  margin-top: -6px;
  & b {
    font: 500 16px/1 ${figures};
    color: var(--ink);
  }
`

interface Takes {
  quantity: Quantity
  purpose: string
  places: number
}

/** Which instrument a figure in such a unit is taken from. */
const TAKES: Readonly<Record<string, Takes>> = {
  mm: { quantity: 'length', purpose: 'caliper', places: 2 },
  g: { quantity: 'mass', purpose: 'scale', places: 1 },
  mL: { quantity: 'volume', purpose: '', places: 1 },
  Ω: { quantity: 'resistance', purpose: '', places: 1 },
}

/** The large figure over its blue line, with its unit and whatever stands beside it. */
export function ReadingField({
  label,
  value,
  onChange,
  onEnter,
  unit,
  logged,
  hint,
  invalid,
  readOnly,
  onKey,
  focus,
  children,
  size = 52,
  fractions = false,
  padWords = [],
  takes: taken,
}: {
  label: string
  value: string
  onChange?: (text: string) => void
  onEnter: () => void
  unit: string
  /** what stands logged: shown beneath, as it was typed */
  logged?: string | undefined
  /** how it is typed, in words */
  hint?: string | undefined
  invalid?: boolean
  readOnly?: boolean
  /** true where the key was dealt with */
  onKey?: (key: string) => boolean
  focus?: boolean
  children?: React.ReactNode
  size?: number
  fractions?: boolean
  /** what the number pad offers beside figures */
  padWords?: readonly string[]
  /** what `+` takes: the reading of this bench's instrument; by its unit where it is not said */
  takes?: Takes
}) {
  const takes = taken ?? TAKES[unit]
  const [pad, togglePad] = usePad()
  const padded = onChange !== undefined && unit !== ''
  const enter = enterOf(onEnter)
  const input = useRef<HTMLInputElement>(null)
  useAsked(input, readOnly && onKey ? onKey : null)
  return (
    <>
      <Line>
        <ReadingInput
          ref={input}
          aria-label={label}
          aria-invalid={invalid}
          value={value}
          readOnly={readOnly}
          autoComplete="off"
          spellCheck={false}
          autoFocus={focus}
          {...(padded && pad ? { inputMode: 'none' } : {})}
          style={{
            fontSize: size,
            ...(fractions ? { fontFamily: narrow, fontFeatureSettings: "'frac'" } : {}),
          }}
          onChange={(event) => onChange?.(event.target.value)}
          onKeyDown={(event) => {
            // The screen's own keys were first.
            if (event.defaultPrevented) return
            if (event.key === '+' && takes && onChange) {
              event.preventDefault()
              void readingNow(takes.quantity, takes.purpose).then((one) => {
                if (one?.value != null) onChange(one.value.toFixed(takes.places))
              })
            } else if (onKey?.(event.key)) event.preventDefault()
            else enter(event)
          }}
        />
        <span>{unit}</span>
        {children}
        {padded && (
          <button
            type="button"
            aria-label="Number pad"
            aria-pressed={pad}
            onMouseDown={(event) => event.preventDefault()}
            onClick={togglePad}
          >
            <Calculator size={22} aria-hidden />
          </button>
        )}
      </Line>
      {(logged || hint) && (
        <Beneath>
          {logged && (
            <>
              logged <b>{logged}</b>
              {hint ? ' · ' : ''}
            </>
          )}
          {hint}
        </Beneath>
      )}
      {padded && pad && <Pad value={value} onChange={onChange} words={padWords} />}
    </>
  )
}
