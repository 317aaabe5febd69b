import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { lower } from '../../base/words/index.ts'
import { bodyOf, type JobState } from '../../log/index.ts'
import { showTurns } from '../../measure/index.ts'
import {
  chooseSizes,
  idleTrim,
  rangeMixture,
  OPENINGS,
  POWER,
  type Choice,
  type Metering,
  type RangeProblem,
} from '../../physics/range/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { conditionsOf, type JobAsked } from './asked-of-job.ts'
import { ANOTHER_FUEL, fuelLines, type FuelLine } from './fuel.ts'
import { fightsOf, heardOf, type Heard } from './heard.ts'
import { jetSets, sheetBore, type JetSet, type Size } from './unit.ts'
import { narrowedBy } from './narrow.ts'
import { CURVE, headlineOf, mm, screwFits, workOut, type Curves } from './worked.ts'

/** One thing to change on this unit. */
export interface JobChange {
  /** a position, or a setting's key */
  of: string
  name: string
  from: string
  to: string
  nominal: number
  instead: number
  part: string | null
  /** where it comes from; null where nothing has to be had, or nobody has it */
  where: 'drawer' | 'supplier' | 'opened for good' | null
}

/** What can be had for a position, with the sheet's own and the one that is proposed. */
export interface Offered {
  of: string
  name: string
  own: number
  proposed: number
  sizes: readonly Size[]
}

/** How much of the fuel each circuit has a hand in, by opening. */
export interface Rules {
  name: string
  share: number[]
}

export interface JobJets extends Curves {
  changes: JobChange[]
  /** other ways, each with what it changes and how far off it stays at worst, in tolerances */
  others: { words: string; worst: number; inside: boolean }[]
  offered: Offered[]
  /** the sizes are made up: nobody has any, every 0.025 mm was taken */
  assumedSizes: boolean
  rules: Rules[]
  heard: Heard[]
  fights: string[]
  fuel: FuelLine[]
  /** idle screw: turns now by the sheet and where it ends; null where the unit has none */
  screw: { from: number; to: number; fits: boolean; words: string } | null
  /** the needle is not known: the clip is left out */
  isBlind: boolean
  /** what would narrow it most if it were measured, with σ from half open on before and after; null where nothing would by much */
  measureNext: { what: string; from: number; to: number } | null
  headline: string
}

const STEP_MM = 0.025
const REACH = 0.45

/** Every 0.025 mm about a size, for where nobody has told what can be had. */
function everySize(about: number): number[] {
  const first = Math.ceil((about * (1 - REACH)) / STEP_MM)
  const last = Math.floor((about * (1 + REACH)) / STEP_MM)
  return Array.from({ length: last - first + 1 }, (_, i) => Math.round((first + i) * STEP_MM * 1000) / 1000)
}

interface Stocked {
  mains: readonly Size[]
  idles: readonly Size[]
}

const problemOf = (
  set: JetSet,
  conditions: { ref: Metering; now: Metering },
  vent: JobAsked['vent'],
): RangeProblem => ({
  family: set.family,
  vent,
  ref: { ...set.ref, ...conditions.ref },
  now: conditions.now,
})

/** A second pair of bores opens late: it is asked from half open on, and has no idle circuit. */
const LATE = OPENINGS.filter((x) => x >= 0.5)
const late = (problem: RangeProblem): RangeProblem => ({
  ...problem,
  openings: LATE,
  shares: LATE.map(() => 0),
})

/** Of some sizes the best choice; a set that opens late has no idle circuit of its own. */
function choose(
  set: JetSet,
  problem: RangeProblem,
  mains: readonly number[],
  idles: readonly number[],
): Result<Choice> {
  const { clip } = set
  const raises = clip
    ? Array.from({ length: clip.grooves }, (_, i) => (i + 1 - clip.groove) * clip.grooveMm)
    : []
  return chooseSizes({
    ...(set.isLate ? late(problem) : problem),
    offers: {
      main: mains,
      ...(idles.length && problem.ref.idle !== undefined ? { idle: idles } : {}),
      ...(raises.length ? { raise: raises } : {}),
    },
  })
}

/** The drawer where it is good enough, else whatever can be bought. */
function chooseFrom(set: JetSet, problem: RangeProblem, { mains, idles }: Stocked) {
  const sizes = (from: readonly Size[], about: number | undefined) =>
    from.length || about === undefined ? from.map((one) => one.mm) : everySize(about)
  const inDrawer = (from: readonly Size[]) => from.filter(({ drawer }) => drawer > 0).map((one) => one.mm)
  // What is pressed in is opened for another fuel only: it is for good.
  const pressed = set.pressed.length && isAnotherFuel(problem) ? everySize(problem.ref.idle!) : []
  const idleSizes = set.idles.length ? sizes(idles, problem.ref.idle) : pressed
  const drawer = choose(set, problem, inDrawer(mains), set.idles.length ? inDrawer(idles) : pressed)
  const all = choose(set, problem, sizes(mains, problem.ref.main), idleSizes)
  const best = isRefusal(drawer) || isRefusal(all) || drawer.inside ? drawer : all
  return { best, drawer, all }
}

