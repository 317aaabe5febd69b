import type { ListNumberAnswer, ListNumbersAnswer, RevisionsAnswer } from '@ekrond/contract/library'
import { kitFit } from '@ekrond/core/plan/kits'
import { settingKey, sourceWords, type BuildSheet } from '@ekrond/core/sheets'
import { settingsInOrder } from '@ekrond/core/judge/settings'
import { known, type KnownSoFar } from '@ekrond/core/taught'
import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../data/api'
import { listNumberQuery, useMarket } from '../data/library'
import { useShop } from '../data/shop'
import { sayMoney } from '../ui/dates'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { FieldSelect, Fraction, Label } from '../ui'
import { useKeys } from '../ui/keys'
import { Correct } from './Correct'
import { NumberActs } from './Number'
import { Measured } from './Measured'
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
  return (
    <Page
      title="library"
      head={
        <>
          <Link to="/library">all list numbers</Link>
          <label>
            <span className="visually-hidden">Compare with another</span>
            <FieldSelect
              value=""
              style={{ borderBottom: 0, minWidth: 190 }}
              onChange={(event) =>
                void navigate(
                  `/library/${encodeURIComponent(listNumber)}/beside/${encodeURIComponent(event.target.value)}`,
                )
              }
            >
              <option value="">compare with another …</option>
              {relatives.map((row) => (
                <option key={row.listNumber}>{row.listNumber}</option>
              ))}
            </FieldSelect>
          </label>
        </>
      }
    >
      {query.isError && <p style={{ padding: 24, color: 'var(--red)' }}>{query.error.message}</p>}
      {query.data && <Both data={query.data} />}
    </Page>
  )
}

