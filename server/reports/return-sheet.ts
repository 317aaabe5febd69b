import {
  foundLine,
  type EndOfUnit,
  layPicture,
  moneyWords,
  type ReturnSheet,
  type SheetPicture,
  wasToNow,
} from '@ekrond/core/bench/return-sheet'
import PDFDocument from 'pdfkit'
import { INK, PENCIL, registerFaces } from './faces.ts'
import type { CustomerPhoto, SheetHead } from './head.ts'

type Pdf = InstanceType<typeof PDFDocument>

const RED = '#c22f16'
const GREEN = '#1d6a54'
const RULE = '#c9c6ba'

const page = { width: 595.28, height: 841.89, margin: 22 }
const left = page.margin
const right = page.width - page.margin
const top = page.margin
const bottom = page.height - page.margin
const TITLE_HEIGHT = 78
const PICTURE_HEIGHT = 112
/** A row of a setting. */
const ROW = 17

export type SheetRenderer = (pages: ReturnSheet[], head: SheetHead) => Promise<Buffer>

/** Lays the return sheet and its start-up card out, one A4 page a body. Figures in a slashed-zero face, vectors where the face lacks a glyph. */
export function returnSheetPdf(pages: ReturnSheet[], head: SheetHead): Promise<Buffer> {
  const pdf = new PDFDocument({
    size: 'A4',
    margin: 0,
    autoFirstPage: false,
    info: { Title: `Return sheet ${pages[0]?.number ?? ''}`, Author: head.shop },
    lang: 'en',
    tagged: true,
    pdfVersion: '1.7',
  })
  registerFaces(pdf)
  const chunks: Buffer[] = []
  const done = new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk))
    pdf.on('end', () => resolve(Buffer.concat(chunks)))
    pdf.on('error', reject)
  })

  for (const sheet of pages) {
    bordered(pdf)
    const y1 = heading(pdf, sheet, head)
    if (sheet.end) {
      endPage(pdf, sheet, sheet.end, y1, moneyWords(sheet, head.currency, head.warrantyDays))
      titleBlock(pdf, sheet, head)
      continue
    }
    const y2 = settings(pdf, sheet, y1)
    const y3 = sheet.picture ? picture(pdf, sheet.picture, y2) : y2
    const y4 = findings(pdf, sheet, y3, moneyWords(sheet, head.currency, head.warrantyDays))
    const room = bottom - TITLE_HEIGHT - y4
    const card = cardFor(pdf, sheet, room)
    if (card.height > room) {
      // What finds no room goes onto a page of its own: the card can go with the unit.
      titleBlock(pdf, sheet, head)
      bordered(pdf)
      if (sheet.standing?.word === 'DRAFT') across(pdf, 'DRAFT')
      startUp(pdf, sheet, top, card)
    } else startUp(pdf, sheet, y4, card)
    titleBlock(pdf, sheet, head)
    theRest(pdf, sheet, head)
  }
  if (head.photos?.length) photographs(pdf, pages[0]!, head.photos)
  pdf.end()
  return done
}

/** A new page with the drawing's border. */
const bordered = (pdf: Pdf) =>
  pdf
    .addPage()
    .lineWidth(1.4)
    .strokeColor(INK)
    .rect(left, top, right - left, bottom - top)
    .stroke()

/** A figure in its type; words where nobody wrote one, small enough for one line of the column. */
const cellOf = (cell: string) =>
  /^[a-z ]+$/.test(cell)
    ? ({ size: 8.5, width: 64 } as const)
    : ({ face: 'figures', size: 9, width: 58 } as const)

