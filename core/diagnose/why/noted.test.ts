import { describe, expect, it } from 'vitest'
import { complained, finding, JOB, sheetsFor, unsent } from '../../../demo/log-entries.ts'
import { fold, type DataOf, type UnsentEntry } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { why, type Why } from './index.ts'

const slide = 'S26-14F'
const two = 'K-4417-2S'

function asked(
  listNumber: string,
  complaint: Partial<DataOf['job.opened']['complaint']>,
  ...noted: UnsentEntry[]
): Why {
  const state = fold(JOB, complained(listNumber, complaint, ...noted))
  const answer = why(state, { 1: sheetsFor(listNumber) })
  if (isRefusal(answer)) throw new Error(answer.refused.why)
  return answer
}
const p = (answer: Why, code: string) => answer.causes.find((one) => one.code === code)!.p
const of = (answer: Why, code: string) => answer.causes.find((one) => one.code === code)
const order = (answer: Why) => answer.causes.map(({ code }) => code)

const noted = (code: string, place: 'none' | 'L' | 'R', raw: string, value: number) =>
  unsent(
    3 + Math.round(value * 100) + (place === 'R' ? 1 : 0),
    'asfound.noted',
    { code, place, raw, value, countedTo: 'seat', shown: { headline: '', meaning: '' } },
    { body: 1 },
  )

describe('what was noted as found', () => {
  it('a clip in another groove is the metering needle’s, found before anything is taken off, and says which way', () => {
    const answer = asked(
      slide,
      { symptom: 'flat spot', band: 'middle' },
      noted('needle.clip', 'none', '2', 2),
    )
    expect(answer.causes[0]).toMatchObject({ code: 'metering', standing: 'found' })
    // The needle sits deeper by a groove: lean in the middle.
    expect(answer.noted).toContainEqual(expect.stringMatching(/clip in groove 2.*lean from a quarter/))
    const right = asked(slide, { symptom: 'flat spot', band: 'middle' }, noted('needle.clip', 'none', '3', 3))
    expect(of(right, 'metering')!.standing).toBe('open')
  })
  it('a height read from the face: smaller stands the float higher, and the fuel; one in its band clears the level', () => {
    // 13.0 to 14.0 by the sheet.
    const high = asked(two, { symptom: 'flooding' }, noted('float.height', 'none', '12.2', 12.2))
    expect(of(high, 'level.high')!.standing).toBe('found')
    expect(high.noted).toContainEqual(expect.stringContaining('level high'))
    const low = asked(two, { symptom: 'surge', band: 'wide open' }, noted('float.height', 'none', '15', 15))
    expect(of(low, 'level.low')!.standing).toBe('found')
    expect(of(low, 'level.high')!.standing).toBe('ruled out')
    const right = asked(two, { symptom: 'flooding' }, noted('float.height', 'none', '13.4', 13.4))
    expect(of(right, 'level.high')!.standing).toBe('ruled out')
    expect(p(right, 'needle')).toBeGreaterThan(p(asked(two, { symptom: 'flooding' }), 'needle'))
  })
  it('too little drop starves it at speed', () => {
    const answer = asked(two, { symptom: 'surge', band: 'wide open' }, noted('float.drop', 'none', '18', 18))
    expect(of(answer, 'level.low')!.standing).toBe('found')
    expect(answer.noted).toContainEqual(expect.stringContaining('too little'))
  })
  it('screws by their kind: an air screw far in and fuel screws far out were both enriched for a starved idle', () => {
    const before = p(asked(two, { symptom: 'hunting' }), 'idle.jet')
    // Fuel screws, 10 to 12 eighths by the sheet, found at 2 3/4 turns.
    const out = asked(
      two,
      { symptom: 'hunting' },
      noted('mixture.turns', 'L', '2 3/4', 22),
      noted('mixture.turns', 'R', '2 3/4', 22),
    )
    expect(p(out, 'idle.jet')).toBeGreaterThan(1.4 * before)
    const air = p(asked(slide, { symptom: 'hunting' }), 'idle.jet')
    // An air screw, 12 to 16 eighths, found at half a turn.
    const inward = asked(slide, { symptom: 'hunting' }, noted('mixture.turns', 'none', '1/2', 4))
    expect(p(inward, 'idle.jet')).toBeGreaterThan(1.4 * air)
    const outward = asked(slide, { symptom: 'hunting' }, noted('mixture.turns', 'none', '3', 24))
    expect(p(outward, 'idle.jet')).toBeLessThan(air)
    expect(outward.noted).toContainEqual(expect.stringContaining('leaner'))
  })
  it('water in the bowl is found, a clean bowl clears it, varnish points at what stood', () => {
    const bowl = (...kinds: ('water' | 'varnish')[]) =>
      asked(two, { symptom: 'hunting' }, unsent(3, 'sediment.seen', { kinds }, { body: 1 }))
    expect(of(bowl('water'), 'water')!.standing).toBe('found')
    expect(of(bowl(), 'water')!.standing).toBe('ruled out')
    expect(p(bowl('varnish'), 'stale')).toBeGreaterThan(2 * p(bowl(), 'stale'))
  })
  it('a vacuum port that stood open draws air; a vent never does', () => {
    const port = (code: string) =>
      asked(
        two,
        { symptom: 'hunting' },
        unsent(3, 'port.noted', { port: code, when: 'found', state: 'open', to: '' }, { body: 1 }),
      )
    expect(of(port('vacuum.manifold'), 'manifold.leak')!.standing).toBe('found')
    expect(of(port('vent.bowl'), 'manifold.leak')!.standing).toBe('open')
  })
})

