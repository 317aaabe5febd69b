import * as v from 'valibot'
import { partKinds } from './parts/index.ts'
import type { FloatGeometry as Float } from '../physics/float/index.ts'
import { screwFlows } from '../physics/mixture/index.ts'

/** The sheets that a list number is worked to. Lengths mm, angles degrees, masses g, pressures kPa; y up as installed. */

const text = v.pipe(v.string(), v.minLength(1))
const point = v.tuple([v.number(), v.number()])
const polyline = v.pipe(v.array(point), v.minLength(2))
const positive = v.pipe(v.number(), v.gtValue(0))
const notNegative = v.pipe(v.number(), v.minValue(0))

export const places = ['none', 'P', 'S', 'L', 'R', '1', '2', '3', '4'] as const

/** Where a value of a setting comes from; 'none yet' where a taught unit has none. */
export const sources = [
  'factory sheet',
  'kit leaf',
  'shop',
  'as found',
  'from relatives',
  'from memory',
  'none yet',
] as const
export type SourceName = (typeof sources)[number]

/** A source as it is said; older sheets have the word that the log keeps. */
export const sourceWords = (source: string): string =>
  source === 'from relatives' ? 'similar units' : source === 'shop' ? 'the shop’s own' : source

export const SettingSpec = v.pipe(
  v.object({
    code: text,
    place: v.picklist(places),
    name: text,
    short: text,
    quantity: v.picklist(['length', 'gap', 'turns', 'notches', 'count']),
    unit: v.picklist(['mm', 'in']),
    asWritten: text,
    target: v.nullable(v.number()),
    lo: v.nullable(v.number()),
    hi: v.nullable(v.number()),
    datum: text,
    hold: text,
    held: v.picklist(['upright', 'inverted', 'side']),
    source: v.picklist(sources),
    ground: v.string(),
    /**
     * the positions that must be on and those that must be off while it is read; both empty where it is read from outside. From it
     * follow both moments, on the way down and on the way up.
     */
    when: v.optional(v.object({ on: v.array(text), off: v.array(text) })),
    /** sheets of before: 'outside', or the position whose leaving exposes it */
    asFoundAt: v.optional(text),
    /** sealed by its maker: the seal is looked at, and local law says who may turn it */
    sealed: v.optional(v.boolean()),
    /** of an adjusting screw: what flows past its tip, where that is not what its code says */
    flows: v.optional(v.picklist(screwFlows)),
    /** whether the Set station sets it; otherwise it is only noted and put back */
    set: v.boolean(),
    /** what makes its reading larger, and what smaller, where no kind of setting says */
    more: v.optional(text),
    less: v.optional(text),
  }),
  v.check(
    (spec) => spec.lo === null || spec.hi === null || spec.lo <= spec.hi,
    'The lower limit lies above the upper one.',
  ),
)
export type SettingSpec = v.InferOutput<typeof SettingSpec>

export const FloatGeometry = v.object({
  hangsOn: v.optional(text),
  guided: v.optional(v.boolean()),
  sense: v.picklist([1, -1]),
  levelReading: v.number(),
  pinBelowFace: v.number(),
  measurePoint: v.object({ name: text, at: point }),
  tangArm: positive,
  tangAngle: v.number(),
  correction: v.picklist(['tang', 'washer', 'arm', 'none']),
  seatFrom: v.picklist(['bowl', 'outside']),
  washerStockMm: v.array(positive),
  washerMm: v.nullable(positive),
  dropStop: v.nullable(v.object({ arm: positive, words: text })),
  floatMass: positive,
  planArea: positive,
  depth: positive,
  buoyancyArm: positive,
  gravityArm: positive,
  undersideY: v.number(),
  needleMass: notNegative,
  needleAt: v.picklist(['above', 'side', 'below']),
  seatBore: positive,
  coneHalfAngle: positive,
}) satisfies v.GenericSchema<unknown, Float>
/** A float as the physics has it. */
export type FloatGeometry = Float

export const PumpGeometry = v.object({
  leverRadius: positive,
  leverAngle: v.number(),
  pivotX: v.number(),
  pivotY: v.number(),
  inputArm: positive,
  linkLength: positive,
  outputArm: positive,
  outputAngle: v.number(),
  elbow: v.picklist([1, -1]),
  idle: v.number(),
  wot: v.number(),
  wellBore: positive,
  /** stem height on the sheet = stem y from the throttle shaft − this */
  stemDatumY: v.number(),
  nozzleHoles: v.pipe(v.number(), v.integer(), v.minValue(1)),
  nozzleBore: positive,
  springKpa: positive,
})
export type PumpGeometry = v.InferOutput<typeof PumpGeometry>

export const ChokeGeometry = v.object({
  notchDegrees: positive,
  coilDegreesPerC: positive,
  shutC: v.number(),
  edgeRadius: positive,
  wallDistance: positive,
  linkArm: positive,
})
export type ChokeGeometry = v.InferOutput<typeof ChokeGeometry>

