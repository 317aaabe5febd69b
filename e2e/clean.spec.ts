import { randomUUID } from 'node:crypto'
import { unsent } from '../demo/log-entries.ts'
import { accessible, expect, test } from './shop.ts'
import { AT, enterTaken } from './taken.ts'

// By fingers on the bench's tablet, 1024 by 768.
test.use({ touch: true })

test('a blocked passage is found by blowing port by port, cleaned, blown again and proven', async ({
  bench: page,
  shop,
}) => {
  // What was blown before it was cleaned says nothing of now.
  const { job } = (await (await fetch(`${shop.url}/api/jobs/1181`)).json()) as { job: string }
  const cleaned = { passage: 'transfer', tool: 'soft' } as const
  await enterTaken(shop, job, [unsent(1, 'passage.cleaned', cleaned, { id: randomUUID(), job, at: AT })])
  await page.goto('/jobs/1181/clean')
  await expect(page.getByRole('heading', { name: 'Blow in air and watch where it comes out' })).toBeVisible()
  await accessible(page, 'clean')
  const port = (code: string) => page.getByRole('button', { name: new RegExp(`^Port ${code},`) })
  const branch = (name: string) =>
    page.getByRole('list', { name: 'Branches' }).getByRole('listitem').filter({ hasText: name })

  // Blow in at the main jet: air at the booster and the idle hole, none at the transfer slot.
  await port('J').tap()
  await expect(page.getByRole('heading', { name: 'Blow in at J: where does air come out?' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Tap where you looked/ })).toBeDisabled()
  await port('B').tap()
  await port('I').tap()
  await port('T').tap()
  await port('T').tap()
  await expect(port('T')).toHaveAccessibleName(/no air/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Transfer feed seems blocked' })).toBeVisible()
  await expect(page.getByText('On the engine: a flat spot just off idle.')).toBeVisible()
  await expect(branch('Transfer feed')).toContainText('blocked')
  await expect(page.getByText('Wear eye protection: it sprays back.')).toBeInViewport()

  // It stands at the gate by its name.
  await page.goto('/jobs/1181/return')
  await expect(page.getByRole('button', { name: /Transfer feed seems blocked/ })).toBeAttached()
  await page.goto('/jobs/1181/clean')
  // Nine tenths of 0.9 mm, and never on a taper.
  await page.getByRole('button', { name: 'Sized tool' }).tap()
  await expect(page.getByText(/at most 0.80 mm in its 0.90 mm. Never on a tapered seat/)).toBeVisible()
  await page.getByRole('button', { name: 'Cleaned: blow again' }).tap()
  await expect(page.getByText('no air test since cleaning')).toBeVisible()

  for (const [from, ...seen] of [
    ['J', 'B', 'I', 'T', 'A'],
    ['A', 'I', 'T', 'J'],
    ['W', 'N'],
  ] as const) {
    await port(from).tap()
    for (const code of seen) await port(code).tap()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /Tap where you blow in|Cleaned/ })).toBeVisible()
  }
  await expect(page.getByRole('heading', { name: 'Every passage is clear.' })).toBeVisible()
  // A tap on Undo asks the last blow again.
  await page.getByRole('button', { name: 'Undo' }).tap()
  await expect(page.getByRole('heading', { name: 'Every passage is clear.' })).toBeHidden()
  await expect(branch('Pump discharge')).not.toContainText('free')
})

test('what lies in the bowl is tapped as its cover comes off, and stands on the sheet and the card', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1188/teardown?part=cover')
  const bowl = page.getByRole('group', { name: 'Sediment in the bowl' })
  await bowl.getByRole('button', { name: 'Rust' }).tap()
  await bowl.getByRole('button', { name: 'Crumbs of rubber' }).tap()
  await expect(bowl).toContainText(
    'Upstream: the tank or its pipe rusts; a hose or seal that this fuel dissolves.',
  )
  await expect(bowl.getByRole('button', { name: 'Rust' })).toHaveAttribute('aria-pressed', 'true')
  await page.goto('/jobs/1188/return')
  await expect(page.getByText('In the bowl: rust, crumbs of rubber')).toBeAttached()
  await expect(page.getByText(/the tank is rusting/)).toBeAttached()
  // Taken back by touch, one tap at a time.
  await page.goto('/jobs/1188/teardown?part=cover')
  await page.getByRole('button', { name: 'Undo' }).tap()
  await expect(bowl.getByRole('button', { name: 'Crumbs of rubber' })).toHaveAttribute(
    'aria-pressed',
    'false',
  )
  await expect(bowl.getByRole('button', { name: 'Rust' })).toHaveAttribute('aria-pressed', 'true')
})
