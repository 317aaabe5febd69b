import type { KnownSoFar } from '@ekrond/core/taught'
import { factOf } from '@ekrond/core/sheets'
import { lower } from '@ekrond/core/base/words'
import styled from 'styled-components'
import { narrow } from '../theme/global'
import { Tick } from '../ui'

const Rungs = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-direction: column-reverse;
  & > li {
    display: grid;
    grid-template-columns: 46px minmax(0, 1fr);
    gap: 12px;
    align-items: center;
    min-height: 66px;
    @media (max-width: 1150px) {
      grid-template-columns: 30px minmax(0, 1fr);
      gap: 8px;
    }
    font: 500 16px/1.25 ${narrow};
  }
  & small {
    display: block;
    font: 400 14px/1.3 ${narrow};
    color: var(--pencil);
  }
`

/** One rung between its two rails: dashed while it cannot be stood on. */
const Rail = styled.span<{ $state: 'on' | 'next' | 'off' }>`
  align-self: stretch;
  position: relative;
  border: solid ${({ $state }) => ($state === 'on' ? 'var(--ink)' : 'var(--line)')};
  border-width: 0 2px;
  border-style: ${({ $state }) => ($state === 'on' ? 'solid' : 'dashed')};
  &::before {
    content: '';
    position: absolute;
    left: 0;
    right: 0;
    top: calc(50% - 3px);
    height: 6px;
    border: solid
      ${({ $state }) => ($state === 'on' ? 'var(--ink)' : $state === 'next' ? 'var(--blue)' : 'var(--line)')};
    border-width: 1.5px 0;
    border-style: ${({ $state }) => ($state === 'on' ? 'solid' : 'dashed')};
    background: ${({ $state }) => ($state === 'on' ? 'var(--ink)' : 'transparent')};
  }
  & > i {
    position: absolute;
    left: calc(50% - 12px);
    top: calc(50% - 12px);
    width: 24px;
    height: 24px;
    border-radius: 50%;
    display: grid;
    place-items: center;
    color: var(--onInk);
    background: var(--ink);
  }
`

/** What it lacks in words, the first two. */
function lackWords(missing: readonly string[]): string {
  const names = missing.map((code) =>
    code.startsWith('value:') ? 'a value for the float height' : lower(factOf(code)!.name),
  )
  const shown = names.slice(0, 2).join(', ')
  return names.length > 2 ? `${shown} and ${names.length - 2} more` : shown
}

/** What Ekrond can tell you about this unit, from the ground upward, and what each rung above still needs. */
export function Ladder({ known }: { known: KnownSoFar }) {
  return (
    <Rungs aria-label="What Ekrond can tell you about this unit">
      {known.rungs.map((rung, i) => {
        const state = rung.reached ? 'on' : i === known.at + 1 ? 'next' : 'off'
        return (
          <li key={rung.code} aria-label={`${rung.says}: ${rung.reached ? 'yes' : 'not yet'}`}>
            <Rail $state={state}>
              {rung.reached && (
                <i>
                  <Tick size={14} />
                </i>
              )}
            </Rail>
            <span
              style={
                state === 'next'
                  ? { color: 'var(--blue)' }
                  : state === 'off'
                    ? { color: 'var(--pencil)' }
                    : {}
              }
            >
              {rung.says}
              {rung.own.length > 0 && <small>needs {lackWords(rung.own)}</small>}
            </span>
          </li>
        )
      })}
    </Rungs>
  )
}
