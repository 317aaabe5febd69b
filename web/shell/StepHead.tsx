import type { ReactNode } from 'react'
import { Label, QuietButton } from '../ui'
import { AskHead } from './frame'

/** Where one stands among the things that are asked here, and the way to the one before and after. */
export function StepHead({
  what,
  move,
  children,
}: {
  what: string
  move: (by: number) => void
  children: ReactNode
}) {
  return (
    <AskHead>
      <Label>{children}</Label>
      <QuietButton onPress={() => move(-1)} aria-label={`previous ${what}`}>
        previous
      </QuietButton>
      <QuietButton onPress={() => move(1)} aria-label={`next ${what}`}>
        next
      </QuietButton>
    </AskHead>
  )
}
