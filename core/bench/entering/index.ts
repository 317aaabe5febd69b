import { bendsOf } from '../../taught/index.ts'
import { workingConditions, type Application, type Conditions } from '../../sheets/conditions/index.ts'
import { addDays } from '../../base/days/index.ts'
import { cannotBe, judgeMeasured, readMeasured, type Judgement } from '../../judge/findings/index.ts'
import {
  partsTable,
  type Position,
  type SettingSpec,
  type Sheets,
  type Disposition,
} from '../../sheets/index.ts'
import { type PartMeasured, bodyKey, bodyOf, lastSaid, type DataOf, type JobState } from '../../log/index.ts'
import type { JobNeed } from '../../plan/needs/index.ts'
import type { Cover, Market } from '../../plan/kits/index.ts'
import type { Gauge } from '../../measure/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { typedReading, type SettingContext, type TypedReading } from '../../judge/settings/index.ts'
import type { Entering } from './kind.ts'
import { fittedWasher } from './washer.ts'
import { capital } from '../../base/words/index.ts'

export { asFoundNow, enterAsFound } from './as-found.ts'
export type { Entering } from './kind.ts'
export { fittedWasher } from './washer.ts'

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
  const seen = partsTable[position.kind].conditions.find((c) => c.code === condition)
  if (!seen) return refuse('condition', 'Choose the part’s condition.')
  let measured: PartMeasured | null = null
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
export { enterChosen } from './chosen.ts'
