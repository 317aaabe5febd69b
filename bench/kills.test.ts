import { describe, expect, it } from 'vitest'
import { ensureBuild } from '../tools/build.mjs'
import { killAgainAndAgain } from './kills.ts'

describe('server and PostgreSQL killed in mid-append', () => {
  it('six times: what was acknowledged is in the log once, at the place that was told', async () => {
    await ensureBuild()
    const result = await killAgainAndAgain({ kills: 6, seed: 7 })
    expect(result).toMatchObject({ kills: 6, lost: 0, doubled: 0, skipped: 0, said: [], failedStarts: 0 })
    expect(result.acknowledged).toBeGreaterThan(6)
  }, 240_000)
})
