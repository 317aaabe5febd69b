import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import {
  ferrySheets,
  identified,
  JOB,
  opening,
  placed,
  reading,
  sheetsFor,
  unsent,
} from '../../../demo/log-entries.ts'
import { bodyOf, fold, type UnsentEntry } from '../../log/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import {
  settingKey,
  type Sheets,
  assemblyOrder,
  isOutside,
  momentsOf,
  teardownOrder,
  whenOf,
} from '../../sheets/index.ts'
import {
  canBeRead,
  dueBefore,
  hiddenBy,
  ladderOf,
  rungsAround,
  settingsToSet,
  voidedBy,
  waitsForParts,
} from './index.ts'

const numbers = models().flatMap((model) => model.listNumbers.map((item) => item.number))
const all = numbers.map((number) => ({ number, sheets: sheetsFor(number) }))

/** A body as it stands with these positions off. */
const stands = (sheets: Sheets, off: readonly string[], ...more: UnsentEntry[]) =>
  fold(
    JOB,
    [
      unsent(1, 'job.opened', opening),
      unsent(2, 'ident.chosen', {
        ...identified,
        listNumber: sheets.spec.listNumber,
        specRev: sheets.specRev,
        buildRev: sheets.buildRev,
      }),
      ...off.map((position, i) => unsent(10 + i, 'part.off', { position, tray: 'B' })),
      ...more,
    ].map((entry, i) => placed(entry, i + 1)),
  )

describe('one order of work, over every list number', () => {
  it('each setting has its moment, on the way down and on the way up', () => {
    let settings = 0
    for (const { number, sheets } of all)
      for (const setting of sheets.spec.settings) {
        const where = `${number}, ${setting.name}`
        expect(isRefusal(momentsOf(setting, sheets.build)), where).toBe(false)
        // Played through: there is a point on the way down, and one on the way up, at which it can be read.
        for (const order of [teardownOrder(sheets.build), assemblyOrder(sheets.build)]) {
          const down = order[0] === teardownOrder(sheets.build)[0]
          const at = Array.from({ length: order.length + 1 }, (_, n) =>
            (down ? order.slice(0, n) : order.slice(n)).map(({ code }) => code),
          )
          const readable = at.some((off) => {
            const { off: mustBeOff, on } = whenOf(setting, sheets.build)
            return mustBeOff.every((code) => off.includes(code)) && !on.some((code) => off.includes(code))
          })
          expect(readable, `${where}, ${down ? 'down' : 'up'}`).toBe(true)
        }
        settings++
      }
    expect(numbers.length).toBeGreaterThanOrEqual(150)
    expect(settings).toBeGreaterThan(700)
  })
  it('each part has its turn, once, and what goes together is what came apart run backwards', () => {
    for (const { number, sheets } of all) {
      const down = teardownOrder(sheets.build).map(({ code }) => code)
      expect([...down].sort(), number).toEqual(
        sheets.build.positions.flatMap(({ code, stays }) => (stays ? [] : [code])).sort(),
      )
      expect(assemblyOrder(sheets.build).map(({ code }) => code)).toEqual([...down].reverse())
    }
  })
  it('what a float’s reading rests on is never off when it is asked: the part that carries the seat', () => {
    let floats = 0
    for (const { number, sheets } of all) {
      const height = sheets.spec.settings.find(({ code }) => code === 'float.height')
      if (!height) continue
      const { on } = whenOf(height, sheets.build)
      expect(on, number).toEqual(expect.arrayContaining(['float']))
      floats++
    }
    expect(floats).toBeGreaterThan(100)
  })
})

