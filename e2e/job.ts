import type { DataOf } from '@ekrond/core/log'
import type { Sheets } from '@ekrond/core/sheets'
import { randomUUID } from 'node:crypto'
import { identified, opening, unsent } from '../demo/log-entries.ts'
import type { RunningShop } from './shop.ts'
import { AT, enterTaken } from './taken.ts'

/** A job of a list number at the server, and what is entered on it as a browser would send it. */
export async function openOn(shop: RunningShop, sheets: Sheets) {
  const job = randomUUID()
  let n = 0
  const enter = <K extends keyof DataOf>(kind: K, data: DataOf[K]) =>
    enterTaken(shop, job, [unsent(++n, kind, data, { id: randomUUID(), job, at: AT })])
  const number = await enter('job.opened', {
    ...opening,
    pressureKpa: null,
    ethanol: 0,
    promise: '2026-11-27',
  })
  const { listNumber } = sheets.spec
  await enter('ident.chosen', {
    ...identified,
    listNumber,
    specRev: `${listNumber}/spec/${await newest(shop, listNumber, 'spec')}`,
    buildRev: `${listNumber}/build/${await newest(shop, listNumber, 'build')}`,
  })
  await enter('teardown.unlocked', { why: 'came in a box' })
  return { number, enter }
}

async function newest(shop: RunningShop, listNumber: string, kind: 'spec' | 'build'): Promise<number> {
  const { sheets } = (await (await fetch(`${shop.url}/api/list-numbers/${listNumber}`)).json()) as {
    sheets: { specRev: string; buildRev: string }
  }
  return Number(sheets[`${kind}Rev`].split('/').at(-1))
}
