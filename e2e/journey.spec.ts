import type { Locator, Page } from '@playwright/test'
import { counting } from './effort.ts'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { accessible, expect, test } from './shop.ts'
import { turned } from './screws.ts'

/** Outside every field, so that the next key is the sheet's own. */
const leave = (page: Page) => page.keyboard.press('Escape')
const station = async (page: Page, key: string, name: string) => {
  await leave(page)
  await page.keyboard.press('Escape')
  await page.keyboard.press(key)
  await expect(page).toHaveURL(new RegExp(`/${name}$`))
}
/** Enter notes it and shows what it says; Enter again goes on. */
const noteAndGoOn = async (page: Page) => {
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Next/ })).toBeVisible()
  await page.keyboard.press('Enter')
}
/** Goes there by Tab, as hands without a pointer do; some things are nearer backwards. */
async function tabTo(page: Page, there: Locator, key: 'Tab' | 'Shift+Tab' = 'Tab'): Promise<void> {
  await expect(there).toBeVisible()
  for (let presses = 0; presses < 90; presses++) {
    if (await there.evaluate((el) => el === document.activeElement)) return
    await page.keyboard.press(key)
  }
  throw new Error(`no ${key} leads to ${String(there)}`)
}
/** What stands in the field goes, and this comes. */
const retype = async (page: Page, text: string) => {
  await page.keyboard.press('Control+A')
  await page.keyboard.type(text)
}
const tabToField = (page: Page, label: string, key: 'Tab' | 'Shift+Tab' = 'Tab') =>
  tabTo(page, page.getByLabel(label, { exact: true }), key)
const tabToButton = (page: Page, name: string | RegExp, key: 'Tab' | 'Shift+Tab' = 'Tab') =>
  tabTo(page, page.getByRole('button', { name, exact: true }).first(), key)

