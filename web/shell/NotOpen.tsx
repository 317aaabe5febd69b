import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import type { JobLoad } from '../data/job'
import { Button } from '../ui'
import { Page } from './Page'

const ASK_AGAIN_MS = 5000

/** A job that cannot be shown: nobody knows it, or the server is away and this window has never seen it. */
export function NotOpen({ load }: { load: Exclude<JobLoad, { status: 'open' | 'loading' }> }) {
  const again = load.status === 'away' ? load.again : undefined
  const asks = useRef(again)
  useEffect(() => {
    asks.current = again
  })
  // It comes by itself when the server is back.
  useEffect(() => {
    const timer = setInterval(() => asks.current?.(), ASK_AGAIN_MS)
    return () => clearInterval(timer)
  }, [])
  // What stands there does not flicker while it is asked.
  const [first] = useState(load.sentence)
  return (
    <Page title="">
      <div style={{ padding: '40px 48px', display: 'grid', gap: 14, justifyItems: 'start' }} role="alert">
        <h2>{again ? first : load.sentence}</h2>
        <p>
          {again
            ? 'It appears as soon as the server answers.'
            : 'Find it on the rack by its number, customer or list number.'}
        </p>
        {again && <Button onPress={again}>Try again</Button>}
        <Link to="/" style={{ padding: '10px 0', fontWeight: 600 }}>
          To the rack
        </Link>
      </div>
    </Page>
  )
}
