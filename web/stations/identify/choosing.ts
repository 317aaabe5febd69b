import type { ListNumberAnswer } from '@ekrond/contract/library'
import type { twoHalves } from '@ekrond/core/identify'
import { bodyNumbers, bodyOf } from '@ekrond/core/log'
import { useQueryClient } from '@tanstack/react-query'
import type { OpenJob } from '../../data/job'
import { listNumberQuery } from '../../data/library'
import { beginMove, useAct } from '../../ui/moves'

const identOf = ({ listNumber, sheets: { specRev, buildRev } }: ListNumberAnswer) => ({
  listNumber,
  specRev,
  buildRev,
})

const correcting = (id: string | undefined) => (id ? { corrects: id } : {})

/** What is done with a ranking: one is chosen, both halves of a mongrel, or a bank's other bodies alike. */
export function useChoosing({
  open,
  ranking,
  picked,
  halves,
  enterMark,
  say,
}: {
  open: OpenJob
  ranking: readonly { id: string; p: number }[]
  /** the one that may be chosen; undefined where none may */
  picked: { id: string; p: number } | undefined
  halves: ReturnType<typeof twoHalves> | null
  /** logs what is still being typed */
  enterMark: () => void
  say: (wrong: string) => void
}) {
  const client = useQueryClient()
  const body = open.here
  const [choose, choosing] = useAct(async () => {
    if (!picked) return
    const move = beginMove()
    enterMark()
    try {
      const found = await client.fetchQuery(listNumberQuery(picked.id))
      const other = ranking.find((r) => r.id !== picked.id)
      const before = open.standing('ident.chosen')
      const no = open.add(
        'ident.chosen',
        {
          listNumber: picked.id,
          specRev: found.sheets.specRev,
          buildRev: found.sheets.buildRev,
          p: picked.p,
          runnerUp: other ? { listNumber: other.id, p: other.p } : null,
        },
        correcting(before?.id),
      )
      if (no) say(no.sentence)
      else move(open.to('asfound'))
    } catch (error) {
      say((error as Error).message)
    }
  })
  /** Each half by its own sheets. */
  const [chooseBoth] = useAct(async () => {
    if (!halves) return
    const move = beginMove()
    enterMark()
    try {
      const [upper, lower] = await Promise.all(
        [halves.upper.id, halves.lower.id].map((id) => client.fetchQuery(listNumberQuery(id))),
      )
      const before = open.standing('ident.chosen')
      const no =
        upper &&
        lower &&
        open.add(
          'ident.chosen',
          {
            ...identOf(upper),
            p: Math.min(halves.upper.p, halves.lower.p),
            runnerUp: null,
            lower: identOf(lower),
          },
          correcting(before?.id),
        )
      if (no) say(no.sentence)
      else move(open.to('asfound'))
    } catch (error) {
      say((error as Error).message)
    }
  })
  const unidentified = bodyNumbers(open.state).filter((number) => !bodyOf(open.state, number).ident)
  /** The bodies of a bank are alike as a rule: one tap gives the rest this one's list number. */
  const alikeAll = () => {
    const { entry: _, ...ident } = body.ident!
    return open.addAll(
      unidentified.map((number) => ({
        kind: 'ident.chosen' as const,
        body: number,
        data: { ...ident, runnerUp: null },
      })),
    )
  }
  return { choose, choosing, chooseBoth, unidentified, alikeAll }
}
