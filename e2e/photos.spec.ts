import { picture } from './picture.ts'
import { expect, test } from './shop.ts'

/** A picture of its own: a few coloured fields as a PNG, made in the page. */
test('a photograph that is taken while the server is away goes out later and comes back at its step', async ({
  bench: page,
  shop,
}) => {
  await page.goto('/jobs/1184/teardown')
  const part = await page.locator('main h2').innerText()
  const png = Buffer.from(await picture(page, 2400, 1800))
  const camera = page.locator('input[type=file]')

  await page.context().setOffline(true)
  await camera.setInputFiles({ name: 'seal.png', mimeType: 'image/png', buffer: png })
  const thumb = page.getByRole('button', { name: /^Photograph As removed/ })
  await expect(thumb).toBeVisible()
  await thumb.click()
  const view = page.getByRole('dialog')
  const shown = view.getByRole('img', { name: 'photograph' })
  await expect.poll(() => shown.evaluate((img) => (img as HTMLImageElement).naturalWidth)).toBe(1600)
  await shown.click({ position: { x: 60, y: 40 } })
  await view.getByLabel('What is there').fill('nick in the lip')
  await page.keyboard.press('Enter')
  await expect(view.getByText('nick in the lip')).toBeVisible()
  await view.getByRole('button', { name: 'Close' }).click()
  await page.context().setOffline(false)

  interface Taken {
    entries: { kind: string; data: { photo: string; thumb: string; width: number; height: number } }[]
  }
  const entries = async () => ((await (await fetch(`${shop.url}/api/jobs/1184`)).json()) as Taken).entries
  await expect
    .poll(async () => (await entries()).filter(({ kind }) => kind === 'photo.pinned').length)
    .toBe(1)
  const { data } = (await entries()).find(({ kind }) => kind === 'photo.taken')!
  expect(data).toMatchObject({ width: 1600, height: 1200 })
  const kept = await fetch(`${shop.url}/api/photos/${data.photo}`)
  expect(kept.headers.get('content-type')).toBe('image/jpeg')
  expect((await fetch(`${shop.url}/api/photos/${data.thumb}`)).status).toBe(200)

  // Another browser sees it at the same part.
  await page.goto('/jobs/1184/teardown')
  await expect(page.getByRole('heading', { name: part })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Photograph As removed/ })).toBeVisible()

  // What is no picture, and what is too large, is turned down by name.
  await camera.setInputFiles({
    name: 'list.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('not a picture'),
  })
  await expect(page.getByRole('alert')).toContainText('“list.txt” is not a picture')
  const huge = Buffer.from(png)
  huge.writeUInt32BE(12_000, 16)
  huge.writeUInt32BE(9_000, 20)
  await camera.setInputFiles({ name: 'huge.png', mimeType: 'image/png', buffer: huge })
  await expect(page.getByRole('alert')).toContainText('“huge.png” has 108 megapixels')
})
