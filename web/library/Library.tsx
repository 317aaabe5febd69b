import type { ListNumbersAnswer } from '@ekrond/contract/library'
import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../data/api'
import { Page } from '../shell/Page'
import { SearchField } from '../ui/SearchField'
import { useKeys } from '../ui/keys'
import { Models } from './Models'
import { Picked } from './Picked'
import { TakeIn } from './TakeIn'
import { Variants } from './Variants'

const Sheet = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  min-height: 100%;
  & > aside {
    border-left: 1px solid var(--ink);
    padding: 14px 20px;
    display: flex;
    flex-direction: column;
    gap: 8px;
    position: sticky;
    top: 0;
    align-self: start;
    height: calc(100vh - 78px);
    overflow-y: auto;
  }
  @media (max-width: 1099px) {
    grid-template-columns: minmax(0, 1fr);
    & > aside {
      border-left: 0;
      border-top: 1px solid var(--ink);
      position: static;
      height: auto;
    }
  }
`

const Files = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-top: auto;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  align-items: center;
  & a {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
    text-underline-offset: 4px;
  }
`

type Row = ListNumbersAnswer['listNumbers'][number]

/** The model that this shop has most of behind it; of those the one with most list numbers. */
function usualModel(rows: readonly Row[]): string | undefined {
  const weight = new Map<string, number>()
  for (const { model, seen } of rows) weight.set(model, (weight.get(model) ?? 0) + seen * 1000 + 1)
  return [...weight].sort((a, b) => b[1] - a[1])[0]?.[0]
}

/** Every model to one scale, what its list numbers differ in, and the one that is looked at; any fragment finds one. */
export default function Library() {
  const navigate = useNavigate()
  const [q, setQ] = useState('')
  const [model, setModel] = useState<string | null>(null)
  const [number, setNumber] = useState<string | null>(null)
  const find = useRef<HTMLInputElement>(null)
  const list = useQuery<ListNumbersAnswer, ApiError>({
    queryKey: ['list-numbers', q],
    queryFn: () => call(`/api/list-numbers?q=${encodeURIComponent(q)}&limit=500`),
    placeholderData: (before) => before,
  })
  const rows = list.data?.listNumbers ?? []
  const shown = rows.some((row) => row.model === model) ? model! : usualModel(rows)
  const here = rows.filter((row) => row.model === shown)
  const picked =
    here.find(({ listNumber }) => listNumber === number) ?? [...here].sort((a, b) => b.seen - a.seen)[0]
  const openIt = (listNumber: string) => void navigate(`/library/${encodeURIComponent(listNumber)}`)
  useKeys({
    '/': () => find.current?.focus(),
    r: () => void navigate('/'),
    Enter: () => picked && openIt(picked.listNumber),
  })
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
            go={() => picked && openIt(picked.listNumber)}
          />
          <span>{list.data?.total ?? 0} list numbers</span>
        </>
      }
    >
      <Sheet>
        <div>
          {list.isError && <p style={{ padding: 24, color: 'var(--red)' }}>{list.error.message}</p>}
          {list.isPending && <p style={{ padding: 24 }}>Loading the library …</p>}
          {list.data && rows.length === 0 && (
            <p style={{ padding: 24 }}>
              {q
                ? `No match for “${q}” in the library.`
                : 'The library is empty. Teach a unit at Identify, import one that another shop shared, or import a whole folder.'}
            </p>
          )}
          {shown && (
            <>
              <Models rows={rows} shown={shown} pick={setModel} />
              <Variants
                key={shown}
                model={shown}
                rows={here}
                picked={picked!.listNumber}
                pick={setNumber}
                q={q}
              />
            </>
          )}
        </div>
        <aside aria-label="List number">
          {picked && <Picked listNumber={picked.listNumber} open={openIt} />}
          <Files>
            <TakeIn />
            <Link to="/library/import">Import a folder</Link>
            <a href="/api/export.zip" download>
              Export all
            </a>
          </Files>
        </aside>
      </Sheet>
    </Page>
  )
}
