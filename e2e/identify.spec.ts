import { expect, test } from './shop.ts'

test('a painted-over mark is settled by three next looks, one of them crossed out and put back', async ({
  bench: page,
}) => {
  await page.goto('/receive')
  await page.getByLabel('Customer', { exact: true }).fill('Osk hop kiln 2')
  await page.getByLabel('Engine', { exact: true }).fill('kiln engine')
  await page.getByLabel('Equipment').fill('drying fan')
  await page.getByLabel('Promised').fill('2026-12-04')
  await page.getByRole('button', { name: 'hard start' }).click()
  await page.getByRole('button', { name: /^Open job/ }).click()
  await expect(page).toHaveURL(/identify$/)

  // Under the paint only the beginning and the hyphen can be felt.
  await page.getByLabel('Mark on the plate').fill('K-4???')
  await page.keyboard.press('Enter')
  const first = page.getByRole('listbox', { name: 'Ranking' }).getByRole('option').first()
  await expect(first).toContainText('%')
  const chance = async () => Number(/(\d+) %/.exec(await first.innerText())?.[1] ?? 0)
  const blind = await chance()
  const VALUES: Readonly<Record<string, string>> = {
    'throttle bore': '31.0',
    venturi: '25.0',
    'flange bolts': '74.2',
    draft: 'down',
    barrels: '2',
    choke: 'coil, hot air',
    'inlet thread': '5/8',
    casting: 'zinc',
  }
  const looked: string[] = []
  for (let n = 0; n < 3; n++) {
    const next = page.getByText(/^(Caliper|Look at) the .*\.$/)
    if ((await next.count()) === 0) break
    const name = /the (.*)\.$/.exec(await next.innerText())![1]!
    expect(looked).not.toContain(name)
    looked.push(name)
    const field = page.getByLabel(name, { exact: true })
    if ((await field.evaluate((element) => element.tagName)) === 'SELECT')
      await field.selectOption(VALUES[name]!)
    else {
      await field.fill(VALUES[name]!)
      await field.press('Enter')
    }
    await expect(page.getByRole('button', { name: /: sure$/ })).toHaveCount(n + 2)
  }
  expect(looked.length).toBeGreaterThan(0)
  expect(await chance()).toBeGreaterThan(blind)

  // Struck out, what was seen no longer counts; a tap on, it does again.
  const settled = await chance()
  const last = page.getByRole('button', { name: /: sure$/ }).last()
  await last.click()
  await page.getByRole('button', { name: /: think so$/ }).click()
  await expect(page.getByRole('button', { name: /: struck$/ })).toBeVisible()
  await page.getByRole('button', { name: /: struck$/ }).click()
  await expect.poll(chance).toBe(settled)
})

test('a cover of one list number on a body of another: the job carries both, each half its own values', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1182/identify')
  await page.getByLabel('Mark on the plate').fill('K-4417-2S')
  await page.keyboard.press('Enter')
  await page.getByLabel('Place of the mark').selectOption('body')
  await page.getByLabel('Mark on the body').fill('K-4431-1')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Two halves?')
  await page.getByRole('button', { name: 'It is both: K-4417-2S on a body of K-4431-1' }).click()
  await expect(page).toHaveURL(/asfound/)
  await expect(page.getByText('drawn from K-4417-2S on K-4431-1')).toBeVisible()
  // The mixture is the body's, the float the cover's.
  await expect(page.getByText('12.5', { exact: true })).toHaveCount(0)
  await expect(page.getByText('13.5', { exact: true }).first()).toBeVisible()
  await page.goto('/jobs/1182/identify')
  await expect(page.getByText('A mixed unit: cover K-4417-2S, body K-4431-1.')).toBeVisible()
  await page.goto('/jobs/1182/history')
  await expect(page.getByText(/identified it as K-4417-2S on a body of K-4431-1/)).toBeVisible()
})

test('a library of thousands is gone through beside the page: the same number, and nobody chooses before it is weighed', async ({
  bench: page,
}) => {
  // Numbers as makers make them; the unit's own stands among three thousand.
  const letters = 'BDHMNRTW'
  const candidates = Array.from({ length: 3000 }, (_, i) => ({
    id: `${letters[i % 8]}-${2000 + ((i * 7919) % 7000)}-${1 + (i % 9)}`,
    maker: 'Orvane',
    mark: `${letters[i % 8]}-${2000 + ((i * 7919) % 7000)}-${1 + (i % 9)}`,
    weight: 1,
    features: { barrels: 2, throttleBoreMm: 28 + (i % 40) / 10 },
  }))
  const wanted = candidates[1234]!
  const workers: string[] = []
  page.on('worker', (worker) => workers.push(worker.url()))
  await page.route('**/api/catalogue', (route) => route.fulfill({ json: { candidates } }))
  await page.goto('/jobs/1182/identify')
  await page.getByLabel('Mark on the plate').fill(wanted.mark)
  const ranking = page.getByRole('listbox', { name: 'Ranking' })
  await expect(ranking.getByRole('option').first()).toContainText(wanted.id)
  expect(workers.some((url) => url.includes('weigh'))).toBe(true)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Use this number/ })).toBeEnabled()
  // Its last figure may be a look-alike: the others that it may be follow as it is typed.
  await page.getByLabel('Mark on the plate').fill(wanted.mark.replace(/\d$/, '?'))
  await expect(ranking.getByRole('option').nth(1)).toContainText('%')
  await expect(page.getByRole('button', { name: 'Teach this one' })).toBeVisible()
})
