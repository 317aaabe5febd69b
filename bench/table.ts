import { models } from '../demo/catalogue.ts'
import { cheapestCover, type Market, type Need } from '@ekrond/core/plan/kits'
import { isRefusal } from '@ekrond/core/base/refusal'
import {
  DEFAULT_MODEL,
  likelihood,
  nextLook,
  openCatalogue,
  openWearChannel,
  rank,
  readMark,
  symbolsOf,
  type Candidate,
} from '@ekrond/core/identify'
import { fold, step, type Entry, type JobState } from '@ekrond/core/log'
import { identified, JOB, opening, placed, reading, unsent, sheetsFor } from '../demo/log-entries.ts'
import { linkChange, linkagePose } from '@ekrond/core/physics/pump'
import { chooseSizes, rangeMixture, type RangeProblem } from '@ekrond/core/physics/range'
import { linkageOf } from '@ekrond/core/judge/settings'
import { weighCauses, type CauseSeen } from '@ekrond/core/diagnose/causes'
import { explode, layUnit, type PartStanding } from '@ekrond/core/unit/drawing'
import { unitDrawing } from '@ekrond/core/unit/families'
import { teardownOrder } from '@ekrond/core/sheets'
import { judgeHold, laminar } from '@ekrond/core/judge/proof'
import { diagnose } from '@ekrond/core/diagnose/passages'
import { byDefinition, largeJob, tap } from './large-job.ts'
import { byTrigram } from './trigram.ts'
import { bySets, someBlows, someMap, thousandSets } from './passages.ts'

interface Row {
  what: string
  ours: string
  rival: string
  ratio: string
}

/** Each computation beside its general-purpose rival on the same data in the same run: median time, and quality where it differs. */
export async function table(): Promise<string> {
  const rows = [
    foldRow(),
    largeJobRow(),
    ...(await identifyRows()),
    wholeIdentifyRow(20_000),
    wholeIdentifyRow(50_000),
    wholeIdentifyRow(200_000),
    coverRow(),
    linkageRow(),
    passagesRow(),
    holdRow(),
    unitRow(),
    causesRow(),
    rangeRow(),
    chooseRow(),
  ]
  const width = (key: keyof Row) => Math.max(key.length, ...rows.map((row) => row[key].length))
  const keys: (keyof Row)[] = ['what', 'ours', 'rival', 'ratio']
  const line = (row: Row) => keys.map((key) => row[key].padEnd(width(key))).join('   ')
  return [line({ what: 'what', ours: 'ours', rival: 'rival', ratio: 'ratio' }), ...rows.map(line)].join('\n')
}

function median(work: () => unknown, runs = 9): number {
  const times = Array.from({ length: runs }, () => {
    const begun = performance.now()
    work()
    return performance.now() - begun
  }).sort((a, b) => a - b)
  return times[Math.floor(runs / 2)]!
}

const row = (what: string, ours: number, rivalName: string, rival: number, note = ''): Row => ({
  what,
  ours: `${ours.toFixed(3)} ms${note}`,
  rival: `${rivalName}: ${rival.toFixed(3)} ms`,
  ratio: `${(rival / ours).toFixed(1)} ×`,
})

/** One more entry on a log of 2,000, nine settings tried over and over: a step against folding it all again. */
function foldRow(): Row {
  const log: Entry[] = [unsent(1, 'job.opened', opening), unsent(2, 'ident.chosen', identified)].map(
    (entry, i) => placed(entry, i + 1),
  )
  for (let n = 3; n <= 2000; n++)
    log.push(
      placed(
        unsent(n, 'reading.taken', {
          ...reading((12 + (n % 30) / 10).toFixed(1), 'out'),
          code: `setting ${n % 9}`,
        }),
        n,
      ),
    )
  const state: JobState = fold(JOB, log)
  const next = placed(unsent(2001, 'reading.taken', reading('13.4', 'in')), 2001)
  const whole = median(() => fold(JOB, log))
  const one = median(() => step(state, next), 99)
  return row(
    `one entry more on 2,000 (all folded: ${whole.toFixed(1)} ms)`,
    one,
    'fold from all rows',
    median(() => fold(JOB, [...log, next])),
  )
}

