import type { CustomersAnswer } from '@ekrond/contract/jobs'
import { ComboBox, Input, ListBox, ListBoxItem, Popover } from 'react-aria-components'
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
  &:has([data-empty]) {
    visibility: hidden;
  }
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

const keyOf = (known: KnownCustomer) => `${known.customer}|${known.engine}|${known.equipment}`

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
  const found = useCustomers(value).data?.customers ?? []
  return (
    <ComboBox
      style={{ gridColumn: 'span 4' }}
      className={wrong ? 'wrong' : ''}
      allowsCustomValue
      // Open while the answer is on its way: what comes later than the last key shows as well.
      allowsEmptyCollection
      menuTrigger="input"
      inputValue={value}
      onInputChange={onChange}
      items={found.map((known) => ({ id: keyOf(known), known }))}
      onChange={(key) => {
        const known = found.find((other) => keyOf(other) === key)
        if (known) onChoose(known)
      }}
      aria-label="Customer"
    >
      <Label aria-hidden>Customer</Label>
      <FieldInput as={Input} autoFocus={focus} autoComplete="off" />
      <Found>
        <ListBox<{ id: string; known: KnownCustomer }> style={{ outline: 'none' }}>
          {({ known }) => (
            <ListBoxItem id={keyOf(known)} textValue={known.customer}>
              {known.customer}
              <small>
                {known.engine}, {known.equipment}
                {known.jobs ? ` · ${known.jobs === 1 ? 'once here' : `${known.jobs} times here`}` : ''}
              </small>
            </ListBoxItem>
          )}
        </ListBox>
      </Found>
    </ComboBox>
  )
}
