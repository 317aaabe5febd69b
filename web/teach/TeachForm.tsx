import { stepAll, type DataOf } from '@ekrond/core/log'
import type { Sheets } from '@ekrond/core/sheets'
import { familyFor, ownSheets, type Described } from '@ekrond/core/taught'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { useFamilies } from '../data/families'
import { UnitBoard } from '../shell/UnitBoard'
import { AskFoot, Ask, Board, BoardTitle, Main } from '../shell/frame'
import { Choice, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../ui'
import { useKeys } from '../ui/keys'
import { FamilyGallery } from './FamilyGallery'

type Told = DataOf['ident.taught']

const Row = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(84px, 1fr));
  gap: 6px;
`

const NONE: ReadonlySet<string> = new Set()

/** What is asked, each with one tap: draft, how many barrels, what meters, how the float is held, how the choke works. */
export function TeachForm({ open, cancel }: { open: OpenJob; cancel: () => void }) {
  const seen = open.here.features
  const before = open.here.taught
  const [draft, setDraft] = useState<Described['draft'] | null>(asDraft(seen.draft?.value))
  const [barrels, setBarrels] = useState<number | null>(before?.barrels ?? asBarrels(seen.barrels?.value))
  const [throttle, setThrottle] = useState<Described['throttle'] | null>(null)
  const [float, setFloat] = useState<Told['float'] | null>(before?.float ?? null)
  const [choke, setChoke] = useState<Told['choke'] | null>(before?.choke ?? null)
  const [name, setName] = useState(before?.name ?? '')
  const [wrong, setWrong] = useState('')
  const maker = Object.values(open.here.marks).find((mark) => mark.maker)?.maker ?? ''
  const described =
    draft && barrels && (throttle ?? (draft !== 'side' ? 'fixed venturi' : null))
      ? { draft, barrels, throttle: throttle ?? 'fixed venturi' }
      : null
  const family = described ? familyFor(described) : null
  const told = useMemo<Told | null>(
    () =>
      family && barrels
        ? {
            family,
            barrels,
            float: float ?? 'from the cover',
            choke: choke ?? 'none',
            maker,
            name: name.trim() || 'not named',
          }
        : null,
    [family, barrels, float, choke, maker, name],
  )
  const families = useFamilies(true)
  const drawn = useDrawn(open, told, families)
  const missing = [
    draft ? '' : 'draft',
    barrels ? '' : 'its barrels',
    described || !draft || !barrels ? '' : 'what meters its air',
    float ? '' : 'how its float is held',
    choke ? '' : 'its choke',
  ].filter(Boolean)
  const teach = () => {
    if (!told || missing.length) return setWrong(`First enter: ${missing.join(', ')}.`)
    const bears = open.here.marks
    const first = Object.values(bears).find((mark) => mark.text)?.text
    const no = open.add('ident.taught', {
      ...told,
      name: name.trim() || (first ? `unit “${first}”` : `${open.state.opened?.engine ?? 'unit'}, taught`),
    })
    if (no) return setWrong(no.sentence)
    cancel()
  }
  useKeys({ Enter: teach })
  const tap = <T extends string | number>(
    label: string,
    value: T | null,
    set: (value: T) => void,
    options: readonly (readonly [T, string])[],
  ) => (
    <div role="group" aria-label={label}>
      <Label>{label}</Label>
      <Row>
        {options.map(([one, words]) => (
          <Choice
            key={one}
            $on={value === one}
            aria-pressed={value === one}
            onPress={() => {
              set(one)
              setWrong('')
            }}
            style={{ justifyContent: 'center', textAlign: 'center' }}
          >
            {words}
          </Choice>
        ))}
      </Row>
    </div>
  )
  return (
    <Main $ask={440}>
      {drawn ? (
        <UnitBoard
          sheets={drawn}
          title={`Drawn as a ${drawn.spec.taught!.family}`}
          legend="grey: borrowed from its family, not confirmed"
          order={drawn.build.positions}
          off={NONE}
          current={undefined}
          next={[]}
        />
      ) : (
        <Board>
          <BoardTitle>
            <div>
              <h1>Not in the library: teach it</h1>
              <p>Which of these is it most like? It borrows its drawing from there, until you measure.</p>
            </div>
          </BoardTitle>
          {families && (
            <FamilyGallery
              families={families}
              choose={(its) => {
                setDraft(its.draft)
                setThrottle(its.throttle)
                setBarrels(its.barrels)
                setWrong('')
              }}
            />
          )}
        </Board>
      )}
      <Ask aria-label="Current step">
        <h2>Teach this one</h2>
        {tap('Draft', draft, setDraft, [
          ['down', 'down'],
          ['side', 'sideways'],
          ['up', 'up'],
        ])}
        {tap('Barrels', barrels, setBarrels, [
          [1, '1'],
          [2, '2'],
          [4, '4'],
        ])}
        {draft === 'side' &&
          tap('What meters its air', throttle, setThrottle, [
            ['fixed venturi', 'fixed venturi'],
            ['slide', 'slide'],
            ['diaphragm', 'diaphragm'],
          ])}
        {tap('Its float', float, setFloat, [
          ['from the cover', 'hangs from cover or body'],
          ['in the bowl', 'stands in the bowl'],
          ['on a pin', 'slides on a pin'],
        ])}
        {tap('Its choke', choke, setChoke, [
          ['coil', 'coil'],
          ['plate by hand', 'by hand'],
          ['enricher', 'enricher'],
          ['none', 'none'],
        ])}
        <div>
          <Label>Name it until it has a number</Label>
          <FieldInput
            aria-label="Name it"
            value={name}
            placeholder={`${open.state.opened?.engine ?? 'unit'}, taught`}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        <AskFoot>
          <MainButton onPress={teach}>
            {before ? 'Teach as this' : 'Start teaching'} <Key>Enter</Key>
          </MainButton>
          <QuietButton onPress={cancel}>{before ? 'Keep as is' : 'Back to the library'}</QuietButton>
        </AskFoot>
      </Ask>
    </Main>
  )
}

const asDraft = (value: unknown): Described['draft'] | null =>
  value === 'down' || value === 'up' || value === 'side' ? value : null
const asBarrels = (value: unknown): number | null =>
  Number(value) === 1 || Number(value) === 2 || Number(value) === 4 ? Number(value) : null

/** The sheets that a description would borrow, before anything is entered: what the board draws. */
function useDrawn(open: OpenJob, told: Told | null, families: ReturnType<typeof useFamilies>): Sheets | null {
  return useMemo(() => {
    if (!told || !families) return null
    const at = '2026-01-01T00:00:00Z'
    const entry = {
      id: '00000000-0000-4000-8000-000000000000',
      job: open.job,
      kind: 'ident.taught' as const,
      v: 1,
      body: open.body,
      data: told,
      by: '',
      at,
      receivedAt: at,
      seq: open.state.seq + 1,
    }
    return ownSheets(stepAll(open.state, [entry]), open.body, families[told.family])
  }, [open.state, open.job, open.body, told, families])
}
