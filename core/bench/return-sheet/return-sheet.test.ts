import { describe, expect, it } from 'vitest'
import {
  ferrySheets,
  finding,
  identified,
  JOB,
  opening,
  placed,
  reading,
  sheetsFor,
  unsent,
} from '../../../demo/log-entries.ts'
import { fold, warrantyOf, type DataOf, type JobState, type UnsentEntry } from '../../log/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { returnSheet, returnSheets, wasToNow } from './index.ts'

const ferry = ferrySheets()
const jobOf = (first: DataOf['job.opened'], sheets: Sheets, ...more: UnsentEntry[]): JobState =>
  fold(
    JOB,
    [
      unsent(1, 'job.opened', first),
      unsent(2, 'ident.chosen', {
        ...identified,
        listNumber: sheets.spec.listNumber,
        specRev: sheets.specRev,
        buildRev: sheets.buildRev,
      }),
      ...more,
    ].map((entry, i) => placed(entry, i + 1)),
  )
const sheetOf = (sheets: Sheets, first: Partial<DataOf['job.opened']> = {}, ...more: UnsentEntry[]) =>
  returnSheet(jobOf({ ...opening, ...first }, sheets, ...more), { 1: sheets }, 1187)
const surging = { ...opening.complaint, symptom: 'surge' as const, words: 'Surges' }

describe('the return sheet', () => {
  const sheet = sheetOf(
    ferry,
    {},
    unsent(3, 'asfound.noted', {
      code: 'mixture.turns',
      place: 'L',
      raw: '5/8',
      value: 5,
      countedTo: 'seat',
      shown: { headline: '3/4 in.', meaning: '' },
    }),
    unsent(4, 'part.off', { position: 'seat', tray: 'B' }),
    unsent(5, 'finding.judged', finding('seat', 'replace', 'ringed')),
    unsent(6, 'part.on', { position: 'seat', from: 'kit', part: 'SE-240', proof: 'held', thicknessMm: null }),
    unsent(7, 'reading.taken', reading('11.8', 'out')),
    unsent(8, 'reading.taken', reading('13.4', 'in')),
    unsent(9, 'complaint.answered', { explained: true, by: ['seat'], words: '' }),
    unsent(10, 'gate.passed', { point: 'proof', why: 'stand taken', second: 'O. Dell' }),
  )
  it('has spec, as found and as left side by side, with the gauge and the tries', () => {
    expect(sheet.rows.find((r) => r.name === 'Float height')).toEqual({
      name: 'Float height',
      spec: '13.5 ±0.5 mm',
      asFound: 'not recorded',
      asLeft: '13.4 mm',
      with: 'caliper 2, 2nd try',
    })
    expect(sheet.rows.find((r) => r.name === 'Mixture, left')).toMatchObject({
      asFound: '5/8 turn',
      asLeft: 'not recorded',
    })
  })
  it('says what was found and done, and answers the complaint by it', () => {
    expect(sheet.foundAndDone).toContain('Seat: ring worn in: new')
    expect(sheet.complaint).toEqual({
      words: 'Floods when hot',
      answer: 'explained',
      detail: 'Seat: ring worn in.',
    })
    expect(sheet.left).toContainEqual({
      what: 'Not bench-tested here',
      why: 'stand taken (I. Marrow with O. Dell, name only)',
    })
  })
  it('is a draft before the return: it bears its number with the check letter, and no revision', () => {
    expect(sheet.standing).toMatchObject({ word: 'DRAFT' })
    expect(sheet).toMatchObject({ revision: null, changes: [], body: null, listNumber: 'K-4417-2S' })
    expect(sheet.number).toMatch(/^1187[A-Z]$/)
  })
  it('has a row for every setting of the sheet, what is set first, in the order of setting', () => {
    const names = sheet.rows.map((row) => row.name)
    expect(names).toHaveLength(ferry.spec.settings.length)
    expect(names.slice(0, 3)).toEqual(['Float height', 'Float drop', 'Pump stem'])
    // What nobody set has no value: neither the sheet's nor the one that it came with.
    expect(sheet.rows.find((row) => row.name === 'Idle-speed screw')!.asLeft).toBe('not recorded')
  })
  it('went back it is NOT PROVED, with what that rests on, revision A', () => {
    const returned = sheetOf(
      ferry,
      {},
      unsent(3, 'gate.passed', { point: 'proof', why: 'stand taken', second: 'O. Dell' }),
      unsent(4, 'job.returned', { seenSeq: 3 }),
    )
    expect(returned).toMatchObject({
      revision: 'A',
      standing: { word: 'NOT PROVED', rests: 'stand taken (I. Marrow with O. Dell, name only).' },
    })
  })
  it('says of turns counted until it came free that they are no seat count', () => {
    const free = sheetOf(
      ferry,
      {},
      unsent(3, 'asfound.noted', {
        code: 'mixture.turns',
        place: 'L',
        raw: '4 3/8',
        value: 35,
        countedTo: 'free',
        shown: { headline: '', meaning: '' },
      }),
    )
    expect(free.rows.find((row) => row.name === 'Mixture, left')!.asFound).toBe('4 3/8 turns to free')
  })
  it('boxes what was left out of its band with its reason, and never ticks by another sheet', () => {
    const out = (...more: UnsentEntry[]) =>
      sheetOf(ferry, {}, ...more).rows.find((row) => row.name === 'Float height')!.out
    const low = unsent(3, 'reading.taken', reading('11.8', 'out'))
    expect(out(low)).toBe('out of limits')
    const pass = unsent(4, 'gate.passed', {
      point: 'setting:float.height/none',
      why: 'as the rink wants it',
      second: 'O. Dell',
      value: '11.8',
    })
    expect(out(low, pass)).toBe('out of limits: as the rink wants it')
    expect(out(unsent(3, 'reading.taken', reading('13.4', 'in')))).toBeUndefined()
    const other = { ...reading('10.0', 'in', 10), specRev: 'K-4417-2S/spec/9' }
    // The same band under another revision: 10.0 was called in, and lies outside of it.
    expect(out(unsent(3, 'reading.taken', other))).toBe('out of limits')
    const band = { ...other, shown: { ...other.shown, lo: 9.6, hi: 10.4 } }
    expect(out(unsent(3, 'reading.taken', band))).toContain('another sheet')
  })
})

