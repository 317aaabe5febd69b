import { FirstSteps } from './FirstSteps'
import type { JobRow } from '@ekrond/contract/jobs'
import type { ShopAnswer } from '@ekrond/contract/shop'
import { addDays, isWorkingDay } from '@ekrond/core/base/days'
import { readNumber } from '@ekrond/core/log'
import { stationList } from '@ekrond/core/base/stations'
import { outlook, type ShopClock } from '@ekrond/core/plan/outlook'
import { useEffect, useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { stampNow } from '../data/clock'
import { useJobs } from '../data/rack'
import { useShop } from '../data/shop'
import { usePerson } from '../data/person'
import { sayDate, sayDay, sayInstant } from '../ui/dates'
import { Page } from '../shell/Page'
import { AskPerson } from '../shell/Person'
import { Choice, ErrorLine, Key, MainButton, QuietButton } from '../ui'
import { SearchField } from '../ui/SearchField'
import { useKeys } from '../ui/keys'
import { columnOf, DAYS, hang } from './hang'
import { PlainList } from './PlainList'
import { RackColumns, Days, Lane, Behind, Filters } from './rackFrame'
import { Morning } from './Morning'
import { JobTag, SlipArrow } from './JobTag'

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

  const filtered = Boolean(q || by || customer || waiting || only)
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
            New job <Key>N</Key>
          </MainButton>
        </>
      }
    >
      <RackColumns>
        <div>
          <Filters role="group" aria-label="Show">
            <select aria-label="Technician" value={by} onChange={(event) => put({ by: event.target.value })}>
              <option value="">everyone</option>
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
              Show finished
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
          {jobs.data && jobs.data.total > jobs.data.jobs.length && (
            <p role="status" style={{ padding: '14px 22px 0', fontWeight: 500 }}>
              {jobs.data.jobs.length} of {jobs.data.total} shown. Search or filter to see the others.
            </p>
          )}
          {jobs.data?.asOf && (
            <ErrorLine role="status" style={{ padding: '6px 22px' }}>
              Offline. The rack as of {sayInstant(jobs.data.asOf, shop.data?.zone ?? 'UTC')}.
            </ErrorLine>
          )}
          {filtered && rows.length > 0 && (
            <Hides
              shown={rows.length}
              by={[q && `“${q}”`, by, customer, waiting && 'waiting', only]}
              all={() => {
                setQ('')
                put({ by: '', customer: '', waits: '', station: '', find: '' })
              }}
            />
          )}
          {jobs.isError && (
            <p role="alert" style={{ color: 'var(--red)', padding: '14px 22px', fontWeight: 500 }}>
              {jobs.error.message}
            </p>
          )}
          {jobs.isPending && <p style={{ padding: 22 }}>Loading the rack …</p>}
          {jobs.data && rows.length === 0 && <Empty filtered={filtered} q={q} />}
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
                {stationList.map(({ name, title }) => {
                  const here = seen.filter(({ row }) => row.station === name)
                  const { hung, more } = hang(
                    here.map((one) => ({ ...one, promise: one.row.promise })),
                    today,
                  )
                  return (
                    <Lane key={name} aria-label={`${title}: ${here.length}`}>
                      <h2>
                        {title}
                        {here.length > 0 && <small aria-hidden>{here.length}</small>}
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
        {jobs.data && (
          <Morning
            seen={seen}
            person={person}
            today={today}
            filtered={filtered}
            total={all ? 0 : jobs.data.total}
          />
        )}
      </RackColumns>
      {shop.data && <AskPerson shop={shop.data} open={person === null && shop.data.people.length > 0} />}
    </Page>
  )
}

/** What a search or a filter leaves, and the way back to all. */
function Hides({ shown, by, all }: { shown: number; by: readonly (string | false)[]; all: () => void }) {
  return (
    <p role="status" style={{ padding: '2px 22px', display: 'flex', gap: 14, alignItems: 'center' }}>
      {shown === 1 ? '1 job matches' : `${shown} jobs match`} {by.filter(Boolean).join(', ')}. The others are
      hidden.
      <QuietButton onPress={all}>Show all</QuietButton>
    </p>
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

function Empty({ filtered, q }: { filtered: boolean; q: string }) {
  return (
    <div style={{ padding: '28px 22px' }}>
      <p style={{ fontSize: 20, fontWeight: 600 }}>
        {q ? `No match for “${q}”.` : filtered ? 'No jobs match these filters.' : 'The rack is empty.'}
      </p>
      <p style={{ marginTop: 6 }}>
        {q
          ? 'Try part of the customer’s name or of the list number.'
          : filtered
            ? 'Remove a filter above.'
            : 'Open the first job: press N.'}
      </p>
      {!q && !filtered && <FirstSteps />}
    </div>
  )
}

/** Says that a number's check letter does not fit; empty where it does, or there is none. */
const letterSentence = (text: string): string => {
  const read = readNumber(text)
  return read && !read.letterFits
    ? `${text.trim()}: the check letter does not match that number. Read the label again.`
    : ''
}
