import { createContext, useContext, type ReactNode } from 'react'
import { createPortal } from 'react-dom'

export const StripSlot = createContext<HTMLElement | null>(null)

/** What a station keeps in sight along the bottom of the sheet. */
export function OnStrip({ children }: { children: ReactNode }) {
  const slot = useContext(StripSlot)
  return slot && createPortal(children, slot)
}
