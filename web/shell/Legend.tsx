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
  ['0 … 9 # /', 'into the reading that is asked'],
  ['Enter', 'log it'],
  ['Esc', 'leave the field'],
  ['Esc .', 'the next thing that can be done'],
  ['U', 'take back your last one here'],
  ['Y', 'give it back'],
  ['B', 'the next body of a bank'],
  ['← →', 'station beside this one'],
  ['H', 'who did what when'],
  ['W', 'why: causes, and the next look'],
  ['A, F', 'at a proof: again; only when fitted'],
  ['+', 'take the reading from the instrument'],
  ['R', 'the rack'],
  ['N', 'receive one'],
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
