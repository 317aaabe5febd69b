import { addDays } from '../days/index.ts'
import { screwSaying } from '../asfound/index.ts'
import { workingConditions, type Application, type Conditions } from '../conditions/index.ts'
import {
  conditionsOf,
  judgeMeasured,
  type Disposition,
  type Judgement,
  type Measured,
} from '../findings/index.ts'
import { bodyOf, lastSaid, type DataOf, type JobState } from '../job/index.ts'
import type { Cover, Market } from '../kits/index.ts'
import {
  findDrill,
  gaugeSigma,
  nextLarger,
  parseLength,
  parseQuantity,
  showValue,
  type Gauge,
} from '../measure/index.ts'
import { isRefusal, refuse, type Result } from '../refusal/index.ts'
import {
  judgeSetting,
  readSetting,
  type Read,
  type SettingContext,
  type SettingJudgement,
} from '../setting/index.ts'
import { settingKey, type Position, type SettingSpec, type Sheets } from '../sheets/index.ts'

/** What is about to be logged: the entry's data, and what the screen says of it before it is. */
export interface Draft<K extends keyof DataOf, Said> {
  data: DataOf[K]
  said: Said
}

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
    floatHeight: lastSaid(bodyOf(state, body).readings[heightKey])?.value ?? null,
  }
}

/** A reading at the Set station from what was typed. A drill that enters while the next does not is a bracket: the value is its middle. */
export function draftReading(
  setting: SettingSpec,
  raw: string,
  context: SettingContext,
): Result<Draft<'reading.taken', { read: Read; judgement: SettingJudgement }>> {
  const read = readSetting(setting, raw)
  if (isRefusal(read)) return read
  const bracket = context.gauge?.kind === 'drills' ? drillBracket(raw) : undefined
  const value = bracket ? (bracket.go + bracket.no) / 2 : read.value
  const judgement = judgeSetting(setting, value, context, bracket)
  if (isRefusal(judgement)) return judgement
  const gauge = setting.quantity === 'length' || setting.quantity === 'gap' ? context.gauge : null
  return {
    data: {
      code: setting.code,
      place: setting.place,
      raw: raw.trim(),
      value,
      gauge: gauge?.name ?? null,
      sigma: gauge ? gaugeSigma(gauge) : null,
      specRev: context.specRev,
      shown: {
        verdict: judgement.verdict,
        headline: judgement.headline,
        meaning: judgement.meaning,
        remedy: judgement.remedy?.words ?? null,
        asWritten: setting.asWritten,
      },
    },
    said: { read: { ...read, value }, judgement },
  }
}

function drillBracket(raw: string): { go: number; no: number } | undefined {
  const drill = findDrill(
    raw
      .trim()
      .toUpperCase()
      .replace(/^NO\.?\s*/, '#'),
  )
  const next = drill && nextLarger(drill)
  return drill && next ? { go: drill.mm, no: next.mm } : undefined
}

/** What a setting was found at, with what a mixture screw's count says by its kind. */
export function draftAsFound(
  setting: SettingSpec,
  raw: string,
  countedTo: 'seat' | 'free' | null,
  sheets: Sheets,
  state: JobState,
  body = 1,
): Result<Draft<'asfound.noted', { value: number; usual: boolean }>> {
  const read = readSetting(setting, raw)
  if (isRefusal(read)) return read
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
  if (setting.code === 'mixture.turns' && countedTo !== 'free') {
    const twin = sheets.spec.settings.find(
      (other) => other.code === setting.code && other.place !== setting.place,
    )
    const twinFound = twin && bodyOf(state, body).asFound[settingKey(twin)]
    return screwSaying(
      value,
      setting,
      sheets.spec.mixture,
      twin && twinFound && twinFound.countedTo !== 'free'
        ? { name: twin.place === 'L' ? 'left' : 'right', found: twinFound.value }
        : undefined,
    )
  }
  if (countedTo === 'free')
    return {
      usual: true,
      headline: `${showValue(value, 'turns')} until it fell free.`,
      meaning: 'Counted out to free: it says where it stood only once the thread is counted.',
    }
  const inBand = (setting.lo === null || value >= setting.lo) && (setting.hi === null || value <= setting.hi)
  return inBand
    ? { usual: true, headline: `${showValue(value, setting.quantity)}, as the sheet has it.`, meaning: '' }
    : {
        usual: false,
        headline: `${showValue(value, setting.quantity)} where the sheet has ${setting.asWritten}.`,
        meaning: 'Found so; it is set when it goes together.',
      }
}

/** What the deciding measurement of a part is typed as. A bore is two pins: `2.40 2.45`, or two drills: `#41 #40`. */
export function readMeasured(position: Position, raw: string, gauge: Gauge | null): Result<Measured> {
  const what = position.deciding?.what
  if (!what) return refuse('text', 'This part is judged by eye.')
  const sigma = Math.max(gauge ? gaugeSigma(gauge) : 0.05, 1e-4)
  if (what === 'mass') {
    const read = parseQuantity(raw, 'g')
    return isRefusal(read) ? read : { what, value: read.value, sigma }
  }
  if (what === 'bore') {
    const [go, no, more] = raw
      .trim()
      .split(/\s*(?:,\s|;|\s+(?:not|no|to)\s+|\s)\s*/)
      .filter(Boolean)
    if (!go || !no || more)
      return refuse('text', 'Type the pin that enters and the one that does not, as 2.40 2.45 or #41 #40.')
    const small = parseLength(go)
    const large = parseLength(no)
    if (isRefusal(small)) return small
    if (isRefusal(large)) return large
    if (small.mm >= large.mm)
      return refuse(
        'text',
        'The pin that enters must be smaller than the one that does not. Type the smaller first.',
      )
    return { what, go: small.mm, no: large.mm }
  }
  const read = parseLength(raw)
  return isRefusal(read) ? read : { what, value: read.mm, sigma }
}

/**
 * A finding from a condition and, where the part has one, its deciding measurement. The harsher of the two stands; an override
 * needs its reason.
 */
export function draftFinding(
  position: Position,
  condition: string,
  raw: string,
  gauge: Gauge | null,
  sheets: Sheets,
  conditions: Conditions,
  override: { disposition: Disposition; why: string } | null = null,
): Result<Draft<'finding.judged', { judgement: Judgement | null; disposition: Disposition }>> {
  const seen = conditionsOf[position.kind].find((c) => c.code === condition)
  if (!seen) return refuse('condition', 'Say how the part is.')
  let measured: Measured | null = null
  let judgement: Judgement | null = null
  if (position.deciding && raw.trim() !== '') {
    const read = readMeasured(position, raw, gauge)
    if (isRefusal(read)) return read
    const judged = judgeMeasured(position.kind, position.deciding, read, sheets.spec, conditions)
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
export function draftOrder(cover: Cover, market: Market, today: string): DataOf['order.placed'] {
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

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
