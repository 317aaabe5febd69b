import { readNumber } from '@ekrond/core/log'
import { useEffect } from 'react'
import { useNavigate } from 'react-router'

/** What a label's code begins with: no reading and no key of ours does. */
const MARK = '~'
const LONGEST = 12

/** What a scanner has typed of a code that it is in the middle of. */
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
      if (scanned === null && event.key !== MARK) return
      event.preventDefault()
      event.stopImmediatePropagation()
      if (event.key === MARK) scanned = ''
      else if (event.key === 'Enter' || scanned!.length > LONGEST) {
        const read = readNumber(scanned!)
        const text = scanned!
        scanned = null
        if (read?.letterFits) void navigate(`/jobs/${read.number}`)
        else void navigate(`/?find=${encodeURIComponent(text)}`)
      } else if (event.key === 'Escape') scanned = null
      else if (event.key.length === 1) scanned += event.key
    }
    window.addEventListener('keydown', onKey, true)
    return () => window.removeEventListener('keydown', onKey, true)
  }, [navigate])
}
