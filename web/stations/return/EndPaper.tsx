import { foundLine, type EndOfUnit, type ReturnSheet } from '@ekrond/core/bench/return-sheet'
import { useId } from 'react'
import { figures, narrow } from '../../theme/global'
import { Label } from '../../ui'

const WIDE = 720
const HIGH = 284
const LARGE = { x: 588, y: 140, r: 122 }
const SMALL = { x: 20, y: 40, width: 410, height: 220 }

/** A unit that does not go back repaired, as its paper tells it: where the worst was found, why that is the end, what was not done. */
export function EndPaper({ sheet, end }: { sheet: ReturnSheet; end: EndOfUnit }) {
  return (
    <>
      <div className="standing">
        <Label>What was found, in section</Label>
        <Where picture={end.picture} title={end.found[0] ? foundLine(end.found[0]) : 'nothing was found'} />
        {end.found.map((one, i) => (
          <p key={one.part} style={{ marginBottom: 6 }}>
            <b className={i === 0 ? 'bad' : undefined} style={{ fontSize: i === 0 ? 19 : 16 }}>
              {foundLine(one)}
            </b>
            <br />
            {one.sentence} Found by {one.by}
            {i === 0 && end.second ? `, seen by ${end.second} too` : ''}.
          </p>
        ))}
      </div>
      {end.chain.length > 0 && (
        <div className="standing">
          <Label>Why it is condemned</Label>
          <ol style={{ display: 'grid', gridTemplateColumns: `repeat(${end.chain.length}, 1fr)`, gap: 14 }}>
            {end.chain.map((line, i) => (
              <li key={line} style={{ display: 'flex', gap: 8 }}>
                <b className="bad figures">{i + 1}</b>
                <span>{line}</span>
              </li>
            ))}
          </ol>
        </div>
      )}
      <div className="two">
        <div>
          <Label>Not done</Label>
          {end.notDone.map((line) => (
            <p key={line}>
              <svg width={14} height={14} viewBox="0 0 14 14" aria-hidden style={{ verticalAlign: '-2px' }}>
                <path
                  d="M1.5 1.5h11v11h-11ZM1.5 12.5l11-11"
                  fill="none"
                  stroke="var(--red)"
                  strokeWidth={1.4}
                />
              </svg>{' '}
              {line}
            </p>
          ))}
          <Label>The complaint</Label>
          <p>
            “{sheet.complaint.words}”: {sheet.complaint.answer}. {sheet.complaint.detail}
          </p>
        </div>
        <div>
          <Label>What you can do</Label>
          {end.can.map((line) => (
            <p key={line} style={{ marginBottom: 4 }}>
              {line}
            </p>
          ))}
        </div>
      </div>
    </>
  )
}

/** The unit muted, the place ringed, and the same place large beside it. */
function Where({ picture, title }: { picture: EndOfUnit['picture']; title: string }) {
  const clip = useId()
  const { outlines, at, radius } = picture
  const points = outlines.flat()
  const [x0, x1] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))]
  const [y0, y1] = [Math.min(...points.map(([, y]) => y)), Math.max(...points.map(([, y]) => y))]
  const scale = Math.min(SMALL.width / (x1 - x0), SMALL.height / (y1 - y0))
  const small = ([x, y]: readonly [number, number]) =>
    [SMALL.x + (x - x0) * scale, SMALL.y + (y1 - y) * scale] as const
  const path = (to: (at: readonly [number, number]) => readonly [number, number]) =>
    outlines
      .map((line) =>
        line
          .map((point, i) => {
            const [x, y] = to(point)
            return `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`
          })
          .join(''),
      )
      .join('')
  const grow = LARGE.r / radius
  const [cx, cy] = at ? small(at) : [0, 0]
  const ring = Math.max(10, radius * scale)
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      width="100%"
      role="img"
      aria-label={title}
      style={{ display: 'block' }}
    >
      <path d={path(small)} fill="none" stroke="var(--pencil)" strokeWidth={1} />
      {at && (
        <>
          <clipPath id={clip}>
            <circle cx={LARGE.x} cy={LARGE.y} r={LARGE.r} />
          </clipPath>
          <g clipPath={`url(#${clip})`}>
            <path
              d={path(([x, y]) => [LARGE.x + (x - at[0]) * grow, LARGE.y - (y - at[1]) * grow])}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={1.7}
            />
          </g>
          <g fill="none" stroke="var(--red)">
            <circle cx={cx} cy={cy} r={ring} strokeWidth={2.4} />
            <circle cx={LARGE.x} cy={LARGE.y} r={LARGE.r} strokeWidth={2.4} />
            {[-1, 1].map((s) => (
              <path
                key={s}
                d={`M${cx} ${cy + s * ring}L${LARGE.x} ${LARGE.y + s * LARGE.r}`}
                strokeWidth={1}
                strokeDasharray="6 5"
              />
            ))}
          </g>
          <text x={LARGE.x + 84} y={HIGH - 6} fill="var(--pencil)" style={{ font: `500 14px ${figures}` }}>
            × {(grow / scale).toFixed(1)}
          </text>
        </>
      )}
      {!at && (
        <text x={460} y={130} fill="var(--pencil)" style={{ font: `500 16px ${narrow}` }}>
          no finding ends the job
        </text>
      )}
    </svg>
  )
}
