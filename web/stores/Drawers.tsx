import { partsTable } from '@ekrond/core/sheets'
import styled from 'styled-components'
import { isPartKind, Likeness } from './Likeness'

const Chest = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  border-top: 1.5px solid var(--ink);
  border-left: 1.5px solid var(--ink);
  margin-bottom: 14px;
  & > button {
    display: grid;
    justify-items: center;
    gap: 4px;
    min-height: 118px;
    padding: 8px 8px 10px;
    border: 0;
    border-right: 1.5px solid var(--ink);
    border-bottom: 1.5px solid var(--ink);
    background: none;
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    cursor: pointer;
  }
  & > button:hover {
    background: var(--tint);
  }
  & > button[aria-pressed='true'] {
    background: var(--tint);
    box-shadow: inset 0 5px 0 var(--blue);
  }
`

/** The chest of loose parts, a drawer a kind, each with what lies in it drawn on its front: a tap lists what it holds. */
export function Drawers({
  kinds,
  pulled,
  pull,
}: {
  kinds: readonly string[]
  /** the drawer that stands open; empty for none */
  pulled: string
  pull: (kind: string) => void
}) {
  if (kinds.length < 2) return null
  return (
    <Chest role="group" aria-label="Drawers">
      {kinds.filter(isPartKind).map((kind) => (
        <button
          key={kind}
          type="button"
          aria-pressed={kind === pulled}
          onClick={() => pull(kind === pulled ? '' : kind)}
        >
          <Likeness kind={kind} width={96} height={64} />
          {partsTable[kind].words}
        </button>
      ))}
    </Chest>
  )
}
