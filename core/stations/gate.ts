import { unshown } from '../claims/index.ts'
import { bodiesOf, bodyKey, bodyNumbers, type JobState } from '../job/state.ts'
import type { SheetsByBody } from '../job/kind.ts'
import type { StationName } from './names.ts'
import { stations, viewOf } from './registry.ts'
import { point, type Point } from './station.ts'

export interface GatePoint extends Point {
  body: number
  /** where it is seen to */
  station: StationName
  passed: { why: string; second: string; by: string } | null
}

type Placed = Omit<GatePoint, 'passed'>

/** Everything that stands in the way of the return, by body and station, passed ones with their reasons. What may not be passed stands, whatever the log says. */
export function gatePoints(state: JobState, all: SheetsByBody): GatePoint[] {
  const ofBodies = bodyNumbers(state).flatMap((body) => bodyPoints(state, all, body))
  const ofJob = stations.flatMap(({ name, jobPoints }) =>
    (jobPoints?.(state) ?? []).map((one): Placed => ({ ...one, body: 1, station: name })),
  )
  return [...ofBodies, ...ofJob].map((one) => ({
    ...one,
    passed: (one.passable && isPassed(state, one.point, one.value) && state.passes[one.point]) || null,
  }))
}

/** Whether a point was let pass as it stands: one that was passed at another value is open again. Passes of before name no value. */
function isPassed(state: JobState, point: string, value: string | null): boolean {
  const pass = state.passes[point]
  if (!pass) return false
  return value === null || pass.value === value || (pass.value === null && !state.opened?.evidence)
}

export const openPoints = (state: JobState, all: SheetsByBody): GatePoint[] =>
  gatePoints(state, all).filter((one) => !one.passed)

function bodyPoints(state: JobState, all: SheetsByBody, body: number): Placed[] {
  const bank = bodiesOf(state) > 1
  const view = viewOf(state, all, body)
  const { sheets } = view
  if (!sheets) {
    const title = bank ? `Body ${body} is not identified` : 'It is not identified'
    return [
      {
        ...point(bodyKey(body, 'identify'), title, 'its sheet says what it is set to', false),
        body,
        station: 'identify',
      },
    ]
  }
  const placed = (one: Point, station: StationName): Placed => ({
    ...one,
    point: bodyKey(body, one.point),
    title: bank ? `Body ${body}: ${one.title}` : one.title,
    body,
    station,
  })
  const shown = unshown(state, sheets, body).map((group) =>
    placed(point(group.point, group.title, group.detail, true, group.value), group.station),
  )
  return [
    ...shown,
    ...stations.flatMap(({ name, points }) =>
      (points?.({ ...view, sheets }) ?? []).map((one) => placed(one, name)),
    ),
  ]
}
