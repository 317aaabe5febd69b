import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sheetsFor } from '../../demo/log-entries.ts'
import { templates } from '../unit/families/templates/index.ts'
import { fold, type Entry } from '../log/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { type SpecSheet, factOf, readFact } from '../sheets/index.ts'
import { carriedOn, known, ownSheets, unmeasured, withMeasured } from './index.ts'

const JOB = '00000000-0000-4000-8000-000000000001'

/** What a hand would type for each fact of a float that hangs from its cover. */
const TYPED: Readonly<Record<string, string>> = {
  'float.sense': 'from the face',
  'float.correction': 'arm',
  'float.arm': '48.3',
  'float.tang': '6.4',
  'seat.bore': '2.2',
  'float.mass': '10.4',
  'float.area': '40 x 24',
  'float.pin': '7.1',
  'float.depth': '17',
  'mixture.kind': 'air',
}
const codes = Object.keys(TYPED)

function atTheBench(measured: readonly string[]): SpecSheet {
  const entry = (seq: number, kind: string, data: object): Entry => ({
    id: `00000000-0000-4000-8000-${String(seq + 10).padStart(12, '0')}`,
    job: JOB,
    kind,
    v: 1,
    body: 1,
    data,
    by: 'O. Dell',
    at: '2026-11-26T09:00:00Z',
    receivedAt: '2026-11-26T09:00:00Z',
    seq,
  })
  const log = [
    entry(1, 'ident.taught', {
      family: 'downdraft',
      barrels: 2,
      float: 'from the cover',
      choke: 'coil',
      maker: '',
      name: 'kiln ?-type',
    }),
    ...measured.map((code, i) => {
      const fact = factOf(code)!
      const read = fact.choices ? { value: TYPED[code]!, sigma: null } : readFact(fact, TYPED[code]!)
      if (isRefusal(read)) throw new Error(read.refused.why)
      return entry(i + 2, 'own.dimension', {
        fact: code,
        raw: TYPED[code],
        value: read.value,
        sigma: read.sigma,
        gauge: null,
      })
    }),
  ]
  return ownSheets(fold(JOB, log), 1, templates.downdraft).spec
}

describe('a fact measured on a later unit of a published number', () => {
  it('makes of the sheet what the bench would have made of it, whatever was measured when', () =>
    fc.assert(
      fc.property(
        fc.shuffledSubarray(codes, { minLength: codes.length, maxLength: codes.length }),
        fc.integer({ min: 0, max: codes.length }),
        (order, published) => {
          let spec = atTheBench(order.slice(0, published))
          for (const code of order.slice(published)) {
            const next = withMeasured(spec, code, TYPED[code]!)
            if (isRefusal(next)) throw new Error(`${code}: ${next.refused.why}`)
            spec = next
          }
          const bench = atTheBench(order)
          expect(spec.taught!.pencil).toEqual(bench.taught!.pencil)
          expect(spec.mixture).toEqual(bench.mixture)
          expect(spec.settings).toEqual(bench.settings)
          expect(spec.taught!.ratio!.k).toBeCloseTo(bench.taught!.ratio!.k, 1)
          for (const [field, value] of Object.entries(bench.float))
            if (typeof value === 'number')
              // The outline is rounded to a tenth each time that it is drawn anew.
              expect(spec.float[field as keyof SpecSheet['float']], field).toBeCloseTo(value, 0)
        },
      ),
      { numRuns: 60, seed: 11 },
    ))
  it('climbs the ladder: what is left is said, and none is left at its top', () => {
    let spec = atTheBench(['float.sense', 'float.arm', 'float.tang', 'float.correction'])
    expect(unmeasured(spec).map(({ code }) => code)).toEqual([
      'seat.bore',
      'float.mass',
      'float.area',
      'float.pin',
      'float.depth',
      'mixture.kind',
    ])
    for (const { code } of unmeasured(spec)) {
      const next = withMeasured(spec, code, TYPED[code]!)
      if (isRefusal(next)) throw new Error(next.refused.why)
      spec = next
    }
    expect(unmeasured(spec)).toEqual([])
    // Only the value of its height is wanting, which no gauge gives.
    expect(known(spec).rungs.find(({ code }) => code === 'holds')!.missing).toEqual([
      'value:float.height/none',
    ])
    // As sure as the bench would be of the same unit.
    expect(spec.taught!.levelSigma).toBeCloseTo(atTheBench(codes).taught!.levelSigma!, 1)
  })
  it('is refused where it is ink already, where nothing was taught, and where it cannot be', () => {
    const why = (spec: SpecSheet, code: string, text: string) => {
      const said = withMeasured(spec, code, text)
      return isRefusal(said) ? said.refused.why : 'taken'
    }
    const spec = atTheBench(['float.arm'])
    expect(why(spec, 'float.arm', '48')).toBe(
      'Pin to toe is measured already. Correct its list number instead.',
    )
    expect(why(sheetsFor('K-4417-2S').spec, 'float.arm', '48')).toContain('Only what the bench taught')
    expect(why(spec, 'float.mass', '900')).toContain('cannot be')
    expect(why(spec, 'float.sense', 'upside down')).toContain('Choose one:')
  })
})

