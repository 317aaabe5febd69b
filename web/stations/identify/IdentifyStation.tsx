import { complaintWords } from '@ekrond/core/complaint'
import type { CatalogueAnswer, ListNumberAnswer } from '@ekrond/contract/library'
import {
  explain,
  FEATURE_NAMES,
  nextLook,
  openCatalogue,
  rank,
  twoHalves,
  type Identification,
  type Ranked,
  type Seen,
} from '@ekrond/core/identify'
import { bodyNumbers, bodyOf, checkAgain, fromEarlier, markPlaces } from '@ekrond/core/job'
import { gaugeSigma, parseLength } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/refusal'
import { differenceSentence, sheetDifferences } from '@ekrond/core/library'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../../data/api'
import { useDraft } from '../../data/draft'
import { listNumberQuery } from '../../data/library'
import { useShop } from '../../data/shop'
import { Ask, AskFoot, Board, BoardTitle, BoardDrawing, StripCell } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { figures, narrow } from '../../theme/global'
import { Choice, ErrorLine, FieldInput, FieldSelect, Key, Label, MainButton, QuietButton } from '../../ui'
import { onEnter, useKeys } from '../../ui/keys'
import { beginMove, useAct } from '../../ui/moves'
import { StateShape } from '../../shell/StateShape'
import type { StationProps } from '../props'
import type { SheetedProps } from '../withSheets'
import { MarkBoxes } from './MarkBoxes'
import { PlanView } from './PlanView'

const Three = styled.main`
  display: grid;
  grid-template-columns: 372px minmax(0, 1fr) 384px;
  min-height: 0;
  & > section:nth-child(2) {
    border-left: 1px solid var(--ink);
  }
  @media (max-width: 999px) {
    display: flex;
    flex-direction: column;
  }
`

const Rows = styled.div`
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  column-gap: 14px;
  align-items: center;
  & > span {
    font-size: 16px;
  }
  & > .look {
    color: var(--blue);
    font-weight: 600;
  }
`

const LookNext = styled.div`
  border: 2px solid var(--blue);
  padding: 9px 14px;
  & > b {
    display: block;
    font-size: 19px;
    line-height: 1.25;
  }
  & > span + b ~ span {
    display: block;
    font: 500 16px/1.4 ${narrow};
  }
  & > small {
    font-size: 14px;
    color: var(--pencil);
  }
`

const Candidate = styled.button<{ $on: boolean }>`
  display: block;
  width: 100%;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid ${({ $on }) => ($on ? 'var(--blue)' : 'transparent')};
  background: ${({ $on }) => ($on ? 'var(--tint)' : 'none')};
  padding: 6px 8px 7px 10px;
  cursor: pointer;
  min-height: 44px;
  & > span:first-child {
    display: flex;
    justify-content: space-between;
    font: 600 19px/1.25 ${figures};
    letter-spacing: -0.03em;
  }
  & > i {
    display: block;
    height: 7px;
    border: 1px solid var(--ink);
    margin: 3px 0 4px;
  }
  & > i > i {
    display: block;
    height: 100%;
    background: var(--ink);
  }
  & > small {
    display: block;
    font: 400 15px/1.3 ${narrow};
    color: var(--ink);
  }
`

const FEATURES = [
  'throttleBoreMm',
  'venturiMm',
  'flangeBoltSpacingMm',
  'draft',
  'barrels',
  'chokeKind',
  'inletThread',
] as const
const isLength = (feature: string) => feature.endsWith('Mm')
const EMPTY: CatalogueAnswer['candidates'] = []

