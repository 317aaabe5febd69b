import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { get } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tablesOfAShop } from '../db/untouched.ts'
import { insertPhotograph } from '../photos/photos.sql.ts'
import { openShop, type TestShop } from '../test/shop.ts'
import { backUp, backUpNightly, backupState, restore } from './backup.ts'
import { WholeShopFaults } from './import.ts'
import { sha256 } from './manifest.ts'
import { backUpWhereDue, isDue } from './nightly.ts'

let shop: TestShop
let fresh: TestShop
let third: TestShop
let folder: string
let file: string
const picture = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(300_000, 7)])
beforeAll(async () => {
  shop = await openShop('backup_from')
  fresh = await openShop('backup_to', { demo: false })
  third = await openShop('backup_third', { demo: false })
  await insertPhotograph(shop.pool, sha256(picture), picture)
  folder = mkdtempSync(join(tmpdir(), 'ekrond-backup-'))
  file = join(folder, 'mine.zip')
})
afterAll(() => Promise.all([shop.close(), fresh.close(), third.close()]))

const faultsOf = (path: string, into = fresh) =>
  restore(into.pool, path).then(
    () => [],
    (error: unknown) => {
      if (error instanceof WholeShopFaults) return error.errors.map(({ sentence }) => sentence)
      throw error
    },
  )

describe('a backup', () => {
  it('is one file with all of the shop, and gives every row of every table back on another machine', async () => {
    const { bytes } = await backUp(shop.pool, file, shop.services.clock())
    expect(bytes).toBe(readFileSync(file).length)
    expect(readdirSync(folder)).toEqual(['mine.zip'])
    expect(await restore(fresh.pool, file)).toMatchObject({ jobs: 15, photographs: 1, whole: true })
    for (const table of await tablesOfAShop(shop.pool)) {
      const rows = async ({ pool }: TestShop) =>
        (await pool.query<{ row: string }>(`select to_jsonb(t)::text as row from "${table}" t order by 1`))
          .rows
      expect(await rows(fresh), table).toEqual(await rows(shop))
    }
    expect(readdirSync(folder)).toEqual(['mine.zip'])
  })
  it('takes the place of the demo only for who says how many jobs go', async () => {
    expect((await faultsOf(file))[0]).toMatch(/^The demo shop stands here, with 15 jobs/)
    await expect(restore(fresh.pool, file, { overDemo: 14 })).rejects.toThrow(WholeShopFaults)
    expect(await restore(fresh.pool, file, { overDemo: 15 })).toMatchObject({ jobs: 15 })
  })
  it('that was cut off, altered or is none at all is refused in a sentence', async () => {
    const bytes = readFileSync(file)
    const other = (name: string, contents: Buffer) => {
      writeFileSync(join(folder, name), contents)
      return join(folder, name)
    }
    const flipped = Buffer.from(bytes)
    flipped[Math.floor(bytes.length / 2)]! ^= 0xff
    for (const path of [
      other('cut.zip', bytes.subarray(0, bytes.length * 0.7)),
      other('flipped.zip', flipped),
      other('none.zip', Buffer.from('no backup')),
    ])
      expect((await faultsOf(path, third)).join(' '), path).toMatch(
        /cut off or altered|cannot be read|does not fit/,
      )
    expect(readdirSync(folder).filter((name) => name.includes('reading'))).toEqual([])
  })
})

describe('the nightly backup', () => {
  it('is due once a night, and at once where the last one is over a day old', () => {
    const now = new Date('2026-11-24T02:30:00Z')
    expect(isDue(null, now, 2)).toBe(true)
    expect(isDue('2026-11-23T02:10:00Z', now, 2)).toBe(true)
    expect(isDue('2026-11-24T00:10:00Z', now, 2)).toBe(false)
    expect(isDue('2026-11-23T16:10:00Z', now, 2)).toBe(true)
    expect(isDue('2026-11-24T02:30:00Z', new Date('2026-11-24T15:00:00Z'), 15)).toBe(false)
    expect(isDue('2026-11-23T14:00:00Z', new Date('2026-11-24T15:00:00Z'), 15)).toBe(true)
  })
  it('is made beside the data, and the oldest go beyond the kept number', async () => {
    const kept = join(folder, 'backups')
    for (const day of ['21', '22', '23'])
      await backUpNightly(shop.pool, kept, new Date(`2026-11-${day}T02:00:00Z`), 2)
    expect(readdirSync(kept)).toEqual([
      'shop-2026-11-22T02-00.ekrond.zip',
      'shop-2026-11-23T02-00.ekrond.zip',
    ])
    expect(backupState(kept)).toEqual({ at: '2026-11-23T02:00:00.000Z', failed: '' })
    const how = { clock: shop.services.clock, zone: 'UTC', keep: 14 }
    // 24 November, 10:40: over a day later.
    expect(await backUpWhereDue(shop.pool, kept, how)).toMatch(/2026-11-24T10-40/)
    expect(await backUpWhereDue(shop.pool, kept, how)).toBe(null)
  })
  it('that fails says why until one succeeds', async () => {
    const kept = join(folder, 'failing')
    const away = { connect: () => Promise.reject(new Error('nobody answers')) } as unknown as TestShop['pool']
    await expect(backUpNightly(away, kept, new Date('2026-11-24T02:00:00Z'), 3)).rejects.toThrow()
    expect(backupState(kept)).toEqual({ at: null, failed: 'nobody answers' })
    await backUpNightly(shop.pool, kept, new Date('2026-11-24T03:00:00Z'), 3)
    expect(backupState(kept).failed).toBe('')
    expect(readdirSync(kept)).toHaveLength(1)
  })
})

describe('the whole shop as a download', () => {
  it('that is broken off lets go of its connection at once', async () => {
    const address = await shop.app.listen({ host: '127.0.0.1', port: 0 })
    for (let i = 0; i < 6; i++)
      await new Promise<void>((done, fail) => {
        const request = get(`${address}/api/export.zip`, (response) => {
          expect(response.statusCode).toBe(200)
          response.once('data', () => request.destroy())
          response.once('close', done)
        })
        request.once('error', () => done())
        setTimeout(() => fail(new Error('it never ended')), 60_000).unref()
      })
    await expect.poll(() => shop.pool.idleCount).toBe(shop.pool.totalCount)
    const whole = await fetch(`${address}/api/export.zip`)
    expect((await whole.arrayBuffer()).byteLength).toBeGreaterThan(100_000)
    expect(existsSync(file)).toBe(true)
  })
})
