import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { usePerson } from '../data/person'
import { useQueue } from '../data/queue'
import { QuietButton } from '../ui'
import { Refused } from './Refused'

export const Late = styled.span`
  color: var(--red);
`
const Small = styled(QuietButton)`
  min-height: 30px;
  padding: 0;
  font-size: 17px;
`

interface Props {
  open: OpenJob
  /** the log has entries of a newer program */
  newer: boolean
  /** minutes by which this browser's clock is off, 0 where it is not */
  clockOff: number
  onAskPerson: () => void
}

/** The title block's last cell: what stands in the way of an entry, the worst first, else whose hands are at the bench. */
export function Hands({ open, newer, clockOff, onAskPerson }: Props) {
  const { person } = usePerson()
  const queue = useQueue()
  const [showRefused, setShowRefused] = useState(false)
  const refused = queue.refused.filter((item) => item.job === open.job)
  const waiting = open.pending.length

  const [head, body] = ((): [React.ReactNode, React.ReactNode] => {
    // First what only a person can put right; that nothing is kept stands beside it.
    if (refused.length)
      return [
        <Late key="head">
          {refused.length} refused{queue.keeps ? '' : ', lost if this closes'}
        </Late>,
        <Small key="body" style={{ color: 'var(--red)' }} onPress={() => setShowRefused(true)}>
          See why
        </Small>,
      ]
    if (!queue.keeps)
      return [
        <Late key="head">Storage off</Late>,
        <Late key="body">
          {waiting ? `${waiting} lost if this window closes` : 'this window, if it closes'}
        </Late>,
      ]
    const whose = (
      <Small
        key="body"
        style={{ fontWeight: 600 }}
        onPress={onAskPerson}
        aria-label={`Technician: ${person ?? 'choose'}`}
      >
        {person ?? 'choose'}
      </Small>
    )
    const held = waiting > 0 ? `${waiting} waiting to send` : whose
    if (queue.away) return [<Late key="head">Offline</Late>, held]
    if (newer) return [<Late key="head">Newer version</Late>, 'reload to see all of it']
    if (clockOff)
      return [
        <Late key="head">
          Clock {Math.abs(clockOff)} min {clockOff > 0 ? 'ahead' : 'behind'}
        </Late>,
        whose,
      ]
    return [waiting ? 'Sending' : 'Technician', whose]
  })()
  return (
    <>
      <dt>{head}</dt>
      <dd>{body}</dd>
      <Refused
        items={refused}
        open={open}
        shown={showRefused && refused.length > 0}
        onClose={() => setShowRefused(false)}
      />
    </>
  )
}
