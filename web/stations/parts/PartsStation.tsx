import { addDays } from '@ekrond/core/base/days'
import { enterOrder } from '@ekrond/core/bench/entering'
import { bodyKey } from '@ekrond/core/log'
import { foundWith } from '@ekrond/core/judge/findings'
import { conditionOf } from '@ekrond/core/sheets'
import { allNeeds, jobNeeds } from '@ekrond/core/plan/needs'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { useMarket } from '../../data/library'
import { useShop } from '../../data/shop'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { sayDate, sayDay, sayMoney } from '../../ui/dates'
import { OnStrip } from '../../shell/OnStrip'
import { figures } from '../../theme/global'
import { ErrorLine, Key, Label, MainButton, RedBox } from '../../ui'
import { useKeys } from '../../ui/keys'
import { withSheets, type SheetedProps } from '../withSheets'
import { Layout } from './KitLayout'
import { ByHand } from './ByHand'
import { Needs } from './Needs'
import { plan, layOut, nameOf, describe, unlisted } from './covers'

const Plan = styled.button<{ $on: boolean }>`
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 0 22px;
  text-align: left;
  padding: 9px 12px;
  border: ${({ $on }) => ($on ? '2px solid var(--ink)' : '1px solid var(--line)')};
  background: ${({ $on }) => ($on ? 'var(--tint)' : 'var(--paper)')};
  cursor: pointer;
  min-height: 58px;
  font-size: 17px;
  font-weight: 600;
  & > span {
    font: 500 18px/1.4 ${figures};
    letter-spacing: -0.03em;
  }
  & > small {
    grid-column: 1 / -1;
    font-size: 15px;
    font-weight: 400;
    color: var(--pencil);
  }
`

export default withSheets('match', Parts)

const countOf = (needs: number): string => (needs === 1 ? 'one need' : `${needs} needs`)

