import { type End, sedimentOf, bodyOf, portWords, type JobState, complaintWords } from '../../log/index.ts'
import { jointOf, torqueWords } from '../../judge/assembly/index.ts'
import { foundWith } from '../../judge/findings/index.ts'
import { workingConditions, fuelAtWork } from '../../sheets/conditions/index.ts'
import { neverCapped, portsOf } from '../../unit/families/index.ts'
import { figure } from '../../measure/index.ts'
import { flowWords } from '../../physics/mixture/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { amendedLines } from './amended.ts'
import { jettedLines } from './jetted.ts'
import { screwFlowOf, screwKindOf, type Sheets } from '../../sheets/index.ts'
import { found } from './found.ts'
import { untilFitted } from './proved.ts'
import { capital, lower } from '../../base/words/index.ts'

export interface StartUpCard {
  /** what comes before anyone cranks; null where nothing says so */
  danger: string | null
  lines: string[]
}

/** Of a unit that ended otherwise there is nothing to start: what its card says instead. */
export const notToBeFitted = (why: End): StartUpCard => ({
  danger: why === 'exchanged' ? null : 'Do not fit it, and do not use its castings on another unit.',
  lines: [
    'Drained and dried, but it can still smell of fuel. Keep flames away.',
    'If fuel got past the seat it may be in the engine: check oil and cylinders before anyone cranks.',
    'An old gasket may contain asbestos: wet it, never scrape it dry.',
  ],
})

/** What the way it is installed asks of whoever fits it. */
function installed(opened: NonNullable<JobState['opened']>): string[] {
  return [
    ...(opened.marine
      ? ['Marine: approved flame arrestor and parts only, no fuel into the bilge, pump overflow connected.']
      : []),
    ...(opened.boosted
      ? [
          'Boosted intake: bowl vent and fuel pressure must follow boost pressure. Check both before loading the engine.',
        ]
      : []),
    ...(opened.tiltDeg
      ? [`Installed at ${opened.tiltDeg} degrees: level and wet tests were made at that tilt.`]
      : []),
  ]
}

const listed = (names: readonly string[]) => [...new Set(names)].join(' and ')

/** Which seals were found broken, and by whom as far as anyone says. */
function sealsBroken(state: JobState, bodyNumber: number): string {
  const broken = Object.values(bodyOf(state, bodyNumber).seals).filter((one) => one.state === 'broken')
  if (broken.length === 0) return ''
  const whom = broken.find((one) => one.whom)?.whom
  return `, found broken${whom ? ` (${whom})` : ''}`
}

/** What each port is joined to, as its list has it: a cap forgotten is a vacuum leak. */
function portLines(state: JobState, sheets: Sheets, bodyNumber: number): string[] {
  const ports = portsOf(sheets)
  const here = bodyOf(state, bodyNumber)
  const said = ports.flatMap((port) => {
    const left = here.ports[port.code]?.left
    const name = `${port.name.toLowerCase()} (${figure(port.boreMm)} mm)`
    if (!left) return []
    return [
      left.state === 'joined'
        ? `${name} to ${left.to}`
        : left.state === 'sync'
          ? `${name} open until synchronized, then cap it`
          : `${name} ${portWords(left)}`,
    ]
  })
  const open = [...new Set(ports.filter(neverCapped).map(({ name }) => lower(name)))]
  const breathes = open.length ? [`Never cap the ${listed(open)}.`] : []
  return said.length > 0
    ? [`Ports: ${said.join('; ')}.`, ...breathes]
    : ports.length > 0
      ? [...breathes, 'Cap or connect every other port.']
      : []
}

/** What was left slack on purpose: whoever fits it finishes it. */
const leftForTheEngine = (state: JobState, sheets: Sheets, bodyNumber: number): string[] =>
  sheets.build.positions.flatMap((position) =>
    (jointOf(state, position, bodyNumber)?.forEngine ?? []).map(
      (why) =>
        `Finish on the engine: ${lower(position.name)} left loose (${why}). Tighten it there: ${torqueWords(position.fastener?.torqueNm)}.`,
    ),
  )

/** Words of a customer that say fuel went where it should not, whatever the symptom is called. */
const FUEL_WENT_ON =
  /flood|overflow|hydro|drip|(?<!air |vacuum )leak|(fuel|gas|petrol).*(oil|sump|crankcase)|oil.*(fuel|gas|petrol)|wet plug/i

/** Why fuel can have passed the seat of this body: by the complaint, the tests, findings or the level that it came with; empty where nothing says so. */
function passedTheSeat(state: JobState, sheets: Sheets, bodyNumber: number): string {
  const { complaint } = state.opened!
  const here = bodyOf(state, bodyNumber)
  if (complaint.symptom === 'flooding' || complaint.symptom === 'leak' || FUEL_WENT_ON.test(complaint.words))
    return `it came in with “${complaintWords(complaint)}”`
  if (here.tests.inlet?.result === 'bad') return 'its inlet leaked as received'
  const proved = here.proven.inlet ?? []
  if (proved.some(({ measured }) => measured.what === 'hold' && measured.high > measured.limit))
    return 'its inlet leaked on the bench here'
  const wet = sheets.build.positions.find(({ code, kind }) => {
    const said = here.findings[code]?.said ?? []
    return (
      (kind === 'needle' || kind === 'seat' || kind === 'float') && said.some((one) => one.ruled !== 'reuse')
    )
  })
  if (wet)
    return `${wet.name.toLowerCase()}: ${found(foundWith(here.findings[wet.code])!, wet).replace(/\.$/, '')}`
  const height = here.asFound['float.height/none']
  if (sheets.spec.taught) return ''
  if (!height) return ''
  const at = fuelAtWork(
    sheets.spec,
    height.value,
    null,
    workingConditions(state.opened ?? undefined, sheets.spec),
  )
  return !isRefusal(at) && (!at.level.holds || at.level.belowFace < sheets.spec.level.lo)
    ? 'its float stood too high as found'
    : ''
}