/** As it came and as it goes back, two beside each other, on a page of their own. */
function photographs(pdf: Pdf, sheet: ReturnSheet, photos: readonly CustomerPhoto[]): void {
  bordered(pdf)
  put(pdf, `As it came, and as it goes back: ${sheet.number}`, left + 12, top + 13, {
    face: 'strong',
    size: 14,
  })
  const width = (right - left - 36) / 2
  const height = 176
  photos.slice(0, 8).forEach(({ data, type, words }, i) => {
    const x = left + 12 + (i % 2) * (width + 12)
    const y = top + 40 + Math.floor(i / 2) * (height + 14)
    if (type === 'image/jpeg' || type === 'image/png') {
      const fit: [number, number] = [width, height - 18]
      try {
        pdf.image(Buffer.from(data, 'base64'), x, y, { fit, align: 'center', valign: 'center' })
      } catch {
        // One that was kept before pictures were read at their taking: the sheet goes out all the same.
        pdf
          .lineWidth(0.8)
          .strokeColor(PENCIL)
          .rect(x, y, ...fit)
          .stroke()
        put(pdf, 'This picture cannot be read.', x + 10, y + 10, { colour: PENCIL })
      }
    }
    put(pdf, words, x, y + height - 14, { size: 8.5, colour: PENCIL, width })
  })
}

const rule = (pdf: Pdf, y: number, from = left, to = right, weight = 0.8, colour = INK) =>
  pdf.lineWidth(weight).strokeColor(colour).moveTo(from, y).lineTo(to, y).stroke()

function put(
  pdf: Pdf,
  text: string,
  x: number,
  y: number,
  options: { face?: string; size?: number; colour?: string; width?: number } = {},
): number {
  // The figures' face has no fractions of its own: the words' face sets them.
  const fraction = /\d\/\d/.test(text)
  pdf
    .font(fraction && options.face === 'figures' ? 'strong' : (options.face ?? 'words'))
    .fontSize(options.size ?? 10)
    .fillColor(options.colour ?? INK)
  // With a fraction slash the face sets a fraction, and only that: 13/8 is what 1 3/8 would read as.
  const clean = printable(text).replace(/(\d+)\/(\d+)/g, '$1\u2044$2')
  const width = options.width ?? right - x - 10
  pdf.text(clean, x, y, { width, lineGap: 1 })
  return pdf.y
}

/** What the shipped faces cannot print, said another way. */
const printable = (text: string) =>
  text.replaceAll('≤', 'at most').replaceAll('≥', 'at least').replaceAll('→', 'to').replaceAll('✓', '')

function heading(pdf: Pdf, sheet: ReturnSheet, head: { shop: string }): number {
  put(pdf, sheet.end?.title ?? 'Return sheet', left + 12, top + 13, { face: 'strong', size: 18 })
  put(pdf, head.shop, left + (sheet.end ? 228 : 130), top + 19, { size: 10, colour: PENCIL })
  const which = [
    sheet.body ? `carburetor ${sheet.body.number} of ${sheet.body.of}` : '',
    sheet.revision ? `revision ${sheet.revision}` : '',
  ]
  put(pdf, [...(sheet.end ? [] : [sheet.model]), ...which.filter(Boolean)].join(', '), left + 340, top + 19, {
    size: 10,
    width: right - left - 352,
  })
  if (sheet.standing?.word === 'DRAFT') across(pdf, 'DRAFT')
  const below = sheet.standing
    ? put(pdf, `${sheet.standing.word}. ${sheet.standing.rests}`, left + 12, top + 35, {
        face: 'strong',
        size: 9,
        colour: sheet.standing.word === 'PROVED' ? GREEN : RED,
        width: right - left - 24,
      })
    : top + 46
  // A long list of exceptions takes the room that it needs.
  const end = Math.max(top + 50, below + 4)
  rule(pdf, end)
  return end
}

/** A word across the whole paper, faint: no copy of it passes for what went out. */
function across(pdf: Pdf, word: string): void {
  const middle: [number, number] = [page.width / 2, page.height / 2]
  pdf.save().rotate(-52, { origin: middle }).fillOpacity(0.13)
  pdf
    .font('strong')
    .fontSize(190)
    .fillColor(RED)
    .text(word, middle[0] - 380, middle[1] - 105, { width: 760, align: 'center', lineBreak: false })
  pdf.restore().fillOpacity(1)
}

