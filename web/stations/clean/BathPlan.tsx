import { faceAt, planBaths, whereIs, type BathItem, type Load, type BathPlace } from '@ekrond/core/plan/baths'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import styled from 'styled-components'
import { byBody, enterElsewhere, useBaths } from '../../data/baths'
import { stampNow } from '../../data/clock'
import { usePerson } from '../../data/person'
import { useShop } from '../../data/shop'
import { Ask, AskFoot, Board, BoardDrawing, StripCell } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { ErrorLine, Key, Label, MainButton } from '../../ui'
import { Scrolled } from '../../ui/Scrolled'
import { figures } from '../../theme/global'
import { useKeys } from '../../ui/keys'
import type { SheetedProps } from '../withSheets'
import { Tank } from './Tank'

const Big = styled.p`
  font: 500 56px/1.1 ${figures};
  letter-spacing: -0.03em;
`
const Lines = styled.ul`
  display: grid;
  gap: 4px;
  font-size: 16px;
`

const PLACES: readonly { place: BathPlace; label: string }[] = [
  { place: 'tray', label: 'In tray' },
  { place: 'bath', label: 'In the bath' },
  { place: 'drying', label: 'Drying' },
  { place: 'to measure', label: 'Measure again' },
  { place: 'clean', label: 'Clean' },
  { place: 'on', label: 'Reinstalled' },
]

/** The bath over all jobs: what lies in it and until when, what goes in next, what stays out and why. */
export function BathPlan({ open, views }: SheetedProps & { views: React.ReactNode }) {
  const now = useNow()
  const shop = useShop().data
  const zone = shop?.zone ?? 'UTC'
  const tankLitres = shop?.tankLitres ?? 6
  const baths = useBaths()
  const client = useQueryClient()
  const { person } = usePerson()
  const [wrong, setWrong] = useState('')
  const items = useMemo(
    () => freshItems(baths.data?.items ?? [], open.job, open.here.baths, open.body),
    [baths.data, open.job, open.here.baths, open.body],
  )
  const plan = planBaths(items, tankLitres, now)
  const where = whereIs(open.state, open.sheets, open.body, now)
  const clock = (ms: number) =>
    new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone }).format(ms)
  const next = plan.loads[0]
  const { inside } = plan
  const face = inside && faceAt(inside, now)
  const done = inside !== null && now >= inside.endMs

  const move = (load: Load, kind: 'bath.in' | 'bath.out') => {
    setWrong('')
    for (const { job, body, positions } of byBody(load.items)) {
      const data =
        kind === 'bath.in' ? { positions, minutes: load.minutes, celsius: load.wash.mostC } : { positions }
      if (job === open.job) {
        const no = open.addAll([{ kind, data, body } as Parameters<typeof open.addAll>[0][number]])
        if (no) return setWrong(no.sentence)
      } else enterElsewhere(job, body, kind, data, person ?? 'unnamed')
    }
    setTimeout(() => void client.invalidateQueries({ queryKey: ['baths'] }), 400)
  }
  const act = () => {
    if (inside) move(inside, 'bath.out')
    else if (next) move(next, 'bath.in')
  }
  useKeys({ Enter: act })
  return (
    <>
      <OnStrip>
        {PLACES.map(({ place, label }) => {
          const codes = Object.keys(where).filter((code) => where[code] === place)
          return (
            <StripCell key={place}>
              <Label>{label}</Label>
              <b style={{ fontSize: 26, lineHeight: 1.2 }}>{codes.length}</b>
              <p style={{ fontSize: 14, color: 'var(--pencil)', overflow: 'hidden' }}>
                {codes
                  .slice(0, 3)
                  .map((code) => nameOf(open, code))
                  .join(', ')}
                {codes.length > 3 ? ` + ${codes.length - 3}` : ''}
              </p>
            </StripCell>
          )
        })}
      </OnStrip>
      <Board>
        {views}
        <BoardDrawing>
          <Tank
            plan={plan}
            now={now}
            clock={clock}
            litres={tankLitres}
            own={({ job, body }) => (job === open.job ? open.all[body] : undefined)}
          />
        </BoardDrawing>
      </Board>
      <Ask aria-label="Current step">
        {baths.isPending ? (
          <h2>Loading the bath …</h2>
        ) : baths.isError ? (
          <>
            <h2>The other jobs are not loaded.</h2>
            <p>{baths.error.message}</p>
          </>
        ) : inside ? (
          <>
            <Label>in since {clock(inside.startMs)}</Label>
            <h2>{done ? 'Done: take it out' : `Out at ${clock(inside.endMs)}`}</h2>
            <Big style={done ? { color: 'var(--red)' } : {}}>
              {countdown(face ? face.untilMs - now : Math.max(0, inside.endMs - now))}
            </Big>
            <p style={{ fontSize: 17 }}>
              {done
                ? 'Rinse and dry at once, then let it hang for 20 minutes.'
                : face && face.face < inside.wash.faces
                  ? `Face ${face.face} of ${inside.wash.faces} is up: turn it over next.`
                  : 'The last face is up.'}
            </p>
            <WhatIsIn load={inside} />
          </>
        ) : next ? (
          <>
            <Label>tank is free · check neutral fluid level, no sludge</Label>
            <h2>Next load</h2>
            <Big>{next.minutes} min</Big>
            <p style={{ fontSize: 17 }}>
              {next.wash.faces > 1
                ? `${next.wash.faces} faces, ${next.wash.minutesAFace} min each, turned between. `
                : ''}
              {next.wash.mostC} °C at most, {next.wash.fluid} fluid: {next.wash.why}. Hang it clear of the
              bottom.
            </p>
            <WhatIsIn load={next} />
          </>
        ) : (
          <>
            <h2>Nothing is waiting for the bath.</h2>
            <p style={{ fontSize: 17 }}>Removed parts that may be washed are planned here, for all jobs.</p>
          </>
        )}
        {plan.freedMinutes > 0 && (
          <p style={{ fontSize: 16 }}>
            {plan.loads.length === 1 ? 'It frees' : `The ${plan.loads.length} loads free`} {plan.freedMinutes}{' '}
            min at the bench. Lap, polish and stake before the last load.
          </p>
        )}
        <p style={{ fontSize: 15, color: 'var(--red)' }}>
          Hot: wear gloves and eye protection. Never use flammable liquid in it.
        </p>
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        <AskFoot>
          <MainButton onPress={act} isDisabled={!inside && !next}>
            {inside ? 'Removed, rinsed' : 'In'} <Key>Enter</Key>
          </MainButton>
        </AskFoot>
      </Ask>
    </>
  )
}

