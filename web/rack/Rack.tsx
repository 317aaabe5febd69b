import type { JobRow } from '@ekrond/contract/jobs'
import type { ShopAnswer } from '@ekrond/contract/shop'
import { addDays, isWorkingDay } from '@ekrond/core/days'
import { readNumber } from '@ekrond/core/job'
import { stations, type StationState } from '@ekrond/core/stations'
import { outlook, type Outlook, type ShopClock } from '@ekrond/core/outlook'
import { useEffect, useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { stampNow } from '../data/clock'
import { useJobs } from '../data/rack'
import { useShop } from '../data/shop'
import { usePerson } from '../data/person'
import { sayDate, sayDay } from '../shell/dates'
import { Page } from '../shell/Page'
import { AskPerson } from '../shell/Person'
import { STATE_WORDS } from '../shell/StateShape'
import { figures, narrow } from '../theme/global'
import { Choice, Key, MainButton } from '../ui'
import { SearchField } from '../ui/SearchField'
import { useKeys } from '../ui/keys'
import { columnOf, DAYS, hang } from './hang'
import { PlainList } from './PlainList'

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  min-height: 100%;
  @media (max-width: 999px) {
    grid-template-columns: minmax(0, 1fr);
  }
`

const Days = styled.div`
  display: grid;
  grid-template-columns: 104px repeat(${DAYS + 2}, minmax(0, 1fr));
  border-bottom: 1.5px solid var(--ink);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
  & > span {
    font: 500 16px/1.2 ${narrow};
    padding: 10px 0 7px;
    text-align: center;
    border-left: 1px solid var(--rule);
  }
  & > span:first-child {
    color: var(--pencil);
    font-size: 15px;
    text-align: left;
    padding-left: 20px;
    border: 0;
  }
  & > .today {
    font-weight: 600;
  }
  @media (max-width: 999px) {
    display: none;
  }
`

const Lane = styled.section`
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  border-bottom: 1px solid var(--rule);
  min-height: 46px;
  & > h2 {
    font: 500 18px/1.2 ${narrow};
    padding: 13px 4px 0 20px;
  }
  & > h2 > a {
    display: block;
    font-size: 15px;
    padding: 4px 0;
  }
  & > ul {
    display: grid;
    grid-template-columns: repeat(${DAYS + 2}, minmax(0, 1fr));
    gap: 4px 0;
    padding: 3px 0;
    background: repeating-linear-gradient(
      to right,
      var(--rule) 0 1px,
      transparent 1px calc(100% / ${DAYS + 2})
    );
  }
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
    min-height: 0;
    & > h2 {
      padding: 10px 16px 0;
    }
    & > ul {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      padding: 8px 16px 12px;
      background: none;
    }
  }
`

/** Days on which the shop is shut, and the line of now, behind all lanes. */
const Behind = styled.div`
  position: absolute;
  inset: 0 0 0 104px;
  pointer-events: none;
  & > i {
    position: absolute;
    top: 0;
    bottom: 0;
    width: calc(100% / ${DAYS + 2});
    background: repeating-linear-gradient(-45deg, var(--hatch) 0 1px, transparent 1px 9px);
    opacity: 0.5;
  }
  & > b {
    position: absolute;
    top: 0;
    bottom: 0;
    border-left: 2.5px solid var(--ink);
  }
  @media (max-width: 999px) {
    display: none;
  }
`

/** From where it is promised to where its parts will really put it. */
const Slip = styled.svg`
  position: absolute;
  left: 4px;
  bottom: -7px;
  height: 10px;
  color: var(--red);
  overflow: visible;
  z-index: 1;
  @media (max-width: 999px) {
    display: none;
  }
`

const Filters = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: stretch;
  border-bottom: 1px solid var(--rule);
  min-height: 46px;
  & > select {
    min-height: 46px;
    border: 0;
    border-right: 1px solid var(--rule);
    background: var(--paper);
    padding: 0 14px;
    font-size: 16px;
    max-width: 250px;
  }
  & > button {
    border: 0;
    border-right: 1px solid var(--rule);
    min-height: 46px;
    font-weight: 500;
  }
  @media print {
    display: none;
  }
`

