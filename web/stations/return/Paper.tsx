import {
  layPicture,
  moneyWords,
  wasToNow,
  type ReturnSheet,
  type SheetPicture,
} from '@ekrond/core/bench/return-sheet'
import { useShop } from '../../data/shop'
import styled from 'styled-components'
import { figures, narrow } from '../../theme/global'
import { Fraction, Label } from '../../ui'
import { EndPaper } from './EndPaper'

const SheetOfPaper = styled.article`
  background: var(--paper);
  border: 2px solid var(--ink);
  max-width: 760px;
  width: 100%;
  margin: 0 auto 16px;
  font-size: 15px;
  & > header {
    display: flex;
    gap: 14px;
    align-items: baseline;
    padding: 12px 16px;
    border-bottom: 1px solid var(--ink);
  }
  & h1 {
    font-size: 22px;
    font-weight: 600;
  }
  & table {
    border-collapse: collapse;
    width: 100%;
  }
  & th {
    font: 500 15px/1.4 ${narrow};
    color: var(--pencil);
    text-align: left;
    padding: 6px 10px 4px;
  }
  & td {
    padding: 4px 10px;
    border-top: 1px solid var(--rule);
  }
  & td:nth-child(2),
  & td:nth-child(3),
  & td:nth-child(4) {
    font-family: ${figures};
    letter-spacing: -0.03em;
  }
  & td:nth-child(3) {
    color: var(--pencil);
  }
  & td:nth-child(4) {
    font-weight: 600;
  }
  & .standing {
    padding: 6px 16px;
    border-bottom: 1px solid var(--ink);
  }
  & .good {
    color: var(--green);
  }
  & .pair {
    display: flex;
    justify-content: space-between;
    gap: 10px;
  }
  & .pair.failed,
  & .pair.void {
    color: var(--red);
  }
  & .pair > span:last-child {
    text-align: right;
  }
  & .boxes {
    list-style: '☐ ';
  }
  & .bad,
  & .why {
    color: var(--red);
  }
  & .why {
    display: block;
  }
  & td.out {
    outline: 2px solid var(--red);
    outline-offset: -3px;
  }
  & .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    border-top: 1px solid var(--ink);
  }
  & .two > div {
    padding: 8px 14px 12px;
  }
  & .two > div + div {
    border-left: 1px solid var(--ink);
  }
  & .card {
    border-top: 1px solid var(--ink);
    padding: 10px 16px 14px;
  }
  & .card h2 {
    font-size: 18px;
    margin-bottom: 6px;
  }
  & .card ol {
    list-style: decimal;
    columns: 2;
    column-gap: 36px;
    padding-left: 20px;
  }
  & .danger {
    border: 2px solid var(--red);
    color: var(--red);
    font-weight: 600;
    padding: 8px 12px;
    margin-bottom: 8px;
  }
  & ul {
    list-style: disc;
    padding-left: 18px;
  }
`

