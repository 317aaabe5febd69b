import styled from 'styled-components'
import { narrow } from '../theme/global'

/** A sheet in columns, what is told on the left and what is asked on the right; on a narrow screen one under the other. */
export const Columns = styled.div<{
  /** width of what is asked, px */
  $side?: number
  /** other columns than those two */
  $columns?: string
  /** on a narrow screen what is asked comes first */
  $askFirst?: boolean
}>`
  display: grid;
  grid-template-columns: ${({ $columns, $side }) => $columns ?? `minmax(0, 1fr) ${$side ?? 430}px`};
  min-height: 100%;
  & > section {
    padding: 16px 24px 28px;
    display: grid;
    gap: 12px;
    align-content: start;
    min-width: 0;
  }
  & > section + section {
    border-left: 1px solid var(--ink);
  }
  & h2 {
    font: 500 20px/1.3 ${narrow};
  }
  @media (max-width: 999px) {
    display: flex;
    flex-direction: ${({ $askFirst }) => ($askFirst ? 'column-reverse' : 'column')};
    & > section + section {
      border-left: 0;
      border-top: ${({ $askFirst }) => ($askFirst ? '0' : '1px solid var(--ink)')};
      border-bottom: ${({ $askFirst }) => ($askFirst ? '1px solid var(--ink)' : '0')};
    }
  }
`
