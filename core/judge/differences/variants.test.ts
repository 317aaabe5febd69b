import { describe, expect, it } from 'vitest'
import { sheetsFor } from '../../../demo/log-entries.ts'
import { byEngine, variantColumns, type Variant } from './index.ts'

const variant = (listNumber: string): Variant => {
  const { spec } = sheetsFor(listNumber)
  return {
    listNumber,
    displacementL: spec.engine.displacementL,
    settings: spec.settings,
    calibration: spec.calibration,
  }
}

describe('what the list numbers of a model differ in', () => {
  const two = ['K-4417-2S', 'K-4417-1'].map(variant)
  it('jets before settings, each value as it is written', () => {
    const columns = variantColumns(two, 4)
    expect(columns.map(({ code }) => code)).toEqual([
      'jet.main',
      'choke.index',
      'float.height',
      'mixture.turns',
    ])
    expect(columns[0]).toMatchObject({
      name: 'Main jet',
      series: ['P', 'S'],
      values: {
        'K-4417-2S': { P: { value: 1.35, words: '1.35' }, S: { value: 1.55, words: '1.55' } },
        'K-4417-1': { P: { value: 1.3, words: '1.30' }, S: { value: 1.4, words: '1.40' } },
      },
    })
    expect(columns[2]!.values['K-4417-2S']!.none!.words).toBe('13.5')
  })
  it('left and right that go together are one line, and what is the same in all is no column', () => {
    const turns = variantColumns(two, 9).find(({ code }) => code === 'mixture.turns')!
    expect(turns.series).toEqual(['L'])
    expect(variantColumns(two, 9).map(({ code }) => code)).not.toContain('seat')
    expect(variantColumns(two.slice(0, 1), 9)).toEqual([])
  })
  it('stand by engine, the smallest first', () => {
    expect(
      byEngine(['K-4417-2S', 'K-4477-1', 'K-4417-1'].map(variant)).map(({ displacementL, variants }) => [
        displacementL,
        variants.map(({ listNumber }) => listNumber),
      ]),
    ).toEqual([
      [2, ['K-4477-1']],
      [2.2, ['K-4417-1', 'K-4417-2S']],
    ])
  })
})
