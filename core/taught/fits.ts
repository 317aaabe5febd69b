import type { Taught } from '../log/kinds/index.ts'

/** Of a family of several barrels, what a unit with one has not. */
const SECOND = /(^|\/)(R|S)$/

/** Whether a unit with so many barrels and such a choke has the thing at all. */
export function fits(taught: Taught, code: string, place: string): boolean {
  if (taught.barrels === 1 && (SECOND.test(code) || SECOND.test(place))) return false
  // One that stands in the bowl falls to its floor: nothing is bent for it.
  if (code === 'float.drop' && taught.float === 'in the bowl') return false
  const coil = /^(choke\.coil|choke\.index|vacuumBreak)/.test(code)
  if (coil && taught.choke !== 'coil') return false
  if (/^choke\.(rod|cable)/.test(code) && (taught.choke === 'enricher' || taught.choke === 'none'))
    return false
  return !(/^choke\.plunger/.test(code) && taught.choke !== 'enricher')
}

/** With one barrel there is no left and no primary. */
export const named = <T extends { name: string }>(taught: Taught, one: T): T =>
  taught.barrels === 1
    ? { ...one, name: one.name.replace(/, (left|primary)$/, '').replace(/s?, primary$/, '') }
    : one