const isAnotherFuel = ({ ref, now }: RangeProblem): boolean =>
  Math.abs((now.ethanol ?? 0) - (ref.ethanol ?? 0)) >= ANOTHER_FUEL

const grooveOf = (set: JetSet, raise: number): number =>
  set.clip!.groove + Math.round(raise / set.clip!.grooveMm)

const whereOf = (size: Size | undefined): JobChange['where'] =>
  size === undefined ? null : size.drawer > 0 ? 'drawer' : size.buy ? 'supplier' : null

/** What a choice asks of a set's positions and of its clip. */
function changesOf(set: JetSet, sizes: Partial<Metering>, stock: Stocked, sheets: Sheets): JobChange[] {
  const ofJets = (['idle', 'main'] as const).flatMap((key) => {
    const to = sizes[key]
    if (to === undefined) return []
    const found = stock[`${key}s`].find((one) => Math.abs(one.mm - to) < 1e-6)
    return set[`${key}s`].map((position): JobChange => {
      const instead = sheetBore(position)!
      return {
        of: position.code,
        name: position.name,
        from: mm(instead),
        to: mm(to),
        nominal: to,
        instead,
        part: found?.part ?? null,
        where: whereOf(found),
      }
    })
  })
  const { clip, pressed } = set
  const { idle } = sizes
  if (idle !== undefined)
    ofJets.unshift(
      ...pressed.map((tube): JobChange => ({
        ...tube,
        from: mm(set.ref.idle!),
        to: mm(idle),
        nominal: idle,
        instead: set.ref.idle!,
        part: null,
        where: 'opened for good',
      })),
    )
  if (!clip || !sizes.raise) return ofJets
  const groove = grooveOf(set, sizes.raise)
  const setting = sheets.spec.settings.find(({ code, place }) => `${code}/${place}` === clip.key)!
  return [
    ...ofJets,
    {
      of: clip.key,
      name: setting.name,
      from: String(clip.groove),
      to: String(groove),
      nominal: groove,
      instead: clip.groove,
      part: null,
      where: null,
    },
  ]
}

const words = ({ name, from, to }: JobChange): string => `${lower(name)} ${to} instead of ${from}`

/** How the fuel follows each part at each opening, by trying each a little larger. */
function rulesOf(problem: RangeProblem): Rules[] {
  const { ref } = problem
  const asIs = { ...problem, now: {}, openings: CURVE }
  const before = rangeMixture(asIs)
  if (isRefusal(before)) return []
  const powerOf = (key: 'main' | 'idle'): number[] => {
    if (ref[key] === undefined) return CURVE.map(() => 0)
    const larger = rangeMixture({ ...asIs, now: { [key]: ref[key] * 1.01 } })
    if (isRefusal(larger)) return CURVE.map(() => 0)
    const full = key === 'main' ? POWER.main : POWER.idle
    return larger.ratio.map((one, i) =>
      Math.max(0, Math.min(1, Math.log(one / before.ratio[i]!) / (2 * full * Math.log(1.01)))),
    )
  }
  const idle = powerOf('idle')
  const main = powerOf('main')
  const rest = CURVE.map((_, i) => Math.max(0, 1 - idle[i]! - main[i]!))
  const needle = problem.family !== 'plate'
  return [
    { name: ref.idle === undefined ? 'idle' : 'idle jet', share: ref.idle === undefined ? rest : idle },
    ...(needle ? [{ name: 'needle', share: rest }] : []),
    { name: 'main jet', share: main },
  ]
}

/** What is asked of a job's jets besides its sheets: conditions as they were typed, what can be had, sizes that somebody picked by hand. */
export interface JobQuestion {
  asked: JobAsked
  /** by position */
  sizes: Readonly<Record<string, readonly Size[]>>
  /** sizes (mm) or grooves that were picked instead of the best, by position or setting's key */
  picked: Readonly<Record<string, number>>
}

/** Sizes that somebody picked for a set, as the model takes them. */
function pickedOf(set: JetSet, picked: JobQuestion['picked']): Partial<Metering> {
  const of = (positions: JetSet['mains']) => positions.map(({ code }) => picked[code]).find(Boolean)
  const groove = set.clip ? picked[set.clip.key] : undefined
  const [main, idle] = [of(set.mains), of(set.idles)]
  return {
    ...(main === undefined ? {} : { main }),
    ...(idle === undefined ? {} : { idle }),
    ...(groove === undefined ? {} : { raise: (groove - set.clip!.groove) * set.clip!.grooveMm }),
  }
}

/**
 * Which jets and which groove a job's unit wants for its place and fuel (`docs/physics.md` 21 to 28): every set of bores by itself, the
 * fewest changes from what can be had, the drawer before the suppliers. Refused by the field that is at fault, and `unit` where its sheet
 * says no main jet.
 */
