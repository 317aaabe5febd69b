import * as v from 'valibot'
import { figure, parseLength } from '../measure/index.ts'
import { isRefusal, refuse } from '../refusal/index.ts'
import { judgeJet } from './jet.ts'
import type { Finding } from './kind.ts'
import { judgeSeat } from './seat.ts'

const pin = v.pipe(v.number(), v.gtValue(0))
const schema = v.object({ what: v.literal('bore'), go: pin, no: pin })

/** A bore by the pin that enters and the one that does not, mm: a seat's wear, a jet's size. */
export const bore: Finding<v.InferOutput<typeof schema>> = {
  schema,
  label: 'Pin that goes, pin that does not',
  unit: 'mm',
  hint: '2.40 2.45, or #41 #40',
  gauge: 'pins',
  read(raw) {
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
    kind === 'seat' ? judgeSeat(go, no, deciding.newMm, spec, conditions) : judgeJet(go, no, deciding.newMm),
}
