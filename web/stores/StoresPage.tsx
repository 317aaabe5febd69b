import type { StoreAnswer, StoreKind, StoreRecord, StoresAnswer } from '@ekrond/contract/stores'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState, type ComponentType } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../data/api'
import { useShop } from '../data/shop'
import { BothSides } from '../shell/BothSides'
import { Columns } from '../shell/Columns'
import { Page } from '../shell/Page'
import { sayInstant } from '../ui/dates'
import { figures, narrow } from '../theme/global'
import { Button, ErrorLine, LabelHeading, MainButton, QuietButton } from '../ui'
import { SearchField } from '../ui/SearchField'
import { useKeys } from '../ui/keys'
import { blank, KitEditor, PartEditor, SupplierEditor } from './editors'
import { Words } from './fields'
import { changeWords, differing } from './differing'
import { Drawers } from './Drawers'
import { isPartKind, Likeness } from './Likeness'
import { useSave, useStore } from './useStore'

const KINDS: readonly { what: StoreKind; title: string; one: string }[] = [
  { what: 'part', title: 'Parts', one: 'part' },
  { what: 'kit', title: 'Kits', one: 'kit' },
  { what: 'supplier', title: 'Suppliers', one: 'supplier' },
]

const Sheet = styled(Columns)`
  & > section:first-child {
    padding: 0;
    gap: 0;
  }
  & h2 {
    font: 600 22px/1.3 ${narrow};
  }
  @media (max-width: 999px) {
    /* What was picked has the sheet; its kind above leads back to the list. */
    &[data-picked] > section:first-child {
      display: none;
    }
  }
`

const Kinds = styled.nav`
  display: flex;
  align-self: stretch;
  padding: 0 !important;
  & > a {
    min-height: 50px;
    padding: 0 16px;
    display: flex;
    align-items: center;
    text-decoration: none;
    font: 500 18px/1 ${narrow};
  }
  & > a[aria-current='page'] {
    background: var(--ink);
    color: var(--onInk);
  }
`

const Lines = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  & a {
    display: flex;
    gap: 12px;
    min-height: 52px;
    align-items: center;
    padding: 4px 18px;
    border-bottom: 1px solid var(--rule);
    text-decoration: none;
    font-size: 15px;
    color: var(--pencil);
  }
  & a > svg {
    flex: none;
  }
  & b {
    display: block;
    font: 600 17px/1.2 ${figures};
    letter-spacing: -0.03em;
    color: var(--ink);
  }
  & a:hover,
  & a[aria-current='page'] {
    background: var(--tint);
  }
  & a[aria-current='page'] {
    box-shadow: inset 5px 0 0 var(--blue);
  }
