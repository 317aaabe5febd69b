import { emptyJob, kinds } from '@ekrond/core/log'
import { admit } from '@ekrond/core/bench/admit'
import { describe, expect, it } from 'vitest'
import { comesBackAs, emptyOpening, readOpening, typedFrom, type Opening } from './opening'

const TODAY = '2026-11-24'
const ferry: Opening = {
  ...emptyOpening,
  customer: '  Osk chain ferry ',
  engine: 'ferry main, 2.2 L',
  equipment: 'chain windlass',
  promise: '2026-11-26',
  symptom: 'flooding',
}
const read = (more: Partial<Opening> = {}) => readOpening({ ...ferry, ...more }, TODAY)
const data = (more: Partial<Opening> = {}) => {
  const it = read(more)
  if ('sentence' in it) throw new Error(it.sentence)
  return it.data
}

describe('what is typed at the counter', () => {
  it('is an opening that the log admits', () => {
    const job = '11111111-1111-4111-8111-111111111111'
    const entry = {
      id: '22222222-2222-4222-8222-222222222222',
      job,
      kind: 'job.opened',
      v: kinds.get('job.opened')!.version,
      data: data({ pressure: '24', ethanol: '10', bodies: '4', tilt: '12', marine: 'yes' }),
      by: 'I. Marrow',
      at: '2026-11-24T10:40:00.000Z',
    }
    expect(admit(emptyJob(job), entry)).toBeUndefined()
  })
  it('stores shares and units as the log has them', () => {
    expect(
      data({ ethanol: '10 %', pressure: '24,5 kPa', head: '450 mm', altitude: '-3 m', tilt: '7°' }),
    ).toMatchObject({
      customer: 'Osk chain ferry',
      ethanol: 0.1,
      pressureKpa: 24.5,
      headMm: 450,
      altitudeM: -3,
      tiltDeg: 7,
    })
  })
  it('feet, psi and inches are read as they are said', () => {
    const read = data({ altitude: '4000 ft', pressure: '3.5 psi', head: '20 in' })
    expect(read.altitudeM).toBeCloseTo(1219.2, 6)
    expect(read.pressureKpa).toBeCloseTo(24.13, 2)
    expect(read.headMm).toBeCloseTo(508, 6)
  })
  it('what nobody knows is null and not nought', () =>
    expect(data()).toMatchObject({
      ethanol: null,
      pressureKpa: null,
      headMm: null,
      altitudeM: null,
      tiltDeg: null,
      earlier: null,
      boosted: false,
      bodies: 1,
    }))
  it('what was not picked of the complaint is the widest: everywhere, both, any time', () =>
    expect(data().complaint).toEqual({
      symptom: 'flooding',
      band: 'everywhere',
      temperature: 'both',
      when: 'any time',
      words: '',
    }))
  it.each<[Partial<Opening>, keyof Opening, RegExp]>([
    [{ customer: ' ' }, 'customer', /Enter the customer/],
    [{ engine: '' }, 'engine', /“not known” is fine/],
    [{ equipment: '' }, 'equipment', /Enter the equipment/],
    [{ promise: '' }, 'promise', /Enter the promised day/],
    [{ promise: 'Friday' }, 'promise', /Type it as 2026-11-26/],
    [{ promise: '2026-11-23' }, 'promise', /That day is past/],
    [{ symptom: '' }, 'symptom', /or “no complaint: overhaul”/],
    [{ pressure: 'some' }, 'pressure', /“some” is not a number of kPa\. Leave it empty if unknown/],
    [{ ethanol: '5-10' }, 'ethanol', /not a number of per cent/],
    [{ earlier: 'last one' }, 'earlier', /not a number of an earlier job/],
  ])('%o is asked again', (more, field, words) => {
    const it = read(more)
    expect(it).toMatchObject({ field })
    expect('sentence' in it && it.sentence).toMatch(words)
  })
  it.each([
    ['', null],
    ['yes', true],
    ['no', false],
  ])('asked whether it ran as it is, “%s” is %s', (ran, kept) => expect(data({ ran }).ran).toBe(kept))
  it('a promise of today is none of the past', () => expect('data' in read({ promise: TODAY })).toBe(true))
  it('a comeback has whose it is and how it is installed; promise and complaint are asked anew', () => {
    const { aircraft: _, ...opened } = data({
      pressure: '24',
      tilt: '10',
      marine: 'yes',
      bodies: '4',
      words: 'Floods',
    })
    const again = {
      ...emptyOpening,
      ...comesBackAs({ ...opened, evidence: true, ran: null, by: 'R. Oda', at: '2026-11-10T08:00:00.000Z' }),
    }
    expect(again).toMatchObject({
      customer: 'Osk chain ferry',
      engine: 'ferry main, 2.2 L',
      equipment: 'chain windlass',
      pressure: '24',
      tilt: '10',
      marine: 'yes',
      bodies: '4',
    })
    for (const field of [
      'promise',
      'symptom',
      'band',
      'temperature',
      'when',
      'words',
      'earlier',
      'aircraft',
    ] as const)
      expect(again[field], field).toBe('')
  })
  it('an opening shown in its fields and read again is the same opening', () => {
    const { aircraft: _, ...opened } = data({
      ethanol: '12.5',
      pressure: '24',
      head: '450',
      altitude: '620',
      tilt: '10',
      boosted: 'yes',
      marine: 'yes',
      bodies: '3',
      earlier: '1187',
      band: 'idle',
      temperature: 'hot',
      when: 'parked',
      words: 'Floods; "drips"',
      ran: 'no',
    })
    const shown = typedFrom({
      ...opened,
      ran: false,
      evidence: true,
      by: 'R. Oda',
      at: '2026-11-24T10:40:00.000Z',
    })
    expect(readOpening(shown, TODAY)).toEqual({ data: { ...opened, aircraft: false } })
  })
})
