import type { MarketAnswer } from '@ekrond/contract/library'
import { bodyKey } from '@ekrond/core/log'
import type { JobNeed } from '@ekrond/core/plan/needs'
import type { Cover, KitLayout, Laid } from '@ekrond/core/plan/kits'
import { partKinds, type PartKind, type Sheets } from '@ekrond/core/sheets'
import { Balloon, Drawing, Text } from '../../drawing'
import { GasketShape, PartShape } from '../../drawing/PartShape'

const W = 790

const H = 530

/** What goes in with its place, what stays over with the reason, what the kit lacks. */
export function Layout({
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
          ? 'from the shelf'
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
      title={`Fits: ${[...goes, ...loose].map((l) => `${l.name} ${l.part}`).join(', ') || 'nothing'}. Left over: ${over.map((l) => `${l.name} ${l.part}, ${l.reason}`).join('; ') || 'nothing'}.`}
    >
      <rect x={2} y={8} width={W - 4} height={split - 8} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      <Text at={[16, 32]} size={15} colour="pencil">{`FITS: ${goes.length + loose.length}`}</Text>
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
          <Text at={[16, overTop + 22]} size={15} colour="pencil">{`LEFT OVER: ${over.length}`}</Text>
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
