import { isRefusal, type Result } from '@ekrond/core/base/refusal'
import { figure, showTurns } from '@ekrond/core/measure'
import { familyChoices, jetsBlank, type JetsAsked, type JetsPlan } from '@ekrond/core/plan/jets'
import type { Remote } from 'comlink'
import { useMemo } from 'react'
import { useAnswered } from '../data/answered'
import type { JetsWorking } from './jets.worker'
import { openJets } from './jetsDesk'
import { Link, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { Columns } from '../shell/Columns'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { Answer, Choice, ErrorLine, FieldInput, Fraction, RedBox } from '../ui'
import { FigureTabs } from './FigureTabs'
import { MixtureChart } from './MixtureChart'
import { KeepIt, TakeInto } from './TakeInto'

const Sheet = styled(Columns)`
  & > section:first-child {
    grid-template-rows: auto minmax(300px, 1fr) auto;
    align-content: stretch;
  }
`

const Rows = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 2px 10px;
  align-items: end;
  & > b {
    font: 500 16px/44px ${narrow};
  }
  & > span {
    font: 500 15px/1.2 ${narrow};
    color: var(--pencil);
  }
`

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  & td,
  & th {
    border-bottom: 1px solid var(--rule);
    padding: 6px 12px 6px 0;
    text-align: left;
    font-weight: 400;
  }
  & th {
    font: 500 15px/1.2 ${narrow};
    color: var(--pencil);
  }
  & td.figure {
    font: 500 16px/1.3 ${figures};
    letter-spacing: -0.03em;
    text-align: right;
  }
  & th.figure {
    text-align: right;
  }
`

const KEYS = Object.keys(jetsBlank) as (keyof JetsAsked)[]

const signed = (share: number): string =>
  `${share > 0 ? '+' : share < 0 ? '−' : ''}${figure(Math.abs(share) * 100, 1)} %`

/** The place and the fuel as a job's own station asks them. */
const intoJob = (asked: JetsAsked): string =>
  new URLSearchParams([
    ['jets', ''],
    ...CONDITIONS.filter((key) => asked[key] !== jetsBlank[key] || key.startsWith('to')).map(
      (key): [string, string] => [key, asked[key]],
    ),
  ]).toString()
const CONDITIONS = [
  'altitude',
  'toAltitude',
  'temperature',
  'toTemperature',
  'ethanol',
  'toEthanol',
] as const satisfies readonly (keyof JetsAsked)[]

const askJets = async (worker: Remote<JetsWorking>, asked: JetsAsked): Promise<Result<JetsPlan>> =>
  worker.plan(asked)

/** Which jets for another place or another fuel, without a job: the whole question is in the address. */
export default function JetsPage() {
  const [search, setSearch] = useSearchParams()
  const asked = useMemo(
    () =>
      Object.fromEntries(KEYS.map((key) => [key, search.get(key) ?? jetsBlank[key]])) as unknown as JetsAsked,
    [search],
  )
  const { said: plan, of } = useAnswered(openJets, askJets, asked)
  const job = search.get('job')
  const set = (key: keyof JetsAsked, value: string) =>
    setSearch(
      (now) => {
        if (value === jetsBlank[key]) now.delete(key)
        else now.set(key, value)
        return now
      },
      { replace: true },
    )
  const field = (key: keyof JetsAsked, name: string, hint = '') => (
    <FieldInput
      aria-label={name}
      inputMode={key === 'mains' || key === 'idles' ? 'text' : 'decimal'}
      aria-invalid={plan !== null && isRefusal(plan) && plan.refused.input === key}
      value={asked[key]}
      placeholder={hint}
      onChange={(event) => set(key, event.target.value)}
    />
  )
  return (
    <Page title="figures" head={job && <Link to={`/jobs/${job}/set?jets`}>Back to job {job}</Link>}>
      <FigureTabs />
      <Sheet $side={460} $askFirst>
        <section aria-label="Mixture">
          <div>
            <h1 style={{ font: `500 20px/1.3 ${narrow}` }}>Mixture over the whole opening</h1>
            <p style={{ color: 'var(--pencil)', fontSize: 15 }}>
              against the sheet’s jets where the sheet is right · shaded: how sure · thin lines: limits
            </p>
          </div>
          {!plan ? null : isRefusal(plan) ? (
            <ErrorLine role="alert">{plan.refused.why}</ErrorLine>
          ) : (
            <>
              <MixtureChart plan={plan} changes={Object.keys(plan.choice.changes).length > 0} />
              <Told plan={plan} asked={of ?? asked} />
            </>
          )}
        </section>
        <section aria-label="What changed">
          {plan && !isRefusal(plan) && <Said plan={plan} needle={asked.family !== 'plate'} />}
          <Rows role="group" aria-label="Conditions">
            <span>what changed</span>
            <span>the sheet is for</span>
            <span>now</span>
            <b>Altitude, m</b>
            {field('altitude', 'Altitude of the sheet, m')}
            {field('toAltitude', 'Altitude now, m')}
            <b>Air, °C</b>
            {field('temperature', 'Temperature of the sheet, °C')}
            {field('toTemperature', 'Temperature now, °C')}
            <b>Ethanol, %</b>
            {field('ethanol', 'Ethanol of the sheet, %')}
            {field('toEthanol', 'Ethanol now, %')}
          </Rows>
          <div
            role="group"
            aria-label="What meters the air"
            style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}
          >
            {familyChoices.map(({ family, words }) => (
              <Choice
                key={family}
                $on={asked.family === family}
                aria-pressed={asked.family === family}
                onPress={() => set('family', family)}
              >
                {words}
              </Choice>
            ))}
          </div>
          <Rows role="group" aria-label="The sheet’s jets">
            <span>bores, mm</span>
            <span>the sheet’s</span>
            <span>sizes you can get</span>
            <b>Main jet</b>
            {field('main', 'Main jet, mm')}
            {field('mains', 'Main jets you can get, mm')}
            <b>Idle jet</b>
            {field('idle', 'Idle jet, mm')}
            {field('idles', 'Idle jets you can get, mm')}
            <b>Bleed, nozzle</b>
            {field('mainBleed', 'Main air bleed, mm')}
            {field('nozzle', 'Nozzle, mm')}
            <b>Screw, turns out</b>
            {field('turns', 'Mixture screw, turns out')}
            <Choice
              aria-pressed={asked.screw === 'air'}
              onPress={() => set('screw', asked.screw === 'air' ? 'fuel' : 'air')}
              style={{ justifyContent: 'center' }}
            >
              {asked.screw === 'air' ? 'air screw' : 'fuel screw'}
            </Choice>
          </Rows>
          <TakeInto>
            {(number) => <Link to={`/jobs/${number}/set?${intoJob(asked)}`}>Its own jets for this</Link>}
          </TakeInto>
          <KeepIt />
        </section>
      </Sheet>
    </Page>
  )
}