function Both({ data }: { data: ListNumberAnswer }) {
  const { sheets } = data
  const { spec, build } = sheets
  const settings = [...settingsInOrder(spec), ...spec.settings.filter((s) => !s.set)]
  const past = useQuery<RevisionsAnswer, ApiError>({
    queryKey: ['revisions', data.listNumber],
    queryFn: () => call(`/api/list-numbers/${encodeURIComponent(data.listNumber)}/revisions`),
  }).data
  const corrected = past?.revisions.find(({ revision, by }) => revision === sheets.specRev && by !== '')
  return (
    <Sheet>
      <section>
        <h1 className="figures" style={{ fontSize: 30 }}>
          {spec.listNumber}
        </h1>
        <p>
          {spec.maker} {spec.modelName}
          {data.mark === '' && ', nothing is stamped on it'} ·{' '}
          <a href={`/api/list-numbers/${encodeURIComponent(data.listNumber)}/file`} download>
            as a file
          </a>
        </p>
        {spec.taught && <Ours known={known(spec)} returned={data.returned} />}
        {spec.taught && <Measured data={data} />}
        <Relatives data={data} />
        <NumberActs data={data} />
        <div style={{ height: 340 }}>
          <SpecSection sheets={sheets} view="use" />
        </div>
        <h2>Spec sheet</h2>
        <Label>
          {sheets.specRev}
          {corrected && `: ${corrected.by}, ${corrected.why}`}
        </Label>
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
                  <Before changes={past?.values[settingKey(s)]} />
                </td>
                <td>
                  {sourceWords(s.source)}
                  <small>{s.ground}</small>
                  <Correct data={data} setting={s} />
                </td>
              </tr>
            ))}
            {spec.calibration.map((c) => (
              <tr key={`${c.code}/${c.place}`}>
                <th scope="row">{c.name}</th>
                <td className="figure">
                  {c.mm === null ? c.words : c.mm.toFixed(2)}
                  <Before changes={past?.values[`${c.code}/${c.place}`]} />
                </td>
                <td>calibration</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section>
        <Kits build={build} />
        <h2>Build sheet</h2>
        <Label>{sheets.buildRev}, in order of disassembly</Label>
        <table>
          <tbody>
            {build.positions.map((p, i) => (
              <tr key={p.code}>
                <td className="figure">{i + 1}</td>
                <th scope="row">
                  {p.name}
                  {p.quantity > 1 ? `, ${p.quantity}` : ''}
                  <small>
                    {[p.material, p.always ? 'replaced as routine' : '', p.stays ? 'stays in' : '']
                      .filter(Boolean)
                      .join(' · ')}
                  </small>
                </th>
                <td className="figure">
                  {p.part && <Link to={`/shop/stores/part/${encodeURIComponent(p.part)}`}>{p.part}</Link>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </Sheet>
  )
}

/** A unit that this shop taught: how far it is known, and whether more than the one that taught it went back by it. */
const Ours = ({ known: { rungs, at, next }, returned }: { known: KnownSoFar; returned: number }) => (
  <p>
    <b>{returned > 1 ? `Ours, used on ${returned} returned jobs.` : 'Ours, unconfirmed.'}</b> Ekrond{' '}
    {rungs[at]!.says}
    {next && `; ${next.fact.name.toLowerCase()} is the next measurement to take`}.
  </p>
)

/** What a value was before, and where that stood. */
function Before({ changes }: { changes: RevisionsAnswer['values'][string] | undefined }) {
  const earlier = changes?.slice(0, -1) ?? []
  return earlier.map((change) => (
    <small key={change.revision} style={{ fontFamily: narrow, fontWeight: 400, letterSpacing: 0 }}>
      was <Fraction text={change.asWritten} />, {sourceWords(change.source)}
    </small>
  ))
}

/** Older numbers that it takes the place of, and list numbers that it may stand in for. */
function Relatives({ data }: { data: ListNumberAnswer }) {
  const link = ({ listNumber, words }: { listNumber: string; words: string }) => (
    <span key={listNumber}>
      <Link to={`/library/${encodeURIComponent(listNumber)}`} className="figures">
        {listNumber}
      </Link>{' '}
      {words}{' '}
    </span>
  )
  return (
    <>
      {data.supersedes.length > 0 && (
        <p>
          Supersedes <b className="figures">{data.supersedes.join(', ')}</b>: order by this number.
        </p>
      )}
      {data.fitsAs.length > 0 && <p>Fits as {data.fitsAs.map(link)}</p>}
      {data.fittedBy.length > 0 && <p>Can be replaced by {data.fittedBy.map(link)}</p>}
    </>
  )
}

/** Which kits serve this list number: how many places each renews, what it lacks, what stays over. */
function Kits({ build }: { build: BuildSheet }) {
  const market = useMarket().data
  const shop = useShop().data
  if (!market) return null
  const name = (code: string) => build.positions.find((p) => p.code === code)!.name.toLowerCase()
  const fits = market.kits
    .flatMap((kit) => {
      const fit = kitFit(kit.holds, build)
      return fit ? [{ kit, fit }] : []
    })
    // One loose washer in common does not make a kit.
    .filter(({ fit }) => fit.covers.length > 1)
    .sort((a, b) => a.fit.lacks.length - b.fit.lacks.length || b.fit.covers.length - a.fit.covers.length)
  return (
    <>
      <h2>Kits that fit</h2>
      {fits.length === 0 && <p>None: rebuild it from loose parts.</p>}
      <table>
        <tbody>
          {fits.map(({ kit, fit }) => (
            <tr key={kit.code}>
              <td className="figure">
                <Link to={`/shop/stores/kit/${encodeURIComponent(kit.code)}`}>{kit.code}</Link>
              </td>
              <th scope="row">
                renews {fit.covers.length} places
                <small>
                  {fit.lacks.length
                    ? `lacks ${fit.lacks.map(name).join(', ')}`
                    : 'has everything that is replaced as routine'}
                  {fit.over ? ` · ${fit.over} ${fit.over === 1 ? 'piece stays' : 'pieces stay'} over` : ''}
                </small>
              </th>
              <td className="figure">
                {sayMoney(kit.priceMinor, shop?.currency.exponent ?? 2)}
                <small>{kit.leadDays ? `${kit.leadDays} d` : 'today'}</small>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