function Parts({ open }: SheetedProps) {
  const { state, sheets } = open
  const navigate = useNavigate()
  const shop = useShop().data
  const market = useMarket()
  const needs = jobNeeds(state, sheets, open.body)
  // One parcel covers the whole bank.
  const openNeeds = allNeeds(state, open.all).filter((need) => need.standing === 'open')
  const waiting = state.orders.filter((order) => !order.arrived)
  const [chosen, setChosen] = useState(0)
  const [wrong, setWrong] = useState('')
  const needKey = JSON.stringify(openNeeds.map((n) => [n.body, n.position, n.part, n.quantity]))
  const plans = useMemo(() => (market.data ? plan(openNeeds, market.data) : null), [market.data, needKey]) // oxlint-disable-line react-hooks/exhaustive-deps -- the key holds the needs
  const picked = plans?.covers[Math.min(chosen, plans.covers.length - 1)]
  const exponent = shop?.currency.exponent ?? 2
  const today = shop?.today ?? ''

  const orderIt = () => {
    setWrong('')
    if (waiting.length > 0) {
      const no = open.addAll(
        waiting.map((order) => ({ kind: 'order.arrived' as const, data: { order: order.entry } })),
      )
      return setWrong(no?.sentence ?? '')
    }
    if (openNeeds.length === 0) return void navigate(open.to('build'))
    if (!picked || !market.data) return
    const no = open.add('order.placed', enterOrder(picked, market.data, today))
    setWrong(no?.sentence ?? '')
  }
  useKeys({
    Enter: orderIt,
    ArrowDown: () => setChosen((n) => Math.min(n + 1, (plans?.covers.length ?? 1) - 1)),
    ArrowUp: () => setChosen((n) => Math.max(0, n - 1)),
  })

  const orderedKit = state.orders.flatMap((o) => o.lines).find((line) => line.what === 'kit')?.code
  const kitCode = picked && openNeeds.length ? picked.kits[0]?.code : orderedKit
  const kit = market.data?.kits.find((k) => k.code === kitCode)
  const layout = kit && market.data ? layOut(kit, market.data, sheets, needs) : null
  const old = (position: string): string => {
    const found = foundWith(open.here.findings[position])
    const kind = sheets.build.positions.find(({ code }) => code === position)?.kind
    return found && kind && found.ruled !== 'reuse' ? (conditionOf(kind, found.condition)?.label ?? '') : ''
  }
  const choices = layout?.choices.filter((choice) => choice.tell).slice(0, 2) ?? []

  return (
    <>
      <OnStrip>
        <Needs needs={needs} />
      </OnStrip>
      <Main $ask={424}>
        <Board>
          <BoardTitle>
            <div>
              <h1>
                {kit
                  ? `${kit.name.split(',')[0]} laid out for ${sheets.spec.listNumber}`
                  : needs.length
                    ? 'Loose parts and shelf'
                    : 'Nothing is needed'}
              </h1>
              <p>solid: fits, with its place · dashed: the old one, or left over</p>
            </div>
          </BoardTitle>
          <BoardDrawing>
            {market.isError ? (
              <ErrorLine>{market.error.message}</ErrorLine>
            ) : (
              market.data && (
                <Layout
                  layout={layout}
                  cover={openNeeds.length ? picked : undefined}
                  needs={needs}
                  market={market.data}
                  sheets={sheets}
                  old={old}
                />
              )
            )}
          </BoardDrawing>
        </Board>
        <Ask aria-label="How to cover the needs">
          <Label>
            {open.bodies > 1 ? `${countOf(openNeeds.length)} of the whole bank open` : countOf(needs.length)}
          </Label>
          {needs.length === 0 ? (
            <p style={{ fontSize: 18 }}>
              Needs come from teardown findings and from the parts that are replaced as routine.
            </p>
          ) : openNeeds.length === 0 ? (
            <>
              <h2>
                {waiting.length
                  ? `On its way, ${sayDate(
                      waiting
                        .map((o) => o.arrives)
                        .sort()
                        .at(-1)!,
                    )}.`
                  : 'Everything is here.'}
              </h2>
              {state.orders.map((order) => (
                <div key={order.entry} style={{ borderTop: '1px solid var(--rule)', paddingTop: 8 }}>
                  {order.lines.map((line) => (
                    <p key={line.code} style={{ display: 'flex', justifyContent: 'space-between' }}>
                      <span>
                        {line.quantity} × {line.code}
                        {line.supplier
                          ? `, ${market.data?.suppliers.find((s) => s.code === line.supplier)?.name ?? line.supplier}`
                          : ', shelf'}
                      </span>
                      <span className="figures">
                        {line.priceMinor ? sayMoney(line.priceMinor * line.quantity, exponent) : ''}
                      </span>
                    </p>
                  ))}
                  <p style={{ fontWeight: 600, marginTop: 4 }}>
                    {order.arrived ? 'arrived' : `arrives ${sayDate(order.arrives)}`} ·{' '}
                    <span className="figures">{sayMoney(order.totalMinor, exponent)}</span> with shipping
                  </p>
                </div>
              ))}
            </>
          ) : (
            <>
              <h2>
                {!picked
                  ? 'Calculating …'
                  : picked.gives.length > 0
                    ? nameOf(picked)
                    : 'No supplier sells any of these.'}
              </h2>
              {plans?.covers
                .filter(({ gives }) => gives.length > 0)
                .map((cover, i) => (
                  <Plan key={i} $on={i === chosen} onClick={() => setChosen(i)} aria-pressed={i === chosen}>
                    {i === 0
                      ? 'Cheapest'
                      : cover.kits.length + cover.singles.length === 0
                        ? 'Nothing to order'
                        : `${plans.covers[0]!.arrivalDays - cover.arrivalDays} day${plans.covers[0]!.arrivalDays - cover.arrivalDays === 1 ? '' : 's'} sooner`}
                    <span>{sayMoney(cover.costMinor, exponent)}</span>
                    <span>
                      {cover.arrivalDays
                        ? sayDay(addDays(today || '2026-01-01', cover.arrivalDays))
                        : 'today'}
                    </span>
                    <small>
                      {describe(cover, market.data!)}
                      {cover.unmet.length
                        ? `. Not covered: ${cover.unmet.map((code) => openNeeds.find((n) => bodyKey(n.body, n.position) === code)?.name.toLowerCase() ?? code).join(', ')}`
                        : ''}
                    </small>
                  </Plan>
                ))}
            </>
          )}
          <ByHand open={open} needs={openNeeds.filter((need) => unlisted(need, market.data))} />
          {choices.map((choice) => (
            <RedBox key={choice.take} style={{ fontSize: 16, padding: '8px 12px' }}>
              {choice.name}: take {choice.take}, not {choice.not.join(' or ')}.
              <small>Look for {choice.tell}.</small>
            </RedBox>
          ))}
          {state.opened &&
            today &&
            picked &&
            openNeeds.length > 0 &&
            addDays(today, picked.arrivalDays) > state.opened.promise && (
              <ErrorLine>That is after the promised day, {sayDate(state.opened.promise)}.</ErrorLine>
            )}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          <AskFoot>
            <MainButton
              onPress={orderIt}
              isDisabled={
                openNeeds.length > 0 && waiting.length === 0 && !(picked && picked.gives.length > 0)
              }
            >
              {waiting.length
                ? 'Arrived'
                : openNeeds.length
                  ? picked && picked.kits.length + picked.singles.length === 0
                    ? 'Take from shelf'
                    : 'Order parts'
                  : 'Start assembly'}{' '}
              <Key>Enter</Key>
            </MainButton>
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}
