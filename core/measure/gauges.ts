import { nearestDrill, type Drill, type DrillSeries } from './drills.ts'
import { canSettle, readingSigma } from './verdict.ts'

/** A gauge in the shop's drawer; resolution and repeatability (1 σ) in mm. */
export interface Gauge {
  code: string
  name: string
  kind: 'caliper' | 'rule' | 'stepped' | 'drills' | 'pins' | 'scale' | 'feeler' | 'eye' | 'indicator'
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

/** The drill shank that stands in for a gap (mm), with the error it brings. */
export function drillFor(mm: number, series?: readonly DrillSeries[]): Drill & { error: number } {
  return nearestDrill(mm, series)
}
