import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import {
  DEFAULT_MODEL,
  DEFAULT_NOISE,
  explain,
  likelihood,
  LOOKALIKES,
  nextLook,
  openCatalogue,
  openWearChannel,
  ALPHABET,
  rank,
  readMark,
  symbolsOf,
  twoHalves,
  type Candidate,
  type Identification,
  type UnitSeen,
} from './index.ts'

const chance = (reading: string, truth: string, noise = DEFAULT_NOISE) => {
  const tokens = readMark(reading)
  if (isRefusal(tokens)) throw new Error(tokens.refused.why)
  return likelihood(openWearChannel(tokens, noise), symbolsOf(truth))
}
// Without lost runs the channel of one character can be written down.
const plain = { ...DEFAULT_NOISE, runLost: 0 }
const ranked = (result: ReturnType<typeof rank>): Identification => {
  if (isRefusal(result)) throw new Error(result.refused.why)
  return result
}

describe('evidence of which somebody only thinks so', () => {
  it('counts half: a wrong choke no longer throws the right number out, a right one still speaks for it', () => {
    const two = openCatalogue([
      {
        id: 'one',
        maker: 'Besk',
        mark: 'HK7',
        weight: 1,
        features: { chokeKind: 'coil', throttleBoreMm: 16 },
      },
      {
        id: 'two',
        maker: 'Besk',
        mark: 'HK9',
        weight: 1,
        features: { chokeKind: 'none', throttleBoreMm: 31 },
      },
    ])
    const p = (seen: UnitSeen) => {
      const ranked = rank(two, seen)
      if ('refused' in ranked) throw new Error(ranked.refused.why)
      return ranked.posterior[0]! / (1 - ranked.pNone)
    }
    const sure = p({ marks: [], features: { chokeKind: 'coil' } })
    const thinks = p({ marks: [], features: { chokeKind: 'coil' }, doubted: ['chokeKind'] })
    // sure 0.97 : 0.03; half of it the catalogue's own 0.5 : (0.97 + 0.5)/2 : (0.03 + 0.5)/2
    expect(sure).toBeCloseTo(0.97, 6)
    expect(thinks).toBeCloseTo(0.735 / (0.735 + 0.265), 6)
  })
})

describe('a worn mark', () => {
  it('knows what wear makes of a character', () => {
    expect(LOOKALIKES[ALPHABET.indexOf('P')]!.map((i) => ALPHABET[i]).sort()).toEqual(['9', 'R'])
    expect(LOOKALIKES[ALPHABET.indexOf('-')]).toEqual([])
  })
  it('refuses what no casting bears, naming it', () => {
    expect(readMark('K-44😀7')).toMatchObject({
      refused: { input: 'mark', why: expect.stringContaining('😀') as string },
    })
    expect(isRefusal(readMark('K[38'))).toBe(true)
    expect(isRefusal(readMark('K[]'))).toBe(true)
    for (const half of ['/K', 'K/', 'K/.', './7', '...1/'])
      expect(readMark(half), half).toMatchObject({
        refused: { why: expect.stringContaining('each side') as string },
      })
  })
  it.each([
    ['K-44.7', 'K-44?7'],
    ['k-4/9417', 'K-[49]417'],
    ['K-441/7/I-2', 'K-44[17I]-2'],
    ['K...', 'K…'],
  ])('%s is read as an older log’s %s', (now, then) => {
    expect(readMark(now)).toEqual(readMark(then))
    expect(isRefusal(readMark(now))).toBe(false)
  })
  it('weighs one character by the channel’s own numbers', () => {
    expect(chance('7', '7', plain)).toBeCloseTo(0.798, 12)
    expect(chance('?', '7', plain)).toBeCloseTo(0.12, 12)
    // 1 and I wear like 7: half of 0.06 each.
    expect(chance('1', '7', plain)).toBeCloseTo(0.03, 12)
    // Any other: 0.002 over the 34 that are left of 37.
    expect(chance('W', '7', plain)).toBeCloseTo(0.002 / 34, 12)
    // Either-or is the mean of its members.
    expect(chance('[17]', '7', plain)).toBeCloseTo((0.798 + 0.03) / 2, 12)
    // A hyphen has no look-alikes, and is lost one time in ten.
    expect(chance('-', '-', plain)).toBeCloseTo(0.8 - 0.002 + 0.06 - 0.09, 12)
    expect(chance('', '-', plain)).toBeCloseTo(0.1, 12)
    // One character more: before or after, uniform over 36.
    expect(chance('7W', '7', plain)).toBeCloseTo(0.01 / 2 / 36, 12)
  })
  it('sums over every alignment: 77 for 777 can lose any of the three', () => {
    // three ways to drop one, the others read right: 3·0.01·0.798²; and inserted ones are far below.
    expect(chance('77', '777', plain)).toBeCloseTo(3 * 0.01 * 0.798 ** 2, 5)
  })
  it('bears a run lost at one end', () => {
    expect(chance('K-44', 'K-4417-2S')).toBeGreaterThan(100 * chance('K-44', 'K-4417-2S', plain))
  })
  it('takes … for a run of any length', () => {
    // K read right, five characters at 0.9 each; alignments with a lost one add a little.
    expect(chance('K…', 'K-4417', plain)).toBeGreaterThan(0.798 * 0.9 ** 5)
    expect(chance('K…', 'K-4417', plain)).toBeLessThan(0.798 * 0.9 ** 5 * 1.2)
  })
})

