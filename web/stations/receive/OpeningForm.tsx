import { workingDayAfter } from '@ekrond/core/base/days'
import { bands, symptoms, temperatures, whens } from '@ekrond/core/log'
import type { ShopAnswer } from '@ekrond/contract/shop'
import styled from 'styled-components'
import { sayDay } from '../../ui/dates'
import { narrow } from '../../theme/global'
import { Choice, FieldInput, Label, LabelHeading } from '../../ui'
import { CustomerField, type KnownCustomer } from './CustomerField'
import type { Opening } from './opening'

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(12, minmax(0, 1fr));
  gap: 5px 16px;
  & > label {
    display: block;
  }
  & .wrong > input {
    border-color: var(--red);
  }
  @media (max-width: 700px) {
    & > * {
      grid-column: 1 / -1 !important;
    }
  }
`

const Part = styled.h2`
  grid-column: 1 / -1;
  font: 500 18px/1.2 ${narrow};
  margin-top: 6px;
  &:first-child {
    margin-top: 0;
  }
`

const Picks = styled.div<{ $columns: number }>`
  display: grid;
  grid-template-columns: repeat(${({ $columns }) => $columns}, minmax(0, 1fr));
  gap: 5px;
  & > button {
    min-height: 44px;
    font-size: 15px;
    padding: 2px 8px;
    line-height: 1.1;
  }
  @media (max-width: 999px) {
    grid-template-columns: repeat(auto-fit, minmax(104px, 1fr));
  }
`

/** Everything that is asked at the counter, on one screen. */
export function OpeningForm({
  typed,
  set,
  shop,
  wrong,
  focus = false,
}: {
  typed: Opening
  set: (changes: Partial<Opening>) => void
  shop: ShopAnswer | undefined
  wrong?: keyof Opening | undefined
  focus?: boolean
}) {
  const field = (
    name: keyof Opening,
    label: string,
    span: number,
    more: React.InputHTMLAttributes<HTMLInputElement> = {},
  ) => (
    <label style={{ gridColumn: `span ${span}` }} className={wrong === name ? 'wrong' : ''}>
      <Label>{label}</Label>
      <FieldInput
        value={typed[name]}
        onChange={(event) => set({ [name]: event.target.value })}
        aria-invalid={wrong === name}
        autoComplete="off"
        {...more}
      />
    </label>
  )
  const picks = (name: keyof Opening, words: readonly string[], label: string, columns: number) => (
    <Picks role="group" aria-label={label} $columns={columns}>
      {words.map((word) => (
        <Choice
          key={word}
          $on={typed[name] === word}
          aria-pressed={typed[name] === word}
          onPress={() => set({ [name]: typed[name] === word ? '' : word })}
        >
          {word}
        </Choice>
      ))}
    </Picks>
  )
  const toggle = (name: keyof Opening, word: string) => (
    <Choice
      $on={typed[name] === 'yes'}
      aria-pressed={typed[name] === 'yes'}
      style={{ alignSelf: 'end', minHeight: 44, fontSize: 15 }}
      onPress={() => set({ [name]: typed[name] === 'yes' ? '' : 'yes' })}
    >
      {word}
    </Choice>
  )
  const choose = (known: KnownCustomer) =>
    set({ customer: known.customer, engine: known.engine, equipment: known.equipment })
  return (
    <Grid>
      {focus && <Part>Customer and engine</Part>}
      <CustomerField
        value={typed.customer}
        wrong={wrong === 'customer'}
        focus={focus && !typed.earlier}
        onChange={(customer) => set({ customer })}
        onChoose={choose}
      />
      {field('engine', 'Engine', 4)}
      {field('equipment', 'Equipment', 4)}
      {field('promise', 'Promised', 3, { type: 'date', ...(shop ? { min: shop.today } : {}) })}
      <div style={{ gridColumn: 'span 5', alignSelf: 'end' }}>
        <Picks role="group" aria-label="Promise for" $columns={4}>
          {(shop ? [1, 2, 3, 5] : []).map((n) => {
            const day = workingDayAfter(shop!.today, n, shop!.workingDays)
            return (
              <Choice
                key={n}
                $on={typed.promise === day}
                aria-pressed={typed.promise === day}
                onPress={() => set({ promise: day })}
              >
                {sayDay(day)}
              </Choice>
            )
          })}
        </Picks>
      </div>
      <div style={{ gridColumn: 'span 4' }}>
        <Label>Carburetors in the bank</Label>
        {picks('bodies', ['1', '2', '3', '4', '5', '6'], 'Carburetors in the bank', 6)}
      </div>
      {field('pressure', 'Pressure, kPa', 2, { inputMode: 'decimal', placeholder: 'not known' })}
      {field('head', 'or head, mm', 2, { inputMode: 'decimal', placeholder: 'not known' })}
      {field('ethanol', 'Ethanol, %', 2, { inputMode: 'decimal', placeholder: 'not known' })}
      {field('altitude', 'Altitude, m', 2, { inputMode: 'decimal', placeholder: 'not known' })}
      {field('tilt', 'Tilt, °', 1, { inputMode: 'decimal', placeholder: '0' })}
      <div
        style={{ gridColumn: 'span 3', display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}
        role="group"
        aria-label="Installed"
      >
        {toggle('boosted', 'Boosted')}
        {toggle('marine', 'Marine')}
      </div>
      {focus && <Part>The complaint</Part>}
      <div style={{ gridColumn: '1 / -1' }}>
        {!focus && <LabelHeading>The complaint</LabelHeading>}
        {picks('symptom', symptoms, 'Symptom', 6)}
      </div>
      <div style={{ gridColumn: 'span 7' }}>
        <Label>throttle position</Label>
        {picks('band', bands, 'Throttle band', 5)}
      </div>
      <div style={{ gridColumn: 'span 5' }}>
        <Label>cold or hot</Label>
        {picks('temperature', temperatures, 'Temperature', 3)}
      </div>
      <div style={{ gridColumn: '1 / -1' }}>
        <Label>when</Label>
        {picks('when', whens, 'When', 7)}
      </div>
      {field('words', 'In the customer’s words, and how it ran', 12)}
    </Grid>
  )
}
