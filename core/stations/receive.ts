import { provedInstead } from '../proof/index.ts'
import { receivedTests } from '../job/kinds/test.noted.ts'
import { workSoFar } from '../job/labour.ts'
import { point, type Station } from './station.ts'

export const receive: Station = {
  name: 'receive',
  title: 'Receive',
  number: 1,
  kinds: ['job.opened', 'test.noted', 'estimate.made', 'estimate.agreed'],
  doing: 'take it in',
  state: ({ state }) => (state.opened ? 'done' : 'none'),
  line: () => 'taken in',
  minutes: () => 0,
  canGoOn: () => false,
  points: (view) =>
    receivedTests
      .filter(
        ({ code }) =>
          view.here.tests[code]?.result === 'bad' &&
          view.here.testsAgain[code]?.result !== 'good' &&
          !provedInstead(view, code),
      )
      .map((test) =>
        point(
          `test:${test.code}`,
          `${test.name} ${test.bad}, as received`,
          view.here.testsAgain[test.code]
            ? `tested again: it still ${test.bad}`
            : 'test it again, side by side',
        ),
      ),
  jobPoints(state) {
    const { estimate } = state
    const work = workSoFar(state)
    if (estimate && !estimate.agreed)
      return [point('estimate', 'The estimate has no yes yet', 'ask the customer, and note who said it')]
    if (estimate?.agreed && !estimate.agreed.yes)
      return [point('estimate', 'The customer said no to the estimate', `${estimate.agreed.who} said it`)]
    if (estimate && work && work.totalMinor > estimate.amountMinor)
      return [
        point(
          `estimate:${estimate.entry}`,
          'The work went beyond the estimate',
          'a new estimate with its yes, or a reason and a second name',
        ),
      ]
    return []
  },
}
