import { bodyOf, type JobState, type OwnSource } from '../log/index.ts'
import { figure, showValue } from '../measure/index.ts'
import { settingKey, type SettingSpec, type SourceName } from '../sheets/index.ts'

export type Trust = 'good' | 'fair' | 'weak'

/** A value of a setting beside the others. */
export interface Source extends Omit<OwnSource, 'entry'> {
  /** the entry, or 'as found' */
  id: string
  trust: Trust
}

export interface SourceStanding {
  sources: readonly Source[]
  /** the one that the sheet goes by; null where there is none */
  picked: Source | null
  /** those that say something else than the picked one, until somebody decided with a reason */
  against: readonly Source[]
  /** why the picked one holds, where somebody decided */
  decided: string
}

/** The shop's order of trust; as found stands high where it ran well or nobody had been at it, else low. */
const ORDER: Readonly<Record<Exclude<SourceName, 'none yet'>, number>> = {
  'factory sheet': 6,
  'kit leaf': 5,
  shop: 4,
  'from relatives': 2,
  'as found': 1,
  'from memory': 0,
}
const AS_FOUND_TRUSTED = 4.5

/** How far a value may lie from its middle where nobody wrote a band: mm, eighths, notches, holes. */
const USUAL_BAND: Readonly<Record<SettingSpec['quantity'], number>> = {
  length: 0.5,
  gap: 0.1,
  turns: 2,
  notches: 1,
  count: 0,
}

/** Whether similar units agree well enough to lend their value: their spread is no wider than the band that a value of its kind has. */
export const agree = ({ spread }: { spread: number }, { quantity }: Pick<SettingSpec, 'quantity'>): boolean =>
  spread <= 2 * USUAL_BAND[quantity]

/** A value with the usual band of its quantity, as it is written on a sheet. */
export function withBand(
  quantity: SettingSpec['quantity'],
  target: number,
): Pick<OwnSource, 'asWritten' | 'target' | 'lo' | 'hi'> {
  const band = USUAL_BAND[quantity]
  const shown = showValue(target, quantity)
  const lo = quantity === 'notches' ? target - band : Math.max(0, target - band)
  const asWritten =
    band === 0 ? shown : `${shown} ±${quantity === 'turns' ? showValue(band, quantity) : figure(band, 1)}`
  return { asWritten, target, lo, hi: target + band }
}

/** Why what a unit came in with can be believed: it ran well, or the seals say that nobody was at it. Empty where nothing says so. */
function asFoundGround(state: JobState, body: number): string {
  const here = bodyOf(state, body)
  if (state.opened?.ran === true) return 'it ran well'
  const seals = Object.values(here.seals)
  return seals.length > 0 && seals.every((one) => one.state === 'intact') ? 'its seals are whole' : ''
}

/** Whether a passage or jet was found blocked: then a screw may stand where somebody made up for it. */
const wasBlocked = (state: JobState, body: number): boolean =>
  Object.values(bodyOf(state, body).findings).some(({ said }) =>
    said.some(({ condition }) => /^(varnished|blocked)$/.test(condition)),
  )

/** Every value that is known of a setting, the one that holds, and those that speak against it. */
export function sourceStandingOf(state: JobState, body: number, setting: SettingSpec): SourceStanding {
  const here = bodyOf(state, body)
  const key = settingKey(setting)
  const said = (here.ownSources[key] ?? []).map(({ entry, ...one }): Source => ({
    ...one,
    id: entry,
    trust: trustOf(one.source),
  }))
  const found = here.asFound[key]
  const sources =
    found && found.countedTo !== 'free' ? [...said, asFoundSource(state, body, setting, found)] : said
  const ordered = [...sources].sort(
    (a, b) => rankOf(b) - rankOf(a) || (a.at < b.at ? 1 : a.at > b.at ? -1 : 0),
  )
  const decision = here.ownPicks[key]
  const decided = decision && ordered.find(({ id }) => id === decision.source)
  const picked = decided ?? ordered[0] ?? null
  const against = picked && !decided ? ordered.filter((one) => one !== picked && differs(one, picked)) : []
  return { sources: ordered, picked, against, decided: decided ? decision.why : '' }
}

function asFoundSource(
  state: JobState,
  body: number,
  setting: SettingSpec,
  found: { value: number; by: string },
): Source {
  const believed = asFoundGround(state, body)
  const blocked = believed !== '' && setting.code === 'mixture.turns' && wasBlocked(state, body)
  return {
    ...withBand(setting.quantity, found.value),
    source: 'as found',
    ground: blocked ? `${believed}, but a jet was blocked` : believed || 'nobody knows how it ran so',
    by: found.by,
    at: '',
    id: 'as found',
    trust: believed && !blocked ? 'good' : 'weak',
  }
}

const trustOf = (source: SourceName): Trust =>
  source === 'factory sheet' || source === 'kit leaf' || source === 'shop'
    ? 'good'
    : source === 'from relatives'
      ? 'fair'
      : 'weak'

const rankOf = (one: Source): number =>
  one.source === 'none yet'
    ? -1
    : one.source === 'as found' && one.trust === 'good'
      ? AS_FOUND_TRUSTED
      : ORDER[one.source]

/** A value outside the other's band says something else. */
const differs = (one: Source, picked: Source): boolean =>
  one.target < (picked.lo ?? picked.target) - 1e-9 || one.target > (picked.hi ?? picked.target) + 1e-9