/** Which list number it is: marks and measures against the library, with the chances and what would settle most. */
export default function IdentifyStation({ open }: StationProps) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const shop = useShop().data
  const body = open.here
  const library = useQuery<CatalogueAnswer, ApiError>({
    queryKey: ['catalogue'],
    queryFn: () => call('/api/catalogue'),
    staleTime: 5 * 60_000,
  })
  const candidates = library.data?.candidates ?? EMPTY
  const catalogue = useMemo(() => (candidates.length ? openCatalogue(candidates) : null), [candidates])
  const [place, setPlace] = useState<(typeof markPlaces)[number]>('plate')
  const [markText, setMarkText] = useDraft(open.draft('identify', place))
  const [maker, setMaker] = useState<string | null>(null)
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [chosen, setChosen] = useState(0)
  const [wrong, setWrong] = useState('')

  const caliper = shop?.gauges.find((gauge) => gauge.kind === 'caliper')
  const sigma = caliper ? gaugeSigma(caliper) : 0.1
  const makerNow = maker ?? Object.values(body.marks).find((mark) => mark.maker)?.maker ?? ''
  // What is being typed counts at once, before it is entered.
  const marks = [
    ...Object.entries(body.marks).filter(([p]) => p !== place || !markText),
    ...(markText ? [[place, { text: markText }] as const] : []),
  ]
    .map(([, mark]) => mark.text)
    .filter(Boolean)
  const features: Seen['features'] = Object.fromEntries(
    Object.entries(body.features).map(([name, f]) => [name, f.value]),
  )
  const sigmas: Record<string, number> = Object.fromEntries(
    Object.entries(body.features).flatMap(([name, f]) => (f.sigma ? [[name, f.sigma]] : [])),
  )
  const seenKey = JSON.stringify([marks, features, makerNow])
  const result = useMemo(() => {
    if (!catalogue) return null
    const seen: Seen = { marks, maker: makerNow || null, features, sigma: sigmas }
    const ranked = rank(catalogue, seen)
    return isRefusal(ranked) ? ranked : { ...ranked, look: nextLook(catalogue, ranked.posterior, seen) }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key holds all of it
  }, [catalogue, seenKey])
  const refusedMark = result && isRefusal(result) ? result.refused.why : ''
  const ranking: Identification['ranking'] =
    result && !isRefusal(result) ? result.ranking.filter((r) => r.p > 0.002).slice(0, 3) : []
  const pNone = result && !isRefusal(result) ? result.pNone : 0
  const look = result && !isRefusal(result) ? result.look : null
  const picked = ranking[Math.min(chosen, ranking.length - 1)]
  const leader = candidates.find((c) => c.id === picked?.id)
  const nothingSeen = marks.length === 0 && Object.keys(features).length === 0

  const first = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(ranking[0]?.id ?? ''),
    enabled: ranking.length > 0 && !nothingSeen,
  })
  const second = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(ranking[1]?.id ?? ''),
    enabled: ranking.length > 1 && !nothingSeen,
  })
  const differences =
    first.data && second.data ? sheetDifferences(first.data.sheets, second.data.sheets) : null

  const correcting = (id: string | undefined) => (id ? { corrects: id } : {})

  const enterMark = () => {
    if (!markText.trim()) return
    const before = open.standing('mark.read', (data) => data.place === place)
    const no = open.add(
      'mark.read',
      { place, text: markText.trim(), maker: makerNow || null },
      correcting(before?.id),
    )
    if (no) setWrong(no.sentence)
    else {
      setWrong('')
      setMarkText('')
    }
  }
  const enterFeature = (feature: string, raw: string) => {
    if (!raw.trim()) return
    let value: string | number = raw.trim()
    if (isLength(feature)) {
      const read = parseLength(raw)
      if (isRefusal(read)) return setWrong(`${FEATURE_NAMES[feature]}: ${read.refused.why}`)
      value = read.mm
    } else if (feature === 'barrels') {
      value = Number(raw)
      if (![1, 2, 4].includes(value)) return setWrong('Barrels are 1, 2 or 4.')
    }
    const before = open.standing('feature.seen', (data) => data.feature === feature)
    const no = open.add(
      'feature.seen',
      { feature, raw: raw.trim(), value, sigma: isLength(feature) ? sigma : null },
      correcting(before?.id),
    )
    setWrong(no?.sentence ?? '')
    if (!no) setTyped((now) => ({ ...now, [feature]: '' }))
  }
  const already = body.ident?.listNumber
  const forbidden = !picked || nothingSeen || picked.id === already
  const [choose, choosing] = useAct(async () => {
    if (forbidden) return
    const move = beginMove()
    enterMark()
    try {
      const found = await client.fetchQuery(listNumberQuery(picked.id))
      const other = ranking.find((r) => r.id !== picked.id)
      const before = open.standing('ident.chosen')
      const no = open.add(
        'ident.chosen',
        {
          listNumber: picked.id,
          specRev: found.sheets.specRev,
          buildRev: found.sheets.buildRev,
          p: picked.p,
          runnerUp: other ? { listNumber: other.id, p: other.p } : null,
        },
        correcting(before?.id),
      )
      if (no) setWrong(no.sentence)
      else move(open.to('asfound'))
    } catch (error) {
      setWrong((error as Error).message)
    }
  })
  const halves = useMemo(
    () =>
      catalogue
        ? twoHalves(
            catalogue,
            Object.fromEntries(Object.entries(body.marks).map(([p, mark]) => [p, mark.text])),
            makerNow || null,
          )
        : null,
    [catalogue, body.marks, makerNow],
  )
  const unidentified = bodyNumbers(open.state).filter((number) => !bodyOf(open.state, number).ident)
  /** The bodies of a bank are alike as a rule: one tap gives the rest this one's list number. */
  const alikeAll = () => {
    const { entry: _, ...ident } = body.ident!
    return open.addAll(
      unidentified.map((number) => ({
        kind: 'ident.chosen' as const,
        body: number,
        data: { ...ident, runnerUp: null },
      })),
    )
  }
  useKeys({
    Enter: choose,
    ArrowDown: () => setChosen((n) => Math.min(n + 1, ranking.length - 1)),
    ArrowUp: () => setChosen((n) => Math.max(0, n - 1)),
  })

  return (
    <>
      <OnStrip>
        <StripCell style={{ padding: '10px 20px' }}>
          <Label>Complaint</Label>
          <b style={{ fontSize: 20 }}>{open.state.opened && complaintWords(open.state.opened.complaint)}</b>
          <span style={{ color: 'var(--pencil)' }}>
            {open.state.opened?.complaint.symptom} · {open.state.opened?.complaint.band} · from{' '}
            {open.state.opened?.engine}, {open.state.opened?.equipment}
          </span>
        </StripCell>
      </OnStrip>
      <Three>
        <Board style={{ overflowY: 'auto', gap: 4 }}>
          <label>
            <Label>What can be read on the {place}</Label>
            <FieldInput
              autoFocus
              aria-label={`Mark on the ${place}`}
              value={markText}
              placeholder={body.marks[place]?.text || 'K-4?[17]7…'}
              style={{ fontFamily: figures, textTransform: 'uppercase' }}
              onChange={(event) => {
                setWrong('')
                setMarkText(event.target.value)
              }}
              onKeyDown={onEnter(enterMark)}
            />
          </label>
          <MarkBoxes text={markText || body.marks[place]?.text || ''} />
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
            <FieldSelect
              aria-label="Place of the mark"
              value={place}
              onChange={(event) => setPlace(event.target.value as typeof place)}
            >
              {markPlaces.map((p) => (
                <option key={p} value={p}>
                  {p}
                  {body.marks[p]?.text ? `: ${body.marks[p].text}` : ''}
                </option>
              ))}
            </FieldSelect>
            <FieldSelect
              aria-label="Maker"
              value={makerNow}
              onChange={(event) => setMaker(event.target.value)}
            >
              <option value="">maker not known</option>
              {shop?.makers.map((m) => (
                <option key={m.code} value={m.code}>
                  {m.code}
                </option>
              ))}
            </FieldSelect>
          </div>
          <Label as="p" style={{ fontWeight: 400 }}>
            {shop?.makers.find((m) => m.code === makerNow)?.numbering ??
              '? unreadable · [38] either · … a run that is gone'}
          </Label>
          {(wrong || refusedMark) && <ErrorLine role="alert">{wrong || refusedMark}</ErrorLine>}
          <Label style={{ marginTop: 6 }}>Seen and measured, caliper ±{sigma.toFixed(2)}</Label>
          <Rows>
            {FEATURES.map((feature) => {
              const values = [
                ...new Set(candidates.map((c) => c.features[feature]).filter((v) => v !== undefined)),
              ]
              const entered = body.features[feature]
              return [
                <span key={feature} className={look?.feature === feature ? 'look' : ''}>
                  {FEATURE_NAMES[feature]}
                </span>,
                isLength(feature) ? (
                  <FieldInput
                    key={`${feature} field`}
                    aria-label={FEATURE_NAMES[feature]}
                    value={typed[feature] ?? ''}
                    placeholder={entered?.raw ?? 'mm'}
                    style={{ fontFamily: figures, minHeight: 44 }}
                    onChange={(event) => setTyped((now) => ({ ...now, [feature]: event.target.value }))}
                    onKeyDown={onEnter(() => enterFeature(feature, typed[feature] ?? ''))}
                    onBlur={() => enterFeature(feature, typed[feature] ?? '')}
                  />
                ) : (
                  <FieldSelect
                    key={`${feature} field`}
                    aria-label={FEATURE_NAMES[feature]}
                    value={String(entered?.value ?? '')}
                    onChange={(event) => enterFeature(feature, event.target.value)}
                  >
                    <option value="">not looked at</option>
                    {values.map((v) => (
                      <option key={String(v)} value={String(v)}>
                        {String(v)}
                      </option>
                    ))}
                  </FieldSelect>
                ),
              ]
            })}
          </Rows>
        </Board>
        <Board>
          <BoardTitle>
            <div>
              <h1>Plan, from the flange</h1>
              <p>
                {nothingSeen
                  ? 'drawn for the commonest one, until something is read'
                  : 'drawn for the one picked at the right'}
              </p>
            </div>
          </BoardTitle>
          <BoardDrawing>
            {leader && (
              <PlanView
                look={nothingSeen ? null : (look?.feature ?? null)}
                seen={Object.fromEntries(Object.entries(body.features).map(([name, f]) => [name, f.raw]))}
                features={{
                  barrels: Number(leader.features.barrels ?? 1),
                  throttleBoreMm: Number(leader.features.throttleBoreMm),
                  venturiMm: Number(leader.features.venturiMm),
                  flangeBoltSpacingMm: Number(leader.features.flangeBoltSpacingMm),
                  chokeKind: String(leader.features.chokeKind),
                }}
              />
            )}
          </BoardDrawing>
        </Board>
        <Ask aria-label="Candidates">
          {library.isError && <ErrorLine>{library.error.message}</ErrorLine>}
          {nothingSeen ? (
            <p style={{ fontSize: 18 }}>
              Type what stands on the casting, or measure a bore. Unreadable places are ?, doubtful ones [38].
            </p>
          ) : (
            look && (
              <LookNext>
                <Label style={{ color: 'var(--blue)' }}>Look next</Label>
                <b>
                  {isLength(look.feature)
                    ? `Caliper the ${FEATURE_NAMES[look.feature]}.`
                    : `Look at the ${FEATURE_NAMES[look.feature]}.`}
                </b>
                <span>{look.outcomes.map((outcome) => `${outcome.value}: ${outcome.id}`).join(' · ')}</span>
                <small>Settles about {Math.round(look.settles * 100)} % of the doubt that is left.</small>
              </LookNext>
            )
          )}
          {!nothingSeen && (
            <div role="listbox" aria-label="Ranking">
              {ranking.map((r, i) => (
                <CandidateRow
                  key={r.id}
                  ranked={r}
                  on={i === Math.min(chosen, ranking.length - 1)}
                  pick={() => setChosen(i)}
                />
              ))}
              <Candidate
                as="div"
                $on={false}
                role="option"
                aria-selected={false}
                style={{ cursor: 'default' }}
              >
                <span style={{ fontFamily: 'inherit' }}>
                  <b style={{ font: `600 17px ${narrow}`, letterSpacing: 0 }}>Not in the library</b>
                  <span>{percent(pNone)}</span>
                </span>
                <i>
                  <i style={{ width: `${pNone * 100}%` }} />
                </i>
              </Candidate>
            </div>
          )}
          {differences && !nothingSeen && (
            <p style={{ fontWeight: 500 }}>{differenceSentence(differences)}</p>
          )}
          {halves && (
            <ErrorLine role="alert">
              Two halves? The {halves.upper.place} says {halves.upper.id}, the {halves.lower.place}{' '}
              {halves.lower.id}. Each half keeps its own parts: look which one the castings’ join speaks for.
            </ErrorLine>
          )}
          {open.sheets && <CheckAgain open={{ ...open, sheets: open.sheets }} />}
          {pNone > 0.5 && !nothingSeen && (
            <ErrorLine>
              More likely none of these. Look at every place on the casting, or teach this one.
            </ErrorLine>
          )}
          <AskFoot>
            <MainButton onPress={choose} isDisabled={forbidden || choosing}>
              {already
                ? picked?.id === already
                  ? `It is ${already}`
                  : `No, it is ${picked?.id}`
                : 'This one'}{' '}
              <Key>Enter</Key>
            </MainButton>
            {already && unidentified.length > 0 && (
              <Choice onPress={() => setWrong(alikeAll()?.sentence ?? '')}>
                {unidentified.length === 1
                  ? `Body ${unidentified[0]} is one too`
                  : `Bodies ${unidentified.join(', ')} are the same`}
              </Choice>
            )}
            {already && (
              <QuietButton onPress={() => void navigate(open.to('asfound'))}>
                go on <Key>3</Key>
              </QuietButton>
            )}
          </AskFoot>
        </Ask>
      </Three>
    </>
  )
}

