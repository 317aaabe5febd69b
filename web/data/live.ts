import type { QueryClient } from '@tanstack/react-query'
import { catchUp, catchUpShown } from './catch-up'
import { openChannel } from './local'
import { lead, onSettled, setAway } from './queue'
import { noteVersion } from './version'

/** A second window follows within a second; fifty of them do not ask at every keystroke. */
const RACK_WAIT_MS = 300

interface Told {
  job: string
  seq: number
}

/** A job that grew, all of it to be looked at anew, or which build is served. */
type News = Told | 'resync' | { version: string }

/**
 * One window, elected by a lock, sends the queue and holds the one event stream; the others hear from it. A told `{job, seq}`
 * makes each window fetch what it lacks of the jobs that it shows.
 */
export function startLive(client: QueryClient): () => void {
  const stop = new AbortController()
  let rackTimer: ReturnType<typeof setTimeout> | undefined
  const channel = openChannel<News>('ekrond-live', (message) => hear(message))
  onSettled((job) => catchUp(client, job))

  const alone = <T>(work: () => Promise<T>) => work()
  const elected = <T>(work: () => Promise<T>): Promise<T> =>
    'locks' in navigator
      ? navigator.locks.request('ekrond-leader', { signal: stop.signal }, work)
      : alone(work)
  elected(() => {
    lead()
    const events = new EventSource('/api/events')
    events.addEventListener('entry', (event) => tell(JSON.parse(String(event.data)) as Told))
    events.addEventListener('version', (event) => tell({ version: String(event.data) }))
    events.addEventListener('resync', () => tell('resync'))
    events.addEventListener('error', () => setAway(true))
    let opened = false
    events.addEventListener('open', () => {
      setAway(false)
      if (opened) tell('resync')
      else void catchUpShown(client)
      opened = true
      lead()
    })
    return new Promise<void>((resolve) => {
      stop.signal.addEventListener('abort', () => {
        events.close()
        resolve()
      })
    })
  }).catch(() => undefined)

  return () => {
    stop.abort()
    channel.close()
  }

  /** Many entries in a row are one look at the rack. */
  function rackSoon() {
    rackTimer ??= setTimeout(() => {
      rackTimer = undefined
      void client.invalidateQueries({ queryKey: ['jobs'] })
      void client.invalidateQueries({ queryKey: ['baths'] })
    }, RACK_WAIT_MS)
  }
  function tell(what: News) {
    channel.post(what)
    hear(what)
  }
  function hear(what: News) {
    if (what !== 'resync' && 'version' in what) return noteVersion(what.version)
    rackSoon()
    if (what === 'resync') void client.invalidateQueries({ queryKey: ['job'] })
    else void catchUp(client, what.job).catch(() => undefined)
  }
}
