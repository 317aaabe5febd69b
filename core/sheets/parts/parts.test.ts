import { describe, expect, it } from 'vitest'
import { models } from '../../../demo/catalogue.ts'
import { causes } from '../../diagnose/complaint/index.ts'
import { partsTable, dispositionWord, dispositions } from './index.ts'

const kinds = Object.keys(partsTable) as (keyof typeof partsTable)[]
const condition = (kind: keyof typeof partsTable, code: string) =>
  partsTable[kind].conditions.find((one) => one.code === code)!

describe('what a part can be found to be', () => {
  it('begins with what is commonest, which is good but for what is always renewed', () => {
    for (const kind of kinds)
      expect(partsTable[kind].conditions[0]!.disposition, kind).toBe(kind === 'gasket' ? 'replace' : 'reuse')
  })
  it('has each condition once, in words, with a reason that a technician can say to a customer', () => {
    for (const kind of kinds) {
      const codes = partsTable[kind].conditions.map((one) => one.code)
      expect(new Set(codes).size, kind).toBe(codes.length)
      for (const one of partsTable[kind].conditions) {
        expect(one.label, `${kind} ${one.code}`).toMatch(/^[A-Z]/)
        expect(one.why.length, `${kind} ${one.code}`).toBeGreaterThan(5)
        expect(dispositions, `${kind} ${one.code}`).toContain(one.disposition)
        expect(dispositionWord[one.disposition]).toMatch(/^[A-Z]/)
      }
    }
  })
  it('explains only what the table of causes knows', () => {
    const known = causes.map(({ code }) => code)
    for (const kind of kinds)
      for (const one of partsTable[kind].conditions)
        for (const cause of one.explains) expect(known, `${kind} ${one.code}`).toContain(cause)
  })
  it('condemns only what cannot be had or mended: castings, and a tip that sits in one', () => {
    const condemned = kinds.flatMap((kind) =>
      partsTable[kind].conditions
        .filter((one) => one.disposition === 'condemn')
        .map((one) => `${kind} ${one.code}`),
    )
    expect(condemned.sort()).toEqual([
      'body drilledPassage',
      'body postCracked',
      'body strippedJet',
      'cover cracked',
      'fitting castingStripped',
      'mixtureScrew brokenOff',
      'mixtureScrew seatMarked',
    ])
  })
  it('cleans what a wash may save, and never what seals', () => {
    for (const [kind, code] of [
      ['jet', 'varnished'],
      ['nozzle', 'blocked'],
      ['screen', 'dirt'],
      ['slide', 'sticks'],
      ['needle', 'sticks'],
    ] as const)
      expect(condition(kind, code).disposition, `${kind} ${code}`).toBe('clean')
    for (const kind of ['gasket', 'seal', 'diaphragm', 'washer'] as const)
      expect(
        partsTable[kind].conditions.some((one) => one.disposition === 'clean'),
        kind,
      ).toBe(false)
  })
  it('a bore that was opened is never reused: jets, nozzles and seats lose their size', () => {
    for (const [kind, code] of [
      ['jet', 'drilled'],
      ['nozzle', 'enlarged'],
      ['seat', 'ringed'],
      ['seat', 'pounded'],
    ] as const)
      expect(condition(kind, code).disposition, `${kind} ${code}`).toBe('replace')
  })
  it('knows every kind of part that the library has', () => {
    for (const model of models())
      for (const position of model.build.positions) expect(kinds, position.code).toContain(position.kind)
  })
})
