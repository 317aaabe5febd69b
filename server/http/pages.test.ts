import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildApp } from '../app.ts'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
let app: Awaited<ReturnType<typeof buildApp>>
beforeAll(async () => {
  shop = await openShop('pages', { demo: false })
  const web = mkdtempSync(join(tmpdir(), 'ekrond-pages-'))
  const earlier = mkdtempSync(join(tmpdir(), 'ekrond-earlier-'))
  for (const folder of [web, earlier]) mkdirSync(join(folder, 'assets'))
  writeFileSync(join(web, 'index.html'), '<!doctype html><title>Ekrond</title>')
  writeFileSync(join(web, 'sw.js'), '// worker')
  writeFileSync(join(web, 'assets/now-1.js'), 'now')
  writeFileSync(join(earlier, 'assets/then-0.js'), 'then')
  writeFileSync(join(earlier, 'secret.txt'), 'secret')
  app = await buildApp({ services: shop.services, pages: { web, earlier } })
})
afterAll(async () => {
  await app.close()
  await shop.close()
})
const get = async (url: string) => {
  const { statusCode, headers, body } = await app.inject({ url })
  return { status: statusCode, type: String(headers['content-type']), cache: headers['cache-control'], body }
}

describe('the pages', () => {
  it('answer any address of theirs with the page, asked for each time', async () => {
    for (const url of ['/', '/jobs/1181/set', '/library/K-4417-2S'])
      expect(await get(url)).toMatchObject({
        status: 200,
        type: 'text/html; charset=utf-8',
        cache: 'no-cache',
      })
  })
  it('keep a hashed part for ever, and one of an earlier build is still there', async () => {
    expect(await get('/assets/now-1.js')).toMatchObject({ status: 200, body: 'now' })
    expect((await get('/assets/now-1.js')).cache).toContain('immutable')
    expect(await get('/assets/then-0.js')).toMatchObject({ status: 200, body: 'then' })
  })
  it('never answer for a part that is gone: it would be kept in the part’s place', async () => {
    for (const url of [
      '/assets/gone-2.js',
      '/assets/',
      '/robots.txt',
      '/api',
      '/api/nothing',
      '/%61pi/nothing',
    ])
      expect(await get(url), url).toMatchObject({
        status: 404,
        type: 'application/problem+json',
      })
  })
  it('give nothing beside them', async () => {
    for (const url of ['/assets/../secret.txt', '/assets/%2e%2e/secret.txt', '/..%2f..%2fetc/passwd'])
      expect((await get(url)).body, url).not.toMatch(/^secret|root:/)
  })
})
