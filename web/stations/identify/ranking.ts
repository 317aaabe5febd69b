import { ENGINE_FEATURE, type Candidate, type UnitSeen } from '@ekrond/core/identify'
import type { BodyState } from '@ekrond/core/log'
import { useWeighed } from './useWeighed'

/** How far a displacement as people say it lies from the sheet's, a share: rebores and roundings. */
const ENGINE_SIGMA = 0.08

/** What the marks and measures of a body say, with what is being typed: the chances, and what would settle most. */
export function useRanking(
  candidates: Candidate[],
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
  const features: UnitSeen['features'] = Object.fromEntries(
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
  const byPlace = Object.fromEntries(Object.entries(body.marks).map(([p, mark]) => [p, mark.text]))
  const { weighed, fresh } = useWeighed(candidates, {
    seen: { marks, maker: makerNow || null, features, sigma: sigmas, doubted },
    byPlace,
  })
  return {
    ranking: weighed?.ranking ?? [],
    pNone: weighed?.pNone ?? 0,
    look: weighed?.look ?? null,
    refusedMark: weighed?.refused ?? '',
    halves: weighed?.halves ?? null,
    nothingSeen: nothingLooked,
    /** whether that is of what is known now */
    fresh,
    weighed: weighed !== null,
  }
}
