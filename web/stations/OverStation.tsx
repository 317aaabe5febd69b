import { showNumber } from '@ekrond/core/log'
import { stationNamed, type StationName } from '@ekrond/core/base/stations'
import { type Sheets, teardownOrder } from '@ekrond/core/sheets'
import { useMemo } from 'react'
import { Link } from 'react-router'
import type { OpenJob } from '../data/job'
import { Ask, Main } from '../shell/frame'
import { OnStrip } from '../shell/OnStrip'
import { SettingsStrip } from '../shell/SettingsStrip'
import { UnitBoard } from '../shell/UnitBoard'

/** The unit as returned, and where work goes on: no control that could not act. */
export default function OverStation({
  open,
  station,
}: {
  open: OpenJob & { sheets: Sheets }
  station: StationName
}) {
  const { state, sheets, here } = open
  const order = useMemo(() => teardownOrder(sheets.build), [sheets])
  const off = useMemo(() => new Set(Object.keys(here.off).filter((code) => !here.on[code])), [here])
  const { title } = stationNamed(station)
  const link = { fontWeight: 600, padding: '8px 0', textUnderlineOffset: 4 }
  return (
    <>
      <OnStrip>
        <SettingsStrip open={open} />
      </OnStrip>
      <Main $ask={420}>
        <UnitBoard
          sheets={sheets}
          title={state.returned ? 'As returned' : 'As left'}
          legend="solid: installed · dashed: not reinstalled"
          order={order}
          off={off}
          current={undefined}
          next={[]}
        />
        <Ask aria-label="Current step">
          <h2>{state.returned ? 'Released.' : 'Job closed.'}</h2>
          <p style={{ fontSize: 17 }}>
            {title} is over on {open.number === null ? 'this job' : showNumber(open.number)}
            {state.closed ? ` (${state.closed.why})` : ''}. Correct a reading or finding at its station; for
            more, reopen the job.
          </p>
          <Link to={open.to('return')} style={link}>
            {state.returned ? 'To its sheet, or to reopen it' : 'To reopen it'}
          </Link>
          <Link to={open.to('history')} style={link}>
            History
          </Link>
        </Ask>
      </Main>
    </>
  )
}
