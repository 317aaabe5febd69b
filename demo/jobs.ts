import {
  addDays,
  conditionsFor,
  draftAsFound,
  draftFinding,
  draftOrder,
  draftReading,
  settingContext,
} from '@ekrond/core/drafts'
import { teardownOrder } from '@ekrond/core/build'
import { conditionsOf } from '@ekrond/core/findings'
import {
  bodyOf,
  emptyJob,
  jobNeeds,
  step,
  type DataOf,
  type JobState,
  type UnsentEntry,
} from '@ekrond/core/job'
import { cheapestCover, type Market } from '@ekrond/core/kits'
import { showTurns, type Gauge } from '@ekrond/core/measure'
import { isRefusal, type Result } from '@ekrond/core/refusal'
import { settingKey, type Sheets } from '@ekrond/core/sheets'
import { createHash } from 'node:crypto'

export interface DemoWorld {
  now: Date
  gauges: Gauge[]
  market: Market
  sheetsOf(listNumber: string): Promise<Sheets>
}

/** The demo shop's jobs as scripts of entries, dated from now, each to be appended through `admit`. */
export async function demoJobs(world: DemoWorld): Promise<{ job: string; entries: UnsentEntry[] }[]> {
  const scripts: ((w: Writer) => void | Promise<void>)[] = [
    ferry,
    kiln,
    orchard,
    trolley,
    liftTruck,
    frostFan,
  ]
  const jobs = []
  for (const script of scripts) {
    const writer = openWriter(world, script.name)
    await script(writer)
    jobs.push({ job: writer.job, entries: writer.entries })
  }
  return jobs
}

type Writer = ReturnType<typeof openWriter>

const must = <T>(result: Result<T>): T => {
  if (isRefusal(result)) throw new Error(`the demo's script does what cannot be: ${result.refused.why}`)
  return result
}

/** A uuid that is the same each time for the same name. */
function steadyUuid(name: string): string {
  const hex = createHash('sha256').update(`ekrond demo ${name}`).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}

function openWriter(world: DemoWorld, name: string) {
  const job = steadyUuid(name)
  const entries: UnsentEntry[] = []
  let state: JobState = emptyJob(job)
  let sheets: Sheets | undefined
  let at = new Date(world.now.getTime() - 3 * 86_400_000)
  let by = 'I. Marrow'
  const today = world.now.toISOString().slice(0, 10)
  const gauge = (kind: Gauge['kind']) => world.gauges.find((g) => g.kind === kind)!

  const add = <K extends keyof DataOf>(kind: K, data: DataOf[K]) => {
    at = new Date(at.getTime() + 70_000)
    const entry: UnsentEntry = {
      id: steadyUuid(`${name} ${entries.length}`),
      job,
      kind,
      v: 1,
      body: 1,
      data,
      by,
      at: at.toISOString(),
    }
    entries.push(entry)
    state = step(state, { ...entry, seq: entries.length, receivedAt: entry.at })
    return entry.id
  }
  const here = () => sheets!
  const setting = (key: string) => here().spec.settings.find((s) => settingKey(s) === key)!
  const position = (code: string) => here().build.positions.find((p) => p.code === code)!

  const writer = {
    job,
    entries,
    state: () => state,
    from(daysAgo: number, hands = 'I. Marrow') {
      at = new Date(world.now.getTime() - daysAgo * 86_400_000)
      by = hands
    },
    add,
    receive(
      opened: Partial<DataOf['job.opened']> &
        Pick<DataOf['job.opened'], 'customer' | 'engine' | 'equipment' | 'complaint'>,
      promisedIn: number,
    ) {
      add('job.opened', {
        aircraft: false,
        ethanol: null,
        pressureKpa: null,
        headMm: null,
        altitudeM: null,
        promise: addDays(today, promisedIn),
        ...opened,
      })
    },
    async identify(listNumber: string, p: number) {
      sheets = await world.sheetsOf(listNumber)
      add('ident.chosen', {
        listNumber,
        specRev: sheets.specRev,
        buildRev: sheets.buildRev,
        p,
        runnerUp: null,
      })
    },
    found(key: string, raw: string) {
      add(
        'asfound.noted',
        must(draftAsFound(setting(key), raw, key.startsWith('mixture') ? 'seat' : null, here(), state)).data,
      )
    },
    off(code: string, condition?: string, raw = '', kind: Gauge['kind'] = 'pins') {
      const p = position(code)
      if (!p.stays) add('part.off', { position: code, tray: p.tray })
      const first = conditionsOf[p.kind][0]!.code
      add(
        'finding.judged',
        must(draftFinding(p, condition ?? first, raw, gauge(kind), here(), conditionsFor(state, here())))
          .data,
      )
    },
    /** takes the rest off in order, sound, with good measurements */
    stripTheRest(except: readonly string[] = []) {
      for (const p of teardownOrder(here().build)) {
        if (bodyOf(state).off[p.code] || except.includes(p.code)) continue
        const [raw, kind] = goodMeasurement(p.code, here())
        writer.off(p.code, undefined, raw, kind)
      }
    },
    order() {
      const needs = jobNeeds(state, here())
        .filter((need) => need.standing === 'open')
        .map((need) => ({ id: need.position, accepts: [need.part], quantity: need.quantity }))
      return add(
        'order.placed',
        draftOrder(must(cheapestCover(needs, world.market)), world.market, at.toISOString().slice(0, 10)),
      )
    },
    buildAll() {
      const needed = new Set(jobNeeds(state, here()).map((need) => need.position))
      for (const p of teardownOrder(here().build).reverse())
        if (bodyOf(state).off[p.code])
          add('part.on', {
            position: p.code,
            from: needed.has(p.code) ? 'kit' : 'old',
            part: needed.has(p.code) ? p.part : null,
          })
    },
    read(key: string, raw: string, kind: Gauge['kind'] = 'caliper') {
      add(
        'reading.taken',
        must(draftReading(setting(key), raw, settingContext(state, here(), gauge(kind), world.gauges))).data,
      )
    },
    /** every setting on the middle of its band, as it would be typed */
    settingsOnTarget(): [string, string, Gauge['kind']][] {
      return here()
        .spec.settings.filter((s) => s.set)
        .map((s) => [
          settingKey(s),
          s.asWritten.startsWith('#')
            ? s.asWritten
            : s.quantity === 'turns'
              ? showTurns(s.target!)
              : String(s.target),
          s.quantity === 'gap' ? 'drills' : 'caliper',
        ])
    },
    pass: (point: string, why: string, second: string) => add('gate.passed', { point, why, second }),
  }
  return writer
}

