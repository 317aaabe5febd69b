import {
  claimsOf,
  claimsOfJob,
  passOf,
  valueOfGroup,
  type Claim,
  type Known,
  type Way,
  type Weight,
} from '../../claims/index.ts'
import { bodiesOf, bodyKey, bodyNumbers, bodyOf, type JobState, type SheetsByBody } from '../../log/index.ts'
import { lower } from '../../base/words/index.ts'
import type { StationName } from '../../base/stations/index.ts'

/** Something that stands in the way of the return: one claim, or several of a kind that are told together. */
export interface GatePoint {
  /** names it in a `gate.passed` */
  point: string
  title: string
  detail: string
  /** whether a reason and a second name can let it pass */
  passable: boolean
  /** what a pass is bound to: another value opens the point again; null where it is bound to the point alone */
  value: string | null
  weight: Weight
  as: Way['as']
  body: number
  /** where it is seen to */
  station: StationName
  claims: readonly Claim[]
  /** the entry that made void what was shown; null where none did */
  since: string | null
  passed: { why: string; second: string | null; by: string; at: string } | null
}

interface Member {
  claim: Claim
  way: Way
}

/** In the order of the work: what others rest on comes first. */
const RANK: readonly StationName[] = [
  'identify',
  'teardown',
  'clean',
  'parts',
  'build',
  'set',
  'prove',
  'receive',
  'asfound',
  'return',
]

/**
 * Everything that stands in the way of the return, in the order of the work, passed ones with their reasons. What may not be passed
 * stands, whatever the log says; what was not asked for stands in no way.
 */
export function gatePoints(state: JobState, all: SheetsByBody, known?: Known): GatePoint[] {
  const bank = bodiesOf(state) > 1
  const alive = bodyNumbers(state).filter((body) => !bodyOf(state, body).ended)
  const unidentified = alive.filter((body) => !all[body])
  const bodies = alive.flatMap((body) => {
    const sheets = all[body]
    return sheets ? pointsOf(state, claimsOf(state, sheets, body, known), bank) : []
  })
  const job = pointsOf(state, claimsOfJob(state), false)
  const points = [...unidentified.map((body) => notIdentified(body, bank)), ...bodies, ...job]
  return mergeOfJob(points).sort(
    (a, b) => a.body - b.body || RANK.indexOf(a.station) - RANK.indexOf(b.station),
  )
}

export const openPoints = (state: JobState, all: SheetsByBody, known?: Known): GatePoint[] =>
  gatePoints(state, all, known).filter((one) => !one.passed)

const notIdentified = (body: number, bank: boolean): GatePoint => ({
  point: bodyKey(body, 'identify'),
  title: bank ? `Carburetor ${body} is not identified` : 'Not identified',
  detail: 'its sheet says what it is set to',
  passable: false,
  value: null,
  weight: 'fatal',
  as: 'open',
  body,
  station: 'identify',
  claims: [],
  since: null,
  passed: null,
})

function pointsOf(state: JobState, claims: readonly Claim[], bank: boolean): GatePoint[] {
  const groups = new Map<string, Member[]>()
  const points: GatePoint[] = []
  for (const claim of claims) {
    if (claim.state === 'out of scope') continue
    for (const way of claim.ways)
      if (way.group) groups.set(way.group, [...(groups.get(way.group) ?? []), { claim, way }])
      else points.push(placed(state, [{ claim, way }], way.title, way.detail, way.value, bank))
  }
  for (const [group, members] of groups) {
    // Of a group those that were let pass stand apart from those that were not.
    const passed = members.filter(({ claim, way }) => passOf(state, claim, way))
    const open = members.filter((one) => !passed.includes(one))
    for (const some of [open, passed])
      if (some.length) {
        const [title, detail] = told(group, some, state)
        points.push(placed(state, some, title, detail, group === 'proof' ? null : valueOfGroup(some), bank))
      }
  }
  return points
}

function placed(
  state: JobState,
  members: readonly Member[],
  title: string,
  detail: string,
  value: string | null,
  bank: boolean,
): GatePoint {
  const { claim, way } = members[0]!
  // What was not proved at all is one decision, of the whole job.
  const ofJob = way.group === 'proof'
  const pass = passOf(state, claim, way)
  return {
    point: ofJob ? 'proof' : bodyKey(claim.body, way.point),
    title: bank && !ofJob ? `Carburetor ${claim.body}: ${title}` : title,
    detail,
    passable: way.weight !== 'fatal',
    value,
    weight: way.weight,
    as: way.as,
    body: ofJob ? 1 : claim.body,
    station: claim.station,
    claims: members.map((one) => one.claim),
    since: way.since ?? null,
    passed: pass && { why: pass.why, second: pass.second, by: pass.by, at: pass.at },
  }
}

/** The points of the whole job that each body names once. */
function mergeOfJob(points: readonly GatePoint[]): GatePoint[] {
  const proof = points.filter(({ point }) => point === 'proof')
  if (proof.length < 2) return [...points]
  return [
    ...points.filter(({ point }) => point !== 'proof'),
    { ...proof[0]!, claims: proof.flatMap(({ claims }) => claims) },
  ]
}

const MOST_NAMED = 4

const named = (members: readonly Member[]): string => {
  const names = members.slice(0, MOST_NAMED).map(({ claim }) => lower(claim.name))
  return names.join(', ') + (members.length > MOST_NAMED ? ` and ${members.length - MOST_NAMED} more` : '')
}

const some = (n: number, one: string, several = `${one}s`) => (n === 1 ? `1 ${one}` : `${n} ${several}`)

/** Several of a kind, as one title and what stands below it. */
function told(group: string, members: readonly Member[], state: JobState): [title: string, detail: string] {
  const n = members.length
  const all = named(members)
  const first = members[0]!
  const { next } = first.claim
  const blown = bodyOf(state, first.claim.body).blows.length > 0
  switch (group) {
    case 'unopened':
      return ['Never opened', 'no part checked, nothing replaced, no passage blown']
    case 'older':
      return ['Started before Ekrond asked for this', `not checked: ${all}`]
    case 'unseen':
      return [`${some(n, 'part')} not checked`, all]
    case 'unmeasured':
      return [`${some(n, 'part')} not measured`, `${all}: ${next}`]
    case 'unrenewed':
      return [`${some(n, 'part')} to be renewed, not touched`, all]
    case 'rested':
      return [`${some(n, 'passage')} to be blown again`, `${first.way.detail}: ${all}`]
    case 'unblown':
      return blown
        ? [`${some(n, 'passage')} not shown clear`, all]
        : ['No passage was blown', 'blow in air and watch where it comes out']
    case 'fuel':
      return [
        `${some(n, 'part')} ${n === 1 ? 'does' : 'do'} not suit this fuel`,
        `${all}: ${first.way.detail}`,
      ]
    default:
      return ['Not bench-tested here', 'test it, or give a reason and a second name']
  }
}
