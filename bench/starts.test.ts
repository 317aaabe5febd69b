import { existsSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { ensureBuild } from '../tools/build.mjs'
import { freePort, hasChecksums } from '../tools/postgres.mjs'
import { childOf, cutFirstStarts, enterJob, hasJob, newDataFolder, startOn } from './starts.ts'

beforeAll(() => ensureBuild())

// Each starts the whole program two or three times: minutes where the machine is slow.
describe('a start', { timeout: 400_000 }, () => {
  it('that was killed leaves a server and instruments behind: the next one ends what still lives, says so, and has all that was entered', async () => {
    const folder = newDataFolder()
    const port = await freePort()
    const first = await startOn(folder, port)
    expect(await hasChecksums(folder)).toBe(true)
    const job = await enterJob(first.address)
    // One that hears nothing of its starter's end: it stands still.
    const server = childOf(folder, 'server')
    process.kill(server, 'SIGSTOP')
    await first.kill()
    const second = await startOn(folder, port)
    expect(second.said()).toContain('a server that an earlier start left running was ended')
    expect(() => process.kill(server, 0)).toThrow()
    expect(await hasJob(second.address, job)).toBe(true)
    await second.stop()
    rmSync(folder, { recursive: true, force: true })
  })
  it('whose server and instruments hear that their starter is gone ends them by itself', async () => {
    const folder = newDataFolder()
    const starting = startOn(folder, await freePort(), { demo: true })
    // Its first server dies before it ever served: the next one has the address to say, and the instruments to start.
    await expect
      .poll(() => existsSync(join(folder, 'children.json')), { timeout: 60_000, interval: 5 })
      .toBe(true)
    process.kill(childOf(folder, 'server'), 'SIGKILL')
    const first = await starting
    expect(first.said()).toContain('the server ended by itself')
    const children = [childOf(folder, 'server')]
    await expect.poll(() => childOf(folder, 'instruments'), { timeout: 60_000 }).toBeGreaterThan(0)
    children.push(childOf(folder, 'instruments'))
    await first.kill()
    const live = (pid: number) => {
      try {
        process.kill(pid, 0)
        return true
      } catch {
        return false
      }
    }
    await expect.poll(() => children.filter(live), { timeout: 90_000 }).toEqual([])
    const next = await startOn(folder, await freePort())
    await next.stop()
    rmSync(folder, { recursive: true, force: true })
  })
  it('that is cut off while PostgreSQL’s files are made, or while the demo comes in, takes nothing from the shop that follows', async () => {
    expect(await cutFirstStarts(['being made', 2500])).toEqual({ cuts: 2, lost: 0, failed: 0, said: [] })
  })
})
