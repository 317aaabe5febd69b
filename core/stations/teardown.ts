import { uncured } from '../findings/cure.ts'
import type { Disposition } from '../findings/conditions.ts'
import { rejudged } from '../findings/rejudged.ts'
import { checkAgain } from '../job/again.ts'
import { lastSaid } from '../job/state.ts'
import { teardownOrder } from '../work/index.ts'
import { nameOn } from '../sheets/schemas.ts'
import { point, progress, type Point, type SheetedView, type Station } from './station.ts'
import { capital } from '../words/index.ts'

const MINUTES_A_PART = 3

export const teardown: Station = {
  name: 'teardown',
  title: 'Teardown',
  number: 4,
  kinds: ['part.off', 'own.part', 'part.stuck', 'finding.judged', 'sediment.seen'],
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
  points: (view) => [...findingPoints(view), ...overridesAgain(view), ...sizesAgain(view)],
}

function findingPoints({ state, here, sheets, body }: SheetedView): Point[] {
  const judged = uncured(state, sheets, body).map((one) =>
    point(
      one.left ? `left:${one.position}` : `finding:${one.position}`,
      one.left ? `${one.name} is left as it was` : `${one.name}: ${WANTS[one.wants]}`,
      one.left
        ? `${one.finding.sentence} Left, because: ${one.finding.overridden}`
        : `${one.finding.sentence} ${capital(one.cure)}.`,
      one.left || one.wants !== 'condemn',
    ),
  )
  const renewed = (code: string) => here.on[code] !== undefined && here.on[code].from !== 'old'
  const others = [...new Set([...Object.keys(here.off), ...Object.keys(here.findings)])].flatMap(
    (code): Point[] => {
      const name = nameOn(sheets, code)
      const always = sheets.build.positions.find((position) => position.code === code)?.always
      const judged = here.findings[code]
      const finding = lastSaid(judged)
      return [
        ...(!finding && !always && here.off[code]
          ? [point(`finding:${code}`, `${name} has no verdict`, 'it came off unjudged')]
          : []),
        ...(finding && !finding.sure && finding.ruled === 'reuse' && !renewed(code)
          ? [point(`doubt:${code}`, `${name}: the measurement is doubtful`, finding.sentence)]
          : []),
        ...(judged?.differ
          ? [point(`differ:${code}`, `Two people differ on ${name}`, 'a third judgement settles it')]
          : []),
      ]
    },
  )
  return [...judged, ...others]
}

const WANTS: Record<Disposition, string> = {
  reuse: 'to be looked at again',
  clean: 'to be cleaned and looked at again',
  repair: 'to be repaired and looked at again',
  replace: 'to be replaced',
  condemn: 'condemned',
}

const overridesAgain = ({ state, sheets, body }: SheetedView): Point[] =>
  checkAgain(state, sheets, body)
    .filter((item) => item.what === 'override')
    .map((item) => point(`again:${item.key}`, `${item.name}: check again`, item.why))

const sizesAgain = ({ state, sheets, body }: SheetedView): Point[] =>
  rejudged(state, sheets, body).map(({ position, name, why }) =>
    point(`again:${position}`, `${name}: check again`, why),
  )
