import * as v from 'valibot'
import { refusal, SomeWords } from '../entry.ts'
import { defineKind, sayAgain, stamp, withBody } from '../kind.ts'
import { bodyOf } from '../state.ts'

const disposition = v.picklist(['reuse', 'clean', 'repair', 'replace', 'condemn'])
const positive = v.pipe(v.number(), v.gtValue(0))
const notNegative = v.pipe(v.number(), v.minValue(0))

export const findingJudged = defineKind({
  kind: 'finding.judged',
  version: 1,
  ofBody: true,
  station: 'teardown',
  schema: v.object({
    position: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
    condition: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
    raw: v.pipe(v.string(), v.maxLength(60)),
    measured: v.nullable(
      v.variant('what', [
        v.object({ what: v.literal('mass'), value: positive, sigma: positive }),
        v.object({ what: v.literal('bore'), go: positive, no: positive }),
        v.object({ what: v.literal('play'), value: notNegative, sigma: positive }),
        v.object({ what: v.literal('warp'), value: notNegative, sigma: positive }),
      ]),
    ),
    shown: v.object({
      disposition,
      sure: v.boolean(),
      sentence: v.string(),
      rule: v.string(),
      limit: v.nullable(v.number()),
    }),
    override: v.nullable(v.object({ disposition, why: SomeWords })),
  }),
  key: (data) => data.position,
  admit: (state, { data, body }, { sheets, standing }) => {
    const position = sheets?.build.positions.find((p) => p.code === data.position)
    if (standing && !position) return undefined
    if (sheets && !position)
      return refusal('position', `${sheets.build.listNumber} has no part ${data.position}.`, 'position')
    if (!bodyOf(state, body).off[data.position] && !position?.stays)
      return refusal(
        'still on',
        `${position?.name ?? data.position} is still on. Take it off, then judge it.`,
        'position',
      )
    return undefined
  },
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { position, condition, raw, measured, shown, override } = entry.data
      const finding = {
        condition,
        measured,
        raw,
        disposition: override?.disposition ?? shown.disposition,
        sentence: shown.sentence,
        rule: shown.rule,
        overridden: override?.why ?? null,
        sure: shown.sure || override !== null,
        ...stamp(entry),
      }
      return {
        findings: {
          ...body.findings,
          [position]: sayAgain(body.findings[position], finding, (a, b) => a.disposition === b.disposition),
        },
      }
    }),
  sentence: (data, name) =>
    `judged ${name(data.position)}: ${data.override?.disposition ?? data.shown.disposition}${data.raw ? ` at ${data.raw}` : ''}${data.override ? `, against the rule: ${data.override.why}` : ''}`,
})
