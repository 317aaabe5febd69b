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
    <Table>
      <caption className="visually-hidden">Jobs, sorted by {COLUMNS[by.column]!.name.toLowerCase()}</caption>
      <thead>
        <tr>
          {COLUMNS.map(({ name }, i) => (
            <th
              key={name}
              scope="col"
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
      <tbody>
        {sorted.map(({ row, outlook }) => (
          <tr key={row.job} className={outlook.kind === 'late' ? 'late' : undefined}>
            <td>
              <Link to={`/jobs/${row.number}`}>{showNumber(row.number)}</Link>
            </td>
            <td>
              {row.customer}
              <small>
                {row.equipment}
                {row.bodies > 1 ? `, bank of ${row.bodies}` : ''}: {row.complaint}
              </small>
            </td>
            <td style={{ fontFamily: figures, letterSpacing: '-0.03em', whiteSpace: 'nowrap' }}>
              {row.listNumber ?? 'in doubt'}
            </td>
            <td>
              <StateShape state={row.stationState as StationState} /> {title(row)}
              <small>{row.line}</small>
            </td>
            <td style={{ whiteSpace: 'nowrap' }}>{row.lastBy}</td>
            <td>
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
