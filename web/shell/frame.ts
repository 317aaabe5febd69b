import styled from 'styled-components'
import { figures, narrow } from '../theme/global'

const NARROW = '@media (max-width: 999px)'
/** A tablet: the drawing gets what the rest can spare. */
const MIDDLE = '@media (min-width: 1000px) and (max-width: 1180px)'

/** The drawing's border: everything stands inside it, always in the same place. */
export const Frame = styled.div<{ $bar?: boolean }>`
  height: 100vh;
  min-height: 680px;
  padding: 10px;
  ${MIDDLE} {
    padding: 6px;
  }
  & > div {
    height: 100%;
    border: 2px solid var(--ink);
    background: var(--paper);
    display: grid;
    grid-template-rows: auto minmax(0, 1fr) 136px;
    grid-template-columns: ${({ $bar }) => ($bar ? '68px minmax(0, 1fr)' : 'minmax(0, 1fr)')};
    & > *:not(:first-child) {
      grid-column: -2;
    }
  }
  ${NARROW} {
    height: auto;
    padding: 0;
    & > div {
      grid-template-rows: ${({ $bar }) => ($bar ? 'auto auto auto auto' : 'auto auto auto')};
      grid-template-columns: minmax(0, 1fr);
      border-width: 0;
    }
  }
  @media print {
    height: auto;
    padding: 0;
    & > div {
      display: block;
      border: 0;
    }
  }
`

export const Zones = styled.nav`
  display: flex;
  border-bottom: 2px solid var(--ink);
  ${NARROW} {
    overflow-x: auto;
    position: sticky;
    top: 0;
    background: var(--paper);
    z-index: 1;
  }
  @media print {
    display: none;
  }
`

export const Zone = styled.a<{ $here: boolean }>`
  flex: 1 1 0;
  min-width: 96px;
  white-space: nowrap;
  min-height: 50px;
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 10px;
  border-right: 1px solid var(--rule);
  text-decoration: none;
  font: 600 16px/1 ${narrow};
  background: ${({ $here }) => ($here ? 'var(--ink)' : 'transparent')};
  color: ${({ $here }) => ($here ? 'var(--onInk)' : 'var(--ink)')};
  &:last-child {
    border-right: 0;
  }
  ${MIDDLE} {
    min-width: 80px;
    padding: 0 6px;
    gap: 6px;
  }
  & > span:last-child {
    margin-left: auto;
    font: 400 14px ${figures};
    opacity: 0.8;
    ${MIDDLE} {
      display: none;
    }
  }
  /* After Esc the next digit goes to a station: its key stands out. */
  body[data-zones] & > span:last-child {
    padding: 4px 7px;
    background: var(--blue);
    color: var(--paper);
    opacity: 1;
    display: inline;
  }
  &:focus-visible {
    outline-offset: -4px;
  }
`

/** Drawing on the left, the one thing asked on the right. */
export const Main = styled.main<{
  $ask?: number
  /** what fills the left is what is asked: on a narrow screen it comes first */
  $boardFirst?: boolean
}>`
  display: grid;
  grid-template-columns: minmax(0, 1fr) ${({ $ask }) => $ask ?? 460}px;
  min-height: 0;
  ${MIDDLE} {
    grid-template-columns: minmax(0, 1fr) ${({ $ask }) => Math.min($ask ?? 460, 408)}px;
  }
  ${NARROW} {
    display: flex;
    flex-direction: ${({ $boardFirst }) => ($boardFirst ? 'column' : 'column-reverse')};
  }
  @media print {
    display: block;
  }
`

export const Board = styled.section`
  position: relative;
  padding: 16px 20px 12px 24px;
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  ${NARROW} {
    min-height: 420px;
    padding: 14px 16px;
  }
`

export const BoardTitle = styled.header`
  display: flex;
  align-items: flex-start;
  gap: 16px;
  & h1 {
    font: 500 20px/1.3 ${narrow};
  }
  & p {
    font: 400 15px/1.3 ${narrow};
    color: var(--pencil);
  }
  & > div:last-child:not(:first-child) {
    margin-left: auto;
  }
`

export const BoardDrawing = styled.div`
  flex: 1;
  min-height: 0;
  ${NARROW} {
    min-height: 360px;
  }
`

