import { partsTable, type Position } from '../../sheets/index.ts'

/** How a part is washed, or why it stays out of every bath. */
export interface Wash {
  bath: 'warm' | 'none'
  /** zinc, magnesium and aluminium want a neutral fluid */
  fluid: 'neutral' | 'alkaline'
  mostC: number
  /** minutes that each face takes, turned so that each looks up once */
  minutesAFace: number
  faces: number
  why: string
}

interface Stuff {
  is: RegExp
  fluid: Wash['fluid']
  mostC: number
  minutes: number
  why: string
}

/** The shop's table of materials, the strictest first. */
const METALS: readonly Stuff[] = [
  {
    is: /zinc|alumini?um|magnesium/i,
    fluid: 'neutral',
    mostC: 50,
    minutes: 12,
    why: 'zinc and aluminium want it, rinsed and dried at once',
  },
  {
    is: /brass|copper|bronze/i,
    fluid: 'neutral',
    mostC: 60,
    minutes: 8,
    why: 'brass tarnishes in anything sharper',
  },
  { is: /steel|iron/i, fluid: 'alkaline', mostC: 65, minutes: 6, why: 'steel stands it, dried at once' },
]
const NEVER = /rubber|plastic|foam|fibre|paper|cork|leather|synthetic|soft|lead/i

/** The wash that a part may have, by what it is and what it is made of. What nobody knows the material of is cleaned by hand. */
export function washOf({ kind, material }: Pick<Position, 'kind' | 'material'>): Wash {
  const none = (why: string): Wash => ({
    bath: 'none',
    fluid: 'neutral',
    mostC: 0,
    minutesAFace: 0,
    faces: 0,
    why,
  })
  const { byHand, faces = 1 } = partsTable[kind].wash
  if (byHand) return none(byHand)
  if (NEVER.test(material)) return none(`${material}: it stays out of fluid and heat`)
  const metal = METALS.find(({ is }) => is.test(material))
  if (!metal) return none(`nobody says what it is made of: by hand`)
  return {
    bath: 'warm',
    fluid: metal.fluid,
    mostC: metal.mostC,
    minutesAFace: metal.minutes,
    faces,
    why: metal.why,
  }
}

/** What several parts can stand together: the strictest of each. Undefined for none. */
export function together(washes: readonly Wash[]): Wash | undefined {
  if (washes.length === 0) return undefined
  const strictest = washes.reduce((a, b) => (b.mostC < a.mostC ? b : a))
  return {
    bath: 'warm',
    fluid: washes.some(({ fluid }) => fluid === 'neutral') ? 'neutral' : 'alkaline',
    mostC: Math.min(...washes.map(({ mostC }) => mostC)),
    minutesAFace: Math.max(...washes.map(({ minutesAFace }) => minutesAFace)),
    faces: Math.max(...washes.map(({ faces }) => faces)),
    why: strictest.why,
  }
}

/** Room that a part takes in a tank, litres: castings hang apart, small parts share a basket. */
export const litresOf = (kind: Position['kind']): number => partsTable[kind].wash.litres ?? SMALL_LITRES
const SMALL_LITRES = 0.15

/** Minutes of hand work that a bath saves on a part. */
export const handMinutes = (kind: Position['kind']): number =>
  partsTable[kind].wash.handMinutes ?? SMALL_HAND_MINUTES
const SMALL_HAND_MINUTES = 3