/** What an identification that was corrected leaves behind: to be checked again, and without a partner on the new sheets. */
function CheckAgain({ open }: SheetedProps) {
  const again = checkAgain(open.state, open.sheets, open.body)
  const earlier = fromEarlier(open.state, open.sheets, open.body)
  return (
    <>
      {again.length > 0 && (
        <section aria-label="Check again" style={{ borderTop: '2px solid var(--ink)', paddingTop: 8 }}>
          <b>
            <StateShape state="again" /> {again.length} to check again
          </b>
          {again.slice(0, 5).map((item) => (
            <p key={`${item.what} ${item.key}`} style={{ fontSize: 15 }}>
              {item.name}: {item.why}
            </p>
          ))}
          {again.some((item) => item.what === 'reading') && (
            <Link to={open.to('set')} style={{ display: 'inline-block', padding: '10px 0' }}>
              Set them against the new sheet
            </Link>
          )}
        </section>
      )}
      {earlier.length > 0 && (
        <section aria-label="From the earlier identification">
          <Label>From the earlier identification, kept</Label>
          {earlier.map((item) => (
            <p key={`${item.what} ${item.key}`} style={{ fontSize: 15 }}>
              {item.key}, {item.what}: {item.said}
            </p>
          ))}
        </section>
      )}
    </>
  )
}

function CandidateRow({ ranked, on, pick }: { ranked: Ranked; on: boolean; pick: () => void }) {
  const words = explain(ranked.evidence).slice(0, on ? 2 : 1)
  return (
    <Candidate $on={on} role="option" aria-selected={on} onClick={pick}>
      <span>
        <span>{ranked.id}</span>
        <span>{percent(ranked.p)}</span>
      </span>
      <i>
        <i style={{ width: `${ranked.p * 100}%` }} />
      </i>
      <small>
        {words.map((word) => `${word.speaks === 'against' ? 'against: ' : ''}${word.text}`).join(' · ')}
      </small>
    </Candidate>
  )
}

const percent = (p: number) => (p > 0.995 ? '> 99 %' : p < 0.005 ? '< 1 %' : `${Math.round(p * 100)} %`)
