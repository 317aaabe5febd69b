import { describe, expect, it } from 'vitest'
import { settingContext } from '@ekrond/core/bench/entering'
import { emptyJob, fold, type SettingJudgement } from '@ekrond/core/log'
import { parseLength, parseNotches, parseTurns, type Gauge } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { aim, judgeSetting, settingsInOrder } from '@ekrond/core/judge/settings'
import { settingKey, type SettingSpec, type Sheets } from '@ekrond/core/sheets'
import { models } from './catalogue.ts'
import { identified, JOB, opening, placed, sheetsFor, unsent } from './log-entries.ts'

const all = models().flatMap((model) => model.listNumbers.map((item) => sheetsFor(item.number)))
const caliper: Gauge = {
  code: 'caliper-2',
  name: 'caliper 2',
  kind: 'caliper',
  resolutionMm: 0.01,
  repeatabilityMm: 0.06,
}
const drills: Gauge = {
  code: 'drills',
  name: 'drill index',
  kind: 'drills',
  resolutionMm: 0.05,
  repeatabilityMm: 0.02,
}

const contextOf = (sheets: Sheets, setting: SettingSpec) => {
  const job = fold(JOB, [
    placed(unsent(1, 'job.opened', { ...opening, pressureKpa: null }), 1),
    placed(
      unsent(2, 'ident.chosen', {
        ...identified,
        listNumber: sheets.spec.listNumber,
        specRev: sheets.specRev,
        buildRev: sheets.buildRev,
      }),
      2,
    ),
  ])
  const gauge = setting.quantity === 'gap' ? drills : setting.quantity === 'length' ? caliper : null
  return settingContext(job ?? emptyJob(JOB), sheets, gauge, [caliper, drills])
}
const judged = (sheets: Sheets, setting: SettingSpec, value: number): SettingJudgement => {
  const said = judgeSetting(setting, value, contextOf(sheets, setting))
  if (isRefusal(said)) throw new Error(`${sheets.spec.listNumber} ${setting.name}: ${said.refused.why}`)
  return said
}

describe('every one of the 150 list numbers', () => {
  it('is in at what its own sheet aims for, each setting of it', () => {
    for (const sheets of all)
      for (const setting of settingsInOrder(sheets.spec))
        expect(
          judged(sheets, setting, aim(setting)!).verdict,
          `${sheets.spec.listNumber} ${setting.name} at ${setting.asWritten}`,
        ).toBe('in')
  })

  it('writes its values so that a technician could type them: what is written parses to what is stored', () => {
    for (const { spec } of all)
      for (const setting of spec.settings) {
        // A range has two ends and no one value.
        if (setting.target === null || / to /.test(setting.asWritten)) continue
        const written = setting.asWritten.split(' ±')[0]!.replace(/ on$/, '')
        const where = `${spec.listNumber} ${setting.name} ${setting.asWritten}`
        if (setting.quantity === 'length' || setting.quantity === 'gap') {
          const read = parseLength(written)
          expect(!isRefusal(read) && read.mm, where).toBeCloseTo(setting.target, 2)
        } else if (setting.quantity === 'turns') {
          const read = parseTurns(written)
          expect(!isRefusal(read) && read.eighths, where).toBe(setting.target)
        } else if (setting.quantity === 'notches') {
          const read = parseNotches(written)
          expect(!isRefusal(read) && read.notches, where).toBe(setting.target)
        } else expect(Number(written), where).toBe(setting.target)
      }
  })

  it('says what to do where the float stands a millimetre beyond its band, and the deed lands in it', () => {
    for (const sheets of all) {
      const { spec } = sheets
      const { float } = spec
      const setting = spec.settings.find((one) => one.code === 'float.height')!
      for (const by of [1, -1]) {
        const value = by > 0 ? setting.hi! + 1 : setting.lo! - 1
        const { verdict, remedy } = judged(sheets, setting, value)
        const where = `${spec.listNumber} at ${value}`
        expect(verdict, where).toBe('out')
        expect(remedy, where).not.toBeNull()
        // Worked here by the arms alone: small bends move the measuring point by its own arm.
        const change = aim(setting)! - value
        const [x, y] = float.measurePoint.at
        const arm = Math.hypot(x, y)
        if (remedy!.action === 'bend tang') {
          const moved = (remedy!.amount / float.tangArm) * arm
          // The arc is a little longer than the height that it gives.
          expect(moved, where).toBeGreaterThanOrEqual(Math.abs(change) - 0.01)
          expect(moved, where).toBeLessThan(Math.abs(change) * 1.4)
        } else if (remedy!.action === 'bend arm') {
          expect(remedy!.amount, where).toBeCloseTo(Math.abs(change), 0)
        } else expect(['change washer', 'renew'], where).toContain(remedy!.action)
      }
    }
  })

  it('turns the word round on the two sides of the band: early one way, late the other', () => {
    for (const sheets of all) {
      const setting = sheets.spec.settings.find((one) => one.code === 'float.height')!
      const over = judged(sheets, setting, setting.hi! + 1).meaning
      const short = judged(sheets, setting, setting.lo! - 1).meaning
      const early = sheets.spec.float.sense === 1 ? over : short
      const late = sheets.spec.float.sense === 1 ? short : over
      expect(early, sheets.spec.listNumber).toMatch(/early, so fuel stands .* too low/)
      expect(late, sheets.spec.listNumber).toMatch(/late, so fuel stands .* too high/)
    }
  })

  it('has every setting once, and none that undoes one before it', () => {
    for (const { spec } of all) {
      const keys = spec.settings.map(settingKey)
      expect(new Set(keys).size, spec.listNumber).toBe(keys.length)
      const order = settingsInOrder(spec).map((setting) => setting.code)
      // The drop hangs from the height, the stem from the link's hole, the pull-off from the cover.
      if (order.includes('float.drop'))
        expect(order.indexOf('float.drop'), spec.listNumber).toBeGreaterThan(order.indexOf('float.height'))
      if (order.includes('vacuumBreak.gap') && order.includes('choke.index'))
        expect(order.indexOf('vacuumBreak.gap'), spec.listNumber).toBeGreaterThan(
          order.indexOf('choke.index'),
        )
    }
  })

  it('carries the supply that its needle can hold, with half as much again', () => {
    for (const { spec } of all)
      expect(spec.supply.mostKpa, spec.listNumber).toBeGreaterThanOrEqual(spec.supply.pressureKpa)
  })
})
