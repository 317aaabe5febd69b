import { describe, expect, it } from 'vitest'
import { returnSheet, type ReturnSheet } from '@ekrond/core/bench/return-sheet'
import { fold, type DataOf } from '@ekrond/core/log'
import { identified, JOB, opening, placed, sheetsFor, unsent } from '../../demo/log-entries.ts'
import { customerPage } from './customer-page.ts'
import { returnSheetPdf } from './return-sheet.ts'

const sheets = sheetsFor('K-4417-2S')
const sheet = (customer: string) => {
  const first: DataOf['job.opened'] = { ...opening, customer }
  const entries = [
    unsent(1, 'job.opened', first),
    unsent(2, 'ident.chosen', { ...identified, specRev: sheets.specRev, buildRev: sheets.buildRev }),
    unsent(3, 'estimate.made', { amountMinor: 8650, hourMinor: 5400, words: '' }),
    unsent(4, 'estimate.agreed', { yes: true, who: 'the skipper' }),
    unsent(5, 'test.noted', { test: 'inlet', result: 'bad' }),
  ]
  return returnSheet(
    fold(
      JOB,
      entries.map((entry, i) => placed(entry, i + 1)),
    ),
    { 1: sheets },
    1181,
  )
}
const head = { shop: 'Lantern Weir', date: '2026-11-26', currency: { code: 'OSK', exponent: 2 } }

describe('the customer’s page', () => {
  const html = customerPage([sheet('Osk chain ferry')], head)
  it('has nothing from outside and no script, and lets none in', () => {
    expect(html).toContain(`content="default-src 'none'; style-src 'unsafe-inline'; img-src data:"`)
    expect(html).not.toMatch(/<script|<link|<iframe|url\(|src="http|href=/i)
  })
  it('says what is dangerous before anything else is done', () => {
    const danger = html.indexOf('Before anyone cranks')
    expect(danger).toBeGreaterThan(0)
    expect(danger).toBeLessThan(html.indexOf('Fill the dry bowl first'))
  })
  it('tells each proof as it came in and as it is, and the money', () => {
    expect(html).toContain('<td>Inlet under air</td><td>≤ 2.0</td><td>leaks down</td><td>·</td>')
    expect(html).toContain('Estimate 86.50 OSK, agreed by the skipper')
  })
  it('makes text of whatever was typed', () => {
    const hostile = customerPage([sheet('<img src=x onerror=alert(1)>&"')], head)
    expect(hostile).not.toContain('<img src=x')
    expect(hostile).toContain('&lt;img src=x onerror=alert(1)&gt;&amp;&quot;')
  })
  it('makes text of whatever stands in an imported sheet, in each of its places', () => {
    const hostile = '<img src=x onerror=alert(1)>'
    const everywhere = (value: unknown): unknown =>
      typeof value === 'string'
        ? hostile
        : Array.isArray(value)
          ? value.map(everywhere)
          : value && typeof value === 'object'
            ? Object.fromEntries(Object.entries(value).map(([key, one]) => [key, everywhere(one)]))
            : value
    const page = everywhere(sheet('x')) as ReturnSheet
    const picture = {
      outlines: [],
      bounds: { x0: 0, x1: 10, y0: 0, y1: 10 },
      adjusters: [],
      ports: [{ letter: hostile, name: hostile, left: hostile, at: [0, 0], side: 'left', state: 'open' }],
    }
    const written = customerPage(
      [{ ...page, standing: { word: hostile, rests: hostile }, picture } as unknown as ReturnSheet],
      { ...head, shop: hostile, date: hostile },
      [{ data: 'AAAA', type: hostile, words: hostile }],
    )
    expect(written).toContain('&lt;img src=x')
    expect(written).not.toContain('<img src=x')
  })
  it('carries its photographs in itself', () => {
    const page = customerPage([sheet('x')], head, [
      { data: 'AAAA', type: 'image/webp', words: 'As it came: rust' },
    ])
    expect(page).toContain('src="data:image/webp;base64,AAAA"')
    expect(page).toContain('As it came: rust')
  })
})

describe('photographs on the paper', () => {
  // The least JPEG that there is: one grey point.
  const point =
    '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAACf/EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AVP/Z'
  const pagesOf = async (photos?: { data: string; type: string; words: string }[]) => {
    const pdf = await returnSheetPdf([sheet('x')], { ...head, ...(photos ? { photos } : {}) })
    return pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length
  }
  it('of which one is broken leaves a frame with a sentence, and the sheet goes out', async () => {
    const broken = Buffer.from('/9j/4AAQSkZJRg', 'base64').toString('base64')
    const without = await pagesOf()
    expect(await pagesOf([{ data: broken, type: 'image/jpeg', words: 'As it came' }])).toBe(without + 1)
  })
  it('stand on a page of their own behind the sheet, and only where there are some', async () => {
    const without = await pagesOf()
    expect(await pagesOf([{ data: point, type: 'image/jpeg', words: 'As it came' }])).toBe(without + 1)
    expect(await pagesOf([])).toBe(without)
  })
})
