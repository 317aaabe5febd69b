import type { MarketAnswer } from '@ekrond/contract/library'
import { partsTable, type PartKind } from '@ekrond/core/sheets'
import styled from 'styled-components'
import { Drawing } from '../drawing'
import { GasketShape } from '../drawing/GasketShape'
import { figures } from '../theme/global'
import { Likeness } from './Likeness'

const Pieces = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  border: 1.5px solid var(--ink);
  padding: 10px 12px 8px;
  & > li {
    display: grid;
    justify-items: center;
    min-width: 76px;
  }
  & b {
    font: 500 14px/1.3 ${figures};
    letter-spacing: -0.04em;
  }
`

const W = 92
const H = 56

const isKind = (kind: string): kind is PartKind => Object.hasOwn(partsTable, kind)

/** What a kit holds as it lies on the bench when it is opened: every piece as it looks, with its number. */
export function KitContents({
  holds,
  parts,
}: {
  holds: readonly { part: string; quantity: number }[]
  parts: MarketAnswer['parts']
}) {
  const known = holds.flatMap(({ part, quantity }) => {
    const one = parts.find((other) => other.part === part)
    return one ? [{ ...one, quantity }] : []
  })
  if (known.length === 0) return null
  return (
    <Pieces aria-label="Contents, drawn">
      {known.map(({ part, name, kind, drawing, quantity }) => (
        <li key={part}>
          {drawing.startsWith('gasket') ? (
            <div style={{ width: W, height: H }}>
              <Drawing width={W} height={H} title={name}>
                <GasketShape
                  drawing={drawing}
                  at={[/two-bore/.test(drawing) ? 4 : 18, 4]}
                  width={/two-bore/.test(drawing) ? 84 : 56}
                />
              </Drawing>
            </div>
          ) : (
            <Likeness kind={isKind(kind) ? kind : 'screw'} width={W} height={H} />
          )}
          <b>
            {quantity > 1 ? `${quantity} × ` : ''}
            {part}
          </b>
        </li>
      ))}
    </Pieces>
  )
}