describe('the moments of the ferry’s two-barrel', () => {
  const sheets = ferrySheets()
  const setting = (key: string) => sheets.spec.settings.find((one) => settingKey(one) === key)!
  const all = teardownOrder(sheets.build).map(({ code }) => code)
  it('the pump stem and the screws are read from outside, the float only with the cover off', () => {
    expect(isOutside(setting('pump.stem/none'), sheets.build)).toBe(true)
    expect(isOutside(setting('mixture.turns/L'), sheets.build)).toBe(true)
    expect(isOutside(setting('float.height/none'), sheets.build)).toBe(false)
  })
  it('a hidden one says what to take off, one whose parts lie in trays what goes on first', () => {
    const height = setting('float.height/none')
    const closed = bodyOf(stands(sheets, []))
    expect(hiddenBy(closed, height, sheets.build).map(({ code }) => code)).toContain('cover')
    expect(canBeRead(closed, height, sheets.build)).toBe(false)
    const apart = bodyOf(stands(sheets, all))
    expect(waitsForParts(apart, height, sheets.build).map(({ code }) => code)).toEqual(
      expect.arrayContaining(['seat', 'needle', 'float']),
    )
  })
  it('the bench stops before the cover’s gasket and asks the float, not before it is there', () => {
    const back = assemblyOrder(sheets.build)
    const cover = back.find(({ code }) => code === 'cover.gasket')!
    const keys = (state: ReturnType<typeof stands>, next = cover) =>
      dueBefore(state, sheets, next).map(settingKey)
    const upTo = back.slice(back.indexOf(cover)).map(({ code }) => code)
    expect(keys(stands(sheets, upTo))).toEqual(['float.height/none', 'float.drop/none'])
    expect(keys(stands(sheets, all))).toEqual([])
    // Set, it is asked no more.
    const set = unsent(90, 'reading.taken', { ...reading('13.5', 'in'), specRev: sheets.specRev })
    expect(keys(stands(sheets, upTo, set))).toEqual(['float.drop/none'])
  })
  it('a part that carries a setting voids it when it comes off, a cover that only hides it does not', () => {
    const height = setting('float.height/none')
    const set = unsent(90, 'reading.taken', reading('13.5', 'in'))
    expect(voidedBy(stands(sheets, [], set), sheets, height)).toBeNull()
    const off = (position: string) => stands(sheets, [], set, unsent(91, 'part.off', { position, tray: 'B' }))
    expect(voidedBy(off('needle'), sheets, height)?.name).toBe('Needle')
    expect(voidedBy(off('cover'), sheets, height)).toBeNull()
  })
  it('a screw, a coil, a rod and a link each take their setting along, where its sheet names no part', () => {
    const carried = [
      ['mixture.turns', 'L', 'mixture/L'],
      ['choke.index', 'none', 'choke.coil'],
      ['vacuumBreak.gap', 'none', 'choke.rod'],
      ['pump.hole', 'none', 'pump.link'],
    ] as const
    for (const [code, place, part] of carried) {
      const one = setting(`${code}/${place}`)
      const read = unsent(90, 'reading.taken', { ...reading('1', 'in'), code, place })
      const off = (position: string) =>
        voidedBy(stands(sheets, [], read, unsent(91, 'part.off', { position, tray: 'B' })), sheets, one)
      expect(off(part)?.name, code).toBeDefined()
      expect(off('needle'), code).toBeNull()
    }
    expect(whenOf(setting('mixture.turns/R'), sheets.build).on).toEqual(['mixture/R'])
  })
  it('the pump stem is measured again once its link stands in another hole', () => {
    const stem = unsent(90, 'reading.taken', { ...reading('1', 'in'), code: 'pump.stem' })
    const hole = unsent(91, 'reading.taken', { ...reading('2', 'in'), code: 'pump.hole' })
    expect(voidedBy(stands(sheets, [], hole, stem), sheets, setting('pump.stem/none'))).toBeNull()
    expect(
      voidedBy(stands(sheets, [], stem, { ...hole, id: hole.id }), sheets, setting('pump.stem/none'))?.name,
    ).toBe(setting('pump.hole/none').name)
  })
  it('a pump hole found wrong is set when it goes together, one found right is not', () => {
    const found = (value: number) =>
      unsent(90, 'asfound.noted', {
        code: 'pump.hole',
        place: 'none',
        raw: String(value),
        value,
        countedTo: null,
        shown: { headline: '', meaning: '' },
      })
    const asked = (value: number) =>
      settingsToSet(sheets, bodyOf(stands(sheets, [], found(value)))).some(({ code }) => code === 'pump.hole')
    const wanted = setting('pump.hole/none').target!
    expect([asked(wanted), asked(wanted + 1)]).toEqual([false, true])
  })
})

describe('the way up', () => {
  const ferry = ferrySheets()
  const parts = assemblyOrder(ferry.build)
  it('has each part once in the order in which it goes on, and each hidden setting right before what hides it', () => {
    for (const { number, sheets } of all) {
      const ladder = ladderOf(stands(sheets, []), sheets)
      expect(ladder.filter(({ kind }) => kind === 'part').map(({ code }) => code)).toEqual(
        assemblyOrder(sheets.build).map(({ code }) => code),
      )
      for (const [i, rung] of ladder.entries()) {
        if (rung.kind !== 'setting') continue
        const next = ladder.slice(i).find(({ kind }) => kind === 'part')!
        const setting = sheets.spec.settings.find((one) => settingKey(one) === rung.code)!
        expect(whenOf(setting, sheets.build).off, `${number}, ${rung.name}`).toContain(next.code)
      }
    }
  })
  it('a float’s height stands before its cover, open until it was read in its band', () => {
    const state = stands(ferry, ['cover.screws', 'cover'])
    const height = ladderOf(state, ferry).find(({ code }) => code === 'float.height/none')!
    expect(height).toMatchObject({ kind: 'setting', state: 'next' })
    const read = stands(ferry, ['cover.screws', 'cover'], unsent(30, 'reading.taken', reading('13.5', 'in')))
    expect(ladderOf(read, ferry).find(({ code }) => code === 'float.height/none')!.state).toBe('done')
  })
  it('shows two steps behind the one that is asked, and never fewer than it has room for', () => {
    const ladder = ladderOf(stands(ferry, ['cover.screws', 'cover']), ferry)
    const around = rungsAround(ladder, 'cover', 6)
    expect(around).toHaveLength(6)
    expect(around.findIndex(({ code }) => code === 'cover')).toBeGreaterThanOrEqual(2)
    expect(rungsAround(ladder, parts[0]!.code, 6)[0]).toBe(ladder[0])
    expect(rungsAround(ladder, undefined, 100)).toHaveLength(ladder.length)
  })
})
