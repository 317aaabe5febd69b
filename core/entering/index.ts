import { bendsOf } from '../teach/tries.ts'
import { screwSaying } from '../asfound/index.ts'
import { workingConditions, type Application, type Conditions } from '../conditions/index.ts'
import { addDays } from '../days/index.ts'
import {
  conditionsOf,
  cannotBe,
  judgeMeasured,
  readMeasured,
  type Disposition,
  type Judgement,
  type Measured,
} from '../findings/index.ts'
import { flowWords } from '../mixture/index.ts'
import {
  bodyKey,
  bodyOf,
  lastSaid,
  type AsFound,
  type DataOf,
  type JobNeed,
  type JobState,
} from '../job/index.ts'
import { seqOf } from '../work/moments.ts'
import type { Cover, Market } from '../kits/index.ts'
import { showValue, type Gauge } from '../measure/index.ts'
import { isRefusal, refuse, type Result } from '../refusal/index.ts'
import { readSetting, typedReading, type SettingContext, type TypedReading } from '../settings/index.ts'
import {
  settingKey,
  type Position,
  type SettingSpec,
  type Sheets,
  mixtureKindOf,
  screwFlowOf,
} from '../sheets/index.ts'
import { fittedWasher } from './washer.ts'
import { capital } from '../words/index.ts'

export { fittedWasher } from './washer.ts'

/** What is about to be entered: the entry's data, and what the screen says of it before it is. */
export interface Entering<K extends keyof DataOf, Said> {
  data: DataOf[K]
  said: Said
}

/** The complaint of a unit that nobody complains of. */
const RAN_WELL = 'none: overhaul'

/** The conditions of a job's body as far as they are known. */
export const conditionsFor = (state: JobState, sheets: Sheets): Conditions =>
  workingConditions((state.opened as Application | null) ?? undefined, sheets.spec)

export function settingContext(
  state: JobState,
  sheets: Sheets,
  gauge: Gauge | null,
  drawer: readonly Gauge[],
  body = 1,
): SettingContext {
  const heightKey = 'float.height/none'
  return {
    spec: sheets.spec,
    specRev: sheets.specRev,
    conditions: conditionsFor(state, sheets),
    gauge,
    drawer,
    washerMm: fittedWasher(state, sheets.build, body),
    bends: bendsOf(bodyOf(state, body)),
    floatHeight: lastSaid(bodyOf(state, body).readings[heightKey])?.value ?? null,
  }
}

/** A reading at the Set station from what was typed, with all that it is judged by. Refuses `text` and `reading`. */
export function enterReading(
  setting: SettingSpec,
  raw: string,
  context: SettingContext,
): Result<Entering<'reading.taken', TypedReading>> {
  const typed = typedReading(setting, raw, context)
  if (isRefusal(typed)) return typed
  return {
    data: {
      code: setting.code,
      place: setting.place,
      raw: raw.trim(),
      value: typed.value,
      gauge: typed.gauge?.name ?? null,
      sigma: typed.sigma,
      bracket: typed.bracket,
      specRev: context.specRev,
      shown: typed.shown,
    },
    said: typed,
  }
}

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
      `${showValue(read.value, 'turns')} cannot be: from seated it falls free after ${showValue(freeEighths, 'turns')}. Count again.`,
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
      headline: `${showValue(value, setting.quantity)}${countedTo === 'free' ? ' until it fell free' : ''}, noted.`,
      meaning:
        countedTo === 'free'
          ? 'Counted out to free: it says where it stood only once the thread is counted.'
          : 'It is its value until a sheet or relatives say another.',
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
      state.opened?.complaint.symptom === RAN_WELL,
      sheets.build.positions.some(({ kind, name }) => kind === 'jet' && /idle/i.test(name)),
    )
    return countedTo === 'free'
      ? {
          ...saying,
          headline: `${showValue(value, 'turns')} until free, of ${showValue(freeEighths!, 'turns')}: it stood ${showValue(stood, 'turns')} out. ${saying.headline}`,
        }
      : saying
  }
  if (countedTo === 'free')
    return {
      usual: true,
      headline: `${showValue(value, 'turns')} until it fell free.`,
      meaning: 'Counted out to free: it says where it stood only once the thread is counted.',
    }
  const flow = setting.code === 'screw.turns' ? screwFlowOf(setting, sheets.spec) : null
  const inBand = (setting.lo === null || value >= setting.lo) && (setting.hi === null || value <= setting.hi)
  if (setting.code === 'idle.screw' && value !== setting.target)
    return {
      usual: inBand,
      headline: `${showValue(value, setting.quantity)}; the sheet begins at ${setting.asWritten}.`,
      meaning: 'It is set on the engine.',
    }
  return inBand
    ? { usual: true, headline: `${showValue(value, setting.quantity)}, as the sheet has it.`, meaning: '' }
    : {
        usual: false,
        headline: `${showValue(value, setting.quantity)} where the sheet has ${setting.asWritten}.`,
        meaning: [flow ? flowWords[flow] : '', 'Found so; it is set when it goes together.']
          .filter(Boolean)
          .join(' '),
      }
}

