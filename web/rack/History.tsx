import { current, kinds, sentenceOf, standings, type Entry, stationOfKind } from '@ekrond/core/log'
import { nameOn } from '@ekrond/core/sheets'
import { stationList } from '@ekrond/core/base/stations'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { useJob, type OpenJob } from '../data/job'
import { useShop } from '../data/shop'
import { sayDate, sayInstant, sayMoney, shownAt } from '../ui/dates'
import { NotOpen } from '../shell/NotOpen'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { useKeys } from '../ui/keys'
import { Choice, FieldSelect } from '../ui'
import { LongList } from './LongList'
import { TraceShown } from './TraceShown'

const Line = styled.div<{ $gone: boolean }>`
  display: grid;
  grid-template-columns: 66px 104px 96px minmax(0, 1fr) 100px;
  gap: 14px;
  align-items: center;
  padding: 0 24px;
  border-bottom: 1px solid var(--rule);
  color: ${({ $gone }) => ($gone ? 'var(--pencil)' : 'inherit')};
  break-inside: avoid;
  & > time {
    font: 400 15px/1.5 ${figures};
    letter-spacing: -0.04em;
  }
  & > span:nth-child(3) {
    color: var(--pencil);
  }
  & .what {
    text-decoration: ${({ $gone }) => ($gone ? 'line-through' : 'none')};
  }
  & > a {
    font-size: 15px;
    padding: 11px 0;
    text-underline-offset: 4px;
  }
  @media (max-width: 700px) {
    grid-template-columns: 1fr;
    gap: 0;
  }
  @media print {
    & > a {
      display: none;
    }
  }
`

const Day = styled.h2`
  font: 600 18px/1.2 ${narrow};
  padding: 16px 24px 6px;
  border-bottom: 1.5px solid var(--ink);
`

const Filters = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  padding: 10px 24px 0;
  & > select {
    width: auto;
    min-width: 180px;
  }
  @media print {
    display: none;
  }
`

const Then = styled.span`
  color: var(--pencil);
  font-size: 15px;
  &::before {
    content: ' · ';
  }
`

/** What the screen said of it when it was entered: verdicts are frozen. */
const shownThen = (entry: Entry): string => {
  const { shown } = current(entry).data as {
    shown?: { headline?: string; meaning?: string; sentence?: string }
  }
  return [shown?.headline, shown?.meaning ?? shown?.sentence].filter(Boolean).join(' ')
}

/** History: the log in sentences, the newest first, by station and body; any moment opens as it stood. */
export default function History() {
  const { number = '' } = useParams()
  const navigate = useNavigate()
  const load = useJob(number)
  useKeys({ r: () => void navigate('/'), Escape: () => void navigate(`/jobs/${number}`) })
  if (load.status === 'loading')
    return (
      <Page title="history">
        <p style={{ padding: 24 }} role="status">
          Loading the job …
        </p>
      </Page>
    )
  if (load.status !== 'open') return <NotOpen load={load} />
  return (
    <Page title={`job ${number}, history`} head={<Link to={`/jobs/${number}`}>back to the job</Link>}>
      <Story open={load.open} />
    </Page>
  )
}

function Story({ open }: { open: OpenJob }) {
  const [search, setSearch] = useSearchParams()
  const shop = useShop().data
  const station = search.get('at') ?? ''
  const body = search.get('of') ?? ''
  const put = (key: string, value: string) =>
    setSearch(
      (now) => {
        const next = new URLSearchParams(now)
        if (value) next.set(key, value)
        else next.delete(key)
        return next
      },
      { replace: true },
    )
  const money = (minor: number) =>
    shop ? `${sayMoney(minor, shop.currency.exponent)} ${shop.currency.code}` : ''
  const { state } = open
  const standing = standings(state.log)
  const target = (entry: Entry) => state.log.find((other) => other.id === entry.corrects)
  const stationOf = (entry: Entry): string =>
    stationOfKind(((entry.kind === 'entry.struck' ? target(entry) : undefined) ?? entry).kind) ?? 'job'
  const shown = state.log
    .filter((entry) => !station || stationOf(entry) === station)
    .filter((entry) => !body || !kinds.get(entry.kind)?.ofBody || String(entry.body ?? 1) === body)
    .reverse()
  const dayOf = (entry: Entry) => shownAt(entry).slice(0, 10)
  return (
    <>
      <Filters role="group" aria-label="Show">
        <FieldSelect aria-label="Station" value={station} onChange={(event) => put('at', event.target.value)}>
          <option value="">all stations</option>
          {stationList.map(({ name, title }) => (
            <option key={name} value={name}>
              {title}
            </option>
          ))}
        </FieldSelect>
        {open.bodies > 1 && (
          <FieldSelect aria-label="Body" value={body} onChange={(event) => put('of', event.target.value)}>
            <option value="">all carburetors</option>
            {Array.from({ length: open.bodies }, (_, i) => (
              <option key={i} value={i + 1}>
                carburetor {i + 1}
              </option>
            ))}
          </FieldSelect>
        )}
        <Choice onPress={() => window.print()}>Print</Choice>
      </Filters>
      {shown.length === 0 && <p style={{ padding: '18px 24px' }}>Nothing was entered here.</p>}
      <LongList items={shown} keyOf={(entry) => entry.id}>
        {(entry, i) => {
          const gone = standing.get(entry.id) !== 'alive'
          const name = (code: string) => nameOn(open.all[entry.body ?? 1] ?? open.sheets, code)
          const struck = entry.kind === 'entry.struck' ? target(entry) : undefined
          const at = stationList.find((s) => s.name === stationOf(entry))
          const day = dayOf(entry)
          return (
            <>
              {(i === 0 || dayOf(shown[i - 1]!) !== day) && <Day>{sayDate(day)}</Day>}
              <Line $gone={gone}>
                <time dateTime={shownAt(entry)}>
                  {shop ? sayInstant(shownAt(entry), shop.zone).slice(-5) : ''}
                </time>
                <span>{entry.by}</span>
                <span>
                  {at?.title ?? ''}
                  {open.bodies > 1 && kinds.get(entry.kind)?.ofBody ? ` ${entry.body ?? 1}` : ''}
                </span>
                <span>
                  <span className="what">
                    {struck ? `undid: ${sentenceOf(struck, name, money)}` : sentenceOf(entry, name, money)}
                  </span>
                  {shownThen(entry) && <Then>{shownThen(entry)}</Then>}
                  {gone && ` (${standing.get(entry.id) === 'struck' ? 'undone' : 'corrected later'})`}
                  {entry.corrects && entry.kind !== 'entry.struck' && ' (a correction)'}
                  <TraceShown entry={entry} />
                </span>
                <Link
                  to={open.to(at?.name ?? 'receive', entry.body ?? 1, entry.seq)}
                  aria-label={`View after entry ${entry.seq}`}
                >
                  View then
                </Link>
              </Line>
            </>
          )
        }}
      </LongList>
    </>
  )
}
