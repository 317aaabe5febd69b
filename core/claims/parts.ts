import { isLooked, measuredWords, type Position, type Sheets } from './judged.ts'
import { bodyOf, lastSaid, type BodyState, type JobState } from '../job/state.ts'
import { claimId, type Claim } from './claim.ts'

const isNew = (here: BodyState, code: string): boolean =>
  here.on[code] !== undefined && here.on[code].from !== 'old'

/** A claim of a position, before it is known whether it is shown. */
const ofPosition = (
  of: 'part' | 'renewal' | 'fuel',
  body: number,
  { code, name }: Position,
): Pick<Claim, 'id' | 'body' | 'of' | 'subject' | 'name'> => ({
  id: claimId(of, body, code),
  body,
  of,
  subject: code,
  name,
})

/**
 * Each part was looked at, by the measurement that decides about it where there is one. One that was renewed is shown by the new one;
 * what has to be renewed anyway has a claim of its own.
 */
export function partClaims(state: JobState, { build }: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  return build.positions
    .filter(({ stays, always, deciding }) => !always && (!stays || deciding))
    .map((position): Claim => {
      const { code, deciding } = position
      const named = ofPosition('part', body, position)
      const said = here.findings[code]?.said ?? []
      if (isNew(here, code)) return shown(named, 'build', [here.on[code]!.entry])
      const last = lastSaid(here.findings[code])
      if (!last)
        return {
          ...named,
          state: 'open',
          shownBy: [],
          why: here.off[code] ? 'it came off and nobody judged it' : 'nobody looked at it',
          next: deciding
            ? `${here.off[code] || position.stays ? '' : 'take it off and '}${measuredWords(deciding)}`
            : 'look at it',
          station: 'teardown',
        }
      const by = said.filter((one) => isLooked(one, deciding))
      if (by.length === 0 && last.overridden === null)
        return {
          ...named,
          state: 'open',
          shownBy: [],
          why: `called ${last.disposition === 'reuse' ? 'sound' : last.disposition} and never measured`,
          next: measuredWords(deciding),
          station: 'teardown',
        }
      return shown(
        named,
        'teardown',
        by.map(({ entry }) => entry),
      )
    })
}

/** Each part that is always renewed is new since it last came off. */
export function renewalClaims(state: JobState, { build }: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  return build.positions
    .filter(({ always, part }) => always && part !== null)
    .map((position): Claim => {
      const named = ofPosition('renewal', body, position)
      const on = here.on[position.code]
      if (on && on.from !== 'old') return shown(named, 'build', [on.entry])
      return {
        ...named,
        state: 'open',
        shownBy: [],
        why: on
          ? 'the old one went on again'
          : here.off[position.code]
            ? 'no new one is on'
            : 'nobody touched it',
        next: 'a new one on',
        station: here.off[position.code] ? 'build' : 'teardown',
      }
    })
}

/**
 * Each part bears the fuel that the unit will run on. A part of the same number bears it no better: only one that is made for the
 * blend does.
 */
export function fuelClaims(state: JobState, { build }: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  const ethanol = state.opened?.ethanol ?? 0
  return build.positions
    .filter(({ ethanolLimit }) => ethanolLimit !== null && ethanol > ethanolLimit)
    .map((position): Claim => {
      const named = ofPosition('fuel', body, position)
      const { ethanolPart, ethanolLimit, code } = position
      const fit = ethanolPart && ethanolPart.limit >= ethanol ? ethanolPart.part : null
      const on = here.on[code]
      if (fit !== null && on && on.from !== 'old' && on.part === fit) return shown(named, 'build', [on.entry])
      const percent = (share: number) => `${Math.round(share * 100)} %`
      return {
        ...named,
        state: 'open',
        shownBy: [],
        why: `it bears ${percent(ethanolLimit!)} ethanol, this fuel has ${percent(ethanol)}`,
        next: fit === null ? 'ask for one that carries the blend; the sheet knows none' : `${fit} on`,
        station: 'parts',
      }
    })
}

const shown = (
  named: Pick<Claim, 'id' | 'body' | 'of' | 'subject' | 'name'>,
  station: Claim['station'],
  shownBy: readonly string[],
): Claim => ({ ...named, state: 'shown', shownBy, why: '', next: '', station })
