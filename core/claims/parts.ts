import { isDoubtful, uncured, type Uncured, rejudged } from '../judge/findings/index.ts'
import { bodyOf, lastSaid, type BodyState, type JobState, NOTHING_SEEN } from '../log/index.ts'
import { type Disposition, nameOn } from '../sheets/index.ts'
import { checkAgain } from '../judge/again/index.ts'
import { ANOTHER_FUEL } from '../physics/range/index.ts'
import { capital } from '../base/words/index.ts'
import { takenBack, type TakenBack } from './struck.ts'
import { stated, way, type Claim, type Way } from './claim.ts'
import { isLooked, measuredWords, type Position, type Sheets } from './judged.ts'

const MINUTES_A_PART = 3

const isNew = (here: BodyState, code: string): boolean =>
  here.on[code] !== undefined && here.on[code].from !== 'old'

/** What is to be checked again, and why: a revision or supply that is another one now, a verdict against another number's rule. */
function againOf(state: JobState, sheets: Sheets, body: number): ReadonlyMap<string, Way> {
  const overrides = checkAgain(state, sheets, body)
    .filter(({ what }) => what === 'override')
    .map(({ key, name, why }) => [key, name, why] as const)
  const { chosen } = bodyOf(state, body)
  // Of a size that was chosen a claim of its own speaks.
  const sizes = rejudged(state, sheets, body)
    .filter(({ position }) => !chosen[position])
    .map(({ position, name, why }) => [position, name, why] as const)
  return new Map(
    [...sizes, ...overrides].map(([code, name, why]) => [
      code,
      way('void', `again:${code}`, `${name}: redo`, why),
    ]),
  )
}

/**
 * Each part was looked at, by the measurement that decides about it where there is one. One that was renewed is shown by the new one;
 * what has to be renewed anyway has a claim of its own.
 */
export function partClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  const again = againOf(state, sheets, body)
  const back = new Map(takenBack(state, body).map((one) => [one.position, one]))
  const listed = new Set(sheets.build.positions.map(({ code }) => code))
  const ofSheet = sheets.build.positions
    .filter(({ stays, always, deciding, code }) => (!always && (!stays || deciding)) || here.findings[code])
    .map((position) =>
      partClaim(
        here,
        position,
        body,
        again.get(position.code),
        back.get(position.code),
        position.kind === 'jet' && (state.opened?.ethanol ?? 0) >= ANOTHER_FUEL,
      ),
    )
  // What was judged or came off under another list number is told as well.
  const earlier = [...new Set([...Object.keys(here.off), ...Object.keys(here.findings)])]
    .filter((code) => !listed.has(code))
    .map((code) =>
      partClaim(here, { code, name: nameOn(sheets, code) }, body, again.get(code), back.get(code)),
    )
  return [...ofSheet, ...earlier]
}

function partClaim(
  here: BodyState,
  position: Pick<Position, 'code' | 'name'> & Partial<Pick<Position, 'deciding' | 'stays' | 'always'>>,
  body: number,
  again: Way | undefined,
  back: TakenBack | undefined,
  /** a jet on another fuel than its sheet's: where its size is in doubt it may burn holes */
  isDangerous = false,
): Claim {
  const { code, name, deciding = null, stays = false, always = false } = position
  const judged = here.findings[code]
  const said = judged?.said ?? []
  const last = lastSaid(judged)
  const by = said.filter((one) => isLooked(one, deciding))
  const off = here.off[code]
  const renewed = isNew(here, code)
  const ways: Way[] = []
  let next = measuredWords(deciding)
  if (!last && !renewed && !always)
    if (off)
      ways.push(
        way('open', `finding:${code}`, `${name} has no verdict`, 'it came off without a verdict', {
          value: NOTHING_SEEN,
        }),
      )
    else {
      next = deciding ? `${stays ? '' : 'take it off and '}${measuredWords(deciding)}` : 'check it'
      ways.push(way('open', 'unseen', name, next, { group: 'unseen' }))
    }
  else if (last && !renewed && !always && by.length === 0 && last.overridden === null)
    ways.push(way('open', 'unmeasured', name, next, { group: 'unmeasured' }))
  if (off?.again === 'broke here' && !renewed && !always)
    ways.push(way('open', `need:${code}`, `${name} still needed`, 'broke here'))
  if (last && (isDoubtful(last) || (!last.sure && last.ruled === 'reuse')) && !renewed)
    ways.push(
      way('open', `doubt:${code}`, `${name}: the measurement is doubtful`, last.sentence, {
        value: last.raw,
        weight: last.ruled === 'reuse' && !isDangerous ? 'minor' : 'major',
      }),
    )
  if (judged?.differ && !renewed)
    ways.push(
      way('contradicted', `differ:${code}`, `Two people disagree on ${name}`, 'a third verdict decides', {
        // Where one of them condemned it nobody lets it pass.
        weight: said.slice(-2).some(({ disposition }) => disposition === 'condemn') ? 'fatal' : 'major',
      }),
    )
  if (back)
    ways.push(
      way(
        'contradicted',
        `taken:${code}`,
        `${name}: ${back.condemned ? 'condemned' : 'to be replaced'}, said ${back.by}, and that was taken back`,
        'measure it, or have somebody else check it',
        { weight: back.condemned ? 'fatal' : 'major' },
      ),
    )
  if (again) ways.push(again)
  return stated({
    of: 'part',
    body,
    subject: code,
    name,
    station: 'teardown',
    shownBy: renewed ? [here.on[code]!.entry] : by.map(({ entry }) => entry),
    restsOn: [code],
    why: !last
      ? off
        ? 'it came off and has no verdict'
        : 'nobody checked it'
      : by.length === 0
        ? `called ${last.disposition === 'reuse' ? 'sound' : last.disposition} and never measured`
        : (ways[0]?.title ?? ''),
    next,
    minutes: MINUTES_A_PART,
    ways,
  })
}

