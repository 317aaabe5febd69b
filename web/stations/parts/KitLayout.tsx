import type { MarketAnswer } from '@ekrond/contract/library'
import { bodyKey } from '@ekrond/core/log'
import type { JobNeed } from '@ekrond/core/plan/needs'
import { broken, WORD_PX } from '@ekrond/core/unit/drawing'
import type { Cover, KitLayout, Laid } from '@ekrond/core/plan/kits'
import { partKinds, type PartKind, type Sheets } from '@ekrond/core/sheets'
import { Balloon, Drawing, Leader, Text, type Point } from '../../drawing'
import { OwnPart } from '../../drawing/OwnPart'
import { GasketShape, gasketPoints } from '../../drawing/GasketShape'
import { Hatchings } from '../../drawing/Pieces'
import { useSize } from '../../drawing/sheet'

/** The board as it is divided: on the shop computer, and where there is less room. */
const ROOMY = {
  W: 790,
  H: 556,
  gasket: 158,
  words: 27,
  smallX: 440,
  cell: 112,
  letters: 16,
  over: { columns: 3, most: 9, width: 258 },
}
const NARROW: typeof ROOMY = {
  W: 560,
  H: 560,
  gasket: 104,
  words: 17,
  smallX: 272,
  cell: 90,
  letters: 13,
  over: { columns: 2, most: 6, width: 268 },
}
const NARROW_PX = 640
/** Small parts stand at one scale, px a mm, smaller only where a cell would not hold them. */
const PER_MM = 5
const MOST_TALL = 152
/** A few loose parts have the board for themselves. */
const FEW = 6
const OVER_ROW = 44

/** What is written beside a part, in lines of so many letters. */
const linesOf = (name: string, letters: number): string[] =>
  broken(name.toLowerCase(), WORD_PX, (letters * WORD_PX) / 2)

/** What goes in with its place and the old one beside it, what stays over with the reason, what the kit lacks. */
export function Layout(props: LayoutProps) {
  const [box, { width }] = useSize<HTMLDivElement>()
  return (
    <div ref={box} style={{ width: '100%', height: '100%' }}>
      <Laying {...props} board={width > 0 && width < NARROW_PX ? NARROW : ROOMY} />
    </div>
  )
}

interface LayoutProps {
  layout: KitLayout | null
  cover: Cover | undefined
  needs: readonly JobNeed[]
  market: MarketAnswer
  sheets: Sheets
  /** how the old one was found, by position; empty where nobody judged it */
  old: (position: string) => string
}

function Laying({ board, layout, cover, needs, market, sheets, old }: LayoutProps & { board: typeof ROOMY }) {
  const { W, H } = board
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
  const all = [...goes, ...loose]
  const gaskets = all.filter((laid) => drawingOf(laid.part).startsWith('gasket'))
  const small = all.filter((laid) => !gaskets.includes(laid))
  const over = layout?.staysOver ?? []
  const overRows = Math.max(1, Math.ceil(Math.min(over.length, board.over.most) / board.over.columns))
  const overTop = layout ? H - 40 - overRows * OVER_ROW : H
  const split = layout ? overTop - 14 : H
  const choose = new Set(layout?.choices.filter((c) => c.tell).map((c) => c.take))
  const few = gaskets.length === 0 && small.length <= FEW
  const columns = gaskets.length > 0 || few ? 3 : Math.floor((W - 30) / board.cell)
  const wide = few ? (W - 60) / 3 / board.cell : 1
  const shown = small.slice(0, gaskets.length ? 9 : 18)
  const cell = Math.min(MOST_TALL * wide, (split - 30) / Math.max(1, Math.ceil(shown.length / columns)))
  return (
    <Drawing
      width={W}
      height={H}
      title={`Fits: ${all.map((l) => `${l.name} ${l.part}`).join(', ') || 'nothing'}. Left over: ${over.map((l) => `${l.name} ${l.part}, ${l.reason}`).join('; ') || 'nothing'}.`}
    >
      <Hatchings />
      <rect x={2} y={8} width={W - 4} height={split - 8} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      <Text at={[16, 32]} size={15} colour="pencil">{`FITS: ${all.length}`}</Text>
      {gaskets.slice(0, 3).map((laid, i) => (
        <Gasket
          key={laid.part}
          laid={laid}
          drawing={drawingOf(laid.part)}
          at={[18, 46 + (i * (split - 52)) / Math.max(gaskets.length, 2)]}
          telling={choose.has(laid.part)}
          board={board}
        />
      ))}
      {shown.map((laid, i) => (
        <Fitting
          key={`${laid.part} ${laid.position}`}
          laid={laid}
          kind={kindOf(laid.part)}
          sheets={sheets}
          number={numberOf(laid.position)}
          old={laid.position ? old(laid.position) : ''}
          size={[board.cell * wide, cell]}
          letters={board.letters * wide}
          perMm={PER_MM * wide}
          at={[
            (gaskets.length ? board.smallX : 24) + (i % columns) * (board.cell * wide + 4),
            22 + Math.floor(i / columns) * cell,
          ]}
        />
      ))}
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
          {over.slice(0, board.over.most).map((laid, i) => (
            <Over
              key={laid.part}
              laid={laid}
              kind={kindOf(laid.part)}
              drawing={drawingOf(laid.part)}
              like={sheets.build.positions.find(({ kind }) => kind === kindOf(laid.part))?.code}
              sheets={sheets}
              at={[
                18 + (i % board.over.columns) * board.over.width,
                overTop + 30 + Math.floor(i / board.over.columns) * OVER_ROW,
              ]}
            />
          ))}
        </>
      )}
    </Drawing>
  )
}

