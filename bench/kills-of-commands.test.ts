import { expect, it } from 'vitest'
import { killCommands } from './kills-of-commands.ts'

it(
  'export, backup, import, restore and the demo killed in the middle leave nothing half',
  { timeout: 400_000 },
  async () => {
    const { kills, half } = await killCommands({ kills: 6, seed: 3 })
    expect(kills).toBe(6)
    expect(half).toEqual([])
  },
)
