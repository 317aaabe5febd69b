import * as v from 'valibot'
import { dispositions, type Disposition } from '../../sheets/index.ts'
import { partMeasured, type PartMeasured } from '../measured/finding.ts'
import { Code, SomeWords } from '../entry.ts'
import { defineKind, sayAgain, stamp, withBody } from '../kind.ts'

const disposition = v.picklist(dispositions)

export interface FindingData {
  condition: string
  measured: PartMeasured | null
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
  station: 'teardown',
  ofBody: true,
  slice: { body: { findings: {} } },
  schema: v.object({
    position: Code,
    condition: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
    raw: v.pipe(v.string(), v.maxLength(60)),
    measured: v.nullable(partMeasured),
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
