import {
  jointWords,
  lengthWords,
  torqueWords,
  type FastenerState,
  type Joint,
} from '@ekrond/core/judge/assembly'
import type { Position } from '@ekrond/core/sheets'
import { boxOf, fitted } from '@ekrond/core/unit/drawing'
import { jointPlan, plainFace, type JointPlan } from '@ekrond/core/unit/families'
import { capital } from '@ekrond/core/base/words'
import { useMemo, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { scaleOf, Text } from '../../drawing'
import { CutLine } from '../../drawing/CutLine'
import { pathOf, type View } from '../../drawing/Pieces'
import { Ask, AskFoot } from '../../shell/frame'
import { Answer, Button, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import { figures, narrow } from '../../theme/global'
import type { SheetedProps } from '../withSheets'

const SAYS = {
  started: { title: 'Start each by hand', all: 'started by hand', one: 'Started by hand' },
  finger: { title: 'All finger-tight', all: 'finger-tight', one: 'Finger-tight' },
  final: { title: 'Final, in the cross pattern', all: 'final, in this order', one: 'Final' },
  checked: { title: 'Check each again', all: 'checked again', one: 'Checked again' },
} as const

const WORD: Record<FastenerState, string> = {
  off: 'off',
  started: 'started',
  finger: 'finger-tight',
  final: 'final',
  checked: 'checked again',
  engine: 'left for the engine',
}

const WIDE = 376
const HIGH = 228
const PLAN = { width: WIDE, height: HIGH }

const Plan = styled.div`
  position: relative;
  width: ${WIDE}px;
  max-width: 100%;
  height: ${HIGH}px;
  & > svg {
    position: absolute;
    inset: 0;
  }
`

/** One screw's head: what it looks like says how far it is. */
const Head = styled(AriaButton)<{ $state: FastenerState; $open: boolean; $next: boolean }>`
  position: absolute;
  width: 48px;
  height: 48px;
  margin: -24px 0 0 -24px;
  border-radius: 50%;
  border: ${({ $state, $open }) =>
    $state === 'off'
      ? '2px dashed var(--pencil)'
      : `${$state === 'started' ? 2 : 3}px solid ${$open ? 'var(--blue)' : 'var(--ink)'}`};
  background: ${({ $state, $next }) =>
    $next
      ? 'var(--blue)'
      : $state === 'finger'
        ? 'linear-gradient(0deg, var(--rule) 50%, var(--paper) 50%)'
        : $state === 'final' || $state === 'checked'
          ? 'var(--ink)'
          : 'var(--paper)'};
  color: ${({ $state, $next }) =>
    $next || $state === 'final' || $state === 'checked' ? 'var(--onInk)' : 'var(--ink)'};
  font: 600 17px/1 ${figures};
  cursor: pointer;
  padding: 0;
  &[data-focus-visible] {
    outline: 3px solid var(--blue);
    outline-offset: 2px;
  }
`

/** The face of a joint to scale, with what its gasket goes round, where fuel comes in and where teardown's section is cut. */
function Face({ plan, view }: { plan: JointPlan; view: View }) {
  const scale = scaleOf(view.perMm, view.origin)
  const [x, y] = scale([plan.inlet[0], plan.inlet[1]])
  return (
    <>
      <path d={pathOf(plan.outline, true, view)} fill="none" stroke="var(--line)" strokeWidth={2} />
      {plan.holes.map((line, i) => (
        <path key={i} d={pathOf(line, true, view)} fill="none" stroke="var(--rule)" strokeWidth={1.4} />
      ))}
      {plan.cut && (
        <>
          <CutLine cut={plan.cut} scale={scale} />
          <path d={`M${x - 9} ${y - 6}l9 6l-9 6Z`} fill="var(--ink)" />
          <Text at={[x + 6, y + 5]} size={14}>
            inlet
          </Text>
        </>
      )}
    </>
  )
}

/** A joint's screws one by one: started, finger-tight, final, checked again. A tap turns one, the main key all that this round needs. */
export function JointBench({
  open,
  position,
  joint,
  later,
}: SheetedProps & { position: Position; joint: Joint; later: () => void }) {
  const [wrong, setWrong] = useState('')
  const [slack, setSlack] = useState<string | null>(null)
  const phase = joint.phase ?? 'checked'
  const { title, all, one } = SAYS[phase]
  const count = position.quantity
  const turn = (at: number[], to: Exclude<FastenerState, 'off'>, why = '') => {
    const no = open.add('fastener.turned', { position: position.code, at, to, why })
    setWrong(no?.sentence ?? '')
    if (!no) setSlack(null)
  }
  const go = () => turn(joint.open, phase)
  useKeys({ Enter: slack === null ? go : () => turn(joint.open, 'engine', slack) })
  const lengths = position.fastener?.lengthsMm ?? []
  const isLong = (i: number) => lengths.length > 1 && lengths[i]! > Math.min(...lengths)
  const plan = useMemo(
    () => jointPlan(open.sheets, position) ?? plainFace(position.quantity),
    [open.sheets, position],
  )
  const view = fitted(boxOf([{ line: plan.outline, closed: true, stroke: 'seen' }]), PLAN, 28)
  const torque = torqueWords(position.fastener?.torqueNm)
  return (
    <Ask aria-label="Current step">
      <p>
        {position.name}
        {position.fastener ? ` · ${position.fastener.thread}` : ''} · {jointWords(joint)}
      </p>
      <h2>{count === 1 ? one : title}</h2>
      <Plan>
        <svg width={WIDE} height={HIGH} aria-hidden>
          <Face plan={plan} view={view} />
        </svg>
        {joint.states.map((state, i) => {
          const [x, y] = scaleOf(view.perMm, view.origin)([plan.screws[i]![0], plan.screws[i]![1]])
          const isOpen = joint.open.includes(i)
          return (
            <Head
              key={i}
              $state={state}
              $open={isOpen}
              $next={joint.open[0] === i && phase === 'final'}
              style={{ left: x, top: y }}
              aria-label={`Screw ${i + 1}: ${WORD[state]}`}
              isDisabled={!isOpen}
              onPress={() => turn([i], phase)}
            >
              {state === 'checked' ? '✓' : `${i + 1}${isLong(i) ? 'L' : ''}`}
            </Head>
          )
        })}
      </Plan>
      <Order>
        {phase === 'final' && count > 3
          ? joint.order.map((i) => i + 1).join(' – ')
          : `${joint.open.length} to go`}
        {count > 2 && (
          <small>{plan.cut ? `${plan.seen}, clockwise from the inlet` : 'numbered clockwise'}</small>
        )}
      </Order>
      {(phase === 'started' || phase === 'finger') && lengthWords(position) && (
        <p style={{ fontSize: 17 }}>{lengthWords(position)}</p>
      )}
      {phase === 'final' && <Answer style={{ fontSize: 19 }}>{`${capital(torque)}.`}</Answer>}
      {phase === 'checked' && (
        <p style={{ fontSize: 17 }}>The first ones loosen as the last ones compress the gasket.</p>
      )}
      {slack !== null && (
        <div>
          <Label>Left loose on purpose: why? It is printed on the card.</Label>
          <FieldInput
            autoFocus
            aria-label="Why it is left loose"
            placeholder="until the hose is routed"
            value={slack}
            onChange={(event) => setSlack(event.target.value)}
          />
        </div>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        {slack === null ? (
          <>
            <MainButton onPress={go}>
              {count === 1 ? one : `${whole(joint.open.length, count)} ${all}`} <Key>Enter</Key>
            </MainButton>
            <QuietButton onPress={() => setSlack('')}>Left for the engine</QuietButton>
            <QuietButton onPress={later}>Later</QuietButton>
          </>
        ) : (
          <>
            <MainButton onPress={() => turn(joint.open, 'engine', slack)}>
              Leave it loose <Key>Enter</Key>
            </MainButton>
            <Button onPress={() => setSlack(null)}>No</Button>
          </>
        )}
      </AskFoot>
    </Ask>
  )
}

const Order = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
  font: 500 17px/1.3 ${figures};
  & > small {
    font: 400 15px/1.3 ${narrow};
    color: var(--pencil);
  }
`

const whole = (left: number, count: number) =>
  left < count ? (left === 1 ? 'The last one' : `The other ${left}`) : count === 2 ? 'Both' : `All ${count}`
