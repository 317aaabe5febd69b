import type { ListNumberAnswer } from '@ekrond/contract/library'
import { differenceSentence, differenceTable, type Difference } from '@ekrond/core/judge/differences'
import { useQueries } from '@tanstack/react-query'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import { listNumberQuery } from '../data/library'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { Fraction } from '../ui'
import { useKeys } from '../ui/keys'
import { SpecSection } from './SpecSection'

const Beside = styled.div`
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  border-bottom: 1px solid var(--ink);
  & > section {
    padding: 14px 20px 0;
    min-width: 0;
  }
  & > section + section {
    border-left: 1px solid var(--ink);
  }
  & h2 {
    font: 600 24px/1.2 ${figures};
    letter-spacing: -0.03em;
  }
  & figure {
    height: 300px;
    padding-left: 28px;
  }
  @media (max-width: 700px) {
    grid-auto-flow: row;
  }
`

const Rows = styled.table`
  width: 100%;
  border-collapse: collapse;
  & caption {
    text-align: left;
    font-size: 20px;
    font-weight: 600;
    padding: 14px 20px 6px;
  }
  & th {
    text-align: left;
    font: 500 17px/1.3 ${narrow};
    padding: 8px 20px;
    width: 24%;
  }
  & td {
    font: 500 18px/1.3 ${figures};
    letter-spacing: -0.03em;
    padding: 8px 20px;
  }
  & tr {
    border-top: 1px solid var(--rule);
  }
`

const GROUPS: { about: Difference['about']; title: string }[] = [
  { about: 'setting', title: 'Set differently' },
  { about: 'calibration', title: 'Calibrated differently' },
  { about: 'part', title: 'Other parts' },
]

/** So many stand side by side at most. */
const MOST = 4

/** Two to four list numbers side by side: only what differs. */
export default function Comparison() {
  const { listNumber = '', other = '' } = useParams()
  const navigate = useNavigate()
  useKeys({
    r: () => void navigate('/'),
    l: () => void navigate('/library'),
    Escape: () => void navigate(`/library/${encodeURIComponent(listNumber)}`),
  })
  const numbers = [...new Set([listNumber, ...other.split(',')])].slice(0, MOST)
  const answers = useQueries({ queries: numbers.map(listNumberQuery) })
  const wrong = answers.find(({ error }) => error)?.error
  const all = answers.flatMap(({ data }) => (data ? [data] : []))
  const rows = all.length === numbers.length ? differenceTable(all.map(({ sheets }) => sheets)) : null
  return (
    <Page
      title="library"
      head={<Link to={`/library/${encodeURIComponent(listNumber)}`}>back to {listNumber}</Link>}
    >
      {wrong && <p style={{ padding: 24, color: 'var(--red)' }}>{wrong.message}</p>}
      <Beside>
        {all.map((data) => (
          <One key={data.listNumber} data={data} />
        ))}
      </Beside>
      {rows && (
        <Rows>
          <caption>{differenceSentence(rows)}</caption>
          <tbody>
            {GROUPS.flatMap(({ about, title }) => {
              const here = rows.filter((row) => row.about === about)
              return here.map((row, i) => (
                <tr key={`${about} ${row.name}`}>
                  <th scope="row">
                    {i === 0 && (
                      <span style={{ display: 'block', color: 'var(--pencil)', fontSize: 14 }}>{title}</span>
                    )}
                    {row.name}
                  </th>
                  {row.values.map((value, at) => (
                    <td key={numbers[at]}>
                      <Fraction text={value} />
                    </td>
                  ))}
                </tr>
              ))
            })}
          </tbody>
        </Rows>
      )}
    </Page>
  )
}

function One({ data }: { data: ListNumberAnswer }) {
  return (
    <section>
      <h2>{data.listNumber}</h2>
      <p style={{ color: 'var(--pencil)' }}>
        {data.maker} {data.modelName}
      </p>
      <figure>
        <SpecSection sheets={data.sheets} view="held" />
      </figure>
    </section>
  )
}
