import type { ReactNode } from 'react'
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'

const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 20;
  background: color-mix(in srgb, var(--ink) 60%, transparent);
  display: grid;
  place-items: center;
`
const Sheet = styled(Modal)`
  background: var(--paper);
  border: 2px solid var(--ink);
  padding: 16px;
  max-width: min(1100px, 96vw);
  max-height: 96vh;
  overflow: auto;
  & > [role='dialog'] {
    display: grid;
    gap: 12px;
    outline: none;
  }
`

/** A picture laid over the page, large, with what is done in it. */
export function LargeSheet({
  title,
  close,
  children,
}: {
  title: ReactNode
  close: () => void
  children: ReactNode
}) {
  return (
    <Over isOpen isDismissable onOpenChange={(isOpen) => !isOpen && close()}>
      <Sheet>
        <Dialog>
          <Heading slot="title" style={{ fontSize: 20, margin: 0 }}>
            {title}
          </Heading>
          {children}
        </Dialog>
      </Sheet>
    </Over>
  )
}
