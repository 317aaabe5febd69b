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
    if (!why.trim()) return setWrong('Say why, in a few words: the next revision of the sheet says so.')
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
          <Heading slot="title">Take it back after it went out?</Heading>
          <p>The sheet that went out stays as it was. This makes the next revision.</p>
          <label>
            <Label>Why it is taken back</Label>
            <FieldInput
              autoFocus
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              onKeyDown={onEnter(go)}
            />
          </label>
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          <div style={{ display: 'flex', gap: 10 }}>
            <MainButton onPress={go}>Take it back</MainButton>
            <Button onPress={onClose}>Leave it</Button>
          </div>
        </Dialog>
      </Modal>
    </Overlay>
  )
}
