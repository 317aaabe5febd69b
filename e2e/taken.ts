import type { UnsentEntry } from '@ekrond/core/log'
import { expect } from '@playwright/test'
import type { RunningShop } from './shop.ts'

/** The shop's moment in every browser test: the server's clock stands there, whatever day the machine has. */
export const AT = '2026-11-24T10:40:00.000Z'

/** Enters on a job as a browser would send it; each entry must be taken, or the test says what was refused and why. */
export async function enterTaken(
  shop: RunningShop,
  job: string,
  entries: readonly UnsentEntry[],
): Promise<number> {
  const response = await fetch(`${shop.url}/api/jobs/${job}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: shop.url },
    body: JSON.stringify({ entries }),
  })
  const text = await response.text()
  expect(response.status, text).toBe(200)
  const { number, answers } = JSON.parse(text) as {
    number: number
    answers: { outcome: string; sentence?: string }[]
  }
  expect(answers.map(({ outcome, sentence }) => sentence ?? outcome)).toEqual(entries.map(() => 'accepted'))
  return number
}

/** A job's log as the server has it. */
export const entriesOf = async (url: string, number: number) =>
  (
    (await (await fetch(`${url}/api/jobs/${number}`)).json()) as {
      entries: { kind: string; data: { raw?: string; text?: string } }[]
    }
  ).entries
