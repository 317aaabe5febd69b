import { rejudged } from '@ekrond/core/judge/findings'
import { checkAgain, fromEarlier } from '@ekrond/core/judge/again'
import { Link } from 'react-router'
import { Label } from '../../ui'
import { StateShape } from '../../shell/StateShape'
import type { SheetedProps } from '../withSheets'

/** What an identification that was corrected leaves behind: to be checked again, and without a partner on the new sheets. */
export function CheckAgain({ open }: SheetedProps) {
  const again = [
    ...checkAgain(open.state, open.sheets, open.body),
    ...rejudged(open.state, open.sheets, open.body).map(({ position, name, why }) => ({
      what: 'finding' as const,
      key: position,
      name,
      why,
    })),
  ]
  const earlier = fromEarlier(open.state, open.sheets, open.body)
  return (
    <>
      {again.length > 0 && (
        <section aria-label="Check again" style={{ borderTop: '2px solid var(--ink)', paddingTop: 8 }}>
          <b>
            <StateShape state="again" /> {again.length} to check again
          </b>
          {again.slice(0, 5).map((item) => (
            <p key={`${item.what} ${item.key}`} style={{ fontSize: 15 }}>
              {item.name}: {item.why}
            </p>
          ))}
          {again.some((item) => item.what === 'reading') && (
            <Link to={open.to('set')} style={{ display: 'inline-block', padding: '10px 0' }}>
              Check them against the new sheet
            </Link>
          )}
        </section>
      )}
      {earlier.length > 0 && (
        <section aria-label="From the earlier identification">
          <Label>From the earlier identification, kept</Label>
          {earlier.map((item) => (
            <p key={`${item.what} ${item.key}`} style={{ fontSize: 15 }}>
              {item.key}, {item.what}: {item.said}
            </p>
          ))}
        </section>
      )}
    </>
  )
}