/**
 * The start-up card. Where fuel can have passed the seat the first thing is fuel in cylinders and sump: nobody cranks before that is
 * looked at. A line stands only where this unit has the thing that it speaks of.
 */
export function startUpCard(state: JobState, sheets: Sheets, bodyNumber = 1): StartUpCard {
  const { spec, build } = sheets
  const opened = state.opened!
  const passed = passedTheSeat(state, sheets, bodyNumber)
  const conditions = workingConditions(opened, spec)
  // Whoever gave a head of fuel has a tank above it; whoever gave a pressure has a pump.
  const pumped = opened.headMm == null && (opened.pressureKpa != null || spec.supply.feed === 'pump')
  const pressure = `${figure(conditions.pressureKpa)} kPa${opened.pressureKpa == null && opened.headMm == null ? ' (the sheet’s, not measured)' : ''}${spec.taught ? '' : `, ${figure(spec.supply.mostKpa)} at most`}`
  const over =
    !spec.taught && conditions.pressureKpa > spec.supply.mostKpa ? ' Too much: fit a regulator first.' : ''
  const screw = screwKindOf(spec)
  const choke = build.positions.some(({ code, name }) => /choke/i.test(`${code} ${name}`))
  const mixture = spec.settings.filter((setting) => setting.code === 'mixture.turns')
  const screws = mixture.length
  // A sealed one is for whoever may turn it.
  const may = mixture.some(({ sealed }) => sealed) ? 'By a licensed person: ' : ''
  return {
    danger: passed
      ? `Before anyone cranks: fuel may have passed the seat (${passed}). Plugs out, check for fuel in the cylinders; check oil smell and level.`
      : null,
    lines: [
      spec.taught && opened.pressureKpa == null && opened.headMm == null
        ? 'Fuel pressure by the engine manual: the limit of this unit is not known. New filter, tank without water or dirt.'
        : pumped
          ? `Fuel by pump, ${pressure}.${over} New filter, tank without water or dirt.`
          : `Fuel by gravity, ${pressure}.${over} Tap and screen clean, tank without water or dirt, hose falling all the way.`,
      ...amendedLines(state, bodyNumber),
      ...jettedLines(state, sheets, bodyNumber),
      ...(bodyOf(state, bodyNumber).sediment?.kinds ?? []).map((code) => sedimentOf(code)!.card),
      ...(spec.settings.some(({ sealed }) => sealed)
        ? [
            `Its ${listed(spec.settings.filter(({ sealed }) => sealed).map(({ name }) => name.toLowerCase()))} was sealed${sealsBroken(state, bodyNumber)}: local law decides who may adjust it; leave it to a licensed shop.`,
          ]
        : []),
      ...untilFitted(state, sheets, bodyNumber).map(
        ({ name, why }) => `Not tested here: ${lower(name)} (${why}). Check it before you leave it running.`,
      ),
      ...leftForTheEngine(state, sheets, bodyNumber),
      'Fill the dry bowl first, through the vent with a squeeze bottle. No open funnel, no flame.',
      choke
        ? 'Throttle snaps shut from wide open, choke on and choke off, cable on.'
        : 'Throttle snaps shut from wide open, cable on.',
      ...portLines(state, sheets, bodyNumber),
      ...(screws
        ? [
            'Warm it through, then mixture.',
            screw === null
              ? 'Not recorded which way is leaner: turn an eighth at a time and listen.'
              : screw === 'fuel'
                ? capital(
                    `${may}${screws > 1 ? 'each' : 'the'} screw in until it falters, then out a quarter turn. In is leaner on this one.`,
                  )
                : capital(
                    `${may}${screws > 1 ? 'each' : 'the'} screw out until it falters, then in a quarter turn. In is richer on this one.`,
                  ),
          ]
        : ['Warm it through.']),
      ...spec.settings.flatMap((setting) => {
        const flow = setting.code === 'screw.turns' ? screwFlowOf(setting, spec) : null
        return flow ? [`${setting.name}: ${flowWords[flow].toLowerCase()}`] : []
      }),
      spec.taught
        ? 'Idle speed by the engine manual.'
        : spec.engine.idleInGearRpm
          ? `Idle ${spec.engine.idleInGearRpm} in gear, ${spec.engine.idleRpm} out of gear.`
          : `Idle ${spec.engine.idleRpm}.`,
      'Blip: a stumble on opening is usually lean, with black smoke or black plugs rich; a hang after release is lean or an air leak; a sag below idle is rich.',
      'Engine tests: outdoors because of exhaust gas, clear of moving parts, face away from the open intake.',
      ...installed(opened),
    ],
  }
}