/** The whole answer, next look included, among so many: down the tree against every number one after the other; the middle one and the slow ones. */
function wholeIdentifyRow(count: number): Row {
  const { catalogue, candidates, queries } = worn(count)
  const answer = (mark: string) => {
    const ranked = rank(catalogue, { marks: [mark], features: {} })
    return isRefusal(ranked) ? null : nextLook(catalogue, ranked.posterior, { marks: [mark], features: {} })
  }
  const byHand = (mark: string) => {
    const tokens = readMark(mark)
    if (isRefusal(tokens)) return 0
    const channel = openWearChannel(tokens, DEFAULT_MODEL)
    return candidates.reduce((sum, one) => sum + likelihood(channel, symbolsOf(one.mark)), 0)
  }
  queries.forEach(answer)
  const each = (marks: readonly string[], work: (mark: string) => unknown) =>
    marks.map((mark) => median(() => work(mark), 3)).sort((x, y) => x - y)
  const ours = each(queries, answer)
  const rival = each(queries.slice(0, 6), byHand)[3]!
  const slow = ours[Math.floor(ours.length * 0.95)]!
  return row(
    `a worn mark among ${count.toLocaleString('en')}, ranked, with its next look`,
    ours[ours.length >> 1]!,
    'every mark one by one',
    rival,
    `, 95 of 100 under ${slow.toFixed(1)} (${(rival / slow).toFixed(0)} ×)`,
  )
}

/** Marks worn as the model says: one character unreadable, one a look-alike. */
function worn(count: number) {
  const letters = 'ABCDEFGHKLMNPRSTUW'
  let seed = 7
  const next = (n: number) => (seed = (seed * 48271) % 2147483647) % n
  const candidates: Candidate[] = Array.from({ length: count }, (_, i) => {
    const mark = `${letters[next(18)]}-${1000 + next(9000)}-${1 + next(9)}`
    return { id: `${i}`, maker: 'Orvane', mark, weight: 1, features: {} }
  })
  const wear: Record<string, string> = {
    '1': '7',
    '7': '1',
    '8': 'B',
    '5': 'S',
    '6': 'G',
    '0': 'O',
    '2': 'Z',
    '4': 'A',
    '3': '8',
    '9': 'P',
  }
  const truths = Array.from({ length: 40 }, () => next(count))
  const queries = truths.map((i) => {
    const mark = [...candidates[i]!.mark]
    mark[3] = wear[mark[3]!] ?? '?'
    mark[5] = '?'
    return mark.join('')
  })
  return { candidates, catalogue: openCatalogue(candidates), truths, queries }
}

/** A worn mark among 20,000 list numbers: the channel against an edit distance to which `?` is free, and against PostgreSQL's trigrams. */
async function identifyRows(): Promise<Row[]> {
  const { candidates, catalogue, truths, queries } = worn(20_000)
  const sameMark = (a: string, b: string) => candidates[Number(a)]!.mark === candidates[Number(b)]!.mark
  let hits = 0
  let rivalHits = 0
  let trigramHits = 0
  const trigrams = await byTrigram(
    candidates.map(({ mark }) => mark),
    queries,
  )
  queries.forEach((query, k) => {
    const ranked = rank(catalogue, { marks: [query], features: {} })
    const truth = String(truths[k])
    if (!('refused' in ranked) && ranked.ranking.slice(0, 3).some((r) => sameMark(r.id, truth))) hits++
    if (
      byEditDistance(candidates, query)
        .slice(0, 3)
        .some((id) => sameMark(id, truth))
    )
      rivalHits++
    if (trigrams[k]!.ids.some((id) => sameMark(String(id), truth))) trigramHits++
  })
  const time = median(() => rank(catalogue, { marks: [queries[0]!], features: {} }), 5)
  const rivalTime = median(() => byEditDistance(candidates, queries[0]!), 5)
  const trigramTime = trigrams.map(({ ms }) => ms).sort((a, b) => a - b)[trigrams.length >> 1]!
  return (
    [
      ['edit distance, ? free', rivalTime, rivalHits],
      ['trigrams in PostgreSQL', trigramTime, trigramHits],
    ] as const
  ).map(([rival, ms, found]) => {
    const result = row(
      'a worn mark among 20,000, right one in the first three',
      time,
      rival,
      ms,
      `, ${hits} of 40`,
    )
    return { ...result, rival: `${result.rival}, ${found} of 40` }
  })
}

function byEditDistance(candidates: readonly Candidate[], query: string): string[] {
  const distance = (a: string, b: string) => {
    let before = Array.from({ length: b.length + 1 }, (_, j) => j)
    for (let i = 1; i <= a.length; i++) {
      const now = [i]
      for (let j = 1; j <= b.length; j++)
        now[j] = Math.min(
          before[j]! + 1,
          now[j - 1]! + 1,
          before[j - 1]! + (a[i - 1] === b[j - 1] || a[i - 1] === '?' ? 0 : 1),
        )
      before = now
    }
    return before[b.length]!
  }
  return candidates
    .map((c) => ({ id: c.id, d: distance(query, c.mark) }))
    .sort((a, b) => a.d - b.d)
    .slice(0, 3)
    .map((c) => c.id)
}

