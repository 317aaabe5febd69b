import type { Opened } from '../../log/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { familyOf } from '../../unit/families/index.ts'
import { jetsBlank, type JetsAsked } from './asked.ts'

/** What a job's own sheet and conditions ask of its jets; undefined where its sheet has no main jet. */
function askedBy(opened: Opened | null, { spec, build }: Sheets): JetsAsked | undefined {
  const boreOf = (code: string) => spec.calibration.find((one) => one.code === code && one.mm !== null)?.mm
  const main = boreOf('jet.main')
  if (main === undefined || main === null) return undefined
  const idle = boreOf('jet.idle')
  const family = familyOf({ spec, build })
  const turns = spec.settings.find(({ code }) => code === 'mixture.turns')?.target
  return {
    ...jetsBlank,
    family: family === 'slide' ? 'slide' : family === 'diaphragm' ? 'cv' : 'plate',
    main: String(main),
    idle: idle == null ? '' : String(idle),
    toAltitude: String(opened?.altitudeM ?? 0),
    toEthanol: String(Math.round((opened?.ethanol ?? 0) * 100)),
    screw: spec.mixture.kind === 'air' ? 'air' : 'fuel',
    turns: turns ? String(turns / 8) : jetsBlank.turns,
  }
}

/** Where the jets for a job's place and fuel are worked out, with all of it in the address; null where its sheet says no main jet. */
export function jetsAddress(opened: Opened | null, sheets: Sheets, number: number | null): string | null {
  const asked = askedBy(opened, sheets)
  if (!asked) return null
  const search = new URLSearchParams(
    Object.entries(asked).filter(([key, value]) => value !== jetsBlank[key as keyof JetsAsked]),
  )
  if (number !== null) search.set('job', String(number))
  return `/figures/jets?${search.toString()}`
}