`

const NEW = 'new'

/** What the shop buys and keeps: loose parts with their prices and the drawer, kits, who sells them. */
export default function StoresPage() {
  const params = useParams()
  const what = KINDS.find((one) => one.what === params.what)?.what ?? 'part'
  const code = params.code ?? ''
  const [q, setQ] = useState('')
  const [pulled, setDrawer] = useState('')
  // Only loose parts lie in drawers.
  const drawer = what === 'part' ? pulled : ''
  const find = useRef<HTMLInputElement>(null)
  const navigate = useNavigate()
  useKeys({
    '/': () => find.current?.focus(),
    r: () => void navigate('/'),
    n: () => void navigate(`/shop/stores/${what}/${NEW}`),
  })
  const list = useQuery<StoresAnswer, ApiError>({
    queryKey: ['stores', what, q, drawer],
    queryFn: () => call(`/api/stores/${what}?q=${encodeURIComponent(q)}&kind=${encodeURIComponent(drawer)}`),
    placeholderData: (before) => before,
  })
  const { one } = KINDS.find((kind) => kind.what === what)!
  const rows = list.data?.rows ?? []
  return (
    <Page
      title="stores"
      head={
        <>
          <Kinds aria-label="What is in stock">
            {KINDS.map((kind) => (
              <Link
                key={kind.what}
                to={`/shop/stores/${kind.what}`}
                aria-current={kind.what === what ? 'page' : undefined}
              >
                {kind.title}
              </Link>
            ))}
          </Kinds>
          <SearchField
            label={`Find a ${one}`}
            placeholder="Any part of its number or name"
            value={q}
            field={find}
            onChange={setQ}
          />
        </>
      }
    >
      <Sheet $columns="320px minmax(0, 1fr) 300px" data-picked={code === '' ? undefined : ''}>
        <section aria-label={`All ${one}s`}>
          <div style={{ padding: '14px 18px', borderBottom: '1px solid var(--rule)' }}>
            <Button onPress={() => void navigate(`/shop/stores/${what}/${NEW}`)}>New {one}</Button>
          </div>
          {list.isError && <ErrorLine style={{ padding: 18 }}>{list.error.message}</ErrorLine>}
          {list.data && rows.length === 0 && (
            <p style={{ padding: 18, fontSize: 16 }}>
              {q ? `No match for “${q}”.` : `No ${one} yet. Enter the first one, or import a folder.`}
            </p>
          )}
          <Lines>
            {drawer && (
              <li style={{ padding: '4px 18px', borderBottom: '1px solid var(--rule)' }}>
                One drawer only. <QuietButton onPress={() => setDrawer('')}>Show all</QuietButton>
              </li>
            )}
            {rows.map((row) => (
              <li key={row.code}>
                <Link
                  to={`/shop/stores/${what}/${encodeURIComponent(row.code)}`}
                  aria-current={row.code === code ? 'page' : undefined}
                >
                  {isPartKind(row.kind) && <Likeness kind={row.kind} width={46} height={40} />}
                  <span>
                    <b>{row.code}</b>
                    {row.name}
                    {row.words ? ` · ${row.words}` : ''}
                  </span>
                </Link>
              </li>
            ))}
          </Lines>
          {list.data && list.data.count > rows.length && !q && !drawer && (
            <p style={{ padding: 18, fontSize: 15 }}>
              {rows.length} of {list.data.count}: search to see the others.
            </p>
          )}
        </section>
        {code === '' ? (
          <section>
            {what === 'part' && <Drawers kinds={list.data?.kinds ?? []} pulled={drawer} pull={setDrawer} />}
            <p style={{ fontSize: 17 }}>
              {what === 'part'
                ? 'Choose a part to see what it is, who sells it, its price, and how many are in the drawer.'
                : what === 'kit'
                  ? 'Choose a kit to see what it holds, its price, and how many are here.'
                  : 'Choose a supplier. Shipping counts once per order.'}
            </p>
          </section>
        ) : (
          <Record key={`${what} ${code}`} what={what} code={code === NEW ? '' : code} />
        )}
      </Sheet>
    </Page>
  )
}

/** One of them: fetched, then edited; a new one at once. */
function Record({ what, code }: { what: StoreKind; code: string }) {
  const kept = useStore(what, code)
  if (code === '')
    return <Editor what={what} kept={{ version: 0, record: blank[what], usedBy: [], changes: [] }} isNew />
  if (kept.isError)
    return (
      <section>
        <ErrorLine>{kept.error.message}</ErrorLine>
      </section>
    )
  if (!kept.data)
    return (
      <section>
        <p>Fetching {code} …</p>
      </section>
    )
  return <Editor what={what} kept={kept.data} />
}

const EDITORS = { part: PartEditor, kit: KitEditor, supplier: SupplierEditor } as const

function Editor({ what, kept, isNew = false }: { what: StoreKind; kept: StoreAnswer; isNew?: boolean }) {
  const navigate = useNavigate()
  const shop = useShop().data
  const zone = shop?.zone ?? 'UTC'
  const exponent = shop?.currency.exponent ?? 2
  const last = kept.changes.find(({ record }) => record)?.record
  const [record, setRecord] = useState<StoreRecord>(kept.record ?? last ?? blank[what])
  const [saved, setSaved] = useState('')
  const [edition, setEdition] = useState(0)
  const { save, wrong, theirs, taken } = useSave(what, kept.version)
  // Whoever went elsewhere while it was saved is not fetched back.
  const stays = useRef(true)
  useEffect(() => {
    stays.current = true
    return () => {
      stays.current = false
    }
  }, [])
  const put = (changes: Partial<StoreRecord>) => {
    setRecord((now) => ({ ...now, ...changes }))
    setSaved('')
  }
  const write = async () => {
    const code = record.code.trim()
    if (code === '') return setSaved('Give it its number first.')
    if (!(await save(code, { ...record, code })) || !stays.current) return
    if (isNew) void navigate(`/shop/stores/${what}/${encodeURIComponent(code)}`, { replace: true })
    else setSaved('Saved.')
  }
  const takeOut = async () => {
    if ((await save(record.code, null)) && stays.current) void navigate(`/shop/stores/${what}`)
  }
  const Fields = EDITORS[what] as ComponentType<{ record: StoreRecord; put: typeof put }>
  useKeys({ Enter: () => void write() })
  return (
    <>
      <section>
        {isNew ? (
          <Words
            label="Number"
            value={record.code}
            set={(code) => put({ code: code.toUpperCase() })}
            placeholder="as the supplier has it"
            autoFocus
          />
        ) : (
          <h2>{record.code}</h2>
        )}
        {kept.record === null && !isNew && <p>It was removed. Saving adds it again.</p>}
        <Fields key={edition} record={record} put={put} />
      </section>
      <section>
        <MainButton onPress={() => void write()}>{theirs ? 'Save mine anyway' : 'Save'}</MainButton>
        {saved && <p role="status">{saved}</p>}
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        {theirs && (
          <BothSides
            differ={differing(record, theirs.record, exponent)}
            take={() => {
              if (theirs.record) setRecord(theirs.record)
              setEdition(edition + 1)
              taken(theirs)
            }}
          />
        )}
        {kept.usedBy.length > 0 && (
          <>
            <LabelHeading>Used by</LabelHeading>
            <p style={{ fontSize: 15 }}>
              {kept.usedBy.slice(0, 12).join(', ')}
              {kept.usedBy.length > 12 ? ' and more' : ''}
            </p>
          </>
        )}
        {!isNew && kept.record && kept.usedBy.length === 0 && (
          <QuietButton onPress={() => void takeOut()}>Remove from stores</QuietButton>
        )}
        {kept.changes.length > 0 && (
          <>
            <LabelHeading>Changes</LabelHeading>
            <ol style={{ listStyle: 'none', margin: 0, padding: 0, fontSize: 15 }}>
              {kept.changes.slice(0, 12).map((one, i) => (
                <li key={one.version} style={{ marginBottom: 8 }}>
                  {one.by}: {changeWords(one.record, kept.changes[i + 1]?.record, exponent)}
                  <br />
                  <span style={{ color: 'var(--pencil)' }}>{sayInstant(one.at, zone)}</span>
                </li>
              ))}
            </ol>
          </>
        )}
      </section>
    </>
  )
}
