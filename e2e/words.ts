import { expect, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'

/** What screens once said and say no more, by the screens that said it; `*` for all of them. */
const OLD = JSON.parse(readFileSync(join(import.meta.dirname, 'old-words.json'), 'utf8')) as Record<
  string,
  string[]
>

/** Signs of a sentence that was put together badly, whatever it says. */
const CLUMSY: readonly [what: string, pattern: RegExp][] = [
  ['two full stops', /[^.]\.\.(?!\.)/],
  ['a full stop with nothing before it', /(?<!Esc) \.$|\w \. \w/],
  ['one of several', /(?<![\d.,/])1 (parts|items|checks|days|pieces|jobs|points|lifts|times|errors)\b/],
  ['more than four decimals', /\d\.\d{5,}/],
  ['a value that is none', /\b(undefined|NaN|null|\[object)\b/],
]

/** Every word that a screen shows or has read aloud. */
const wordsOn = (page: Page) =>
  page.evaluate(() => [
    ...document.body.innerText.split('\n'),
    ...[...document.querySelectorAll('svg text')].map((el) => el.textContent ?? ''),
    ...[...document.querySelectorAll('[aria-label]')].map((el) => el.getAttribute('aria-label') ?? ''),
    ...[...document.querySelectorAll('[placeholder]')].map((el) => el.getAttribute('placeholder') ?? ''),
  ])

/** Nothing of what was said once is on a screen any more, and nothing on it is clumsy. */
export async function plain(page: Page, screen: string): Promise<void> {
  const lines = (await wordsOn(page)).map((line) => line.trim()).filter(Boolean)
  const station = /[a-z]+(?=\?|$)/.exec(screen.replace(/^\/jobs\/\d+\//, ''))?.[0] ?? 'rack'
  const old = [...OLD['*']!, ...(OLD[station] ?? [])]
  const said = lines.flatMap((line) => [
    ...old.filter((words) => line === words || (words.length > 12 && line.includes(words))),
    ...CLUMSY.filter(([, pattern]) => pattern.test(line)).map(([what]) => `${what}: ${line}`),
  ])
  expect([...new Set(said)], screen).toEqual([])
}
