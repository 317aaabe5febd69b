import { expect, test } from './shop.ts'

test('an identification corrected after readings were taken: they are kept, and asked to be checked again', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1181/identify')
  await expect(page.getByRole('button', { name: /It is K-4417-2S/ })).toBeVisible()
  // The plate was misread: it is a K-4477-1, whose float stands at 14.0 and not at 13.5.
  await page.getByLabel('Mark on the plate').fill('K-4477-1')
  await page.keyboard.press('Enter')
  const ranking = page.getByRole('listbox', { name: 'Ranking' })
  await expect(page.getByRole('option', { name: 'plate: K-4477-1', exact: true })).toBeAttached()
  await ranking
    .getByRole('option')
    .filter({ hasText: /^K-4477-1\D/ })
    .first()
    .click()
  await page.getByRole('button', { name: /No, it is K-4477-1/ }).click()
  await page.goto('/jobs/1181/identify')
  const again = page.getByRole('region', { name: 'Check again' })
  await expect(again).toContainText('Float height')
  await expect(again).toContainText('14.6 was judged by 13.5 ±0.5, this sheet says 14.0 ±0.5')
  await again.getByRole('link', { name: /Check them against/ }).click()
  await expect(page.getByText(/spec 14\.0 ±0\.5/)).toBeVisible()
  // The verdict of then stays what it was then.
  await page.goto('/jobs/1181/history?at=identify')
  await expect(page.getByText('(a correction)').first()).toBeVisible()
  await page.goto('/jobs/1181/history?at=set')
  await expect(page.getByText(/1\.7 mm under/).first()).toBeVisible()

  // Undo and redo, by key: the correction goes and comes.
  const stands = page.locator('dl').getByRole('link', { name: /^K-44/ })
  await page.goto('/jobs/1181/identify')
  await expect(stands).toHaveText('K-4477-1')
  await page.keyboard.press('Escape')
  await page.keyboard.press('u')
  await expect(stands).toHaveText('K-4417-2S')
  await expect(again).toBeHidden()
  await page.keyboard.press('y')
  await expect(stands).toHaveText('K-4477-1')
  await page.keyboard.press('u')
  await expect(stands).toHaveText('K-4417-2S')
  // The mark as well: the plate says what it said.
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: 'It is K-4417-2S' })).toBeVisible()
})

test('two people correct the same identification: the second is told what stands now', async ({
  bench: page,
  shop,
}) => {
  const read = async () =>
    (await (await page.request.get(`${shop.url}/api/jobs/1193`)).json()) as {
      job: string
      entries: { id: string; kind: string; data: Record<string, unknown>; corrects?: string }[]
    }
  const { job, entries } = await read()
  const first = entries.find(({ kind, corrects }) => kind === 'ident.chosen' && !corrects)!
  const answer = (await (
    await page.request.post(`${shop.url}/api/jobs/${job}/entries`, {
      data: {
        entries: [
          {
            id: crypto.randomUUID(),
            job,
            kind: 'ident.chosen',
            v: 1,
            body: 1,
            data: { ...first.data, p: 0.5 },
            by: 'O. Dell',
            at: '2026-11-24T10:41:00Z',
            corrects: first.id,
          },
        ],
      },
    })
  ).json()) as { answers: { outcome: string; sentence: string }[] }
  expect(answer.answers[0]!.outcome).toBe('refused')
  expect(answer.answers[0]!.sentence).toMatch(/R\. Oda|I\. Marrow|O\. Dell/)
})

test.describe('reading', () => {
  test.use({ reads: true })

  test('any moment is seen as it was then, and nothing can be entered there', async ({ bench: page }) => {
    await page.goto('/jobs/1181/history?at=set')
    await page
      .getByRole('link', { name: /^View after entry/ })
      .last()
      .click()
    await expect(page.getByText(/^As of/)).toBeVisible()
    await expect(page.getByRole('img', { name: /Tries: 11\.8\./ })).toBeVisible()
    await page.getByLabel('Float height, reading').fill('13.5')
    await page.keyboard.press('Enter')
    await expect(page.getByText('This is how it stood then.', { exact: false })).toBeVisible()
    await page.getByRole('button', { name: 'Later' }).click()
    await expect(page.getByRole('img', { name: /Tries: 11\.8, 14\.6/ })).toBeVisible()
    await page.getByRole('link', { name: 'back to now' }).click()
    await expect(page.getByText(/^As of/)).toBeHidden()
    await page.getByLabel('Float height, reading').fill('')
  })
})

test('put right after it went back, a job has a sheet of revision B; A stays what it was', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1195/return')
  await expect(page.getByRole('heading', { name: /revision [B-Z]\./ })).toBeVisible()
  const sheet = async (letter: string) =>
    (await (await page.request.get(`${shop.url}/api/jobs/1195/sheet?revision=${letter}`)).json()) as {
      revision?: string
      pages?: unknown[]
    }
  expect(JSON.stringify(await sheet('A'))).not.toBe(JSON.stringify(await sheet('B')))
  const pdf = await page.request.get(`${shop.url}/api/jobs/1195/sheet.pdf?revision=A`)
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
})

test('each job opens where it was left, with the next thing one key away', async ({ bench: page }) => {
  await page.goto('/jobs/1190')
  await expect(page).toHaveURL(/\/set\?body=2$/)
  const left = page.getByRole('status', { name: 'Where you left off' })
  await expect(left).toContainText('float height tried once')
  await expect(left.getByRole('img')).toHaveAccessibleName(/parts are off/)
  await expect(left.getByRole('link')).toContainText('Next:')
  await page.keyboard.press('Escape')
  const to = await left.getByRole('link').getAttribute('href')
  await page.keyboard.press('.')
  await expect(page).toHaveURL(new RegExp(`${to!.replace('?', '\\?')}$`))
})

test('a job that went back shows no control that cannot act, and where work goes on', async ({
  bench: page,
}) => {
  for (const station of ['teardown', 'clean', 'parts', 'build']) {
    await page.goto(`/jobs/1187/${station}`)
    await expect(page.getByRole('heading', { name: 'Released.' })).toBeVisible()
    await expect(page.locator('main').getByRole('button')).toHaveCount(0)
    await expect(page.locator('main').getByRole('radio')).toHaveCount(0)
    await expect(page.locator('main').getByRole('textbox')).toHaveCount(0)
  }
  await page.getByRole('link', { name: /To its sheet/ }).click()
  await expect(page.getByRole('heading', { name: /Released. Sheet, revision A/ })).toBeVisible()
})
