import type { JobRow } from '@ekrond/contract/jobs'
import { showNumber } from '@ekrond/core/log'
import { stationList } from '@ekrond/core/base/stations'
import { type StationState } from '@ekrond/core/bench/stations'
import type { Outlook } from '@ekrond/core/plan/outlook'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { sayDate } from '../ui/dates'
import { StateShape } from '../shell/StateShape'
import { figures, narrow } from '../theme/global'

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  & th {
    text-align: left;
    border-bottom: 1.5px solid var(--ink);
    padding: 0;
  }
  & th > button {
    width: 100%;
    min-height: 44px;
    padding: 4px 12px;
    border: 0;
    background: none;
    text-align: left;
    font: 600 15px/1.2 ${narrow};
    cursor: pointer;
  }
  & td {
    border-bottom: 1px solid var(--rule);
    padding: 9px 12px;
    vertical-align: top;
  }
  & td:first-child {
    font: 600 17px/1.4 ${figures};
    letter-spacing: -0.03em;
  }
  & tr.late td {
    color: var(--red);
  }
  & small {
    display: block;
    color: var(--pencil);
    font-size: 15px;
  }
  /* On a phone a job is a small block: number and promise first, then for whom, where, in whose hands. */
  @media (max-width: 699px) {
    &,
    & thead,
    & tbody {
      display: block;
    }
    & thead > tr {
      display: flex;
      flex-wrap: wrap;
      border-bottom: 1.5px solid var(--ink);
    }
    & th {
      border: 0;
    }
    & tbody > tr {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 3px 14px;
      padding: 9px 14px;
      border-bottom: 1px solid var(--rule);
    }
    & td {
      border: 0;
      padding: 0;
    }
    & td:nth-child(2),
    & td:nth-child(4) {
      grid-column: 1 / -1;
    }
    & td:nth-child(6) {
      grid-area: 1 / 2;
      text-align: right;
    }
    & td:nth-child(3) {
      grid-row: 4;
    }
    & td:nth-child(5) {
      grid-area: 4 / 2;
      text-align: right;
    }
  }
`

const title = (row: JobRow) => stationList.find((s) => s.name === row.station)?.title ?? row.station
const order = (row: JobRow) => stationList.findIndex((s) => s.name === row.station)

const COLUMNS: { name: string; compare: (a: JobRow, b: JobRow) => number }[] = [
  { name: 'Job', compare: (a, b) => a.number - b.number },
  { name: 'For', compare: (a, b) => a.customer.localeCompare(b.customer) },
  { name: 'List number', compare: (a, b) => (a.listNumber ?? '').localeCompare(b.listNumber ?? '') },
  { name: 'Station', compare: (a, b) => order(a) - order(b) },
  { name: 'Technician', compare: (a, b) => a.lastBy.localeCompare(b.lastBy) },
  {
    name: 'Promised',
    compare: (a, b) => (a.promise < b.promise ? -1 : a.promise > b.promise ? 1 : a.number - b.number),
  },
]

/** The rack's facts as a plain list, sorted by any column, fit for paper and for a screen reader. */
export function PlainList({ seen }: { seen: readonly { row: JobRow; outlook: Outlook }[] }) {
  const [by, setBy] = useState({ column: 5, down: false })
  const sorted = [...seen].sort((a, b) => COLUMNS[by.column]!.compare(a.row, b.row) * (by.down ? -1 : 1))
  return (
    <Table role="table">
      <caption className="visually-hidden">Jobs, sorted by {COLUMNS[by.column]!.name.toLowerCase()}</caption>
      <thead role="rowgroup">
        <tr role="row">
          {COLUMNS.map(({ name }, i) => (
            <th
              key={name}
              scope="col"
              role="columnheader"
              aria-sort={by.column === i ? (by.down ? 'descending' : 'ascending') : 'none'}
            >
              <button onClick={() => setBy({ column: i, down: by.column === i && !by.down })}>
                {name}
                {by.column === i ? (by.down ? ', last first' : ', first first') : ''}
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody role="rowgroup">
        {sorted.map(({ row, outlook }) => (
          <tr key={row.job} role="row" className={outlook.kind === 'late' ? 'late' : undefined}>
            <td role="cell">
              <Link to={`/jobs/${row.number}`}>{showNumber(row.number)}</Link>
            </td>
            <td role="cell">
              {row.customer}
              <small>
                {row.equipment}
                {row.bodies > 1 ? `, bank of ${row.bodies}` : ''}: {row.complaint}
              </small>
            </td>
            <td role="cell" style={{ fontFamily: figures, letterSpacing: '-0.03em', whiteSpace: 'nowrap' }}>
              {row.listNumber ?? 'in doubt'}
            </td>
            <td role="cell">
              <StateShape state={row.stationState as StationState} /> {title(row)}
              <small>{row.line}</small>
            </td>
            <td role="cell" style={{ whiteSpace: 'nowrap' }}>
              {row.lastBy}
            </td>
            <td role="cell">
              {sayDate(row.promise)}
              {outlook.kind !== 'fine' && (
                <small>
                  {outlook.kind === 'late' ? 'late' : 'tight'}: {outlook.reason}
                </small>
              )}
              {row.arrives && outlook.kind === 'fine' && <small>parts {sayDate(row.arrives)}</small>}
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  )
}
