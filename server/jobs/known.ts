import type { Known, StampedHalves } from '@ekrond/core/claims'
import type { JobState } from '@ekrond/core/log'
import { isRefusal } from '@ekrond/core/base/refusal'
import type { Sheets } from '@ekrond/core/sheets'
import { mongrelSheets } from '@ekrond/core/taught'
import type { Queryable } from '../db/pool.ts'
import { selectOffGauges } from '../shop/shop.sql.ts'
import { selectOfLibrary, selectSheets } from './jobs.sql.ts'

interface KnownHere {
  newest: Record<string, Sheets>
  gauges: NonNullable<Known['gauges']>
  stamped: Record<string, StampedHalves>
}

/** What library and gauge drawer know of a job beyond its log: newer sheets of its list numbers, what those bear, gauges that were found off. */
export async function knownOf(db: Queryable, state: JobState): Promise<KnownHere> {
  const idents = Object.entries(state.bodies).flatMap(([body, { ident, taught }]) =>
    ident && !taught ? [{ body, ident }] : [],
  )
  const halves = idents.flatMap(({ ident }) => (ident.lower ? [ident, ident.lower] : [ident]))
  const gauges = await selectOffGauges(db)
  const known: KnownHere = { newest: {}, gauges, stamped: {} }
  if (halves.length === 0) return known
  const library = await selectOfLibrary(
    db,
    [...new Set(halves.map(({ listNumber }) => listNumber))],
    halves.map(({ specRev }) => specRev),
  )
  for (const { body, ident } of idents) {
    const upper = library.get(ident.listNumber)
    const lower = ident.lower ? library.get(ident.lower.listNumber) : undefined
    if (!upper) continue
    known.stamped[body] = { upper: bears(upper), lower: lower ? bears(lower) : null }
    if (!upper.sheets && !lower?.sheets) continue
    // Of a mongrel the half that has nothing newer stays what it was.
    const top = upper.sheets ?? (await selectSheets(db, ident.specRev, ident.buildRev))
    const below = ident.lower
      ? (lower?.sheets ?? (await selectSheets(db, ident.lower.specRev, ident.lower.buildRev)))
      : undefined
    const both = top && below ? mongrelSheets(top, below) : top
    if (both && !isRefusal(both)) known.newest[body] = both
  }
  return known
}

const bears = ({ listNumber, mark, features }: StampedHalves['upper']): StampedHalves['upper'] => ({
  listNumber,
  mark,
  features,
})
