import {
  type SheetsByBody,
  type Order,
  bodyKey,
  bodyNumbers,
  bodyOf,
  insteadWords,
  lastSaid,
  readBodyKey,
  seqOf,
  type JobState,
} from '../../log/index.ts'
import { chosenStands, isDoubtful } from '../../judge/findings/index.ts'
import { partsTable, type Position, type Sheets } from '../../sheets/index.ts'

export interface JobNeed {
  body: number
  position: string
  name: string
  part: string
  quantity: number
  why: string
  kind: 'finding' | 'always' | 'fuel' | 'chosen'
  /** whether the part bears this job's fuel */
  carried: boolean
  /** where it stands: open, ordered, here (arrived or on the shelf), on */
  standing: 'open' | 'ordered' | 'here' | 'on'
}

/** What the job needs: verdicts that need a part, what is replaced as routine, and what this fuel would spoil; with where each stands. */
export function jobNeeds(state: JobState, sheets: Sheets, body = 1): JobNeed[] {
  const { build } = sheets
  const here = bodyOf(state, body)
  if (here.ended) return []
  const ethanol = state.opened?.ethanol ?? 0
  return build.positions.flatMap((position) => {
    if (position.part === null) return []
    const chosen = here.chosen[position.code]
    if (chosen) return chosenNeeds(state, sheets, position, body)
    const finding = lastSaid(here.findings[position.code])
    // What broke at this bench is needed whatever was found of it before.
    const broke = here.off[position.code]?.again === 'broke here'
    // What is doubtful is measured with a finer gauge before anything is bought for it.
    const replace =
      broke ||
      (finding !== undefined &&
        !isDoubtful(finding) &&
        (finding.disposition === 'replace' || finding.disposition === 'condemn'))
    const overridden = finding?.overridden && !replace
    const spoiled = position.ethanolLimit !== null && ethanol > position.ethanolLimit
    if (overridden || !(replace || position.always || spoiled)) return []
    const carries = spoiled && position.ethanolPart && position.ethanolPart.limit >= ethanol
    const kind = replace && !position.always ? 'finding' : position.always ? 'always' : 'fuel'
    const label =
      finding &&
      partsTable[position.kind].conditions
        .find((condition) => condition.code === finding.condition)
        ?.label.toLowerCase()
    const why =
      kind === 'finding'
        ? broke
          ? 'broke here'
          : finding!.measured
            ? finding!.sentence
            : (label ?? 'to be renewed')
        : kind === 'always'
          ? 'replaced as routine'
          : ''
    const percent = (share: number) => `${Math.round(share * 100)} %`
    const fuelWords = !spoiled
      ? ''
      : carries
        ? `this fuel has ${percent(ethanol)} ethanol: one rated for it`
        : `this fuel has ${percent(ethanol)} ethanol, this one is rated for ${percent(position.ethanolLimit!)}: ask for one rated for this blend; the sheet lists none`
    return [
      {
        body,
        position: position.code,
        name: position.name,
        part: carries ? position.ethanolPart!.part : position.part,
        quantity: position.quantity,
        why: [why, fuelWords].filter(Boolean).join('; '),
        carried: !spoiled || Boolean(carries),
        kind,
        standing: needStanding(state, position.code, body),
      },
    ]
  })
}

/** A size that was chosen for this job: needed until it was measured in its place, unless what is there is that size already. */
function chosenNeeds(state: JobState, sheets: Sheets, position: Position, body: number): JobNeed[] {
  const chosen = bodyOf(state, body).chosen[position.code]!
  const { size, why, entry } = chosen
  const instead = insteadWords(chosen)
  const since = seqOf(state, entry)
  const on = bodyOf(state, body).on[position.code]
  const isOn = on !== undefined && on.from !== 'old' && seqOf(state, on.entry) > since
  if (chosenStands(state, sheets, position, body) === 'in' && !isOn) return []
  return [
    {
      body,
      position: position.code,
      name: position.name,
      part: position.part!,
      quantity: position.quantity,
      why: `wanted ${size}${instead && `, not the sheet’s ${instead}`}: ${why}`,
      carried: true,
      kind: 'chosen',
      standing: isOn ? 'on' : needStanding(state, position.code, body, since),
    },
  ]
}

/** The needs of every body that is identified. */
export const allNeeds = (state: JobState, sheets: SheetsByBody): JobNeed[] =>
  bodyNumbers(state).flatMap((body) => (sheets[body] ? jobNeeds(state, sheets[body], body) : []))

/** Where what is needed stands; of a size that was chosen only what came since then (`since`, its entry's seq) counts. */
function needStanding(state: JobState, code: string, body: number, since = 0): JobNeed['standing'] {
  const on = bodyOf(state, body).on[code]
  if (on && on.from !== 'old' && since === 0) return 'on'
  const orders = state.orders.filter(
    (order) =>
      (since === 0 || seqOf(state, order.entry) > since) &&
      order.lines.some((line) => line.serves.includes(bodyKey(body, code))),
  )
  if (orders.length === 0) return 'open'
  return orders.some(
    (order) =>
      order.arrived ||
      order.lines.some((line) => line.what === 'shelf' && line.serves.includes(bodyKey(body, code))),
  )
    ? 'here'
    : 'ordered'
}

/** Orders that serve one body. */
export const ordersFor = (state: JobState, body: number): Order[] =>
  state.orders.filter((order) =>
    order.lines.some((line) => line.serves.some((named) => readBodyKey(named).body === body)),
  )

/** Whether all that an order serves has ended: nobody waits for it any more. */
export const isForEnded = (state: JobState, order: Pick<Order, 'lines'>): boolean => {
  const served = order.lines.flatMap(({ serves }) => serves.map((named) => readBodyKey(named).body))
  return served.length > 0 && served.every((body) => bodyOf(state, body).ended !== null)
}

/** What has been ordered and has not arrived, by the names on the parcel. */
export const waitsFor = (state: JobState): string[] =>
  state.orders
    .filter((order) => !order.arrived && !isForEnded(state, order))
    .flatMap((order) => order.lines.filter((line) => line.what !== 'shelf').map((line) => line.code))