describe('what was found and done', () => {
  it('keeps the routine apart: parts renewed as always are one line at the end', () => {
    const { foundAndDone } = sheetOf(
      ferry,
      {},
      unsent(3, 'part.off', { position: 'needle', tray: 'B' }),
      unsent(4, 'finding.judged', finding('needle', 'replace')),
      unsent(5, 'part.on', {
        position: 'needle',
        from: 'kit',
        part: 'ND-24',
        proof: 'held',
        thicknessMm: null,
      }),
      unsent(6, 'part.off', { position: 'seat', tray: 'B' }),
      unsent(7, 'finding.judged', finding('seat', 'condemn', 'ringed')),
    )
    expect(foundAndDone.at(-1)).toBe('Replaced as routine: needle')
    // A part that is not replaced yet says what was judged, not that it is new.
    expect(foundAndDone[0]).toMatch(/^Seat: ring worn in: /)
    expect(foundAndDone[0]).not.toMatch(/: new$/)
  })
  it('what was cleaned and measured again is told with both, and it is what explains the complaint', () => {
    const cleaned = [
      unsent(3, 'part.off', { position: 'jet.main/P', tray: 'C' }),
      unsent(4, 'finding.judged', finding('jet.main/P', 'clean', 'varnished')),
      unsent(5, 'finding.judged', {
        ...finding('jet.main/P', 'reuse', 'sound'),
        raw: '1.345 1.355',
        measured: { what: 'bore', go: 1.345, no: 1.355 },
      }),
      unsent(6, 'complaint.answered', { explained: true, by: ['jet.main/P'], words: '' }),
    ]
    const { foundAndDone, complaint } = sheetOf(ferry, {}, ...cleaned)
    expect(foundAndDone).toEqual(['Main jet, primary: varnished: cleaned, then between 1.345 and 1.355'])
    expect(complaint).toMatchObject({ answer: 'explained', detail: 'Main jet, primary: varnished.' })
    // Not looked at again it is not said to be clean.
    expect(sheetOf(ferry, {}, ...cleaned.slice(0, 2)).foundAndDone).toEqual([
      'Main jet, primary: varnished: clean',
    ])
  })
  it('begins with the tests that failed as received; those that held are no news', () => {
    const { foundAndDone } = sheetOf(
      ferry,
      {},
      unsent(3, 'test.noted', { test: 'inlet', result: 'bad' }),
      unsent(4, 'test.noted', { test: 'lifts', result: 'good' }),
      unsent(5, 'test.noted', { test: 'break', result: 'none' }),
    )
    expect(foundAndDone).toEqual(['As received: inlet leaks down'])
  })
  it('a judgement against the rule stands under what was left, with its reason', () => {
    const { left } = sheetOf(
      ferry,
      {},
      unsent(3, 'part.off', { position: 'seat', tray: 'B' }),
      unsent(4, 'finding.judged', {
        ...finding('seat', 'replace', 'ringed'),
        override: { disposition: 'reuse', why: 'recut here last month' },
      }),
    )
    expect(left).toContainEqual({ what: 'Seat: reuse', why: 'recut here last month' })
  })
})

