import { stationList, stationNamed, type StationName } from '@ekrond/core/base/stations'
import { whereItHangs } from '@ekrond/core/bench/stations'
import { lazy, Suspense, useEffect, type ComponentType, type LazyExoticComponent } from 'react'
import { Navigate, useParams } from 'react-router'
import { fetchFamilies } from '../data/families'
import { useJob, type OpenJob } from '../data/job'
import { JobSheet } from '../shell/JobSheet'
import { Page } from '../shell/Page'
import { NotOpen } from '../shell/NotOpen'
import { renameJob } from '../ui/moves'
import type { StationProps } from '../shell/props'

const loads: Record<StationName, () => Promise<{ default: ComponentType<StationProps> }>> = {
  receive: () => import('./receive/ReceiveStation'),
  identify: () => import('./identify/IdentifyStation'),
  asfound: () => import('./asfound/AsFoundStation'),
  teardown: () => import('./teardown/TeardownStation'),
  clean: () => import('./clean/CleanStation'),
  parts: () => import('./parts/PartsStation'),
  build: () => import('./build-station/BuildStation'),
  set: () => import('./set/SetStation'),
  prove: () => import('./prove/ProveStation'),
  return: () => import('./return/ReturnStation'),
}
const pages = Object.fromEntries(Object.entries(loads).map(([name, load]) => [name, lazy(load)])) as Record<
  StationName,
  LazyExoticComponent<ComponentType<StationProps>>
>

const OverStation = lazy(() => import('./OverStation'))

/** Stations whose work is over once a job went back or was closed; what is put right then is put right at the others. */
const isOver = (open: OpenJob, station: StationName): boolean =>
  stationNamed(station).onUnit &&
  Boolean(open.state.returned || open.state.closed) &&
  open.sheets !== undefined

/** One job at one station; without a station, where it stands. */
export default function JobPage() {
  const { number = '', station } = useParams()
  const load = useJob(number)
  if (load.status === 'loading')
    return (
      <Page title="">
        <p style={{ padding: 40 }} role="status">
          Loading the job …
        </p>
      </Page>
    )
  if (load.status !== 'open') return <NotOpen load={load} />
  return <Opened open={load.open} named={number} station={station} />
}

/** The job is here: on its sheet at the station that the address names. */
function Opened({ open, named, station }: { open: OpenJob; named: string; station: string | undefined }) {
  const { number } = open
  // A job that was just taken in is known by its uuid until the server gave it its number.
  useEffect(
    () => (number === null || named === String(number) ? undefined : renameJob(number)),
    [named, number],
  )
  useEffect(() => fetchStations(), [])
  const known = stationList.find((s) => s.name === station)
  if (!known) {
    const hangs = whereItHangs(open.state, open.all)
    return (
      <Navigate
        replace
        to={open.to(hangs.station, hangs.body)}
        state={{ resumed: open.state.log.length > 1 }}
      />
    )
  }
  const Station = pages[known.name]
  return (
    // Around the whole sheet: its keys do not act before the station is there, whose field takes the focus.
    <Suspense fallback={null}>
      <JobSheet open={open} station={known.name}>
        {open.sheets && isOver(open, known.name) ? (
          <OverStation open={{ ...open, sheets: open.sheets }} station={known.name} />
        ) : (
          <Station key={open.body} open={open} />
        )}
      </JobSheet>
    </Suspense>
  )
}

/** All stations' code as soon as there is a quiet moment: the next one opens at once, also while the server is away. */
function fetchStations(): () => void {
  const later = setTimeout(() => {
    Object.values(loads).forEach((load) => void load().catch(() => undefined))
    void fetchFamilies().catch(() => undefined)
  }, 1500)
  return () => clearTimeout(later)
}
