import type { ListNumbersAnswer, ModelAnswer } from '@ekrond/contract/library'
import { byEngine, variantColumns, type VariantColumn } from '@ekrond/core/judge/differences'
import { fractionSigns } from '@ekrond/core/measure'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../data/api'
import { figures, narrow } from '../theme/global'
import { ErrorLine } from '../ui'

/** Columns that a page has room for, and how wide one is drawn, px. */
const COLUMNS = 4
const WIDE = 132
const TALL = 46

const Table = styled.div<{ $columns: number }>`
  padding: 8px 18px 18px;
  & .row {
    display: grid;
    grid-template-columns: 76px minmax(118px, 1fr) repeat(${({ $columns }) => $columns}, ${WIDE}px) 76px;
    align-items: center;
    border-bottom: 1px solid var(--rule);
    min-height: ${TALL}px;
    cursor: pointer;
  }
  & .row.head {
    cursor: default;
    align-items: end;
    font: 600 16px/1.25 ${narrow};
    padding-bottom: 4px;
    & small {
      display: block;
      color: var(--blue);
      font: 600 15px/1.2 ${figures};
      letter-spacing: -0.03em;
    }
  }
  & .row.picked {
    background: var(--tint);
    box-shadow: inset 0 0 0 2px var(--blue);
  }
  & .row > span:first-child {
    font: 600 15px/1.2 ${narrow};
    padding-left: 6px;
  }
  & a {
    display: inline-flex;
    min-height: 44px;
    align-items: center;
    font: 500 18px/1.2 ${figures};
    letter-spacing: -0.03em;
    text-underline-offset: 4px;
    text-decoration-color: var(--rule);
  }
  & .picked a {
    color: var(--blue);
    font-weight: 600;
  }
  & small {
    font-size: 14px;
    color: var(--pencil);
  }
  & svg {
    width: ${WIDE}px;
    height: ${TALL}px;
    display: block;
  }
  & .key {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    padding-top: 8px;
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
  }
  @media (max-width: 959px) {
    & .row {
      grid-template-columns: 76px 1fr 76px;
    }
    & .row > .drawn,
    & .key {
      display: none;
    }
  }
`

type Row = ListNumbersAnswer['listNumbers'][number]

/** The list numbers of a model by their engines: what they differ in is drawn against the one that is picked. */
export function Variants({
  model,
  rows,
  picked,
  pick,
  q,
}: {
  model: string
  rows: readonly Row[]
  picked: string
  pick: (listNumber: string) => void
  q: string
}) {
  const answer = useQuery<ModelAnswer, ApiError>({
    queryKey: ['model', model],
    queryFn: () => call(`/api/models/${encodeURIComponent(model)}`),
    staleTime: 60_000,
  })
  const all = answer.data?.variants
  const columns = useMemo(() => (all ? variantColumns(all, COLUMNS) : []), [all])
  const byNumber = new Map(all?.map((one) => [one.listNumber, one.displacementL]))
  const ours = new Set(all?.flatMap((one) => (one.ours ? [one.listNumber] : [])))
  const groups = byEngine(rows.map((row) => ({ ...row, displacementL: byNumber.get(row.listNumber) ?? 0 })))
  return (
    <Table $columns={columns.length}>
      {answer.isError && <ErrorLine>{answer.error.message}</ErrorLine>}
      <div className="row head">
        <span>Engine</span>
        <span>List number</span>
        {columns.map((column) => (
          <span key={column.code} className="drawn" style={{ textAlign: 'center' }}>
            {column.name}
            <small>
              {column.series
                .map((place) => fractionSigns(column.values[picked]?.[place]?.words ?? 'none'))
                .join(' · ')}
            </small>
          </span>
        ))}
        <span>Seen here</span>
      </div>
      {groups.map(({ displacementL, variants }) =>
        variants.map((row, i) => (
          <div
            key={row.listNumber}
            className={row.listNumber === picked ? 'row picked' : 'row'}
            onClick={() => pick(row.listNumber)}
          >
            <span>{i === 0 && displacementL > 0 ? `${displacementL} L` : ''}</span>
            <span>
              <Link
                to={`/library/${encodeURIComponent(row.listNumber)}`}
                onFocus={() => pick(row.listNumber)}
              >
                {row.listNumber}
              </Link>
              {ours.has(row.listNumber) && (
                <small style={{ display: 'block' }}>{row.seen > 1 ? 'ours' : 'ours, unconfirmed'}</small>
              )}
              {row.supersedes.length > 0 && (q !== '' || row.listNumber === picked) && (
                <small style={{ display: 'block' }}>replaces {row.supersedes.join(', ')}</small>
              )}
            </span>
            {columns.map((column) => (
              <span key={column.code} className="drawn">
                <Against column={column} listNumber={row.listNumber} picked={picked} />
              </span>
            ))}
            <span>{row.seen > 0 ? <Tally n={row.seen} /> : <small>never</small>}</span>
          </div>
        )),
      )}
      <p className="key">
        <span>● same as picked</span>
        <span>■ primary, left or only</span>
        <span>□ secondary or right</span>
        <span>blue line: {picked}</span>
      </p>
    </Table>
  )
}