function settings(pdf: Pdf, sheet: ReturnSheet, y0: number): number {
  const columns = [left + 10, left + 118, left + 216, left + 280, left + 344]
  const divider = right - 152
  let y = y0 + 8
  ;['SETTING', 'SPEC', 'AS FOUND', 'AS LEFT', 'WITH'].forEach((title, i) =>
    put(pdf, title, columns[i]!, y, { size: 7.5, colour: PENCIL, face: 'strong' }),
  )
  y += 14
  for (const row of sheet.rows) {
    rule(pdf, y, left, divider, 0.5, RULE)
    put(pdf, row.name, columns[0]!, y + (sheet.proofs ? 3 : 6), { size: 9.5, width: 106 })
    put(pdf, row.spec, columns[1]!, y + (sheet.proofs ? 3 : 6), { face: 'figures', size: 9, width: 96 })
    put(pdf, row.asFound, columns[2]!, y + (sheet.proofs ? 3 : 6), { ...cellOf(row.asFound), colour: PENCIL })
    put(pdf, row.asLeft, columns[3]!, y + (sheet.proofs ? 3 : 6), cellOf(row.asLeft))
    put(pdf, row.with, columns[4]!, y + (sheet.proofs ? 3 : 6), { size: 9, width: divider - columns[4]! - 4 })
    y += sheet.proofs ? ROW : 22
    if (row.out) {
      pdf
        .lineWidth(1.2)
        .strokeColor(RED)
        .rect(columns[3]! - 4, y - (sheet.proofs ? ROW - 1 : 20), 60, sheet.proofs ? ROW - 2 : 17)
        .stroke()
      put(pdf, `${row.name}: ${row.out}`, columns[0]!, y, {
        size: 8.5,
        colour: RED,
        width: divider - columns[0]! - 8,
      })
      y += 13
    }
  }
  const beside = sheet.proofs ? proved(pdf, sheet, divider, y0) : y0 + 150
  if (!sheet.proofs) screws(pdf, sheet, divider, y0)
  const end = Math.max(y, beside)
  pdf.lineWidth(0.8).strokeColor(INK).moveTo(divider, y0).lineTo(divider, end).stroke()
  rule(pdf, end)
  return end
}

/** Proofs and sizes as built, was beside now; returns where it ends. */
function proved(pdf: Pdf, { proofs = [], built = [] }: ReturnSheet, x0: number, y0: number): number {
  const width = right - x0
  let y = y0 + 8
  const heads = (title: string) => {
    put(pdf, title, x0 + 8, y, { size: 8, colour: PENCIL, face: 'strong' })
    y += 12
  }
  const line = (name: string, was: string, now: string, colour = INK) => {
    put(pdf, name, x0 + 8, y, { size: 8.2, width: width - 74 })
    const after = pdf.y
    put(pdf, wasToNow({ was, now }), x0 + width - 70, y, {
      size: 8.2,
      face: 'strong',
      colour,
      width: 64,
    })
    y = Math.max(after, pdf.y) + 1.5
  }
  heads('Bench tests, as found to now')
  for (const one of proofs)
    line(
      `${one.short}${['by hand', 'as listed', 'of ten'].includes(one.unit) ? '' : `, ${one.unit}`}`,
      one.was,
      one.now,
      one.state === 'proved' ? INK : one.state === 'fitted' ? PENCIL : RED,
    )
  if (built.length) {
    y += 4
    heads('As built, before to now')
    for (const one of built.slice(0, 8)) line(one.name.replace(/, (mm|g)$/, ''), one.was, one.now)
  }
  return y + 4
}

