import { bands, symptoms, temperatures, type DataOf } from '@ekrond/core/job'
import type { ShopAnswer } from '@ekrond/contract/shop'
import styled from 'styled-components'
import { narrow } from '../../theme/global'
import { Choice, FieldInput, Label } from '../../ui'

export type Opening = Record<
  | 'customer'
  | 'engine'
  | 'equipment'
  | 'ethanol'
  | 'pressure'
  | 'head'
  | 'altitude'
  | 'promise'
  | 'symptom'
  | 'band'
  | 'temperature'
  | 'words'
  | 'aircraft',
  string
>

export const emptyOpening: Opening = {
  customer: '',
  engine: '',
  equipment: '',
  ethanol: '',
  pressure: '',
  head: '',
  altitude: '',
  promise: '',
  symptom: '',
  band: '',
  temperature: '',
  words: '',
  aircraft: '',
}

/** What was typed as an opening entry's data; a sentence where it cannot be. */
export function readOpening(
  typed: Opening,
  today: string,
): { data: DataOf['job.opened'] } | { field: keyof Opening; sentence: string } {
  const number = (
    field: keyof Opening,
    what: string,
  ): number | null | { field: keyof Opening; sentence: string } => {
    const text = typed[field]
      .trim()
      .replace(',', '.')
      .replace(/\s*(%|kpa|mm|m)$/i, '')
    if (text === '') return null
    const value = Number(text)
    return Number.isFinite(value)
      ? value
      : { field, sentence: `“${typed[field]}” is no number of ${what}. Leave it empty if nobody knows.` }
  }
  const ethanol = number('ethanol', 'per cent')
  const pressureKpa = number('pressure', 'kPa')
  const headMm = number('head', 'mm')
  const altitudeM = number('altitude', 'm')
  for (const read of [ethanol, pressureKpa, headMm, altitudeM])
    if (typeof read === 'object' && read !== null) return read
  const need: [keyof Opening, string][] = [
    ['customer', 'Type the customer.'],
    ['engine', 'Type the engine that it came from; “not known” is an answer.'],
    ['equipment', 'Type what the engine drives.'],
    ['promise', 'Give the day on which it is promised.'],
    ['symptom', 'Pick what the customer complains of, or “none: overhaul”.'],
  ]
  for (const [field, sentence] of need) if (!typed[field].trim()) return { field, sentence }
  if (!/^\d{4}-\d{2}-\d{2}$/.test(typed.promise))
    return { field: 'promise', sentence: 'The promise is no date. Type it as 2026-11-26.' }
  if (typed.promise < today)
    return { field: 'promise', sentence: 'That day is over. Promise today or later.' }
  return {
    data: {
      customer: typed.customer.trim(),
      engine: typed.engine.trim(),
      equipment: typed.equipment.trim(),
      aircraft: typed.aircraft === 'yes',
      ethanol: ethanol === null ? null : (ethanol as number) / 100,
      pressureKpa: pressureKpa as number | null,
      headMm: headMm as number | null,
      altitudeM: altitudeM as number | null,
      promise: typed.promise,
      complaint: {
        symptom: typed.symptom as DataOf['job.opened']['complaint']['symptom'],
        band: (typed.band || 'everywhere') as DataOf['job.opened']['complaint']['band'],
        temperature: (typed.temperature || 'both') as DataOf['job.opened']['complaint']['temperature'],
        words: typed.words.trim(),
      },
    },
  }
}

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(12, minmax(0, 1fr));
  gap: 6px 20px;
  & > label {
    display: block;
  }
  & > .wrong > input {
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
  font: 500 18px/1.3 ${narrow};
  margin-top: 8px;
  &:first-child {
    margin-top: 0;
  }
`

const Picks = styled.div`
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(104px, 1fr));
  gap: 6px;
  & > button {
    min-height: 44px;
    font-size: 15px;
    padding: 2px 10px;
    line-height: 1.15;
  }
`

/** Everything that is asked at the counter, on one screen. */
export function OpeningForm({
  typed,
  set,
  shop,
  wrong,
}: {
  typed: Opening
  set: (field: keyof Opening, value: string) => void
  shop: ShopAnswer | undefined
  wrong?: keyof Opening | undefined
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
        onChange={(event) => set(name, event.target.value)}
        aria-invalid={wrong === name}
        autoComplete="off"
        {...more}
      />
    </label>
  )
  const picks = (name: keyof Opening, words: readonly string[], label: string) => (
    <Picks role="group" aria-label={label}>
      {words.map((word) => (
        <Choice
          key={word}
          $on={typed[name] === word}
          aria-pressed={typed[name] === word}
          onPress={() => set(name, typed[name] === word ? '' : word)}
        >
          {word}
        </Choice>
      ))}
    </Picks>
  )
  const customerChosen = (value: string) => {
    set('customer', value)
    const known = shop?.customers.find((c) => c.customer === value)
    if (known && !typed.engine) set('engine', known.engine)
    if (known && !typed.equipment) set('equipment', known.equipment)
  }
  return (
    <Grid>
      <Part>Whose, and from what</Part>
      {field('customer', 'Customer', 5, {
        list: 'customers',
        autoFocus: true,
        onChange: (event) => customerChosen(event.target.value),
      })}
      {field('engine', 'Engine', 4)}
      {field('equipment', 'It drives', 3)}
      <datalist id="customers">
        {shop?.customers.map((c) => (
          <option key={c.customer} value={c.customer} />
        ))}
      </datalist>
      {field('promise', 'Promised', 3, { type: 'date', ...(shop ? { min: shop.today } : {}) })}
      {field('pressure', 'Fuel pressure, kPa', 2, { inputMode: 'decimal', placeholder: 'not known' })}
      {field('head', 'or head, mm', 2, { inputMode: 'decimal', placeholder: 'not known' })}
      {field('ethanol', 'Ethanol, %', 2, { inputMode: 'decimal', placeholder: 'not known' })}
      {field('altitude', 'Altitude, m', 3, { inputMode: 'decimal', placeholder: 'not known' })}
      <Part>The complaint</Part>
      {picks('symptom', symptoms, 'Symptom')}
      <div style={{ gridColumn: 'span 7' }}>
        <Label>at which opening</Label>
        {picks('band', bands, 'Throttle band')}
      </div>
      <div style={{ gridColumn: 'span 5' }}>
        <Label>cold or hot</Label>
        {picks('temperature', temperatures, 'Temperature')}
      </div>
      {field('words', 'In the customer’s words', 12)}
    </Grid>
  )
}
