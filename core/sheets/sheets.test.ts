import { sheetsFor, ferrySheets } from '../../demo/log-entries.ts'
import { describe, expect, it } from 'vitest'
import { templates } from '../unit/families/templates/index.ts'
import { fold } from '../log/index.ts'
import { ownSheets } from '../taught/index.ts'
import * as v from 'valibot'
import { models } from '../../demo/catalogue.ts'
import {
  assemblyOrder,
  teardownOrder,
  BuildSheet,
  listNumberSheets,
  Model,
  settingKey,
  SettingSpec,
  SpecSheet,
} from './index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { differenceSentence, differenceTable, sheetDifferences } from '../judge/differences/index.ts'
import { valueHistory } from './library/index.ts'

const model = models()[0]!
const sheetsOf = (number: string) => {
  const sheets = listNumberSheets(
    model,
    model.listNumbers.find((item) => item.number === number)!,
  )
  if (isRefusal(sheets)) throw new Error(sheets.refused.why)
  return sheets
}

describe('a list number’s sheets', () => {
  it('are its model’s with its own parameters in place, shapes untouched', () => {
    const { spec, build } = sheetsOf('K-4417-2S')
    expect(spec.settings.find((s) => settingKey(s) === 'float.height/none')).toMatchObject({
      target: 13.5,
      datum: model.spec.settings.find((s) => s.code === 'float.height')!.datum,
    })
    expect(spec.section).toEqual(model.spec.section)
    expect(spec.float).toMatchObject({ floatMass: 9, seatBore: 2.4, tangArm: 6 })
    expect(build.positions.find((p) => p.code === 'seat')).toMatchObject({
      part: 'SE-240',
      deciding: { newMm: 2.4 },
    })
  })
  it('leave out a position that this one does not have', () => {
    const without = model.listNumbers.find((item) => item.parts['power.piston'] === null)!
    expect(sheetsOf(without.number).build.positions.some((p) => p.code === 'power.piston')).toBe(false)
  })
  it('are refused where a key is not the model’s', () => {
    const item = {
      ...model.listNumbers[0]!,
      settings: { 'float.depth/none': { asWritten: '1', target: 1, lo: null, hi: null } },
    }
    expect(listNumberSheets(model, item)).toMatchObject({ refused: { input: 'settings' } })
  })
  it('the schema turns a band upside down away', () => {
    const setting = model.spec.settings[0]!
    expect(v.safeParse(SettingSpec, { ...setting, lo: 5, hi: 4 }).success).toBe(false)
    expect(v.safeParse(Model, model).success).toBe(true)
  })
})

describe('what sets two apart', () => {
  it('is told by setting, calibration and part, and whether it matters', () => {
    const rows = sheetDifferences(sheetsOf('K-4417-2S'), sheetsOf('K-4417-1'))
    expect(rows.find((row) => row.name === 'Float height')).toMatchObject({
      about: 'setting',
      a: '13.5 ±0.5',
      b: '14.0 ±0.5',
    })
    expect(differenceSentence(rows)).toMatch(/find out which one it is\.$/)
    expect(sheetDifferences(sheetsOf('K-4417-1'), sheetsOf('K-4417-1'))).toEqual([])
    expect(differenceSentence([])).toBe('Same work either way: the difference does not matter.')
  })
  it('of three shows what any of them has otherwise, with the value of each, and what two of them share', () => {
    const three = [sheetsOf('K-4417-2S'), sheetsOf('K-4417-1'), sheetsFor('S26-14F')]
    const rows = differenceTable(three)
    const height = rows.find(({ name }) => name === 'Float height')!
    expect(height.values).toHaveLength(3)
    expect(new Set(height.values).size).toBeGreaterThan(1)
    // A slide has no pump: its column says so.
    const pump = rows.find(({ name }) => /pump stem/i.test(name))!
    expect(pump.values[2]).toBe('none')
    expect(rows.every(({ values }) => new Set(values).size > 1)).toBe(true)
  })
  it('counts gaskets apart from other parts', () => {
    expect(
      differenceSentence([
        { about: 'setting', name: 'Float height' },
        { about: 'part', name: 'Cover gasket' },
        { about: 'part', name: 'Flange gasket' },
        { about: 'part', name: 'Seat' },
      ]),
    ).toBe('They differ in float height, 2 gaskets and 1 other part: find out which one it is.')
  })
})

describe('the stack', () => {
  it('comes apart from the top layer down, and goes together the other way round', () => {
    const { build } = sheetsOf('K-4417-2S')
    const order = teardownOrder(build).map((p) => p.code)
    expect(order[0]).toBe('choke.coil')
    expect(order.indexOf('cover')).toBeLessThan(order.indexOf('float'))
    expect(order.indexOf('float')).toBeLessThan(order.indexOf('body.gasket'))
    expect(order).not.toContain('plugs')
    expect(assemblyOrder(build).map((p) => p.code)).toEqual([...order].reverse())
  })
})

describe('a value through its revisions', () => {
  it('stands where it changed, with its source, oldest first', () => {
    const { spec } = ferrySheets()
    const older = {
      ...spec,
      settings: spec.settings.map((s) =>
        s.code === 'float.height' ? { ...s, asWritten: '14.0 ±0.5', source: 'kit leaf' as const } : s,
      ),
    }
    const history = valueHistory([
      { revision: 'a/1', spec: older },
      { revision: 'a/2', spec },
      { revision: 'a/3', spec },
    ])
    expect(history['float.height/none']).toEqual([
      { revision: 'a/1', asWritten: '14.0 ±0.5', source: 'kit leaf' },
      { revision: 'a/2', asWritten: '13.5 ±0.5', source: 'factory sheet' },
    ])
    expect(history['float.drop/none']).toHaveLength(1)
    expect(history['seat/none']).toEqual([{ revision: 'a/1', asWritten: '2.40', source: 'calibration' }])
  })
})

describe('the families that lend a taught unit its sheets', () => {
  it.each(Object.values(templates))('$family: a unit of it has sheets that pass their schema', (template) => {
    const entry = {
      id: '00000000-0000-4000-8000-000000000002',
      job: '00000000-0000-4000-8000-000000000001',
      kind: 'ident.taught',
      v: 1,
      body: 1,
      data: {
        family: template.family,
        barrels: template.spec.barrels,
        float: 'from the cover',
        choke: 'coil',
        maker: '',
        name: 'kiln ?-type',
      },
      by: 'O. Dell',
      at: '2026-11-26T09:00:00Z',
      receivedAt: '2026-11-26T09:00:00Z',
      seq: 1,
    }
    const { spec, build } = ownSheets(fold(entry.job, [entry]), 1, template)
    expect(v.safeParse(SpecSheet, spec).issues).toBeUndefined()
    expect(v.safeParse(BuildSheet, build).issues).toBeUndefined()
  })
})
it('a sheet of before, with castings of its own in its section, is still read', () => {
  const { spec } = sheetsOf('K-4417-2S')
  const before = {
    ...spec,
    section: {
      ...spec.section,
      castings: [{ name: 'cover', outline: [[0, 0]] }],
      lines: [],
      seat: [],
      bowl: [[0, 0]],
      heldWords: 'upside down',
    },
  }
  expect(v.parse(SpecSheet, before)).toEqual(spec)
})