/** The unit from outside: its ports as they are left, its adjusters with which way does what. */
function picture(pdf: Pdf, it: SheetPicture, y0: number): number {
  put(pdf, 'Ports', left + 10, y0 + 8, { size: 8, colour: PENCIL, face: 'strong' })
  it.ports.forEach((port, i) => {
    put(pdf, `${port.letter}  ${port.name}`, left + 10, y0 + 22 + i * 20, { size: 8.5, width: 116 })
    put(pdf, port.left, left + 20, y0 + 32 + i * 20, { size: 8, colour: PENCIL, width: 110 })
  })
  if (it.ports.length === 0) put(pdf, 'none', left + 10, y0 + 22, { size: 8.5 })
  const x = left + 132
  const laid = layPicture(it, right - x - 8, PICTURE_HEIGHT, 168, 23)
  const to = ([px, py]: readonly [number, number]): [number, number] => [x + px, y0 + py]
  pdf.lineWidth(1).strokeColor(INK)
  for (const line of laid.outlines) {
    line.forEach((point, i) => (i ? pdf.lineTo(...to(point)) : pdf.moveTo(...to(point))))
    pdf.closePath().stroke()
  }
  for (const { from, to: end, letter, filled } of laid.stubs) {
    pdf
      .lineWidth(2.4)
      .strokeColor(INK)
      .moveTo(...to(from))
      .lineTo(...to(end))
      .stroke()
    pdf.lineWidth(0.8).circle(...to(end), 5.4)
    if (filled) pdf.fill(INK)
    else pdf.fillAndStroke('#ffffff', INK)
    const [cx, cy] = to(end)
    put(pdf, letter, cx - 2.2, cy - 4.4, {
      size: 7.5,
      face: 'strong',
      colour: filled ? '#ffffff' : INK,
      width: 10,
    })
  }
  for (const { from, to: end, first, second, screw } of laid.leaders) {
    pdf
      .lineWidth(0.6)
      .strokeColor(INK)
      .moveTo(...to(from))
      .lineTo(...to([end[0] - 4, end[1]]))
      .stroke()
    screwHead(pdf, to(from), screw)
    const [tx, ty] = to(end)
    put(pdf, first, tx, ty - 6, { size: 8.8, face: 'strong', width: 162 })
    put(pdf, second, tx, ty + 4.5, { size: 8, colour: PENCIL, width: 162 })
  }
  const end = y0 + Math.max(PICTURE_HEIGHT, 26 + it.ports.length * 20)
  rule(pdf, end)
  return end
}

/** Where a leader begins: a screw by its slotted head, anything else by a dot. */
function screwHead(pdf: Pdf, [x, y]: [number, number], screw: boolean): void {
  if (!screw) {
    pdf.circle(x, y, 1.4).fill(INK)
    return
  }
  pdf.lineWidth(0.8).circle(x, y, 3.4).fillAndStroke('#ffffff', INK)
  pdf
    .lineWidth(1)
    .strokeColor(INK)
    .moveTo(x - 2.2, y + 2.2)
    .lineTo(x + 2.2, y - 2.2)
    .stroke()
}

function screws(pdf: Pdf, sheet: ReturnSheet, x0: number, y0: number): void {
  const width = right - x0
  put(pdf, 'Mixture, base turns', x0 + 10, y0 + 10, { size: 9 })
  const count = sheet.mixture.screws.length
  if (count === 0) put(pdf, 'not recorded', x0 + 10, y0 + 44, { size: 11, colour: PENCIL })
  sheet.mixture.screws.forEach((screw, i) => {
    const x = x0 + (width * (i + 0.5)) / count
    const y = y0 + 52
    pdf.lineWidth(1).strokeColor(INK).circle(x, y, 20).stroke()
    pdf.save().rotate((screw.eighths % 8) * 45, { origin: [x, y] })
    pdf.rect(x - 2.5, y - 15, 5, 30).stroke()
    pdf.restore()
    put(pdf, screw.turns, x - 25, y + 26, { face: 'figures', size: 11, width: 50 })
  })
  sheet.mixture.words.forEach((words, i) =>
    put(pdf, words, x0 + 10, y0 + 100 + i * 13, {
      size: 9.5,
      face: i === 0 ? 'strong' : 'words',
      width: width - 20,
    }),
  )
}