/** A gasket from above, and what tells it from its look-alikes with a leader to it. */
function Gasket({
  laid,
  drawing,
  at: [x, y],
  telling,
  board,
}: {
  laid: Laid
  drawing: string
  at: Point
  telling: boolean
  board: typeof ROOMY
}) {
  const bores = /bore/i.test(laid.tell)
  const width = /two-bore/.test(drawing) ? board.gasket : board.gasket * 0.64
  const point = telling ? gasketPoints(drawing, width)?.[bores ? 'bore' : 'small'] : undefined
  const words: Point = [x + width + 20, y + 18]
  const name = linesOf(laid.reason, board.words)
  const under = words[1] + 24 + name.length * 18
  return (
    <g>
      <GasketShape
        drawing={drawing}
        at={[x, y]}
        width={width}
        mark={telling ? (bores ? 'bores' : 'small') : null}
      />
      <Text at={words} size={17} face="figures" weight={600}>
        {laid.part}
      </Text>
      {name.map((line, i) => (
        <Text key={line} at={[words[0], words[1] + 20 + i * 18]} size={15}>
          {line}
        </Text>
      ))}
      {laid.tell && telling && point && (
        <>
          <Leader to={[x + point[0], y + point[1]]} from={[words[0] - 4, under]} colour="red" />
          {linesOf(laid.tell, board.words).map((line, i) => (
            <Text key={line} at={[words[0], under + 5 + i * 18]} colour="red" weight={600}>
              {line}
            </Text>
          ))}
        </>
      )}
      {laid.tell && !telling && (
        <Text at={[words[0], under + 2]} size={15} colour="pencil">
          {laid.tell}
        </Text>
      )}
    </g>
  )
}

/** A small part as this unit has it, the old one dashed beside it where somebody found it so. */
function Fitting({
  laid,
  kind,
  sheets,
  number,
  old,
  size: [width, height],
  perMm,
  letters,
  at: [x, y],
}: {
  laid: Laid
  kind: PartKind
  sheets: Sheets
  number: number
  old: string
  size: Point
  perMm: number
  letters: number
  at: Point
}) {
  const lines = linesOf(laid.name.split(',')[0]!, letters).slice(0, 2)
  const room = height - 16 * (lines.length + 1 + (old ? 1 : 0)) - 12
  const middle = y + room / 2 + 4
  const under = y + room + 22
  return (
    <g>
      {old && (
        <OwnPart
          sheets={sheets}
          code={laid.position}
          kind={kind}
          at={[x + width * 0.2, middle]}
          room={[width * 0.38, room]}
          perMm={perMm}
          mode="over"
        />
      )}
      <OwnPart
        sheets={sheets}
        code={laid.position}
        kind={kind}
        at={[x + width * (old ? 0.61 : 0.4), middle]}
        room={[width * (old ? 0.38 : 0.7), room]}
        perMm={perMm}
      />
      <Balloon at={[x + width - 14, y + 14]} number={number} />
      {lines.map((line, i) => (
        <Text key={line} at={[x, under + i * 16]} size={15}>
          {line}
        </Text>
      ))}
      <Text at={[x, under + lines.length * 16]} size={14} face="figures" colour="pencil">
        {laid.part}
      </Text>
      {old && (
        <Text at={[x, under + (lines.length + 1) * 16]} size={14} colour="pencil">
          {`old: ${old.toLowerCase()}`}
        </Text>
      )}
    </g>
  )
}

/** One that stays in its bag, and whose it is. */
function Over({
  laid,
  kind,
  drawing,
  like,
  sheets,
  at: [x, y],
}: {
  laid: Laid
  kind: PartKind
  drawing: string
  /** the position of this unit whose outline is like it */
  like: string | undefined
  sheets: Sheets
  at: Point
}) {
  return (
    <g>
      {drawing.startsWith('gasket') ? (
        <GasketShape drawing={drawing} at={[x, y]} width={/two-bore/.test(drawing) ? 58 : 40} mode="over" />
      ) : (
        <OwnPart
          sheets={sheets}
          code={like}
          kind={kind}
          at={[x + 29, y + 17]}
          room={[44, 34]}
          perMm={PER_MM}
          mode="over"
        />
      )}
      <Text at={[x + 68, y + 14]} size={15}>
        {`${laid.name.toLowerCase()} ${laid.part}`}
      </Text>
      <Text at={[x + 68, y + 31]} size={14} colour="pencil">
        {laid.reason}
      </Text>
    </g>
  )
}
