import { bodyOf, type BodyState, type JobState } from '../../log/index.ts'
import { mixtureKindOf, screwKindOf, type PartKind, type Sheets } from '../../sheets/index.ts'
import { foundWith } from './cure.ts'

/** Findings that belong together, and what they say together that none says alone. */
export interface Story {
  code: string
  says: string
  /** the positions that it is told by */
  by: string[]
}

interface Told {
  /** positions of a kind (and name) that were found to be one of these */
  found: (kind: PartKind, conditions: readonly string[], name?: RegExp) => string[]
  /** positions of a kind that a measurement turned down */
  measured: (kind: PartKind, ruled: string) => string[]
  sediment: (kind: string) => boolean
  /** mixture screws that stood clearly leaner or richer than the sheet, as found */
  screws: (way: 'lean' | 'rich') => string[]
  /** ethanol in the fuel, a share */
  ethanol: number
}

const STORIES: readonly { code: string; tell: (told: Told) => { says: string; by: string[] } | null }[] = [
  {
    code: 'stood',
    tell({ found, measured, sediment }) {
      const jets = [...found('jet', ['varnished']), ...measured('jet', 'clean')]
      return jets.length && sediment('varnish')
        ? {
            says: 'It stood with fuel in it: varnish in bowl and jets is one cause, not several. Fresh fuel, and the passages blown too.',
            by: jets,
          }
        : null
    },
  },
  {
    code: 'dirt',
    tell({ found, measured, sediment }) {
      const cut = [
        ...found('needle', ['grooved']),
        ...found('seat', ['ringed', 'scratched', 'pounded']),
        ...measured('seat', 'replace'),
      ]
      const what = sediment('rust') ? 'Rust' : sediment('sand') ? 'Sand' : ''
      return cut.length && what
        ? {
            says: `${what} from upstream cut needle and seat: new ones go the same way until tank and filter are seen to.`,
            by: cut,
          }
        : null
    },
  },
  {
    code: 'pair',
    tell({ found, measured }) {
      const needle = found('needle', ['grooved'])
      const seat = [...found('seat', ['ringed', 'pounded', 'scratched']), ...measured('seat', 'replace')]
      return needle.length && seat.length
        ? {
            says: 'Needle and seat have worn into each other: renew both, never one.',
            by: [...needle, ...seat],
          }
        : null
    },
  },
  {
    code: 'hidden rich',
    tell({ found, measured, screws }) {
      const rich = [
        ...found('float', ['rattles', 'dented']),
        ...measured('float', 'replace'),
        ...found('jet', ['drilled']),
        ...measured('jet', 'replace'),
        ...measured('seat', 'replace'),
      ]
      const set = screws('lean')
      return rich.length && set.length
        ? {
            says: 'Somebody leaned the idle to hide a rich cause. With that mended the screws go back to the sheet’s turns.',
            by: [...rich, ...set],
          }
        : null
    },
  },
  {
    code: 'hidden lean',
    tell({ found, measured, screws }) {
      const lean = [
        ...found('jet', ['varnished'], /idle/i),
        ...measured('jet', 'clean'),
        ...found('shaft', ['worn']),
        ...measured('shaft', 'repair'),
      ]
      const set = screws('rich')
      return lean.length && set.length
        ? {
            says: 'Somebody enriched the idle to hide a starved one. With that mended the screws go back to the sheet’s turns.',
            by: [...lean, ...set],
          }
        : null
    },
  },
  {
    code: 'soot',
    tell({ found }) {
      const coil = found('coil', ['soot'])
      return coil.length
        ? {
            says: 'Soot in the housing: exhaust leaks into its heat tube. A new coil burns the same way until that is mended.',
            by: coil,
          }
        : null
    },
  },
  {
    code: 'swollen',
    tell({ found, ethanol }) {
      const rubber = [
        ...found('pump', ['swollen']),
        ...found('seal', ['swollen']),
        ...found('needle', ['swollen']),
        ...found('diaphragm', ['stiff']),
      ]
      return rubber.length > 1
        ? {
            says: `This fuel${ethanol > 0.02 ? `, ${Math.round(ethanol * 100)} % ethanol,` : ''} attacks more than one rubber: renew all of them with ones that it leaves alone, hoses too.`,
            by: rubber,
          }
        : null
    },
  },
  {
    code: 'filter',
    tell({ found, sediment }) {
      const screen = found('screen', ['missing', 'torn'])
      return screen.length && (sediment('sand') || sediment('rust'))
        ? {
            says: 'The screen let by what lies in the bowl. With a new one in, the jets are looked through again.',
            by: screen,
          }
        : null
    },
  },
  {
    code: 'before us',
    tell({ found }) {
      const by = [
        ...found('jet', ['drilled', 'otherSize']),
        ...found('spring', ['clipped', 'otherSpring']),
        ...found('shaft', ['plateDrilled']),
        ...found('body', ['drilledPassage', 'sealant']),
        ...found('gasket', ['two']),
        ...found('washer', ['twice']),
        ...found('meteringNeedle', ['otherClip']),
      ]
      return by.length > 1
        ? {
            says: 'Somebody tuned it for something else. What can be put back goes back to the sheet; ask the customer why before it does.',
            by,
          }
        : null
    },
  },
]

/** Beyond its band by so many eighths of a turn a screw was set, not settled. */
const CLEARLY = 4

/** What the findings of a body say together, in the order of what matters most. */
export function storiesOf(state: JobState, sheets: Sheets, body = 1): Story[] {
  const here = bodyOf(state, body)
  const told: Told = {
    found: (kind, conditions, name) =>
      positionsOf(sheets, kind)
        .filter((one) => !name || name.test(`${one.code} ${one.name}`))
        .filter(({ code }) => conditions.includes(foundWith(here.findings[code])?.condition ?? ''))
        .map(({ code }) => code),
    measured: (kind, ruled) =>
      positionsOf(sheets, kind)
        .filter(({ code }) => {
          const finding = foundWith(here.findings[code])
          return finding?.measured != null && finding.sure && finding.ruled === ruled
        })
        .map(({ code }) => code),
    sediment: (kind) => here.sediment?.kinds.includes(kind) ?? false,
    screws: (way) => screwsFound(here, sheets, way),
    ethanol: state.opened?.ethanol ?? 0,
  }
  return STORIES.flatMap(({ code, tell }) => {
    const story = tell(told)
    return story ? [{ code, ...story }] : []
  })
}

const positionsOf = (sheets: Sheets, kind: PartKind) =>
  sheets.build.positions.filter((one) => one.kind === kind)

/** Mixture screws clearly leaner or richer than the sheet as found: in leans a fuel screw and enriches an air screw. */
export function screwsFound(here: BodyState, { spec }: Sheets, way: 'lean' | 'rich'): string[] {
  if (screwKindOf(spec) === null) return []
  return spec.settings
    .filter(({ code }) => code === 'mixture.turns')
    .filter((setting) => {
      const { code, place, lo, hi } = setting
      const inward = (mixtureKindOf(setting, spec) === 'fuel') === (way === 'lean')
      const found = here.asFound[`${code}/${place}`]
      if (!found || found.countedTo === 'free') return false
      return inward ? lo !== null && found.value <= lo - CLEARLY : hi !== null && found.value >= hi + CLEARLY
    })
    .map(({ code, place }) => `${code}/${place}`)
}
