import * as v from 'valibot'
import { defineKind, withBody } from '../kind.ts'
import { receivedTests } from './test.noted.ts'

declare module '../state.ts' {
  interface BodyState {
    /** the tests as received, made again at the end */
    testsAgain: Readonly<Record<string, { result: 'good' | 'bad'; by: string; entry: string }>>
  }
}

/** One of the tests as received, made again before it goes back. */
export const testRepeated = defineKind({
  kind: 'test.repeated',
  version: 1,
  station: 'return',
  ofBody: true,
  slice: { body: { testsAgain: {} } },
  schema: v.object({
    test: v.picklist(receivedTests.map((test) => test.code)),
    result: v.picklist(['good', 'bad']),
  }),
  key: (data) => data.test,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      testsAgain: {
        ...body.testsAgain,
        [entry.data.test]: { result: entry.data.result, by: entry.by, entry: entry.id },
      },
    })),
  sentence: ({ test, result }) => {
    const it = receivedTests.find((other) => other.code === test)!
    return `tested again: ${it.name.toLowerCase()} ${result === 'good' ? it.good : it.bad}`
  },
})
