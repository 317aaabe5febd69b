import { describe, expect, it } from 'vitest'
import { buildApp } from '../app.ts'
import { clockFrom } from '../clock.ts'
import type { Pool } from '../db/pool.ts'
import { openServices } from '../services.ts'
import { NOW } from '../test/shop.ts'
import { roomOf } from './disk.ts'

const GB = 1e9

describe('room on the disk', () => {
  it('is low below a gigabyte or a tenth, full where PostgreSQL may stop', () => {
    expect(roomOf(200 * GB, 1000 * GB)).toBe('ok')
    expect(roomOf(99 * GB, 1000 * GB)).toBe('low')
    expect(roomOf(0.9 * GB, 5 * GB)).toBe('low')
    expect(roomOf(1.1 * GB, 5 * GB)).toBe('ok')
    expect(roomOf(0.05 * GB, 5 * GB)).toBe('full')
  })
})

describe('a database that stands still', () => {
  it('is said within seconds', async () => {
    const frozen = { query: () => new Promise(() => undefined) } as unknown as Pool
    const app = await buildApp({ services: openServices(frozen, clockFrom(NOW)) })
    const response = await app.inject({ url: '/api/health' })
    expect(response.json()).toMatchObject({ ok: false, database: false })
    await app.close()
  })
})

describe('what goes wrong with the data', () => {
  it.each([
    ['XX001', 500, 'The data is damaged'],
    ['53100', 503, 'The disk is full'],
    ['57014', 503, 'Too slow'],
    ['57P01', 503, 'Database unavailable'],
  ])('%s is said as what it is', async (code, status, title) => {
    const failing = {
      query: () => Promise.reject(Object.assign(new Error('at the database'), { code })),
    } as unknown as Pool
    const app = await buildApp({ services: openServices(failing, clockFrom(NOW)) })
    const response = await app.inject({ url: '/api/jobs' })
    expect(response.statusCode).toBe(status)
    expect(response.json()).toMatchObject({ title })
    await app.close()
  })
})
