import { conditionsOf } from '../findings/index.ts'
import type { FindingData } from '../job/index.ts'
import type { Position } from '../sheets/index.ts'

/** What was found at a position, as typed and as seen, in words. */
export function found(finding: FindingData, position: Position): string {
  const label =
    conditionsOf[position.kind].find((c) => c.code === finding.condition)?.label.toLowerCase() ??
    finding.condition
  if (!finding.measured) return label
  return `${finding.raw}${finding.condition === 'sound' ? '' : `, ${label}`}. ${finding.sentence}`
}
