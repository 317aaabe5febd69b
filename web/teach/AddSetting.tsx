import { isRefusal } from '@ekrond/core/base/refusal'
import { lower } from '@ekrond/core/base/words'
import { readWritten } from '@ekrond/core/judge/settings'
import type { DataOf } from '@ekrond/core/log'
import { carriersOf, nameOn, settingSorts, type SettingSort, type SettingSpec } from '@ekrond/core/sheets'
import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { useOutcomes } from '../data/outcomes'
import { Ask, AskFoot } from '../shell/frame'
import { Choice, ErrorLine, FieldInput, FieldSelect, Key, Label, MainButton, QuietButton } from '../ui'
import { onEnter, useKeys } from '../ui/keys'

const OWN: SettingSort = {
  code: 'own',
  words: '',
  quantity: 'gap',
  hint: '1.0 ±0.1',
  datum: '',
  hold: '',
  held: 'upright',
  carriedBy: [],
  more: '',
  less: '',
}

const QUANTITIES: readonly { value: SettingSpec['quantity']; label: string }[] = [
  { value: 'gap', label: 'a gap, by drill or feeler' },
  { value: 'length', label: 'a length, by caliper' },
  { value: 'turns', label: 'turns' },
  { value: 'count', label: 'a hole, step or groove' },
]
const SOURCES = [
  { value: 'as found', label: 'as it came' },
  { value: 'kit leaf', label: 'a leaf' },
  { value: 'factory sheet', label: 'a maker’s sheet' },
  { value: 'shop', label: 'the shop’s own' },
  { value: 'from memory', label: 'memory' },
] as const

const Sorts = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 5px;
  & > button {
    min-height: 44px;
    font-size: 15px;
    line-height: 1.15;
  }
`

/** What a kind of setting brings, line by line. */
const Brings = styled.dl`
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 3px 10px;
  margin: 0;
  font-size: 15px;
  line-height: 1.3;
  & > dt {
    color: var(--pencil);
  }
  & > dd {
    margin: 0;
  }
