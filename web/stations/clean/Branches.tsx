import { branchStandingOf } from '@ekrond/core/diagnose/passages'
import type { PassageView } from '@ekrond/core/bench/stations'
import styled from 'styled-components'
import { figures } from '../../theme/global'

const List = styled.ul`
  display: grid;
  & > li {
    display: grid;
    grid-template-columns: 1fr auto 56px;
    gap: 10px;
    align-items: baseline;
    padding: 3px 0;
    border-bottom: 1px solid var(--rule);
    font-size: 16px;
  }
  & span {
    color: var(--pencil);
  }
  & i {
    font: 500 16px/1.3 ${figures};
    text-align: right;
  }
`

/** Every branch with what the blows say of it, the likeliest blocked first. */
export function Branches({ view, most }: { view: PassageView; most: number }) {
  const { plan, blocked, blows } = view
  const shown = [...plan.passages].sort((a, b) => blocked[b.id]! - blocked[a.id]!)
  return (
    <List aria-label="Branches">
      {shown.slice(0, most).map(({ id, name }) => {
        const p = blocked[id]!
        const words = branchStandingOf(p, blows.length)
        return (
          <li key={id}>
            <b style={words === 'blocked' ? { color: 'var(--red)' } : {}}>{name}</b>
            <span>{words}</span>
            <i>{p < 0.005 ? '< 1' : Math.round(p * 100)} %</i>
          </li>
        )
      })}
    </List>
  )
}
