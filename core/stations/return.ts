import { portsOf } from '../families/index.ts'
import { portWords } from '../job/kinds/port.noted.ts'
import { leftWrong } from '../proof/index.ts'
import { figure } from '../measure/index.ts'
import { point, type Station } from './station.ts'

/** Minutes for the last look, the sheet and the parcel. */
export const RETURN_MINUTES = 10

export const returnStation: Station = {
  name: 'return',
  title: 'Return',
  number: 0,
  kinds: ['gate.passed', 'complaint.answered', 'test.repeated', 'job.returned'],
  doing: 'see what stands before its return',
  state: ({ state }) =>
    state.returned ? 'done' : Object.keys(state.passes).length > 0 || state.answer ? 'begun' : 'none',
  line(_view, openPoints) {
    const open = openPoints()
    return open ? `${open} ${open === 1 ? 'point' : 'points'} before it may go` : 'ready, sheet can be made'
  },
  minutes: () => 0,
  canGoOn: () => false,
  points: ({ here, sheets }) =>
    portsOf(sheets)
      .filter((port) => leftWrong(here.ports[port.code]?.left, port))
      .map((port) => {
        const { left, found } = here.ports[port.code] ?? {}
        return point(
          `port:${port.code}`,
          `${port.name}, ${figure(port.boreMm)} mm: ${left ? portWords(left) : 'not said how it is left'}`,
          found ? `found ${portWords(found)}` : 'joined to what, capped, or open on purpose',
        )
      }),
  jobPoints: (state) => [
    ...(!state.answer && state.opened && state.opened.complaint.symptom !== 'none: overhaul'
      ? [point('complaint', 'The complaint is not answered', 'explained by what, or not explained', false)]
      : []),
    // It came back once already: nobody lets it go a second time without knowing why.
    ...(state.answer && !state.answer.explained && state.opened?.earlier
      ? [
          point(
            'comeback',
            `It came back from job ${state.opened.earlier}, and nothing explains why`,
            'find the cause, or say that it lies outside of the carburetor',
            true,
            state.answer.words,
          ),
        ]
      : []),
  ],
}
