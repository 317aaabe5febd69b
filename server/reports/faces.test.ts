import { create } from 'fontkit'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { unpackWoff } from './faces.ts'

const files = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource/barlow/package.json')),
  'files',
)
const woff = readFileSync(join(files, 'barlow-latin-400-normal.woff'))

describe('a face unpacked', () => {
  it('has the same glyphs, names and widths as the packed one', () => {
    const [packed, unpacked] = [create(woff), create(unpackWoff(woff))] as {
      fullName: string
      numGlyphs: number
      layout(text: string): { advanceWidth: number }
    }[]
    expect(unpacked!.fullName).toBe(packed!.fullName)
    expect(unpacked!.numGlyphs).toBe(packed!.numGlyphs)
    for (const text of ['Return sheet 1184', '13.5 ±0.5', '1 3/8'])
      expect(unpacked!.layout(text).advanceWidth).toBe(packed!.layout(text).advanceWidth)
  })
  it('is refused where it is none', () => expect(() => unpackWoff(Buffer.from('OTTO'))).toThrow(/no WOFF/))
})
