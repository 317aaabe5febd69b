import { isRefusal } from '@ekrond/core/base/refusal'
import { listNumberSheets } from '@ekrond/core/sheets'
import { describe, expect, it } from 'vitest'
import { models } from './catalogue.ts'

const all = models().flatMap((model) =>
  model.listNumbers.map((item) => {
    const sheets = listNumberSheets(model, item)
    if (isRefusal(sheets)) throw new Error(sheets.refused.why)
    return { number: item.number, ...sheets }
  }),
)
const keyOf = ({ code, place }: { code: string; place: string }) =>
  place === 'none' ? code : `${code}/${place}`

describe('the sizes of the demo’s parts', () => {
  it('are those of the calibration: the pin that decides, and the part that is ordered', () => {
    let compared = 0
    for (const { number, spec, build } of all)
      for (const value of spec.calibration) {
        const position = build.positions.find((one) => one.code === keyOf(value))
        if (!position || value.mm === null) continue
        const where = `${number}, ${position.name}`
        if (position.deciding?.what === 'bore') expect(position.deciding.newMm, where).toBe(value.mm)
        // A bore stands in the part's number in hundredths of a millimetre.
        const size = /^(?:JT|SE)-(\d{3})/.exec(position.part ?? '')
        if (size) expect(Number(size[1]) / 100, `${where}: ${position.part}`).toBeCloseTo(value.mm, 5)
        compared++
      }
    expect(compared).toBeGreaterThan(300)
  })
  it('a jet that stands in the build sheet stands in the calibration', () => {
    for (const { number, spec, build } of all)
      for (const position of build.positions)
        if (position.kind === 'jet' && position.deciding)
          expect(spec.calibration.map(keyOf), `${number}, ${position.name}`).toContain(position.code)
  })
})
