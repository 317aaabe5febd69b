import { replacement, sentenceOf, type DataOf, stationOfKind } from '@ekrond/core/log'
import { Dialog, Heading, Modal } from 'react-aria-components'
import { draftKey } from '../data/draft'
import type { OpenJob } from '../data/job'
import { dropRefused } from '../data/queue'
import type { Queued } from '../data/outbox'
import { keepDraft } from '../data/store'
import { Button, ErrorLine } from '../ui'
import { beginMove, useAct } from '../ui/moves'
import { Overlay } from './Person'

/** Entries that the server did not take: each with its reason and its text, to be put right or dropped. */
export function Refused({
  items,
  open,
  shown,
  onClose,
}: {
  items: readonly Queued[]
  open: OpenJob
  shown: boolean
  onClose: () => void
}) {
  const [putRight] = useAct(async (item: Queued) => {
    const move = beginMove()
    const data = item.entry.data as {
      raw?: string
      text?: string
      code?: string
      place?: string
      position?: string
    }
    const station = stationOfKind(item.entry.kind) ?? 'receive'
    const typed = data.raw ?? data.text
    // The text goes back to the field that it came from.
    if (typed)
      await keepDraft(
        draftKey(
          item.job,
          station,
          data.code ?? data.position ?? data.place ?? '',
          data.place,
          item.entry.body,
        ),
        typed,
      )
    dropRefused(item.id)
    onClose()
    move(open.to(station, item.entry.body))
  })
  /** The same correction, of what stands now. */
  const aimAgain = (item: Queued) => {
    const stands = item.entry.corrects ? replacement(open.state, item.entry.corrects) : undefined
    if (stands)
      open.add(item.entry.kind as keyof DataOf, item.entry.data as DataOf[keyof DataOf], {
        corrects: stands.id,
      })
    dropRefused(item.id)
    onClose()
  }
  return (
    <Overlay isOpen={shown} isDismissable onOpenChange={(now) => !now && onClose()}>
      <Modal>
        <Dialog style={{ outline: 'none' }}>
          <Heading slot="title">Refused by the server</Heading>
          <ul style={{ display: 'grid', gap: 18 }}>
            {items.map((item) => (
              <li key={item.id} style={{ borderTop: '1px solid var(--rule)', paddingTop: 12 }}>
                <p style={{ fontWeight: 600 }}>{sentenceOf(item.entry)}</p>
                <ErrorLine>{item.refused?.sentence}</ErrorLine>
                <div style={{ display: 'flex', gap: 10, marginTop: 10 }}>
                  {item.refused?.code === 'superseded' && (
                    <Button onPress={() => aimAgain(item)}>Correct again</Button>
                  )}
                  <Button onPress={() => putRight(item)}>Fix it</Button>
                  <Button onPress={() => dropRefused(item.id)}>Discard</Button>
                </div>
              </li>
            ))}
          </ul>
        </Dialog>
      </Modal>
    </Overlay>
  )
}