const candidate = (id: string, bore: number, choke: string, weight = 1): Candidate => ({
  id,
  maker: 'Orvane',
  mark: id,
  weight,
  features: { throttleBoreMm: bore, chokeKind: choke },
})
const three = openCatalogue([
  candidate('K-4417-2S', 31, 'coil'),
  candidate('K-4477-1', 34.9, 'coil'),
  candidate('K-4477-3', 34.9, 'manual'),
])

describe('ranking', () => {
  it('is a probability: candidates and none of these add up to one', () => {
    const result = ranked(rank(three, { marks: ['K-44?7'], features: {} }))
    expect(result.posterior.reduce((a, b) => a + b, 0) + result.pNone).toBeCloseTo(1, 12)
  })
  it('with nothing seen is the prior, smoothed by what may be missing', () => {
    const result = ranked(rank(three, { marks: [], features: {} }))
    expect(result.pNone).toBeCloseTo(0.03, 12)
    expect(result.ranking[0]!.p).toBeCloseTo(0.97 / 3, 12)
  })
  it('lets a measured bore settle what the mark leaves open', () => {
    const before = ranked(rank(three, { marks: ['K-44[17]7'], features: {} }))
    const after = ranked(
      rank(three, {
        marks: ['K-44[17]7'],
        features: { throttleBoreMm: 31.05 },
        sigma: { throttleBoreMm: 0.1 },
      }),
    )
    expect(after.ranking[0]).toMatchObject({ id: 'K-4417-2S' })
    expect(after.ranking[0]!.p).toBeGreaterThan(0.95)
    expect(after.ranking[0]!.p).toBeGreaterThan(before.posterior[0]!)
  })
  it('says honestly that it is none of these', () => {
    expect(ranked(rank(three, { marks: ['QX9931'], features: {} })).pNone).toBeGreaterThan(0.9)
  })
  it('breaks ties by id', () => {
    const twins = openCatalogue([candidate('K-2', 31, 'coil'), candidate('K-1', 31, 'coil')])
    expect(ranked(rank(twins, { marks: [], features: {} })).ranking.map((r) => r.id)).toEqual(['K-1', 'K-2'])
  })
  it('says in words why one stands where it does', () => {
    const result = ranked(rank(three, { marks: ['K-4417-2S'], features: { throttleBoreMm: 31 } }))
    expect(explain(result.ranking[0]!.evidence)).toContainEqual({
      text: 'mark fits throughout',
      speaks: 'for',
    })
    const other = ranked(rank(three, { marks: ['K-4417-1'], features: {} })).ranking.find(
      (r) => r.id === 'K-4477-1',
    )!
    expect(explain(other.evidence)[0]!.text).toBe('would need a worn 7 in place 5')
  })
})

describe('the next look', () => {
  it('is the bore where it tells all apart, the choke where the bore is known', () => {
    const seen = { marks: ['K-44?7'], features: {} }
    const result = ranked(rank(three, seen))
    const look = nextLook(three, result.posterior, seen)!
    expect(['throttleBoreMm', 'chokeKind']).toContain(look.feature)
    const wide = { marks: ['K-4477-?'], features: { throttleBoreMm: 34.9 } }
    expect(nextLook(three, ranked(rank(three, wide)).posterior, wide)).toMatchObject({ feature: 'chokeKind' })
  })
  it('also asks for what some of them leave unsaid: the catalogue’s spread stands in', () => {
    const partly = openCatalogue([
      candidate('K-1', 31, 'coil'),
      candidate('K-2', 31, 'manual'),
      { ...candidate('K-3', 31, 'coil'), features: { throttleBoreMm: 31 } },
    ])
    const result = ranked(rank(partly, { marks: [], features: {} }))
    expect(nextLook(partly, result.posterior, { marks: [], features: {} })).toMatchObject({
      feature: 'chokeKind',
    })
  })
  it('gains most of a bit where one look parts two equal candidates', () => {
    const two = openCatalogue([candidate('K-1', 31, 'coil'), candidate('K-2', 31, 'manual')])
    const result = ranked(rank(two, { marks: [], features: {} }))
    const look = nextLook(two, result.posterior, { marks: [], features: {} })!
    // Each 0.485, none 0.03: 1.1644 bits before; after either answer 0.9409, 0.0291, 0.03: 0.3830. In half a minute.
    expect(look).toMatchObject({
      feature: 'chokeKind',
      gain: expect.closeTo((1.1644 - 0.383) / 0.5, 3) as number,
    })
  })
  it('is none where nothing is in doubt', () => {
    const seen = { marks: ['K-4417-2S'], features: { throttleBoreMm: 31, chokeKind: 'coil' } }
    expect(nextLook(three, ranked(rank(three, seen, DEFAULT_MODEL)).posterior, seen)).toBeNull()
  })
})

describe('two halves', () => {
  const library = openCatalogue(
    ['Q-8017-2', 'Q-8043-1S', 'Q-8061-3'].map((id) => ({
      id,
      maker: 'Orvane',
      mark: id,
      weight: 1,
      features: {},
    })),
  )
  const halves = (marks: Record<string, string>) => twoHalves(library, marks, 'Orvane')
  it('a plate and a base that say different list numbers are a mongrel, named with their places', () => {
    expect(halves({ plate: 'Q-8017-2', base: 'Q-8061-3' })).toMatchObject({
      upper: { place: 'plate', id: 'Q-8017-2' },
      lower: { place: 'base', id: 'Q-8061-3' },
    })
  })
  it('none where both say the same, one is bare, or one is too worn to accuse the other', () => {
    expect(halves({ plate: 'Q-8017-2', base: 'Q-80?7-2' })).toBeNull()
    expect(halves({ plate: 'Q-8017-2' })).toBeNull()
    expect(halves({ plate: 'Q-8017-2', base: 'Q-80??-?' })).toBeNull()
  })
})
