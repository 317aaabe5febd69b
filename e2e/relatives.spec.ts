import { randomUUID } from 'node:crypto'
import { opening, unsent } from '../demo/log-entries.ts'
import { expect, test } from './shop.ts'
import { AT as at, enterTaken } from './taken.ts'

test('a leaf against its relatives: a misprint is named, both values stand until somebody says why one holds', async ({
  bench: page,
  shop,
}) => {
  const job = randomUUID()
  const entries = [
    unsent(1, 'job.opened', { ...opening, promise: '2026-11-27' }, { id: randomUUID(), job, at }),
    unsent(
      2,
      'ident.taught',
      {
        family: 'downdraft',
        barrels: 2,
        float: 'from the cover',
        choke: 'coil',
        maker: '',
        name: 'ferry spare',
      },
      { id: randomUUID(), job, at },
    ),
    unsent(
      3,
      'feature.seen',
      { feature: 'throttleBoreMm', raw: '31.0', value: 31, sigma: 0.06 },
      { id: randomUUID(), job, at },
    ),
    // Heights are compared only where it is said what they are read from.
    unsent(
      4,
      'own.dimension',
      { fact: 'float.sense', raw: 'from the face', value: 'from the face', sigma: null, gauge: null },
      { id: randomUUID(), job, at },
    ),
  ]
  const number = await enterTaken(shop, job, entries)
  await page.goto(`/jobs/${number}/identify`)

  // Of two-barrels with its bore the library has the height: their median, how many, how far they lie apart.
  const ask = page.getByRole('region', { name: 'Current step' })
  await expect(ask.getByRole('heading', { name: 'Float height' })).toBeVisible()
  await expect(ask.getByRole('alert')).toHaveCount(0)
  const offer = ask.getByRole('button', { name: /^Use similar units’: 1\d(\.\d)? · \d+ of them/ })
  const median = /: (1\d(?:\.\d)?) /.exec(await offer.innerText())![1]!
  await offer.click()

  // The leaf has two figures swapped: it is asked for, and written all the same where somebody insists.
  await page.getByRole('button', { name: new RegExp(`^Float ${median.replace('.', '\\.')}`) }).click()
  await expect(ask.getByRole('list', { name: 'Sources' })).toContainText(/similar units · fair/)
  const field = ask.getByRole('textbox', { name: 'Float height, value' })
  await field.fill('31.5')
  await expect(ask.getByRole('alert').first()).toContainText(
    /31\.5 is far from similar units .*likely misprint.* 13\.5\?/,
  )
  await ask.getByRole('button', { name: 'a leaf' }).click()
  await page.getByRole('button', { name: /^Save value/ }).click()
  await expect(ask.getByText(/\(similar units\) says otherwise\. Ekrond uses kit leaf/)).toBeVisible()
  await ask.getByRole('button', { name: /holds$/ }).click()
  await page.getByLabel('Reason').fill('the leaf swapped two figures')
  await page.getByRole('button', { name: /^Use it/ }).click()
  await expect(ask.getByText('Decided: the leaf swapped two figures')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Float 1\d(\.\d)? similar units/ })).toBeVisible()
})
