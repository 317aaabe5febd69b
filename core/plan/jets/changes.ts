import { lower } from '../../base/words/index.ts'
import type { Metering } from '../../physics/range/index.ts'
import { settingKey, type Sheets } from '../../sheets/index.ts'
import { sheetBore, type JetSet, type Size } from './unit.ts'
import { grooveWords } from './others.ts'
import { mm } from './worked.ts'

/** One thing to change on this unit. */
export interface JobChange {
  /** a position, or a setting's key */
  of: string
  name: string
  from: string
  to: string
  nominal: number
  instead: number
  /** mm under the needle's clip */
  shimMm?: number
  part: string | null
  /** where it comes from; null where nothing has to be had, or nobody has it */
  where: 'drawer' | 'supplier' | 'opened for good' | null
  /** what it costs to buy, in minor units; 0 where nothing has to be bought */
  priceMinor: number
}

/** What can be had for a set of jets. */
export interface Stocked {
  mains: readonly Size[]
  idles: readonly Size[]
}

/** Less than this between two grooves is no shim, mm. */
const LEAST_SHIM_MM = 0.04

/** The groove that a needle is raised to, mm, with the shim under its clip for what is left of it. */
function clipAt({ groove, grooveMm }: NonNullable<JetSet['clip']>, raise: number) {
  const whole = Math.floor(raise / grooveMm + LEAST_SHIM_MM / grooveMm)
  const shim = Math.round((raise - whole * grooveMm) * 100) / 100
  return { groove: groove + whole, shimMm: shim > LEAST_SHIM_MM ? shim : 0 }
}

const whereOf = (size: Size | undefined): JobChange['where'] =>
  size === undefined ? null : size.drawer > 0 ? 'drawer' : size.buy ? 'supplier' : null

/** What a choice asks of a set's positions and of its clip. */
export function changesOf(
  set: JetSet,
  sizes: Partial<Metering>,
  stock: Stocked,
  sheets: Sheets,
): JobChange[] {
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
        priceMinor: found && found.drawer === 0 ? (found.buy?.priceMinor ?? 0) * position.quantity : 0,
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
        priceMinor: 0,
      })),
    )
  if (!clip || !sizes.raise) return ofJets
  const { groove, shimMm } = clipAt(clip, sizes.raise)
  const setting = sheets.spec.settings.find((one) => settingKey(one) === clip.key)!
  return [
    ...ofJets,
    {
      of: clip.key,
      name: setting.name,
      from: String(clip.groove),
      to: grooveWords(groove, shimMm),
      nominal: groove,
      ...(shimMm ? { shimMm } : {}),
      instead: clip.groove,
      part: null,
      where: null,
      priceMinor: 0,
    },
  ]
}

/** A change in words. */
export const changeWords = ({ name, from, to }: JobChange): string =>
  `${lower(name)} ${to} instead of ${from}`
