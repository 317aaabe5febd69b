import { Button as AriaButton, Input as AriaInput } from 'react-aria-components'
import styled, { css } from 'styled-components'
import { figures, narrow } from '../theme/global'

/** The one thing to press: ink on the sheet. */
const pressable = css`
  min-height: 44px;
  padding: 0 18px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  background: var(--paper);
  color: var(--ink);
  font-weight: 600;
  font-size: 17px;
  text-align: left;
  display: inline-flex;
  align-items: center;
  gap: 12px;
  cursor: pointer;
  &[data-hovered] {
    background: var(--tint);
  }
  &[data-pressed] {
    transform: translateY(1px);
  }
  &[data-disabled] {
    border-color: var(--rule);
    color: var(--pencil);
    cursor: default;
  }
`

export const Button = styled(AriaButton)`
  ${pressable}
`

export const MainButton = styled(AriaButton)`
  ${pressable}
  background: var(--ink);
  color: var(--onInk);
  min-height: 56px;
  justify-content: flex-start;
  &[data-hovered] {
    background: color-mix(in srgb, var(--ink) 88%, var(--blue));
  }
  &[data-disabled] {
    background: var(--board);
    border-color: var(--rule);
    color: var(--pencil);
  }
`

export const QuietButton = styled(AriaButton)`
  min-height: 44px;
  padding: 0 8px;
  border: 0;
  background: none;
  color: var(--ink);
  font-size: 15px;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 4px;
  cursor: pointer;
  display: inline-flex;
  align-items: center;
  gap: 8px;
  &[data-hovered] {
    text-decoration-color: var(--ink);
  }
  &[data-disabled] {
    color: var(--pencil);
    text-decoration: none;
    cursor: default;
  }
`

/** A choice among a few, large enough for gloves. */
export const Choice = styled(AriaButton)<{ $on?: boolean; $late?: boolean }>`
  min-height: 48px;
  padding: 6px 12px;
  border: ${({ $on }) => ($on ? 2 : 1)}px solid ${({ $on }) => ($on ? 'var(--ink)' : 'var(--line)')};
  border-radius: 2px;
  background: ${({ $on }) => ($on ? 'var(--ink)' : 'var(--paper)')};
  color: ${({ $on }) => ($on ? 'var(--onInk)' : 'var(--ink)')};
  font-weight: 600;
  font-size: 16px;
  text-align: left;
  cursor: pointer;
  display: flex;
  align-items: center;
  gap: 8px;
  &[data-hovered] {
    border-color: var(--ink);
  }
`

export const Key = styled.kbd`
  font-family: ${figures};
  font-size: 13px;
  font-weight: 400;
  padding: 2px 7px;
  border: 1px solid currentColor;
  border-radius: 2px;
`

export const Label = styled.span`
  display: block;
  font: 500 15px/1.3 ${narrow};
  color: var(--pencil);
  letter-spacing: 0.01em;
`

/** A label that heads its part of the column, for whoever goes by headings. */
export const LabelHeading = styled(Label).attrs({ as: 'h2' })`
  && {
    font: 500 15px/1.3 ${narrow};
  }
`

/** The field that is typed into: large figures over a blue line. */
export const ReadingInput = styled(AriaInput)`
  width: 100%;
  min-width: 0;
  border: 0;
  background: none;
  padding: 0;
  min-height: 44px;
  font: 400 52px/1.15 ${figures};
  letter-spacing: -0.03em;
  color: var(--pencil);
  outline: none;
  &::placeholder {
    color: var(--line);
  }
`

export const FieldInput = styled.input`
  width: 100%;
  min-height: 44px;
  padding: 4px 2px;
  border: 0;
  border-bottom: 1.5px solid var(--line);
  background: transparent;
  font-size: 17px;
  &:focus {
    outline: none;
    border-bottom: 3px solid var(--blue);
    margin-bottom: -1.5px;
  }
  &::placeholder {
    color: var(--pencil);
    opacity: 0.75;
  }
`

export const FieldSelect = styled.select`
  width: 100%;
  min-height: 44px;
  border: 0;
  border-bottom: 1.5px solid var(--line);
  background: var(--paper);
  font-size: 17px;
  &:focus {
    outline: none;
    border-bottom: 3px solid var(--blue);
    margin-bottom: -1.5px;
  }
`

export const ErrorLine = styled.p`
  color: var(--red);
  font-size: 16px;
  font-weight: 500;
  line-height: 1.35;
`

/** What must be changed, boxed in red. */
export const RedBox = styled.div<{ $tight?: boolean }>`
  border: 2px solid var(--red);
  padding: ${({ $tight }) => ($tight ? 8 : 12)}px 14px;
  font-size: 18px;
  font-weight: 600;
  line-height: 1.35;
  & small {
    display: block;
    font-size: 15px;
    font-weight: 400;
    color: var(--pencil);
    margin-top: 2px;
  }
`

export const Answer = styled.p`
  font-size: 21px;
  line-height: 1.35;
  font-weight: 600;
  & em {
    font-style: normal;
    color: var(--red);
  }
`

const FRACTION = /(\d+)\/(\d+)/g

/** Mixed numbers as the trade writes them, with the face's own fractions. */
export function Fraction({ text }: { text: string }) {
  const parts: React.ReactNode[] = []
  let last = 0
  for (const match of text.matchAll(FRACTION)) {
    parts.push(text.slice(last, match.index).replace(/(\d) $/, '$1\u2009'))
    parts.push(
      <span className="frac" key={match.index}>
        {match[0]}
      </span>,
    )
    last = match.index + match[0].length
  }
  parts.push(text.slice(last))
  return <>{parts}</>
}

export function Tick({ size = 14 }: { size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 14 14"
      role="img"
      aria-label="in"
      style={{ display: 'inline-block', verticalAlign: '-1px' }}
    >
      <path d="M2 7.5 5.5 11 12 3" fill="none" stroke="currentColor" strokeWidth="2.2" />
    </svg>
  )
}
