import {
  foundLine,
  layPicture,
  moneyWords,
  type EndOfUnit,
  type ReturnSheet,
  type SheetPicture,
} from '@ekrond/core/bench/return-sheet'
import type { CustomerPhoto, SheetHead } from './head.ts'
import { html, type Html } from './html.ts'

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
  return html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta
          http-equiv="Content-Security-Policy"
          content="default-src 'none'; style-src 'unsafe-inline'; img-src data:"
        />
        <title>Return sheet ${first.number}</title>
        <style>
          ${STYLE}
        </style>
      </head>
      <body>
        ${pages.map((page) => sheetOf(page, head))}
        ${
          photos.length
            ? html`<section>
                <h2>Before and after</h2>
                <div class="photos">${photos.map(photo)}</div>
              </section>`
            : ''
        }
      </body>
    </html> `.markup
}

const photo = ({ data, type, words }: CustomerPhoto) =>
  html`<figure>
    <img alt="${words}" src="data:${type};base64,${data}" />
    <figcaption>${words}</figcaption>
  </figure>`

function sheetOf(sheet: ReturnSheet, head: SheetHead): Html {
  const { standing, proofs = [], built = [], installer = [] } = sheet
  const list = (items: readonly string[]) =>
    html`<ul>
      ${items.map((item) => html`<li>${item}</li>`)}
    </ul>`
  const rows = (
    heads: readonly string[],
    lines: readonly (readonly string[])[],
    bad: readonly boolean[] = [],
  ) =>
    html`<table>
      <thead>
        <tr>
          ${heads.map((one) => html`<th scope="col">${one}</th>`)}
        </tr>
      </thead>
      <tbody>
        ${lines.map(
          (line, i) =>
            html`<tr${bad[i] && html` class="bad"`}>${line.map((one) => html`<td>${one}</td>`)}</tr>`,
        )}
      </tbody>
    </table>`
  return html`<article>
    <header>
      <h1>${sheet.end?.title ?? 'Return sheet'} ${sheet.number}</h1>
      <p>
        ${head.shop} · ${sheet.model}
        ${sheet.listNumber}${sheet.body ? `, carburetor ${sheet.body.number} of ${sheet.body.of}` : ''}${sheet.revision ? `, revision ${sheet.revision}` : ''}
      </p>
    </header>
    ${standing ? html`<p class="${standing.word === 'PROVED' ? 'good' : 'bad'}"><b>${standing.word}.</b> ${standing.rests}</p>` : ''}
    ${sheet.startUp.danger ? html`<p class="danger">${sheet.startUp.danger}</p>` : ''}
    <h2>${sheet.end ? 'Mind' : 'Before and at the first start'}</h2>
    <ol>
      ${sheet.startUp.lines.map((line) => html`<li>${line}</li>`)}
    </ol>
    ${sheet.end ? endOf(sheet.end) : ''}
    ${
      installer.length && !sheet.end
        ? html`<h2>For whoever installs it</h2>
            ${list(installer)}`
        : ''
    }
    ${
      sheet.end
        ? ''
        : html`${sheet.picture ? picture(sheet.picture) : ''}
            <h2>Before and after, by setting</h2>
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
                ? html`<h2>Proved on the bench</h2>
                    ${rows(
                      ['Test', 'Target', 'As found', 'Now'],
                      proofs.map((one) => [one.name, one.wants, one.was, one.now]),
                      proofs.map(({ state }) => state === 'failed' || state === 'void'),
                    )}`
                : ''
            }
            ${
              built.length
                ? html`<h2>As built</h2>
                    ${rows(
                      ['Part', 'As found', 'Now'],
                      built.map((one) => [one.name, one.was, one.now]),
                    )}`
                : ''
            } `
    }
    <h2>Found and repaired</h2>
    ${list(sheet.foundAndDone)}
    <h2>The complaint</h2>
    <p><b>“${sheet.complaint.words}”: ${sheet.complaint.answer}.</b> ${sheet.complaint.detail}</p>
    ${
      sheet.left.length
        ? html`<h2>Left as found, and why</h2>
            ${list(sheet.left.map(({ what, why }) => `${what}: ${why}`))}`
        : ''
    }
    ${moneyWords(sheet, head.currency, head.warrantyDays) ? html`<p>${moneyWords(sheet, head.currency, head.warrantyDays)}</p>` : ''}
    <footer>
      <p>${sheet.cautions.join(' ')}</p>
      <p>For ${sheet.customer}, ${sheet.equipment}. ${sheet.hands}, ${head.date}.</p>
    </footer>
  </article>`
}

/** How it ended: what was found, why that is the end, what was not done. */
const endOf = (end: EndOfUnit): Html =>
  html`<h2>What was found</h2>
    ${end.found.map(
      (one, i) =>
        html`<p${i === 0 && html` class="bad"`}><b>${foundLine(one)}.</b> ${one.sentence} Found by ${one.by}${i === 0 && end.second ? `, seen by ${end.second} too` : ''}.</p>`,
    )}
    ${
      end.chain.length
        ? html`<h2>Why it is condemned</h2>
            <ol>
              ${end.chain.map((line) => html`<li>${line}</li>`)}
            </ol>`
        : ''
    }
    <h2>Not done</h2>
    <ul>
      ${end.notDone.map((line) => html`<li>${line}</li>`)}
    </ul>
    <h2>What you can do</h2>
    <ul>
      ${end.can.map((line) => html`<li>${line}</li>`)}
    </ul>`

const WIDTH = 640
const HEIGHT = 230

function picture(it: SheetPicture): Html {
  const laid = layPicture(it, WIDTH, HEIGHT, 230)
  const line = (points: readonly (readonly [number, number])[]) =>
    points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
  return html`<h2>Where each adjuster is, and each port</h2>
    <svg viewBox="0 0 ${WIDTH} ${HEIGHT}" role="img" aria-label="The unit from outside">
      ${laid.outlines.map((points) => html`<path d="${line(points)}Z" class="line" />`)}
      ${laid.stubs.map(
        ({ from, to, letter, filled }) =>
          html`<path d="${line([from, to])}" class="stub" /><circle
              cx="${to[0].toFixed(1)}"
              cy="${to[1].toFixed(1)}"
              r="9"
              class="${filled ? 'full' : 'ring'}"
            /><text
              x="${to[0].toFixed(1)}"
              y="${(to[1] + 5).toFixed(1)}"
              text-anchor="middle"
              class="${filled ? 'in' : ''}"
              >${letter}</text
            >`,
      )}
      ${laid.leaders.map(
        ({ from, to, first, second }) =>
          html`<path d="${line([from, [to[0] - 4, to[1]]])}" class="thin" /><text
              x="${to[0].toFixed(1)}"
              y="${to[1].toFixed(1)}"
              >${first}</text
            ><text x="${to[0].toFixed(1)}" y="${(to[1] + 16).toFixed(1)}" class="second">${second}</text>`,
      )}
    </svg>
    <ul class="ports">
      ${it.ports.map((port) => html`<li>${port.letter} ${port.name}: ${port.left}</li>`)}
    </ul>`
}

/** Ours, and no words of anybody. */
const STYLE: Html = {
  markup: `