function findings(pdf: Pdf, sheet: ReturnSheet, y0: number, money: string): number {
  const middle = left + (right - left) * 0.52
  put(pdf, 'Found and repaired', left + 10, y0 + 8, { size: 8.5, colour: PENCIL, face: 'strong' })
  let y = y0 + 22
  for (const line of sheet.foundAndDone.slice(0, MOST_FOUND)) {
    pdf.circle(left + 14, y + 5.5, 1.6).fill(INK)
    y = put(pdf, line, left + 22, y, { size: 9, width: middle - left - 30 }) + 2
  }
  if (sheet.foundAndDone.length === 0)
    y = put(pdf, 'Nothing found that needed work.', left + 10, y, { size: 9 })
  if (sheet.foundAndDone.length > MOST_FOUND)
    y = put(pdf, `and ${sheet.foundAndDone.length - MOST_FOUND} more, on the page behind`, left + 22, y, {
      size: 9,
      colour: PENCIL,
    })
  put(pdf, 'The complaint', middle + 10, y0 + 8, { size: 8.5, colour: PENCIL, face: 'strong' })
  let yr = put(pdf, `“${sheet.complaint.words}”: ${sheet.complaint.answer}.`, middle + 10, y0 + 22, {
    size: 10.5,
    face: 'strong',
  })
  if (sheet.complaint.detail) yr = put(pdf, sheet.complaint.detail, middle + 10, yr + 2, { size: 9 })
  if (sheet.changes.length) {
    yr = put(pdf, 'Corrected after release', middle + 10, yr + 7, {
      size: 8.5,
      colour: PENCIL,
      face: 'strong',
    })
    for (const change of sheet.changes.slice(-MOST_CHANGES))
      yr = put(pdf, change, middle + 10, yr + 2, { size: 9 })
    if (sheet.changes.length > MOST_CHANGES)
      yr = put(
        pdf,
        `and ${sheet.changes.length - MOST_CHANGES} before, on the page behind`,
        middle + 10,
        yr + 2,
        {
          size: 9,
          colour: PENCIL,
        },
      )
  }
  if (sheet.left.length) {
    yr = put(pdf, 'Left as found or released anyway, and why', middle + 10, yr + 7, {
      size: 8.5,
      colour: PENCIL,
      face: 'strong',
    })
    for (const { what, why } of sheet.left.slice(0, MOST_LEFT))
      yr = put(pdf, `${what}: ${why}`, middle + 10, yr + 2, { size: 9 })
    if (sheet.left.length > MOST_LEFT)
      yr = put(pdf, `and ${sheet.left.length - MOST_LEFT} more, on the page behind`, middle + 10, yr + 2, {
        size: 9,
        colour: PENCIL,
      })
  }
  if (money) yr = put(pdf, money, middle + 10, yr + 7, { size: 9, colour: PENCIL })
  if (sheet.installer?.length) {
    y = put(pdf, 'For the installer', left + 10, y + 7, { size: 8.5, colour: PENCIL, face: 'strong' }) + 2
    for (const line of sheet.installer) {
      pdf
        .lineWidth(0.8)
        .strokeColor(INK)
        .rect(left + 11, y + 2, 7, 7)
        .stroke()
      y = put(pdf, line, left + 24, y, { size: 9, width: middle - left - 32 }) + 2
    }
  }
  const end = Math.max(y, yr) + 8
  pdf.lineWidth(0.8).strokeColor(INK).moveTo(middle, y0).lineTo(middle, end).stroke()
  rule(pdf, end)
  return end
}

const END_PICTURE = 158

