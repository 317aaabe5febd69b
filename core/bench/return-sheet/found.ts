import { foundWith } from '../../judge/findings/index.ts'
import { partsTable, type Position } from '../../sheets/index.ts'
import { lastSaid, type FindingData, type Judged } from '../../log/index.ts'

/** What was found at a position, as typed and as seen, in words. */
export function found(finding: FindingData, position: Position): string {
  const label =
    partsTable[position.kind].conditions.find((c) => c.code === finding.condition)?.label.toLowerCase() ??
    finding.condition
  if (!finding.measured) return label
  return `${finding.raw}${finding.condition === 'sound' ? '' : `, ${label}`}. ${finding.sentence}`
}

/** What was done at a part that passed afterwards, with what it measured then; empty where nothing was, or it did not pass. */
export function doneAt(judged: Judged<FindingData> | undefined): string {
  const first = foundWith(judged)
  const last = lastSaid(judged)
  if (!first || !last || first === last || last.disposition !== 'reuse' || !last.sure) return ''
  const done = first.disposition === 'clean' ? 'cleaned' : first.disposition === 'repair' ? 'mended' : ''
  // Two figures are the pin that goes in and the next that does not.
  const again = last.raw.trim().replace(/^(\S+)\s+(\S+)$/, 'between $1 and $2')
  return done && `${done}, ${last.measured ? `then ${again}` : 'then looked at again'}`
}
