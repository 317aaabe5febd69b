import { isPencil, settingKey, type SettingSpec, type SpecSheet, factOf } from '../sheets/index.ts'
import { inked, saidOf, unmeasured } from './measured.ts'

/** What the library came to know of a taught number since the job that taught it put it in. */
export interface Carried {
  /** the job's sheet with what others measured and put right, as it goes into the library */
  spec: SpecSheet
  /** names of what others brought and the job had nothing newer of */
  kept: string[]
  /** values that both changed: the job's own stands */
  overruled: { name: string; there: string; here: string }[]
}

const said = ({ asWritten, target, lo, hi, source }: SettingSpec): string =>
  JSON.stringify([asWritten, target, lo, hi, source])

/**
 * A job's own sheet beside the library's newest, both from the one that the job put in before: facts that others measured stay ink,
 * values that others put right stay, what either side alone changed is taken, and where both did the job's own stands.
 */
export function carriedOn(own: SpecSheet, before: SpecSheet, newest: SpecSheet): Carried {
  const kept: string[] = []
  const overruled: Carried['overruled'] = []
  let spec = own
  if (newest.taught)
    for (const fact of unmeasured(own))
      if (!isPencil(newest, fact.code)) {
        spec = inked(spec, factOf(fact.code)!, saidOf(newest, fact.code))
        kept.push(fact.name)
      }
  const find = (sheet: SpecSheet, key: string) => sheet.settings.find((one) => settingKey(one) === key)
  const settings = spec.settings.map((mine) => {
    const key = settingKey(mine)
    const theirs = find(newest, key)
    const then = find(before, key)
    if (!theirs || said(theirs) === said(mine) || (then && said(theirs) === said(then))) return mine
    const ownNow = find(own, key)!
    if (then && said(ownNow) !== said(then)) {
      overruled.push({ name: mine.name, there: theirs.asWritten, here: mine.asWritten })
      return mine
    }
    kept.push(mine.name)
    const { asWritten, target, lo, hi, source, ground } = theirs
    return { ...mine, asWritten, target, lo, hi, source, ground }
  })
  return { spec: { ...spec, settings, supersedes: newest.supersedes }, kept, overruled }
}
