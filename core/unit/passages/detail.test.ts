import { describe, expect, it } from 'vitest'
import { passagePlans } from '../families/index.ts'
import { detailOf } from './detail.ts'

describe('what of a passage plan is drawn larger', () => {
  it('is where two ports lie nearest: on a downdraft the transfer slot and the idle hole at the plate', () => {
    const plan = passagePlans.downdraft
    const detail = detailOf(plan)!
    const at = (code: string) => plan.ports.find((port) => port.code === code)!.at
    for (const code of ['T', 'I'])
      expect(Math.hypot(at(code)[0] - detail.at[0], at(code)[1] - detail.at[1])).toBeLessThan(detail.radius)
    // T at (68, −61.5) and I at (67, −72) lie 10.55 mm apart: half of it and 2.5 mm around.
    expect(detail.at).toEqual([67.5, -66.75])
    expect(detail.radius).toBeCloseTo(7.774, 3)
  })
  it('is the branch that is in question, whole where it is short, its end where it is long', () => {
    const short = {
      line: [
        [0, 0],
        [6, 0],
        [6, 8],
      ],
    } as const
    // 6 by 8 mm: half its diagonal of 10 and 2.5 mm around.
    expect(detailOf(passagePlans.downdraft, short)).toEqual({ at: [3, 4], radius: 7.5 })
    const long = {
      line: [
        [0, 0],
        [60, 0],
      ],
    } as const
    expect(detailOf(passagePlans.downdraft, long)).toEqual({ at: [60, 0], radius: 7.5 })
  })
  it('is nothing where ports stand well apart', () => {
    const ports = [0, 20, 40].map((x) => ({ code: String(x), name: '', at: [x, 0] as const }))
    expect(detailOf({ ports, passages: [] })).toBeNull()
  })
})
