import styled from 'styled-components'

/** Things beside each other that wrap where there is no room. */
export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
`