describe('the complaint', () => {
  it('unanswered says so, and never invents an answer', () =>
    expect(sheetOf(ferry).complaint).toEqual({
      words: 'Floods when hot',
      answer: 'not answered',
      detail: '',
    }))
  it('not explained keeps the words of whoever says so', () =>
    expect(
      sheetOf(
        ferry,
        {},
        unsent(3, 'complaint.answered', {
          explained: false,
          by: [],
          words: 'Could not be made to flood on the stand.',
        }),
      ).complaint,
    ).toEqual({
      words: 'Floods when hot',
      answer: 'not explained',
      detail: 'Could not be made to flood on the stand.',
    }))
  it('without the customer’s words is the symptom', () =>
    expect(sheetOf(ferry, { complaint: { ...surging, words: '' } }).complaint.words).toBe('surge'))
})

describe('the start-up card', () => {
  it('puts fuel in the cylinders first after flooding, by symptom or by words', () => {
    expect(sheetOf(ferry).startUp.danger).toMatch(/^Before anyone cranks: fuel may have passed the seat/)
    expect(sheetOf(ferry, { complaint: surging }).startUp.danger).toBeNull()
    expect(sheetOf(ferry, { complaint: { ...surging, symptom: 'leak' } }).startUp.danger).not.toBeNull()
    // An air leak lets no fuel by.
    expect(
      sheetOf(ferry, { complaint: { ...surging, words: 'Surges, air leak at the flange' } }).startUp.danger,
    ).toBeNull()
    expect(
      sheetOf(ferry, { complaint: { ...surging, words: 'Surges, and flooded once' } }).startUp.danger,
    ).not.toBeNull()
    expect(
      sheetOf(ferry, { complaint: { ...surging, words: 'Surges; fuel in the oil' } }).startUp.danger,
    ).not.toBeNull()
  })
  it('and whatever the complaint says: an inlet that leaks, a needle with a ring, a float that stands too high', () => {
    const danger = (...more: UnsentEntry[]) => sheetOf(ferry, { complaint: surging }, ...more).startUp.danger
    expect(danger(unsent(3, 'test.noted', { test: 'inlet', result: 'bad' }))).toContain('inlet leaked')
    expect(danger(unsent(3, 'test.noted', { test: 'inlet', result: 'good' }))).toBeNull()
    const off = unsent(3, 'part.off', { position: 'needle', tray: 'B' })
    expect(danger(off, unsent(4, 'finding.judged', finding('needle', 'replace', 'ringed')))).toContain(
      'needle: ',
    )
    expect(danger(off, unsent(4, 'finding.judged', finding('needle', 'reuse')))).toBeNull()
    const found = (mm: number) =>
      unsent(3, 'asfound.noted', {
        code: 'float.height',
        place: 'none',
        raw: String(mm),
        value: mm,
        countedTo: null,
        shown: { headline: '', meaning: '' },
      })
    // Read inverted from the cover's face to the float: the smaller reading shuts at the higher fuel.
    expect([danger(found(9)), danger(found(13.5))].map((line) => line !== null)).toEqual([true, false])
  })
  it('says the pressure that it was set for, and the most that the needle holds', () => {
    expect(sheetOf(ferry).startUp.lines[0]).toContain('Fuel by pump, 24.0 kPa, 27.0 at most')
    // More than the needle holds is never printed as if it were fine.
    expect(sheetOf(ferry, { pressureKpa: 41 }).startUp.lines[0]).toMatch(/41.0 kPa, 27.0 at most. Too much/)
    expect(sheetOf(ferry, { pressureKpa: null }).startUp.lines[0]).toContain('not measured')
    // Fed by a tank above it, there is no pressure to set.
    const slide = sheetsFor('S26-14F')
    expect(slide.spec.supply.feed).toBe('gravity')
    // A job that is pumped says so, whatever its sheet thinks.
    expect(sheetOf(slide).startUp.lines[0]).toMatch(/^Fuel by pump/)
    const tank = sheetOf(slide, { pressureKpa: null, headMm: 320 })
    expect(tank.startUp.lines[0]).toMatch(/^Fuel by gravity, 2\.\d kPa, .*hose falling all the way/)
  })
  it('says which way is rich on this one: fuel past the tip or air', () => {
    expect(sheetOf(ferry).mixture.words).toEqual(['In is leaner', 'out is richer'])
    expect(sheetOf(ferry).startUp.lines.join(' ')).toContain('In is leaner on this one')
    const air = sheetsFor('S26-14F')
    expect(air.spec.mixture.kind).toBe('air')
    expect(sheetOf(air).mixture.words).toEqual(['In is richer', 'out is leaner'])
    expect(sheetOf(air).startUp.lines.join(' ')).toContain(
      'The screw out until it falters, then in a quarter turn. In is richer',
    )
  })
  it('has each mixture screw at what it was left at, and none that nobody set', () => {
    const { screws } = sheetOf(
      ferry,
      {},
      unsent(3, 'reading.taken', { ...reading('1 1/2', 'in', 12), code: 'mixture.turns', place: 'L' }),
    ).mixture
    expect(screws.map(({ turns, eighths }) => [turns, eighths])).toEqual([['1 1/2', 12]])
  })
})

