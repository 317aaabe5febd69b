import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { sheetsFor } from '../../../demo/log-entries.ts'
import {
  boxOf,
  boundsOf,
  crosses,
  explode,
  layUnit,
  silhouetteOf,
  type LaidUnit,
  LARGE_PX,
  WORD_PX,
  type PartStanding,
} from '../drawing/index.ts'
import { type Sheets, assemblyOrder, teardownOrder } from '../../sheets/index.ts'
import { familyOf, neverCapped, outsideOf, unitDrawing } from './index.ts'

/** One list number of each model: every family of units. */
const units = models().map((model) => sheetsFor(model.listNumbers[0]!.number))
/** The board's room at 1280 and at 1024 px of window, px. */
const ROOMS = [
  { width: 728, height: 520 },
  { width: 470, height: 480 },
]

/** Every step of a teardown and of a build: what stands how, and what is named. */
function* steps({ build }: Sheets) {
  for (const order of [teardownOrder(build), assemblyOrder(build)]) {
    const on = order[0] !== teardownOrder(build)[0]
    for (const [k, current] of order.entries()) {
      const standings: Record<string, PartStanding> = Object.fromEntries(
        order.map(({ code }, i) => [code, i < k === on ? 'on' : 'off']),
      )
      standings[current.code] = 'now'
      const named = order.slice(k, k + 3).map(({ code, name }) => ({
        code,
        number: String(order.findIndex((p) => p.code === code) + 1),
        words: name,
      }))
      yield { current, standings, named }
    }
  }
}

/** Leaders that run through another small part, each looked at in sixty places: 'a through b'. */
function throughParts({ labels, exploded, origin, perMm }: LaidUnit): string[] {
  const small = exploded.parts
    .filter(({ standing, pieces }) => standing !== 'off' && pieces.length > 0)
    .map(({ code, pieces }) => {
      const { x0, x1, y0, y1 } = boxOf(pieces)
      return {
        code,
        x0: origin[0] + x0 * perMm,
        x1: origin[0] + x1 * perMm,
        y0: origin[1] - y1 * perMm,
        y1: origin[1] - y0 * perMm,
      }
    })
    .filter(({ x0, x1, y0, y1 }) => x1 - x0 <= 60 && y1 - y0 <= 60)
  return labels.flatMap(({ key, leader }) => {
    const points = leader.slice(1).flatMap(([bx, by], i) => {
      const [ax, ay] = leader[i]!
      return Array.from(
        { length: 61 },
        (_, s) => [ax + ((bx - ax) * s) / 60, ay + ((by - ay) * s) / 60] as const,
      )
    })
    return small
      .filter(
        ({ code, x0, x1, y0, y1 }) =>
          code !== key && points.some(([x, y]) => x > x0 + 1 && x < x1 - 1 && y > y0 + 1 && y < y1 - 1),
      )
      .map(({ code }) => `${key} through ${code}`)
  })
}

