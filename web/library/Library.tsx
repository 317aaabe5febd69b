import type { ListNumbersAnswer } from '@ekrond/contract/library'
import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../data/api'
import { Page } from '../shell/Page'
import { figures, narrow } from '../theme/global'
import { SearchField } from '../ui/SearchField'
import { useKeys } from '../ui/keys'
import { ModelMark } from './ModelMark'
import { TakeIn } from './TakeIn'

const Models = styled.div`
  columns: 3 340px;
  column-gap: 0;
  column-rule: 1px solid var(--rule);
  & > section {
    break-inside: avoid;
    padding: 14px 22px 18px;
  }
  & header {
    display: flex;
    gap: 14px;
    align-items: center;
    margin-bottom: 6px;
  }
  & h2 {
    font: 600 20px/1.3 ${narrow};
  }
  & h2 + p {
    color: var(--pencil);
    font-size: 15px;
  }
  & ul {
    columns: 2;
    column-gap: 24px;
  }
  & a {
    display: flex;
    align-items: center;
    min-height: 44px;
    border-bottom: 1px solid var(--rule);
    font: 500 18px/1.2 ${figures};
    letter-spacing: -0.03em;
    text-decoration: none;
  }
  & a > small {
    font-size: 14px;
    color: var(--pencil);
    margin-left: 8px;
  }
  & a:hover {
    background: var(--tint);
  }
`

/** Every list number by its model; any fragment finds it. */
export default function Library() {
  const navigate = useNavigate()
  const [q, setQ] = useState('')
  const find = useRef<HTMLInputElement>(null)
  useKeys({ '/': () => find.current?.focus(), r: () => void navigate('/') })
  const list = useQuery<ListNumbersAnswer, ApiError>({
    queryKey: ['list-numbers', q],
    queryFn: () => call(`/api/list-numbers?q=${encodeURIComponent(q)}&limit=500`),
    placeholderData: (before) => before,
  })
  const rows = list.data?.listNumbers ?? []
  const models = [...new Set(rows.map((row) => row.model))]
  return (
    <Page
      title="library"
      head={
        <>
          <SearchField
            label="Find a list number"
            placeholder="Any part of a list number, maker or model"
            value={q}
            field={find}
            onChange={setQ}
          />
          <span>{list.data?.total ?? 0} list numbers</span>
          <TakeIn />
          <Link to="/library/import">Import a folder</Link>
          <a href="/api/export.zip" download>
            Export all
          </a>
        </>
      }
    >
      {list.isError && <p style={{ padding: 24, color: 'var(--red)' }}>{list.error.message}</p>}
      {list.data && rows.length === 0 && (
        <p style={{ padding: 24 }}>
          {q
            ? `No match for “${q}” in the library.`
            : 'The library is empty. Teach a unit at Identify, import one that another shop shared, or import a whole folder.'}
        </p>
      )}
      <Models>
        {models.map((model) => {
          const here = rows.filter((row) => row.model === model)
          return (
            <section key={model}>
              <header>
                <ModelMark features={here[0]!.features} />
                <div>
                  <h2>{here[0]!.modelName}</h2>
                  <p>
                    {here[0]!.maker} · {here.length} list numbers
                  </p>
                </div>
              </header>
              <ul>
                {here.map((row) => (
                  <li key={row.listNumber}>
                    <Link to={`/library/${encodeURIComponent(row.listNumber)}`}>
                      {row.listNumber}
                      {q && row.supersedes.some((old) => old.toLowerCase().includes(q.toLowerCase())) && (
                        <small>was {row.supersedes.join(', ')}</small>
                      )}
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          )
        })}
      </Models>
    </Page>
  )
}
