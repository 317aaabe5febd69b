import { complaintWords, markPlaces } from '@ekrond/core/log'
import type { CatalogueAnswer, ListNumberAnswer } from '@ekrond/contract/library'
import { displacementOf, engineDoubt } from '@ekrond/core/identify'
import { differenceSentence, sheetDifferences } from '@ekrond/core/judge/differences'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { call, type ApiError } from '../../data/api'
import { useDraft } from '../../data/draft'
import { listNumberQuery } from '../../data/library'
import { Ask, AskFoot, StripCell } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { Choice, ErrorLine, Key, Label, MainButton, QuietButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import { TeachBoard } from '../../teach/TeachBoard'
import { TeachForm } from '../../teach/TeachForm'
import { NotIdentified } from '../NotIdentified'
import type { StationProps } from '../../shell/props'
import { useChoosing } from './choosing'
import { PlanBoard } from './PlanBoard'
import { Ranking } from './Ranking'
import { CheckAgain } from './CheckAgain'
import { Evidence } from './Evidence'
import { LookNext } from './LookNext'
import { NewerSheet } from './NewerSheet'
import { useRanking } from './ranking'

const Three = styled.main`
  display: grid;
  grid-template-columns: 372px minmax(0, 1fr) 384px;
  min-height: 0;
  & > section:nth-child(2) {
    border-left: 1px solid var(--ink);
  }
  @media (max-width: 1180px) {
    grid-template-columns: 304px minmax(0, 1fr) 332px;
  }
  @media (max-width: 999px) {
    display: flex;
    flex-direction: column;
  }
`

const EMPTY: CatalogueAnswer['candidates'] = []

/** Which list number it is, or, where no book knows it, what the bench has taught of it so far. */
export default function IdentifyStation({ open }: StationProps) {
  const [teaching, setTeaching] = useState(false)
  if (teaching) return <TeachForm open={open} cancel={() => setTeaching(false)} />
  if (open.here.taught)
    return open.sheets ? <TeachBoard open={open} /> : <NotIdentified open={open} what="teach" />
  return <FromLibrary open={open} teach={() => setTeaching(true)} />
}

/** Marks and measures against the library, with the chances and what would settle most. */
function FromLibrary({ open, teach }: StationProps & { teach: () => void }) {
  const navigate = useNavigate()
  const body = open.here
  const library = useQuery<CatalogueAnswer, ApiError>({
    queryKey: ['catalogue'],
    queryFn: () => call('/api/catalogue'),
    staleTime: 5 * 60_000,
  })
  const candidates = library.data?.candidates ?? EMPTY
  const [place, setPlace] = useState<(typeof markPlaces)[number]>('plate')
  const [markText, setMarkText] = useDraft(open.draft('identify', place))
  const [maker, setMaker] = useState<string | null>(null)
  const [chosen, setChosen] = useState<number | null>(null)
  const [wrong, setWrong] = useState('')

  const engineSaid = open.state.opened ? displacementOf(open.state.opened.engine) : null
  const engineEach = engineSaid === null ? null : engineSaid / open.bodies
  const makerNow = maker ?? Object.values(body.marks).find((mark) => mark.maker)?.maker ?? ''
  const { ranking, pNone, look, nothingSeen, refusedMark, halves, fresh, weighed } = useRanking(
    candidates,
    body,
    makerNow,
    place,
    markText,
    engineEach,
  )
  // Where none of them is likelier than the first, nobody is preselected: that would be a judgement.
  const at = chosen ?? (ranking[0] && pNone < ranking[0].p ? 0 : -1)
  const picked = ranking[Math.min(at, ranking.length - 1)]
  const leader = candidates.find((c) => c.id === (picked ?? ranking[0])?.id)

  const first = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(ranking[0]?.id ?? ''),
    enabled: ranking.length > 0 && !nothingSeen,
  })
  const second = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(ranking[1]?.id ?? ''),
    enabled: ranking.length > 1 && !nothingSeen,
  })
  const judged = picked && picked.id === first.data?.listNumber ? first.data.sheets.spec : open.sheets?.spec
  const wrongEngine =
    judged && open.state.opened ? engineDoubt(open.state.opened.engine, open.bodies, judged) : ''
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
  const already = body.ident?.listNumber
  const empty = library.data !== undefined && candidates.length === 0
  // Nobody chooses by what was known a moment ago.
  const forbidden = !picked || nothingSeen || !fresh || picked.id === already
  const { choose, choosing, chooseBoth, unidentified, alikeAll } = useChoosing({
    open,
    ranking,
    picked: forbidden ? undefined : picked,
    halves,
    enterMark,
    say: setWrong,
  })
  useKeys({
    Enter: choose,
    t: teach,
    ArrowDown: () => setChosen(Math.min(at + 1, ranking.length - 1)),
    ArrowUp: () => setChosen(Math.max(0, at - 1)),
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
        <Evidence
          open={open}
          candidates={candidates}
          place={place}
          setPlace={setPlace}
          markText={markText}
          setMarkText={(text) => {
            setWrong('')
            setMarkText(text)
          }}
          enterMark={enterMark}
          makerNow={makerNow}
          setMaker={setMaker}
          lookAt={look?.feature ?? null}
          wrong={wrong || refusedMark}
          setWrong={setWrong}
        />
        <PlanBoard
          open={open}
          leader={leader}
          look={nothingSeen ? null : (look?.feature ?? null)}
          says={
            nothingSeen || !library.data
              ? candidates.length === 0
                ? 'nothing to draw it from yet'
                : 'drawn for the commonest one, until something is read'
              : 'drawn for the one picked at the right'
          }
        />
        <Ask aria-label="Candidates">
          {library.isError && <ErrorLine>{library.error.message}</ErrorLine>}
          {nothingSeen ? (
            <p style={{ fontSize: 18 }}>
              Type what stands on the casting, or measure a bore. Unreadable places are ?, doubtful ones [38].
            </p>
          ) : (
            look && <LookNext look={look} />
          )}
          {!nothingSeen && (library.isPending || (library.data && !empty && !weighed)) && (
            <p style={{ fontSize: 18 }}>Reading the library.</p>
          )}
          {!nothingSeen && weighed && (
            <Ranking ranking={ranking} pNone={pNone} at={Math.min(at, ranking.length - 1)} pick={setChosen} />
          )}
          {wrongEngine && <ErrorLine>{wrongEngine}</ErrorLine>}
          {differences && !nothingSeen && (
            <p style={{ fontWeight: 500 }}>
              {differenceSentence(differences)}{' '}
              <Link
                to={`/library/${encodeURIComponent(ranking[0]!.id)}/beside/${ranking
                  .slice(1)
                  .map(({ id }) => encodeURIComponent(id))
                  .join(',')}`}
              >
                Side by side
              </Link>
            </p>
          )}
          {halves && (
            <ErrorLine role="alert">
              Two halves? The {halves.upper.place} says {halves.upper.id}, the {halves.lower.place}{' '}
              {halves.lower.id}. Look at the join of the castings: is it a cover of one on a body of another?
            </ErrorLine>
          )}
          {halves && !body.ident?.lower && (
            <Choice onPress={() => void chooseBoth()}>
              It is both: {halves.upper.id} on a body of {halves.lower.id}
            </Choice>
          )}
          {body.ident?.lower && (
            <p style={{ fontWeight: 500 }}>
              A mongrel: cover by {body.ident.listNumber}, body by {body.ident.lower.listNumber}. Each half
              has its own values and parts.
            </p>
          )}
          {open.sheets && <NewerSheet open={{ ...open, sheets: open.sheets }} />}
          {open.sheets && <CheckAgain open={{ ...open, sheets: open.sheets }} />}
          {pNone > 0.5 && !nothingSeen && (
            <ErrorLine>
              More likely none of these. Look at every place on the casting; pick one only where you know it,
              else teach it.
            </ErrorLine>
          )}
          {empty && (
            <p style={{ fontSize: 18 }}>
              The library is empty, as every shop’s is on its first day. Teach this one: the next of its kind
              is found by it.
            </p>
          )}
          <AskFoot>
            {empty ? (
              <MainButton onPress={teach}>
                Teach this one <Key>T</Key>
              </MainButton>
            ) : (
              <MainButton onPress={choose} isDisabled={forbidden || choosing}>
                {already
                  ? picked?.id === already
                    ? `It is ${already}`
                    : picked
                      ? `No, it is ${picked.id}`
                      : 'Pick one'
                  : picked
                    ? 'This one'
                    : 'Pick one'}{' '}
                <Key>Enter</Key>
              </MainButton>
            )}
            {!empty && (!already || pNone > 0.5) && (
              <QuietButton onPress={teach}>
                Teach this one <Key>T</Key>
              </QuietButton>
            )}
            {already && unidentified.length > 0 && (
              <Choice onPress={() => setWrong(alikeAll()?.sentence ?? '')}>
                {unidentified.length === 1
                  ? `Body ${unidentified[0]} is one too`
                  : `Bodies ${unidentified.join(', ')} are the same`}
              </Choice>
            )}
            {already && (
              <QuietButton onPress={() => void navigate(open.to('asfound'))}>
                go on <Key>Esc 3</Key>
              </QuietButton>
            )}
          </AskFoot>
        </Ask>
      </Three>
    </>
  )
}
