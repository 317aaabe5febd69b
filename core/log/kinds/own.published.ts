import * as v from 'valibot'
import { Code } from '../entry.ts'
import { defineKind, withBody } from '../kind.ts'

declare module '../state.ts' {
  interface BodyState {
    published: { listNumber: string; specRev: string; buildRev: string; entry: string } | null
  }
}

const revision = v.pipe(v.string(), v.minLength(1), v.maxLength(80))

/**
 * A taught unit goes into the library: the entry and the library's new revisions are written in one transaction. The body stands on
 * them from then on; what is taught afterwards makes the next ones.
 */
export const ownPublished = defineKind({
  kind: 'own.published',
  version: 1,
  station: 'identify',
  ofBody: true,
  slice: { body: { published: null } },
  schema: v.object({
    listNumber: Code,
    specRev: revision,
    buildRev: revision,
    /** what is stamped on the casting; empty where it bears nothing */
    mark: v.pipe(v.string(), v.trim(), v.maxLength(60)),
    maker: v.pipe(
      v.string(),
      v.trim(),
      v.minLength(1, 'Name its maker, or say that nobody knows it.'),
      v.maxLength(60),
    ),
  }),
  key: () => '',
  apply: (state, entry) =>
    withBody(state, entry.body, (body) => {
      const { listNumber, specRev, buildRev } = entry.data
      return {
        published: { listNumber, specRev, buildRev, entry: entry.id },
        ident: { ...body.ident!, listNumber },
      }
    }),
  sentence: ({ listNumber, specRev }) =>
    `put it into the library as ${listNumber}, ours, unverified (${specRev})`,
})
