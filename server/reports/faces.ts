import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type PDFDocument from 'pdfkit'

export const INK = '#16273a'
export const PENCIL = '#5d6874'

const requireHere = createRequire(join(process.env.EKROND_ROOT ?? process.cwd(), 'server', 'package.json'))
const kept = new Map<string, Buffer>()
/** A shipped face, read from the disk once. */
function font(family: string, file: string): Buffer {
  const known = kept.get(file)
  if (known) return known
  const read = readFileSync(
    join(dirname(requireHere.resolve(`@fontsource/${family}/package.json`)), 'files', file),
  )
  kept.set(file, read)
  return read
}

/** The shipped faces by what they are for: words, strong words, figures. */
export function registerFaces(pdf: InstanceType<typeof PDFDocument>): void {
  pdf.registerFont('words', font('barlow', 'barlow-latin-400-normal.woff'))
  pdf.registerFont('strong', font('barlow', 'barlow-latin-600-normal.woff'))
  pdf.registerFont('figures', font('jetbrains-mono', 'jetbrains-mono-latin-500-normal.woff'))
}
