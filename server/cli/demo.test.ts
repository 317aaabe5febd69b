import type { JobAnswer, JobsAnswer } from '@ekrond/contract/jobs'
import { fold } from '@ekrond/core/log'
import { nextThing, whereWasI } from '@ekrond/core/bench/stations'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('demo_story')
})
afterAll(() => shop.close())

const get = async <T>(url: string) => (await shop.app.inject({ method: 'GET', url })).json<T>()

/** The fifteen jobs of Lantern Weir on the morning of Tuesday 24 November: who, what, where it hangs, where it was left, what next. */
const MORNING: [number, string, string | null, string, string, string, string | null][] = [
  [
    1181,
    'Osk chain ferry',
    'K-44',
    'set begun',
    '2026-11-25',
    'Bowl cover off, cover gasket out, 8 in the trays, 1 to be replaced, float height tried 2 times, last 14.6',
    'build',
  ],
  [
    1182,
    'Brake Hill hop kiln',
    null,
    'identify none',
    '2026-11-30',
    'Just arrived, no reading yet',
    'identify',
  ],
  [
    1183,
    'Lower orchard co-operative',
    'U7',
    'asfound begun',
    '2026-11-27',
    'As found: 1 of 2 noted',
    'asfound',
  ],
  [
    1184,
    'Weir Road tramway',
    'S26',
    'teardown begun',
    '2026-11-26',
    'Float bowl off, bowl screws out, 5 in the trays',
    'teardown',
  ],
  [
    1185,
    'Osk cannery',
    'K-44',
    'parts waits',
    '2026-11-24',
    'Bowl cover off, flange gasket out, 24 in the trays, 5 to be replaced, waits for 31-B, FL-090',
    'return',
  ],
  [1186, 'Upper orchard co-operative', 'K-44', 'return begun', '2026-11-25', 'Ready to release', 'return'],
  [1187, 'Osk skating rink', 'K-44', 'return done', '2026-11-13', 'Returned with its sheet', null],
  [
    1188,
    'Osk skating rink',
    'K-44',
    'teardown begun',
    '2026-11-26',
    'Cover screws out, 5 in the trays',
    'teardown',
  ],
  [1189, 'Heron mill', null, 'identify begun', '2026-11-30', 'Mark read, not identified yet', 'identify'],
  [
    1190,
    'Osk Valley rescue boat',
    'B34',
    'set begun',
    '2026-11-27',
    'Carburetor 2 of 4: float bowl off, bowl seal out, 6 in the trays, float height tried once, last 24.6',
    'build',
  ],
  [1191, 'Brake Hill hop kiln', 'U3', 'teardown begun', '2026-11-30', 'Closed: condemned', null],
  [
    1192,
    'Marl quarry',
    '24T',
    'build begun',
    '2026-11-23',
    'Bowl cover off, idle air screw, left out, 13 in the trays, 2 to be replaced',
    'build',
  ],
  [1193, 'Osk cannery', '12T', 'set again', '2026-11-30', '3 to redo by another sheet', 'set'],
  [
    1194,
    'Weir Road tramway',
    'D32',
    'parts none',
    '2026-11-25',
    'Float bowl off, enrichment plunger out, 15 in the trays, 1 to be replaced',
    'parts',
  ],
  [1195, 'Upper orchard co-operative', 'K-44', 'return done', '2026-11-20', 'Returned with its sheet', null],
]

describe('the demo shop, told as one story', () => {
  it('has fifteen jobs, numbered as they came in', async () => {
    const { jobs } = await get<JobsAnswer>('/api/jobs?status=all')
    expect(jobs.map((row) => row.number).sort()).toEqual(MORNING.map(([number]) => number))
  })
  it.each(MORNING)('%i for %s', async (number, customer, model, stands, promise, left, next) => {
    const row = (await get<JobsAnswer>(`/api/jobs?status=all&q=${number}`)).jobs[0]!
    expect(`${row.station} ${row.stationState}`).toBe(stands)
    expect(row).toMatchObject({ number, customer, promise })
    const { job, entries, sheets } = await get<JobAnswer>(`/api/jobs/${number}`)
    const state = fold(job, entries)
    expect(whereWasI(state, sheets)).toBe(left)
    expect(nextThing(state, sheets)?.station ?? null).toBe(next)
    expect(sheets[row.body]?.spec.model ?? null).toBe(model)
  })
  it('has every state that a shop knows', async () => {
    const { jobs } = await get<JobsAnswer>('/api/jobs?status=all')
    const having = (fits: (row: (typeof jobs)[number]) => boolean) =>
      jobs.filter(fits).map((row) => row.number)
    expect(new Set(jobs.map((row) => row.station))).toEqual(
      new Set(['identify', 'asfound', 'teardown', 'parts', 'build', 'set', 'return']),
    )
    expect(new Set(jobs.map((row) => row.stationState))).toEqual(
      new Set(['none', 'begun', 'waits', 'again', 'done']),
    )
    expect(having((row) => row.bodies === 4)).toEqual([1190])
    expect(having((row) => row.status === 'closed')).toEqual([1191])
    expect(having((row) => row.promise < '2026-11-24' && row.status === 'open')).toEqual([1192])
  })
  it('the comeback knows the job that it comes back from, which went back explained', async () => {
    const { job, entries } = await get<JobAnswer>('/api/jobs/1188')
    expect(fold(job, entries).opened!.earlier).toBe(1187)
    const first = await get<JobAnswer>('/api/jobs/1187')
    expect(fold(first.job, first.entries).answer).toMatchObject({ explained: true })
  })
  it('nothing in it was entered after now, nor by anybody who does not work here', async () => {
    const { rows } = await shop.pool.query<{ late: number; strangers: number }>(
      `select count(*) filter (where at > '2026-11-24T10:40:00Z')::int as late,
              count(*) filter (where by_person not in (select name from person))::int as strangers from entry`,
    )
    expect(rows[0]).toEqual({ late: 0, strangers: 0 })
  })
})