function goodMeasurement(code: string, { build, spec }: Sheets): [string, Gauge['kind']] {
  const deciding = build.positions.find((p) => p.code === code)?.deciding
  if (!deciding) return ['', 'eye']
  if (deciding.what === 'mass') return [spec.float.floatMass.toFixed(1), 'scale']
  if (deciding.what === 'bore')
    return [`${(deciding.newMm - 0.005).toFixed(3)} ${(deciding.newMm + 0.005).toFixed(3)}`, 'pins']
  if (deciding.what === 'play') return ['0.04', 'indicator']
  return ['0.03', 'feeler']
}

/** At Set, the float tried twice: floods when hot, a worn seat and a soaked float. */
async function ferry(w: Writer) {
  w.from(2.95)
  w.receive(
    {
      customer: 'Osk chain ferry',
      engine: 'ferry main, 2.2 L',
      equipment: 'chain windlass',
      ethanol: 0.1,
      pressureKpa: 24,
      complaint: { symptom: 'flooding', band: 'idle', temperature: 'hot', words: 'Floods when hot' },
    },
    1,
  )
  w.add('mark.read', { place: 'plate', text: 'K-4?[17]7-2S', maker: 'Orvane' })
  w.add('feature.seen', { feature: 'throttleBoreMm', raw: '31.0', value: 31, sigma: 0.1 })
  w.add('feature.seen', { feature: 'flangeBoltSpacingMm', raw: '74', value: 74, sigma: 0.5 })
  await w.identify('K-4417-2S', 0.94)
  w.found('mixture.turns/R', '3/4')
  w.found('mixture.turns/L', '5/8')
  w.found('idle.screw/none', '2 1/4')
  w.found('choke.index/none', 'index')
  w.found('pump.hole/none', '1')
  w.found('vacuumBreak.gap/none', '#38')
  for (const code of [
    'choke.coil',
    'pump.link',
    'choke.rod',
    'inlet.fitting',
    'inlet.screen',
    'cover.screws',
  ])
    w.off(code)
  w.off('cover', 'sound', '0.04', 'feeler')
  w.found('float.height/none', '12.4')
  w.found('float.drop/none', '26')
  w.found('pump.stem/none', '8.7')
  w.off('cover.gasket')
  w.off('float.pin')
  w.off('float', 'sound', '11.1', 'scale')
  w.off('needle', 'grooved')
  w.off('seat', 'ringed', '2.52 2.55')
  w.off('pump.cup', 'swollen')
  w.stripTheRest()
  w.off('throttle.shaft', 'sound', '0.06', 'indicator')
  w.off('body', 'sound', '0.05', 'feeler')
  const order = w.order()
  w.from(0.06)
  w.add('order.arrived', { order })
  w.buildAll()
  w.read('float.height/none', '11.8')
  w.read('float.height/none', '14.6')
}

