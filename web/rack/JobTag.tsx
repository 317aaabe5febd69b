import { type StationState } from '@ekrond/core/bench/stations'
import { READY } from '@ekrond/core/bench/stations'
import { Tick } from '../ui'
import { Link } from 'react-router'
import styled from 'styled-components'
import { sayDate } from '../ui/dates'
import { STATE_WORDS } from '../shell/StateShape'
import { figures, narrow } from '../theme/global'
import type { Seen } from './seen'

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

/** A bench tag: cut corners and a hole, as it hangs on its hook. */
const Tag = styled(Link)<{ $late: boolean; $waits: boolean }>`
  position: relative;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  column-gap: 8px;
  min-height: 44px;
  margin: 0 4px 0 17px;
  padding: 1px 8px 1px 14px;
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
    font: 500 15px/1.5 ${narrow};
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

export function SlipArrow({ columns }: { columns: number }) {
  return columns < 1 ? null : (
    <Slip viewBox="0 0 100 10" preserveAspectRatio="none" style={{ width: `${columns * 50}%` }} aria-hidden>
      <path d="M0 5H100" stroke="currentColor" strokeWidth="2" vectorEffect="non-scaling-stroke" />
      <path d="M100 5 92 0.5V9.5Z" fill="currentColor" />
    </Slip>
  )
}

export function JobTag({ row, outlook: its, onTag }: Seen) {
  const late = its.kind === 'late'
  const state = row.stationState as StationState
  const ready = row.status === 'open' && row.line === READY
  return (
    <Tag
      data-tag=""
      to={`/jobs/${row.number}`}
      $late={late}
      $waits={state === 'waits'}
      aria-label={`${row.number}, ${row.customer}, ${row.equipment}: ${row.line}; promised ${sayDate(row.promise)}${its.kind === 'fine' ? '' : `, ${its.kind === 'late' ? 'late' : 'tight'}: ${its.reason}`}; ${STATE_WORDS[state]}`}
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
      {ready ? (
        <i>
          <Tick size={12} /> ready
        </i>
      ) : (
        <i>{row.status === 'open' ? (row.lastBy.split(' ').at(-1) ?? '') : row.status}</i>
      )}
      <span>
        {row.arrives && !late ? `${row.waitsFor} ${sayDate(row.arrives).slice(0, 3)}` : row.equipment}
      </span>
      {late && <span style={{ fontSize: 14 }}>{onTag}</span>}
    </Tag>
  )
}