/** A bench tag: cut corners and a hole, as it hangs on its hook. */
const Tag = styled(Link)<{ $late: boolean; $waits: boolean }>`
  position: relative;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  column-gap: 8px;
  min-height: 46px;
  margin: 0 4px 0 17px;
  padding: 2px 8px 2px 14px;
  @media (max-width: 999px) {
    min-width: 200px;
  }
  text-decoration: none;
  background: var(--paper);
  color: ${({ $late }) => ($late ? 'var(--red)' : 'var(--ink)')};
  border: 2px ${({ $waits }) => ($waits ? 'dashed' : 'solid')} currentColor;
  border-left: 0;
  & > svg.corner {
    position: absolute;
    left: -13px;
    top: -2px;
    height: calc(100% + 4px);
    width: 14px;
    overflow: visible;
  }
  & > b {
    font: 600 18px/1.25 ${figures};
    letter-spacing: -0.03em;
  }
  & > i {
    font-style: normal;
    text-align: right;
    font: 500 14px/1.6 ${narrow};
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  & > span {
    grid-column: 1 / -1;
    font: 500 15px/1.25 ${narrow};
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
`

const Aside = styled.aside`
  border-left: 1px solid var(--ink);
  padding: 16px 18px;
  display: flex;
  flex-direction: column;
  gap: 4px;
  & h2 {
    font: 600 15px/1.3 ${narrow};
    color: var(--pencil);
    margin-top: 8px;
  }
  & h2:first-child {
    margin-top: 0;
  }
  & a {
    display: grid;
    grid-template-columns: 58px 1fr;
    padding: 5px 0 6px;
    border-bottom: 1px solid var(--rule);
    text-decoration: none;
  }
  & a > b {
    font: 600 17px/1.3 ${figures};
    letter-spacing: -0.03em;
  }
  & a > span {
    font-weight: 600;
    line-height: 1.3;
  }
  & a > span > small {
    display: block;
    font-size: 15px;
    font-weight: 400;
    color: var(--pencil);
  }
  & .late > b,
  & .late > span {
    color: var(--red);
  }
  @media (max-width: 999px) {
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
`

const Counts = styled.dl`
  margin-top: auto;
  position: sticky;
  bottom: 0;
  background: var(--paper);
  border: 1px solid var(--ink);
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  text-align: center;
  & > div {
    padding: 8px 4px;
    border-right: 1px solid var(--rule);
    display: flex;
    flex-direction: column-reverse;
  }
  & > div:last-child {
    border-right: 0;
  }
  & dd {
    font: 400 26px/1.2 ${figures};
  }
  & dt {
    font: 600 14px/1.3 ${narrow};
    color: var(--pencil);
  }
`