describe('cautions', () => {
  it('always name the fuel and the vapour', () =>
    expect(sheetOf(ferry).cautions).toEqual([expect.stringContaining('no flame or spark')]))
  it('follow how it is installed: marine, boosted, tilted', () => {
    // On the card: whoever fits it reads that.
    const { lines } = sheetOf(ferry, { marine: true, boosted: true, tiltDeg: 12 }).startUp
    const cautions = lines.slice(-3)
    expect(cautions.join(' ')).toMatch(/flame arrestor.*no fuel into the bilge/)
    expect(cautions.join(' ')).toMatch(/bowl vent and fuel pressure must follow boost pressure/)
    expect(cautions.join(' ')).toContain('Installed at 12 degrees')
  })

  it('what lay in the bowl stands on the sheet, and on the card with what to see to upstream', () => {
    const seen = (kinds: ('rust' | 'rubber')[]) =>
      sheetOf(ferry, { complaint: surging }, unsent(3, 'sediment.seen', { kinds }))
    expect(seen(['rust', 'rubber']).foundAndDone).toContain('In the bowl: rust, crumbs of rubber')
    const lines = seen(['rust', 'rubber']).startUp.lines.join(' ')
    expect(lines).toContain('the tank is rusting')
    expect(lines).toContain('Renew the hoses with ones rated for this fuel')
    expect(seen([]).startUp.lines.join(' ')).not.toContain('in the bowl')
  })
})

describe('a bank', () => {
  it('has no page for a body that is not identified', () => {
    const state = jobOf({ ...opening, bodies: 3 }, ferry)
    const pages = returnSheets(state, { 1: ferry }, 1190)
    expect(pages.map((page) => page.body)).toEqual([{ number: 1, of: 3 }])
  })
})

describe('a job that comes back', () => {
  it('is within what the shop stands by up to and with the last day', () => {
    expect(warrantyOf('2026-08-28', '2026-11-26', 90)).toEqual({
      within: true,
      words: 'Went back 90 days ago: within the 90 days that the shop stands by its work.',
    })
    expect(warrantyOf('2026-08-27', '2026-11-26', 90)).toMatchObject({
      within: false,
      words: expect.stringMatching(/1 day past the 90/) as string,
    })
  })
  it('says nothing where the shop does not, or it never went back', () => {
    expect(warrantyOf('2026-11-20', '2026-11-26', 0)).toBeNull()
    expect(warrantyOf(null, '2026-11-26', 90)).toBeNull()
  })
})

describe('how a proof came and how it goes back', () => {
  it('is said of both, and nothing becomes what nobody tested', () => {
    expect(wasToNow({ was: 'leaks down', now: '0.4' })).toBe('leaks down to 0.4')
    expect(wasToNow({ was: 'leaks down', now: '·' })).toBe('leaks down; not tested')
    expect(wasToNow({ was: 'good', now: '10.1' })).toBe('10.1')
  })
})
