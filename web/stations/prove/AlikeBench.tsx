import { bankAdvice, leaderOf, turnedSince, turnWords, type Advice } from '@ekrond/core/physics/bank'
import { bodyNumbers } from '@ekrond/core/log'
import { figure } from '@ekrond/core/measure'
import { spreadOf } from '@ekrond/core/judge/proof'
import { columnWords, enterAlike, readAlike } from '@ekrond/core/bench/proving'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import styled from 'styled-components'
import { useDraft } from '../../data/draft'
import { useHeard } from '../../data/hub'
import { figures } from '../../theme/global'
import { Button, Choice, Fraction, Key, Label, QuietButton, RedBox } from '../../ui'
import { onEnter } from '../../ui/keys'
import { BankColumns } from './BankColumns'
import { ProofSheet, type BenchProps } from './ProofSheet'

const Columns = styled.div<{ $n: number }>`
  display: grid;
  grid-template-columns: repeat(${({ $n }) => Math.min($n, 4)}, 1fr);
  border-bottom: 3px solid var(--blue);
  gap: 4px 0;
  & > label {
    padding-left: 8px;
    border-left: 1px solid var(--rule);
    min-width: 0;
  }
  & input {
    width: 100%;
    border: 0;
    background: none;
    font: 400 34px/1.2 ${figures};
    letter-spacing: -0.05em;
    color: var(--pencil);
    outline-offset: 2px;
  }
`

const stepWords = (advice: Advice) =>
  advice.steps
    .map(
      ({ coupler, sixteenths }, i) =>
        `${i === 0 ? 'Turn coupler' : 'then'} ${coupler + 1}–${coupler + 2} ${turnWords(sixteenths)}`,
    )
    .join(', ')

