import { pumpBand, proofsOf, type Proof } from '@ekrond/core/judge/proof'
import { fold } from '@ekrond/core/log'
import type { Sheets } from '@ekrond/core/sheets'
import type { Locator, Page } from '@playwright/test'
import { JOB, opening, placed, sheetsFor, unsent } from '../demo/log-entries.ts'
import { openOn } from './job.ts'
import { expect, test } from './shop.ts'

const ask = (page: Page): Locator => page.getByRole('region', { name: 'Current step' })

/** Proofs that take their own minutes or an instrument: ten minutes of weep, a coil's curve. They are left open here. */
const TAKES_TIME = ['weep', 'travel', 'alike']

/** What a good unit shows, typed or tapped. */
async function show(page: Page, proof: Proof, { spec }: Sheets): Promise<void> {
  const field = () => ask(page).getByRole('textbox').first()
  switch (proof.how) {
    case 'hold':
      await field().fill(proof.code === 'vacuum' ? '50 49.95 60' : '40 39.98 60')
      return
    case 'lifts':
      await field().fill('10 10')
      return
    case 'level': {
      const said = await ask(page)
        .getByText(/^Expect [\d.]+ to/)
        .innerText()
      const [lo, hi] = /([\d.]+) to ([\d.]+)/.exec(said)!.slice(1).map(Number)
      await field().fill(((lo! + hi!) / 2).toFixed(1))
      return
    }
    case 'pump': {
      const { lo, hi } = pumpBand(spec)
      await field().fill(lo === null || hi === null ? '12' : ((lo + hi) / 2).toFixed(1))
      await ask(page).getByRole('button', { name: 'At once', exact: true }).click()
      return
    }
    case 'seen':
      await ask(page)
        .getByRole('button', { name: `It ${proof.wants}` })
        .click()
      return
    default:
      throw new Error(`nobody types ${proof.how}`)
  }
}

for (const [families, listNumbers] of [
  [
    'downdrafts of two and four barrels, an updraft and a twin',
    ['K-4417-2S', 'Q-8010-1S', '12T-401', '24T-529'],
  ],
  ['a slide, a diaphragm unit and a small one-barrel', ['S26-14F', 'D32-25K', 'U712B']],
] as const)
  test(`${families} are proved by hand, each of their proofs as their sheet asks them; what takes its time stands open by name`, async ({
    bench: page,
    shop,
  }) => {
    for (const listNumber of listNumbers)
      await test.step(listNumber, async () => {
        const sheets = sheetsFor(listNumber)
        const { number } = await openOn(shop, sheets)
        const state = fold(JOB, [placed(unsent(1, 'job.opened', opening), 1)])
        const proofs = proofsOf({ state, sheets, body: 1 })
        const byHand = proofs.filter(({ how }) => how !== 'ports' && !TAKES_TIME.includes(how))
        expect(byHand.length).toBeGreaterThan(3)
        await page.goto(`/jobs/${number}/prove`)
        for (const proof of byHand) {
          await page.getByRole('button', { name: new RegExp(`^${proof.name}:`) }).click()
          await expect(page.getByRole('heading', { level: 2, name: proof.name })).toBeVisible()
          await show(page, proof, sheets)
          await ask(page)
            .getByRole('button', { name: /^Log: passed/ })
            .click()
          await expect(
            page.getByRole('button', { name: new RegExp(`^${proof.name}: .*passed`) }),
          ).toBeVisible()
        }
        // What was not proved stands at the gate by its own name, nothing else of the proofs does.
        await page.goto(`/jobs/${number}/return`)
        const points = page.getByRole('list', { name: 'Open items' })
        await expect(points).toBeVisible()
        const open = proofs.filter((proof) => TAKES_TIME.includes(proof.how))
        for (const { name } of open)
          await expect(points.getByText(name, { exact: false }).first()).toBeVisible()
        for (const { name } of byHand) await expect(points.getByText(`${name}: failed`)).toHaveCount(0)
      })
  })