/** Just arrived, its plate painted over: nothing read yet. */
function kiln(w: Writer) {
  w.from(0.08, 'R. Oda')
  w.receive(
    {
      customer: 'Brake Hill hop kiln',
      engine: 'blower, 0.24 L',
      equipment: 'kiln blower',
      complaint: {
        symptom: 'hard start',
        band: 'everywhere',
        temperature: 'cold',
        words: 'Plate painted over, starts badly in the damp',
      },
    },
    4,
  )
}

/** As found half noted. */
async function orchard(w: Writer) {
  w.from(0.95, 'O. Dell')
  w.receive(
    {
      customer: 'Lower orchard co-operative',
      engine: 'spray rig, 0.3 L',
      equipment: 'spray rig 3',
      headMm: 300,
      complaint: { symptom: 'hunting', band: 'middle', temperature: 'hot', words: 'Hunts under load' },
    },
    3,
  )
  w.add('mark.read', { place: 'body', text: 'U7?2B', maker: 'Besk' })
  w.add('feature.seen', { feature: 'throttleBoreMm', raw: '17.0', value: 17, sigma: 0.1 })
  await w.identify('U712B', 0.88)
  w.found('mixture.turns/none', '2 3/4')
}

/** A slide carburetor half apart. */
async function trolley(w: Writer) {
  w.from(1.05, 'O. Dell')
  w.receive(
    {
      customer: 'Weir Road tramway',
      engine: 'trolley twin, 0.36 L',
      equipment: 'inspection trolley',
      ethanol: 0.05,
      headMm: 400,
      complaint: {
        symptom: 'hanging idle',
        band: 'just off idle',
        temperature: 'hot',
        words: 'Hangs on after the lever is shut',
      },
    },
    2,
  )
  w.add('mark.read', { place: 'body', text: 'S26-14F', maker: 'Quillard' })
  await w.identify('S26-14F', 0.97)
  w.found('mixture.turns/none', '3/8')
  w.found('idle.screw/none', '2')
  w.off('cap')
  w.off('slide', 'sticks')
  w.found('needle.clip/none', '2')
  w.off('main.needle')
  w.off('bowl.screws')
  w.off('bowl', 'sound', '0.05', 'feeler')
  w.found('float.height/none', '22.1')
}

/** Waits for parts that come too late for its promise. */
async function liftTruck(w: Writer) {
  w.from(3, 'R. Oda')
  w.receive(
    {
      customer: 'Osk cannery',
      engine: 'lift truck, 2.0 L',
      equipment: 'lift truck 9',
      ethanol: 0.1,
      pressureKpa: 20,
      complaint: {
        symptom: 'bog on opening',
        band: 'just off idle',
        temperature: 'both',
        words: 'Falls on its face when it is opened',
      },
    },
    0,
  )
  w.add('mark.read', { place: 'plate', text: 'K-4431-1', maker: 'Orvane' })
  await w.identify('K-4431-1', 0.99)
  w.add('teardown.unlocked', { why: 'came in a box, in parts' })
  w.off('float', 'dented', '', 'scale')
  w.off('pump.cup', 'cupTorn')
  w.stripTheRest()
  w.from(0.03, 'R. Oda')
  w.order()
}

/** Ready: set, complaint answered, let pass without a bench proof. */
async function frostFan(w: Writer) {
  w.from(2.05, 'I. Marrow')
  w.receive(
    {
      customer: 'Upper orchard co-operative',
      engine: 'frost fan, 2.6 L',
      equipment: 'frost fan 12',
      ethanol: 0.1,
      pressureKpa: 20,
      complaint: {
        symptom: 'runs only on choke',
        band: 'idle',
        temperature: 'both',
        words: 'Runs on choke only',
      },
    },
    1,
  )
  w.add('mark.read', { place: 'plate', text: 'K-4463-1', maker: 'Orvane' })
  await w.identify('K-4463-1', 0.98)
  w.add('teardown.unlocked', { why: 'customer had the screws out already' })
  w.off('jet.main/P', 'varnished')
  w.off('jet.main/S', 'varnished')
  w.stripTheRest()
  w.add('order.arrived', { order: w.order() })
  w.buildAll()
  for (const [key, raw, kind] of w.settingsOnTarget()) w.read(key, raw, kind)
  w.add('complaint.answered', {
    explained: true,
    by: ['jet.main/P', 'jet.main/S'],
    words: 'Both main jets varnished nearly shut.',
  })
  w.pass('proof', 'Test stand is taken; proved on the fan itself by the co-operative', 'O. Dell')
}
