import { entryOf, seqOf, bodyOf, lastSaid, readBodyKey, type JobState } from '../../log/index.ts'
import { judgedByOther, nameOn, settingKey, type Sheets } from '../../sheets/index.ts'

export interface ToCheckAgain {
  what: 'reading' | 'override' | 'order'
  key: string
  name: string
  why: string
}

/**
 * What was decided by the sheets of an identification that was corrected since: readings judged by another revision, verdicts
 * against the rule, and orders of parts that this list number does not take.
 */
export function checkAgain(state: JobState, sheets: Sheets, body = 1): ToCheckAgain[] {
  const here = bodyOf(state, body)
  const chosen = entryOf(state, here.ident?.entry)
  const corrected = chosen?.corrects ? chosen : undefined
  const readings = Object.entries(here.readings).flatMap(([key, judged]): ToCheckAgain[] => {
    const said = lastSaid(judged)!
    const setting = sheets.spec.settings.find((s) => settingKey(s) === key)
    return !setting || !judgedByOther(said, setting, sheets)
      ? []
      : [
          {
            what: 'reading',
            key,
            name: nameOn(sheets, key),
            why: `${said.raw} was judged by ${said.shown.asWritten}, this sheet says ${setting.asWritten}`,
          },
        ]
  })
  if (!corrected) return readings
  const overrides = Object.entries(here.findings).flatMap(([code, judged]): ToCheckAgain[] => {
    const finding = lastSaid(judged)!
    const position = sheets.build.positions.find((p) => p.code === code)
    return finding.overridden && position && seqOf(state, finding.entry) < corrected.seq
      ? [
          {
            what: 'override',
            key: code,
            name: position.name,
            why: 'it was judged against the rule for another list number',
          },
        ]
      : []
  })
  const partsHere = new Set(sheets.build.positions.map((p) => p.part))
  const orders = state.orders
    .filter((order) => seqOf(state, order.entry) < corrected.seq)
    .flatMap((order) =>
      order.lines
        .filter(
          (line) =>
            line.what !== 'kit' &&
            line.serves.some((named) => readBodyKey(named).body === body) &&
            !partsHere.has(line.code),
        )
        .map((line): ToCheckAgain => ({
          what: 'order',
          key: line.code,
          name: line.code,
          why: `it was ordered before, and ${sheets.spec.listNumber} takes none`,
        })),
    )
  return [...readings, ...overrides, ...orders]
}

export interface Earlier {
  what: 'as found' | 'as left' | 'part' | 'finding'
  key: string
  said: string
}

/** What was entered under an earlier identification and has no partner on this list number's sheets. Nothing of it is lost. */
export function fromEarlier(state: JobState, sheets: Sheets, body = 1): Earlier[] {
  const here = bodyOf(state, body)
  const settings = new Set(sheets.spec.settings.map(settingKey))
  const positions = new Set(sheets.build.positions.map((p) => p.code))
  return [
    ...Object.entries(here.asFound).map(([key, found]): Earlier => ({
      what: 'as found',
      key,
      said: found.raw,
    })),
    ...Object.entries(here.readings).map(([key, judged]): Earlier => ({
      what: 'as left',
      key,
      said: lastSaid(judged)!.raw,
    })),
  ]
    .filter((item) => !settings.has(item.key))
    .concat(
      [
        ...Object.entries(here.off).map(([key, off]): Earlier => ({
          what: 'part',
          key,
          said: `off, in tray ${off.tray}`,
        })),
        ...Object.entries(here.findings).map(([key, judged]): Earlier => ({
          what: 'finding',
          key,
          said: lastSaid(judged)!.disposition,
        })),
      ].filter((item) => !positions.has(item.key)),
    )
}
