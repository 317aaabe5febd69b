import type { Page } from '@playwright/test'
import { accessible, expect, test } from './shop.ts'
import { plain } from './words.ts'

test.use({ reads: true })

const SCREENS = [
  '/',
  '/receive',
  '/library',
  '/library/K-4417-2S',
  '/library/K-4417-2S/beside/K-4417-1',
  '/jobs/1181/history',
  '/jobs/1181/receive',
  '/jobs/1182/identify',
  '/jobs/1183/asfound',
  '/jobs/1184/teardown',
  '/jobs/1184/clean',
  '/jobs/1185/parts',
  '/jobs/1185/build',
  '/jobs/1181/set',
  '/jobs/1186/prove',
  '/jobs/1187/why',
  '/jobs/1186/return',
  // A bank, two halves, a job that went back, a moment of then, the list, the import.
  '/jobs/1190',
  '/jobs/1190/receive?body=2',
  '/jobs/1190/return?body=2',
  '/jobs/1189/identify',
  '/jobs/1195/return',
  '/jobs/1181/set?asof=20',
  '/receive?earlier=1187',
  '/?as=list',
  '/library/import',
  '/figures/jets?toEthanol=85&toAltitude=0',
  '/figures/gap',
  '/jobs/1184/set?jets&toAltitude=1600',
  '/shop/stores/part/DM-34',
  '/shop/stores/kit/31-B',
]

/** What makes a page wider than its window, with its right edge and the width that the style sheet goes by; nothing where it fits. */
const sideways = (page: Page) =>
  page.evaluate(() => {
    const { scrollWidth, clientWidth } = document.documentElement
    if (scrollWidth <= clientWidth) return []
    const narrow = matchMedia('(max-width: 999px)').matches
    return [
      `${scrollWidth} wide in ${clientWidth}, ${narrow ? 'narrow' : 'wide'} by the style sheet`,
      ...[...document.querySelectorAll('body *')]
        .filter((el) => el.getBoundingClientRect().right > clientWidth)
        .slice(0, 6)
        .map(
          (el) =>
            `${el.tagName} ${Math.round(el.getBoundingClientRect().right)} ${el.textContent?.slice(0, 40)}`,
        ),
    ]
  })

/** How much of the page lies below the window, in pixels. */
const below = (page: Page) => page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)

const SIZES = [
  ['the phone at the counter', 390, 844],
  ['a tablet upright', 768, 1024],
  ['200 % zoom on the shop computer', 640, 400],
] as const

/** Controls of a page that are lower than a gloved finger. */
const smallControls = (page: Page) =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'main button, main select, main input:not([type=radio], [type=file])',
      ),
    ]
      .filter((el) => el.offsetParent !== null)
      .map((el) => ({
        name: el.getAttribute('aria-label') ?? el.innerText,
        height: el.getBoundingClientRect().height,
      }))
      .filter(({ height }) => height < 43.5),
  )

/** Words of a page, drawings apart, that are printed too small to read. */
const tinyWords = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('body *')]
      .filter(
        (el) =>
          !el.closest('svg, .visually-hidden, kbd') &&
          [...el.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim()),
      )
      .filter((el) => el.offsetParent !== null && parseFloat(getComputedStyle(el).fontSize) < 14)
      .map((el) => el.innerText),
  )

