import { layPicture, moneyWords, type ReturnSheet, type SheetPicture } from '@ekrond/core/return-sheet'
import type { CustomerPhoto, SheetHead } from './head.ts'

const SAFE: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
}
/** Text as it may stand in a page: nothing that somebody typed becomes mark-up. */
const text = (words: string): string => words.replace(/[&<>"']/g, (sign) => SAFE[sign]!)

/**
 * The return sheet as one HTML file for the customer: read-only, no scripts, nothing from outside, so that it opens years later and
 * without a network. From the same document as the paper.
 */
export function customerPage(
  pages: readonly ReturnSheet[],
  head: SheetHead,
  photos: readonly CustomerPhoto[] = [],
): string {
  const first = pages[0]!
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">
<title>Return sheet ${text(first.number)}</title>
<style>${STYLE}</style>
</head>
<body>
${pages.map((page) => sheetOf(page, head)).join('\n')}
${photos.length ? `<section><h2>Before and after</h2><div class="photos">${photos.map(photo).join('')}</div></section>` : ''}
</body>
</html>
`
}

const photo = ({ data, type, words }: CustomerPhoto) =>
  `<figure><img alt="${text(words)}" src="data:${text(type)};base64,${data}"><figcaption>${text(words)}</figcaption></figure>`

function sheetOf(sheet: ReturnSheet, head: SheetHead): string {
  const { standing, proofs = [], built = [], installer = [] } = sheet
  const list = (items: readonly string[]) =>
    `<ul>${items.map((item) => `<li>${text(item)}</li>`).join('')}</ul>`
  const rows = (
    heads: readonly string[],
    lines: readonly (readonly string[])[],
    bad: readonly boolean[] = [],
  ) =>
    `<table><thead><tr>${heads.map((one) => `<th scope="col">${text(one)}</th>`).join('')}</tr></thead><tbody>${lines
      .map(
        (line, i) =>
          `<tr${bad[i] ? ' class="bad"' : ''}>${line.map((one) => `<td>${text(one)}</td>`).join('')}</tr>`,
      )
      .join('')}</tbody></table>`
  return `<article>
<header><h1>Return sheet ${text(sheet.number)}</h1><p>${text(head.shop)} · ${text(sheet.model)} ${text(sheet.listNumber)}${sheet.body ? `, body ${sheet.body.number} of ${sheet.body.of}` : ''}${sheet.revision ? `, revision ${text(sheet.revision)}` : ''}</p></header>
${standing ? `<p class="${standing.word === 'PROVED' ? 'good' : 'bad'}"><b>${standing.word}.</b> ${text(standing.rests)}</p>` : ''}
${sheet.startUp.danger ? `<p class="danger">${text(sheet.startUp.danger)}</p>` : ''}
<h2>Before and at the first start</h2>
<ol>${sheet.startUp.lines.map((line) => `<li>${text(line)}</li>`).join('')}</ol>
${installer.length ? `<h2>Left for whoever fits it</h2>${list(installer)}` : ''}
${sheet.picture ? picture(sheet.picture) : ''}
<h2>How it was, and how it is</h2>
${rows(
  ['Setting', 'Spec', 'As found', 'As left'],
  sheet.rows.map((row) => [
    row.name,
    row.spec,
    row.asFound,
    row.out ? `${row.asLeft} (${row.out})` : row.asLeft,
  ]),
  sheet.rows.map((row) => Boolean(row.out)),
)}
${
  proofs.length
    ? `<h2>Proved on the bench</h2>${rows(
        ['Proof', 'Wants', 'Came in', 'Now'],
        proofs.map((one) => [one.name, one.wants, one.was, one.now]),
        proofs.map(({ state }) => state === 'failed' || state === 'void'),
      )}`
    : ''
}
${
  built.length
    ? `<h2>As built</h2>${rows(
        ['Part', 'Was', 'Now'],
        built.map((one) => [one.name, one.was, one.now]),
      )}`
    : ''
}
<h2>Found and done</h2>${list(sheet.foundAndDone)}
<h2>The complaint</h2><p><b>“${text(sheet.complaint.words)}”: ${text(sheet.complaint.answer)}.</b> ${text(sheet.complaint.detail)}</p>
${sheet.left.length ? `<h2>Left as it was, and why</h2>${list(sheet.left.map(({ what, why }) => `${what}: ${why}`))}` : ''}
${moneyWords(sheet.money, head.currency, head.warrantyDays) ? `<p>${text(moneyWords(sheet.money, head.currency, head.warrantyDays))}</p>` : ''}
<footer><p>${text(sheet.cautions.join(' '))}</p><p>For ${text(sheet.customer)}, ${text(sheet.equipment)}. ${text(sheet.hands)}, ${text(head.date)}.</p></footer>
</article>`
}

const WIDTH = 640
const HEIGHT = 230

function picture(it: SheetPicture): string {
  const laid = layPicture(it, WIDTH, HEIGHT, 230)
  const line = (points: readonly (readonly [number, number])[]) =>
    points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
  return `<h2>Where each adjuster is, and each port</h2>
<svg viewBox="0 0 ${WIDTH} ${HEIGHT}" role="img" aria-label="The unit from outside">
${laid.outlines.map((points) => `<path d="${line(points)}Z" class="line"/>`).join('')}
${laid.stubs
  .map(
    ({ from, to, letter, filled }) =>
      `<path d="${line([from, to])}" class="stub"/><circle cx="${to[0].toFixed(1)}" cy="${to[1].toFixed(1)}" r="9" class="${filled ? 'full' : 'ring'}"/><text x="${to[0].toFixed(1)}" y="${(to[1] + 5).toFixed(1)}" text-anchor="middle" class="${filled ? 'in' : ''}">${letter}</text>`,
  )
  .join('')}
${laid.leaders
  .map(
    ({ from, to, first, second }) =>
      `<path d="${line([from, [to[0] - 4, to[1]]])}" class="thin"/><text x="${to[0].toFixed(1)}" y="${to[1].toFixed(1)}">${text(first)}</text><text x="${to[0].toFixed(1)}" y="${(to[1] + 16).toFixed(1)}" class="second">${text(second)}</text>`,
  )
  .join('')}
</svg>
<ul class="ports">${it.ports.map((port) => `<li>${text(port.letter)} ${text(port.name)}: ${text(port.left)}</li>`).join('')}</ul>`
}

const STYLE = `
body{margin:0 auto;max-width:46rem;padding:1rem;background:#fdfbf4;color:#16273a;font:16px/1.45 system-ui,sans-serif}
article,section{border:2px solid #16273a;padding:1rem 1.2rem;margin-bottom:1rem}
h1{font-size:1.4rem;margin:0}h2{font-size:1.05rem;margin:1.2rem 0 .3rem;border-bottom:1px solid #cdc9ba}
table{border-collapse:collapse;width:100%}th{text-align:left;font-weight:500;color:#5b6672}td,th{padding:.25rem .6rem .25rem 0;border-bottom:1px solid #cdc9ba;vertical-align:top}
.bad td,p.bad{color:#c22f16}p.good{color:#1d6a54}.danger{border:2px solid #c22f16;color:#c22f16;padding:.5rem .8rem;font-weight:600}
footer{color:#5b6672;font-size:.9rem}svg{width:100%}.line{fill:none;stroke:#16273a;stroke-width:1.6}.stub{stroke:#16273a;stroke-width:4}.thin{stroke:#16273a;stroke-width:1}
.ring{fill:#fdfbf4;stroke:#16273a}.full{fill:#16273a}text{font:600 14px system-ui,sans-serif;fill:#16273a}text.second{font-weight:400;fill:#5b6672}text.in{fill:#fdfbf4}
.ports{columns:2}.photos{display:grid;grid-template-columns:1fr 1fr;gap:.8rem}img{width:100%}figure{margin:0}@media print{article{break-after:page}}
`
