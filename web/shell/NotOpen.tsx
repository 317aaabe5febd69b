import { useEffect } from 'react'
import { Link } from 'react-router'
import type { JobLoad } from '../data/job'
import { useQueue } from '../data/queue'
import { Button } from '../ui'
import { Page } from './Page'

/** A job that cannot be shown: nobody knows it, or the server is away and this window has never seen it. */
export function NotOpen({ load }: { load: Exclude<JobLoad, { status: 'open' | 'loading' }> }) {
  const { away } = useQueue()
  const again = load.status === 'away' ? load.again : undefined
  // It comes by itself when the server is back.
  useEffect(() => {
    if (!away) again?.()
    // eslint-disable-next-line react-hooks/exhaustive-deps -- asked again when the server's state changes, not at each render
  }, [away])
  return (
    <Page title="">
      <div style={{ padding: '40px 48px', display: 'grid', gap: 14, justifyItems: 'start' }} role="alert">
        <h2>{load.sentence}</h2>
        <p>
          {again
            ? 'It is shown as soon as the server answers.'
            : 'Look for it on the rack by its number, its customer or its list number.'}
        </p>
        {again && <Button onPress={again}>Try again</Button>}
        <Link to="/" style={{ padding: '10px 0', fontWeight: 600 }}>
          To the rack
        </Link>
      </div>
    </Page>
  )
}
