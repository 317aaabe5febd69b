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
    border-style: dashed;
    color: var(--pencil);
  }
  & > .either {
    border: 2.6px solid var(--blue);
    font-size: 16px;
    line-height: 1.1;
  }
  & > .run {
    border-style: dashed;
    min-width: 56px;
    color: var(--pencil);
  }
`

/** A mark as it stands on the casting: one box a character. */
export function MarkBoxes({ text }: { text: string }) {
  const tokens = readMark(text)
  if (isRefusal(tokens)) return <Row aria-hidden />
  return (
    <Row aria-hidden>
      {tokens.map((token, i) => (
        <span key={i} className={token.kind}>
          {token.kind === 'unreadable'
            ? '?'
            : token.kind === 'run'
              ? '…'
              : token.symbols.map((s) => <div key={s}>{ALPHABET[s]}</div>)}
        </span>
      ))}
    </Row>
  )
}
