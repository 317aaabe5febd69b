import { known } from '@ekrond/core/taught'
import { Link } from 'react-router'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { narrow } from '../theme/global'

const Line = styled.div`
  display: flex;
  align-items: center;
  gap: 14px;
  min-height: 44px;
  padding: 0 20px;
  border-bottom: 1px solid var(--line);
  font: 500 16px/1.25 ${narrow};
  & > span:first-child {
    display: inline-flex;
    gap: 3px;
  }
  & i {
    width: 15px;
    height: 9px;
    border: 1.5px solid var(--ink);
  }
  & i[data-on='true'] {
    background: var(--ink);
  }
  & > b {
    font-weight: 600;
  }
  & > a {
    margin-left: auto;
    min-height: 44px;
    display: inline-flex;
    align-items: center;
    color: var(--blue);
    text-underline-offset: 4px;
  }
`

/** How far a taught unit is known, over every station, with what one measurement would buy. */
export function LadderLine({ open }: { open: OpenJob }) {
  const { sheets } = open
  if (!sheets?.spec.taught) return null
  const { rungs, at, next } = known(sheets.spec)
  const whole = at === rungs.length - 1
  const buys = next && `${next.fact.name}${next.alone ? `: then it ${next.rung.says}` : ''}`
  return (
    <Line role="group" aria-label="What is known">
      <span aria-hidden>
        {rungs.map(({ code, reached }) => (
          <i key={code} data-on={reached} />
        ))}
      </span>
      <b>Taught: {rungs[at]!.says}</b>
      {open.here.taught ? (
        <Link to={open.to('identify')}>
          {buys ?? (whole ? 'All of its float is measured' : 'Write its float height')}
        </Link>
      ) : (
        // It is the library's now: what is measured on this one is its next revision.
        <Link
          to={`/library/${encodeURIComponent(sheets.spec.listNumber)}${open.number === null ? '' : `?job=${open.number}`}`}
        >
          {buys ?? (whole ? 'All of its float is measured' : 'Float height needs a value')}
        </Link>
      )}
    </Line>
  )
}
