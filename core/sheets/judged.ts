import type { SettingSpec, Sheets } from './schemas.ts'

/** What the revisions of a taught body are called: its sheets are made from its own entries, and change with them. */
export const OWN_REVISION = 'own'

/** Whether a revision is a taught body's own. */
export const isOwnRevision = (revision: string): boolean => revision === OWN_REVISION

/**
 * Whether a reading was judged by another sheet than the one in force: another revision or, on a taught body's own sheets, another
 * band.
 */
export function judgedByOther(
  reading: { specRev: string; shown: { target: number | null; lo: number | null; hi: number | null } },
  setting: Pick<SettingSpec, 'target' | 'lo' | 'hi'>,
  { specRev }: Pick<Sheets, 'specRev'>,
): boolean {
  if (reading.specRev !== specRev) return true
  const { target, lo, hi } = reading.shown
  return isOwnRevision(specRev) && (target !== setting.target || lo !== setting.lo || hi !== setting.hi)
}