describe('the units as they are drawn', () => {
  it('each model has its family', () =>
    expect(
      units.map((sheets) => [sheets.spec.model, familyOf(sheets)]).sort(([a], [b]) => (a! < b! ? -1 : 1)),
    ).toEqual([
      ['12T', 'updraft'],
      ['24T', 'twin updraft'],
      ['B34', 'diaphragm'],
      ['D32', 'diaphragm'],
      ['K-44', 'downdraft'],
      ['Q-80', 'four-barrel downdraft'],
      ['S26', 'slide'],
      ['U3', 'small one-barrel'],
      ['U7', 'small one-barrel'],
    ]))
  it('every position has its place', () => {
    for (const sheets of units)
      expect(explode(unitDrawing(sheets), sheets.build.positions, {}).missing, sheets.spec.model).toEqual([])
  })
  it('at every step, at both widths, names stand apart, leaders cross no leader and no part, and nothing leaves the sheet', () => {
    for (const sheets of units)
      for (const room of ROOMS)
        for (const { current, standings, named } of steps(sheets)) {
          const where = `${sheets.spec.model}, ${current.code} at ${room.width}`
          const drawing = unitDrawing(sheets)
          const laid = layUnit(drawing, sheets.build.positions, standings, named, room)
          const { labels, key, enlarged } = laid
          expect(throughParts(laid), where).toEqual([])
          // On a narrow sheet the plan stands only where it must say what is drawn large.
          expect(key !== null, where).toBe(enlarged || room.width >= 560)
          expect(
            labels.map(({ key }) => key),
            where,
          ).toContain(current.code)
          for (const [i, a] of labels.entries()) {
            expect(a.box.x, where).toBeGreaterThanOrEqual(0)
            expect(a.box.x + a.box.width, where).toBeLessThanOrEqual(room.width)
            expect(a.box.y, where).toBeGreaterThanOrEqual(-4)
            expect(a.box.y + a.box.height, where).toBeLessThanOrEqual(room.height)
            const onKey =
              key &&
              Math.min(a.box.x + a.box.width, key.box.x1) > Math.max(a.box.x, key.box.x0) &&
              Math.min(a.box.y + a.box.height, key.box.y1) > Math.max(a.box.y, key.box.y0)
            expect(onKey, `${where}: ${a.key} on the plan`).toBeFalsy()
            for (const b of labels.slice(i + 1)) {
              expect(crosses(a.leader, b.leader), `${where}: ${a.key} and ${b.key}`).toBe(false)
              const apart =
                a.side !== b.side ||
                a.box.y + a.box.height <= b.box.y + 0.01 ||
                b.box.y + b.box.height <= a.box.y + 0.01
              expect(apart, `${where}: ${a.key} over ${b.key}`).toBe(true)
            }
          }
        }
  })
  it('two of three that come next are named beside the current one, over all steps', () => {
    let wanted = 0
    let named = 0
    for (const sheets of units)
      for (const room of ROOMS)
        for (const step of steps(sheets)) {
          wanted += step.named.length
          named += layUnit(unitDrawing(sheets), sheets.build.positions, step.standings, step.named, room)
            .labels.length
        }
    expect(named / wanted).toBeGreaterThan(0.8)
  })
  it('no word is under 14 px', () => expect(Math.min(WORD_PX, LARGE_PX)).toBeGreaterThanOrEqual(14))
  it('a cover that is lifted carries its float; a part that is off leaves its seat where it was', () => {
    const sheets = sheetsFor('K-4417-2S')
    const drawing = unitDrawing(sheets)
    const at = (standings: Record<string, PartStanding>, code: string) =>
      boxOf(
        explode(drawing, sheets.build.positions, standings).parts.find((part) => part.code === code)!.pieces,
      )
    const lift = drawing.places.cover!.way
    expect(at({ cover: 'off' }, 'float').y0 - at({}, 'float').y0).toBeCloseTo(lift, 9)
    expect(at({ 'jet.main/S': 'off' }, 'jet.main/S')).toEqual(at({}, 'jet.main/S'))
    // The current one is half-way out, along its own axis: the coil's cover to the right.
    const coil = drawing.places['choke.coil']!
    expect(at({ 'choke.coil': 'now' }, 'choke.coil').x0 - at({}, 'choke.coil').x0).toBeCloseTo(
      coil.way / 2,
      9,
    )
    expect(at({ 'choke.coil': 'now' }, 'choke.coil').y0).toBeCloseTo(at({}, 'choke.coil').y0, 9)
  })
  it('the scale is the same at each step, and the place too where the whole unit is drawn', () => {
    for (const sheets of units) {
      const drawing = unitDrawing(sheets)
      const scales = [...steps(sheets)].map(({ standings, named }) => {
        const { perMm, origin, enlarged } = layUnit(
          drawing,
          sheets.build.positions,
          standings,
          named,
          ROOMS[0]!,
        )
        return [perMm, ...(enlarged ? [] : origin)].join()
      })
      expect(new Set(scales).size, sheets.spec.model).toBe(1)
      const { x0, x1, y0, y1 } = boundsOf(drawing, sheets.build.positions)
      expect(x1 - x0).toBeGreaterThan(80)
      expect(y1 - y0).toBeGreaterThan(80)
    }
  })
  it('a list number’s own bores are drawn: a wider jet has a wider hole', () => {
    const hole = (number: string) => {
      const jet = unitDrawing(sheetsFor(number)).places['jet.main/P']!.pieces[0]!
      const xs = jet.hollows![0]!.map(([x]) => x)
      return Math.max(...xs) - Math.min(...xs)
    }
    const bore = (number: string) =>
      (
        sheetsFor(number).build.positions.find(({ code }) => code === 'jet.main/P')!.deciding as {
          newMm: number
        }
      ).newMm
    for (const number of ['K-4417-2S', 'K-4438-2S']) expect(hole(number)).toBeCloseTo(bore(number), 9)
  })
})

describe('from outside', () => {
  it('a silhouette is the outer contour: an L from two boxes, a hole passed over', () => {
    const box = (x0: number, y0: number, x1: number, y1: number) =>
      [
        [x0, y0],
        [x1, y0],
        [x1, y1],
        [x0, y1],
      ] as const
    // A tower of 4 by 10 on the left of a base of 10 by 2.
    const line = silhouetteOf([box(0, 0, 10, 2), box(0, 0, 4, 10)])
    const area = Math.abs(
      line.reduce((sum, [x, y], i) => {
        const [nx, ny] = line[(i + 1) % line.length]!
        return sum + x * ny - nx * y
      }, 0) / 2,
    )
    expect(area).toBeCloseTo(20 + 32, 2)
    // Two walls with a bore between them are one outside.
    const walls = silhouetteOf([box(0, 0, 2, 10), box(8, 0, 10, 10)])
    expect(Math.max(...walls.map(([x]) => x)) - Math.min(...walls.map(([x]) => x))).toBe(10)
    expect(walls).toHaveLength(4)
  })

  it.each(units)('$spec.model: its ports sit on its castings, vents and drips are never capped', (sheets) => {
    const { ports, elevation } = outsideOf(sheets)
    expect(ports.length).toBeGreaterThan(0)
    expect(new Set(ports.map(({ code }) => code)).size).toBe(ports.length)
    for (const port of ports) {
      const { x0, x1, y0, y1 } = elevation.bounds
      expect(port.at[0], port.code).toBeGreaterThanOrEqual(x0)
      expect(port.at[0], port.code).toBeLessThanOrEqual(x1)
      expect(port.at[1], port.code).toBeGreaterThanOrEqual(y0)
      expect(port.at[1], port.code).toBeLessThanOrEqual(y1)
      expect(neverCapped(port), port.code).toBe(/vent|drip|overflow/i.test(port.name))
    }
  })
})
