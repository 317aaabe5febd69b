import { cautionsOff, cautionsOn } from '@ekrond/core/sheets'
import { describe, expect, it } from 'vitest'
import { everySheets } from './every-sheet.ts'
import { sheetsFor } from './log-entries.ts'

const COUNTS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']

describe('what the build sheets say, over every list number', () => {
  it('a proof counts as many as there are, and speaks of no thing that the unit lacks', () => {
    for (const { build } of everySheets()) {
      const has = (code: RegExp) => build.positions.some((position) => code.test(position.code))
      for (const { code, proof, quantity, step } of build.positions) {
        const where = `${build.listNumber} ${code}`
        const counted = /\ball (\w+) started/i.exec(proof)
        if (counted) expect(COUNTS.indexOf(counted[1]!), where).toBe(quantity)
        if (/pump/i.test(`${proof} ${step}`)) expect(has(/pump/), where).toBe(true)
        if (/washer/i.test(proof)) expect(has(/washer/), where).toBe(true)
        if (/cross pattern/i.test(proof)) expect(quantity, where).toBeGreaterThanOrEqual(4)
        // Rods that go in after the cover cannot be in their bores before it.
        if (/rods in their bores/i.test(proof)) expect(has(/^rods$/), where).toBe(false)
      }
    }
  })
  it('what is said while stripping is not said while building', () => {
    for (const { build } of everySheets())
      for (const position of build.positions) {
        const on = cautionsOn(position).join(' ')
        expect(on, `${build.listNumber} ${position.code}`).not.toMatch(/drain|into the can|falls out|cloths/i)
      }
    expect(cautionsOff(sheetsFor('K-4417-2S').build.positions.find((p) => p.code === 'cover')!)).toEqual([
      'Fuel stands in the bowl: tip it into the can first.',
      'Put fuel-soaked rags in a lidded metal bin. Dispose of them by local rules.',
    ])
    // What pushes when it comes off pushes when it goes on.
    expect(cautionsOn(sheetsFor('S26-14F').build.positions.find((p) => p.code === 'cap')!)).toEqual([
      'The spring pushes: eyes.',
    ])
  })
  it('nothing is noted as found by a way that destroys it', () => {
    for (const { spec } of everySheets())
      for (const { code, hold } of spec.settings)
        expect(hold, `${spec.listNumber} ${code}`).not.toMatch(/go slack|loosen the lock/i)
  })
})
