import type { MarketAnswer } from '@ekrond/contract/library'
import { addDays } from '@ekrond/core/days'
import { enterOrder } from '@ekrond/core/entering'
import { allNeeds, bodyKey, jobNeeds, type JobNeed } from '@ekrond/core/job'
import { coverChoices, layOutKit, shelfOnly, type Cover, type KitLayout, type Laid } from '@ekrond/core/kits'
import { isRefusal } from '@ekrond/core/refusal'
import { partKinds, type PartKind, type Sheets } from '@ekrond/core/sheets'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { useMarket } from '../../data/library'
import { useShop } from '../../data/shop'
import { Balloon, Drawing, Text } from '../../drawing'
import { GasketShape, PartShape } from '../../drawing/PartShape'
import { Ask, AskFoot, Board, BoardDrawing, BoardTitle, Main, StripCell } from '../../shell/frame'
import { sayDate, sayDay, sayMoney } from '../../shell/dates'
import { OnStrip } from '../../shell/OnStrip'
import { figures } from '../../theme/global'
import { ErrorLine, Key, Label, MainButton, RedBox } from '../../ui'
import { useKeys } from '../../ui/keys'
import { withSheets, type SheetedProps } from '../withSheets'

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
  const plans = useMemo(() => (market.data ? plan(openNeeds, market.data) : null), [market.data, needKey]) // eslint-disable-line react-hooks/exhaustive-deps -- the key holds the needs
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
              <p>ink: goes in, with its place · dashed: stays over, with the reason</p>
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
                />
              )
            )}
          </BoardDrawing>
        </Board>
        <Ask aria-label="How the needs are covered">
          <Label>
            {open.bodies > 1 ? `${openNeeds.length} needs of the whole bank open` : `${needs.length} needs`}
            {openNeeds.length && plans ? ` · proven cheapest, ${plans.seconds.toFixed(2)} s` : ''}
          </Label>
          {needs.length === 0 ? (
            <p style={{ fontSize: 18 }}>
              Teardown finds what is needed; what is always renewed comes from the build sheet.
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
                  : 'All of it is here.'}
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
                    {order.arrived ? 'arrived' : `comes ${sayDate(order.arrives)}`} ·{' '}
                    <span className="figures">{sayMoney(order.totalMinor, exponent)}</span> with carriage
                  </p>
                </div>
              ))}
            </>
          ) : (
            <>
              <h2>{picked ? nameOf(picked) : 'Working it out …'}</h2>
              {plans?.covers.map((cover, i) => (
                <Plan key={i} $on={i === chosen} onClick={() => setChosen(i)} aria-pressed={i === chosen}>
                  {i === 0
                    ? 'Cheapest'
                    : cover.kits.length + cover.singles.length === 0
                      ? 'Nothing new'
                      : `${plans.covers[0]!.arrivalDays - cover.arrivalDays} day${plans.covers[0]!.arrivalDays - cover.arrivalDays === 1 ? '' : 's'} sooner`}
                  <span>{sayMoney(cover.costMinor, exponent)}</span>
                  <span>
                    {cover.arrivalDays ? sayDay(addDays(today || '2026-01-01', cover.arrivalDays)) : 'today'}
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
          {choices.map((choice) => (
            <RedBox key={choice.take} style={{ fontSize: 16, padding: '8px 12px' }}>
              {choice.name}: take {choice.take}, not {choice.not.join(' or ')}.
              <small>Tell it by {choice.tell}.</small>
            </RedBox>
          ))}
          {state.opened &&
            today &&
            picked &&
            openNeeds.length > 0 &&
            addDays(today, picked.arrivalDays) > state.opened.promise && (
              <ErrorLine>That is after the day it is promised, {sayDate(state.opened.promise)}.</ErrorLine>
            )}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          <AskFoot>
            <MainButton onPress={orderIt} isDisabled={openNeeds.length > 0 && !picked}>
              {waiting.length
                ? 'It has arrived'
                : openNeeds.length
                  ? picked && picked.kits.length + picked.singles.length === 0
                    ? 'Take it off the shelf'
                    : 'Order this'
                  : 'Put it together'}{' '}
              <Key>Enter</Key>
            </MainButton>
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}

/** The cheapest cover, those that come sooner, and what the shelf alone would do. */
function plan(openNeeds: readonly JobNeed[], market: MarketAnswer): { covers: Cover[]; seconds: number } {
  const needs = openNeeds.map((need) => ({
    id: bodyKey(need.body, need.position),
    accepts: [need.part],
    quantity: need.quantity,
  }))
  const begun = performance.now()
  const covers = coverChoices(needs, market)
  if (isRefusal(covers)) return { covers: [], seconds: 0 }
  const shelf = shelfOnly(needs, market)
  const all = shelf.gives.length ? [...covers, shelf] : covers
  return { covers: all, seconds: (performance.now() - begun) / 1000 }
}

const layOut = (
  kit: MarketAnswer['kits'][number],
  market: MarketAnswer,
  sheets: Sheets,
  needs: readonly JobNeed[],
): KitLayout =>
  layOutKit(
    kit.holds.map((hold) => {
      const part = market.parts.find((p) => p.part === hold.part)
      return {
        part: hold.part,
        quantity: hold.quantity,
        name: part?.name ?? hold.part,
        tell: part?.tell ?? '',
        usedBy: part?.usedBy ?? [],
      }
    }),
    sheets.build,
    needs.map((need) => need.position),
  )

const count = (n: number, word: string) => (n === 1 ? `one ${word}` : `${n} ${word}s`)

function nameOf(cover: Cover): string {
  const parts = [
    cover.kits.length
      ? count(
          cover.kits.reduce((n, k) => n + k.quantity, 0),
          'kit',
        )
      : '',
    cover.singles.length ? count(cover.singles.length, 'loose part') : '',
    cover.gives.some((g) => g.from === 'shelf') ? 'the shelf' : '',
  ].filter(Boolean)
  const text =
    parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? 'nothing')
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`
}

function describe(cover: Cover, market: MarketAnswer): string {
  const supplier = (code: string) => market.suppliers.find((s) => s.code === code)?.name ?? code
  const from = new Map<string, string[]>()
  const put = (code: string, what: string) => from.set(code, [...(from.get(code) ?? []), what])
  for (const kit of cover.kits) put(market.kits.find((k) => k.code === kit.code)!.supplier, `kit ${kit.code}`)
  for (const single of cover.singles)
    put(single.supplier, `${single.quantity > 1 ? `${single.quantity} × ` : ''}${single.part}`)
  const shelf = [...new Set(cover.gives.filter((g) => g.from === 'shelf').map((g) => g.part))]
  return [
    ...[...from].map(([code, what]) => `${what.join(', ')} from ${supplier(code)}`),
    ...(shelf.length ? [`${shelf.join(', ')} off the shelf`] : []),
  ].join('; ')
}

function Needs({ needs }: { needs: readonly JobNeed[] }) {
  if (needs.length === 0)
    return (
      <StripCell style={{ padding: '12px 20px' }}>
        <Label>Needs</Label>
        <b>none yet</b>
      </StripCell>
    )
  const rank = { finding: 0, fuel: 1, always: 2 }
  return [...needs]
    .sort((a, b) => rank[a.kind] - rank[b.kind])
    .map((need) => (
      <StripCell key={need.position} style={{ minWidth: 104, paddingLeft: 12 }}>
        <Label>{need.kind === 'finding' ? 'Need' : need.kind === 'fuel' ? 'Fuel' : 'Always'}</Label>
        <b>{need.name}</b>
        <span style={{ color: 'var(--pencil)' }}>
          {need.standing === 'open' ? need.why.split('.')[0] : need.standing}
        </span>
      </StripCell>
    ))
}

const W = 790
const H = 530

/** What goes in with its place, what stays over with the reason, what the kit lacks. */
function Layout({
  layout,
  cover,
  needs,
  market,
  sheets,
}: {
  layout: KitLayout | null
  cover: Cover | undefined
  needs: readonly JobNeed[]
  market: MarketAnswer
  sheets: Sheets
}) {
  const kindOf = (part: string): PartKind => {
    const kind = market.parts.find((p) => p.part === part)?.kind
    return partKinds.find((k) => k === kind) ?? 'screw'
  }
  const drawingOf = (part: string) => market.parts.find((p) => p.part === part)?.drawing ?? ''
  const numberOf = (code: string | undefined) =>
    code ? sheets.build.positions.findIndex((p) => p.code === code) + 1 : 0
  const loose: Laid[] = needs
    .filter((need) => !layout?.goesIn.some((laid) => laid.position === need.position))
    .map((need) => ({
      part: need.part,
      name: need.name,
      quantity: need.quantity,
      position: need.position,
      tell: '',
      reason:
        cover?.gives.find((g) => g.need === bodyKey(need.body, need.position))?.from === 'shelf'
          ? 'off the shelf'
          : 'own line',
    }))
  const goes = layout?.goesIn ?? []
  const gaskets = goes.filter((laid) => drawingOf(laid.part).startsWith('gasket'))
  const small = [...goes.filter((laid) => !gaskets.includes(laid)), ...loose]
  const over = layout?.staysOver ?? []
  const overTop = 352
  const split = layout ? overTop - 14 : H
  const choose = new Set(layout?.choices.filter((c) => c.tell).map((c) => c.take))
  return (
    <Drawing
      width={W}
      height={H}
      title={`Goes in: ${[...goes, ...loose].map((l) => `${l.name} ${l.part}`).join(', ') || 'nothing'}. Stays over: ${over.map((l) => `${l.name} ${l.part}, ${l.reason}`).join('; ') || 'nothing'}.`}
    >
      <rect x={2} y={8} width={W - 4} height={split - 8} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      <Text at={[16, 32]} size={15} colour="pencil">{`GOES IN: ${goes.length + loose.length}`}</Text>
      {gaskets.slice(0, 3).map((laid, i) => {
        const y = 46 + i * 96
        return (
          <g key={laid.part}>
            <GasketShape
              drawing={drawingOf(laid.part)}
              at={[18, y]}
              width={118}
              mark={choose.has(laid.part)}
            />
            <Text at={[146, y + 22]} size={15} face="figures">
              {laid.part}
            </Text>
            <Text at={[146, y + 42]} size={15}>
              {laid.reason.toLowerCase()}
            </Text>
            {laid.tell && (
              <Text at={[146, y + 61]} size={14} colour={choose.has(laid.part) ? 'red' : 'pencil'}>
                {laid.tell}
              </Text>
            )}
          </g>
        )
      })}
      {small.slice(0, gaskets.length ? 9 : 18).map((laid, i) => {
        const columns = gaskets.length ? 3 : 6
        const [x, y] = [(gaskets.length ? 456 : 70) + (i % columns) * 124, 58 + Math.floor(i / columns) * 92]
        return (
          <g key={`${laid.part} ${laid.position}`}>
            <PartShape kind={kindOf(laid.part)} at={[x, y]} size={32} width={48} />
            <Text at={[x, y + 34]} size={14} anchor="middle">
              {laid.name
                .split(/,| with /)[0]!
                .slice(0, 15)
                .toLowerCase()}
            </Text>
            <Text at={[x, y + 51]} size={14} anchor="middle" face="figures" colour="pencil">
              {laid.part}
            </Text>
            <Balloon at={[x + 40, y - 12]} number={numberOf(laid.position)} />
          </g>
        )
      })}
      {layout && (
        <>
          <rect
            x={2}
            y={overTop}
            width={W - 4}
            height={H - overTop - 4}
            fill="none"
            stroke="var(--line)"
            strokeWidth={1.4}
          />
          <Text at={[16, overTop + 22]} size={15} colour="pencil">{`STAYS OVER: ${over.length}`}</Text>
          {over.slice(0, 9).map((laid, i) => {
            const [x, y] = [18 + (i % 3) * 258, overTop + 34 + Math.floor(i / 3) * 46]
            const gasket = drawingOf(laid.part).startsWith('gasket')
            return (
              <g key={laid.part}>
                {gasket ? (
                  <GasketShape drawing={drawingOf(laid.part)} at={[x, y]} width={56} mode="over" />
                ) : (
                  <PartShape
                    kind={kindOf(laid.part)}
                    at={[x + 28, y + 17]}
                    size={24}
                    width={34}
                    mode="over"
                  />
                )}
                <Text
                  at={[x + 66, y + 15]}
                  size={14}
                >{`${laid.name.toLowerCase().slice(0, 14)} ${laid.part}`}</Text>
                <Text at={[x + 66, y + 32]} size={14} colour="pencil">
                  {laid.reason}
                </Text>
              </g>
            )
          })}
        </>
      )}
    </Drawing>
  )
}
