import { checkAgain } from '../job/again.ts'
import { lastSaid } from '../job/state.ts'
import { teardownOrder } from '../work/index.ts'
import { nameOn } from '../sheets/schemas.ts'
import { point, progress, type Point, type SheetedView, type Station } from './station.ts'

const MINUTES_A_PART = 3

export const teardown: Station = {
  name: 'teardown',
  title: 'Teardown',
  number: 4,
  kinds: ['part.off', 'finding.judged'],
  doing: 'take it apart',
  state({ here, sheets }) {
    if (!sheets) return 'none'
    const order = teardownOrder(sheets.build)
    return progress(order.filter((position) => here.off[position.code]).length, order.length)
  },
  line({ here, sheets }) {
    const order = teardownOrder(sheets.build)
    const lying = order.filter((position) => here.off[position.code] && !here.on[position.code]).length
    return `teardown: ${lying} of ${order.length} off`
  },
  minutes: ({ here, sheets }) =>
    sheets
      ? teardownOrder(sheets.build).filter((position) => !here.off[position.code]).length * MINUTES_A_PART
      : 0,
  canGoOn: (view) => teardown.state(view) !== 'done',
  points: (view) => [...findingPoints(view), ...overridesAgain(view)],
}

function findingPoints({ here, sheets }: SheetedView): Point[] {
  return Object.keys(here.off).flatMap((code): Point[] => {
    const name = nameOn(sheets, code)
    const always = sheets.build.positions.find((position) => position.code === code)?.always
    const judged = here.findings[code]
    const finding = lastSaid(judged)
    return [
      ...(!finding && !always
        ? [point(`finding:${code}`, `${name} has no verdict`, 'it came off unjudged')]
        : []),
      ...(finding && !finding.sure
        ? [point(`finding:${code}`, `${name}: the measurement is doubtful`, finding.sentence)]
        : []),
      ...(judged?.differ
        ? [point(`differ:${code}`, `Two people differ on ${name}`, 'a third judgement settles it')]
        : []),
    ]
  })
}

const overridesAgain = ({ state, sheets, body }: SheetedView): Point[] =>
  checkAgain(state, sheets, body)
    .filter((item) => item.what === 'override')
    .map((item) => point(`again:${item.key}`, `${item.name}: check again`, item.why))
