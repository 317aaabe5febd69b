import { sideOf } from '@ekrond/core/log'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { Photos } from './Photos'

const Pair = styled.section`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  padding: 16px 24px;
  margin: 0 auto;
  max-width: 760px;
  width: 100%;
  background: var(--paper);
  border: 1px solid var(--line);
  & h2 {
    font-size: 18px;
    margin: 0 0 8px;
  }
  @media print {
    display: none;
  }
`

/** As it came and as it goes back, side by side in pictures. */
export function BeforeAfter({ open }: { open: OpenJob }) {
  return (
    <Pair aria-label="Photographs, before and after">
      <div>
        <h2>As found</h2>
        {open.here.photos.some(({ step }) => sideOf(step) === 'as it came') ? (
          <Photos
            open={open}
            step="asfound"
            shown={({ step }) => sideOf(step) === 'as it came'}
            label=""
            take={false}
          />
        ) : (
          <p>No photograph was taken.</p>
        )}
      </div>
      <div>
        <h2>As left</h2>
        <Photos
          open={open}
          step="left"
          shown={({ step }) => sideOf(step) === 'as left'}
          label=""
          take={!open.state.returned && !open.state.closed}
        />
      </div>
    </Pair>
  )
}