/** Every job where it hangs: by station down, by promise across, so that trouble is a tag far left and high up. */
export default function Rack() {
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const plain = search.get('as') === 'list'
  const by = search.get('by') ?? ''
  const customer = search.get('customer') ?? ''
  const waiting = search.get('waits') === '1'
  const all = search.get('all') === '1'
  const only = search.get('station') ?? ''
  // Two changes may come faster than the address follows: the second builds on the first.
  const latest = useRef(search)
  useEffect(() => {
    latest.current = search
  }, [search])
  const put = (changes: Record<string, string>) => {
    const next = new URLSearchParams(latest.current)
    for (const [key, value] of Object.entries(changes))
      if (value) next.set(key, value)
      else next.delete(key)
    latest.current = next
    setSearch(next, { replace: true })
  }
  const togglePlain = () => put({ as: plain ? '' : 'list', station: '' })
  const found = search.get('find') ?? ''
  const [q, setQ] = useState(found)
  const [wrong, setWrong] = useState(() => letterSentence(found))
  const shop = useShop()
  const { person } = usePerson()
  const jobs = useJobs({ q, status: all ? 'all' : 'open', by, customer, waits: waiting })
  const find = useRef<HTMLInputElement>(null)
  const toTag = (by: number) => {
    const tags = [...document.querySelectorAll<HTMLAnchorElement>('a[data-tag]')]
    const at = tags.indexOf(document.activeElement as HTMLAnchorElement)
    tags[at < 0 ? 0 : Math.max(0, Math.min(tags.length - 1, at + by))]?.focus()
  }
  useKeys({
    ArrowDown: () => toTag(1),
    ArrowRight: () => toTag(1),
    ArrowUp: () => toTag(-1),
    ArrowLeft: () => toTag(-1),
    p: togglePlain,
    w: () => put({ waits: waiting ? '' : '1' }),
    n: () => void navigate('/receive'),
    '/': () => find.current?.focus(),
    l: () => void navigate('/library'),
  })

  const rows = (jobs.data?.jobs ?? []).filter((row) => !only || row.station === only)
  const clock = shopClock(jobs.data?.today, shop.data)
  const seen = rows.map((row) => {
    const promised = { ...row, uncovered: isUncovered(row) }
    return {
      row,
      outlook: outlook(promised, clock, sayDate),
      onTag: outlook(promised, clock, sayDay).reason,
    }
  })
  const today = clock.today

  const go = () => {
    const read = readNumber(q)
    const letter = letterSentence(q)
    if (letter) return setWrong(letter)
    const one = rows.length === 1 ? rows[0] : rows.find((row) => row.number === read?.number)
    if (one) void navigate(`/jobs/${one.number}`)
  }
  return (
    <Page
      title="rack"
      head={
        <>
          <SearchField
            label="Find a job"
            placeholder="Job, list number, customer, or scan a label"
            value={q}
            field={find}
            go={go}
            onChange={(text) => {
              setWrong('')
              setQ(text)
            }}
          />
          <span style={{ fontWeight: 500 }}>{jobs.data ? sayDate(jobs.data.today) : ''}</span>
          <MainButton
            style={{ minHeight: 50, border: 0, borderRadius: 0 }}
            onPress={() => void navigate('/receive')}
          >
            Receive one <Key>N</Key>
          </MainButton>
        </>
      }
    >
      <Columns>
        <div>
          <Filters role="group" aria-label="Show">
            <select aria-label="Technician" value={by} onChange={(event) => put({ by: event.target.value })}>
              <option value="">everybody’s</option>
              {shop.data?.people.map(({ name }) => (
                <option key={name}>{name}</option>
              ))}
            </select>
            <select
              aria-label="Customer"
              value={customer}
              onChange={(event) => put({ customer: event.target.value })}
            >
              <option value="">all customers</option>
              {(jobs.data?.customers ?? []).map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
            <Choice $on={waiting} aria-pressed={waiting} onPress={() => put({ waits: waiting ? '' : '1' })}>
              Waiting <Key>W</Key>
            </Choice>
            <Choice $on={all} aria-pressed={all} onPress={() => put({ all: all ? '' : '1' })}>
              Gone back too
            </Choice>
            <Choice $on={plain} aria-pressed={plain} onPress={togglePlain}>
              Plain list <Key>P</Key>
            </Choice>
            {plain && <Choice onPress={() => window.print()}>Print</Choice>}
            {only && <Choice onPress={() => put({ station: '' })}>all stations</Choice>}
          </Filters>
          {wrong && (
            <p role="alert" style={{ color: 'var(--red)', padding: '14px 22px', fontWeight: 500 }}>
              {wrong}
            </p>
          )}
          {jobs.isError && (
            <p role="alert" style={{ color: 'var(--red)', padding: '14px 22px', fontWeight: 500 }}>
              {jobs.error.message}
            </p>
          )}
          {jobs.isPending && <p style={{ padding: 22 }}>Fetching the rack …</p>}
          {jobs.data && rows.length === 0 && (
            <Empty filtered={Boolean(q || by || customer || waiting || only)} q={q} />
          )}
          {plain && rows.length > 0 && <PlainList seen={seen} />}
          {!plain && rows.length > 0 && (
            <>
              <Days aria-hidden>
                <span>promised</span>
                <span>overdue</span>
                {Array.from({ length: DAYS }, (_, i) => (
                  <span key={i} className={i === 0 ? 'today' : ''}>
                    {sayDay(addDays(today, i))}
                  </span>
                ))}
                <span>later</span>
              </Days>
              <div style={{ position: 'relative' }}>
                <Behind aria-hidden>
                  {Array.from({ length: DAYS }, (_, i) =>
                    isWorkingDay(addDays(today, i), clock.workingDays) ? null : (
                      <i key={i} style={{ left: `calc(100% / ${DAYS + 2} * ${i + 1})` }} />
                    ),
                  )}
                  <b
                    style={{
                      left: `calc(100% / ${DAYS + 2} * ${1 + Math.min(1, clock.minute / (24 * 60))})`,
                    }}
                  />
                </Behind>
                {stations.map(({ name, title }) => {
                  const here = seen.filter(({ row }) => row.station === name)
                  const { hung, more } = hang(
                    here.map((one) => ({ ...one, promise: one.row.promise })),
                    today,
                  )
                  return (
                    <Lane key={name} aria-label={`${title}: ${here.length}`}>
                      <h2>
                        {title}
                        {more > 0 && (
                          <Link to={`/?as=list&station=${name}`} aria-label={`${more} more at ${title}`}>
                            + {more}
                          </Link>
                        )}
                      </h2>
                      <ul>
                        {hung.map(({ row: { row, outlook: its, onTag }, column, line }) => (
                          <li
                            key={row.job}
                            style={{ gridColumn: `${column} / span 2`, gridRow: line, position: 'relative' }}
                          >
                            <JobTag row={row} outlook={its} onTag={onTag} />
                            {row.arrives && row.arrives > row.promise && (
                              <SlipArrow columns={columnOf(row.arrives, today) - column} />
                            )}
                          </li>
                        ))}
                      </ul>
                    </Lane>
                  )
                })}
              </div>
            </>
          )}
        </div>
        <Morning seen={seen} person={person} today={today} />
      </Columns>
      {shop.data && <AskPerson shop={shop.data} open={person === null && shop.data.people.length > 0} />}
    </Page>
  )
}

/** It hangs at the parts and waits for none: some are still to be ordered. */
const isUncovered = (row: JobRow) => row.station === 'parts' && row.stationState !== 'waits'

/** The shop's clock as the outlook needs it: local day and minute. */
function shopClock(today: string | undefined, shop: ShopAnswer | undefined): ShopClock {
  if (!shop) return { today: today ?? '2026-01-01', minute: 0, workingDays: [1, 2, 3, 4, 5] }
  const [hour = 0, minute = 0] = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: shop.zone,
  })
    .format(new Date(stampNow()))
    .split(':')
    .map(Number)
  return { today: today ?? shop.today, minute: hour * 60 + minute, workingDays: shop.workingDays }
}

