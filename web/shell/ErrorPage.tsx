import { useState } from 'react'
import { Link, useRouteError } from 'react-router'
import { reloadOnce } from '../data/version'
import { Page } from './Page'

/** What is said when there is nothing at an address, or a screen failed. */
export function ErrorPage() {
  const error = useRouteError()
  const failed = error instanceof Error
  // A part of the pages that an update took away: the page itself brings the new ones.
  const stale = failed && /dynamically imported module|module script|Importing a module/i.test(error.message)
  const [reloading] = useState(() => stale && reloadOnce(location.pathname))
  if (reloading) return null
  return (
    <Page title="">
      <div style={{ padding: '40px 48px', maxWidth: 640 }}>
        <h2>{failed ? 'This screen failed.' : 'There is no page at this address.'}</h2>
        <p style={{ marginTop: 10 }}>
          {failed
            ? `Nothing you entered is lost. Reload the page. If it fails again, tell whoever looks after Ekrond: ${error.message}`
            : 'Find a job by its number on the rack, a list number in the library.'}
        </p>
        <p style={{ marginTop: 18 }}>
          <Link to="/">Back to the rack</Link>
        </p>
      </div>
    </Page>
  )
}
