import { screwSaying } from '../../judge/asfound/index.ts'
import { bodyOf, type AsFound, type JobState, seqOf } from '../../log/index.ts'
import { showValue } from '../../measure/index.ts'
import { flowWords } from '../../physics/mixture/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { readSetting } from '../../judge/settings/index.ts'
import { mixtureKindOf, screwFlowOf, settingKey, type SettingSpec, type Sheets } from '../../sheets/index.ts'
import type { Entering } from './kind.ts'

/** What is said of a setting as it was found: as it was said then, or by the sheet in force where the list number was corrected since. */
export function asFoundNow(
  setting: SettingSpec,
  noted: AsFound,
  sheets: Sheets,
  state: JobState,
  body = 1,
): { headline: string; meaning: string } {
  const { ident, taught } = bodyOf(state, body)
  const corrected = ident !== null && !taught && seqOf(state, ident.entry) > seqOf(state, noted.entry)
  return corrected ? asFoundSaying(setting, noted.value, noted.countedTo, sheets, state, body) : noted
}

/** What a setting was found at, with what a mixture screw's count says by its kind. */
export function enterAsFound(
  setting: SettingSpec,
  raw: string,
  countedTo: 'seat' | 'free' | null,
  sheets: Sheets,
  state: JobState,
  body = 1,
): Result<Entering<'asfound.noted', { value: number; usual: boolean }>> {
  const read = readSetting(setting, raw)
  if (isRefusal(read)) return read
  const { freeEighths } = sheets.spec.mixture
  if (
    setting.code === 'mixture.turns' &&
    countedTo === 'free' &&
    freeEighths !== undefined &&
    read.value > freeEighths
  )
    return refuse(
      'text',
      `${showValue(read.value, 'turns')} is not possible: from seated it comes free after ${showValue(freeEighths, 'turns')}. Count again.`,
    )
  const saying = asFoundSaying(setting, read.value, countedTo, sheets, state, body)
  return {
    data: {
      code: setting.code,
      place: setting.place,
      raw: raw.trim(),
      value: read.value,
      countedTo,
      shown: { headline: saying.headline, meaning: saying.meaning },
    },
    said: { value: read.value, usual: saying.usual },
  }
}

function asFoundSaying(
  setting: SettingSpec,
  value: number,
  countedTo: 'seat' | 'free' | null,
  sheets: Sheets,
  state: JobState,
  body: number,
) {
  const { freeEighths } = sheets.spec.mixture
  const mixture = setting.code === 'mixture.turns'
  // Of a taught unit nothing is said that nobody measured: what it was found at is its value until a better source comes.
  if (sheets.spec.taught && (setting.target === null || setting.source === 'as found'))
    return {
      usual: true,
      headline: `${showValue(value, setting.quantity)}${countedTo === 'free' ? ' until it came free' : ''}, noted.`,
      meaning:
        countedTo === 'free'
          ? 'Counted until free: count the thread too, to know where it was.'
          : 'Used until a sheet or similar units give a better one.',
    }
  // Counted until free, where the whole thread was counted once: it stood as far out as is left of it.
  const stood = mixture && countedTo === 'free' && freeEighths !== undefined ? freeEighths - value : value
  const saysWay = !sheets.spec.taught?.pencil.includes('mixture.kind')
  if (mixture && saysWay && (countedTo !== 'free' || freeEighths !== undefined)) {
    const twin = sheets.spec.settings.find(
      (other) =>
        other.code === setting.code && other.flows === setting.flows && other.place !== setting.place,
    )
    const twinFound = twin && bodyOf(state, body).asFound[settingKey(twin)]
    const saying = screwSaying(
      stood,
      setting,
      { ...sheets.spec.mixture, kind: mixtureKindOf(setting, sheets.spec) ?? sheets.spec.mixture.kind },
      twin && twinFound && twinFound.countedTo !== 'free'
        ? { name: twin.place === 'L' ? 'left' : 'right', found: twinFound.value }
        : undefined,
      state.opened?.ran === true,
      sheets.build.positions.some(({ kind, name }) => kind === 'jet' && /idle/i.test(name)),
    )
    return countedTo === 'free'
      ? {
          ...saying,
          headline: `${showValue(value, 'turns')} until free, of ${showValue(freeEighths!, 'turns')}: it was ${showValue(stood, 'turns')} out. ${saying.headline}`,
        }
      : saying
  }
  if (countedTo === 'free')
    return {
      usual: true,
      headline: `${showValue(value, 'turns')} until it came free.`,
      meaning: 'Counted until free: count the thread too, to know where it was.',
    }
  const flow = setting.code === 'screw.turns' ? screwFlowOf(setting, sheets.spec) : null
  const inBand = (setting.lo === null || value >= setting.lo) && (setting.hi === null || value <= setting.hi)
  if (setting.code === 'idle.screw' && value !== setting.target)
    return {
      usual: inBand,
      headline: `${showValue(value, setting.quantity)}; starting point ${setting.asWritten.replace(/ on$/, '')}.`,
      meaning: 'It is set on the engine.',
    }
  return inBand
    ? { usual: true, headline: `${showValue(value, setting.quantity)}, as the sheet has it.`, meaning: '' }
    : {
        usual: false,
        headline: `${showValue(value, setting.quantity)} where the spec is ${setting.asWritten}.`,
        meaning: [flow ? flowWords[flow] : '', 'As found; set it at assembly.'].filter(Boolean).join(' '),
      }
}
