import { READY } from '@ekrond/core/bench/stations'
import { Link } from 'react-router'
import styled from 'styled-components'
import { figures, narrow } from '../theme/global'
import { BathLine } from './BathLine'
import { Keeping } from './Keeping'
import type { Seen } from './seen'

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
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
  }
`

/** The shop's words for the morning: what will be late, what holds only just, what these hands do next, what came in. */
export function Morning({
  seen,
  person,
  today,
  filtered,
  total,
}: {
  seen: readonly Seen[]
  person: string | null
  today: string
  /** what is seen is not the whole shop */
  filtered: boolean
  /** open jobs in the shop, also beyond those that were fetched */
  total: number
}) {
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
    <Aside aria-label="This morning">
      <Keeping />
      <BathLine />
      {list('Will be late', late, 3, (one) => one.outlook.reason, 'late')}
      {list('Tight', just, 2, (one) => one.outlook.reason)}
      {person && list(`Next for ${person}`, next, 2, (one) => one.row.line)}
      {list('Came in today', came, 2, ({ row }) =>
        isToday(row.openedAt)
          ? `for ${row.customer}`
          : row.arrives === today
            ? `${row.waitsFor} is due today`
            : 'parts arrived, ready to continue',
      )}
      <Counts>
        <div>
          <dt>{filtered ? 'shown' : 'in the shop'}</dt>
          <dd>{filtered ? open.length : Math.max(total, open.length)}</dd>
        </div>
        <div>
          <dt>wait</dt>
          <dd>{open.filter(({ row }) => row.stationState === 'waits').length}</dd>
        </div>
        <div>
          <dt>ready</dt>
          <dd>{open.filter(({ row }) => row.line === READY).length}</dd>
        </div>
      </Counts>
    </Aside>
  )
}
