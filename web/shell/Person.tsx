import type { ShopAnswer } from '@ekrond/contract/shop'
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'
import { usePerson } from '../data/person'
import { Choice } from '../ui'

export const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: color-mix(in srgb, var(--board) 82%, transparent);
  display: grid;
  place-items: center;
  z-index: 10;
  & > div {
    background: var(--paper);
    border: 2px solid var(--ink);
    padding: 24px 28px;
    max-width: min(640px, 94vw);
    max-height: 88vh;
    overflow: auto;
  }
  & h2 {
    font-size: 22px;
    margin-bottom: 14px;
  }
`

/** Asked once a browser: whose hands are these? */
export function AskPerson({
  shop,
  open,
  onClose,
}: {
  shop: ShopAnswer
  open: boolean
  onClose?: () => void
}) {
  const { person, choose } = usePerson()
  return (
    <Overlay isOpen={open} isDismissable={person !== null} onOpenChange={(now) => !now && onClose?.()}>
      <Modal>
        <Dialog style={{ outline: 'none' }}>
          <Heading slot="title">Who is working here?</Heading>
          <div style={{ display: 'grid', gap: 10, minWidth: 300 }}>
            {shop.people.map(({ name }, i) => (
              <Choice
                key={name}
                $on={name === person}
                autoFocus={i === 0}
                onPress={() => {
                  choose(name)
                  onClose?.()
                }}
              >
                {name}
              </Choice>
            ))}
          </div>
        </Dialog>
      </Modal>
    </Overlay>
  )
}