/** A list number's own float and needle, mm; castings, bowl and seat are its family's, which older sheets had here. */
const Section = v.object({
  /** in the float's own frame */
  float: polyline,
  arm: polyline,
  needle: polyline,
  /** from the arm to the needle, as it stands with the needle shut */
  tang: polyline,
  pin: point,
  /** y of the face that readings and levels start from */
  faceY: v.number(),
  anchors: v.record(v.string(), point),
  title: text,
})
type Section = v.InferOutput<typeof Section>

/** What the bench taught, and what it did not. */
const Taught = v.object({
  /** the family that drawing and usual positions are borrowed from, in words */
  family: text,
  /** facts (`core/taught/facts.ts`) and positions ('position:CODE') that nobody has seen on this unit */
  pencil: v.array(text),
  /** where parts sit that its family has no place for, mm on the family’s drawing, by position */
  at: v.optional(v.record(text, point), {}),
  /** reading over bend at the tang: k with its σ as a share, and the tries that it rests on; null where which way is not known */
  ratio: v.nullable(
    v.object({
      k: positive,
      relSigma: positive,
      tries: v.pipe(v.number(), v.integer(), v.minValue(0)),
      arms: v.boolean(),
    }),
  ),
  /** σ of the fuel level in use, mm, from those of its dimensions; null while they are not all known */
  levelSigma: v.nullable(positive),
})

export const SpecSheet = v.object({
  listNumber: text,
  model: text,
  modelName: text,
  maker: text,
  draft: v.picklist(['down', 'up', 'side']),
  barrels: v.pipe(v.number(), v.integer()),
  mixture: v.object({
    kind: v.picklist(['fuel', 'air']),
    /** most turns that thread and taper allow, eighths */
    mostEighths: v.pipe(v.number(), v.integer()),
    /** turns from seated until it falls free, eighths, where somebody counted them */
    freeEighths: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1))),
  }),
  settings: v.array(SettingSpec),
  calibration: v.array(
    v.object({
      code: text,
      name: text,
      place: v.picklist(places),
      mm: v.nullable(positive),
      words: v.string(),
    }),
  ),
  /** what meters the fuel besides bores; missing where nobody measured it */
  metering: v.optional(
    v.object({
      /** of a slide unit: [lift, diameter] rising, by the sheet's groove; how far a groove moves it; the slide's whole lift */
      needle: v.optional(
        v.object({
          profile: polyline,
          grooveMm: positive,
          grooves: v.pipe(v.number(), v.integer(), v.minValue(1)),
          liftMm: positive,
        }),
      ),
      /** the manifold vacuum to which it must fall before the power circuit opens */
      powerOpensKpa: v.optional(positive),
    }),
  ),
  /** how its maker numbers his jets; missing where nobody knows */
  jetNumbers: v.optional(
    v.variant('by', [
      v.object({ by: v.literal('hundredths') }),
      v.object({
        by: v.literal('flow'),
        table: v.pipe(
          v.array(v.tuple([positive, positive])),
          v.minLength(2),
          v.check(
            (rows) => rows.every(([n, mm], i) => i === 0 || (n > rows[i - 1]![0] && mm > rows[i - 1]![1])),
            'The numbers and their bores must both rise.',
          ),
        ),
      }),
    ]),
  ),
  float: FloatGeometry,
  pump: v.nullable(PumpGeometry),
  choke: v.nullable(ChokeGeometry),
  section: Section,
  /** fuel below the face in use at the sheet's pressure */
  level: v.object({ target: v.number(), lo: v.number(), hi: v.number() }),
  supply: v.object({ feed: v.picklist(['pump', 'gravity']), pressureKpa: notNegative, mostKpa: notNegative }),
  engine: v.object({
    displacementL: positive,
    powerKw: positive,
    bsfc: positive,
    idleRpm: positive,
    idleInGearRpm: v.nullable(positive),
  }),
  supersedes: v.array(text),
  /** of a unit that the bench taught: what of these sheets is only borrowed from its family, and is not to be believed */
  taught: v.optional(Taught),
  /** how it is proved where that is not as the house does: its own limits, what is not asked of it, what else is */
  proofs: v.optional(
    v.object({
      limits: v.optional(
        v.partial(
          v.object({
            inletMlMin: positive,
            inletKpa: positive,
            vacuumKpa: positive,
            vacuumLossKpa: positive,
            coilSeconds: positive,
            alikeMm: positive,
            syncMbar: positive,
            lipMm: v.number(),
          }),
        ),
      ),
      without: v.optional(v.array(text)),
      more: v.optional(
        v.array(v.object({ code: text, name: text, wants: text, hold: text, rests: v.array(text) })),
      ),
    }),
  ),
  /** where parts sit that its family’s drawing has no place for, mm */
  placed: v.optional(v.record(v.string(), point)),
  /** its ports where they are not the usual ones of its family: their codes, names and bores */
  ports: v.optional(v.array(v.object({ code: text, name: text, boreMm: positive }))),
})
export type SpecSheet = v.InferOutput<typeof SpecSheet>

