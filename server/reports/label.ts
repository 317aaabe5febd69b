import { showNumber } from '@ekrond/core/log'
import PDFDocument from 'pdfkit'
import QRCode from 'qrcode'
import { INK, PENCIL, registerFaces } from './faces.ts'

const MM = 72 / 25.4
const WIDTH = 70 * MM
const HEIGHT = 36 * MM
const CODE = 28 * MM

/** What a label's code makes a keyboard-wedge scanner type: the mark that no key or reading begins with, number and letter. */
export const scanText = (number: number): string => `~${showNumber(number)}`

/** A bench label, 70 × 36 mm: number and check letter to be read across the bench, and as a code. */
export function labelPdf(job: {
  number: number
  customer: string
  equipment: string
  promise: string
}): Promise<Buffer> {
  const pdf = new PDFDocument({
    size: [WIDTH, HEIGHT],
    margin: 0,
    info: { Title: `Label ${showNumber(job.number)}` },
  })
  registerFaces(pdf)
  const chunks: Buffer[] = []
  const done = new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk))
    pdf.on('end', () => resolve(Buffer.concat(chunks)))
    pdf.on('error', reject)
  })
  const { modules } = QRCode.create(scanText(job.number), { errorCorrectionLevel: 'Q' })
  const cell = CODE / modules.size
  const [left, top] = [4 * MM, (HEIGHT - CODE) / 2]
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) pdf.rect(left + column * cell, top + row * cell, cell + 0.05, cell + 0.05)
  pdf.fill('#000000')
  const x = left + CODE + 3 * MM
  const width = WIDTH - x - 2 * MM
  const line = (text: string, y: number, face: string, size: number, colour = INK) =>
    pdf
      .font(face)
      .fontSize(size)
      .fillColor(colour)
      .text(text, x, y, { width, height: size * 1.3, ellipsis: true, lineBreak: false })
  line(showNumber(job.number), top - 2, 'figures', 25)
  line(job.customer, top + 32, 'strong', 8.5)
  line(job.equipment, top + 45, 'words', 8.5)
  line(`promised ${job.promise}`, top + 62, 'words', 8.5, PENCIL)
  pdf.end()
  return done
}
