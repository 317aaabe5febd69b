import { isRefusal } from '@ekrond/core/base/refusal'
import { figureKinds, worked, type FigureKind } from '@ekrond/core/plan/figures'
import { NavLink, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { narrow } from '../theme/global'
import { FigureDrawing } from './FigureDrawing'

const Tabs = styled.nav`
  display: flex;
  overflow-x: auto;
  border-bottom: 2px solid var(--ink);
  & > a {
    flex: 1 0 88px;
    display: grid;
    grid-template-rows: 40px auto;
    gap: 2px;
    padding: 6px 6px 7px;
    border-right: 1px solid var(--rule);
    text-decoration: none;
    text-align: center;
    font: 600 15px/1.15 ${narrow};
    white-space: nowrap;
  }
  & > a:last-child {
    border-right: 0;
  }
  & > a[aria-current] {
    background: var(--tint);
    box-shadow: inset 0 -5px var(--blue);
  }
  & > a:focus-visible {
    outline-offset: -4px;
  }
  @media print {
    display: none;
  }
`

/** The mixture's curve, small: the tab of the jets, which are worked out on a page of their own. */
const JETS = (
  <svg viewBox="0 0 60 40" aria-hidden style={{ width: '100%', height: '100%' }}>
    <g fill="none" stroke="var(--ink)" strokeWidth="1.6">
      <path d="M8 4V34H54" />
      <path d="M10 16C16 30 18 12 26 12S44 9 54 8" stroke="var(--pencil)" />
      <path d="M10 20C16 32 20 24 28 23S44 22 54 22" strokeWidth="2.2" />
    </g>
  </svg>
)

const small = (kind: FigureKind) => {
  const said = worked(kind, {})
  return isRefusal(said) ? null : <FigureDrawing worked={said} title="" plain />
}
/** What each looks like at its example: drawn once. */
const PICTURES = figureKinds.map((kind) => ({ kind, picture: small(kind) }))

/** Every calculation that can be asked without a job. */
export function FigureTabs() {
  const [search] = useSearchParams()
  const job = search.get('job')
  const query = job ? `?job=${encodeURIComponent(job)}` : ''
  return (
    <Tabs aria-label="Figures">
      <NavLink to={`/figures/jets${query}`}>
        {JETS}
        jets
      </NavLink>
      {PICTURES.map(({ kind: { name, short }, picture }) => (
        <NavLink key={name} to={`/figures/${name}${query}`}>
          {picture ?? <span />}
          {short}
        </NavLink>
      ))}
    </Tabs>
  )
}
