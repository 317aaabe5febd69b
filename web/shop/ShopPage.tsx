import { plainNumber } from '@ekrond/core/measure'
import type { ShopAnswer, ShopSettings } from '@ekrond/contract/shop'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { call } from '../data/api'
import { usePerson } from '../data/person'
import { useShop } from '../data/shop'
import { useSend } from '../data/useSend'
import { Columns } from '../shell/Columns'
import { Page } from '../shell/Page'
import { Button, Choice, ErrorLine, FieldInput, Label, MainButton, QuietButton } from '../ui'
import { useKeys } from '../ui/keys'
import { BothSides } from '../shell/BothSides'
import { Changes } from './Changes'
import { GaugeEditor } from './Gauge'
import { differingSettings, settingsOf } from './settings'

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

const Row = styled.div`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  align-items: end;
`

/** The shop itself: its name, its days, who works here, its gauges; each change with who made it. */
export default function ShopPage() {
  const shop = useShop().data
  if (!shop) return <Page title="the shop">{null}</Page>
  return <Editor shop={shop} />
}

function Editor({ shop }: { shop: ShopAnswer }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const { person, choose } = usePerson()
  // What is typed stays, whoever saves meanwhile: then both sides are shown.
  const [base, setBase] = useState(shop.version)
  const [mine, setMine] = useState(() => {
    const settings = settingsOf(shop)
    // On a shop's first day the bench's own clock is the likeliest.
    return shop.version === 0 && shop.people.length === 0
      ? { ...settings, name: '', zone: Intl.DateTimeFormat().resolvedOptions().timeZone }
      : settings
  })
  const [newName, setNewName] = useState('')
  const [theirs, setTheirs] = useState<ShopAnswer | null>(null)
  const [saved, setSaved] = useState(false)
  const { send, wrong, setWrong } = useSend<{ version: number }>({
    path: '/api/shop',
    method: 'PUT',
    stale: [['shop']],
    done: ({ version }) => {
      const people = newName.trim() ? [...mine.people, newName.trim()] : mine.people
      if (!person && people[0]) choose(people[0])
      setBase(version)
      setMine((now) => ({ ...now, people }))
      setNewName('')
      setTheirs(null)
      setSaved(true)
    },
    failed: async ({ status }) => {
      if (status === 409) setTheirs(await call<ShopAnswer>('/api/shop'))
    },
  })
  const put = (changes: Partial<ShopSettings>) => {
    setMine((now) => ({ ...now, ...changes }))
    setSaved(false)
    setWrong('')
  }
  const addPerson = () => {
    const name = newName.trim()
    if (!name) return
    if (mine.people.includes(name)) return setWrong('Two people have the same name. Add an initial.')
    put({ people: [...mine.people, name] })
    setNewName('')
  }
  const save = () => {
    const people = newName.trim() ? [...mine.people, newName.trim()] : mine.people
    send({
      version: theirs?.version ?? base,
      by: person ?? people[0] ?? 'unnamed',
      settings: { ...mine, people },
    })
  }
  useKeys({ r: () => void navigate('/'), l: () => void navigate('/library') })
  const field = (label: string, value: string, set: (value: string) => void, more: object = {}) => (
    <label>
      <Label>{label}</Label>
      <FieldInput value={value} onChange={(event) => set(event.target.value)} {...more} />
    </label>
  )
  const hour = mine.hourMinor / 10 ** mine.currency.exponent
  return (
    <Page title="the shop">
      <Columns $columns="minmax(0, 1fr) minmax(0, 1fr) 320px">
        <section>
          <h2>The shop</h2>
          {field('Name', mine.name, (name) => put({ name }))}
          {field('Place', mine.place, (place) => put({ place }))}
          {field('Time zone', mine.zone, (zone) => put({ zone }), { list: 'zones' })}
          <datalist id="zones">
            {Intl.supportedValuesOf('timeZone').map((zone) => (
              <option key={zone} value={zone} />
            ))}
          </datalist>
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 16 }}>
            {field('Currency', mine.currency.code, (code) =>
              put({ currency: { ...mine.currency, code: code.toUpperCase().slice(0, 3) } }),
            )}
            {field(
              'Labor per hour',
              String(hour),
              (text) => {
                const amount = plainNumber(text, 0)
                if (amount >= 0) put({ hourMinor: Math.round(amount * 10 ** mine.currency.exponent) })
              },
              { inputMode: 'decimal' },
            )}
          </div>
          {field(
            'Warm tank volume, liters',
            String(mine.tankLitres),
            (text) => {
              const litres = plainNumber(text)
              if (litres > 0) put({ tankLitres: litres })
            },
            { inputMode: 'decimal' },
          )}
          {field(
            'Warranty, days (0: not printed)',
            String(mine.warrantyDays),
            (text) => {
              const days = plainNumber(text, 0)
              if (Number.isInteger(days) && days >= 0) put({ warrantyDays: days })
            },
            { inputMode: 'numeric' },
          )}
          <div role="group" aria-label="Working days">
            <Label>Working days</Label>
            <div style={{ display: 'grid', gridTemplateColumns: 'repeat(7, 1fr)', gap: 4 }}>
              {DAYS.map((day, i) => {
                const number = (i + 1) as ShopSettings['workingDays'][number]
                const on = mine.workingDays.includes(number)
                return (
                  <Choice
                    key={day}
                    $on={on}
                    aria-pressed={on}
                    style={{ padding: '6px 4px', justifyContent: 'center' }}
                    onPress={() =>
                      put({
                        workingDays: on
                          ? mine.workingDays.filter((one) => one !== number)
                          : [...mine.workingDays, number].sort(),
                      })
                    }
                  >
                    {day}
                  </Choice>
                )
              })}
            </div>
          </div>
        </section>
        <section>
          <h2>People</h2>
          {mine.people.map((name, i) => (
            <Row key={name}>
              <span style={{ fontSize: 18, minHeight: 44, display: 'flex', alignItems: 'center' }}>
                {name}
              </span>
              <QuietButton
                aria-label={`Remove ${name}`}
                onPress={() => put({ people: mine.people.filter((_, at) => at !== i) })}
              >
                no longer
              </QuietButton>
            </Row>
          ))}
          <Row>
            <FieldInput
              aria-label="Another name"
              placeholder={mine.people.length ? 'another name' : 'the first name'}
              value={newName}
              onChange={(event) => setNewName(event.target.value)}
              onKeyDown={(event) => event.key === 'Enter' && addPerson()}
            />
            <Button onPress={addPerson}>Add</Button>
          </Row>
          <h2>Gauges</h2>
          <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
            These set how sure a reading is: the resolution, and how much two readings of the same thing
            differ.
          </p>
          {mine.gauges.map((gauge, i) => (
            <GaugeEditor
              key={i}
              gauge={gauge}
              set={(next) => put({ gauges: mine.gauges.map((one, at) => (at === i ? next : one)) })}
              away={() => put({ gauges: mine.gauges.filter((_, at) => at !== i) })}
            />
          ))}
          <Button
            onPress={() =>
              put({
                gauges: [
                  ...mine.gauges,
                  {
                    code: `G-${mine.gauges.length + 1}`,
                    name: 'caliper',
                    kind: 'caliper',
                    resolutionMm: 0.01,
                    repeatabilityMm: 0.03,
                    goodOn: null,
                    offOn: null,
                  },
                ],
              })
            }
          >
            Add gauge
          </Button>
        </section>
        <section>
          <MainButton onPress={() => save()}>{theirs ? 'Save mine anyway' : 'Save'}</MainButton>
          {saved && <p role="status">Saved.</p>}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          {theirs && (
            <BothSides
              differ={differingSettings(mine, settingsOf(theirs))}
              take={() => {
                setMine(settingsOf(theirs))
                setBase(theirs.version)
                setWrong('')
                setTheirs(null)
                void client.invalidateQueries({ queryKey: ['shop'] })
              }}
            />
          )}
          <Changes shop={shop} />
        </section>
      </Columns>
    </Page>
  )
}