function SlipArrow({ columns }: { columns: number }) {
  return columns < 1 ? null : (
    <Slip viewBox="0 0 100 10" preserveAspectRatio="none" style={{ width: `${columns * 50}%` }} aria-hidden>
      <path d="M0 5H100" stroke="currentColor" strokeWidth="2" vectorEffect="non-scaling-stroke" />
      <path d="M100 5 92 0.5V9.5Z" fill="currentColor" />
    </Slip>
  )
}

function Empty({ filtered, q }: { filtered: boolean; q: string }) {
  return (
    <div style={{ padding: '28px 22px' }}>
      <p style={{ fontSize: 20, fontWeight: 600 }}>
        {q
          ? `Nothing here answers to “${q}”.`
          : filtered
            ? 'Nothing hangs here of that kind.'
            : 'The rack is empty.'}
      </p>
      <p style={{ marginTop: 6 }}>
        {q
          ? 'Try part of the customer’s name or of the list number.'
          : filtered
            ? 'Take a filter off above.'
            : 'Take the first one in: press N.'}
      </p>
    </div>
  )
}

interface Seen {
  row: JobRow
  outlook: Outlook
  /** the reason in few enough letters for a tag */
  onTag: string
}

/** The shop's words for the morning: what will be late, what holds only just, what these hands do next, what came in. */
function Morning({ seen, person, today }: { seen: readonly Seen[]; person: string | null; today: string }) {
  const open = seen.filter(({ row }) => row.status === 'open')
  const late = open.filter(({ outlook: its }) => its.kind === 'late')
  const just = open.filter(({ outlook: its }) => its.kind === 'just')
  const next = open
    .filter(({ row }) => row.lastBy === person && row.stationState !== 'waits')
    .sort((a, b) => (a.row.promise < b.row.promise ? -1 : 1))
  const isToday = (at: string | null) => at?.slice(0, 10) === today
  const came = open.filter(
    ({ row }) => isToday(row.openedAt) || isToday(row.arrivedAt) || row.arrives === today,
  )
  const list = (
    title: string,
    items: readonly Seen[],
    most: number,
    say: (one: Seen) => string,
    className = '',
  ) => (
    <>
      <h2>{title}</h2>
      {items.length === 0 && <p style={{ color: 'var(--pencil)' }}>nothing</p>}
      {items.slice(0, most).map((one) => (
        <Link key={one.row.job} to={`/jobs/${one.row.number}`} className={className}>
          <b>{one.row.number}</b>
          <span>
            {one.row.equipment}
            <small>{say(one)}</small>
          </span>
        </Link>
      ))}
      {items.length > most && (
        <Link to="/?as=list" style={{ display: 'block', border: 0, fontSize: 15 }}>
          and {items.length - most} more
        </Link>
      )}
    </>
  )
  return (
    <Aside aria-label="What matters this morning">
      {list('Will be late, as things stand', late, 3, (one) => one.outlook.reason, 'late')}
      {list('Only just', just, 2, (one) => one.outlook.reason)}
      {person && list(`Next for ${person}`, next, 2, (one) => one.row.line)}
      {list('Came in today', came, 2, ({ row }) =>
        isToday(row.openedAt)
          ? `for ${row.customer}`
          : row.arrives === today
            ? `${row.waitsFor} is due today`
            : 'its parts arrived: it can go on',
      )}
      <Counts>
        <div>
          <dt>in the shop</dt>
          <dd>{open.length}</dd>
        </div>
        <div>
          <dt>wait</dt>
          <dd>{open.filter(({ row }) => row.stationState === 'waits').length}</dd>
        </div>
        <div>
          <dt>ready</dt>
          <dd>{open.filter(({ row }) => row.station === 'return').length}</dd>
        </div>
      </Counts>
    </Aside>
  )
}

