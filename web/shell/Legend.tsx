import { Dialog, Heading, Modal } from 'react-aria-components'
import styled from 'styled-components'
import { Key } from '../ui'
import { Overlay } from './Person'
import { StateShape, STATE_WORDS } from './StateShape'

const List = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 10px 16px;
  align-items: center;
  & dt {
    justify-self: end;
  }
`

const KEYS: [string, string][] = [
  ['Esc 1 … 0', 'go to a station'],
  ['0 … 9 # /', 'to the active reading'],
  ['Enter', 'log it'],
  ['Esc', 'leave the field'],
  ['Esc .', 'the next open step'],
  ['U', 'undo your last entry here'],
  ['Y', 'redo'],
  ['B', 'next carburetor of a bank'],
  ['← →', 'previous or next station'],
  ['H', 'who did what when'],
  ['W', 'diagnose: causes and the next check'],
  ['A, F', 'at a test: again; can’t test here'],
  ['+', 'take the reading from the instrument'],
  ['R', 'the rack'],
  ['N', 'new job'],
  ['/', 'search on the rack'],
  ['P', 'the rack as a plain list'],
  ['D', 'paper or blueprint'],
]

export function Legend({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Overlay isOpen={open} isDismissable onOpenChange={(now) => !now && onClose()}>
      <Modal>
        <Dialog style={{ outline: 'none' }}>
          <Heading slot="title">Shapes and keys</Heading>
          <List>
            {(Object.keys(STATE_WORDS) as (keyof typeof STATE_WORDS)[]).map((state) => (
              <div key={state} style={{ display: 'contents' }}>
                <dt>
                  <StateShape state={state} />
                </dt>
                <dd>{STATE_WORDS[state]}</dd>
              </div>
            ))}
            {KEYS.map(([key, words]) => (
              <div key={key} style={{ display: 'contents' }}>
                <dt>
                  <Key>{key}</Key>
                </dt>
                <dd>{words}</dd>
              </div>
            ))}
          </List>
        </Dialog>
      </Modal>
    </Overlay>
  )
}