// Every screen is opened once and measured at each size: opening is what takes its time.
for (const [half, screens] of [
  ['counter and bench', SCREENS.slice(0, 14)],
  ['banks, what went back, lists', SCREENS.slice(14)],
] as const)
  test(`${half}: each sheet fits its window, controls are large enough for gloves, words for eyes and plain, and nothing scrolls sideways on phone, tablet or 200 % zoom`, async ({
    bench: page,
  }) => {
    const bench = page.viewportSize()!
    for (const screen of screens) {
      await page.setViewportSize(bench)
      await page.goto(screen)
      await expect(page.locator('h1, h2').first()).toBeVisible()
      // A screen still filling is measured once more: what counts is how it comes to rest.
      await expect(async () => {
        expect(await below(page), screen).toBeLessThanOrEqual(0)
        expect(await smallControls(page), screen).toEqual([])
        expect(await tinyWords(page), screen).toEqual([])
        await plain(page, screen)
      }).toPass({ timeout: 45_000 })
      for (const [name, width, height] of SIZES) {
        // From the bench's size each time: a browser that was resized while rows arrived may hold its media queries for answered, and
        // asks them again only when their answer changes.
        await expect(async () => {
          await page.setViewportSize(bench)
          await page.setViewportSize({ width, height })
          expect(await sideways(page), `${screen} on ${name}`).toEqual([])
        }).toPass({ timeout: 30_000 })
      }
    }
  })

test('axe finds nothing serious beside the straight way, on paper or as a blueprint', async ({
  bench: page,
}) => {
  for (const [i, screen] of [
    '/?as=list',
    '/library/import',
    '/receive?earlier=1187',
    '/jobs/1190',
    '/jobs/1190/receive?body=2',
    '/jobs/1195/return',
    '/jobs/1181/set?asof=20',
    '/jobs/1181/receive',
    '/jobs/1181/history',
    '/jobs/1187/why',
    '/library/K-4417-2S/beside/K-4417-1',
    '/shop',
    '/figures/gap',
    '/jobs/1184/set?jets&toEthanol=85',
    '/shop/stores/part/DM-34',
    '/shop/stores/kit/31-B',
  ].entries()) {
    await page.goto(screen)
    await expect(page.locator('h1, h2').first()).toBeVisible()
    await accessible(page, screen, [i % 2 ? 'light' : 'dark'])
  }
  // With the number pad up.
  await page.goto('/jobs/1181/set')
  await page.getByRole('button', { name: 'Number pad' }).click()
  await accessible(page, 'number pad')
})

test.describe('entering', () => {
  test.use({ reads: false })
  test('an override needs its reason, and two people who differ both stand', async ({ bench: page }) => {
    await page.goto('/jobs/1184/teardown')
    const heading = page.locator('main h2')
    await expect(page.getByRole('button', { name: /^Removed, to tray/ })).toBeVisible()
    const part = await heading.innerText()
    await page.getByRole('radio').nth(1).check({ force: true })
    await page.getByRole('button', { name: 'Another verdict, because' }).click()
    await page.getByRole('button', { name: /^Removed, to tray/ }).click()
    await expect(page.getByRole('alert')).toHaveText('A verdict against the rule needs a reason.')
    await page.getByLabel('Reason for another verdict').fill('new last month')
    await page.getByRole('button', { name: /^Removed, to tray/ }).click()
    await expect(heading).not.toHaveText(part)
    // Another pair of hands says otherwise.
    await page.getByRole('button', { name: /^Technician/ }).click()
    await page.getByRole('button', { name: 'O. Dell' }).click()
    await page.getByRole('button', { name: 'previous part' }).click()
    await expect(heading).toHaveText(part)
    await page.getByRole('radio').nth(1).check({ force: true })
    // Arrived before the window goes elsewhere.
    const sent = page.waitForResponse((answer) => answer.url().endsWith('/entries'))
    await page.getByRole('button', { name: 'Save verdict' }).click()
    await sent
    await page.goto('/jobs/1184/return')
    await expect(page.getByText(`Two people disagree on ${part}`)).toBeVisible()
  })

  test('an undo that later entries rest on is refused, naming them', async ({ bench: page }) => {
    // What is on again cannot have never come off: first its finding is taken back, then its coming off is not.
    await page.goto('/jobs/1181/teardown')
    await expect(page.getByRole('heading', { name: 'Teardown' })).toBeVisible()
    await page.keyboard.press('Escape')
    for (let i = 0; i < 12; i++) {
      await page.keyboard.press('Escape')
      await page.keyboard.press('u')
      if (await page.getByRole('heading', { name: 'Cannot undo' }).isVisible()) break
      await page.waitForTimeout(150)
    }
    await expect(page.getByRole('heading', { name: 'Cannot undo' })).toBeVisible()
    await expect(page.getByText(/rests on it/)).toBeVisible()
  })
})