/** A bank read body by body, what to turn so that all read like the one that leads, and the tries coming together. */
export function AlikeBench(props: BenchProps) {
  const { open, proof } = props
  const { state } = open
  const bodies = bodyNumbers(state)
  const sync = proof.code === 'sync'
  const allowed = sync ? proof.limits.syncMbar : proof.limits.alikeMm
  const [text, setText] = useDraft(open.draft('prove', proof.key))
  const [leads, setLeads] = useDraft(open.draft('prove', 'leads'))
  const [missing, setMissing] = useState<number[]>([])
  const [undone, setUndone] = useState(false)
  const typed = bodies.map((_, i) => text.split('|')[i] ?? '')
  const lead = leaderOf(bodies.length, leads)
  const set = (i: number, value: string) => setText(typed.map((one, j) => (j === i ? value : one)).join('|'))
  const columns = useHeard().filter(
    ({ quantity, name }) => quantity === 'pressure' && /column|tube/i.test(name),
  )
  const take = () =>
    setText(
      bodies.map((_, i) => (columns[i]?.value == null ? typed[i]! : columnWords(columns[i].value))).join('|'),
    )
  const readings = typed.map((one) => (one.trim() ? readAlike(proof, one) : null))
  const full = readings.every((one): one is number => one !== null)
  const said = open.here.proven[proof.key] ?? []
  const tries = said.flatMap(({ measured }) => (measured.what === 'alike' ? [measured] : []))
  // What was advised after the try before is what was turned since, unless somebody says that it was not.
  const advised = turnedSince(sync ? tries : [], tries.at(-1)?.lead, bodies.length, missing, false)
  const turned = turnedSince(sync ? tries : [], tries.at(-1)?.lead, bodies.length, missing, undone)
  const entering = full ? enterAlike(proof, readings, lead, allowed, tries.length ? turned : []) : null
  const now = full && readings.every(Number.isFinite) ? readings : (tries.at(-1)?.readings ?? null)
  const advice =
    sync && now && spreadOf(now) > allowed
      ? bankAdvice(full ? [...tries, { readings, turned }] : tries, lead, missing)
      : null
  const told = advice && !isRefusal(advice) ? advice : null
  const again = () => setText('')
  return (
    <ProofSheet
      {...props}
      title="Bank from above, engine side up"
      sub={
        sync
          ? 'carburetor 1 at the left, plates on the stop · below: vacuum in each barrel · red: after the turns'
          : 'carburetor 1 at the left, plates on the stop · below: the gap of each'
      }
      entering={entering}
      again={again}
      logged={again}
      drawing={
        <BankColumns
          readings={now}
          lead={lead}
          allowed={allowed}
          unit={sync ? 'mbar' : 'mm'}
          advice={told}
          missing={missing}
          bodies={bodies.length}
          turn={turnWords}
        />
      }
      advice={
        <>
          {told && told.steps.length > 0 && (
            <RedBox>
              <Fraction text={stepWords(told)} />: spread {figure(spreadOf(now!), 0)} to{' '}
              {figure(told.spread, 0)} mbar.
              <small>
                {told.halfFirst ? 'Effect of a turn not known yet: turn half of it, then read again. ' : ''}
                {told.steps.length > 1
                  ? `${told.steps[0]!.coupler + 1}–${told.steps[0]!.coupler + 2} first: it moves ${told.steps[0]!.carries} as well.`
                  : ''}
                {told.left > allowed
                  ? ` ${figure(told.left, 0)} mbar remains: one carburetor has no coupler of its own.`
                  : ''}
              </small>
            </RedBox>
          )}
          {!sync && now && spreadOf(now) > allowed && (
            <RedBox>
              {`Bring ${[...now.entries()]
                .filter(([i, one]) => Math.abs(one - now[lead]!) > allowed / 2 && i !== lead)
                .map(
                  ([i, one]) =>
                    `carburetor ${i + 1} ${figure(Math.abs(one - now[lead]!), 2)} ${one > now[lead]! ? 'down' : 'up'}`,
                )
                .join(', ')}.`}
              <small>{`to the ${figure(now[lead]!, 2)} of carburetor ${lead + 1}, which leads; couplers or cable, one at a time`}</small>
            </RedBox>
          )}
          {advice && isRefusal(advice) && <p>{advice.refused.why}</p>}
          {tries.length > 0 && (
            <Label>
              Spread over tries:{' '}
              {tries.map(({ readings: one }) => figure(spreadOf(one), sync ? 0 : 2)).join(', ')}, allowed{' '}
              {figure(allowed, sync ? 0 : 2)}
            </Label>
          )}
          <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
            <Choice
              onPress={() => setLeads(String((lead + 1) % bodies.length))}
            >{`Carburetor ${lead + 1} leads`}</Choice>
            {sync &&
              bodies.slice(1).map((_, c) => (
                <Choice
                  key={c}
                  $on={!missing.includes(c)}
                  aria-pressed={!missing.includes(c)}
                  onPress={() =>
                    setMissing((was) => (was.includes(c) ? was.filter((one) => one !== c) : [...was, c]))
                  }
                >
                  {missing.includes(c) ? `no coupler ${c + 1}–${c + 2}` : `${c + 1}–${c + 2}`}
                </Choice>
              ))}
            {tries.length > 0 && advised.some((one) => one !== 0) && (
              <QuietButton onPress={() => setUndone(!undone)}>
                {undone ? 'turned as shown' : 'turned another amount'}
              </QuietButton>
            )}
          </div>
        </>
      }
    >
      {({ enter }) => (
        <>
          <Columns $n={bodies.length}>
            {bodies.map((body, i) => (
              <label key={body}>
                <Label>
                  {body}
                  {i === lead ? ' leads' : ''}
                </Label>
                <input
                  aria-label={`Carburetor ${body}`}
                  inputMode="decimal"
                  autoFocus={i === 0}
                  value={typed[i]}
                  onChange={(event) => set(i, event.target.value)}
                  onKeyDown={(event) => {
                    if (event.key === '+') {
                      event.preventDefault()
                      return take()
                    }
                    const next = event.currentTarget.closest('div')?.querySelectorAll('input')[i + 1]
                    if (event.key === 'Enter' && next && !typed[i + 1]) {
                      event.preventDefault()
                      next.focus()
                    } else onEnter(enter)(event)
                  }}
                />
              </label>
            ))}
          </Columns>
          {sync && columns.length >= bodies.length && (
            <Button onPress={take}>
              From the columns <Key>+</Key>
            </Button>
          )}
        </>
      )}
    </ProofSheet>
  )
}
