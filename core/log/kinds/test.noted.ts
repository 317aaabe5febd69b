import * as v from 'valibot'
import { defineKind, withBody } from '../kind.ts'

/** The five minutes before anything is moved; the same ones come again at the end, side by side. */
export const receivedTests = [
  { code: 'lifts', name: 'Slide or piston', good: 'lifts and falls by itself', bad: 'sticks' },
  { code: 'links', name: 'Plates and links', good: 'move and snap shut', bad: 'bind' },
  { code: 'squirt', name: 'Pump', good: 'squirts at once', bad: 'does not squirt' },
  { code: 'inlet', name: 'Inlet', good: 'holds pressure', bad: 'leaks down' },
  { code: 'break', name: 'Vacuum break', good: 'holds', bad: 'leaks' },
] as const
export type ReceivedTest = (typeof receivedTests)[number]['code']

declare module '../state.ts' {
  interface BodyState {
    tests: Readonly<Record<string, { result: 'good' | 'bad' | 'none'; by: string; entry: string }>>
  }
}

export const testNoted = defineKind({
  kind: 'test.noted',
  version: 1,
  station: 'asfound',
  ofBody: true,
  slice: { body: { tests: {} } },
  schema: v.object({
    test: v.picklist(receivedTests.map((test) => test.code)),
    result: v.picklist(['good', 'bad', 'none']),
  }),
  key: (data) => data.test,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      tests: {
        ...body.tests,
        [entry.data.test]: { result: entry.data.result, by: entry.by, entry: entry.id },
      },
    })),
  sentence: ({ test, result }) => {
    const it = receivedTests.find((other) => other.code === test)!
    return `tested as received: ${it.name.toLowerCase()} ${result === 'good' ? it.good : result === 'bad' ? it.bad : 'is not equipped'}`
  },
})