const WANTS: Record<Disposition, string> = {
  reuse: 'to be checked again',
  clean: 'to be cleaned and checked again',
  repair: 'to be repaired and checked again',
  replace: 'to be replaced',
  condemn: 'condemned',
}

const repairWay = (one: Uncured): Way =>
  one.left
    ? way(
        'open',
        `left:${one.position}`,
        `${one.name} is left as found`,
        `${one.finding.sentence} Left, because: ${one.finding.overridden}`,
        {
          // What its rule condemns is nobody's to leave.
          weight: one.wants === 'condemn' ? 'fatal' : 'minor',
          value: one.finding.raw || one.finding.condition,
        },
      )
    : way(
        'open',
        `finding:${one.position}`,
        `${one.name}: ${WANTS[one.wants]}`,
        `${one.finding.sentence} ${capital(one.cure)}.`,
        {
          weight: one.wants === 'condemn' ? 'fatal' : 'major',
          value: one.finding.raw || one.finding.condition,
        },
      )

/** What was found to ask for something has had it: cleaned or mended and looked at again, or another one on. */
export function repairClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  const open = new Map(uncured(state, sheets, body).map((one) => [one.position, one]))
  return Object.entries(here.findings).flatMap(([code, { said }]): Claim[] => {
    const position = sheets.build.positions.find((one) => one.code === code)
    // What is to be renewed anyway is asked for once; a new one that was found wanting speaks for itself.
    if (position?.always && position.part !== null && !isNew(here, code)) return []
    if (!said.some(({ ruled, disposition }) => ruled !== 'reuse' || disposition !== 'reuse')) return []
    const one = open.get(code)
    const name = nameOn(sheets, code)
    return [
      stated({
        of: 'repair',
        body,
        subject: code,
        name,
        station: 'teardown',
        shownBy: [lastSaid(here.findings[code])?.entry, here.on[code]?.entry],
        restsOn: [code],
        next: one?.cure ?? '',
        minutes: MINUTES_A_PART + 1,
        ways: one ? [repairWay(one)] : [],
      }),
    ]
  })
}

/** Each part that is replaced as routine is new since it last came off. */
export function renewalClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  return sheets.build.positions
    .filter(({ always, part }) => always && part !== null)
    .map(({ code, name }): Claim => {
      const on = here.on[code]
      const fresh = on !== undefined && on.from !== 'old'
      const off = here.off[code]
      return stated({
        of: 'renewal',
        body,
        subject: code,
        name,
        station: off ? 'build' : 'teardown',
        shownBy: [on?.entry],
        restsOn: [code],
        why: on ? 'the old one was reinstalled' : off ? 'no new one is installed' : 'not touched',
        next: 'fit a new one',
        minutes: MINUTES_A_PART,
        ways: fresh
          ? []
          : off
            ? [way('open', `need:${code}`, `${name} still needed`, 'replaced as routine')]
            : [way('open', 'unrenewed', name, 'fit a new one', { group: 'unrenewed' })],
      })
    })
}

/**
 * Each part bears the fuel that the unit will run on. A part of the same number bears it no better: only one that is made for the
 * blend does.
 */
export function fuelClaims(state: JobState, { build }: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  const ethanol = state.opened?.ethanol ?? 0
  const percent = (share: number) => `${Math.round(share * 100)} %`
  return build.positions
    .filter(({ ethanolLimit }) => ethanolLimit !== null && ethanol > ethanolLimit)
    .map(({ ethanolPart, ethanolLimit, code, name }): Claim => {
      const fit = ethanolPart && ethanolPart.limit >= ethanol ? ethanolPart.part : null
      const on = here.on[code]
      const bears = fit !== null && on && on.from !== 'old' && on.part === fit
      const why = `rated for ${percent(ethanolLimit!)} ethanol, this fuel has ${percent(ethanol)}`
      const next = fit === null ? 'ask for one rated for this blend; the sheet lists none' : `${fit} on`
      return stated({
        of: 'fuel',
        body,
        subject: code,
        name,
        station: 'parts',
        shownBy: [on?.entry],
        restsOn: [code],
        why,
        next,
        ways: bears ? [] : [way('open', 'fuel', name, why, { group: 'fuel', value: why })],
      })
    })
}
