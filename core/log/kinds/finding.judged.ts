import * as v from 'valibot'
import type { Disposition } from '../../judge/findings/conditions.ts'
import { measuredSchema, type Measured } from '../../judge/findings/registry.ts'
import { Code, SomeWords } from '../entry.ts'
import { notAdmitted } from '../refusals.ts'
import { defineKind, sayAgain, stamp, withBody } from '../kind.ts'
import { bodyOf } from '../state.ts'

const disposition = v.picklist(['reuse', 'clean', 'repair', 'replace', 'condemn'])

export interface FindingData {
  condition: string
  measured: Measured | null
  raw: string
  /** what stands: the rule's, or what was said against it */
  disposition: Disposition
  /** what the rule asked for */
  ruled: Disposition
  sentence: string
  rule: string
  overridden: string | null
  sure: boolean
  by: string
  at: string
  entry: string
}

declare module '../state.ts' {
  interface BodyState {
    findings: Readonly<Record<string, Judged<FindingData>>>
  }
}

export const findingJudged = defineKind({
  kind: 'finding.judged',
  version: 1,
  ofBody: true,
  slice: { body: { findings: {} } },
  schema: v.object({
    position: Code,
    condition: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
    raw: v.pipe(v.string(), v.maxLength(60)),
    measured: v.nullable(measuredSchema),
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
    if (sheets && !position) return notAdmitted('position', sheets.build.listNumber, data.position)
    if (!bodyOf(state, body).off[data.position] && !position?.stays)
      return notAdmitted('still on', position?.name ?? data.position)
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
        ruled: shown.disposition,
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