/** The cheapest cover of a job's needs against trying every source for every need. */
function coverRow(): Row {
  const parts = models()[0]!
    .build.positions.flatMap((p) => (p.part ? [p.part] : []))
    .filter((part, i, all) => all.indexOf(part) === i)
    .slice(0, 9)
  const market: Market = {
    suppliers: [
      { code: 'h', shippingMinor: 450 },
      { code: 'a', shippingMinor: 1090 },
    ],
    kits: [
      {
        code: 'k',
        supplier: 'h',
        priceMinor: 2480,
        leadDays: 1,
        stock: 2,
        holds: parts.slice(0, 5).map((part) => ({ part, quantity: 1 })),
      },
    ],
    singles: parts.flatMap((part, i) => [
      { part, supplier: 'h', priceMinor: 300 + i * 97, leadDays: 1 },
      { part, supplier: 'a', priceMinor: 340 + i * 89, leadDays: 0 },
    ]),
    shelf: [{ part: parts[8]!, quantity: 1 }],
  }
  const needs: Need[] = parts.map((part) => ({ id: part, accepts: [part], quantity: 1 }))
  const ours = median(() => cheapestCover(needs, market))
  const found = cheapestCover(needs, market)
  const cost = 'refused' in found ? NaN : found.costMinor
  let rivalCost = 0
  const rival = median(() => (rivalCost = bruteCover(parts, market)), 3)
  return row(
    `cheapest cover of ${needs.length} needs (${cost} and ${rivalCost})`,
    ours,
    'every source for every need',
    rival,
  )
}

function bruteCover(parts: readonly string[], market: Market): number {
  let best = Infinity
  for (const kits of [0, 1]) {
    // 0 from h, 1 from a, 2 from kit or shelf
    for (let code = 0; code < 3 ** parts.length; code++) {
      let rest = code
      let cost = kits * market.kits[0]!.priceMinor
      const used = new Set<string>(kits ? ['h'] : [])
      let fits = true
      for (const part of parts) {
        const from = rest % 3
        rest = Math.floor(rest / 3)
        if (from === 2) {
          if (
            !(
              (kits && market.kits[0]!.holds.some((h) => h.part === part)) ||
              market.shelf.some((s) => s.part === part)
            )
          ) {
            fits = false
            break
          }
        } else {
          const supplier = from ? 'a' : 'h'
          used.add(supplier)
          cost += market.singles.find((s) => s.part === part && s.supplier === supplier)!.priceMinor
        }
      }
      if (!fits) continue
      for (const supplier of used) cost += market.suppliers.find((s) => s.code === supplier)!.shippingMinor
      best = Math.min(best, cost)
    }
  }
  return best
}

/** The link's length for a stem height: closed form against bisection on the pose. */
function linkageRow(): Row {
  const linkage = linkageOf(models()[0]!.spec.pump!)
  const target = 49
  const ours = median(() => linkChange(linkage, 0, target), 199)
  const rival = median(() => {
    let low = -4
    let high = 4
    for (let i = 0; i < 50; i++) {
      const middle = (low + high) / 2
      const pose = linkagePose({ ...linkage, linkLength: linkage.linkLength + middle }, 0)
      if (!('refused' in pose) && pose.stem[1] > target) low = middle
      else high = middle
    }
    return low
  }, 199)
  return row('link length for a stem height', ours, 'bisection', rival)
}

/** A tap in a job of 120 parts, 400 readings and 60 photographs: all that is worked out before it is drawn, against every tenth entry admitted anew. */
function largeJobRow(): Row {
  const job = largeJob()
  return row(
    `a tap in a job of ${job.log.length} entries (a frame is 16 ms)`,
    median(() => tap(job), 29),
    'each tenth entry by the log before it',
    median(() => byDefinition(job), 5),
  )
}

/** Which drilling is blocked: the sweep against every set of 14 branches; and a thousand sets of blows on a map of 60. */
function passagesRow(): Row {
  const map = someMap(14)
  const [tests] = someBlows(map, 1)
  const ours = median(() => diagnose(map, tests!), 49)
  const rival = median(() => bySets(map, tests!), 5)
  return row(
    'blocked passages, 14 branches',
    ours,
    'all sets',
    rival,
    ` (1,000 on 60 branches: ${thousandSets().toFixed(0)} ms)`,
  )
}

/** One step of a four-barrel's teardown laid out anew, names and all, against the parts' places alone. */
function unitRow(): Row {
  const { spec, build } = sheetsFor('Q-8010-1S')
  const drawing = unitDrawing({ spec, build })
  const order = teardownOrder(build)
  const at = Math.floor(order.length / 2)
  const standings = Object.fromEntries(
    order.map(({ code }, i): [string, PartStanding] => [code, i < at ? 'off' : i === at ? 'now' : 'on']),
  )
  const named = order
    .slice(at, at + 3)
    .map(({ code, name }, i) => ({ code, number: String(at + i + 1), words: name }))
  const room = { width: 728, height: 520 }
  return row(
    `an exploded section of ${build.positions.length} positions laid out (a frame is 16 ms)`,
    median(() => layUnit(drawing, build.positions, standings, named, room), 49),
    'places alone, no names',
    median(() => explode(drawing, build.positions, standings), 49),
  )
}

