import {
  absentFor,
  asOne,
  DEFAULT_MODEL,
  ENGINE_FEATURE,
  nextLook,
  rank,
  type openCatalogue,
  type Seen,
} from '@ekrond/core/identify'
import type { BodyState } from '@ekrond/core/job'
import { isRefusal } from '@ekrond/core/refusal'
import { useMemo } from 'react'

const MOST_SHOWN = 4
const LEAST_SHOWN = 0.002
/** How far a displacement as people say it lies from the sheet's, a share: rebores and roundings. */
const ENGINE_SIGMA = 0.08

/** What the marks and measures of a body say, with what is being typed: the chances, and what would settle most. */
export function useRanking(
  catalogue: ReturnType<typeof openCatalogue> | null,
  body: BodyState,
  makerNow: string,
  place: string,
  markText: string,
  /** what the engine that it is said to come from displaces for one body, L; null where nobody said */
  engineL: number | null,
) {
  // What is being typed counts at once, before it is entered.
  const marks = [
    ...Object.entries(body.marks).filter(
      ([p]) => (p !== place || !markText) && body.evidence[`mark:${p}`] !== 'struck',
    ),
    ...(markText ? [[place, { text: markText }] as const] : []),
  ]
    .map(([, mark]) => mark.text)
    .filter(Boolean)
  const features: Seen['features'] = Object.fromEntries(
    Object.entries(body.features)
      .filter(([name]) => body.evidence[`feature:${name}`] !== 'struck')
      .map(([name, f]) => [name, f.value]),
  )
  const nothingLooked = marks.length === 0 && Object.keys(features).length === 0
  // What a customer says of an engine is half believed, and rounded.
  if (engineL !== null && !nothingLooked) features[ENGINE_FEATURE] = engineL
  const sigmas: Record<string, number> = Object.fromEntries(
    Object.entries(body.features).flatMap(([name, f]) => (f.sigma ? [[name, f.sigma]] : [])),
  )
  if (engineL !== null) sigmas[ENGINE_FEATURE] = ENGINE_SIGMA * engineL
  const doubted = Object.keys(features).filter(
    (name) => name === ENGINE_FEATURE || body.evidence[`feature:${name}`] === 'think so',
  )
  const seenKey = JSON.stringify([marks, features, makerNow, doubted])
  const result = useMemo(() => {
    if (!catalogue) return null
    const seen: Seen = { marks, maker: makerNow || null, features, sigma: sigmas, doubted }
    const model = { ...DEFAULT_MODEL, absent: absentFor(catalogue.candidates.length) }
    const ranked = rank(catalogue, seen, model)
    return isRefusal(ranked)
      ? ranked
      : { ...ranked, look: nextLook(catalogue, ranked.posterior, seen, model) }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key holds all of it
  }, [catalogue, seenKey])
  const refusedMark = result && isRefusal(result) ? result.refused.why : ''
  const ranking: ReturnType<typeof asOne> =
    result && !isRefusal(result)
      ? asOne(result.ranking)
          .filter((r) => r.p > LEAST_SHOWN)
          .slice(0, MOST_SHOWN)
      : []
  const pNone = result && !isRefusal(result) ? result.pNone : 0
  const look = result && !isRefusal(result) ? result.look : null
  return { marks, ranking, pNone, look, nothingSeen: nothingLooked, refusedMark }
}
