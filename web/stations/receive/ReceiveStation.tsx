import { plainNumber } from '@ekrond/core/measure'
import { workSoFar } from '@ekrond/core/log'
import { useMemo, useState } from 'react'
import { useShop } from '../../data/shop'
import { sayInstant, sayMoney } from '../../ui/dates'
import { Ask, AskFoot, Board, Main, StripCell } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { figures } from '../../theme/global'
import {
  Choice,
  ErrorLine,
  FieldInput,
  Key,
  Label,
  LabelHeading,
  MainButton,
  QuietButton,
  Tick,
} from '../../ui'
import { onEnter, useKeys } from '../../ui/keys'
import type { StationProps } from '../../shell/props'
import { Scope } from './Scope'
import { Comeback } from './Comeback'
import { suspectsOf } from './LookFirst'
import { emptyOpening, readOpening, typedFrom, type Opening } from './opening'
import { OpeningForm } from './OpeningForm'

/** What was said at the counter, to be put right where it was wrong, and the estimate. */
export default function ReceiveStation({ open }: StationProps) {
  const { opened } = open.state
  const shop = useShop().data
  const given: Opening = opened ? typedFrom(opened) : emptyOpening
  const [changes, setChanges] = useState<Partial<Opening>>({})
  const [wrong, setWrong] = useState<{ field?: keyof Opening; sentence: string } | null>(null)
  const typed = { ...given, ...changes }
  const changed = (Object.keys(changes) as (keyof Opening)[]).some((field) => changes[field] !== given[field])
  const correct = () => {
    if (!changed || !shop) return
    // A promise that was given and is over stays what it was.
    const read = readOpening(typed, typed.promise === given.promise ? typed.promise : shop.today)
    if ('sentence' in read) return setWrong(read)
    const target = open.standing('job.opened')
    const refused = open.add('job.opened', read.data, target ? { corrects: target.id } : {})
    if (refused) setWrong({ sentence: refused.sentence })
    else setChanges({})
  }
  const closeAircraft = () => {
    const refused = open.add('job.closed', {
      why: 'not serviced',
      words: 'Aircraft engine: referred to a certificated repair station.',
      of: null,
      second: null,
    })
    return refused ? { sentence: refused.sentence } : null
  }
  useKeys({ Enter: correct })
  return (
    <>
      <OnStrip>
        <Suspects open={open} typed={typed} />
      </OnStrip>
      <Main $ask={348} $boardFirst>
        <Board style={{ overflowY: 'auto', paddingTop: 8, paddingBottom: 4 }}>
          <h1 className="visually-hidden">Receive</h1>
          <OpeningForm
            typed={typed}
            shop={shop}
            wrong={wrong?.field}
            set={(more) => {
              setWrong(null)
              setChanges((now) => ({ ...now, ...more }))
            }}
          />
        </Board>
        <Ask style={{ paddingTop: 10, gap: 8 }}>
          {open.state.closed ? (
            <ErrorLine>
              Closed: {open.state.closed.why}. {open.state.closed.words}
            </ErrorLine>
          ) : (
            <>
              <Estimate open={open} />
              {!open.state.returned && <Scope open={open} />}
              {opened?.earlier && <Comeback number={opened.earlier} />}
            </>
          )}
          {wrong && <ErrorLine role="alert">{wrong.sentence}</ErrorLine>}
          <AskFoot>
            <MainButton onPress={correct} isDisabled={!changed}>
              {changed ? 'Save changes' : 'As received'} <Key>Enter</Key>
            </MainButton>
            {open.number !== null && (
              <QuietButton onPress={() => window.open(`/api/jobs/${open.number}/label.pdf`, '_blank')}>
                Label
              </QuietButton>
            )}
            {!open.state.closed && !open.state.returned && (
              <QuietButton onPress={() => setWrong(closeAircraft())}>Aircraft engine: close job</QuietButton>
            )}
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}

function Suspects({ open, typed }: StationProps & { typed: Opening }) {
  const { symptom, band, temperature, when } = typed
  const { tests } = open.here
  const suspects = useMemo(
    () => suspectsOf({ symptom, band, temperature, when }, tests, open.sheets),
    [symptom, band, temperature, when, tests, open.sheets],
  )
  return suspects.length === 0 ? (
    <StripCell style={{ padding: '10px 20px' }}>
      <Label>Look here first</Label>
      <b>No complaint: check everything in order.</b>
    </StripCell>
  ) : (
    suspects.map((suspect, i) => (
      <StripCell key={suspect.code} style={{ minWidth: 168, paddingLeft: i ? 10 : 16 }}>
        <Label>
          {i === 0 ? 'Look here first' : 'then'}, {Math.round(suspect.p * 100)} %
        </Label>
        <b style={{ lineHeight: 1.2 }}>{suspect.finding}</b>
        <span style={{ color: 'var(--pencil)', lineHeight: 1.25, display: 'block' }}>{suspect.look}</span>
      </StripCell>
    ))
  )
}

/** What it will cost, and the customer's yes: work beyond it asks again at the return. */
function Estimate({ open }: StationProps) {
  const shop = useShop().data
  const [amount, setAmount] = useState('')
  const [who, setWho] = useState('')
  const [again, setAgain] = useState(false)
  const [wrong, setWrong] = useState('')
  const { estimate } = open.state
  const exponent = shop?.currency.exponent ?? 2
  const work = workSoFar(open.state)
  const money = (minor: number) => `${sayMoney(minor, exponent)} ${shop?.currency.code ?? ''}`
  const make = () => {
    const value = plainNumber(amount)
    if (!Number.isFinite(value) || value <= 0)
      return setWrong(`“${amount}” is not an amount. Type it as 86.50.`)
    const no = open.add('estimate.made', {
      amountMinor: Math.round(value * 10 ** exponent),
      hourMinor: shop?.hourMinor ?? 0,
      words: '',
    })
    setWrong(no?.sentence ?? '')
    if (!no) {
      setAmount('')
      setAgain(false)
    }
  }
  const answer = (yes: boolean) => setWrong(open.add('estimate.agreed', { yes, who })?.sentence ?? '')
  return (
    <section aria-label="Estimate">
      <LabelHeading>Estimate</LabelHeading>
      {estimate && !again ? (
        <>
          <p style={{ fontWeight: 600 }}>
            <span style={{ fontFamily: figures }}>{money(estimate.amountMinor)}</span>
            {estimate.agreed && (
              <>
                {' '}
                {estimate.agreed.yes ? <Tick /> : ''} {estimate.agreed.yes ? 'yes' : 'no'},{' '}
                {estimate.agreed.who}
                {shop ? `, ${sayInstant(estimate.agreed.at, shop.zone)}` : ''}
              </>
            )}
          </p>
          {work && (
            <p
              style={{
                fontSize: 15,
                color: work.totalMinor > estimate.amountMinor ? 'var(--red)' : 'var(--pencil)',
              }}
            >
              so far {money(work.totalMinor)}: {work.minutes} min at the bench, parts {money(work.partsMinor)}
            </p>
          )}
          {estimate.agreed ? (
            <QuietButton onPress={() => setAgain(true)}>New estimate</QuietButton>
          ) : (
            <div style={{ display: 'grid', gridTemplateColumns: '1fr auto auto', gap: 6 }}>
              <FieldInput
                aria-label="Who agreed"
                placeholder="who agreed?"
                value={who}
                onChange={(event) => setWho(event.target.value)}
                onKeyDown={onEnter(() => answer(true))}
              />
              <Choice onPress={() => answer(true)}>Yes</Choice>
              <Choice onPress={() => answer(false)}>No</Choice>
            </div>
          )}
        </>
      ) : (
        <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6 }}>
          <FieldInput
            aria-label={`Estimate, ${shop?.currency.code ?? ''}`}
            inputMode="decimal"
            placeholder="total cost"
            value={amount}
            onChange={(event) => setAmount(event.target.value)}
            onKeyDown={onEnter(make)}
          />
          <Choice onPress={make}>Estimate</Choice>
        </div>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </section>
  )
}