/**
 * A finding from a condition and, where the part has one, its deciding measurement. The harsher of the two stands; an override
 * needs its reason.
 */
export function enterFinding(
  position: Position,
  condition: string,
  raw: string,
  gauge: Gauge | null,
  sheets: Sheets,
  conditions: Conditions,
  override: { disposition: Disposition; why: string } | null = null,
): Result<Entering<'finding.judged', { judgement: Judgement | null; disposition: Disposition }>> {
  const seen = conditionsOf[position.kind].find((c) => c.code === condition)
  if (!seen) return refuse('condition', 'Say how the part is.')
  let measured: Measured | null = null
  let judgement: Judgement | null = null
  if (position.deciding && raw.trim() !== '') {
    const read = readMeasured(position, raw, gauge)
    if (isRefusal(read)) return read
    const slip = cannotBe(read, position.deciding, sheets.spec)
    if (slip) return refuse('text', slip)
    const judged = judgeMeasured(position, position.deciding, read, sheets.spec, conditions)
    if (isRefusal(judged)) return refuse('text', judged.refused.why)
    measured = read
    judgement = judged
  }
  const order: Disposition[] = ['reuse', 'clean', 'repair', 'replace', 'condemn']
  const worst =
    judgement && order.indexOf(judgement.disposition) > order.indexOf(seen.disposition)
      ? judgement.disposition
      : seen.disposition
  // A seat that is part of the casting cannot be replaced: what would renew another condemns this body.
  const fixed = position.stays && position.kind === 'seat' && worst === 'replace'
  const byRule = fixed ? 'condemn' : worst
  const because = judgement ? judgement.sentence : capital(seen.why) + '.'
  const sentence = fixed
    ? `${because} It is not replaceable on this model: unless it can be recut or sleeved, the body is condemned.`
    : because
  return {
    data: {
      position: position.code,
      condition,
      raw: raw.trim(),
      measured,
      shown: {
        disposition: byRule,
        sure: judgement?.sure ?? true,
        sentence,
        rule: judgement?.rule ?? seen.why,
        limit: judgement?.limit ?? null,
      },
      override,
    },
    said: { judgement, disposition: override?.disposition ?? byRule },
  }
}

/** An order from a cover of needs; `today` a local date, arrival by the longest lead. */
export function enterOrder(cover: Cover, market: Market, today: string): DataOf['order.placed'] {
  const kitPrice = (code: string) => market.kits.find((kit) => kit.code === code)!
  const servedBy = (from: string, source: string, part?: string) =>
    cover.gives
      .filter(
        (gift) => gift.from === from && gift.source === source && (part === undefined || gift.part === part),
      )
      .map((gift) => gift.need)
  const shelfParts = [
    ...new Set(cover.gives.filter((gift) => gift.from === 'shelf').map((gift) => gift.part)),
  ]
  return {
    lines: [
      ...cover.kits.map(({ code, quantity }) => {
        const kit = kitPrice(code)
        return {
          what: 'kit' as const,
          code,
          supplier: kit.supplier,
          quantity,
          priceMinor: kit.priceMinor,
          serves: servedBy('kit', code),
        }
      }),
      ...cover.singles.map(({ part, supplier, quantity }) => ({
        what: 'single' as const,
        code: part,
        supplier,
        quantity,
        priceMinor: market.singles.find((single) => single.part === part && single.supplier === supplier)!
          .priceMinor,
        serves: servedBy('single', supplier, part),
      })),
      ...shelfParts.map((part) => ({
        what: 'shelf' as const,
        code: part,
        supplier: '',
        quantity: cover.gives
          .filter((gift) => gift.from === 'shelf' && gift.part === part)
          .reduce((sum, gift) => sum + gift.quantity, 0),
        priceMinor: 0,
        serves: servedBy('shelf', '', part),
      })),
    ],
    totalMinor: cover.costMinor,
    arrives: addDays(today, cover.arrivalDays),
  }
}

/**
 * An order of what nobody lists: taken off the shop's own shelf, or from anybody with one price for all of it (minor units), which
 * stands on the first line. Each need has its line.
 */
export function enterByHand(
  needs: readonly JobNeed[],
  from: { what: 'shelf' | 'single'; supplier: string; totalMinor: number; arrives: string },
): DataOf['order.placed'] {
  return {
    lines: needs.map((need, i) => ({
      what: from.what,
      code: need.part.slice(0, 60),
      supplier: from.supplier,
      quantity: need.quantity,
      priceMinor: i === 0 ? Math.round(from.totalMinor / need.quantity) : 0,
      serves: [bodyKey(need.body, need.position)],
    })),
    totalMinor: from.totalMinor,
    arrives: from.arrives,
  }
}
