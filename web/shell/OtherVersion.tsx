import styled from 'styled-components'
import { useOtherVersion } from '../data/version'
import { MainButton } from '../ui'

const Bar = styled.p`
  position: fixed;
  z-index: 5;
  right: 16px;
  bottom: 150px;
  background: var(--paper);
  border: 2px solid var(--blue);
  padding: 8px 8px 8px 16px;
  display: flex;
  align-items: center;
  gap: 14px;
  font-weight: 600;
  @media print {
    display: none;
  }
`

/** The server was given another version while this window was open: what is typed stays, the next load has it. */
export function OtherVersion() {
  const other = useOtherVersion()
  if (!other) return null
  return (
    <Bar role="status">
      Ekrond was updated. Nothing you entered is lost.
      <MainButton onPress={() => location.reload()}>Reload</MainButton>
    </Bar>
  )
}
