import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { sheetsFor } from '../../../demo/log-entries.ts'
import { boxOf, closed } from '../drawing/index.ts'
import { floatView, passagePlanOf, passagePlans, unitDrawing } from './index.ts'

const all = models().flatMap((model) => model.listNumbers.map(({ number }) => sheetsFor(number)))
const middle = ({ x0, x1, y0, y1 }: { x0: number; x1: number; y0: number; y1: number }) => [
  (x0 + x1) / 2,
  (y0 + y1) / 2,
]

describe('the castings round a float are those of the unit that comes apart', () => {
  it('the needle stands in its seat: on one axis, its tip within', () => {
    for (const sheets of all) {
      const { section, float, listNumber } = sheets.spec
      const seat = boxOf(floatView(sheets, 'held').seat)
      const needle = boxOf([closed(section.needle)])
      const across = float.needleAt === 'side' ? 1 : 0
      expect(Math.abs(middle(seat)[across]! - middle(needle)[across]!), listNumber).toBeLessThan(0.6)
      // It overlaps the seat along that axis by 3 mm at least.
      const along = across
        ? Math.min(seat.x1, needle.x1) - Math.max(seat.x0, needle.x0)
        : Math.min(seat.y1, needle.y1) - Math.max(seat.y0, needle.y0)
      expect(along, listNumber).toBeGreaterThan(1.5)
    }
  })
  it('a float has room in its bowl: 1 mm to each wall', () => {
    for (const sheets of all) {
      const { section, listNumber } = sheets.spec
      const xs = section.float.map(([x]) => x + section.pin[0])
      const bowl = boxOf([closed(floatView(sheets, 'use').bowl)])
      expect(Math.min(...xs) - bowl.x0, listNumber).toBeGreaterThan(1)
      expect(bowl.x1 - Math.max(...xs), listNumber).toBeGreaterThan(1)
    }
  })
  it('a reading from the bowl’s floor starts at the floor that is drawn', () => {
    const fromFloor = all.filter(({ spec }) => spec.float.sense === -1)
    expect(fromFloor.length).toBeGreaterThan(10)
    for (const sheets of fromFloor) {
      const { section, float, listNumber } = sheets.spec
      const floor = boxOf([closed(floatView(sheets, 'held').bowl)]).y0
      expect(Math.abs(section.pin[1] - float.levelReading - floor), listNumber).toBeLessThan(0.6)
    }
  })
  it('as held only what carries the float is shown, in use all that is closed round it', () => {
    const codes = (number: string, view: 'held' | 'use') =>
      floatView(sheetsFor(number), view).castings.map(({ code }) => code)
    expect(codes('K-4417-2S', 'held')).toEqual(['cover'])
    expect(codes('K-4417-2S', 'use')).toEqual(['body', 'cover.gasket', 'cover'])
    expect(codes('S26-14F', 'held')).toEqual(['body'])
    expect(codes('S26-14F', 'use')).toContain('bowl')
    // A guided float is read with its lid on: the needle shuts under the seat in it.
    expect(codes('12T-451', 'held')).toEqual(['body', 'bowl.cover'])
  })
})

describe('a list number’s own size', () => {
  it('D32’s float is 1.1 times S26’s, and so is its body; its passages lie in it', () => {
    const [small, large] = [sheetsFor('S26-14F'), sheetsFor('D32-25K')]
    const wide = (sheets: typeof small) => {
      const { x0, x1 } = boxOf(unitDrawing(sheets).fixed)
      return x1 - x0
    }
    expect(wide(large) / wide(small)).toBeCloseTo(29.7 / 27, 2)
    const [x] = passagePlanOf(large).ports[0]!.at
    expect(x / passagePlans.diaphragm.ports[0]!.at[0]).toBeCloseTo(1.1, 2)
  })
  it('the float of the exploded section is the sheet’s own, at its wanted height', () => {
    const { spec, build } = sheetsFor('K-4417-2S')
    // The toe 46 mm out and 8 under the pin, 6 under the face, reads 14 level; the sheet wants 13.5: turned up by half a millimetre.
    const float = unitDrawing({ spec, build }).places.float!
    const low = Math.min(...float.pieces[0]!.line.map(([x, y]) => (x > 40 ? y : 0))) + float.at[1]
    const level = Math.min(...spec.section.float.map(([x, y]) => (x > 40 ? y : 0))) - 6 + 1
    expect(low - level).toBeCloseTo(0.5, 1)
  })
})
