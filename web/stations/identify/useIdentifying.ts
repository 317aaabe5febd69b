import type { CatalogueAnswer, ListNumberAnswer } from '@ekrond/contract/library'
import { displacementOf, engineDoubt } from '@ekrond/core/identify'
import { sheetDifferences } from '@ekrond/core/judge/differences'
import type { markPlaces } from '@ekrond/core/log'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { call, type ApiError } from '../../data/api'
import { useDraft } from '../../data/draft'
import type { OpenJob } from '../../data/job'
import { listNumberQuery } from '../../data/library'
import { useChoosing } from './choosing'
import { useRanking } from './ranking'

const EMPTY: CatalogueAnswer['candidates'] = []

/** What is known of a unit against the library: who it may be, what would settle most, and what can be chosen. */
export function useIdentifying(open: OpenJob) {
  const { here, state } = open
  const library = useQuery<CatalogueAnswer, ApiError>({
    queryKey: ['catalogue'],
    queryFn: () => call('/api/catalogue'),
    staleTime: 5 * 60_000,
  })
  const candidates = library.data?.candidates ?? EMPTY
  const [place, setPlace] = useState<(typeof markPlaces)[number]>('plate')
  const [markText, setMarkText] = useDraft(open.draft('identify', place))
  const [maker, setMaker] = useState<string | null>(null)
  const [chosen, setChosen] = useState<number | null>(null)
  const [wrong, setWrong] = useState('')

  const engineSaid = state.opened ? displacementOf(state.opened.engine) : null
  const engineEach = engineSaid === null ? null : engineSaid / open.bodies
  const makerNow = maker ?? Object.values(here.marks).find((mark) => mark.maker)?.maker ?? ''
  const ranked = useRanking(candidates, here, makerNow, place, markText, engineEach)
  const { ranking, pNone, nothingSeen, halves, fresh } = ranked
  // Where none of them is likelier than the first, nobody is preselected: that would be a judgement.
  const likeliest = chosen ?? (ranking[0] && pNone < ranking[0].p ? 0 : -1)
  const at = Math.min(likeliest, ranking.length - 1)
  const picked = ranking[at]

  const first = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(ranking[0]?.id ?? ''),
    enabled: ranking.length > 0 && !nothingSeen,
  })
  const second = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(ranking[1]?.id ?? ''),
    enabled: ranking.length > 1 && !nothingSeen,
  })
  const judged = picked && picked.id === first.data?.listNumber ? first.data.sheets.spec : open.sheets?.spec

  const enterMark = () => {
    const text = markText.trim()
    if (!text) return
    const before = open.standing('mark.read', (data) => data.place === place)
    const no = open.add(
      'mark.read',
      { place, text, maker: makerNow || null },
      before ? { corrects: before.id } : {},
    )
    if (no) return setWrong(no.sentence)
    setWrong('')
    setMarkText('')
  }
  const already = here.ident?.listNumber
  // Nobody chooses by what was known a moment ago.
  const forbidden = !picked || nothingSeen || !fresh || picked.id === already
  const choosing = useChoosing({
    open,
    ranking,
    picked: forbidden ? undefined : picked,
    halves,
    enterMark,
    say: setWrong,
  })
  return {
    ...ranked,
    ...choosing,
    library,
    candidates,
    empty: library.data !== undefined && candidates.length === 0,
    place,
    setPlace,
    markText,
    setMarkText: (text: string) => {
      setWrong('')
      setMarkText(text)
    },
    enterMark,
    makerNow,
    setMaker,
    wrong,
    setWrong,
    at,
    picked,
    pick: setChosen,
    /** whose outlines are drawn */
    leader: candidates.find((one) => one.id === (picked ?? ranking[0])?.id),
    already,
    forbidden,
    /** why the engine that was named is none of this list number’s; empty where it may be */
    wrongEngine: judged && state.opened ? engineDoubt(state.opened.engine, open.bodies, judged) : '',
    /** in what the two likeliest differ */
    differences:
      first.data && second.data && !nothingSeen
        ? sheetDifferences(first.data.sheets, second.data.sheets)
        : null,
  }
}

export type IdentifyingView = ReturnType<typeof useIdentifying>