/** A unit that does not go back repaired: where the worst was found, why that is the end, what was not done. No green anywhere. */
function endPage(pdf: Pdf, sheet: ReturnSheet, end: EndOfUnit, y0: number, money: string): void {
  const middle = left + (right - left) * 0.56
  const section = { x: left + 14, y: y0 + 30, width: middle - left - 24, height: END_PICTURE }
  put(pdf, `What was found: ${sheet.model}, in section`, left + 12, y0 + 8, {
    size: 8.5,
    colour: PENCIL,
    face: 'strong',
  })
  const points = end.picture.outlines.flat()
  const [x0, x1] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))]
  const [y2, y3] = [Math.min(...points.map(([, y]) => y)), Math.max(...points.map(([, y]) => y))]
  const scale = Math.min(section.width / (x1 - x0), section.height / (y3 - y2))
  const draw = (to: (at: readonly [number, number]) => [number, number]) => {
    for (const line of end.picture.outlines) {
      line.forEach((at, i) => (i ? pdf.lineTo(...to(at)) : pdf.moveTo(...to(at))))
      pdf.stroke()
    }
  }
  const small = ([x, y]: readonly [number, number]): [number, number] => [
    section.x + (x - x0) * scale,
    section.y + (y3 - y) * scale,
  ]
  pdf.lineWidth(0.6).strokeColor(PENCIL)
  draw(small)
  const { at } = end.picture
  if (at) {
    // The place once more, large, in a circle with its tangents.
    const ring = Math.max(8, end.picture.radius * scale)
    const large = { x: right - 84, y: y0 + 92, r: 72 }
    const [cx, cy] = small(at)
    pdf.save().circle(large.x, large.y, large.r).clip()
    const grow = large.r / end.picture.radius
    pdf.lineWidth(1).strokeColor(INK)
    draw(([x, y]) => [large.x + (x - at[0]) * grow, large.y - (y - at[1]) * grow])
    pdf.restore()
    pdf.lineWidth(1.6).strokeColor(RED).circle(cx, cy, ring).stroke()
    pdf.circle(large.x, large.y, large.r).stroke()
    pdf.lineWidth(0.7).dash(4, { space: 3 })
    for (const s of [-1, 1])
      pdf
        .moveTo(cx, cy + s * ring)
        .lineTo(large.x, large.y + s * large.r)
        .stroke()
    pdf.undash()
    put(pdf, `× ${(grow / 2.835).toFixed(1)}`, large.x + 40, large.y + 74, {
      face: 'figures',
      size: 8.5,
      colour: PENCIL,
    })
  }
  let y = y0 + END_PICTURE + 44
  for (const [i, one] of end.found.entries()) {
    y =
      put(pdf, foundLine(one), left + 12, y, {
        face: 'strong',
        size: i === 0 ? 13 : 10,
        colour: i === 0 ? RED : INK,
        width: right - left - 24,
      }) + 1
    const who =
      i === 0 && end.second ? `Found by ${one.by}, seen by ${end.second} too.` : `Found by ${one.by}.`
    y = put(pdf, `${one.sentence} ${who}`, left + 12, y, { size: 9, width: right - left - 24 }) + 5
  }
  if (end.chain.length) {
    rule(pdf, y + 2)
    y = put(pdf, 'Why it is condemned', left + 12, y + 8, { face: 'strong', size: 10 }) + 3
    end.chain.forEach((line, i) => {
      y = put(pdf, `${i + 1}  ${line}`, left + 12, y, { size: 9.5, width: right - left - 24 }) + 3
    })
  }
  rule(pdf, y + 4)
  const from = y + 12
  let yl = put(pdf, 'Failed', left + 12, from, { face: 'strong', size: 10 }) + 3
  for (const line of end.notDone) {
    pdf
      .lineWidth(0.8)
      .strokeColor(RED)
      .rect(left + 13, yl + 2, 7, 7)
      .stroke()
    pdf
      .moveTo(left + 13, yl + 9)
      .lineTo(left + 20, yl + 2)
      .stroke()
    yl = put(pdf, line, left + 26, yl, { size: 9.5, width: middle - left - 40 }) + 3
  }
  yl = put(pdf, 'The complaint', left + 12, yl + 6, { face: 'strong', size: 10 }) + 3
  yl = put(
    pdf,
    `“${sheet.complaint.words}”: ${sheet.complaint.answer}. ${sheet.complaint.detail}`,
    left + 12,
    yl,
    { size: 9.5, width: middle - left - 24 },
  )
  let yr = put(pdf, 'What you can do', middle + 10, from, { face: 'strong', size: 10 }) + 3
  for (const line of end.can)
    yr = put(pdf, line, middle + 10, yr, { size: 9.5, width: right - middle - 20 }) + 4
  if (money)
    yr = put(pdf, money, middle + 10, yr + 6, { size: 9, colour: PENCIL, width: right - middle - 20 })
  y = Math.max(yl, yr) + 10
  rule(pdf, y)
  if (sheet.startUp.danger)
    y = put(pdf, sheet.startUp.danger, left + 12, y + 8, {
      face: 'strong',
      size: 12,
      colour: RED,
      width: right - left - 24,
    })
  for (const line of sheet.startUp.lines)
    y = put(pdf, line, left + 12, y + 4, { size: 9.5, width: right - left - 24 })
  if (sheet.passed.length + sheet.foundAndDone.length > 0) {
    y = put(pdf, 'Found and repaired', left + 12, y + 10, { size: 8.5, colour: PENCIL, face: 'strong' }) + 2
    for (const line of sheet.foundAndDone) {
      if (y > bottom - TITLE_HEIGHT - 26) break
      y = put(pdf, line, left + 12, y, { size: 9, width: right - left - 24 }) + 1
    }
  }
}

