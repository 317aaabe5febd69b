import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { sheetsFor } from '../../../demo/log-entries.ts'
import { boxOf, fitted, type Line, type Pt } from '../drawing/index.ts'
import { flangeView, jointPlan } from './index.ts'

const units = models().map((model) => {
  const [item] = model.listNumbers
  const { throttleBoreMm, venturiMm, flangeBoltSpacingMm } = item!.features as Record<string, number>
  return {
    model: model.code,
    sheets: sheetsFor(item!.number),
    sizes: {
      throttleBoreMm: throttleBoreMm!,
      venturiMm: venturiMm!,
      flangeBoltSpacingMm: flangeBoltSpacingMm!,
    },
  }
})
const apart = ([ax, ay]: Pt, [bx, by]: Pt) => Math.hypot(ax - bx, ay - by)
/** Even-odd: how often a ray to the right crosses the line. */
const inside = ([x, y]: Pt, line: Line) =>
  line.filter(([ax, ay], i) => {
    const [bx, by] = line[(i + 1) % line.length]!
    return ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)
  }).length %
    2 ===
  1

describe('a unit at its bores and its flange', () => {
  it.each(units)(
    '$model: a bore a barrel, the bolts as far apart as the library has them, none in a bore',
    ({ sheets, sizes }) => {
      const { bores, bolts, seen, cut } = flangeView(sheets, sizes)
      expect(bores).toHaveLength(sheets.spec.barrels)
      const pairs = bolts.flatMap((a, i) => bolts.slice(i + 1).map((b) => apart(a, b)))
      expect(Math.min(...pairs.map((d) => Math.abs(d - sizes.flangeBoltSpacingMm)))).toBeLessThan(1e-9)
      for (const { at, boreMm } of bores) {
        expect(boreMm).toBe(sizes.throttleBoreMm)
        for (const bolt of bolts) expect(apart(bolt, at)).toBeGreaterThan(boreMm / 2 + 3)
        for (const other of bores)
          if (other.at !== at) expect(apart(other.at, at)).toBeGreaterThan(boreMm + 2)
      }
      // What the caliper is laid on is one pair at the edge of the drawing, as far apart as the library has it.
      const { pair, mark, outlines } = flangeView(sheets, sizes)
      expect(apart(...pair)).toBeCloseTo(sizes.flangeBoltSpacingMm, 9)
      expect(bolts).toEqual(expect.arrayContaining([...pair]))
      expect(
        outlines.some(({ line }) => line.includes(mark) || line.some((p) => apart(p, mark) < 1e-9)),
      ).toBe(true)
      // Where the bore lies flat it is looked at from the flange, and there is no plan to cut.
      expect(seen).toBe(sheets.spec.draft === 'side' ? 'at the flange' : 'from above')
      expect(cut === null).toBe(sheets.spec.draft === 'side')
    },
  )
  it('what nobody measured is drawn in proportion: 2.2 bores from bolt to bolt', () => {
    const { sheets } = units.find(({ model }) => model === 'S26')!
    const { bores, bolts } = flangeView(sheets, {
      throttleBoreMm: null,
      venturiMm: null,
      flangeBoltSpacingMm: 55,
    })
    expect(bores[0]!.boreMm).toBeCloseTo(25, 9)
    expect(apart(bolts[0]!, bolts[1]!)).toBeCloseTo(55, 9)
  })
})

describe('a joint’s face', () => {
  const joints = units.flatMap(({ model, sheets }) =>
    sheets.build.positions
      .filter(({ code }) => /^(cover|bowl|lid)\.screws$/.test(code))
      .map((position) => ({ model, position, plan: jointPlan(sheets, position)! })),
  )
  it('each model has one', () => expect(new Set(joints.map(({ model }) => model)).size).toBe(units.length))
  it.each(joints)(
    '$model $position.code: as many screws as it has, on the face, in no opening',
    ({ position, plan }) => {
      expect(plan.screws).toHaveLength(position.quantity)
      for (const screw of plan.screws) {
        expect(inside(screw, plan.outline)).toBe(true)
        for (const hole of plan.holes) expect(inside(screw, hole)).toBe(false)
      }
    },
  )
  it.each(joints)(
    '$model $position.code: clockwise for whoever turns them, wide enough apart for a glove',
    ({ plan }) => {
      const { screws, outline } = plan
      // The turning sense of a polygon: clockwise with y up has a negative area.
      const area = screws.reduce((sum, [x, y], i) => {
        const [nx, ny] = screws[(i + 1) % screws.length]!
        return sum + x * ny - nx * y
      }, 0)
      if (screws.length > 2) expect(area).toBeLessThan(0)
      const { perMm } = fitted(
        boxOf([{ line: outline, closed: true, stroke: 'seen' }]),
        { width: 376, height: 228 },
        28,
      )
      for (const [i, one] of screws.entries())
        for (const other of screws.slice(i + 1)) expect(apart(one, other) * perMm).toBeGreaterThan(46)
    },
  )
  it('a single fitting has no face', () => {
    const { sheets } = units.find(({ model }) => model === 'K-44')!
    expect(
      jointPlan(
        sheets,
        sheets.build.positions.find(({ code }) => code === 'inlet.fitting')!,
      ),
    ).toBeNull()
  })
})
