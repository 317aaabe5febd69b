import { readNumber } from '@ekrond/core/log'
import { useEffect } from 'react'
import { useNavigate } from 'react-router'

/** What a label's code begins with: no reading and no key of ours does. */
const MARK = '~'
const LONGEST = 12

/** What of a code a scanner has typed so far; null where it types none. With Enter the code is whole. */
export type Scan = { typed: string | null; code?: string }

/** The next key of a scan, by its name; undefined where it is none of the scanner’s. */
export function scan(typed: string | null, key: string): Scan | undefined {
  if (key === MARK) return { typed: '' }
  if (typed === null) return undefined
  if (key === 'Enter' || typed.length > LONGEST) return { typed: null, code: typed }
  if (key === 'Escape') return { typed: null }
  return { typed: key.length === 1 ? typed + key : typed }
}

/** Where a label’s code leads: its job, or the rack’s search, which says why a number whose letter does not fit is none. */
export function addressOfCode(code: string): string {
  const read = readNumber(code)
  return read?.letterFits ? `/jobs/${read.number}` : `/?find=${encodeURIComponent(code)}`
}

let scanned: string | null = null
export const isScanning = (): boolean => scanned !== null

/**
 * A label scanned anywhere opens its job: a keyboard-wedge scanner types `~1187K` and Enter. While it types, no field and no
 * key of the sheet hears it. A number whose letter does not fit goes to the rack's search, which says so.
 */
export function useScanner(): void {
  const navigate = useNavigate()
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const next = scan(scanned, event.key)
      if (!next) return
      event.preventDefault()
      event.stopImmediatePropagation()
      scanned = next.typed
      if (next.code !== undefined) void navigate(addressOfCode(next.code))
    }
    window.addEventListener('keydown', onKey, true)
    return () => window.removeEventListener('keydown', onKey, true)
  }, [navigate])
}
