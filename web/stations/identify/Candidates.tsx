import { differenceSentence } from '@ekrond/core/judge/differences'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import type { OpenJob } from '../../data/job'
import { Ask, AskFoot } from '../../shell/frame'
import { Choice, ErrorLine, Key, MainButton, QuietButton } from '../../ui'
import { CheckAgain } from './CheckAgain'
import { LookNext } from './LookNext'
import { NewerSheet } from './NewerSheet'
import { Ranking } from './Ranking'
import type { IdentifyingView } from './useIdentifying'

const Note = styled.p`
  font-size: 18px;
`

const Told = styled.p`
  font-weight: 500;
`

interface Props {
  open: OpenJob
  view: IdentifyingView
  teach: () => void
}

/** Who it may be, the likeliest first, and what is said of it. */
export function Candidates(props: Props) {
  const { open, view } = props
  const { library, ranking, pNone, look, nothingSeen, weighed, empty, wrongEngine, differences } = view
  const reading = library.isPending || (library.data && !empty && !weighed)
  const sheeted = open.sheets && { ...open, sheets: open.sheets }
  return (
    <Ask aria-label="Candidates">
      {library.isError && <ErrorLine>{library.error.message}</ErrorLine>}
      {nothingSeen ? (
        <Note>Type the mark on the casting, or measure a bore.</Note>
      ) : (
        look && <LookNext look={look} />
      )}
      {!nothingSeen && reading && <Note>Reading the library.</Note>}
      {!nothingSeen && weighed && <Ranking ranking={ranking} pNone={pNone} at={view.at} pick={view.pick} />}
      {wrongEngine && <ErrorLine>{wrongEngine}</ErrorLine>}
      {differences && (
        <Told>
          {differenceSentence(differences)}{' '}
          <Link
            to={`/library/${encodeURIComponent(ranking[0]!.id)}/beside/${ranking
              .slice(1)
              .map(({ id }) => encodeURIComponent(id))
              .join(',')}`}
          >
            Side by side
          </Link>
        </Told>
      )}
      <Halves open={open} view={view} />
      {sheeted && <NewerSheet open={sheeted} />}
      {sheeted && <CheckAgain open={sheeted} />}
      {pNone > 0.5 && !nothingSeen && (
        <ErrorLine>
          Probably none of these. Look at every place on the casting. Choose one only if you are sure,
          otherwise teach it.
        </ErrorLine>
      )}
      {empty && <Note>The library is empty. Teach this unit, and the next one like it is found.</Note>}
      <Choose {...props} />
    </Ask>
  )
}

/** A cover of one list number on a body of another: asked, or as it was said. */
function Halves({ open, view: { halves, chooseBoth } }: Omit<Props, 'teach'>) {
  const { ident } = open.here
  return (
    <>
      {halves && (
        <ErrorLine role="alert">
          Two halves? The {halves.upper.place} says {halves.upper.id}, the {halves.lower.place}{' '}
          {halves.lower.id}. Look at the joint of the castings: is it the cover of one on the body of another?
        </ErrorLine>
      )}
      {halves && !ident?.lower && (
        <Choice onPress={() => void chooseBoth()}>
          It is both: {halves.upper.id} on a body of {halves.lower.id}
        </Choice>
      )}
      {ident?.lower && (
        <Told>
          A mixed unit: cover {ident.listNumber}, body {ident.lower.listNumber}. Each half has its own values
          and parts.
        </Told>
      )}
    </>
  )
}

function wordsOf({ already, picked }: IdentifyingView): string {
  if (!picked) return 'Choose one'
  if (!already) return 'Use this number'
  return picked.id === already ? `It is ${already}` : `No, it is ${picked.id}`
}

function Choose({ open, view, teach }: Props) {
  const navigate = useNavigate()
  const { already, unidentified, empty, pNone } = view
  if (empty)
    return (
      <AskFoot>
        {view.markText.trim() && (
          <MainButton onPress={view.enterMark}>
            Log mark <Key>Enter</Key>
          </MainButton>
        )}
        <MainButton onPress={teach}>
          Teach this one <Key>T</Key>
        </MainButton>
        {already && <GoOn go={() => void navigate(open.to('asfound'))} />}
      </AskFoot>
    )
  return (
    <AskFoot>
      {view.markText.trim() ? (
        <MainButton onPress={view.enterMark}>
          Log mark <Key>Enter</Key>
        </MainButton>
      ) : (
        <MainButton onPress={view.choose} isDisabled={view.forbidden || view.choosing}>
          {wordsOf(view)} <Key>Enter</Key>
        </MainButton>
      )}
      {(!already || pNone > 0.5) && (
        <QuietButton onPress={teach}>
          Teach this one <Key>T</Key>
        </QuietButton>
      )}
      {already && unidentified.length > 0 && (
        <Choice onPress={() => view.setWrong(view.alikeAll()?.sentence ?? '')}>
          {unidentified.length === 1
            ? `Carburetor ${unidentified[0]} is the same`
            : `Carburetors ${unidentified.join(', ')} are the same`}
        </Choice>
      )}
      {already && <GoOn go={() => void navigate(open.to('asfound'))} />}
    </AskFoot>
  )
}

const GoOn = ({ go }: { go: () => void }) => (
  <QuietButton onPress={go}>
    Continue <Key>Esc 3</Key>
  </QuietButton>
)
