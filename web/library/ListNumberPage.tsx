import type { ListNumberAnswer, ListNumbersAnswer } from '@ekrond/contract/library'
import { settingKey, settingsInOrder, type Sheets } from '@ekrond/core/sheets'
import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../data/api'
import { listNumberQuery } from '../data/job'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { FieldSelect, Fraction, Label } from '../ui'
import { useKeys } from '../ui/keys'
import { SpecSection } from './SpecSection'

const Sheet = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  & > section {
    padding: 16px 24px 24px;
    min-width: 0;
  }
  & > section + section {
    border-left: 1px solid var(--ink);
  }
  & h2 {
    font: 500 20px/1.3 ${narrow};
    margin: 14px 0 4px;
  }
  & h2:first-child {
    margin-top: 0;
  }
  & table {
    border-collapse: collapse;
    width: 100%;
    font-size: 15px;
  }
  & td,
  & th {
    border-bottom: 1px solid var(--rule);
    padding: 6px 8px 6px 0;
    text-align: left;
    vertical-align: top;
    font-weight: 400;
  }
  & td.figure {
    font: 500 16px/1.35 ${figures};
    letter-spacing: -0.03em;
    white-space: nowrap;
  }
  & small {
    color: var(--pencil);
    font-size: 14px;
    display: block;
  }
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
    & > section + section {
      border-left: 0;
    }
  }
`

/** A list number's sheets as the shop has them: read only. */
export default function ListNumberPage() {
  const { listNumber = '' } = useParams()
  const navigate = useNavigate()
  useKeys({ r: () => void navigate('/'), l: () => void navigate('/library') })
  const query = useQuery<ListNumberAnswer, ApiError>(listNumberQuery(listNumber))
  const list = useQuery<ListNumbersAnswer, ApiError>({
    queryKey: ['list-numbers', ''],
    queryFn: () => call('/api/list-numbers?q=&limit=500'),
  })
  const relatives = (list.data?.listNumbers ?? []).filter(
    (row) => row.model === query.data?.model && row.listNumber !== listNumber,
  )
  const sheets = query.data?.sheets
  return (
    <Page
      title="library"
      head={
        <>
          <Link to="/library">all list numbers</Link>
          <label>
            <span className="visually-hidden">Beside another</span>
            <FieldSelect
              value=""
              style={{ borderBottom: 0, minWidth: 190 }}
              onChange={(event) =>
                void navigate(
                  `/library/${encodeURIComponent(listNumber)}/beside/${encodeURIComponent(event.target.value)}`,
                )
              }
            >
              <option value="">beside another …</option>
              {relatives.map((row) => (
                <option key={row.listNumber}>{row.listNumber}</option>
              ))}
            </FieldSelect>
          </label>
        </>
      }
    >
      {query.isError && <p style={{ padding: 24, color: 'var(--red)' }}>{query.error.message}</p>}
      {sheets && <Both sheets={sheets} />}
    </Page>
  )
}

function Both({ sheets }: { sheets: Sheets }) {
  const { spec, build } = sheets
  const settings = [...settingsInOrder(spec), ...spec.settings.filter((s) => !s.set)]
  return (
    <Sheet>
      <section>
        <h1 className="figures" style={{ fontSize: 30 }}>
          {spec.listNumber}
        </h1>
        <p>
          {spec.maker} {spec.modelName}
          {spec.supersedes.length > 0 && `, supersedes ${spec.supersedes.join(', ')}`}
        </p>
        <div style={{ height: 390 }}>
          <SpecSection spec={spec} view="use" />
        </div>
        <h2>Spec sheet</h2>
        <Label>{sheets.specRev}</Label>
        <table>
          <tbody>
            {settings.map((s) => (
              <tr key={settingKey(s)}>
                <th scope="row">
                  {s.name}
                  <small>{s.datum}</small>
                </th>
                <td className="figure">
                  <Fraction text={s.asWritten} />
                </td>
                <td>
                  {s.source}
                  <small>{s.ground}</small>
                </td>
              </tr>
            ))}
            {spec.calibration.map((c) => (
              <tr key={`${c.code}/${c.place}`}>
                <th scope="row">{c.name}</th>
                <td className="figure">{c.mm === null ? c.words : c.mm.toFixed(2)}</td>
                <td>calibration</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section>
        <h2>Build sheet</h2>
        <Label>{sheets.buildRev}, in the order in which it comes apart</Label>
        <table>
          <tbody>
            {build.positions.map((p, i) => (
              <tr key={p.code}>
                <td className="figure">{i + 1}</td>
                <th scope="row">
                  {p.name}
                  {p.quantity > 1 ? `, ${p.quantity}` : ''}
                  <small>
                    {[p.material, p.always ? 'always renewed' : '', p.stays ? 'stays in' : '']
                      .filter(Boolean)
                      .join(' · ')}
                  </small>
                </th>
                <td className="figure">{p.part ?? ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </Sheet>
  )
}
