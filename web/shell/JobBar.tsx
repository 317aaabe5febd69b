import styled from 'styled-components'
import { figures, narrow } from '../theme/global'
import { BarIcon, type BarIconName } from './BarIcon'

const Bar = styled.nav`
  grid-row: 1 / -1;
  grid-column: 1;
  display: flex;
  flex-direction: column;
  border-right: 2px solid var(--ink);
  & > span {
    flex: 1;
  }
  @media (max-width: 999px) {
    grid-row: auto;
    flex-direction: row;
    border-right: 0;
    border-bottom: 1px solid var(--ink);
    & > span {
      display: none;
    }
  }
  @media print {
    display: none;
  }
`

const Act = styled.button`
  min-width: 44px;
  min-height: 76px;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 5px;
  padding: 4px 2px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: transparent;
  color: var(--ink);
  font: 600 15px/1 ${narrow};
  cursor: pointer;
  & > kbd {
    font: 400 14px/1 ${figures};
    color: var(--pencil);
  }
  &:focus-visible {
    outline-offset: -4px;
  }
  @media (max-width: 999px) {
    flex: 1;
    min-height: 52px;
    border-bottom: 0;
    border-right: 1px solid var(--rule);
    & > kbd {
      display: none;
    }
  }
`

interface Props {
  onRack: () => void
  onTakeBack: () => void
  onGiveBack: () => void
  onHistory: () => void
  onWhy: () => void
  onKeys: () => void
}

/** The sheet's margin, the same on every screen of a job: away from it, an act back and again, what was done, the keys. */
export function JobBar({ onRack, onTakeBack, onGiveBack, onHistory, onWhy, onKeys }: Props) {
  return (
    <Bar aria-label="The job">
      <One icon="rack" words="Rack" keys="R" onPress={onRack} />
      <One icon="back" words="Undo" keys="U" onPress={onTakeBack} />
      <One icon="again" words="Redo" keys="Y" onPress={onGiveBack} />
      <One icon="history" words="History" keys="H" onPress={onHistory} />
      <One icon="why" words="Diagnose" keys="W" onPress={onWhy} />
      <span />
      <One icon="keys" words="Keys" keys="?" onPress={onKeys} />
    </Bar>
  )
}

function One({
  icon,
  words,
  keys,
  onPress,
}: {
  icon: BarIconName
  words: string
  keys: string
  onPress: () => void
}) {
  return (
    <Act type="button" onClick={onPress} aria-keyshortcuts={keys} aria-label={words}>
      <BarIcon name={icon} />
      {words}
      <kbd aria-hidden>{keys}</kbd>
    </Act>
  )
}
