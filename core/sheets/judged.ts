import type { SettingSpec, Sheets } from './schemas.ts'

/** What the revisions of a taught body are called: its sheets are made from its own entries, and change with them. */
export const OWN_REVISION = 'own'

/** Whether a revision is a taught body's own. */
export const isOwnRevision = (revision: string): boolean => revision === OWN_REVISION

/**
 * Whether a reading was judged by other values than the sheet in force has. A newer revision, or another list number, with the same
 * target and band asks for nothing; entries of before that kept no band are asked for by any other revision.
 */
export function judgedByOther(
  reading: { specRev: string; shown: { target: number | null; lo: number | null; hi: number | null } },
  setting: Pick<SettingSpec, 'target' | 'lo' | 'hi'>,
  { specRev }: Pick<Sheets, 'specRev'>,
): boolean {
  const { target, lo, hi } = reading.shown
  if (reading.specRev === specRev && !isOwnRevision(specRev)) return false
  const unknown = target === null && lo === null && hi === null
  if (unknown && !isOwnRevision(specRev)) return true
  return target !== setting.target || lo !== setting.lo || hi !== setting.hi
}
