import * as v from 'valibot'
import { FEATURE_NAMES } from '../../sheets/index.ts'
import { Code } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

const weights = ['sure', 'think so', 'struck'] as const

declare module '../state.ts' {
  interface BodyState {
    /** how a piece of evidence counts where it is not sure: by 'mark:PLACE' or 'feature:NAME' */
    evidence: Readonly<Record<string, (typeof weights)[number]>>
  }
}

/** How a mark or a measure counts when the unit is identified: as it stands, half, or not at all. It is put back the same way. */
export const evidenceWeighed = defineKind({
  kind: 'evidence.weighed',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { evidence: {} } },
  schema: v.object({ what: Code, as: v.picklist(weights) }),
  key: (data) => data.what,
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => ({
      evidence: { ...body.evidence, [entry.data.what]: entry.data.as },
    })),
  sentence: ({ what, as }) => {
    const [kind, name = ''] = what.split(':')
    const of = kind === 'mark' ? `the mark on the ${name}` : (FEATURE_NAMES[name] ?? name)
    return as === 'struck' ? `struck ${of} out` : as === 'sure' ? `is sure of ${of}` : `thinks so of ${of}`
  },
})