body{margin:0 auto;max-width:46rem;padding:1rem;background:#fdfbf4;color:#16273a;font:16px/1.45 system-ui,sans-serif}
article,section{border:2px solid #16273a;padding:1rem 1.2rem;margin-bottom:1rem}
h1{font-size:1.4rem;margin:0}h2{font-size:1.05rem;margin:1.2rem 0 .3rem;border-bottom:1px solid #cdc9ba}
table{border-collapse:collapse;width:100%}th{text-align:left;font-weight:500;color:#5b6672}td,th{padding:.25rem .6rem .25rem 0;border-bottom:1px solid #cdc9ba;vertical-align:top}
.bad td,p.bad{color:#c22f16}p.good{color:#1d6a54}.danger{border:2px solid #c22f16;color:#c22f16;padding:.5rem .8rem;font-weight:600}
footer{color:#5b6672;font-size:.9rem}svg{width:100%}.line{fill:none;stroke:#16273a;stroke-width:1.6}.stub{stroke:#16273a;stroke-width:4}.thin{stroke:#16273a;stroke-width:1}
.ring{fill:#fdfbf4;stroke:#16273a}.full{fill:#16273a}text{font:600 14px system-ui,sans-serif;fill:#16273a}text.second{font-weight:400;fill:#5b6672}text.in{fill:#fdfbf4}
.ports{columns:2}.photos{display:grid;grid-template-columns:1fr 1fr;gap:.8rem}img{width:100%}figure{margin:0}@media print{article{break-after:page}}
`,
}