export function jobJets(
  state: JobState,
  sheets: Sheets,
  body: number,
  question: JobQuestion,
): Result<JobJets> {
  const { chosen } = bodyOf(state, body)
  const sets = jetSets(sheets, chosen)
  if (sets.length === 0)
    return refuse('unit', 'The sheet says no main jet’s bore: measure it and tell it first.')
  const conditions = conditionsOf(question.asked)
  if (isRefusal(conditions)) return conditions
  const changes: JobChange[] = []
  const others: JobJets['others'] = []
  let first: { curves: Curves; problem: RangeProblem; sizes: Partial<Metering> } | undefined
  let assumedSizes = false
  let inside = true
  for (const set of sets) {
    const problem = problemOf(set, conditions, question.asked.vent)
    const stock: Stocked = {
      mains: question.sizes[set.mains[0]!.code] ?? [],
      idles: set.idles[0] ? (question.sizes[set.idles[0].code] ?? []) : [],
    }
    assumedSizes ||= stock.mains.length === 0
    const { best, drawer, all } = chooseFrom(set, problem, stock)
    if (isRefusal(best)) return best
    if (isRefusal(drawer)) return drawer
    if (isRefusal(all)) return all
    const picked = pickedOf(set, question.picked)
    const sizes = { ...best.changes, ...picked }
    // What was picked back to the sheet's own is no change.
    const kept = Object.fromEntries(
      Object.entries(sizes).filter(([key, size]) => size !== (problem.ref[key as 'main'] ?? 0)),
    ) as Partial<Metering>
    const curves = workOut(set.isLate ? { ...problem, shares: CURVE.map(() => 0) } : problem, kept)
    if (isRefusal(curves)) return curves
    const fits = set.isLate ? worstFrom(curves, LATE[0]!) <= 1 : curves.inside
    inside &&= fits
    changes.push(...changesOf(set, kept, stock, sheets))
    if (!first) {
      first = { curves, problem, sizes: kept }
      const told = (one: Choice): string =>
        changesOf(set, one.changes, stock, sheets).map(words).join(', ') || 'the sheet’s own'
      const stays = workOut(problem, {})
      const seen = new Set([changesOf(set, kept, stock, sheets).map(words).join(', ') || 'the sheet’s own'])
      for (const { label, one } of [
        { label: '', one: best },
        { label: 'from the drawer: ', one: drawer },
        { label: 'ordered: ', one: all },
      ]) {
        if (seen.has(told(one))) continue
        seen.add(told(one))
        others.push({ words: `${label}${told(one)}`, worst: one.worst, inside: one.inside })
      }
      if (!isRefusal(stays) && !seen.has('the sheet’s own'))
        others.push({ words: 'the sheet’s own', worst: stays.worst, inside: stays.inside })
    }
  }
  const { curves, problem } = first!
  const heard = heardOf(state.run)
  const turns = sheets.spec.settings.find(({ code }) => code === 'mixture.turns')?.target ?? null
  const screw = turns === null ? null : screwOf(curves, sheets.spec.mixture.kind, turns / 8)
  const offered = sets.flatMap((set) =>
    [...set.idles.slice(0, 1), ...set.mains.slice(0, 1)].map((position): Offered => {
      const own = sheetBore(position)!
      return {
        of: position.code,
        name: position.name,
        own,
        proposed: changes.find(({ of }) => of === position.code)?.nominal ?? own,
        sizes: question.sizes[position.code] ?? [],
      }
    }),
  )
  return {
    ...curves,
    inside,
    changes,
    others,
    offered,
    assumedSizes,
    rules: rulesOf(problem),
    heard,
    fights: fightsOf(heard, curves),
    fuel: fuelLines(sheets, problem.ref, problem.now, conditions.now.ethanol ?? 0),
    screw,
    isBlind: problem.family !== 'plate' && problem.ref.needle === undefined,
    measureNext: narrowedBy(problem, first!.sizes),
    headline: headlineOf(changes.map(words), { inside }, curves.changed.length || changes.length),
  }
}

/** How far off the farthest opening from one on lies, in tolerances. */
const worstFrom = ({ openings, proposed, tolerance }: Curves, from: number): number =>
  Math.max(
    ...openings.flatMap((x, i) => (x >= from ? [Math.abs(proposed.ratio[i]! - 1) / tolerance[i]!] : [])),
  )

/** Where the idle screw ends, and what that says of the idle jet. */
function screwOf({ proposed }: Curves, kind: 'fuel' | 'air', from: number): JobJets['screw'] {
  const to = idleTrim(proposed.ratio[0]!, kind, from)
  if (isRefusal(to)) return null
  const eighths = Math.max(0, Math.round(to * 8))
  const fits = screwFits(to)
  // A fuel screw far in and an air screw far out both say that the idle jet is too large.
  const tooLarge = kind === 'fuel' ? to < from : to > from
  const said = fits
    ? Math.abs(to - from) < 1 / 16
      ? `Idle screw stays at ${showTurns(eighths)} turns.`
      : `Idle screw to about ${showTurns(eighths)} turns.`
    : `Idle screw would want ${showTurns(eighths)} turns: the idle jet is too ${tooLarge ? 'large' : 'small'} for it.`
  return { from, to, fits, words: said }
}
