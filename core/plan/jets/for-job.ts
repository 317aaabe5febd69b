import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { BodyState, JobState, RunNote } from '../../log/index.ts'
import { showTurns } from '../../measure/index.ts'
import { idleTrim, type Choice, type Metering, type RangeProblem } from '../../physics/range/index.ts'
import { screwKindOf, type Sheets } from '../../sheets/index.ts'
import { conditionsOf, type JobAsked } from './asked-of-job.ts'
import { changesOf, changeWords, type JobChange, type Stocked } from './changes.ts'
import { chooseFrom, LATE } from './choosing.ts'
import { rulesOf, type Rules } from './circuits.ts'
import { fuelLines, type FuelLine } from './fuel.ts'
import { fightsOf, heardOf, type Heard } from './heard.ts'
import { learnMain, type MainOff } from './learned.ts'
import { narrowedBy } from './narrow.ts'
import { jetSets, sheetBore, type JetSet, type Size } from './unit.ts'
import { CURVE, headlineOf, screwFits, workOut, type Curves } from './worked.ts'

export type { JobChange } from './changes.ts'

/** What can be had for a position, with the sheet's own and the one that is proposed. */
export interface Offered {
  of: string
  name: string
  own: number
  proposed: number
  sizes: readonly Size[]
}

export interface JobJets extends Curves {
  changes: JobChange[]
  /** other ways, each with what it changes and how far off it stays at worst, in tolerances */
  others: { words: string; worst: number; inside: boolean; priceMinor: number }[]
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
  /** what runs of this number have taught of its main jet; null where nobody read a probe around a change */
  learned: MainOff | null
  headline: string
}

const problemOf = (
  set: JetSet,
  conditions: { ref: Metering; now: Metering },
  vent: JobAsked['vent'],
): RangeProblem => ({
  family: set.family,
  vent,
  ref: { ...set.ref, ...conditions.ref },
  now: { ...conditions.now, ...set.given },
})

/** What of a job its jets are worked out from: what was chosen for one body, and its runs. */
export interface JetsJob {
  chosen: BodyState['chosen']
  run: JobState['run']
}

/** What is asked of a job's jets besides its sheets: conditions as they were typed, what can be had, sizes that somebody picked by hand. */
export interface JobQuestion {
  asked: JobAsked
  /** by position */
  sizes: Readonly<Record<string, readonly Size[]>>
  /** sizes (mm) or grooves that were picked instead of the best, by position or setting's key */
  picked: Readonly<Record<string, number>>
  /** what was run with other jets on units of this number, job by job */
  runs?: readonly (readonly RunNote[])[]
}

/** Sizes that somebody picked for a set, as the model takes them. */
function pickedOf(set: JetSet, picked: JobQuestion['picked']): Partial<Metering> {
  const of = (positions: JetSet['mains']) => positions.map(({ code }) => picked[code]).find(Boolean)
  const groove = set.clip ? picked[set.clip.key] : undefined
  const pressed = set.pressed.map((tube) => picked[tube.of]).find(Boolean)
  const [main, idle] = [of(set.mains), of(set.idles) ?? pressed]
  return {
    ...(main === undefined ? {} : { main }),
    ...(idle === undefined ? {} : { idle }),
    ...(groove === undefined ? {} : { raise: (groove - set.clip!.groove) * set.clip!.grooveMm }),
  }
}

/** One set of jets worked out: what is best, what was picked instead, what that changes. */
interface SetWorked {
  curves: Curves
  problem: RangeProblem
  sizes: Partial<Metering>
  changes: JobChange[]
  others: JobJets['others']
  fits: boolean
  assumedSizes: boolean
  learned: MainOff | null
}

/** What lies beside the choice: from the drawer alone, from everything, nothing changed. */
function othersOf(
  told: (sizes: Partial<Metering>) => string,
  costs: (sizes: Partial<Metering>) => number,
  kept: Partial<Metering>,
  ways: { label: string; one: Choice }[],
  stays: Result<Curves>,
): JobJets['others'] {
  const seen = new Set([told(kept)])
  const others = ways.flatMap(({ label, one }) => {
    const words = told(one.changes)
    if (seen.has(words)) return []
    seen.add(words)
    return [
      { words: `${label}${words}`, worst: one.worst, inside: one.inside, priceMinor: costs(one.changes) },
    ]
  })
  const own = told({})
  return isRefusal(stays) || seen.has(own)
    ? others
    : [...others, { words: own, worst: stays.worst, inside: stays.inside, priceMinor: 0 }]
}

