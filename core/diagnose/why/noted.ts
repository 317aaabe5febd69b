import { bodyOf, sedimentOf, type BodyState, type JobState } from '../../log/index.ts'
import { screwsFound } from '../../judge/findings/index.ts'
import { lookEvidence } from '../../judge/asfound/index.ts'
import { portsOf } from '../../unit/families/index.ts'
import type { SettingSpec, Sheets } from '../../sheets/index.ts'
import type { CauseSeen } from '../causes/index.ts'

/** A note made while nothing was moved, as evidence: what would show it, how often it shows with none of that, and its words. */
interface Noted {
  id: string
  words: string
  leak: number
  weights: Readonly<Record<string, number>>
}

/** What screws, choke and bowl show as found, by what brings it; judgement, like the rest of the table. */
export const notedEvidence: readonly Noted[] = [
  {
    id: 'noted:screws enriched',
    words: 'mixture screw set richer than the sheet',
    leak: 0.1,
    weights: { 'idle.jet': 0.6, 'air.leak': 0.35, 'manifold.leak': 0.35, 'level.low': 0.3, transfer: 0.2 },
  },
  {
    id: 'noted:screws leaned',
    words: 'mixture screw set leaner than the sheet',
    leak: 0.1,
    weights: {
      'level.high': 0.5,
      float: 0.4,
      needle: 0.3,
      'jet.drilled': 0.5,
      power: 0.35,
      choke: 0.2,
      'pressure.high': 0.3,
    },
  },
  {
    id: 'noted:varnish',
    words: 'varnish in the bowl',
    leak: 0.08,
    weights: { stale: 0.85, 'idle.jet': 0.6, 'main.jet': 0.5, transfer: 0.4, needle: 0.2 },
  },
  {
    id: 'noted:grit',
    words: 'rust or sand in the bowl',
    leak: 0.06,
    weights: { needle: 0.5, seat: 0.4, 'main.jet': 0.35, 'filter.fuel': 0.5, 'idle.jet': 0.2 },
  },
  {
    id: 'noted:choke index',
    words: 'choke index not as the sheet has it',
    leak: 0.1,
    weights: { choke: 0.7, break: 0.2 },
  },
]

export interface AsNoted {
  /** by evidence of the network */
  seen: Record<string, CauseSeen>
  /** a cause that the note itself is, or excludes */
  findings: Record<string, 'present' | 'absent'>
  /** what was noted, said for the page; empty where nothing was */
  words: string[]
}

const outside = (value: number, { lo, hi, target }: SettingSpec): -1 | 0 | 1 => {
  const least = lo ?? target
  const most = hi ?? target
  return least !== null && value < least ? -1 : most !== null && value > most ? 1 : 0
}

const settingOf = ({ spec }: Sheets, code: string) => spec.settings.find((one) => one.code === code)
const valueOf = (here: BodyState, code: string, place = 'none') => here.asFound[`${code}/${place}`]

/**
 * What was noted as found, weighed for the complaint: float height and drop by the datum they are read from, the clip's groove, the
 * screws by what flows past them, the choke's index, what lay in the bowl, open ports, and the looks from outside. What is a cause
 * itself is found; the rest is evidence. A note that says nothing against the sheet takes its cause off the list only where the cause is
 * just that setting.
 */
export function asNoted(state: JobState, sheets: Sheets | undefined, body = 1): AsNoted {
  const here = bodyOf(state, body)
  const all: AsNoted = { seen: {}, findings: {}, words: [] }
  const say = (id: string, present: boolean) => {
    all.seen[id] = present ? 'present' : 'absent'
    if (present) all.words.push(notedEvidence.find((one) => one.id === id)!.words)
  }
  for (const { id, look, seen } of lookEvidence) {
    const looked = here.looks[look]
    if (looked && looked.seen !== 'none') all.seen[id] = looked.seen === seen ? 'present' : 'absent'
  }
  if (here.sediment) bowl(here.sediment.kinds, all, say)
  if (!sheets) return all
  level(here, sheets, all)
  const clip = settingOf(sheets, 'needle.clip')
  const groove = valueOf(here, 'needle.clip')
  if (clip && groove && outside(groove.value, clip) !== 0) {
    all.findings.metering = 'present'
    all.words.push(
      `clip in groove ${groove.raw}, the sheet says ${clip.asWritten}: ${outside(groove.value, clip) > 0 ? 'rich' : 'lean'} from a quarter to three quarters of throttle`,
    )
  }
  const counted = Object.keys(here.asFound).some((key) => key.startsWith('mixture.turns/'))
  if (counted) {
    say('noted:screws enriched', screwsFound(here, sheets, 'rich').length > 0)
    say('noted:screws leaned', screwsFound(here, sheets, 'lean').length > 0)
  }
  const index = settingOf(sheets, 'choke.index')
  const at = valueOf(here, 'choke.index')
  if (index && at) say('noted:choke index', outside(at.value, index) !== 0)
  for (const { code, name, job } of portsOf(sheets))
    if (job === 'vacuum' && here.ports[code]?.found?.state === 'open') {
      all.findings['manifold.leak'] = 'present'
      all.words.push(`${name} was open as found: it draws air`)
    }
  return all
}

function bowl(kinds: readonly string[], all: AsNoted, say: (id: string, present: boolean) => void): void {
  const has = (...codes: string[]) => codes.some((code) => kinds.includes(code))
  const wet = kinds.filter((code) => ['water', 'rust', 'sludge'].includes(code))
  all.findings.water = wet.length > 0 ? 'present' : 'absent'
  if (wet.length > 0)
    all.words.push(`${wet.map((code) => sedimentOf(code)!.label.toLowerCase()).join(', ')} in the bowl`)
  say('noted:varnish', has('varnish'))
  say('noted:grit', has('rust', 'sand'))
}

/** A height that moves the float's stop up raises the level: which way that is depends on the datum. */
function level(here: BodyState, sheets: Sheets, all: AsNoted): void {
  const height = settingOf(sheets, 'float.height')
  const read = valueOf(here, 'float.height')
  if (height && read) {
    const off = outside(read.value, height) * sheets.spec.float.sense
    all.findings['level.high'] = off < 0 ? 'present' : 'absent'
    // A low level may still be the drop's.
    if (off > 0) all.findings['level.low'] = 'present'
    if (off !== 0)
      all.words.push(
        `float height ${read.raw} as found, the sheet says ${height.asWritten}: level ${off < 0 ? 'high' : 'low'}`,
      )
  }
  const drop = settingOf(sheets, 'float.drop')
  const fell = valueOf(here, 'float.drop')
  if (drop && fell && outside(fell.value, drop) * sheets.spec.float.sense < 0) {
    all.findings['level.low'] = 'present'
    all.words.push(`float drop ${fell.raw} as found, the sheet says ${drop.asWritten}: too little`)
  }
}