describe('a number that its own job puts in again after others went on with it', () => {
  const before = atTheBench(['float.sense', 'float.arm'])
  const measured = (spec: SpecSheet, code: string) => {
    const next = withMeasured(spec, code, TYPED[code]!)
    if (isRefusal(next)) throw new Error(next.refused.why)
    return next
  }
  const height = (spec: SpecSheet, target: number): SpecSheet => ({
    ...spec,
    settings: spec.settings.map((one) =>
      one.code === 'float.height'
        ? {
            ...one,
            asWritten: `${target} ±0.5`,
            target,
            lo: target - 0.5,
            hi: target + 0.5,
            source: 'kit leaf',
          }
        : one,
    ),
  })
  const heightOf = (spec: SpecSheet) => spec.settings.find(({ code }) => code === 'float.height')!.target

  it('keeps each fact that another unit gave, as the bench would have made of both', () => {
    const newest = ['float.mass', 'float.area', 'mixture.kind'].reduce(measured, before)
    const own = atTheBench(['float.sense', 'float.arm', 'float.tang'])
    const { spec, kept, overruled } = carriedOn(own, before, newest)
    expect(kept).toEqual(['Float’s mass', 'Float from above', 'What flows past the mixture screw'])
    expect(overruled).toEqual([])
    const bench = atTheBench([
      'float.sense',
      'float.arm',
      'float.tang',
      'float.mass',
      'float.area',
      'mixture.kind',
    ])
    expect(spec.taught!.pencil).toEqual(bench.taught!.pencil)
    expect(spec.float).toEqual(bench.float)
    expect(spec.mixture).toEqual(bench.mixture)
  })
  it('what it measured itself is not overwritten by another unit’s reading', () => {
    const newest = measured(before, 'float.mass')
    const own = atTheBench(['float.sense', 'float.arm', 'float.mass'])
    const heavier: SpecSheet = { ...own, float: { ...own.float, floatMass: 12.9 } }
    expect(carriedOn(heavier, before, newest)).toMatchObject({
      kept: [],
      spec: { float: { floatMass: 12.9 } },
    })
  })
  it('a value put right in the library stays; where both changed it the own one stands and is named', () => {
    const first = height(before, 14)
    expect(heightOf(carriedOn(first, first, height(before, 12)).spec)).toBe(12)
    expect(heightOf(carriedOn(height(before, 15), first, first).spec)).toBe(15)
    const both = carriedOn(height(before, 15), first, height(before, 12))
    expect(heightOf(both.spec)).toBe(15)
    expect(both.kept).toEqual([])
    expect(both.overruled).toEqual([
      { name: expect.any(String) as string, there: '12 ±0.5', here: '15 ±0.5' },
    ])
  })
  it('the older number that it took the place of is still found by it', () => {
    const newest: SpecSheet = { ...before, supersedes: ['HK-1'] }
    expect(carriedOn(before, before, newest).spec.supersedes).toEqual(['HK-1'])
  })
})
