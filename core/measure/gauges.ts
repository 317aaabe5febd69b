import { canSettle, readingSigma } from './verdict.ts'

/** Kinds of gauges that a shop's drawer can hold. */
export const gaugeKinds = [
  'caliper',
  'rule',
  'stepped',
  'drills',
  'pins',
  'scale',
  'feeler',
  'eye',
  'indicator',
  'micrometer',
  'meter',
] as const

/** A gauge in the shop's drawer; resolution and repeatability (1 σ) in mm. */
export interface Gauge {
  code: string
  name: string
  kind: (typeof gaugeKinds)[number]
  resolutionMm: number
  repeatabilityMm: number
}

export const gaugeSigma = (gauge: Gauge): number => readingSigma(gauge.repeatabilityMm, gauge.resolutionMm)

/** The coarsest gauge of the drawer that can settle the band, if the one in hand cannot. */
export function finerGauge(
  inHand: Gauge,
  drawer: readonly Gauge[],
  lo?: number | null,
  hi?: number | null,
): Gauge | undefined {
  const fit = drawer.filter(
    (gauge) => canSettle(gaugeSigma(gauge), lo, hi) && gaugeSigma(gauge) < gaugeSigma(inHand),
  )
  return fit.sort((a, b) => gaugeSigma(b) - gaugeSigma(a))[0]
}