/** What the first page has room for; all of it stands on the page behind where there is more. */
const MOST_FOUND = 9
const MOST_CHANGES = 5
const MOST_LEFT = 6

/** Everything that was found, let pass and corrected, where the first page had no room for all of it: nothing that was excepted goes unprinted. */
function theRest(pdf: Pdf, sheet: ReturnSheet, head: SheetHead): void {
  const sections = [
    ['Found and repaired', sheet.foundAndDone, MOST_FOUND],
    [
      'Left as found or released anyway, and why',
      sheet.left.map(({ what, why }) => `${what}: ${why}`),
      MOST_LEFT,
    ],
    ['Corrected after release', sheet.changes, MOST_CHANGES],
  ] as const
  const long = sections.filter(([, lines, most]) => lines.length > most)
  if (long.length === 0) return
  let y = 0
  const begin = () => {
    bordered(pdf)
    if (sheet.standing?.word === 'DRAFT') across(pdf, 'DRAFT')
    put(pdf, `${sheet.number}, all of it`, left + 12, top + 13, { face: 'strong', size: 14 })
    titleBlock(pdf, sheet, head)
    y = top + 42
  }
  begin()
  for (const [title, lines] of long) {
    if (y > bottom - TITLE_HEIGHT - 60) begin()
    y = put(pdf, title, left + 12, y, { size: 8.5, colour: PENCIL, face: 'strong' }) + 3
    lines.forEach((line, i) => {
      if (y > bottom - TITLE_HEIGHT - 40) begin()
      y = put(pdf, `${i + 1}  ${line}`, left + 12, y, { size: 9.5, width: right - left - 24 }) + 3
    })
    y += 8
  }
}

/** The card's letters, pt: as large as lets it stand on the first page, beside what it goes with. */
const CARD_SIZES = [9.5, 9, 8.5] as const
type CardSize = (typeof CARD_SIZES)[number]

interface Card {
  size: CardSize
  /** how many of its lines stand in the left column: as many as make both end alike */
  half: number
  height: number
}

