import type { JobRow } from '@ekrond/contract/jobs'
import { addDays } from '@ekrond/core/drafts'
import { readNumber, stations, type StationState } from '@ekrond/core/job'
import { useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { useJobs, useShop } from '../data/job'
import { usePerson } from '../data/person'
import { sayDate } from '../shell/dates'
import { Page } from '../shell/Page'
import { AskPerson } from '../shell/Person'
import { STATE_WORDS } from '../shell/StateShape'
import { figures, narrow } from '../theme/global'
import { Choice, Key, MainButton } from '../ui'
import { SearchField } from '../ui/SearchField'
import { useKeys } from '../ui/keys'
import { PlainList } from './PlainList'

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  min-height: 100%;
  @media (max-width: 999px) {
    grid-template-columns: minmax(0, 1fr);
  }
`

/** Nine columns of promises: overdue, today and six days on, later. */
const DAYS = 7

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
    padding: 14px 0 8px;
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
    box-shadow: inset 3px 0 0 var(--ink);
  }
  @media (max-width: 999px) {
    display: none;
  }
`

const Lane = styled.section`
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  border-bottom: 1px solid var(--rule);
  min-height: 72px;
  & > h2 {
    font: 500 18px/1.2 ${narrow};
    padding: 25px 4px 0 20px;
  }
  & > ul {
    display: grid;
    grid-template-columns: repeat(${DAYS + 2}, minmax(0, 1fr));
    grid-auto-flow: row dense;
    gap: 6px 0;
    padding: 10px 0;
    background:
      linear-gradient(to right, var(--ink) 3px, transparent 3px) calc(100% / ${DAYS + 1}) 0 /
        calc(100% / ${DAYS + 2}) 100% no-repeat,
      repeating-linear-gradient(to right, var(--rule) 0 1px, transparent 1px calc(100% / ${DAYS + 2}));
  }
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
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

/** A bench tag: cut corners and a hole, as it hangs on its hook. */
const Tag = styled(Link)<{ $late: boolean; $waits: boolean }>`
  position: relative;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  column-gap: 8px;
  min-width: 180px;
  min-height: 50px;
  margin: 0 6px 0 17px;
  padding: 4px 8px 4px 16px;
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
    margin-top: 12px;
  }
  & h2:first-child {
    margin-top: 0;
  }
  & a {
    display: grid;
    grid-template-columns: 58px 1fr;
    padding: 7px 0;
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
  const togglePlain = () => setSearch(plain ? {} : { as: 'list' }, { replace: true })
  const found = search.get('find') ?? ''
  const [q, setQ] = useState(found)
  const [all, setAll] = useState(false)
  const [wrong, setWrong] = useState(() => letterSentence(found))
  const shop = useShop()
  const { person } = usePerson()
  const jobs = useJobs(q, all ? 'all' : 'open')
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
    n: () => void navigate('/receive'),
    '/': () => find.current?.focus(),
    l: () => void navigate('/library'),
  })

  const rows = jobs.data?.jobs ?? []
  const today = jobs.data?.today ?? '2026-01-01'
  const late = rows.filter((row) => row.late)
  const waits = rows.filter((row) => row.stationState === 'waits')
  const ready = rows.filter((row) => row.station === 'return' && row.status === 'open')
  const mine = rows
    .filter((row) => row.lastBy === person && row.status === 'open' && row.stationState !== 'waits')
    .slice(0, 3)

  const go = () => {
    const read = readNumber(q)
    const letter = letterSentence(q)
    if (letter) return setWrong(letter)
    const only = rows.length === 1 ? rows[0] : rows.find((row) => row.number === read?.number)
    if (only) void navigate(`/jobs/${only.number}`)
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
            <div style={{ padding: '28px 22px' }}>
              <p style={{ fontSize: 20, fontWeight: 600 }}>
                {q ? `Nothing here answers to “${q}”.` : 'The rack is empty.'}
              </p>
              <p style={{ marginTop: 6 }}>
                {q
                  ? 'Try part of the customer’s name or of the list number.'
                  : 'Take the first one in: press N.'}
              </p>
            </div>
          )}
          {plain && rows.length > 0 && <PlainList rows={rows} />}
          {!plain && rows.length > 0 && (
            <Days aria-hidden>
              <span>promised</span>
              <span>overdue</span>
              {Array.from({ length: DAYS }, (_, i) => (
                <span key={i} className={i === 0 ? 'today' : ''}>
                  {sayDate(addDays(today, i)).slice(0, 6)}
                </span>
              ))}
              <span>later</span>
            </Days>
          )}
          {!plain &&
            rows.length > 0 &&
            stations.map(({ name, title }) => {
              const here = rows.filter((row) => row.station === name)
              return (
                <Lane key={name} aria-label={`${title}: ${here.length}`}>
                  <h2>{title}</h2>
                  <ul>
                    {here.map((row) => (
                      <li key={row.job} style={{ gridColumn: `${columnOf(row.promise, today)} / span 2` }}>
                        <JobTag row={row} />
                      </li>
                    ))}
                  </ul>
                </Lane>
              )
            })}
        </div>
        <Aside aria-label="What matters this morning">
          <h2>Late, as things stand</h2>
          {late.length === 0 && <p>Nothing.</p>}
          {late.map((row) => (
            <Link key={row.job} to={`/jobs/${row.number}`} className="late">
              <b>{row.number}</b>
              <span>
                {row.equipment}
                <small>
                  {row.arrives && row.arrives > row.promise
                    ? `parts come ${sayDate(row.arrives)}, promised ${sayDate(row.promise)}`
                    : `was promised ${sayDate(row.promise)}`}
                </small>
              </span>
            </Link>
          ))}
          {mine.length > 0 && <h2>Next for {person}</h2>}
          {mine.map((row) => (
            <Link key={row.job} to={`/jobs/${row.number}`}>
              <b>{row.number}</b>
              <span>
                {row.equipment}
                <small>{row.line}</small>
              </span>
            </Link>
          ))}
          <div style={{ marginTop: 14, display: 'grid', gap: 8 }}>
            <Choice $on={all} onPress={() => setAll(!all)} aria-pressed={all}>
              Show returned and closed too
            </Choice>
            <Choice $on={plain} onPress={togglePlain} aria-pressed={plain}>
              Plain list <Key>P</Key>
            </Choice>
          </div>
          <Counts>
            <div>
              <dt>shown</dt>
              <dd>{jobs.data?.total ?? 0}</dd>
            </div>
            <div>
              <dt>wait</dt>
              <dd>{waits.length}</dd>
            </div>
            <div>
              <dt>ready</dt>
              <dd>{ready.length}</dd>
            </div>
          </Counts>
        </Aside>
      </Columns>
      {shop.data && <AskPerson shop={shop.data} open={person === null && shop.data.people.length > 0} />}
    </Page>
  )
}

/** Says that a number's check letter does not fit; empty where it does, or there is none. */
const letterSentence = (text: string): string => {
  const read = readNumber(text)
  return read && !read.letterFits
    ? `${text.trim()}: the check letter does not belong to that number. Read the label again.`
    : ''
}

/** Its promise's column; the last tags start early enough to hang whole. */
const columnOf = (promise: string, today: string): number => {
  const days = Math.round((Date.parse(promise) - Date.parse(today)) / 86_400_000)
  return days < 0 ? 1 : Math.min(days + 2, DAYS + 1)
}

function JobTag({ row }: { row: JobRow }) {
  const state = row.stationState as StationState
  return (
    <Tag
      data-tag=""
      to={`/jobs/${row.number}`}
      $late={row.late}
      $waits={state === 'waits'}
      aria-label={`${row.number}, ${row.customer}, ${row.equipment}: ${row.line}; promised ${sayDate(row.promise)}${row.late ? ', late' : ''}; ${STATE_WORDS[state]}`}
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
      <i>{row.status === 'open' ? row.equipment : row.status}</i>
      <span>{row.line}</span>
    </Tag>
  )
}
