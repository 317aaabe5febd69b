import {
  DEFAULT_MODEL,
  nextLook,
  openCatalogue,
  rank,
  type Candidate,
  type FeatureValue,
  type IdentifyModel,
  type UnitSeen,
} from '@ekrond/core/identify'
import { isRefusal } from '@ekrond/core/base/refusal'

const FEATURES = [
  'draft',
  'barrels',
  'chokeKind',
  'inletThread',
  'material',
  'throttleBoreMm',
  'venturiMm',
  'flangeBoltSpacingMm',
]

type Row = Record<string, unknown>

/** Runs a file of queries against a catalogue (`docs/formats.md`, identify). */
export function runIdentify(catalogueRows: Row[], queries: Row[], noise: Row): { answers: unknown[] } {
  const model = readModel(noise)
  const catalogue = openCatalogue(catalogueRows.map(toCandidate))
  const answers = queries.map((query) => {
    const begun = performance.now()
    // Marks of a place that bears nothing readable say the same of every candidate: `markGone` cancels.
    const seen: UnitSeen = {
      marks: typeof query.mark === 'string' && query.mark !== '' ? [query.mark] : [],
      maker: (query.maker ?? null) as string | null,
      features: known(query.features as Row | undefined),
    }
    const result = rank(catalogue, seen, model)
    if (isRefusal(result)) return { id: query.id, ...result }
    const look = nextLook(catalogue, result.posterior, seen, model)
    return {
      id: query.id,
      ranking: result.ranking.map(({ id, p }) => ({ id, p })),
      pNone: result.pNone,
      nextLook: look && { feature: look.feature, gain: look.gain },
      ms: performance.now() - begun,
    }
  })
  return { answers }
}

function toCandidate(row: Row): Candidate {
  const listNumber = String(row.listNumber ?? row.id)
  return {
    id: String(row.id),
    maker: typeof row.maker === 'string' ? row.maker : '',
    mark: typeof row.mark === 'string' ? row.mark : listNumber,
    weight: typeof row.weight === 'number' && row.weight > 0 ? row.weight : 1,
    features: known((row.features as Row | undefined) ?? row),
  }
}

const known = (from: Row | undefined): Record<string, FeatureValue> =>
  Object.fromEntries(
    Object.entries(from ?? {}).filter(
      ([name, value]) => FEATURES.includes(name) && (typeof value === 'number' || typeof value === 'string'),
    ),
  ) as Record<string, FeatureValue>

function readModel(noise: Row): IdentifyModel {
  const model = { ...DEFAULT_MODEL, ...(noise as Partial<IdentifyModel>) }
  return {
    ...model,
    sigma: { ...DEFAULT_MODEL.sigma, ...((noise.sigma as Record<string, number> | undefined) ?? {}) },
  }
}
