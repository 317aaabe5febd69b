import type { ListNumberAnswer } from '@ekrond/contract/library'
import { levelInUse } from '@ekrond/core/float'
import { blendDensity } from '@ekrond/core/metering'
import { isRefusal } from '@ekrond/core/refusal'
import { aim } from '@ekrond/core/setting'
import { settingKey, settingsInOrder, type Sheets } from '@ekrond/core/sheets'
import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import type { ApiError } from '../data/api'
import { listNumberQuery } from '../data/job'
import { FloatSection } from '../drawing/FloatSection'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { Fraction, Label } from '../ui'
import { useKeys } from '../ui/keys'

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
  const sheets = query.data?.sheets
  return (
    <Page title="library" head={<Link to="/library">all list numbers</Link>}>
      {query.isError && <p style={{ padding: 24, color: 'var(--red)' }}>{query.error.message}</p>}
      {sheets && <Both sheets={sheets} />}
    </Page>
  )
}

function Both({ sheets }: { sheets: Sheets }) {
  const { spec, build } = sheets
  const height = spec.settings.find((s) => s.code === 'float.height')
  const target = height ? (aim(height) ?? 0) : 0
  const level = levelInUse(spec.float, target, spec.supply.pressureKpa, blendDensity(0))
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
          <FloatSection
            spec={spec}
            reading={null}
            target={target}
            verdict={null}
            remedy={null}
            view="use"
            level={isRefusal(level) ? null : level}
            wantedBelowFace={isRefusal(level) ? 0 : level.belowFace}
            pressureKpa={spec.supply.pressureKpa}
          />
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
