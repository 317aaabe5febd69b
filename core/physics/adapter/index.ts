import { checkNumbers, isRefusal, refuse, type Result } from '../../base/refusal/index.ts'

/** A flange with two bolts, or four on a square: mm. */
export interface Flange {
  bolts: 2 | 4
  /** between bolts that face each other across the bore; of four, along the side of their square */
  spacingMm: number
  boltMm: number
  /** hole for the hose's nipple, in the middle: the plate closes the rest of the bore */
  nippleMm: number
  /** the flange's bore, which the plate must cover */
  boreMm: number
}

/** A plate to be cut: its outline closed, its round holes; mm, from its middle. */
export interface AdapterPlate {
  outline: [number, number][]
  holes: { at: [number, number]; mm: number }[]
}

/** Metal round a bolt, and round the bore, mm. */
const ROUND_BOLT = 6
const ROUND_BORE = 6
const STEPS = 96

/**
 * An adapter plate for a unit that has no inlet of its own to be tested by: it closes the flange and holds a nipple. Its outline is the
 * hull of its bosses. Refuses sizes at or below 0, a nipple as large as the bore, bolts that would cut into the bore.
 */
export function adapterPlate({ bolts, spacingMm, boltMm, nippleMm, boreMm }: Flange): Result<AdapterPlate> {
  const bad = checkNumbers(
    { spacingMm, boltMm, nippleMm, boreMm },
    { above: { spacingMm: 0, boltMm: 0, nippleMm: 0, boreMm: 0 } },
  )
  if (bad) return bad
  if (nippleMm >= boreMm)
    return refuse('nippleMm', 'The nipple’s hole is smaller than the bore that the plate closes.')
  const half = spacingMm / 2
  const at: [number, number][] =
    bolts === 2
      ? [
          [-half, 0],
          [half, 0],
        ]
      : [
          [-half, -half],
          [half, -half],
          [half, half],
          [-half, half],
        ]
  const reach = Math.hypot(...at[0]!)
  if (reach - boltMm / 2 <= boreMm / 2 + 1)
    return refuse(
      'spacingMm',
      'Bolts so near would cut into the bore: measure from the middle of one to the middle of the other.',
    )
  const bosses = [
    ...at.map((centre) => ({ centre, radius: boltMm / 2 + ROUND_BOLT })),
    { centre: [0, 0] as [number, number], radius: boreMm / 2 + ROUND_BORE },
  ]
  // The hull by its support: in each direction the boss that reaches farthest.
  const outline = Array.from({ length: STEPS }, (_, i): [number, number] => {
    const angle = (2 * Math.PI * i) / STEPS
    const way: [number, number] = [Math.cos(angle), Math.sin(angle)]
    const far = bosses.reduce((best, one) => (support(one, way) > support(best, way) ? one : best))
    return [far.centre[0] + far.radius * way[0], far.centre[1] + far.radius * way[1]]
  })
  return {
    outline,
    holes: [...at.map((centre) => ({ at: centre, mm: boltMm })), { at: [0, 0], mm: nippleMm }],
  }
}

const support = (
  { centre, radius }: { centre: readonly [number, number]; radius: number },
  way: readonly [number, number],
) => centre[0] * way[0] + centre[1] * way[1] + radius

/** The plate as a drawing at full size: an SVG in millimetres, lines only, as cutters take it. */
export function plateSvg(plate: AdapterPlate): string {
  const xs = plate.outline.map(([x]) => x)
  const ys = plate.outline.map(([, y]) => y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const width = (x1 - x0 + 4).toFixed(3)
  const height = (y1 - y0 + 4).toFixed(3)
  const line = plate.outline
    .map(([x, y], i) => `${i ? 'L' : 'M'}${(x - x0 + 2).toFixed(3)} ${(y1 - y + 2).toFixed(3)}`)
    .join('')
  const holes = plate.holes
    .map(
      ({ at: [x, y], mm }) =>
        `<circle cx="${(x - x0 + 2).toFixed(3)}" cy="${(y1 - y + 2).toFixed(3)}" r="${(mm / 2).toFixed(3)}"/>`,
    )
    .join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}"><g fill="none" stroke="#000" stroke-width="0.1"><path d="${line}Z"/>${holes}</g></svg>\n`
}

/** The same, or the refusal's sentence. */
export function plateFile(flange: Flange): Result<string> {
  const plate = adapterPlate(flange)
  return isRefusal(plate) ? plate : plateSvg(plate)
}
