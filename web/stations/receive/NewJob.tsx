import { newId } from '../../data/id'
import { emptyJob, kinds } from '@ekrond/core/log'
import { admit } from '@ekrond/core/bench/admit'
import { useRef, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { stampNow } from '../../data/clock'
import { useCustomers } from '../../data/customers'
import { useShop } from '../../data/shop'
import { useDraft } from '../../data/draft'
import { usePerson } from '../../data/person'
import { enqueue } from '../../data/queue'
import { Ask, AskFoot, Board, Main } from '../../shell/frame'
import { Page } from '../../shell/Page'
import { AskPerson } from '../../shell/Person'
import { Choice, ErrorLine, Key, MainButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import { Assumed } from './Assumed'
import { Comeback } from './Comeback'
import { LookFirst } from './LookFirst'
import { useEarlierJob } from './earlier'
import { comesBackAs, emptyOpening, readOpening, type Opening } from './opening'
import { OpeningForm } from './OpeningForm'

/** The counter: one carburetor, or one bank, is taken in. */
export default function NewJob() {
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const shop = useShop().data
  const { person } = usePerson()
  const from = search.get('earlier') ?? ''
  const [kept, keep] = useDraft(from ? `receive/comeback/${from}` : 'receive/new')
  const touched = kept ? (JSON.parse(kept) as Partial<Opening>) : {}
  const earlier = from || (touched.earlier ?? '')
  const before = useEarlierJob(Number(earlier) || 0).state?.opened
  const typed: Opening = { ...emptyOpening, ...(before ? comesBackAs(before) : {}), ...touched, earlier }
  const [wrong, setWrong] = useState<{ field?: keyof Opening; sentence: string } | null>(null)
  const set = (changes: Partial<Opening>) => {
    setWrong(null)
    keep((now) => JSON.stringify({ ...(now ? (JSON.parse(now) as Partial<Opening>) : {}), ...changes }))
  }
  const known = useCustomers(typed.customer).data?.customers.find(
    (c) => c.customer === typed.customer && c.engine === typed.engine && c.lastReturned !== null,
  )

  const opened = useRef(false)
  const open = () => {
    if (!shop || typed.aircraft === 'yes' || opened.current) return
    const read = readOpening(typed, shop.today)
    if ('sentence' in read) return setWrong(read)
    const job = newId()
    const entry = {
      id: newId(),
      job,
      kind: 'job.opened',
      v: kinds.get('job.opened')!.version,
      data: read.data,
      by: person ?? 'unnamed',
      at: stampNow(),
    }
    const refused = admit(emptyJob(job), entry)
    if (refused) return setWrong({ sentence: refused.sentence })
    // It is on its way: a second tap opens no second job.
    opened.current = true
    keep('')
    enqueue([entry])
    void navigate(`/jobs/${job}/identify`)
  }
  useKeys({ Enter: open, r: () => void navigate('/') })
  return (
    <Page title="receive">
      <Main as="div" style={{ height: '100%' }} $ask={350} $boardFirst>
        <Board
          style={{ overflowY: 'auto' }}
          onKeyDown={(event) =>
            event.key === 'Enter' &&
            !event.defaultPrevented &&
            (event.target as HTMLElement).tagName === 'INPUT' &&
            (event.target as HTMLElement).getAttribute('aria-expanded') !== 'true' &&
            open()
          }
        >
          <OpeningForm typed={typed} set={set} shop={shop} wrong={wrong?.field} focus />
        </Board>
        <Ask aria-label="Open job">
          <LookFirst said={typed} />
          {typed.earlier ? (
            <Comeback number={Number(typed.earlier)} />
          ) : (
            known && (
              <Choice onPress={() => set({ earlier: String(known.lastReturned) })}>
                {known.engine} was returned as {known.lastReturned}. It’s a comeback
              </Choice>
            )
          )}
          {typed.earlier && !from && <Choice onPress={() => set({ earlier: '' })}>Not a comeback</Choice>}
          <Assumed typed={typed} />
          {typed.aircraft === 'yes' && (
            <ErrorLine role="alert">
              Aircraft carburetors are not serviced here. They belong to a certificated repair station. Return
              it unopened.
            </ErrorLine>
          )}
          {wrong && <ErrorLine role="alert">{wrong.sentence}</ErrorLine>}
          <AskFoot>
            <MainButton onPress={open} isDisabled={typed.aircraft === 'yes' || !shop}>
              Open job <Key>Enter</Key>
            </MainButton>
            <Choice
              $on={typed.aircraft === 'yes'}
              aria-pressed={typed.aircraft === 'yes'}
              style={{ flex: '1 1 100%' }}
              onPress={() => set({ aircraft: typed.aircraft === 'yes' ? '' : 'yes' })}
            >
              Aircraft engine
            </Choice>
          </AskFoot>
        </Ask>
      </Main>
      {shop && <AskPerson shop={shop} open={person === null} />}
    </Page>
  )
}
