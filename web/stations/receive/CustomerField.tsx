import type { CustomersAnswer } from '@ekrond/contract/jobs'
import { useContext, useEffect, useRef, useState } from 'react'
import {
  Button,
  ComboBox,
  ComboBoxStateContext,
  Input,
  ListBox,
  ListBoxItem,
  Popover,
} from 'react-aria-components'
import styled from 'styled-components'
import { useCustomers } from '../../data/customers'
import { FieldInput, Label } from '../../ui'

export type KnownCustomer = CustomersAnswer['customers'][number]

const Found = styled(Popover)`
  background: var(--paper);
  border: 2px solid var(--ink);
  min-width: 420px;
  max-width: 94vw;
  max-height: 380px;
  overflow: auto;
  & [role='option'] {
    min-height: 48px;
    padding: 6px 14px;
    border-bottom: 1px solid var(--rule);
    cursor: pointer;
    outline: none;
    font-weight: 600;
  }
  & [data-focused] {
    background: var(--tint);
    box-shadow: inset 4px 0 0 var(--blue);
  }
  & small {
    display: block;
    font-weight: 400;
    font-size: 15px;
    color: var(--pencil);
  }
`

const Beside = styled.div`
  position: relative;
  & > input {
    width: 100%;
    padding-right: 52px;
  }
  & > button {
    position: absolute;
    right: 0;
    bottom: 0;
    width: 52px;
    height: 48px;
    border: 0;
    background: none;
    color: var(--ink);
    cursor: pointer;
  }
`

interface Entry {
  id: string
  name: string
  known: KnownCustomer | null
}
const NEW = 'new'

const keyOf = (known: KnownCustomer) => `${known.customer}|${known.engine}|${known.equipment}`

/**
 * Puts the list up for what was typed where the field did not: one that has the focus before its page has it hears of no focus, and
 * never opens its list.
 */
function KeepsUp({ typed, answer }: { typed: string; answer: unknown }) {
  const state = useContext(ComboBoxStateContext)
  const here = useRef<HTMLSpanElement>(null)
  useEffect(() => {
    const field = here.current?.parentElement?.querySelector('input')
    if (!state || state.isOpen || !typed.trim() || document.activeElement !== field) return
    state.setFocused(true)
    state.open(null, 'input')
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- for what is typed and its answer, not when hands close it
  }, [typed, answer])
  return <span ref={here} hidden />
}

/** The customer, found as one types, with each engine that came in for them; a new name is as good. */
export function CustomerField({
  value,
  onChange,
  onChoose,
  wrong,
  focus,
}: {
  value: string
  onChange: (text: string) => void
  onChoose: (known: KnownCustomer) => void
  wrong: boolean
  focus: boolean
}) {
  const asked = useCustomers(value)
  const [chosen, setChosen] = useState('')
  const found = asked.data?.customers ?? []
  // A name that nobody has yet is an entry as well: the list is up while its answer is on the way.
  const items = found.length
    ? found.map((known): Entry => ({ id: keyOf(known), name: known.customer, known }))
    : value.trim()
      ? [{ id: NEW, name: value, known: null }]
      : []
  return (
    <ComboBox
      style={{ gridColumn: 'span 4' }}
      className={wrong ? 'wrong' : ''}
      allowsCustomValue
      menuTrigger="input"
      inputValue={value}
      onInputChange={onChange}
      items={items}
      onChange={(key) => {
        const known = found.find((other) => keyOf(other) === key)
        if (!known) return
        setChosen(known.customer)
        onChoose(known)
      }}
      aria-label="Customer"
    >
      <Label aria-hidden>Customer</Label>
      <Beside>
        <FieldInput as={Input} autoFocus={focus} autoComplete="off" />
        {/* For hands with a mouse or a glove: everybody who was here, without a letter typed. */}
        <Button aria-label="Known customers">
          <svg viewBox="0 0 20 12" width="20" height="12" aria-hidden>
            <path d="M2 2 L10 10 L18 2" fill="none" stroke="currentColor" strokeWidth="2.4" />
          </svg>
        </Button>
      </Beside>
      <KeepsUp typed={value === chosen ? '' : value} answer={asked.data} />
      <Found>
        <ListBox<Entry> style={{ outline: 'none' }}>
          {({ id, name, known }) => (
            <ListBoxItem id={id} textValue={name}>
              {name}
              <small>
                {known
                  ? `${known.engine}, ${known.equipment}${known.jobs ? ` · ${known.jobs === 1 ? 'once here' : `${known.jobs} times here`}` : ''}`
                  : asked.isFetching
                    ? 'looking …'
                    : 'new here'}
              </small>
            </ListBoxItem>
          )}
        </ListBox>
      </Found>
    </ComboBox>
  )
}