`

/** A code that nothing has yet, from a name that somebody gave. */
const codeOf = (name: string): string => `own.${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`.slice(0, 40)

/** A setting that this unit has and its sheet does not: its kind brings where it is read, what carries it and what moves it. */
export function AddSetting({ open, done }: { open: OpenJob; done: () => void }) {
  const sheets = open.sheets!
  const [sort, setSort] = useState<SettingSort | null>(null)
  const [text, setText] = useState('')
  const [source, setSource] = useState<(typeof SOURCES)[number]['value']>('as found')
  const [ground, setGround] = useState('')
  const [own, setOwn] = useState({ name: '', datum: '', more: '', less: '' })
  const [quantity, setQuantity] = useState<SettingSpec['quantity']>('gap')
  const [carrier, setCarrier] = useState('')
  const [wrong, setWrong] = useState('')
  const listed = open.here.taught ? undefined : sheets.spec.listNumber
  const outcomes = useOutcomes(listed).data
  const isOwn = sort?.code === OWN.code
  const kind = sort && isOwn ? { ...sort, ...own, words: own.name, quantity } : sort
  const seenOn = (words: string) =>
    outcomes?.amended.find(({ what, name }) => what === 'setting.added' && name === words)?.jobs
  const there = new Set(sheets.spec.settings.map(({ code }) => code))
  const carriers = kind ? (isOwn ? (carrier ? [carrier] : []) : carriersOf(kind, sheets.build)) : []
  const write = () => {
    if (!kind) return setWrong('Which setting is it?')
    const value = readWritten({ quantity: kind.quantity, unit: 'mm' }, text)
    if (isRefusal(value)) return setWrong(value.refused.why)
    const data: DataOf['setting.added'] = {
      code: isOwn ? codeOf(kind.words) : kind.code,
      place: 'none',
      name: kind.words.trim(),
      quantity: kind.quantity,
      unit: 'mm',
      ...value,
      datum: kind.datum.trim(),
      hold: kind.hold,
      held: kind.held,
      on: carriers,
      off: [],
      more: kind.more.trim(),
      less: kind.less.trim(),
      source,
      ground: ground.trim(),
      absent: false,
    }
    const no = open.add('setting.added', data)
    if (no) return setWrong(no.sentence)
    done()
  }
  useKeys({ Enter: write, Escape: sort ? () => setSort(null) : done })
  if (!kind)
    return (
      <Ask aria-label="Current step">
        <Label>Not on the sheet of {sheets.spec.listNumber}</Label>
        <h2>Which setting?</h2>
        <Sorts role="group" aria-label="Kind of setting">
          {settingSorts.map((one) => (
            <Choice key={one.code} isDisabled={there.has(one.code)} onPress={() => setSort(one)}>
              {one.words}
              {seenOn(one.words) ? ` · seen on ${seenOn(one.words)}` : ''}
            </Choice>
          ))}
        </Sorts>
        <AskFoot>
          <Choice onPress={() => setSort(OWN)}>Something else</Choice>
          <QuietButton onPress={done}>
            Back to the settings <Key>Esc</Key>
          </QuietButton>
        </AskFoot>
      </Ask>
    )
  const field = (key: keyof typeof own, label: string, hint: string) => (
    <div>
      <Label>{label}</Label>
      <FieldInput
        aria-label={label}
        placeholder={hint}
        maxLength={120}
        value={own[key]}
        onKeyDown={onEnter(write)}
        onChange={(event) => setOwn({ ...own, [key]: event.target.value })}
      />
    </div>
  )
  return (
    <Ask aria-label="Current step">
      <Label>Not on the sheet of {sheets.spec.listNumber}</Label>
      <h2>{isOwn ? 'A setting of its own' : kind.words}</h2>
      {isOwn ? (
        <>
          {field('name', 'Name it', 'Governor link')}
          <FieldSelect
            aria-label="What it is"
            value={quantity}
            onChange={(event) => setQuantity(event.target.value as SettingSpec['quantity'])}
          >
            {QUANTITIES.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </FieldSelect>
          {field('datum', 'Read from what to what', 'lever to stop, throttle shut')}
          <FieldSelect
            aria-label="What carries it"
            value={carrier}
            onChange={(event) => setCarrier(event.target.value)}
          >
            <option value="">read from outside, nothing carries it</option>
            {sheets.build.positions.map(({ code, name }) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          </FieldSelect>
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
            {field('more', 'Makes it larger', 'as a try showed')}
            {field('less', 'Makes it smaller', 'as a try showed')}
          </div>
        </>
      ) : (
        <Brings>
          <dt>From</dt>
          <dd>{kind.datum}</dd>
          <dt>How</dt>
          <dd>{kind.hold}</dd>
          <dt>Larger</dt>
          <dd>{kind.more}</dd>
          <dt>Smaller</dt>
          <dd>{kind.less}</dd>
          <dt>Carried by</dt>
          <dd>
            {carriers.map((code) => lower(nameOn(sheets, code))).join(', ') || 'nothing that comes off'}
          </dd>
        </Brings>
      )}
      <div>
        <Label>What it should be</Label>
        <FieldInput
          aria-label="What it should be"
          placeholder={kind.hint}
          value={text}
          onKeyDown={onEnter(write)}
          onChange={(event) => {
            setText(event.target.value)
            setWrong('')
          }}
        />
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
        <FieldSelect
          aria-label="From"
          value={source}
          onChange={(event) => setSource(event.target.value as typeof source)}
        >
          {SOURCES.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </FieldSelect>
        <FieldInput
          aria-label="Which one, and page"
          placeholder="which one, and page"
          value={ground}
          onKeyDown={onEnter(write)}
          onChange={(event) => setGround(event.target.value)}
        />
      </div>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={write} isDisabled={!text.trim()}>
          Add to this unit <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={() => setSort(null)}>Another kind</QuietButton>
      </AskFoot>
    </Ask>
  )
}
