import { type BodyState, type JobState, bodyOf } from '../../log/index.ts'
import { looksOf } from '../../judge/asfound/index.ts'
import { receivedTestsOf, type ProofSubject } from '../../judge/proof/index.ts'
import { portsOf } from '../../unit/families/index.ts'
import { isOutside, settingKey, type SettingSpec, type Sheets } from '../../sheets/index.ts'
import { progress, type Station } from './station.ts'

const MINUTES_A_SETTING = 2

/** Whether it was noted what a setting was found at, or said why not. Keys are `code/place`. */
export const asFoundDone = (here: BodyState, key: string): boolean =>
  key in here.asFound || key in here.asFoundSkipped

/** What is noted before anything is opened. */
export const outsideSettings = (sheets: Pick<Sheets, 'spec' | 'build'>): SettingSpec[] =>
  sheets.spec.settings.filter((setting) => isOutside(setting, sheets.build))

/** What has to be noted before anything comes off: a setting that somebody added, in the middle of the work, locks nothing again. */
const askedAsFound = (here: BodyState, sheets: Sheets) =>
  outsideSettings(sheets).filter((setting) => !here.addedSettings[settingKey(setting)])

/** Whether the outside is noted (or skipped with reasons), or somebody said why teardown may begin without it. */
export function isTeardownUnlocked(state: JobState, sheets: Sheets, body = 1): boolean {
  const here = bodyOf(state, body)
  return (
    here.unlocked !== null ||
    askedAsFound(here, sheets).every((setting) => asFoundDone(here, settingKey(setting)))
  )
}

/** How many of the tests as received, of the ports and of the looks from outside were noted, which are steps too. */
export function besideSettings({
  state,
  sheets,
  body,
}: ProofSubject): Record<'tests' | 'ports' | 'looks', readonly [seen: number, of: number]> {
  const here = bodyOf(state, body)
  const tests = receivedTestsOf({ state, sheets, body })
  const ports = portsOf(sheets)
  const looks = looksOf(sheets)
  return {
    tests: [tests.filter(({ code }) => here.tests[code]).length, tests.length],
    ports: [ports.filter(({ code }) => here.ports[code]?.found).length, ports.length],
    looks: [looks.filter(({ code }) => here.looks[code]).length, looks.length],
  }
}

const doneOf = (here: BodyState, outside: readonly SettingSpec[]) =>
  outside.filter((setting) => asFoundDone(here, settingKey(setting))).length

export const asfound: Station = {
  name: 'asfound',
  state({ state, here, sheets, body }) {
    if (!sheets) return 'none'
    if (isTeardownUnlocked(state, sheets, body)) return 'done'
    const outside = askedAsFound(here, sheets)
    return progress(doneOf(here, outside), outside.length)
  },
  line({ here, sheets }) {
    const outside = askedAsFound(here, sheets)
    return `as found: ${doneOf(here, outside)} of ${outside.length} noted`
  },
  minutes({ here, sheets }) {
    if (!sheets || here.unlocked) return 0
    const outside = askedAsFound(here, sheets)
    return (outside.length - doneOf(here, outside)) * MINUTES_A_SETTING
  },
  canGoOn: (view) => asfound.state(view) !== 'done',
}