/** The column on the right; `$tight` draws it together where the number pad is up. */
export const Ask = styled.section<{ $tight?: boolean }>`
  border-left: 1px solid var(--ink);
  padding: ${({ $tight }) => ($tight ? '6px 24px 8px' : '16px 24px')};
  display: flex;
  flex-direction: column;
  gap: ${({ $tight }) => ($tight ? 4 : 10)}px;
  min-height: 0;
  overflow-y: auto;
  & h2 {
    font-size: 24px;
    font-weight: 600;
    line-height: 1.2;
  }
  ${MIDDLE} {
    padding: ${({ $tight }) => ($tight ? '6px 18px 8px' : '10px 18px 16px')};
    gap: ${({ $tight }) => ($tight ? 4 : 7)}px;
  }
  ${NARROW} {
    border-left: 0;
    border-bottom: 2px solid var(--ink);
    padding: ${({ $tight }) => ($tight ? '6px 16px 8px' : '16px')};
  }
`

export const AskFoot = styled.div`
  margin: auto 0 -16px;
  padding: 8px 0 16px;
  position: sticky;
  bottom: -16px;
  background: var(--paper);
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  & > button:first-child {
    flex: 1 1 auto;
  }
`

export const Foot = styled.footer`
  grid-row: 3;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 520px;
  ${MIDDLE} {
    grid-template-columns: minmax(0, 1fr) 440px;
  }
  border-top: 2px solid var(--ink);
  min-height: 0;
  /* On a phone what is asked comes first: this stands under it. */
  ${NARROW} {
    grid-row: auto;
    grid-template-columns: minmax(0, 1fr);
  }
  @media print {
    display: none;
  }
`

export const Strip = styled.div`
  overflow-x: auto;
  overflow-y: hidden;
  display: flex;
  min-width: 0;
`

export const StripCell = styled.div<{ $here?: boolean }>`
  flex: 1 1 0;
  min-width: 70px;
  padding: 8px 6px 6px;
  border-right: 1px solid var(--rule);
  border-top: 4px solid ${({ $here }) => ($here ? 'var(--blue)' : 'transparent')};
  background: ${({ $here }) => ($here ? 'var(--tint)' : 'transparent')};
  font-size: 15px;
  line-height: 1.4;
  overflow: hidden;
  & > b {
    display: block;
    font-weight: 600;
    overflow-wrap: anywhere;
  }
`

export const TitleBlock = styled.dl`
  border-left: 2px solid var(--ink);
  display: grid;
  grid-template-columns: 1fr 1.1fr 1.1fr;
  grid-template-rows: minmax(0, 1fr) minmax(0, 1fr);
  min-height: 0;
  ${NARROW} {
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
  & > div {
    padding: 5px 12px;
    border-right: 1px solid var(--rule);
    min-width: 0;
    overflow: hidden;
  }
  & > div:nth-child(3n) {
    border-right: 0;
  }
  & > div:nth-child(-n + 3) {
    border-bottom: 1px solid var(--rule);
  }
  & dt {
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
  }
  & dd {
    font-size: 16px;
    font-weight: 600;
    line-height: 1.2;
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
  }
  & dd.number {
    font: 600 19px/1.2 ${figures};
    letter-spacing: -0.03em;
  }
`

export const AskHead = styled.div`
  display: flex;
  align-items: center;
  gap: 4px;
  margin: -8px 0 -8px;
  min-height: 44px;
  & > :first-child {
    flex: 1;
  }
`

/** A row under the stations: the bodies of a bank, or where the job was left. */
export const UnderZones = styled.div`
  display: flex;
  align-items: stretch;
  min-height: 46px;
  border-bottom: 1px solid var(--ink);
  & > * {
    border-right: 1px solid var(--rule);
  }
  & > .rest {
    flex: 1;
    min-width: 0;
    display: flex;
    border: 0;
  }
  & .wide {
    flex: 1;
    min-width: 0;
    padding: 6px 16px;
    display: flex;
    align-items: center;
    gap: 14px;
    font-weight: 600;
    font-size: 17px;
    line-height: 1.25;
  }
  ${NARROW} {
    flex-wrap: wrap;
    & > .rest {
      flex: 1 1 100%;
      flex-wrap: wrap;
      border-top: 1px solid var(--rule);
    }
    & .wide {
      flex: 1 1 300px;
    }
    & .rest > a {
      min-height: 44px;
    }
  }
  @media print {
    display: none;
  }
`