describe('only what this unit has', () => {
  it('one fed by gravity has no fuel pump and no pump’s pressure', () => {
    const codes = order(asked(slide, { symptom: 'no top end', band: 'wide open' }))
    expect(codes).not.toContain('pump.weak')
    expect(codes).not.toContain('pressure.high')
    expect(order(asked(two, { symptom: 'no top end' }))).toContain('pump.weak')
  })
  it('a lifted slide has no plate, an enricher no coil, and no bowl screw is a plate’s', () => {
    const answer = asked(slide, { symptom: 'hard start', temperature: 'cold' })
    const said = answer.causes.map(({ finding, look }) => `${finding}. ${look}`).join(' ')
    expect(said).not.toMatch(
      /plate|choke coil|heat tube|heat riser|shaft|washer|diaphragm|accelerator|drop too small/i,
    )
    expect(of(answer, 'choke')!.finding).toBe('enriching plunger does not shut or open')
    for (const code of ['loose', 'governor', 'pump']) expect(order(answer)).not.toContain(code)
    expect(order(answer)).not.toContain('manifold.heat')
    expect(of(asked(two, { symptom: 'hard start' }), 'choke')!.finding).toMatch(/coil/)
  })
  it('a power piston is the power circuit’s', () => {
    expect(of(asked(two, { symptom: 'smoke' }), 'power')!.positions).toContain('power.piston')
  })
})

describe('by throttle position', () => {
  it('a flat spot past a quarter is the needle’s, the slide’s, the main jet’s before the idle jet’s', () => {
    const codes = order(asked(slide, { symptom: 'flat spot', band: 'middle' }))
    const idle = codes.indexOf('idle.jet')
    for (const code of ['metering', 'slide', 'main.jet']) expect(codes.indexOf(code)).toBeLessThan(idle)
    const off = order(asked(slide, { symptom: 'flat spot', band: 'just off idle' }))
    expect(off.indexOf('idle.jet')).toBeLessThan(off.indexOf('metering'))
  })
})

describe('what was found and cured', () => {
  const off = (n: number, position: string) => unsent(n, 'part.off', { position, tray: 'B' }, { body: 1 })
  const bog = { symptom: 'bog on opening', band: 'just off idle' } as const
  it('a starved idle jet explains a bog just off idle; a worn seat does not, and gets no credit', () => {
    const seat = asked(
      two,
      bog,
      off(3, 'seat'),
      unsent(4, 'finding.judged', finding('seat', 'replace', 'ringed')),
    )
    expect(of(seat, 'seat')).toMatchObject({ standing: 'found', brings: 0 })
    expect(seat.explained).toBe(0)
    const jet = asked(
      slide,
      bog,
      off(3, 'jet.idle'),
      unsent(4, 'finding.judged', finding('jet.idle', 'clean', 'varnished')),
    )
    expect(of(jet, 'idle.jet')!.brings).toBeGreaterThan(0.2)
    expect(jet.explained).toBeGreaterThan(0.2)
  })
  it('stays the explanation once the new part is on', () => {
    const found = [off(3, 'pump.cup'), unsent(4, 'finding.judged', finding('pump.cup', 'replace', 'hard'))]
    const before = asked(two, bog, ...found)
    const after = asked(
      two,
      bog,
      ...found,
      unsent(
        5,
        'part.on',
        { position: 'pump.cup', from: 'shelf', part: 'PC-1', proof: 'held', thicknessMm: null },
        { body: 1 },
      ),
    )
    expect(before.explained).toBeGreaterThan(0.7)
    expect(after.explained).toBeCloseTo(before.explained, 9)
  })
})
