import { explain, type Ranked } from '@ekrond/core/identify'
import styled from 'styled-components'
import { figures, narrow } from '../../theme/global'

const Candidate = styled.button<{ $on: boolean }>`
  display: block;
  width: 100%;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid ${({ $on }) => ($on ? 'var(--blue)' : 'transparent')};
  background: ${({ $on }) => ($on ? 'var(--tint)' : 'none')};
  padding: 6px 8px 7px 10px;
  cursor: pointer;
  min-height: 44px;
  & > span:first-child {
    display: flex;
    justify-content: space-between;
    font: 600 19px/1.25 ${figures};
    letter-spacing: -0.03em;
  }
  & > i {
    display: block;
    height: 7px;
    border: 1px solid var(--ink);
    margin: 3px 0 4px;
  }
  & > i > i {
    display: block;
    height: 100%;
    background: var(--ink);
  }
  & > small {
    display: block;
    font: 400 15px/1.3 ${narrow};
    color: var(--ink);
  }
`

function CandidateRow({
  ranked,
  on,
  pick,
}: {
  ranked: Ranked & { bears?: string }
  on: boolean
  pick: () => void
}) {
  const words = explain(ranked.evidence).slice(0, on ? 2 : 1)
  return (
    <Candidate $on={on} role="option" aria-selected={on} onClick={pick}>
      <span>
        <span>{ranked.id}</span>
        <span>{percent(ranked.p)}</span>
      </span>
      <i>
        <i style={{ width: `${ranked.p * 100}%` }} />
      </i>
      <small>
        {ranked.bears && <b>has {ranked.bears}, its older number · </b>}
        {words.map((word) => `${word.speaks === 'against' ? 'But: ' : ''}${word.text}`).join(' · ')}
      </small>
    </Candidate>
  )
}

const percent = (p: number) => (p > 0.995 ? '> 99 %' : p < 0.005 ? '< 1 %' : `${Math.round(p * 100)} %`)

/** The candidates with their chances, and beside them that it is none of these. */
export function Ranking({
  ranking,
  pNone,
  at,
  pick,
}: {
  ranking: readonly Ranked[]
  pNone: number
  /** the one that is picked, from 0; -1 where none is */
  at: number
  pick: (at: number) => void
}) {
  return (
    <div role="listbox" aria-label="Ranking">
      {ranking.map((ranked, i) => (
        <CandidateRow key={ranked.id} ranked={ranked} on={i === at} pick={() => pick(i)} />
      ))}
      <Candidate as="div" $on={false} role="option" aria-selected={false} style={{ cursor: 'default' }}>
        <span style={{ fontFamily: 'inherit' }}>
          <b style={{ font: `600 17px ${narrow}`, letterSpacing: 0 }}>Not in the library</b>
          <span>{percent(pNone)}</span>
        </span>
        <i>
          <i style={{ width: `${pNone * 100}%` }} />
        </i>
      </Candidate>
    </div>
  )
}