/** Sixty causes and forty pieces of evidence, ten of them there: inclusion and exclusion against every set of the first twelve. */
function causesRow(): Row {
  const EVIDENCE = 40
  const PRESENT = 10
  const network = (causes: number) => ({
    causes: Array.from({ length: causes }, (_, i) => ({ id: `c${i}`, prior: 0.02 + (i % 7) / 50 })),
    evidence: Array.from({ length: EVIDENCE }, (_, e) => ({
      id: `e${e}`,
      leak: 0.03,
      weights: { [`c${e % causes}`]: 0.7, [`c${(e * 5 + 2) % causes}`]: 0.5 },
    })),
  })
  const seen: Record<string, CauseSeen> = {}
  for (let e = 0; e < EVIDENCE; e++) seen[`e${e}`] = e < PRESENT ? 'present' : 'absent'
  return row(
    'which of 60 causes are there, by 40 pieces of evidence, exactly',
    median(() => weighCauses(network(60), seen), 19),
    'every set, of 12 causes',
    median(() => weighCauses(network(12), seen), 19),
  )
}

/** Ten minutes of a pressure at 20 samples a second, by three laws, against one law on every sample by a grid of its leak and start. */
function holdRow(): Row {
  const samples = Array.from({ length: 12_000 }, (_, i): [number, number] => [
    i / 20,
    40 * Math.exp((-i / 20) * 0.0008) + 0.2 * Math.sin(i * 12.9898 + Math.cos(i * 78.233) * 43758.5453),
  ])
  const ours = median(() => judgeHold(samples, { volume: 9, limit: 2, sigma: 0.15 }), 15)
  const grid = () => {
    let best = Infinity
    for (let a = 0; a < 12; a++)
      for (let b = 0; b < 12; b++) {
        let sum = 0
        for (const [t, p] of samples)
          sum += Math.min(((p - laminar(t, 39.4 + a / 10, b / 20, 9, 1)) / 0.15) ** 2, 16)
        best = Math.min(best, sum)
      }
    return best
  }
  return row('ten minutes of a pressure, three laws', ours, 'a grid of 12 by 12, one law', median(grid, 5))
}

const PLATE: RangeProblem = {
  family: 'plate',
  ref: { main: 1.3, idle: 0.45, mainBleed: 1.8, nozzle: 3, idleBleed: 1.3, idleOutlet: 0.7, power: 0.6 },
  now: { altitude: 2500, ethanol: 0.3 },
}

/** The mixture at 41 openings with its σ, beside the same without any: what a slider redraws. */
function rangeRow(): Row {
  const openings = Array.from({ length: 41 }, (_, i) => i / 40)
  const ours = median(() => rangeMixture({ ...PLATE, openings }))
  const rival = median(() => openings.map((x) => rangeMixture({ ...PLATE, openings: [x] })))
  return row('the mixture at 41 openings with its σ (limit 4 ms)', ours, 'each opening by itself', rival)
}

/** Twelve sizes of six parts, three million combinations; trying all of them is timed on four sizes and reckoned up. */
function chooseRow(): Row {
  const sizes = (of: number, n: number) => Array.from({ length: n }, (_, i) => of * (0.8 + (0.36 * i) / n))
  const offers = (n: number) => ({
    main: sizes(1.3, n),
    idle: sizes(0.45, n),
    mainBleed: sizes(1.8, n),
    nozzle: sizes(3, n),
    idleBleed: sizes(1.3, n),
    power: sizes(0.6, n),
  })
  const tolerance = [0.15, 0.06, 0.007, 0.007, 0.007, 0.007, 0.007]
  const ours = median(() => chooseSizes({ ...PLATE, offers: offers(12), tolerance }))
  const few = 3
  const all = () => {
    const lists = Object.entries(offers(few))
    const walk = (at: number, now: object): number => {
      if (at === lists.length) {
        const mixture = rangeMixture({ ...PLATE, now: { ...PLATE.now, ...now } })
        return isRefusal(mixture) ? Infinity : Math.max(...mixture.ratio.map((one) => Math.abs(one - 1)))
      }
      const [key, some] = lists[at]!
      return Math.min(...some.map((size) => walk(at + 1, { ...now, [key]: size })))
    }
    return walk(0, {})
  }
  const rival = (median(all, 3) * 12 ** 6) / few ** 6
  return row('which of 12 sizes of six parts, exactly (limit 100 ms)', ours, 'all three million', rival)
}
