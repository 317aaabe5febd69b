import { kinds, sentenceOf, standings, stations } from '@ekrond/core/job'
import { nameOn } from '@ekrond/core/sheets'
import { useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import { useJob, useShop } from '../data/job'
import { sayInstant } from '../shell/dates'
import { Page } from '../shell/Page'
import { figures } from '../theme/global'
import { useKeys } from '../ui/keys'
import { QuietButton } from '../ui'

const Line = styled.li<{ $gone: boolean }>`
  display: grid;
  grid-template-columns: 128px 110px 96px minmax(0, 1fr);
  gap: 14px;
  padding: 7px 24px;
  border-bottom: 1px solid var(--rule);
  color: ${({ $gone }) => ($gone ? 'var(--pencil)' : 'inherit')};
  & > time {
    font: 400 15px/1.5 ${figures};
    letter-spacing: -0.04em;
  }
  & > .what {
    text-decoration: ${({ $gone }) => ($gone ? 'line-through' : 'none')};
  }
  @media (max-width: 700px) {
    grid-template-columns: 1fr;
    gap: 0;
  }
`

/** Who did what when: the log in sentences, the newest first; what was corrected stays readable. */
export default function History() {
  const { number = '' } = useParams()
  const navigate = useNavigate()
  const load = useJob(number)
  const shop = useShop().data
  useKeys({ r: () => void navigate('/'), Escape: () => void navigate(`/jobs/${number}`) })
  if (load.status !== 'open')
    return (
      <Page title="history">
        {load.status === 'missing' && <p style={{ padding: 24 }}>{load.sentence}</p>}
      </Page>
    )
  const { state, sheets } = load.open
  const standing = standings(state.log)
  const name = (code: string) => nameOn(sheets, code)
  return (
    <Page
      title={`job ${number}, who did what when`}
      head={<QuietButton onPress={() => void navigate(`/jobs/${number}`)}>back to the job</QuietButton>}
    >
      <ol>
        {[...state.log].reverse().map((entry) => {
          const gone = standing.get(entry.id) !== 'alive'
          const station = stations.find((s) => s.name === kinds.get(entry.kind)?.station)
          return (
            <Line key={entry.id} $gone={gone}>
              <time dateTime={entry.at}>{shop ? sayInstant(entry.at, shop.zone) : ''}</time>
              <span>{entry.by}</span>
              <span>{station?.title ?? ''}</span>
              <span>
                <span className="what">{sentenceOf(entry, name)}</span>
                {gone && ` (${standing.get(entry.id) === 'struck' ? 'taken back' : 'corrected since'})`}
                {entry.corrects && entry.kind !== 'entry.struck' && ' (a correction)'}
              </span>
            </Line>
          )
        })}
      </ol>
    </Page>
  )
}
