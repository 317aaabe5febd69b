import styled from 'styled-components'
import { Choice } from '../ui'
import { say, type Heard } from '../data/hub'

const Box = styled.details`
  font-size: 15px;
  & > summary {
    min-height: 44px;
    display: flex;
    align-items: center;
    cursor: pointer;
    color: var(--pencil);
  }
  & > div {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
  }
`

/** What an instrument does on request, as it says itself: the demo's simulated ones pump, leak and fail. */
export function Simulated({ one }: { one: Heard }) {
  if (one.does.length === 0) return null
  return (
    <Box>
      <summary>{one.name} is simulated. What should it do?</summary>
      <div role="group" aria-label={`What ${one.name} does`}>
        {one.does.map((what) => (
          <Choice key={what} onPress={() => say(one.name, what)}>
            {what}
          </Choice>
        ))}
      </div>
    </Box>
  )
}