/** The sheet as it will be printed, from the same document. */
export function Paper({ sheet }: { sheet: ReturnSheet }) {
  const shop = useShop().data
  const money = moneyWords(sheet, shop?.currency, shop?.warrantyDays)
  return (
    <SheetOfPaper aria-label="Return sheet, draft">
      <header>
        <h1>{sheet.end?.title ?? 'Return sheet'}</h1>
        <span>
          {sheet.model} · <b className="figures">{sheet.listNumber}</b>
          {sheet.body && `, carburetor ${sheet.body.number} of ${sheet.body.of}`}
          {sheet.revision !== null && `, revision ${sheet.revision}`}
        </span>
      </header>
      {sheet.standing && (
        <p className={sheet.standing.word === 'PROVED' ? 'standing good' : 'standing bad'}>
          <b>{sheet.standing.word}.</b> {sheet.standing.rests}
        </p>
      )}
      {sheet.end ? <EndPaper sheet={sheet} end={sheet.end} /> : <Repaired sheet={sheet} money={money} />}
      <div className="card">
        <h2>{sheet.end ? 'Mind' : 'Start-up card'}</h2>
        {sheet.startUp.danger && <p className="danger">{sheet.startUp.danger}</p>}
        <ol>
          {sheet.startUp.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      </div>
    </SheetOfPaper>
  )
}

/** What was set, proved, found and done of one that goes back. */
function Repaired({ sheet, money }: { sheet: ReturnSheet; money: string }) {
  return (
    <>
      <table>
        <thead>
          <tr>
            {['Setting', 'Spec', 'As found', 'As left', 'With'].map((title) => (
              <th key={title} scope="col">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.rows.map((row) => (
            <tr key={row.name}>
              <td>{row.name}</td>
              {[row.spec, row.asFound, row.asLeft].map((text, i) => (
                <td key={i} className={i === 2 && row.out ? 'out' : undefined}>
                  <Fraction text={text} />
                </td>
              ))}
              <td>
                {row.with}
                {row.out && <b className="why">{row.out}</b>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {(sheet.proofs?.length || sheet.built?.length) && (
        <div className="two">
          <div>
            <Label>Bench tests, as found to now</Label>
            {sheet.proofs?.map((one) => (
              <p key={one.name} className={`pair ${one.state}`}>
                <span>{one.name}</span>
                <span>
                  <b>{wasToNow(one)}</b>
                </span>
              </p>
            ))}
          </div>
          <div>
            <Label>As built, as found to now</Label>
            {sheet.built?.map((one) => (
              <p key={one.name} className="pair">
                <span>{one.name}</span>
                <span>
                  <b>{wasToNow(one)}</b>
                </span>
              </p>
            ))}
            {sheet.built?.length === 0 && <p>Nothing was measured.</p>}
          </div>
        </div>
      )}
      {sheet.picture && <Picture picture={sheet.picture} />}
      <div className="two">
        <div>
          <Label>Found and repaired</Label>
          <ul>
            {sheet.foundAndDone.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          {sheet.installer && (
            <>
              <Label style={{ marginTop: 8 }}>For the installer</Label>
              <ul className="boxes">
                {sheet.installer.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </>
          )}
        </div>
        <div>
          <Label>The complaint</Label>
          <p style={{ fontWeight: 600 }}>
            “{sheet.complaint.words}”: {sheet.complaint.answer}.
          </p>
          <p>{sheet.complaint.detail}</p>
          {money && <p style={{ color: 'var(--pencil)' }}>{money}</p>}
          {sheet.changes.length > 0 && <Label style={{ marginTop: 8 }}>Corrected after release</Label>}
          {sheet.changes.map((change) => (
            <p key={change}>{change}</p>
          ))}
          {sheet.left.length > 0 && (
            <Label style={{ marginTop: 8 }}>Left as found or released anyway, and why</Label>
          )}
          {sheet.left.map((item) => (
            <p key={item.what}>
              {item.what}: {item.why}
            </p>
          ))}
        </div>
      </div>
    </>
  )
}

const WIDTH = 720
const HEIGHT = 210

/** The unit from outside with its ports as they are left and its adjusters, which way does what. */
function Picture({ picture }: { picture: SheetPicture }) {
  const laid = layPicture(picture, WIDTH - 220, HEIGHT, 236)
  const line = (points: readonly (readonly [number, number])[]) =>
    points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
  return (
    <div style={{ borderTop: '1px solid var(--ink)', padding: '8px 14px' }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`From outside. ${[
          ...picture.ports.map(({ letter, name, left }) => `${letter} ${name}: ${left}`),
          ...picture.adjusters.map(({ name, left, words }) => `${name} ${left}${words ? `, ${words}` : ''}`),
        ].join('; ')}.`}
        style={{ width: '100%', display: 'block' }}
      >
        <text x={0} y={14} className="second" fill="var(--pencil)" style={{ font: `500 15px ${narrow}` }}>
          Ports, filled: capped
        </text>
        {picture.ports.map((port, i) => (
          <text
            key={port.letter}
            x={0}
            y={38 + i * 42}
            fill="var(--ink)"
            style={{ font: `600 15px ${narrow}` }}
          >
            {`${port.letter}  ${port.name}`}
            <tspan x={16} dy={18} fill="var(--pencil)" style={{ fontWeight: 400 }}>
              {port.left}
            </tspan>
          </text>
        ))}
        <g transform="translate(220 0)">
          {laid.outlines.map((points, i) => (
            <path key={i} d={`${line(points)}Z`} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
          ))}
          {laid.stubs.map(({ from, to, letter, filled }) => (
            <g key={letter}>
              <path d={line([from, to])} stroke="var(--ink)" strokeWidth={4} />
              <circle
                cx={to[0]}
                cy={to[1]}
                r={9}
                fill={filled ? 'var(--ink)' : 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth={1.4}
              />
              <text
                x={to[0]}
                y={to[1] + 5}
                textAnchor="middle"
                fill={filled ? 'var(--paper)' : 'var(--ink)'}
                style={{ font: `600 14px ${narrow}` }}
              >
                {letter}
              </text>
            </g>
          ))}
          {laid.leaders.map(({ from, to, first, second, screw }) => (
            <g key={first}>
              <path d={line([from, [to[0] - 4, to[1]]])} stroke="var(--ink)" strokeWidth={1} />
              {screw ? (
                <g stroke="var(--ink)" strokeWidth={1.4}>
                  <circle cx={from[0]} cy={from[1]} r={5} fill="var(--paper)" />
                  <path
                    d={line([
                      [from[0] - 3, from[1] + 3],
                      [from[0] + 3, from[1] - 3],
                    ])}
                  />
                </g>
              ) : (
                <circle cx={from[0]} cy={from[1]} r={2.4} fill="var(--ink)" />
              )}
              <text x={to[0]} y={to[1] + 1} fill="var(--ink)" style={{ font: `600 15px ${narrow}` }}>
                {first}
                <tspan x={to[0]} dy={16} fill="var(--pencil)" style={{ fontWeight: 400 }}>
                  {second}
                </tspan>
              </text>
            </g>
          ))}
        </g>
      </svg>
    </div>
  )
}
