import { randomUUID } from 'node:crypto'
import { identified, opening, sheetsFor, unsent } from '../demo/log-entries.ts'
import { expect, test } from './shop.ts'
import { AT, enterTaken } from './taken.ts'

// By fingers on the bench's tablet, 1024 by 768.
test.use({ touch: true })

test('a whole teardown of a two-barrel goes on while the network is cut in the middle, and nothing is lost', async ({
  bench: page,
  shop,
}) => {
  const sheets = sheetsFor('K-4417-2S')
  const job = randomUUID()
  const entries = [
    unsent(1, 'job.opened', opening),
    unsent(2, 'ident.chosen', identified),
    unsent(3, 'teardown.unlocked', { why: 'in a box' }),
  ].map((entry) => ({ ...entry, id: randomUUID(), job, at: AT }))
  const number = await enterTaken(shop, job, entries)
  const off = async () =>
    (
      (await (await fetch(`${shop.url}/api/jobs/${number}`)).json()) as {
        entries: { kind: string; data: { position: string } }[]
      }
    ).entries
      .filter(({ kind }) => kind === 'part.off')
      .map(({ data }) => data.position)

  await page.goto(`/jobs/${number}/teardown`)
  const title = page.locator('main h2')
  await expect(title).toBeVisible()
  const parts = sheets.build.positions.filter(({ stays }) => !stays)
  const cutAt = Math.floor(parts.length / 3)
  const backAt = Math.floor((parts.length * 2) / 3)
  let taken = 0
  for (let guard = 0; guard < 60; guard++) {
    const name = await title.innerText()
    if (name.startsWith('Everything is off')) break
    if (name.includes('before anything is moved')) {
      await page
        .getByRole('button', { name: /Skip|K$/ })
        .first()
        .tap()
      await page.locator('main input').first().fill('in a box')
      await page.keyboard.press('Enter')
    } else {
      if (taken === cutAt) await page.context().setOffline(true)
      if (taken === backAt) await page.context().setOffline(false)
      await page
        .getByRole('radiogroup', { name: 'Condition?' })
        .getByRole('radio')
        .first()
        .tap({ force: true })
      await page.getByRole('button', { name: /^(Removed, to tray|Save verdict)/ }).tap()
      taken++
    }
    await expect(title).not.toHaveText(name)
  }
  await expect(title).toHaveText('Everything is off and judged.')
  // Each part once, in the order in which it came off.
  await expect.poll(async () => (await off()).length).toBe(parts.length)
  expect(new Set(await off()).size).toBe(parts.length)
})
