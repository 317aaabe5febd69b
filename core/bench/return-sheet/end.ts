import { explode, type Line, type Pt } from '../../unit/drawing/index.ts'
import { unitDrawing } from '../../unit/families/index.ts'
import { conditionOf, type Sheets } from '../../sheets/index.ts'
import { claimsOf } from '../../claims/index.ts'
import { endWords, bodyOf, type JobState, type Ended, type FindingData } from '../../log/index.ts'
import { lower } from '../../base/words/index.ts'

type Point = [number, number]

/** How a unit ended that does not go back repaired, as its paper tells it: what was found and where, why it is the end, what was not done. */
export interface EndOfUnit {
  title: string
  word: string
  rests: string
  /** what was found, worst first; empty where nothing was */
  found: { part: string; what: string; sentence: string; by: string }[]
  /** who looked a second time; null where nobody did */
  second: string | null
  /** why it is the end, one thing after the other; empty where the customer or the shop ended it */
  chain: string[]
  notDone: string[]
  /** what whoever gets it back can do */
  can: string[]
  /** the unit in section, mm, y upwards, and where the worst was found */
  picture: { outlines: Point[][]; at: Point | null; radius: number }
}

/** What a condition that condemns does next, one thing after the other, by its code. */
const CHAINS: Readonly<Record<string, readonly string[]>> = {
  postCracked: [
    'The float hangs on this post, and engine vibration opens the crack until it breaks.',
    'The needle stays open: the float drops, and nothing shuts the fuel off.',
    'Fuel runs out, over a hot engine or into its oil. It can burn.',
  ],
  cracked: [
    'The crack opens as the casting warms.',
    'Fuel gets past it, where no gasket seals.',
    'It runs over a hot engine. It can burn.',
  ],
  strippedJet: [
    'The jet or seat is held by no thread.',
    'It works loose, and fuel goes past it.',
    'An insert would break into the passage beside it.',
  ],
  drilledPassage: [
    'The passage flows too much.',
    'No jet or screw makes up for it over the whole opening.',
    'Its size cannot be restored.',
  ],
}

const TITLES: Readonly<Partial<Record<Ended['why'], string>>> = {
  condemned: 'Handed back, condemned',
  'parts core': 'Kept as a parts core',
  'stopped by the customer': 'Handed back, stopped',
  exchanged: 'Exchanged',
  'broken here': 'Handed back, broken here',
}

const harsh = ({ ruled, disposition }: FindingData): number =>
  ruled === 'condemn' || disposition === 'condemn'
    ? 2
    : ruled === 'replace' || disposition === 'replace'
      ? 1
      : 0

/** A body's end, for screen and paper alike. */
export function endOfUnit(state: JobState, sheets: Sheets, body: number, ended: Ended): EndOfUnit {
  const here = bodyOf(state, body)
  const end = ended.why === 'withdrawn' ? endWords['stopped by the customer'] : endWords[ended.why]
  const adverse = sheets.build.positions
    .flatMap((position) => {
      const finding = here.findings[position.code]?.said.findLast((one) => harsh(one) > 0)
      const fresh = here.on[position.code] !== undefined && here.on[position.code]!.from !== 'old'
      return finding && !fresh ? [{ position, finding }] : []
    })
    .sort((a, b) => harsh(b.finding) - harsh(a.finding))
  const worst = adverse[0]
  const condemned = ended.why === 'condemned' || ended.why === 'parts core'
  return {
    title: TITLES[ended.why] ?? 'Handed back, not repaired',
    word: end.word,
    rests: end.rests,
    found: adverse.slice(0, 6).map(({ position, finding }) => ({
      part: position.name,
      what: conditionOf(position.kind, finding.condition)?.label ?? finding.condition,
      sentence: finding.measured ? `${finding.raw}. ${finding.sentence}` : finding.sentence,
      by: finding.by,
    })),
    second: ended.second,
    chain: condemned && worst ? [...(CHAINS[worst.finding.condition] ?? [])] : [],
    notDone: notDone(state, sheets, body),
    can: canDo(ended.why, sheets.spec.listNumber),
    picture: pictureOf(sheets, worst?.position.code ?? null),
  }
}

/** What was not done of what a repair would have been, in the order of the work. */
function notDone(state: JobState, sheets: Sheets, body: number): string[] {
  const here = bodyOf(state, body)
  const claims = claimsOf(state, sheets, body)
  const renewed = Object.values(here.on).filter(({ from }) => from !== 'old').length
  const open = claims.filter(({ of, state: standing }) => of === 'part' && standing === 'open')
  const free = claims.filter(({ of, state: standing }) => of === 'passage' && standing === 'shown').length
  const read = Object.keys(here.readings).length
  const proven = Object.keys(here.proven).length
  return [
    ...(open.length ? [`${open.length === 1 ? 'One part' : `${open.length} parts`} not checked`] : []),
    ...(free === 0 ? ['No passage shown clear'] : []),
    renewed === 0
      ? 'No gasket, needle or kit fitted'
      : `${renewed} new ${renewed === 1 ? 'part' : 'parts'} fitted, nothing else`,
    read === 0
      ? 'No setting made, nothing adjusted'
      : `${read} ${read === 1 ? 'setting' : 'settings'} read, the others not`,
    proven === 0 ? 'Not tested on the bench' : 'Not tested to its end',
  ]
}

function canDo(why: Ended['why'], listNumber: string): string[] {
  switch (why) {
    case 'condemned':
      return [
        `Another ${listNumber}, complete or casting only: sound parts of this one can be used in it.`,
        'Leave it here for parts: the parts kept are listed.',
        'Take everything home as is.',
      ]
    case 'parts core':
      return ['Ask for parts back while they are kept.']
    case 'broken here':
      return ['It broke at our bench: ask what we offer for it.']
    case 'exchanged':
      return ['The other unit has its own sheet.']
    default:
      return ['Take everything home as is.', 'Have the work continued: the findings are above.']
  }
}

const RADIUS_MM = 9

/** The section's lines, and where on it the worst was found. */
function pictureOf(sheets: Sheets, code: string | null): EndOfUnit['picture'] {
  const drawing = unitDrawing(sheets)
  const { parts } = explode(drawing, sheets.build.positions, {})
  const pieces = [...drawing.fixed, ...parts.flatMap((part) => part.pieces)]
  const round = ([x, y]: Pt): Point => [Math.round(x * 10) / 10, Math.round(y * 10) / 10]
  const closed = (line: Line): Line => (line.length ? [...line, line[0]!] : line)
  const anchor = parts.find((part) => part.code === code && part.pieces.length > 0)?.anchor
  return {
    outlines: pieces.flatMap((piece) =>
      [piece.closed ? closed(piece.line) : piece.line, ...(piece.hollows ?? []).map(closed)].map((line) =>
        line.map(round),
      ),
    ),
    at: anchor ? round(anchor) : null,
    radius: RADIUS_MM,
  }
}

/** What was found, in one line. */
export const foundLine = ({ part, what }: EndOfUnit['found'][number]): string => `${part}: ${lower(what)}`