/** The start-up card in the largest letters that find room in a height, pt; in its usual ones where none do. */
function cardFor(pdf: Pdf, { startUp: { lines, danger } }: ReturnSheet, room: number): Card {
  const cards = CARD_SIZES.map((size): Card => {
    const width = (right - left) / 2 - 34
    pdf.font('words').fontSize(size)
    const heights = lines.map((line) => pdf.heightOfString(line, { width, lineGap: 1 }) + 3)
    const sum = (some: readonly number[]) => some.reduce((all, one) => all + one, 0)
    const columns = (half: number) => Math.max(sum(heights.slice(0, half)), sum(heights.slice(half)))
    const halves = Array.from({ length: lines.length + 1 }, (_, i) => i)
    const half = halves.reduce((best, one) => (columns(one) < columns(best) ? one : best), 0)
    return { size, half, height: 34 + (danger ? dangerHeight(pdf, danger) + 10 : 0) + columns(half) }
  })
  return cards.find(({ height }) => height <= room) ?? cards[0]!
}

function dangerHeight(pdf: Pdf, danger: string): number {
  return (
    pdf
      .font('strong')
      .fontSize(10.5)
      .heightOfString(danger, { width: right - left - 48 }) + 14
  )
}

function startUp(
  pdf: Pdf,
  { startUp: { lines, danger } }: ReturnSheet,
  y0: number,
  { size, half }: Card,
): void {
  put(pdf, 'Start-up card', left + 12, y0 + 10, { face: 'strong', size: 13 })
  let y = y0 + 32
  if (danger) {
    const height = dangerHeight(pdf, danger)
    pdf
      .lineWidth(1.6)
      .strokeColor(RED)
      .rect(left + 12, y, right - left - 24, height)
      .stroke()
    put(pdf, danger, left + 24, y + 7, {
      face: 'strong',
      size: 10.5,
      colour: RED,
      width: right - left - 48,
    })
    y += height + 10
  }
  const columnWidth = (right - left) / 2 - 34
  let yl = y
  let yr = y
  lines.forEach((line, i) => {
    const leftSide = i < half
    const x = leftSide ? left + 12 : left + (right - left) / 2 + 6
    const at = leftSide ? yl : yr
    put(pdf, `${i + 1}.`, x, at, { size, width: 16 })
    const end = put(pdf, line, x + 16, at, { size, width: columnWidth }) + 3
    if (leftSide) yl = end
    else yr = end
  })
}

function titleBlock(pdf: Pdf, sheet: ReturnSheet, head: { date: string }): void {
  const y0 = bottom - TITLE_HEIGHT
  const x0 = left + 214
  rule(pdf, y0)
  put(pdf, sheet.cautions.join(' '), left + 10, y0 + 10, { size: 8.5, colour: PENCIL, width: 194 })
  pdf.lineWidth(1.4).strokeColor(INK).moveTo(x0, y0).lineTo(x0, bottom).stroke()
  const cells: [string, string, boolean][] = [
    ['Job', sheet.number, true],
    ['List number', sheet.listNumber, true],
    [sheet.standing?.word === 'DRAFT' ? 'Drawn up' : 'Returned', head.date, false],
    ['For', sheet.customer, false],
    ['Equipment', sheet.equipment, false],
    ['Technician', sheet.hands, false],
  ]
  const width = (right - x0) / 3
  cells.forEach(([label, value, figures], i) => {
    const x = x0 + (i % 3) * width
    const y = y0 + Math.floor(i / 3) * 39
    put(pdf, label, x + 8, y + 6, { size: 8, colour: PENCIL, width: width - 12 })
    put(pdf, value, x + 8, y + 17, {
      face: figures ? 'figures' : 'strong',
      size: value.length > 20 ? 8.5 : 10.5,
      width: width - 12,
    })
    if (i % 3)
      pdf
        .lineWidth(0.5)
        .strokeColor(RULE)
        .moveTo(x, y)
        .lineTo(x, y + 39)
        .stroke()
  })
  rule(pdf, y0 + 39, x0, right, 0.5, RULE)
}
