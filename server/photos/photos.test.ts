import { encode } from 'jpeg-js'
import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { exportShop } from '../whole/export.ts'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
beforeAll(async () => {
  shop = await openShop('photos', { demo: false })
})
afterAll(() => shop.close())

const picture = encode({ data: Buffer.alloc(64 * 48 * 4, 120), width: 64, height: 48 }, 80).data
const hash = createHash('sha256').update(picture).digest('hex')
const put = (name: string, payload: Buffer | string, type = 'image/jpeg') =>
  shop.app.inject({ method: 'PUT', url: `/api/photos/${name}`, payload, headers: { 'content-type': type } })

describe('photographs', () => {
  it('are kept once under their hash and come back as they are', async () => {
    expect((await put(hash, picture)).statusCode).toBe(204)
    expect((await put(hash, picture)).statusCode).toBe(204)
    const { rows } = await shop.pool.query('select count(*)::int as n from photograph')
    expect(rows[0]).toEqual({ n: 1 })
    const back = await shop.app.inject({ url: `/api/photos/${hash}` })
    expect(back.headers['content-type']).toBe('image/jpeg')
    expect(back.rawPayload.equals(picture)).toBe(true)
    expect(back.headers['cache-control']).toContain('immutable')
  })
  it('that did not arrive whole, or are no pictures, are turned away with a sentence', async () => {
    // Its head is a picture's, its name fits, and it ends in the middle.
    const broken = picture.subarray(0, picture.length - 40)
    const named = createHash('sha256').update(broken).digest('hex')
    expect((await put(named, broken)).json()).toMatchObject({
      detail: 'This picture is damaged. Take it again.',
    })
    const torn = await put(hash, picture.subarray(0, 6))
    expect(torn.statusCode).toBe(400)
    expect(torn.json()).toMatchObject({ detail: 'The picture did not arrive complete. Send it again.' })
    expect((await put(hash, Buffer.from('<svg/>'))).json()).toMatchObject({ title: 'No picture' })
    expect((await put(hash, 'x', 'text/html')).statusCode).toBeGreaterThanOrEqual(400)
    expect((await put('nothing', picture)).statusCode).toBe(400)
    const large = await put(hash, Buffer.alloc(4 * 1024 * 1024, 0xff))
    expect(large.statusCode).toBe(413)
    expect((await shop.app.inject({ url: `/api/photos/${'0'.repeat(64)}` })).statusCode).toBe(404)
  })
  it('go out with the whole shop', async () => {
    const names: string[] = []
    for await (const { name, contents } of exportShop(shop.pool, shop.services.clock()))
      if (name.startsWith('photographs/')) {
        names.push(name)
        expect(Buffer.isBuffer(contents) && contents.equals(picture)).toBe(true)
      }
    expect(names).toEqual([`photographs/${hash}.jpg`])
  })
})
