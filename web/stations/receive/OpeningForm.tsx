import { workingDayAfter } from '@ekrond/core/base/days'
import { minutesDue, sayMinutes } from '@ekrond/core/plan/outlook'
import { symptomWords, whens } from '@ekrond/core/log'
import type { ShopAnswer } from '@ekrond/contract/shop'
import { useState } from 'react'
import styled from 'styled-components'
import { ALL_OPEN, useJobs } from '../../data/rack'
import { sayDay } from '../../ui/dates'
import { narrow } from '../../theme/global'
import { Choice, FieldInput, Label, QuietButton } from '../../ui'
import { CustomerField, type KnownCustomer } from './CustomerField'
import type { Opening } from './opening'
import { Stops } from './Stops'
import { ThrottleArc } from './ThrottleArc'
import { Traces } from './Traces'

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

/** The way of a job in: a thick rung is answered, an open one is to come. */
const Ladder = styled.div`
  display: grid;
  border-left: 1.6px solid var(--ink);
  margin-left: 4px;
`

const Step = styled.section<{ $done: boolean }>`
  position: relative;
  border-left: 1.6px solid var(--ink);
  margin-left: 14px;
  padding: 0 0 9px 14px;
  border-bottom: 1px solid var(--rule);
  &:last-child {
    border-bottom: 0;
    padding-bottom: 2px;
  }
  &::before {
    content: '';
    position: absolute;
    left: -17px;
    width: 17px;
    top: 11px;
    border-top: ${({ $done }) => ($done ? '6px solid var(--ink)' : '6px double var(--pencil)')};
  }
  & > h2 {
    font: 500 19px/1.5 ${narrow};
    & > b {
      font-weight: 400;
      color: var(--pencil);
    }
  }
`

const Fold = styled.div`
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  font-size: 16px;
  color: var(--pencil);
`

const Due = styled.small`
  display: block;
  font: 400 14px/1.1 ${narrow};
  opacity: 0.85;
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
  const jobs = useJobs(ALL_OPEN).data?.jobs ?? []
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
  const [installed, setInstalled] = useState(false)
  const choose = (known: KnownCustomer) =>
    set({ customer: known.customer, engine: known.engine, equipment: known.equipment })
  const told = installedWords(typed)
  const who = [typed.customer, typed.engine, typed.equipment].every((text) => text.trim())
  return (
    <Ladder>
      <Rung done={who} number={1} title="Who and what">
        <Grid>
          <CustomerField
            value={typed.customer}
            wrong={wrong === 'customer'}
            focus={focus && !typed.earlier}
            onChange={(customer) => set({ customer })}
            onChoose={choose}
          />
          {field('engine', 'Engine', 4)}
          {field('equipment', 'Equipment', 4)}
        </Grid>
      </Rung>
      <Rung done={typed.symptom !== ''} number={2} title="Complaint">
        <Grid>
          {field('words', 'In the customer’s words, and how it ran', 12)}
          <div style={{ gridColumn: 'span 5' }}>
            <ThrottleArc value={typed.band} set={(band) => set({ band })} />
          </div>
          <div style={{ gridColumn: 'span 7', display: 'grid', gap: 4, alignContent: 'center' }}>
            <Stops
              label="Temperature"
              value={typed.temperature}
              set={(temperature) => set({ temperature })}
              stops={[
                { value: 'cold', words: 'engine cold' },
                { value: 'both', words: 'cold and hot' },
                { value: 'hot', words: 'engine hot' },
              ]}
            />
            <Stops
              label="When"
              value={typed.when}
              set={(when) => set({ when })}
              stops={whens.map((value) => ({ value, words: symptomWords(value) }))}
            />
            <div style={{ display: 'flex', alignItems: 'center', gap: 16, flexWrap: 'wrap' }}>
              <Label>Did it run well as it is?</Label>
              <div style={{ flex: '1 1 220px' }}>
                <Stops
                  label="Did it run well as it is?"
                  value={typed.ran}
                  set={(ran) => set({ ran })}
                  stops={[
                    { value: 'yes', words: 'yes' },
                    { value: 'no', words: 'no' },
                    { value: '', words: 'unknown' },
                  ]}
                />
              </div>
            </div>
          </div>
          <div style={{ gridColumn: '1 / -1' }}>
            <Traces value={typed.symptom} said={typed} set={(symptom) => set({ symptom })} />
          </div>
        </Grid>
      </Rung>
      <Rung done={typed.promise !== ''} number={3} title="Promise">
        <Grid>
          {field('promise', 'Promised', 3, { type: 'date', ...(shop ? { min: shop.today } : {}) })}
          <div style={{ gridColumn: 'span 9', alignSelf: 'end' }}>
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
                    <span>
                      {sayDay(day)}
                      <Due>{dueWords(minutesDue(jobs, day))}</Due>
                    </span>
                  </Choice>
                )
              })}
            </Picks>
          </div>
        </Grid>
      </Rung>
      <Rung done={told.length > 0} number={4} title="Installed">
        <Fold>
          <span>{told.length ? told.join(', ') : 'one carburetor; the rest is assumed'}</span>
          <QuietButton aria-expanded={installed} onPress={() => setInstalled(!installed)}>
            {installed ? 'Done' : 'Change'}
          </QuietButton>
        </Fold>
        {installed && (
          <Grid>
            <div style={{ gridColumn: 'span 7' }}>
              <Label>Carburetors in the bank</Label>
              {picks('bodies', ['1', '2', '3', '4', '5', '6'], 'Carburetors in the bank', 6)}
            </div>
            <div
              style={{ gridColumn: 'span 5', display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}
              role="group"
              aria-label="Installed"
            >
              {toggle('boosted', 'Boosted')}
              {toggle('marine', 'Marine')}
            </div>
            {field('pressure', 'Pressure, kPa', 3, { inputMode: 'decimal' })}
            {field('head', 'or head, mm', 3, { inputMode: 'decimal' })}
            {field('ethanol', 'Ethanol, %', 2, { inputMode: 'decimal' })}
            {field('altitude', 'Altitude, m', 2, { inputMode: 'decimal' })}
            {field('tilt', 'Tilt, °', 2, { inputMode: 'decimal' })}
          </Grid>
        )}
      </Rung>
    </Ladder>
  )
}

/** What was said of how it is installed; empty where all of it is assumed. */
const installedWords = (typed: Opening): string[] => [
  ...(Number(typed.bodies) > 1 ? [`bank of ${typed.bodies}`] : []),
  ...(typed.boosted ? ['boosted'] : []),
  ...(typed.marine ? ['marine'] : []),
  ...(typed.pressure ? [`${typed.pressure} kPa`] : []),
  ...(typed.head ? [`${typed.head} mm of head`] : []),
  ...(typed.ethanol ? [`${typed.ethanol} % ethanol`] : []),
  ...(typed.altitude ? [`${typed.altitude} m altitude`] : []),
  ...(typed.tilt ? [`tilted ${typed.tilt}°`] : []),
]

/** Bench time that is due on a day already. */
const dueWords = (minutes: number): string => (minutes === 0 ? 'nothing due' : `${sayMinutes(minutes)} due`)

function Rung({
  done,
  number,
  title,
  children,
}: {
  done: boolean
  number: number
  title: string
  children: React.ReactNode
}) {
  return (
    <Step aria-label={title} $done={done}>
      <h2>
        <b>{number}</b> {title}
      </h2>
      <div>{children}</div>
    </Step>
  )
}
