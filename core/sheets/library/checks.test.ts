import { describe, expect, it } from 'vitest'
import { ferrySheets } from '../../../demo/log-entries.ts'
import { unitFaults } from './checks.ts'

const { spec, build } = ferrySheets()
const unit = {
  listNumber: spec.listNumber,
  mark: spec.listNumber,
  features: { draft: 'down', throttleBoreMm: 31 } as Record<string, string | number>,
  spec,
  build,
}
const said = (more: Partial<typeof unit>) => unitFaults({ ...unit, ...more }).map(({ sentence }) => sentence)

describe('a unit that comes into the library', () => {
  it('of the demo has no fault', () => {
    expect(said({})).toEqual([])
  })
  it('has no position and no setting twice', () => {
    const positions = [...build.positions, build.positions[3]!]
    expect(said({ build: { ...build, positions } })).toEqual([
      `The position “${build.positions[3]!.code}” stands twice.`,
    ])
    const settings = [...spec.settings, spec.settings[0]!]
    expect(said({ spec: { ...spec, settings } })[0]).toMatch(/^The setting “.*” stands twice\.$/)
  })
  it('has a bore that is a number, and words that are words', () => {
    expect(said({ features: { throttleBoreMm: 'wide' } })).toEqual([
      'It is a measure: a number above 0, at most 1000.',
    ])
    expect(said({ features: { throttleBoreMm: -3 } })).toHaveLength(1)
    expect(said({ features: { draft: 7 } })).toHaveLength(1)
  })
  it('has an outline of points that can be drawn', () => {
    const float = Array.from({ length: 100_000 }, () => [0, 0] as [number, number])
    expect(said({ spec: { ...spec, section: { ...spec.section, float } } })[0]).toMatch(/at most 2000 points/)
  })
  it.each(['..', 'a..b', ' K-1', 'K/1', '-K1', 'K'.repeat(61), ''])('is not called “%s”', (listNumber) => {
    expect(said({ listNumber, spec: { ...spec, listNumber }, build: { ...build, listNumber } })[0]).toMatch(
      /^A list number has letters/,
    )
  })
})
