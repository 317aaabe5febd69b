import { bodyOf, type BodyState, type JobState } from '../log/index.ts'
import {
  OWN_REVISION,
  type Borrowed,
  settingKey,
  type Position,
  type SettingSpec,
  type Sheets,
  type SpecSheet,
  facts,
} from '../sheets/index.ts'
import { portName } from '../unit/families/index.ts'
import { fits, named } from './fits.ts'
import { readFrom } from './read-from.ts'
import { floatOf, ratioOf } from './float.ts'
import { calibrationOf, positionsOf } from './parts.ts'
import { sourceStandingOf } from './sources.ts'
import { levelSpread } from './spread.ts'

/** The fact that says that a unit has no such setting. */
export const noneOf = (key: string): string => `none:${key}`

const MOST_EIGHTHS = 96

/**
 * A taught body's own sheets: its family's, with everything in place that its log says, and a list of what is only borrowed. A pure
 * function of the log and the family (`docs/decisions.md`, taught units).
 */
export function ownSheets(state: JobState, body: number, borrowed: Borrowed): Sheets {
  const here = bodyOf(state, body)
  const taught = here.taught!
  const { float, section } = floatOf(here, borrowed, taught)
  const settings = borrowed.spec.settings
    .filter(
      (setting) => fits(taught, setting.code, setting.place) && !here.ownFacts[noneOf(settingKey(setting))],
    )
    .map((setting) =>
      withValue(
        state,
        body,
        readFrom(here.ownFacts['float.sense']?.value, taught, borrowed.spec.float, named(taught, setting)),
      ),
    )
  const positions = positionsOf(here, taught, borrowed.build.positions)
  const pencil = pencilOf(here, positions)
  const ratio = ratioOf(here, float, pencil)
  const kind = here.ownFacts['mixture.kind']?.value
  const spec: SpecSheet = {
    listNumber: here.ident?.listNumber ?? taught.name,
    model: taught.family,
    modelName: `${borrowed.words}, taught here`,
    maker: taught.maker || 'maker unknown',
    draft: borrowed.spec.draft,
    barrels: taught.barrels,
    mixture: {
      // Thread and taper of a unit that nobody knows: no count is turned down.
      mostEighths: MOST_EIGHTHS,
      kind: kind === 'fuel' || kind === 'air' ? kind : borrowed.spec.mixture.kind,
    },
    settings,
    calibration: calibrationOf(here, taught, borrowed.spec.calibration),
    float,
    pump: null,
    choke: null,
    section,
    level: borrowed.spec.level,
    supply: borrowed.spec.supply,
    engine: borrowed.spec.engine,
    supersedes: [],
    // Only what somebody saw: where the ports of a unit lie that nobody described, nobody knows.
    ports: Object.entries(here.ownPorts).flatMap(([code, { boreMm, absent }]) =>
      absent ? [] : [{ code, name: portName(code), boreMm }],
    ),
    taught: {
      family: borrowed.words,
      pencil,
      at: Object.fromEntries(
        Object.values(here.ownParts).flatMap(({ position, at }) => (at ? [[position, [at[0], at[1]]]] : [])),
      ),
      ratio,
      levelSigma: null,
    },
  }
  return {
    specRev: OWN_REVISION,
    buildRev: OWN_REVISION,
    spec: {
      ...spec,
      taught: { ...spec.taught!, levelSigma: levelSpread(spec, here.ownFacts)?.sigma ?? null },
    },
    build: { listNumber: spec.listNumber, trays: borrowed.build.trays, positions },
  }
}
function withValue(state: JobState, body: number, setting: SettingSpec): SettingSpec {
  const { picked } = sourceStandingOf(state, body, setting)
  if (!picked) return setting
  const { asWritten, target, lo, hi, source, ground } = picked
  return { ...setting, asWritten, target, lo, hi, source, ground }
}
/** What nobody has seen on this unit: facts, and positions that neither came off nor were written. */
function pencilOf(here: BodyState, positions: readonly Position[]): string[] {
  return [
    ...facts.filter(({ code }) => !here.ownFacts[code]).map(({ code }) => code),
    ...positions
      .filter(({ code }) => !here.off[code] && !here.ownParts[code] && !here.findings[code])
      .map(({ code }) => `position:${code}`),
  ]
}
