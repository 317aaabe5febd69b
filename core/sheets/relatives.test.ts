import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import { besideRelatives, besideSetting, type SettingSpec } from './index.ts'

const beside = (...given: Parameters<typeof besideRelatives>) => {
  const answer = besideRelatives(...given)
  if (isRefusal(answer)) throw new Error(answer.refused.why)
  return answer
}
const sisters = [13.5, 13.0, 13.5, 14.0, 13.2].map((value) => [value, 1] as const)

describe('a value beside its relatives', () => {
  it('31.5 among sisters about 13.5 is a misprint: its first figures are swapped', () => {
    const { median, spread, suspect, fixes } = beside(sisters, 31.5)
    expect(median).toBe(13.5)
    // Distances 0 0 0.3 0.5 0.5: 1.4826 × 0.3.
    expect(spread).toBeCloseTo(0.44478, 5)
    expect(suspect).toBe(true)
    expect(fixes).toEqual([13.5])
  })
  it('one a little off is one of them', () =>
    expect(beside(sisters, 14.5)).toMatchObject({ suspect: false, fixes: [] }))
  it('offers the nearest first, the smaller at a tie, no figure with a leading nought', () => {
    const { fixes } = beside(
      [
        [10, 1],
        [10, 1],
        [10, 1],
      ],
      90,
      0,
    )
    expect(fixes).toEqual([10])
    // s is one unit: 9 to 11 may be offered; '09' is no written form.
    expect(
      beside(
        [
          [10, 1],
          [10, 1],
          [10, 1],
        ],
        19,
        0,
      ).fixes,
    ).toEqual([10, 11])
  })
  it('says nothing of two, nor of more places than are written', () => {
    expect(
      besideRelatives(
        [
          [1, 1],
          [2, 1],
        ],
        1,
      ),
    ).toMatchObject({ refused: { input: 'values' } })
    expect(besideRelatives(sisters, 13.55)).toMatchObject({ refused: { input: 'query' } })
  })
})

describe('a setting beside its relatives', () => {
  const height = { code: 'float.height', place: 'none', quantity: 'length' } as SettingSpec
  const relatives = {
    'float.height/none': [12.4, 12.5, 12.5, 12.6].map((value) => ({ value, weight: 1 })),
  }
  it('is written with the places that its kind is written with', () => {
    // 21.5 for 12.5: two neighbouring figures changed places.
    expect(besideSetting(relatives, height, 21.5)).toMatchObject({
      median: 12.5,
      suspect: true,
      fixes: [12.5],
    })
    expect(besideSetting(relatives, height, 12.52)).toMatchObject({ suspect: false })
  })
  it('has none under three of them, and none where values lie below nothing', () => {
    expect(
      besideSetting({ 'float.height/none': relatives['float.height/none'].slice(2) }, height, 12.5),
    ).toBeUndefined()
    const notches = { code: 'choke.index', place: 'none', quantity: 'notches' } as SettingSpec
    const lean = { 'choke.index/none': [-1, 0, 1, 1].map((value) => ({ value, weight: 1 })) }
    expect(besideSetting(lean, notches, 1)).toBeUndefined()
  })
})
