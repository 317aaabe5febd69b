import { admit, emptyJob } from '@ekrond/core/job'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useShop } from '../../data/job'
import { useDraft } from '../../data/draft'
import { usePerson } from '../../data/person'
import { enqueue } from '../../data/queue'
import { Ask, AskFoot, Board, BoardTitle, Main } from '../../shell/frame'
import { Page } from '../../shell/Page'
import { AskPerson } from '../../shell/Person'
import { Choice, ErrorLine, Key, MainButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import { Assumed } from './Assumed'
import { emptyOpening, OpeningForm, readOpening, type Opening } from './OpeningForm'

/** The counter: one carburetor is taken in. */
export default function NewJob() {
  const navigate = useNavigate()
  const shop = useShop().data
  const { person } = usePerson()
  const [kept, keep] = useDraft('receive/new')
  const typed: Opening = kept ? { ...emptyOpening, ...(JSON.parse(kept) as Partial<Opening>) } : emptyOpening
  const [wrong, setWrong] = useState<{ field?: keyof Opening; sentence: string } | null>(null)
  const set = (field: keyof Opening, value: string) => {
    setWrong(null)
    keep((now) => JSON.stringify({ ...(now ? (JSON.parse(now) as Opening) : emptyOpening), [field]: value }))
  }

  const open = () => {
    if (!shop) return
    const read = readOpening(typed, shop.today)
    if ('sentence' in read) return setWrong(read)
    const job = crypto.randomUUID()
    const entry = {
      id: crypto.randomUUID(),
      job,
      kind: 'job.opened',
      v: 1,
      body: 1,
      data: read.data,
      by: person ?? 'unnamed',
      at: new Date().toISOString(),
    }
    const refused = admit(emptyJob(job), entry)
    if (refused) return setWrong({ sentence: refused.sentence })
    keep('')
    void enqueue([entry]).then(() => navigate(`/jobs/${job}/identify`))
  }
  useKeys({ Enter: open, r: () => void navigate('/') })
  return (
    <Page title="receive">
      <Main style={{ height: '100%' }} $ask={360}>
        <Board
          style={{ overflowY: 'auto' }}
          onKeyDown={(event) =>
            event.key === 'Enter' && (event.target as HTMLElement).tagName === 'INPUT' && open()
          }
        >
          <OpeningForm typed={typed} set={set} shop={shop} wrong={wrong?.field} />
        </Board>
        <Ask aria-label="Open the job">
          <BoardTitle>
            <h1>Before it is put down</h1>
          </BoardTitle>
          <Assumed typed={typed} />
          <Choice
            $on={typed.aircraft === 'yes'}
            aria-pressed={typed.aircraft === 'yes'}
            onPress={() => set('aircraft', typed.aircraft === 'yes' ? '' : 'yes')}
          >
            It is from an aircraft
          </Choice>
          {typed.aircraft === 'yes' && (
            <ErrorLine role="alert">
              Carburetors of aircraft are not serviced here. They belong to a certificated repair station;
              give it back unopened.
            </ErrorLine>
          )}
          {wrong && <ErrorLine role="alert">{wrong.sentence}</ErrorLine>}
          <AskFoot>
            <MainButton onPress={open} isDisabled={typed.aircraft === 'yes' || !shop}>
              Open the job <Key>Enter</Key>
            </MainButton>
          </AskFoot>
        </Ask>
      </Main>
      {shop && <AskPerson shop={shop} open={person === null} />}
    </Page>
  )
}
