import styled from 'styled-components'
import { narrow } from '../theme/global'
import { DAYS } from './hang'

export const RackColumns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  min-height: 100%;
  @media (max-width: 999px) {
    grid-template-columns: minmax(0, 1fr);
  }
`

export const Days = styled.div`
  display: grid;
  grid-template-columns: 104px repeat(${DAYS + 2}, minmax(0, 1fr));
  border-bottom: 1.5px solid var(--ink);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
  & > span {
    font: 500 16px/1.2 ${narrow};
    padding: 10px 0 7px;
    text-align: center;
    border-left: 1px solid var(--rule);
  }
  & > span:first-child {
    color: var(--pencil);
    font-size: 15px;
    text-align: left;
    padding-left: 20px;
    border: 0;
  }
  & > .today {
    font-weight: 600;
  }
  @media (max-width: 999px) {
    display: none;
  }
`

export const Lane = styled.section`
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  border-bottom: 1px solid var(--rule);
  min-height: 30px;
  & > h2 {
    font: 500 18px/1.2 ${narrow};
    padding: 5px 4px 0 20px;
  }
  & > h2 > small {
    color: var(--pencil);
    font-size: 16px;
    margin-left: 8px;
  }
  & > h2 > a {
    display: block;
    font-size: 15px;
    padding: 4px 0;
  }
  & > ul {
    display: grid;
    grid-template-columns: repeat(${DAYS + 2}, minmax(0, 1fr));
    gap: 3px 0;
    padding: 2px 0;
    background: repeating-linear-gradient(
      to right,
      var(--rule) 0 1px,
      transparent 1px calc(100% / ${DAYS + 2})
    );
  }
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
    min-height: 0;
    & > h2 {
      padding: 10px 16px 0;
    }
    & > ul {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      padding: 8px 16px 12px;
      background: none;
    }
  }
`

/** Days on which the shop is shut, and the line of now, behind all lanes. */
export const Behind = styled.div`
  position: absolute;
  inset: 0 0 0 104px;
  pointer-events: none;
  & > i {
    position: absolute;
    top: 0;
    bottom: 0;
    width: calc(100% / ${DAYS + 2});
    background: repeating-linear-gradient(-45deg, var(--hatch) 0 1px, transparent 1px 9px);
    opacity: 0.5;
  }
  & > b {
    position: absolute;
    top: 0;
    bottom: 0;
    border-left: 2.5px solid var(--ink);
  }
  @media (max-width: 999px) {
    display: none;
  }
`

export const Filters = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: stretch;
  border-bottom: 1px solid var(--rule);
  min-height: 46px;
  & > select {
    min-height: 46px;
    border: 0;
    border-right: 1px solid var(--rule);
    background: var(--paper);
    padding: 0 14px;
    font-size: 16px;
    max-width: 250px;
  }
  & > button {
    border: 0;
    border-right: 1px solid var(--rule);
    min-height: 46px;
    font-weight: 500;
  }
  @media print {
    display: none;
  }
`