/** One list number's values of a column against the picked one's: a dot on its line, or a block beside it with the figure. */
function Against({
  column: { series, values },
  listNumber,
  picked,
}: {
  column: VariantColumn
  listNumber: string
  picked: string
}) {
  const middle = WIDE / 2
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} aria-hidden>
      <line x1={middle} x2={middle} y1={0} y2={TALL} stroke="var(--blue)" strokeWidth={1.4} />
      {series.slice(0, 2).map((place, i) => {
        const own = values[listNumber]?.[place]
        const its = values[picked]?.[place]
        if (!own) return null
        const y = series.length > 1 ? 13 + i * 20 : TALL / 2
        const most = Math.max(
          ...Object.values(values).map((one) => Math.abs((one[place]?.value ?? 0) - (its?.value ?? 0))),
          1e-9,
        )
        const off = its ? own.value - its.value : 0
        if (its && Math.abs(off) < 1e-9)
          return (
            <circle
              key={place}
              cx={middle}
              cy={y}
              r={4}
              fill={i === 0 ? 'var(--ink)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth={1.6}
            />
          )
        const x = middle + Math.sign(off) * (8 + (Math.abs(off) / most) * 10)
        const left = off < 0
        return (
          <g key={place}>
            <line x1={middle} x2={x} y1={y} y2={y} stroke="var(--ink)" strokeWidth={1.2} />
            <rect
              x={x - 3}
              y={y - 7}
              width={6}
              height={14}
              fill={i === 0 ? 'var(--ink)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth={1.4}
            />
            <text
              x={left ? x - 7 : x + 7}
              y={y + 5}
              textAnchor={left ? 'end' : 'start'}
              fill="var(--ink)"
              style={{
                font: `500 15px ${own.words.length > 4 ? narrow : figures}`,
                letterSpacing: own.words.length > 4 ? 0 : '-0.05em',
              }}
            >
              {fractionSigns(own.words)}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

/** So many, as they are tallied on a board: every fifth struck across. */
function Tally({ n }: { n: number }) {
  const shown = Math.min(n, 15)
  return (
    <svg
      viewBox="0 0 76 24"
      style={{ width: 76, height: 24 }}
      role="img"
      aria-label={n === 1 ? 'seen once' : `seen ${n} times`}
    >
      {Array.from({ length: shown }, (_, i) => {
        const five = Math.floor(i / 5)
        const x = 3 + five * 25 + (i % 5) * 5
        return i % 5 === 4 ? (
          <path key={i} d={`M${x - 22} 19 L${x - 1} 5`} stroke="var(--ink)" strokeWidth={1.8} />
        ) : (
          <path key={i} d={`M${x} 4 V20`} stroke="var(--ink)" strokeWidth={1.8} />
        )
      })}
    </svg>
  )
}
