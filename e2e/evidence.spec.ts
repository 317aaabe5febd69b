import { expect, test } from './shop.ts'

// By fingers on the bench's tablet, 1024 by 768.
test.use({ touch: true })

test('a part comes off again after the job was ready: what rests on it is asked for by name, and back on it is proved again', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1186/return')
  await expect(page.getByRole('heading', { name: 'Ready to release.' })).toBeVisible()
  await page.goto('/jobs/1186/build')
  await page.getByRole('button', { name: 'Remove parts again' }).tap()
  const asked = page.getByRole('region', { name: 'Removed again' })
  await asked.getByRole('button', { name: 'Remove again', exact: true }).tap()
  await expect(asked.getByRole('alert')).toHaveText('Choose the parts to remove.')
  await asked.getByRole('button', { name: 'Inlet screen' }).tap()
  await asked.getByRole('button', { name: 'To reopen it' }).tap()
  await asked.getByRole('button', { name: 'Remove again', exact: true }).tap()
  await page.goto('/jobs/1186/return')
  const points = page.getByRole('list', { name: 'Open items' })
  await expect(points.getByText('Inlet screen is in tray A')).toBeVisible()
  await expect(points.getByText('Inlet under air: redo')).toBeVisible()
  // Nothing that does not rest on it: its float height stands.
  await expect(points.getByText(/Float height/)).toHaveCount(0)
})

test('a unit that cannot be made right ends by name, with its own paper, and waits for nothing', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1185/return')
  await page.getByRole('button', { name: 'End without return …' }).tap()
  const asked = page.getByRole('region', { name: 'End without return' })
  await asked.getByText('Condemned: cannot be repaired').tap()
  await asked.getByRole('button', { name: 'Close job' }).tap()
  await expect(asked.getByRole('alert')).toContainText('Say why it is condemned')
  await asked
    .getByRole('textbox', { name: 'Reason, for its sheet' })
    .fill('Hinge post cracked into the seat.')
  // Two people look before it is given up.
  await asked.getByRole('button', { name: 'Close job' }).tap()
  await expect(asked.getByRole('alert')).toContainText('choose who looked a second time')
  await asked.getByLabel('Who checked it too').selectOption('O. Dell')
  await asked.getByRole('button', { name: 'Close job' }).tap()
  await expect(page.getByRole('heading', { name: 'Job closed.' })).toBeVisible()
  const paper = page.getByRole('article', { name: 'Return sheet, draft' })
  await expect(paper).toContainText('CONDEMNED. Not repaired. Do not fit it.')
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
  await page.getByRole('button', { name: 'Release to customer' }).tap()
  await expect(page.getByRole('heading', { name: 'Released. Sheet, revision A.' })).toBeVisible()
  await page.goto('/jobs/1186/return')
  await page.getByRole('textbox', { name: 'Reason for reopening' }).fill('the owner wants another idle')
  await page.getByRole('button', { name: 'Reopen' }).tap()
  // It left the shop: tests, ports and what is turned from outside are asked again, its insides are not.
  const points = page.getByRole('list', { name: 'Open items' })
  await expect(points.getByText('Inlet under air: redo')).toBeVisible()
  await expect(points.getByText('it left the shop since then').first()).toBeVisible()
  await expect(points.getByText(/Float height|not checked|passage/)).toHaveCount(0)
})

test('only named work is DONE AS ASKED: what leaks and what it opens stays asked for', async ({
  bench: page,
}) => {
  await page.goto('/jobs/1184/receive')
  await page.getByRole('button', { name: 'Only named work …' }).tap()
  const asked = page.getByRole('region', { name: 'Only named work' })
  await asked.getByRole('button', { name: 'Only this' }).tap()
  await expect(asked.getByRole('alert')).toBeVisible()
  await asked.getByLabel('Only this work, in the customer’s words').fill('only the main jet')
  await asked.getByRole('button', { name: 'Main jet' }).tap()
  await asked.getByRole('button', { name: 'Only this' }).tap()
  await expect(asked.getByRole('alert')).toContainText('ask the customer')
  await asked.getByLabel('Work has started: who agreed?').fill('J. Osk')
  await asked.getByRole('button', { name: 'Only this' }).tap()
  await expect(page.getByRole('region', { name: 'What is asked for' })).toContainText('agreed by J. Osk')
  await page.goto('/jobs/1184/return')
  const points = page.getByRole('list', { name: 'Open items' })
  await expect(points.getByText(/not checked|No passage was blown/)).toHaveCount(0)
  await expect(points.getByText('Not bench-tested here')).toBeVisible()
})

test('given back while the server is away it waits for it, a draft, and went back only once the server has it', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1186/return')
  await expect(page.getByRole('heading', { name: 'Ready to release.' })).toBeVisible()
  await shop.stop()
  await page.getByRole('button', { name: 'Release to customer' }).tap()
  await expect(page.getByRole('heading', { name: 'Waiting for the server.' })).toBeVisible()
  await expect(page.getByRole('article', { name: 'Return sheet, draft' })).toContainText('DRAFT.')
  await expect(page.getByRole('heading', { name: /^Released\./ })).toHaveCount(0)
  await shop.start()
  await expect(page.getByRole('heading', { name: 'Released. Sheet, revision A.' })).toBeVisible()
  await expect(page.getByRole('article', { name: 'Return sheet, draft' })).not.toContainText('DRAFT.')
  // Taken back after it went out: not without a reason.
  await page.keyboard.press('u')
  const asked = page.getByRole('dialog')
  await expect(asked.getByRole('heading', { name: 'Undo after release?' })).toBeVisible()
  await asked.getByRole('button', { name: 'Undo it' }).tap()
  await expect(asked.getByRole('alert')).toContainText('Give the reason')
  await asked.getByLabel('Reason for the undo').fill('a slip')
  await asked.getByRole('button', { name: 'Undo it' }).tap()
  await expect(asked.getByRole('alert')).toContainText('A return cannot be undone')
  await asked.getByRole('button', { name: 'Leave it' }).tap()
})
