import { useState } from 'react'
import { Dialog, Heading, Modal } from 'react-aria-components'
import { Button, ErrorLine, FieldInput, Label, MainButton } from '../ui'
import { Overlay } from './Person'
import { onEnter } from '../ui/keys'

/** It went back with its sheet: what is taken back now makes the next revision, and says why. */
export function UndoAfter({
  open,
  onClose,
  takeBack,
}: {
  open: boolean
  onClose: () => void
  /** empty where it was taken back, else why not */
  takeBack: (why: string) => string
}) {
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  const go = () => {
    if (!why.trim())
      return setWrong('Give the reason in a few words; it is printed on the next revision of the sheet.')
    const no = takeBack(why.trim())
    if (no) return setWrong(no)
    setWhy('')
    setWrong('')
    onClose()
  }
  return (
    <Overlay isOpen={open} isDismissable onOpenChange={(now) => !now && onClose()}>
      <Modal>
        <Dialog style={{ outline: 'none', display: 'grid', gap: 14 }}>
          <Heading slot="title">Undo after release?</Heading>
          <p>The sheet already sent stays as it is. This makes the next revision.</p>
          <label>
            <Label>Reason for the undo</Label>
            <FieldInput
              autoFocus
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              onKeyDown={onEnter(go)}
            />
          </label>
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          <div style={{ display: 'flex', gap: 10 }}>
            <MainButton onPress={go}>Undo it</MainButton>
            <Button onPress={onClose}>Leave it</Button>
          </div>
        </Dialog>
      </Modal>
    </Overlay>
  )
}
