import { isRefusal } from '@ekrond/core/base/refusal'
import { figureKinds, worked, type Field, type FigureKind, type Worked } from '@ekrond/core/plan/figures'
import { useMemo } from 'react'
import { Link, Navigate, useLocation, useParams, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { Columns } from '../shell/Columns'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { Answer, Choice, ErrorLine, FieldInput } from '../ui'
import { FigureDrawing } from './FigureDrawing'
import { FigureTabs } from './FigureTabs'
import { AsNote, KeepIt, TakeInto } from './TakeInto'

const Sheet = styled(Columns)`
  min-height: calc(100% - 78px);
  & > section:first-child {
    grid-template-rows: auto minmax(260px, 1fr) auto;
    align-content: stretch;
    padding-bottom: 0;
    /* What is drawn stays whole in the window, however long what is asked is. */
    @media (min-width: 1000px) {
      height: calc(100vh - 154px);
      min-height: 480px;
    }
  }
`

/** It fills what the page can spare and never pushes the rest out of sight. */
const Drawn = styled.div`
  position: relative;
  min-height: 260px;
  & > svg {
    position: absolute;
    inset: 0;
  }
`

const Asked = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 128px;
  gap: 0 14px;
  align-items: end;
  & > label {
    font: 500 17px/44px ${narrow};
    & > span {
      color: var(--pencil);
      font-size: 15px;
    }
  }
  & > input {
    font: 500 20px ${figures};
    letter-spacing: -0.03em;
    text-align: right;
  }
  & > div {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px;
    padding: 6px 0;
    & > span {
      margin-right: auto;
      font: 500 17px/44px ${narrow};
    }
  }
`

const Rows = styled.dl`
  margin: 0;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2px 16px;
  & > dt {
    font: 500 16px/1.5 ${narrow};
    color: var(--pencil);
  }
  & > dd {
    margin: 0;
    text-align: right;
    font: 500 18px/1.4 ${figures};
    letter-spacing: -0.03em;
  }
`

const Nears = styled.div`
  display: flex;
  border-top: 1px solid var(--ink);
  overflow-x: auto;
  & > div {
    flex: 1 0 84px;
    padding: 8px 10px;
    border-right: 1px solid var(--rule);
  }
  & b {
    display: block;
    font: 600 20px/1.2 ${figures};
    letter-spacing: -0.03em;
  }
`

const KINDS = new Map(figureKinds.map((kind) => [kind.name, kind]))

/** One calculation without a job: what it asks, what comes of it, drawn; the whole question is in the address. */
export default function FigurePage() {
  const { name } = useParams()
  const kind = KINDS.get(name ?? '')
  return kind ? <Figure key={kind.name} kind={kind} /> : <Navigate to="/figures/jets" replace />
}

function Figure({ kind }: { kind: FigureKind }) {
  const [search, setSearch] = useSearchParams()
  const { pathname } = useLocation()
  const typed = useMemo(() => Object.fromEntries(search), [search])
  const said = useMemo(() => worked(kind, typed), [kind, typed])
  const job = search.get('job')
  const set = (key: string, value: string, blank: string) =>
    setSearch(
      (now) => {
        if (value === blank) now.delete(key)
        else now.set(key, value)
        return now
      },
      { replace: true },
    )
  const asked = new URLSearchParams([...search].filter(([key]) => key !== 'job')).toString()
  const address = `${pathname}${asked ? `?${asked}` : ''}`
  const wrong = isRefusal(said) ? said.refused : null
  return (
    <Page title="figures" head={job && <Link to={`/jobs/${job}`}>Back to job {job}</Link>}>
      <FigureTabs />
      <Sheet $side={440} $askFirst>
        <section aria-label="Drawn">
          <h1 style={{ font: `500 20px/1.3 ${narrow}` }}>{kind.title}</h1>
          {isRefusal(said) ? (
            <ErrorLine role="alert">{said.refused.why}</ErrorLine>
          ) : (
            <>
              <Drawn>
                <FigureDrawing worked={said} title={`${kind.title}: ${said.headline}`} />
              </Drawn>
              <Near worked={said} />
            </>
          )}
        </section>
        <section aria-label="Asked">
          {!isRefusal(said) && (
            <>
              <Answer aria-live="polite">
                <b>{said.headline}</b>
              </Answer>
              <Rows>
                {said.rows.map(([what, value]) => (
                  <Row key={what} what={what} value={value} />
                ))}
              </Rows>
            </>
          )}
          <Asked role="group" aria-label="What is known">
            {kind.fields.map((field) => (
              <One
                key={field.key}
                field={field}
                value={typed[field.key] ?? field.blank}
                invalid={wrong?.input === field.key}
                set={(value) => set(field.key, value, field.blank)}
              />
            ))}
          </Asked>
          {!isRefusal(said) && said.note && (
            <p style={{ fontSize: 15, color: 'var(--pencil)' }}>{said.note}</p>
          )}
          {!isRefusal(said) && (
            <TakeInto>
              {(number) => (
                <AsNote
                  key={number}
                  job={number}
                  text={`${kind.title}: ${said.headline} ${said.rows.map(([what, value]) => `${what} ${value}`).join(', ')}. ${address}`}
                />
              )}
            </TakeInto>
          )}
          <KeepIt />
        </section>
      </Sheet>
    </Page>
  )
}

function Row({ what, value }: { what: string; value: string }) {
  return (
    <>
      <dt>{what}</dt>
      <dd>{value}</dd>
    </>
  )
}

function One({
  field: { key, name, unit, choices },
  value,
  invalid,
  set,
}: {
  field: Field
  value: string
  invalid: boolean
  set: (value: string) => void
}) {
  if (choices)
    return (
      <div role="group" aria-label={name}>
        <span>{name}</span>
        {choices.map((choice) => (
          <Choice
            key={choice}
            $on={value === choice}
            aria-pressed={value === choice}
            onPress={() => set(choice)}
          >
            {choice}
          </Choice>
        ))}
      </div>
    )
  return (
    <>
      <label htmlFor={`figure-${key}`}>
        {name} {unit && <span>{unit}</span>}
      </label>
      <FieldInput
        id={`figure-${key}`}
        inputMode={/drill/.test(unit) ? 'text' : 'decimal'}
        aria-invalid={invalid}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </>
  )
}

/** What exists near it, and how far off each is. */
function Near({ worked: { near, nearWords } }: { worked: Worked }) {
  if (!near) return <span />
  return (
    <div>
      <p style={{ fontSize: 15, color: 'var(--pencil)' }}>{nearWords}</p>
      <Nears>
        {near.map(({ name, words, fits, isOn }) => (
          <div
            key={name}
            style={isOn ? { background: 'var(--tint)', boxShadow: 'inset 0 4px var(--blue)' } : undefined}
          >
            <b>{name}</b>
            <span style={{ fontSize: 15, color: fits ? 'var(--pencil)' : 'var(--red)' }}>
              {words}
              {fits ? '' : ' out'}
            </span>
          </div>
        ))}
      </Nears>
    </div>
  )
}