test('one carburetor, door to door, by keyboard alone', async ({ bench: page, shop }) => {
  const effort = await counting(page)
  await page.goto('/')
  await expect(page.getByRole('link', { name: /1181, Osk chain ferry/ })).toBeVisible()
  await accessible(page, 'rack')

  // Receive: an aircraft is refused, a real one taken in.
  await page.keyboard.press('n')
  await expect(page).toHaveURL(/receive$/)
  await expect(page.getByLabel('Customer', { exact: true })).toBeFocused()
  await page.keyboard.type('skat')
  await expect(page.getByRole('option', { name: /Osk skating rink/ })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Engine')).toHaveValue('resurfacer, 1.8 L')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('Enter the promised day.')
  await tabToField(page, 'Promised')
  // Month, day and year, as its own parts take them.
  await page.keyboard.type('11272026')
  await tabToButton(page, 'Change')
  await page.keyboard.press('Enter')
  await tabToField(page, 'Pressure, kPa')
  await page.keyboard.type('24')
  await tabToButton(page, 'flooding', 'Shift+Tab')
  await page.keyboard.press('Space')
  await tabToField(page, 'In the customer’s words, and how it ran')
  await page.keyboard.type('Floods; "drips"; on the ice')
  await tabToButton(page, 'Aircraft engine')
  await page.keyboard.press('Space')
  await expect(page.getByRole('alert')).toContainText('certificated repair station')
  await expect(page.getByRole('button', { name: /Open job/ })).toBeDisabled()
  await page.keyboard.press('Space')
  await accessible(page, 'receive')
  await tabToField(page, 'In the customer’s words, and how it ran', 'Shift+Tab')
  await page.keyboard.press('Enter')

  // Identify: an emoji gets its sentence, then mark and bore.
  await expect(page).toHaveURL(/jobs\/\d+\/identify$/)
  await tabToField(page, 'Mark on the plate')
  await page.keyboard.type('K-44😀')
  await expect(page.getByRole('alert')).toContainText('is not on any casting')
  await retype(page, 'K-4477-?')
  await expect(page.getByText('find out which one it is')).toBeVisible()
  await retype(page, 'K-44[17]7-2S')
  await page.keyboard.press('Enter')
  await tabToField(page, 'throttle bore')
  await page.keyboard.type('31,0')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('option', { name: /K-4417-2S/ })).toContainText('%')
  await accessible(page, 'identify')
  await leave(page)
  await page.keyboard.press('Enter')

  // As found: the left screw by taps, the rest typed; the sentence waits for the end of the count.
  await expect(page).toHaveURL(/asfound$/)
  await expect(page.getByRole('heading', { name: 'Mixture, left' })).toBeVisible()
  await page.keyboard.press('2')
  await page.keyboard.press('2')
  await page.keyboard.press('1')
  await expect(page.getByLabel('Mixture, left, turns counted')).toHaveValue('5/8')
  await expect(page.getByText('Somebody leaned it')).toBeHidden()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Somebody leaned it')).toBeVisible()
  await accessible(page, 'as found')
  await page.keyboard.press('Enter')
  for (const taps of ['8', '4']) await page.keyboard.press(taps)
  await noteAndGoOn(page)
  await expect(page.getByRole('heading', { name: 'Idle-speed screw' })).toBeVisible()
  await page.keyboard.press('8')
  await noteAndGoOn(page)
  for (const [name, typed] of [
    ['Choke cover', 'index'],
    ['Pump link hole', '2'],
    ['Vacuum-break gap', '#38'],
    ['Pump stem', '8.7'],
  ] as const) {
    await expect(page.getByRole('heading', { name })).toBeVisible()
    await page.keyboard.type(typed)
    await noteAndGoOn(page)
  }

  // Teardown: part by part, what shows when the cover is off is asked then.
  await expect(page).toHaveURL(/teardown$/)
  await expect(page.getByRole('heading', { name: 'Choke cover with its coil' })).toBeVisible()
  let checked = false
  for (let guard = 0; guard < 60; guard++) {
    const heading = page.locator('main h2')
    const title = await heading.innerText()
    if (title.startsWith('Everything is off')) break
    if (title.includes('before anything is moved')) {
      await page.keyboard.type(
        title.startsWith('Float height') ? '12.1' : title.startsWith('Float drop') ? '25' : '8.7',
      )
      await page.keyboard.press('Enter')
    } else {
      const measure = page.locator('main input[aria-label]:not([type=radio], [type=file])')
      if (await measure.count()) {
        await expect(measure.first()).toBeFocused()
        const label = await measure.first().getAttribute('aria-label')
        await page.keyboard.type(
          label === 'Mass'
            ? '11.2'
            : label!.startsWith('Pin')
              ? title.startsWith('Seat')
                ? '2.52 2.55'
                : title.includes('primary')
                  ? '1.39 1.41'
                  : '1.5 1.7'
              : label!.startsWith('Force')
                ? '510 g'
                : '0.04',
        )
        await page.keyboard.press('Enter')
      } else {
        await expect(page.locator('main input[type=radio]:focus'), title).toHaveCount(1)
        await page.keyboard.press('Space')
        await page.keyboard.press('Enter')
      }
    }
    if (title === 'Seat' && !checked) {
      checked = true
      await accessible(page, 'teardown')
    }
    await expect(heading).not.toHaveText(title)
  }
  expect(checked).toBe(true)

  // Parts: the cheapest cover is ordered and arrives.
  await station(page, '6', 'parts')
  await expect(page.getByText(/Cheapest/)).toBeVisible()
  await expect(page.getByText(/take GK-442B, not GK-442A/)).toBeVisible()
  await accessible(page, 'parts')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /On its way/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Everything is here.' })).toBeVisible()

  // Build: the stack runs backwards until the trays are empty.
  await station(page, '7', 'build')
  await accessible(page, 'build')
  const rounds: string[] = []
  for (let guard = 0; guard < 60; guard++) {
    // Before a cover goes on the bench asks what it would hide: a wrong reading says what to bend, a slip is refused.
    const asked = page.locator('main input[aria-label$=", reading"]')
    if (await asked.count()) {
      const label = (await asked.getAttribute('aria-label'))!
      await expect(asked).toBeFocused()
      if (label === 'Float height, reading') {
        await expect(page.getByText(/^before the .* goes on$/)).toBeVisible()
        await page.keyboard.type('fourteen')
        await expect(page.getByRole('alert')).toContainText('is no length')
        await retype(page, '60')
        await expect(page.getByRole('alert')).toContainText('pin and arm allow')
        await retype(page, '11.2')
        await expect(page.getByText('Bend the tang 0.30 mm toward the needle: down, as held.')).toBeVisible()
        await accessible(page, 'set')
        await page.keyboard.press('Enter')
        await retype(page, '0.5315')
        await expect(page.getByText('That can mean two things.')).toBeVisible()
        await tabTo(page, page.getByRole('button', { name: /0.5315 in/ }))
        await page.keyboard.press('Space')
        await expect(asked).toHaveValue(/13\.5/)
        await asked.press('Enter')
      } else {
        // A figure goes to the reading that is asked, whatever has the focus.
        await tabToField(page, 'Gauge')
        await page.keyboard.type(label.startsWith('Float drop') ? '22.5' : '9.5')
        await page.keyboard.press('Enter')
      }
      await expect(page.getByLabel(label, { exact: true })).toBeHidden()
      continue
    }
    const screws = await turned(page)
    if (screws) {
      rounds.push(screws)
      continue
    }
    if ((await page.locator('main h2').innerText()) === 'The trays are empty.') break
    // Same thread, two bores: which one it is is read off the jet, not taken for granted.
    const marks = page.getByRole('radiogroup', { name: 'Its mark reads' })
    if (await marks.count()) {
      const here = (await page.locator('main h2').innerText()).includes('primary')
      await page.keyboard.press('Enter')
      await expect(page.getByRole('alert')).toContainText('Read its mark first')
      await tabTo(page, marks.getByRole('radio').first())
      await page.keyboard.press('ArrowDown')
      await page.keyboard.press('Enter')
      await expect(page.getByRole('alert')).toContainText(here ? 'secondary. It goes' : 'primary. It goes')
      await tabTo(page, marks.getByRole('radio').nth(1), 'Shift+Tab')
      await page.keyboard.press('ArrowUp')
    }
    const left = await page.getByText(/parts still in trays/).innerText()
    await page.keyboard.press('Enter')
    await expect(page.getByText(left, { exact: true })).toBeHidden()
  }
  await expect(page.getByRole('heading', { name: 'The trays are empty.' })).toBeVisible()
  expect(rounds.filter((words) => words.startsWith('Cover screws'))).toEqual([
    'Cover screws · M5 · 0 of 8 started',
    'Cover screws · M5 · 0 of 8 finger-tight',
    'Cover screws · M5 · 0 of 8 final',
    'Cover screws · M5 · 0 of 8 checked again',
  ])

  // Set: what is set from outside, each on its value. A question mark is no figure: it lists the keys.
  await station(page, '8', 'set')
  await expect(page.getByLabel('Pump stem, reading')).toBeFocused()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByLabel('Pump stem, reading')).toHaveValue('')
  for (const [name, typed] of [
    ['Pump stem', '9.5'],
    ['Choke cover', '1 rich'],
    ['Vacuum-break gap', '#31'],
    ['Mixture, left', '1 3/8'],
    ['Mixture, right', '1 3/8'],
  ] as const) {
    await expect(page.getByLabel(`${name}, reading`)).toBeFocused()
    await page.keyboard.type(typed)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /^(Next: |Go to Prove)/ })).toBeVisible()
    await page.keyboard.press('Enter')
  }

  // The last one leads on to Prove, whose first field waits for a figure.
  await expect(page).toHaveURL(/prove$/)
  await expect(page.getByRole('textbox', { name: 'Inlet under air, fall' })).toBeFocused()

  // Return: the complaint is answered by a finding, the standing point passed with a second name.
  await station(page, '0', 'return')
  await tabTo(page, page.getByRole('button', { name: /The complaint is not answered/ }))
  await page.keyboard.press('Enter')
  await tabToButton(page, 'Seat')
  await page.keyboard.press('Space')
  await tabToButton(page, 'Explained')
  await page.keyboard.press('Space')
  await expect(page.getByText(/“Floods; "drips"; on the ice”: explained/)).toBeVisible()
  for (let guard = 0; guard < 20 && (await page.getByRole('list', { name: 'Open items' }).count()); guard++) {
    const first = page.getByRole('list', { name: 'Open items' }).getByRole('button').first()
    const title = await first.locator('b').innerText()
    const port = page.getByRole('group', { name: /^(?!Spec).* as left$/ })
    if (await port.count()) {
      // A vent is never capped; a vacuum port is, or is joined.
      const vent = title.startsWith('Bowl vent')
      await expect(port.getByRole('button', { name: 'Capped' })).toHaveCount(vent ? 0 : 1)
      await tabTo(page, port.getByRole('button', { name: vent ? 'Open' : 'Capped', exact: true }))
      await page.keyboard.press('Space')
      await expect(
        page.getByRole('list', { name: 'Open items' }).getByText(title, { exact: true }),
      ).toBeHidden()
      continue
    }
    await tabToButton(page, /^Release anyway, give reason/)
    await page.keyboard.press('Enter')
    await tabToField(page, 'Release anyway. Reason:')
    await page.keyboard.type('agreed with the rink')
    await tabTo(page, page.getByLabel('Second name'))
    await page.keyboard.type('O. Dell')
    await tabToButton(page, /^Release anyway/)
    await page.keyboard.press('Enter')
    await expect(
      page.getByRole('list', { name: 'Open items' }).getByText(title, { exact: true }),
    ).toBeHidden()
  }
  await expect(page.getByRole('heading', { name: 'Ready to release.' })).toBeVisible()
  await accessible(page, 'return')
  await leave(page)
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Released. Sheet, revision A.' })).toBeVisible()
  test.info().annotations.push({
    type: 'effort',
    description: `a two-barrel from the counter to its return: ${effort.keys} keys`,
  })

  // The sheet on paper says the same.
  const number = /jobs\/(\d+)/.exec(page.url())![1]!
  await expect
    .poll(async () => {
      const pages = (await (await page.request.get(`${shop.url}/api/jobs/${number}/sheet`)).json()) as {
        returnedAt: string | null
      }[]
      return pages[0]!.returnedAt
    })
    .not.toBeNull()
  const pdf = await page.request.get(`${shop.url}/api/jobs/${number}/sheet.pdf`)
  const file = join(mkdtempSync(join(tmpdir(), 'ekrond-pdf-')), 'sheet.pdf')
  writeFileSync(file, await pdf.body())
  const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' })
  expect(text).toContain('Before anyone cranks: fuel may have passed the seat')
  expect(text).toContain('NOT PROVED. agreed with the rink')
  expect(text).toContain('revision A')
  expect(text).not.toContain('DRAFT')
  expect(text).toContain('1 3⁄8 turns')
  expect(text).toContain('K-4417-2S')
  expect(text).toMatch(/Seat: 2\.52 2\.55/)

  // History.
  await page.goto(`/jobs/${number}/history`)
  await expect(page.getByText('returned it with its sheet')).toBeVisible()
  await accessible(page, 'history')
  await page.goto('/library')
  await expect(page.getByRole('link', { name: 'K-4417-2S' })).toBeVisible()
  await accessible(page, 'library')
  await page.getByRole('link', { name: 'K-4417-2S' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'Spec sheet' })).toBeVisible()
  await accessible(page, 'list number')
})
