import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, parseLength } from '../../measure/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { judgeJet } from './jet.ts'
import type { Finding } from './kind.ts'
import { judgeSeat } from './seat.ts'

const TIMED = /^(\d+(?:[.,]\d+)?)\s*s[\s,]+(\d+(?:[.,]\d+)?)\s*s[\s,]+(\S.*)$/i
const number = (text: string) => Number(text.replace(',', '.'))
/** A stopwatch is pressed to so much, s; twice that is where the bore lies with 95 %. */
const STOPWATCH_S = 0.3

/**
 * A bore by falling head, mm: the same vessel, liquid and marks run out through this jet in `own` s and through one of a known bore in
 * `known` s: d = d_known·√(known/own) (`docs/physics.md` 2). It is the flow that is measured, not the narrowest place.
 */
function timedBore(own: number, known: number, bore: string): Result<PartMeasuredBy<'bore'>> {
  const reference = parseLength(bore)
  if (isRefusal(reference)) return reference
  if (!(own > 5 && known > 5))
    return refuse('text', 'Too short to time by hand: take a larger vessel, over five seconds each.')
  const d = reference.mm * Math.sqrt(known / own)
  const spread = d * Math.hypot(STOPWATCH_S / own, STOPWATCH_S / known)
  return { what: 'bore', go: d - spread, no: d + spread }
}

/** A bore by the pin that enters and the one that does not, mm: a seat's wear, a jet's size. */
export const bore: Finding<PartMeasuredBy<'bore'>> = {
  label: 'Pin that goes, pin that does not',
  unit: 'mm',
  hint: '2.40 2.45, #41 #40; or timed: 57.1 s 62.0 s 1.40',
  gauge: 'pins',
  read(raw) {
    const timed = TIMED.exec(raw.trim())
    if (timed) return timedBore(number(timed[1]!), number(timed[2]!), timed[3]!)
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
    return { what: 'bore', go: small.mm, no: large.mm }
  },
  range: ({ go, no }, { newMm }) => ({
    value: (go + no) / 2,
    near: newMm,
    least: newMm / 3,
    most: newMm * 3,
    unit: 'mm',
    limits: `this one is ${figure(newMm, 2)} new`,
  }),
  judge: ({ go, no }, { kind, deciding }, spec, conditions) =>
    kind === 'seat'
      ? judgeSeat(go, no, deciding.newMm, spec, conditions)
      : judgeJet(go, no, deciding.newMm, conditions.ethanol, deciding.instead),
}
