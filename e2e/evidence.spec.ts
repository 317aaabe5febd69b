import { expect, test } from './shop.ts'

test('a part comes off again after the job was ready: what rests on it is asked for by name, and back on it is proved again', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1186/return')
  await expect(page.getByRole('heading', { name: 'Nothing stands in its way.' })).toBeVisible()
  await page.goto('/jobs/1186/build')
  await page.getByRole('button', { name: 'Take parts off again' }).click()
  const asked = page.getByRole('region', { name: 'Off again' })
  await asked.getByRole('button', { name: 'Off again', exact: true }).click()
  await expect(asked.getByRole('alert')).toHaveText('Choose what comes off.')
  await asked.getByRole('button', { name: 'Inlet screen' }).click()
  await asked.getByRole('button', { name: 'To open it again' }).click()
  await asked.getByRole('button', { name: 'Off again', exact: true }).click()
  await page.goto('/jobs/1186/return')
  const points = page.getByRole('list', { name: 'Open points' })
  await expect(points.getByText('Inlet screen lies in tray A')).toBeVisible()
  await expect(points.getByText('Inlet under air: prove it again')).toBeVisible()
  // Nothing that does not rest on it: its float height stands.
  await expect(points.getByText(/Float height/)).toHaveCount(0)
})

test('a unit that cannot be made right ends by name, with its own paper, and waits for nothing', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1185/return')
  await page.getByRole('button', { name: 'It ends otherwise …' }).click()
  const asked = page.getByRole('region', { name: 'It ends otherwise' })
  await asked.getByText('Condemned: it cannot be made right').click()
  await asked.getByRole('button', { name: 'Close the job' }).click()
  await expect(asked.getByRole('alert')).toContainText('Say why it is condemned')
  await asked.getByRole('textbox', { name: 'Why, for its paper' }).fill('Hinge post cracked into the seat.')
  // Two people look before it is given up.
  await asked.getByRole('button', { name: 'Close the job' }).click()
  await expect(asked.getByRole('alert')).toContainText('choose who looked a second time')
  await asked.getByLabel('Who looked a second time').selectOption('O. Dell')
  await asked.getByRole('button', { name: 'Close the job' }).click()
  await expect(page.getByRole('heading', { name: 'It is closed.' })).toBeVisible()
  const paper = page.getByRole('article', { name: 'Return sheet as it stands' })
  await expect(paper).toContainText('CONDEMNED. Not repaired, not to be fitted.')
  await expect(paper).toContainText('Do not fit it')
  const row = async () =>
    (
      (await (await fetch(`${shop.url}/api/jobs?status=all&q=1185`)).json()) as {
        jobs: { status: string; waitsFor: string; arrives: string | null }[]
      }
    ).jobs[0]
  await expect.poll(row).toMatchObject({ status: 'closed', waitsFor: '', arrives: null })
})

test('opened again after it left the shop it is asked for what others could reach, and for nothing inside', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1186/return')
  await page.getByRole('button', { name: 'Give it back' }).click()
  await expect(page.getByRole('heading', { name: 'It went back. Sheet, revision A.' })).toBeVisible()
  await page.goto('/jobs/1186/return')
  await page.getByRole('textbox', { name: 'Why it is opened again' }).fill('the owner wants another idle')
  await page.getByRole('button', { name: 'Open it again' }).click()
  // It left the shop: tests, ports and what is turned from outside are asked again, its insides are not.
  const points = page.getByRole('list', { name: 'Open points' })
  await expect(points.getByText('Inlet under air: prove it again')).toBeVisible()
  await expect(points.getByText('it left the shop since').first()).toBeVisible()
  await expect(points.getByText(/Float height|not looked at|passage/)).toHaveCount(0)
})

test('only named work is DONE AS ASKED: what leaks and what it opens stays asked for', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1184/receive')
  await page.getByRole('button', { name: 'Only named work …' }).click()
  const asked = page.getByRole('region', { name: 'Only named work' })
  await asked.getByRole('button', { name: 'Only this' }).click()
  await expect(asked.getByRole('alert')).toBeVisible()
  await asked.getByLabel('Only this, in the customer’s words').fill('only the main jet')
  await asked.getByRole('button', { name: 'Main jet' }).click()
  await asked.getByRole('button', { name: 'Only this' }).click()
  await expect(asked.getByRole('alert')).toContainText('ask the customer')
  await asked.getByLabel('It is open already: who said yes?').fill('J. Osk')
  await asked.getByRole('button', { name: 'Only this' }).click()
  await expect(page.getByRole('region', { name: 'What is asked for' })).toContainText('agreed by J. Osk')
  await page.goto('/jobs/1184/return')
  const points = page.getByRole('list', { name: 'Open points' })
  await expect(points.getByText(/not looked at|No passage was blown/)).toHaveCount(0)
  await expect(points.getByText('Not bench-proved here')).toBeVisible()
})

test('given back while the server is away it waits for it, a draft, and went back only once the server has it', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1186/return')
  await expect(page.getByRole('heading', { name: 'Nothing stands in its way.' })).toBeVisible()
  await shop.stop()
  await page.getByRole('button', { name: 'Give it back' }).click()
  await expect(page.getByRole('heading', { name: 'It waits for the server.' })).toBeVisible()
  await expect(page.getByRole('article', { name: 'Return sheet as it stands' })).toContainText('DRAFT.')
  await expect(page.getByText('It went back.')).toHaveCount(0)
  await shop.start()
  await expect(page.getByRole('heading', { name: 'It went back. Sheet, revision A.' })).toBeVisible()
  await expect(page.getByRole('article', { name: 'Return sheet as it stands' })).not.toContainText('DRAFT.')
  // Taken back after it went out: not without a reason.
  await page.keyboard.press('u')
  const asked = page.getByRole('dialog')
  await expect(asked.getByRole('heading', { name: 'Take it back after it went out?' })).toBeVisible()
  await asked.getByRole('button', { name: 'Take it back' }).click()
  await expect(asked.getByRole('alert')).toContainText('Say why')
  await asked.getByLabel('Why it is taken back').fill('a slip')
  await asked.getByRole('button', { name: 'Take it back' }).click()
  await expect(asked.getByRole('alert')).toContainText('A return is not taken back')
  await asked.getByRole('button', { name: 'Leave it' }).click()
})