/** What to fit, and what to watch. */
function Said({ plan, needle }: { plan: JetsPlan; needle: boolean }) {
  const { headline, choice, screw, screwFits, dangerous, tryAndRead, assumedSizes } = plan
  const eighths = Math.round(screw * 8)
  return (
    <div style={{ display: 'grid', gap: 6 }}>
      <Answer aria-live="polite">
        <b>{headline}</b>
      </Answer>
      {dangerous && (
        <RedBox role="alert" $tight>
          As it is, too lean for full load: it burns holes. No load before the jets are changed.
        </RedBox>
      )}
      <p style={{ fontSize: 16 }}>
        {choice.inside ? 'Within limits at every opening' : 'Out of limits'}
        {Number.isFinite(choice.worst)
          ? `, at worst ${figure(choice.worst * 100, 0)} % of what is allowed.`
          : '.'}{' '}
        {!screwFits ? (
          <>
            Idle screw: it would stand at <Fraction text={showTurns(eighths)} /> turns, too far: another idle
            jet.
          </>
        ) : (
          <>
            Idle screw: about <Fraction text={showTurns(eighths)} /> turns.
          </>
        )}
      </p>
      {needle && (
        <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
          Its needle is not known here: the clip is not worked out, and the band is wide.
        </p>
      )}
      {(tryAndRead || assumedSizes) && (
        <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
          {tryAndRead ? 'Not sure to the last size: try it, then read the plugs. One change at a time. ' : ''}
          {assumedSizes ? 'Assumed: sizes every 0.025 mm.' : ''}
        </p>
      )}
    </div>
  )
}

/** What each change does alone, and what another fuel asks of the rest. */
function Told({ plan: { changed, conversion }, asked }: { plan: JetsPlan; asked: JetsAsked }) {
  if (changed.length === 0) return null
  return (
    <div style={{ display: 'grid', gap: 10 }}>
      <Table>
        <thead>
          <tr>
            <th scope="col">alone, with the sheet’s jets</th>
            <th scope="col" className="figure">
              at idle
            </th>
            <th scope="col" className="figure">
              at full
            </th>
          </tr>
        </thead>
        <tbody>
          {changed.map(({ what, from, to, idle, full }) => (
            <tr key={what}>
              <td>
                {what} {from} to {to}
              </td>
              <td className="figure">{signed(idle)}</td>
              <td className="figure">{signed(full)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {conversion && (
        <p style={{ fontSize: 16 }}>
          For {asked.toEthanol} % ethanol: power jet, pump nozzle and inlet seat ×{' '}
          {figure(conversion.seatBore!, 2)} in bore, pump volume × {figure(conversion.volumeFactor, 2)}. Check
          that each part is rated for it.{' '}
          {conversion.massFactor > 1
            ? `With ${asked.ethanol} % these jets run far too rich.`
            : `With ${asked.ethanol} % these jets run dangerously lean.`}
        </p>
      )}
    </div>
  )
}
