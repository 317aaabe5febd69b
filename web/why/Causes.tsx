import type { Area, WhyCause } from '@ekrond/core/diagnose/why'
import styled from 'styled-components'
import { figures, narrow } from '../theme/global'

const Causes = styled.ol`
  display: grid;
  & > li {
    display: grid;
    grid-template-columns: 58px 96px minmax(0, 1fr);
    gap: 2px 12px;
    padding: 7px 0 8px;
    border-bottom: 1px solid var(--rule);
    align-items: baseline;
  }
  & i {
    font: 500 20px/1.2 ${figures};
    letter-spacing: -0.05em;
    text-align: right;
  }
  & .area {
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
  }
  & b {
    font-size: 17px;
    line-height: 1.25;
  }
  & li[data-standing='ruled out'] b {
    text-decoration: line-through;
    color: var(--pencil);
    font-weight: 500;
  }
  & small {
    grid-column: 3;
    font-size: 15px;
    line-height: 1.35;
    color: var(--pencil);
  }
  & svg {
    grid-column: 3;
    width: 100%;
    height: 14px;
    display: block;
  }
  @media (max-width: 699px) {
    & > li {
      grid-template-columns: 52px minmax(0, 1fr);
    }
    & .area {
      display: none;
    }
    & small,
    & svg {
      grid-column: 2;
    }
  }
`

const AREA_WORDS: Readonly<Record<Area, string>> = {
  carburetor: 'carburetor',
  intake: 'intake',
  ignition: 'ignition',
  fuel: 'fuel supply',
  engine: 'engine',
}

/** The chance as a bar, with a mark where it stood before anything was said. */
function Chance({ cause }: { cause: WhyCause }) {
  const x = (p: number) => 4 + p * 592
  return (
    <svg viewBox="0 0 600 14" preserveAspectRatio="none" aria-hidden>
      <line x1={4} x2={596} y1={12.5} y2={12.5} stroke="var(--rule)" />
      <rect
        x={4}
        y={3}
        width={Math.max(1, x(cause.p) - 4)}
        height={7}
        fill={cause.standing === 'found' && cause.brings > 0 ? 'var(--red)' : 'var(--ink)'}
      />
      <line x1={x(cause.prior)} x2={x(cause.prior)} y1={0} y2={14} stroke="var(--blue)" strokeWidth={2} />
    </svg>
  )
}

/** Causes in their order, each with its chance, where it lies and how it is looked at. */
export function CauseList({ causes }: { causes: readonly WhyCause[] }) {
  return (
    <Causes>
      {causes.map((cause) => (
        <li key={cause.code} data-standing={cause.standing}>
          <i>{cause.p < 0.005 ? '0' : cause.p > 0.995 ? '100' : Math.round(cause.p * 100)} %</i>
          <span className="area">{AREA_WORDS[cause.area]}</span>
          <b>
            {cause.finding}
            {cause.standing === 'found' &&
              (cause.brings > 0 ? ', found' : ', found, but it causes something else')}
          </b>
          <Chance cause={cause} />
          {cause.standing === 'open' && <small>{cause.look}</small>}
          {cause.met > 0 && (
            <small>
              met {cause.met} {cause.met === 1 ? 'time' : 'times'} in this shop
            </small>
          )}
        </li>
      ))}
    </Causes>
  )
}