/** Says that a number's check letter does not fit; empty where it does, or there is none. */
const letterSentence = (text: string): string => {
  const read = readNumber(text)
  return read && !read.letterFits
    ? `${text.trim()}: the check letter does not belong to that number. Read the label again.`
    : ''
}

function JobTag({ row, outlook: its, onTag }: Seen) {
  const late = its.kind === 'late'
  const state = row.stationState as StationState
  return (
    <Tag
      data-tag=""
      to={`/jobs/${row.number}`}
      $late={late}
      $waits={state === 'waits'}
      aria-label={`${row.number}, ${row.customer}, ${row.equipment}: ${row.line}; promised ${sayDate(row.promise)}${its.kind === 'fine' ? '' : `, ${its.kind === 'late' ? 'late' : 'only just'}: ${its.reason}`}; ${STATE_WORDS[state]}`}
    >
      <svg className="corner" viewBox="0 0 14 50" preserveAspectRatio="none" aria-hidden>
        <path
          d="M14 1 H12 L1 11 V39 L12 49 H14"
          fill="var(--paper)"
          stroke="currentColor"
          strokeWidth="2"
          strokeDasharray={state === 'waits' ? '5 4' : undefined}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <svg
        width="10"
        height="10"
        viewBox="0 0 10 10"
        aria-hidden
        style={{ position: 'absolute', left: -3, top: '50%', marginTop: -5 }}
      >
        <circle cx="5" cy="5" r="3.8" fill="none" stroke="currentColor" strokeWidth="1.5" />
      </svg>
      <b>{row.number}</b>
      <i>{row.status === 'open' ? (row.lastBy.split(' ').at(-1) ?? '') : row.status}</i>
      <span>
        {row.arrives && !late ? `${row.waitsFor} ${sayDate(row.arrives).slice(0, 3)}` : row.equipment}
      </span>
      {late && <span style={{ fontSize: 14 }}>{onTag}</span>}
    </Tag>
  )
}