export const Deciding = v.variant('what', [
  v.object({ what: v.literal('mass') }),
  /** `instead`: the sheet's own where a job has chosen another size */
  v.object({ what: v.literal('bore'), newMm: positive, instead: v.optional(positive) }),
  v.object({
    what: v.literal('play'),
    shaftMm: positive,
    bossMm: positive,
    bosses: v.pipe(v.number(), v.integer(), v.minValue(1)),
  }),
  v.object({ what: v.literal('warp'), gasketMm: positive }),
  /** a metering needle or rod in a jet of this bore */
  v.object({
    what: v.literal('step'),
    jetMm: positive,
    newMm: positive,
    /** the sheet's own where a job has chosen another */
    instead: v.optional(positive),
    /** the calibration (`code/place`) that says which bore the jet has in each list number */
    jet: v.optional(text),
  }),
  /** a spring's force at a length */
  v.object({ what: v.literal('force'), newN: positive, atMm: positive }),
  /** a seal over its face */
  v.object({ what: v.literal('proud'), newMm: positive, leastMm: positive }),
  /** the light round a plate that is held shut: how far it may lie off its bore's centre */
  v.object({ what: v.literal('light'), allowMm: positive }),
  /** a valve that opens as the vacuum falls to so much, kPa */
  v.object({ what: v.literal('opens'), kpa: positive, giveKpa: positive }),
  /** a coil or heater, cold */
  v.object({ what: v.literal('ohms'), lo: positive, hi: positive }),
])
export type Deciding = v.InferOutput<typeof Deciding>

export const Position = v.object({
  code: text,
  name: text,
  kind: v.picklist(partKinds),
  part: v.nullable(text),
  quantity: v.pipe(v.number(), v.integer(), v.minValue(1)),
  material: text,
  circuit: v.picklist(['fuel', 'air', 'vacuum', 'none']),
  /** height of its layer in the stack, 0 at the bottom */
  layer: v.pipe(v.number(), v.integer()),
  group: text,
  tray: text,
  step: text,
  underneath: v.string(),
  cautions: v.array(text),
  /** replaced as routine */
  always: v.boolean(),
  /** ethanol share above which this material is not kept; null where it does not matter */
  ethanolLimit: v.nullable(v.number()),
  /** the same part in a material that carries more ethanol, where one is made */
  ethanolPart: v.optional(v.nullable(v.object({ part: text, limit: v.number() }))),
  deciding: v.nullable(Deciding),
  /** sheets of before: what can be read once this part is off; now each setting says when */
  exposes: v.optional(v.array(text)),
  /** cautions while it goes on; those of taking it off are `cautions` */
  onCautions: v.optional(v.array(text)),
  /** its screws one by one: thread, length by hole (one for all, or one each), torque; holes are numbered clockwise from the inlet */
  fastener: v.optional(
    v.object({
      thread: text,
      lengthsMm: v.pipe(v.array(positive), v.minLength(1)),
      torqueNm: v.nullable(positive),
      /** how far the heads stand proud while the screws lie loosely in their own holes */
      proudMm: v.optional(v.nullable(positive)),
    }),
  ),
  /** how it lies, one of its kind's ways; missing where its sheet does not say */
  wayRound: v.optional(text),
  /** what holds or seals it, and what that must not touch; missing where it is as its kind's */
  aid: v.optional(text),
  stays: v.boolean(),
  /** the check that proves it when it goes back on */
  proof: v.string(),
})
export type Position = v.InferOutput<typeof Position>

export const BuildSheet = v.object({
  listNumber: text,
  trays: v.array(v.object({ code: text, name: text })),
  positions: v.pipe(v.array(Position), v.minLength(1)),
})
export type BuildSheet = v.InferOutput<typeof BuildSheet>

/** The sheets that a body was identified to, by their immutable revisions. */
export interface Sheets {
  specRev: string
  buildRev: string
  spec: SpecSheet
  build: BuildSheet
}

/** What a calibration is called by; one that comes out has its position's code. */
export const calibrationKey = ({ code, place }: { code: string; place: string }): string =>
  place === 'none' ? code : `${code}/${place}`

/** A position's, a setting's or a calibration's name on its sheet; the code itself where the sheet has none. */
export const nameOn = (sheets: Pick<Sheets, 'spec' | 'build'> | undefined, code: string): string =>
  sheets?.build.positions.find((position) => position.code === code)?.name ??
  sheets?.spec.settings.find((setting) => settingKey(setting) === code)?.name ??
  sheets?.spec.calibration.find((one) => calibrationKey(one) === code)?.name ??
  code

export const settingKey = (setting: { code: string; place: string }): string =>
  `${setting.code}/${setting.place}`