function WhatIsIn({ load }: { load: Load }) {
  const jobs = [...new Set(load.items.map(({ number }) => number))]
  return (
    <Scrolled label="Parts in this load">
      <Lines>
        {jobs.map((number) => (
          <li key={number}>
            <b>{number}</b>{' '}
            {load.items
              .filter((item) => item.number === number)
              .map(({ name }) => name.toLowerCase())
              .join(', ')}
          </li>
        ))}
      </Lines>
    </Scrolled>
  )
}

const nameOf = (open: SheetedProps['open'], code: string) =>
  (open.sheets.build.positions.find((one) => one.code === code)?.name ?? code).toLowerCase()

/** What the server said, with what this window has entered since. */
function freshItems(
  items: readonly BathItem[],
  job: string,
  baths: SheetedProps['open']['here']['baths'],
  body: number,
): BathItem[] {
  return items.map((item) => {
    if (item.job !== job || item.body !== body) return item
    const bath = baths[item.position]
    if (!bath) return item
    if (bath.out === null) return { ...item, state: 'in', sinceMs: Date.parse(bath.at) }
    return item.state === 'in' ? { ...item, state: 'drying', sinceMs: Date.parse(bath.out) } : item
  })
}

function countdown(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000))
  return `${String(Math.floor(seconds / 60)).padStart(2, '0')}:${String(seconds % 60).padStart(2, '0')}`
}

/** The shop's now, ms, once a second. */
function useNow(): number {
  const [now, setNow] = useState(() => Date.parse(stampNow()))
  useEffect(() => {
    const ticking = setInterval(() => setNow(Date.parse(stampNow())), 1000)
    return () => clearInterval(ticking)
  }, [])
  return now
}