function setWorked(
  set: JetSet,
  sheets: Sheets,
  conditions: { ref: Metering; now: Metering },
  question: JobQuestion,
): Result<SetWorked> {
  const reckoned = problemOf(set, conditions, question.asked.vent)
  const learned = set.isLate ? null : learnMain(reckoned, question.runs ?? [])
  const problem = learned ? { ...reckoned, mainOff: learned } : reckoned
  const stock: Stocked = {
    mains: question.sizes[set.mains[0]!.code] ?? [],
    idles: set.idles[0] ? (question.sizes[set.idles[0].code] ?? []) : [],
  }
  const { best, drawer, all } = chooseFrom(set, problem, stock)
  if (isRefusal(best)) return best
  if (isRefusal(drawer)) return drawer
  if (isRefusal(all)) return all
  // What was picked back to the sheet's own is no change.
  const kept = Object.fromEntries(
    Object.entries({ ...best.changes, ...pickedOf(set, question.picked) }).filter(
      ([key, size]) => size !== (problem.ref[key as 'main'] ?? 0),
    ),
  ) as Partial<Metering>
  const curves = workOut(set.isLate ? { ...problem, shares: CURVE.map(() => 0) } : problem, kept)
  if (isRefusal(curves)) return curves
  const told = (sizes: Partial<Metering>): string =>
    changesOf(set, sizes, stock, sheets).map(changeWords).join(', ') || 'the sheet’s own'
  const costs = (sizes: Partial<Metering>): number =>
    changesOf(set, sizes, stock, sheets).reduce((sum, { priceMinor }) => sum + priceMinor, 0)
  return {
    curves,
    problem,
    sizes: kept,
    changes: changesOf(set, kept, stock, sheets),
    others: othersOf(
      told,
      costs,
      kept,
      [
        { label: '', one: best },
        { label: 'from the drawer: ', one: drawer },
        { label: 'ordered: ', one: all },
      ],
      workOut(problem, {}),
    ),
    fits: set.isLate ? worstFrom(curves, LATE[0]!) <= 1 : curves.inside,
    assumedSizes: stock.mains.length === 0,
    learned,
  }
}

/**
 * Which jets and which groove a job's unit wants for its place and fuel (`docs/physics.md` 21 to 28): every set of bores by itself, the
 * fewest changes from what can be had, the drawer before the suppliers. Refused by the field that is at fault, and `unit` where its sheet
 * says no main jet.
 */
export function jobJets({ chosen, run }: JetsJob, sheets: Sheets, question: JobQuestion): Result<JobJets> {
  const sets = jetSets(sheets, chosen)
  if (sets.length === 0)
    return refuse('unit', 'The sheet says no main jet’s bore: measure it and tell it first.')
  const conditions = conditionsOf(question.asked)
  if (isRefusal(conditions)) return conditions
  const worked: SetWorked[] = []
  for (const set of sets) {
    const one = setWorked(set, sheets, conditions, question)
    if (isRefusal(one)) return one
    worked.push(one)
  }
  const { curves, problem, sizes, others, learned } = worked[0]!
  const changes = worked.flatMap((one) => one.changes)
  const inside = worked.every(({ fits }) => fits)
  const heard = heardOf(run)
  const screws = sheets.spec.settings.filter(({ code }) => code === 'mixture.turns')
  const turns = screws[0]?.target ?? null
  // Which way is leaner has to be known before a screw is told anything.
  const kind = screwKindOf(sheets.spec)
  const screw = turns === null || kind === null ? null : screwOf(curves, kind, turns / 8, screws.length > 1)
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
    assumedSizes: worked.some((one) => one.assumedSizes),
    rules: rulesOf(problem),
    heard,
    fights: fightsOf(heard, curves),
    fuel: fuelLines(sheets, problem.ref, problem.now, conditions.now.ethanol ?? 0),
    screw,
    isBlind: problem.family !== 'plate' && problem.ref.needle === undefined,
    measureNext: narrowedBy(problem, sizes),
    learned,
    headline: headlineOf(changes.map(changeWords), { inside }, curves.changed.length || changes.length),
  }
}

/** How far off the farthest opening from one on lies, in tolerances. */
const worstFrom = ({ openings, proposed, tolerance }: Curves, from: number): number =>
  Math.max(
    ...openings.flatMap((x, i) => (x >= from ? [Math.abs(proposed.ratio[i]! - 1) / tolerance[i]!] : [])),
  )

/** Where the idle screw ends, and what that says of the idle jet. */
function screwOf(
  { proposed }: Curves,
  kind: 'fuel' | 'air',
  from: number,
  several: boolean,
): JobJets['screw'] {
  const to = idleTrim(proposed.ratio[0]!, kind, from)
  if (isRefusal(to)) return null
  const eighths = Math.max(0, Math.round(to * 8))
  const fits = screwFits(to)
  const name = several ? 'Idle screws' : 'Idle screw'
  // A fuel screw far in and an air screw far out both say that the idle jet is too large.
  const tooLarge = kind === 'fuel' ? to < from : to > from
  const said = fits
    ? Math.abs(to - from) < 1 / 16
      ? `${name} ${several ? 'stay' : 'stays'} at ${showTurns(eighths)} turns.`
      : `${name} to about ${showTurns(eighths)} turns.`
    : `${name} would want ${showTurns(eighths)} turns: the idle jet is too ${tooLarge ? 'large' : 'small'} for it.`
  return { from, to, fits, words: said }
}
