import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { inflateSync } from 'node:zlib'
import type PDFDocument from 'pdfkit'

export const INK = '#16273a'
export const PENCIL = '#5d6874'

const requireHere = createRequire(join(process.env.EKROND_ROOT ?? process.cwd(), 'server', 'package.json'))
const kept = new Map<string, Buffer>()
/** A shipped face, read from the disk and unpacked once: the reader of the PDF library unpacks it anew for each paper, slowly. */
function font(family: string, file: string): Buffer {
  const known = kept.get(file)
  if (known) return known
  const path = join(dirname(requireHere.resolve(`@fontsource/${family}/package.json`)), 'files', file)
  const unpacked = unpackWoff(readFileSync(path))
  kept.set(file, unpacked)
  return unpacked
}

const WOFF_HEADER = 44
const WOFF_ENTRY = 20
const SFNT_HEADER = 12
const SFNT_ENTRY = 16

/** A WOFF 1.0 file as the font that it packs (W3C, WOFF File Format 1.0, 2012): each table inflated, on bounds of four bytes. */
export function unpackWoff(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('this is no WOFF file')
  const count = woff.readUInt16BE(12)
  const head = Buffer.alloc(SFNT_HEADER + count * SFNT_ENTRY)
  woff.copy(head, 0, 4, 8)
  const power = 2 ** Math.floor(Math.log2(count))
  head.writeUInt16BE(count, 4)
  head.writeUInt16BE(power * SFNT_ENTRY, 6)
  head.writeUInt16BE(Math.log2(power), 8)
  head.writeUInt16BE((count - power) * SFNT_ENTRY, 10)
  const tables: Buffer[] = []
  let offset = head.length
  for (let i = 0; i < count; i++) {
    const at = WOFF_HEADER + i * WOFF_ENTRY
    const [from, packed, length] = [4, 8, 12].map((field) => woff.readUInt32BE(at + field)) as [
      number,
      number,
      number,
    ]
    const bytes = woff.subarray(from, from + packed)
    const table = packed < length ? inflateSync(bytes) : bytes
    const entry = SFNT_HEADER + i * SFNT_ENTRY
    woff.copy(head, entry, at, at + 4)
    woff.copy(head, entry + 4, at + 16, at + 20)
    head.writeUInt32BE(offset, entry + 8)
    head.writeUInt32BE(length, entry + 12)
    tables.push(table, Buffer.alloc(-length & 3))
    offset += length + (-length & 3)
  }
  return Buffer.concat([head, ...tables])
}

/** The shipped faces by what they are for: words, strong words, figures. */
export function registerFaces(pdf: InstanceType<typeof PDFDocument>): void {
  pdf.registerFont('words', font('barlow', 'barlow-latin-400-normal.woff'))
  pdf.registerFont('strong', font('barlow', 'barlow-latin-600-normal.woff'))
  pdf.registerFont('figures', font('jetbrains-mono', 'jetbrains-mono-latin-500-normal.woff'))
}
