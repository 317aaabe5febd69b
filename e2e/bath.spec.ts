import { expect, test } from './shop.ts'

interface Bath {
  items: { number: number; name: string; state: string }[]
}

test('two jobs share one bath: in together, a timer on the rack, out together, each in its own log', async ({
  bench: page,
  shop,
}) => {
  const bath = async () => ((await (await fetch(`${shop.url}/api/baths`)).json()) as Bath).items
  const jobsIn = async (state: string) => [
    ...new Set((await bath()).filter((item) => item.state === state).map(({ number }) => number)),
  ]
  await page.goto('/jobs/1192/clean?view=bath')
  await expect(page.getByRole('heading', { name: 'Next load' })).toBeVisible()
  // Floats and coils are not planned: they stand beside the tank with how they are cleaned instead.
  await expect(page.getByText('Not in a bath')).toBeVisible()
  expect(await jobsIn('in')).toEqual([])

  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /^Out at/ })).toBeVisible()
  await expect.poll(async () => (await jobsIn('in')).length).toBeGreaterThan(1)
  await expect.poll(async () => jobsIn('in')).toContain(1192)
  expect((await bath()).filter(({ state }) => state === 'in').map(({ name }) => name)).not.toContain('Float')

  // The rack says until when, whoever looks.
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'In the bath' })).toBeVisible()
  await page.getByRole('link', { name: /Then out/ }).click()
  await expect(page.getByRole('heading', { name: /^Out at/ })).toBeVisible()

  // By now each job of the load has its entry.
  const together = await jobsIn('in')
  await page.getByRole('button', { name: /^Removed, rinsed/ }).click()
  await expect.poll(async () => jobsIn('in')).toEqual([])
  await expect.poll(async () => [...(await jobsIn('drying'))].sort()).toEqual([...together].sort())
  for (const number of together) {
    const { entries } = (await (await fetch(`${shop.url}/api/jobs/${number}`)).json()) as {
      entries: { kind: string }[]
    }
    expect(entries.filter(({ kind }) => kind === 'bath.in' || kind === 'bath.out')).toHaveLength(2)
  }
})
