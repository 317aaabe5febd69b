import type { Known, Stamped, StampedHalves } from '@ekrond/core/claims'
import type { JobState } from '@ekrond/core/job'
import { isRefusal } from '@ekrond/core/refusal'
import type { Sheets } from '@ekrond/core/sheets'
import { mongrelSheets } from '@ekrond/core/teach'
import type { Queryable } from '../db/pool.ts'
import { selectOffGauges } from '../shop/shop.sql.ts'
import { selectNewestSheets, selectStamped } from './jobs.sql.ts'

/** What library and gauge drawer know of a job beyond its log: newer sheets of its list numbers, gauges that were found off. */
export async function knownOf(
  db: Queryable,
  state: JobState,
): Promise<{
  newest: Record<string, Sheets>
  gauges: NonNullable<Known['gauges']>
  stamped: Record<string, StampedHalves>
}> {
  const idents = Object.entries(state.bodies).flatMap(([body, { ident, taught }]) =>
    ident && !taught ? [{ body, ident }] : [],
  )
  const numbers = idents.flatMap(({ ident }) =>
    ident.lower ? [ident.listNumber, ident.lower.listNumber] : [ident.listNumber],
  )
  const [sheets, gauges, marks] = await Promise.all([
    numbers.length ? selectNewestSheets(db, [...new Set(numbers)]) : new Map<string, Sheets>(),
    selectOffGauges(db),
    numbers.length ? selectStamped(db, [...new Set(numbers)]) : new Map<string, Stamped>(),
  ])
  const newest = Object.fromEntries(
    idents.flatMap(({ body, ident }): [string, Sheets][] => {
      const upper = sheets.get(ident.listNumber)
      const lower = ident.lower && sheets.get(ident.lower.listNumber)
      if (!upper || (ident.lower && !lower)) return []
      const same = upper.specRev === ident.specRev && (!ident.lower || lower!.specRev === ident.lower.specRev)
      if (same) return []
      const both = lower ? mongrelSheets(upper, lower) : upper
      return isRefusal(both) ? [] : [[body, both]]
    }),
  )
  const stamped = Object.fromEntries(
    idents.flatMap(({ body, ident }): [string, StampedHalves][] => {
      const upper = marks.get(ident.listNumber)
      const lower = ident.lower ? (marks.get(ident.lower.listNumber) ?? null) : null
      return upper ? [[body, { upper, lower }]] : []
    }),
  )
  return { newest, gauges, stamped }
}
