import { ALPHABET, readMark } from '@ekrond/core/identify'
import { isRefusal } from '@ekrond/core/base/refusal'
import styled from 'styled-components'
import { figures } from '../../theme/global'

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  flex: none;
  min-height: 46px;
  & > span {
    min-width: 32px;
    @media (min-width: 1000px) and (max-width: 1180px) {
      min-width: 24px;
      padding: 0 2px;
    }
    height: 44px;
    padding: 0 4px;
    border: 1.6px solid var(--ink);
    display: grid;
    place-items: center;
    font: 500 24px/1 ${figures};
  }
  & > .unreadable {
    background: repeating-linear-gradient(45deg, var(--pencil) 0 1.4px, transparent 1.4px 7px);
  }
  & > .either {
    border: 2.6px solid var(--blue);
    font-size: 16px;
    line-height: 1.1;
  }
  & > .run {
    border: 0;
    min-width: 60px;
    background: var(--tint);
    clip-path: polygon(
      0 0,
      100% 0,
      92% 12%,
      100% 26%,
      91% 41%,
      100% 57%,
      92% 73%,
      100% 88%,
      94% 100%,
      0 100%,
      8% 86%,
      0 71%,
      9% 55%,
      0 40%,
      8% 25%,
      0 12%
    );
  }
`

/**
 * A mark as it stands on the casting, a cell a character: hatched where it cannot be read, one above the other where it may be either,
 * a torn strip where several are missing.
 */
export function MarkBoxes({ text }: { text: string }) {
  const tokens = readMark(text)
  if (isRefusal(tokens)) return <Row aria-hidden />
  return (
    <Row aria-hidden>
      {tokens.map((token, i) => (
        <span key={i} className={token.kind}>
          {'symbols' in token && token.symbols.map((s) => <div key={s}>{ALPHABET[s]}</div>)}
        </span>
      ))}
    </Row>
  )
}