test('a wrong check letter and a search without answer say what to do', async ({ bench: page }) => {
  await page.goto('/')
  await expect(page.getByRole('link', { name: /1181, Osk/ })).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('1181A')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('the check letter does not match')
  await page.getByLabel('Find a job').fill('zeppelin')
  await expect(page.getByText('No match for “zeppelin”.')).toBeVisible()
  await page.goto('/jobs/4711')
  await expect(page.getByText('There is no job 4711 here.')).toBeVisible()
  await page.goto('/nowhere')
  await expect(page.getByText('There is no page at this address.')).toBeVisible()
})

test('a label scanned anywhere opens its job, also in the middle of a reading', async ({ bench: page }) => {
  await page.goto('/jobs/1181/set')
  const field = page.getByLabel('Float height, reading')
  await expect(field).toBeFocused()
  await page.keyboard.type('13')
  // What the scanner types: the mark, number and letter, Enter.
  await page.keyboard.type('~1184D')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/jobs\/1184\/teardown$/)
  await page.goto('/jobs/1181/set')
  await expect(field).toHaveValue('13')
  // Twice in a row, as a scanner does that is held too long: it is open already.
  await field.fill('')
  for (const _ of [1, 2]) {
    await page.keyboard.type('~1186H')
    await page.keyboard.press('Enter')
  }
  await expect(page).toHaveURL(/jobs\/1186\/return$/)
  await page.goto('/jobs/1181/set')
  await expect(field).toBeFocused()
  await page.keyboard.type('~1184A')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('the check letter does not match')
})

test('the rack goes by arrows, two list numbers stand side by side', async ({ bench: page }) => {
  await page.goto('/')
  await expect(page.getByRole('link', { name: /1181, Osk/ })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('a[data-tag]').first()).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/jobs\/118\d\//)
  await page.goto('/library/K-4417-2S')
  await page.getByLabel('Compare with another').selectOption('K-4417-1')
  await expect(page.getByText(/find out which one it is/)).toBeVisible()
  await expect(page.getByRole('row', { name: /Float height 13.5 ±0.5 14.0 ±0.5/ })).toBeVisible()
})

test('the plain list has the same facts and sorts by any column', async ({ bench: page }) => {
  await page.goto('/')
  await expect(page.getByRole('link', { name: /1181, Osk/ })).toBeVisible()
  await page.keyboard.press('p')
  const row = page.getByRole('row', { name: /1185/ })
  await expect(row).toContainText('late')
  await expect(row).toContainText('waits for 31-B, FL-090')
  const numbers = () => page.locator('tbody td:first-child').allInnerTexts()
  await page.getByRole('button', { name: /^Job/ }).click()
  const up = await numbers()
  expect(up).toEqual([...up].sort())
  await page.getByRole('button', { name: /^Job/ }).click()
  expect(await numbers()).toEqual([...up].reverse())
  await page.reload()
  await expect(row).toBeVisible()
})

test('after twenty idle minutes the next hands are asked whose they are', async ({ bench: page }) => {
  await page.goto('/jobs/1181/set')
  await expect(page.getByRole('button', { name: 'Technician: I. Marrow' })).toBeVisible()
  // oxlint-disable-next-line house/no-machine-clock -- the browser's own clock, minutes back from whatever it says
  await page.evaluate(() => localStorage.setItem('ekrond active', String(Date.now() - 21 * 60_000)))
  await page.mouse.click(400, 500)
  await expect(page.getByRole('heading', { name: 'Who is working here?' })).toBeVisible()
  await page.getByRole('button', { name: 'R. Oda' }).click()
  await expect(page.getByRole('button', { name: 'Technician: R. Oda' })).toBeVisible()
})
