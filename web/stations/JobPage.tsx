import { stations, whereItHangs, type StationName } from '@ekrond/core/job'
import { lazy, Suspense, type ComponentType } from 'react'
import { Navigate, useParams } from 'react-router'
import { useJob } from '../data/job'
import { Page } from '../shell/Page'
import type { StationProps } from './props'

const pages: Record<StationName, React.LazyExoticComponent<ComponentType<StationProps>>> = {
  receive: lazy(() => import('./receive/ReceiveStation')),
  identify: lazy(() => import('./identify/IdentifyStation')),
  asfound: lazy(() => import('./asfound/AsFoundStation')),
  teardown: lazy(() => import('./teardown/TeardownStation')),
  parts: lazy(() => import('./parts/PartsStation')),
  build: lazy(() => import('./build/BuildStation')),
  set: lazy(() => import('./set/SetStation')),
  return: lazy(() => import('./return/ReturnStation')),
}

/** One job at one station; without a station, where it stands. */
export default function JobPage() {
  const { number = '', station } = useParams()
  const load = useJob(number)
  if (load.status === 'loading')
    return (
      <Page title="">
        <p style={{ padding: 40 }} role="status">
          Fetching the job …
        </p>
      </Page>
    )
  if (load.status === 'missing')
    return (
      <Page title="">
        <div style={{ padding: '40px 48px' }}>
          <h2>{load.sentence}</h2>
          <p style={{ marginTop: 10 }}>
            Look for it on the rack by its number, its customer or its list number.
          </p>
        </div>
      </Page>
    )
  const { open } = load
  const known = stations.find((s) => s.name === station)
  const hangs = whereItHangs(open.state, open.all)
  if (!known || (open.number !== null && number !== String(open.number)))
    return (
      <Navigate
        replace
        to={known ? open.to(known.name) : open.to(hangs.station, hangs.body)}
        state={known ? null : { resumed: open.state.log.length > 1 }}
      />
    )
  const Station = pages[known.name]
  return (
    <Suspense fallback={null}>
      <Station key={open.body} open={open} />
    </Suspense>
  )
}
