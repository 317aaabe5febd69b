import type { Page } from '@playwright/test'
import { facts } from '@ekrond/core/sheets'
import { counting, secondsOf } from './effort.ts'
import { ask, press, received } from './teaching.ts'
import { expect, test } from './shop.ts'

test.use({ empty: true })

/** What is measured, as a hand types it. */
const MEASURED: Readonly<Record<string, string>> = {
  'Pin to toe': '46.2',
  'Pin to the needle’s axis': '6.0',
  'Seat bore': '2.4',
  'Float’s mass': '9.2',
  'Float from above': '38 x 30',
  'Pin below the face': '6.2',
  'Float’s depth': '16',
  'Pin over the bowl’s floor': '22',
}
const units = [
  {
    what: 'a small one-barrel',
    family: 'small one-barrel',
    taps: ['sideways', '1', 'fixed venturi', 'stands in the bowl', 'by hand'],
    sense: 'on the bowl’s floor, up to the float',
    number: 'HK-7',
  },
  {
    what: 'a two-barrel',
    family: 'downdraft',
    taps: ['down', '2', 'hangs from cover or body', 'by hand'],
    sense: 'on the face, down to the float',
    number: 'DV-2',
  },
] as const

for (const unit of units)
  test(`${unit.what} that nobody knows is taught in ten minutes of hands, eyes and caliper`, async ({
    bench: page,
  }) => {
    await received(page, `${unit.what} engine`)
    const effort = await counting(page)
    let asks = 0
    let atTheCaliper = 0
    const keys = async (text: string) => {
      await page.keyboard.type(text)
      await page.keyboard.press('Enter')
      asks++
    }
    const tap = async (name: string | RegExp) => {
      await press(page, name)
      asks++
    }
    await page.getByLabel('Mark on the plate').click()
    await keys(unit.number.replace('-', ' '))
    await tap(/^Teach this one/)
    for (const one of unit.taps) await tap(new RegExp(`^${one}$`))
    await expect(page.getByRole('heading', { name: `Drawn as a ${unit.family}` })).toBeVisible()
    await tap(/^Start teaching/)
    await tap(/^Later/)
    await tap(unit.sense)
    await tap('its tang is bent')

    await page.keyboard.press('Escape')
    await page.keyboard.press('3')
    await expect(page).toHaveURL(/asfound$/)
    const title = page.locator('main h2')
    await asFound(page, () => asks++)

    for (let guard = 0; guard < 60; guard++) {
      const now = await title.innerText()
      if (now.startsWith('Everything is off')) break
      if (now.includes('before anything is moved')) await page.keyboard.type('13.2')
      else await page.getByRole('radio').first().press('Space')
      await page.keyboard.press('Enter')
      asks++
      await expect(title).not.toHaveText(now)
    }
    await expect(title).toHaveText('Everything is off and judged.')

    await page.keyboard.press('Escape')
    await page.keyboard.press('2')
    for (let guard = 0; guard < 12; guard++) {
      const now = await ask(page).getByRole('heading').first().innerText()
      if (!MEASURED[now]) break
      atTheCaliper += facts.find(({ name }) => name === now)!.minutes
      await keys(MEASURED[now])
      await expect(ask(page).getByRole('heading').first()).not.toHaveText(now)
    }
    await expect(page.getByRole('listitem', { name: 'says what pressure it holds: yes' })).toBeVisible()
    await tap('Add to library')
    await expect(page.getByLabel('List number')).toBeFocused()
    await page.keyboard.press('Control+A')
    await keys(unit.number)
    await expect(page.getByRole('button', { name: 'Next revision' })).toBeVisible()

    const seconds = secondsOf(effort, asks)
    test.info().annotations.push({
      type: 'effort',
      description: `${unit.what}: ${effort.taps} taps, ${effort.keys} keys, ${asks} questions: ${seconds.toFixed(0)} s; at caliper and scale ${atTheCaliper.toFixed(1)} min`,
    })
    expect(seconds / 60 + atTheCaliper).toBeLessThan(10)
  })

/** Everything that is asked before anything is moved, each at one turn or the first there is. */
async function asFound(page: Page, asked: () => void) {
  const title = page.locator('main h2')
  await expect(page.getByRole('link', { name: /^As found/ })).toHaveAttribute('aria-current', 'page')
  for (let guard = 0; guard < 20 && !/teardown$/.test(page.url()); guard++) {
    const now = await title.innerText()
    await page.keyboard.press('8')
    await page.keyboard.press('Enter')
    asked()
    await expect(page.getByRole('button', { name: /^Next/ })).toBeVisible()
    await page.keyboard.press('Enter')
    await expect(title).not.toHaveText(now)
  }
}
