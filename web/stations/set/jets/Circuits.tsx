import type { JobJets } from '@ekrond/core/plan/jets'
import styled from 'styled-components'
import { narrow } from '../../../theme/global'

const Rows = styled.div`
  display: grid;
  /* As the chart under it: its figures stand left of its frame. */
  grid-template-columns: 56px minmax(0, 1fr) 20px;
  & > b {
    font: 500 15px/24px ${narrow};
    color: var(--pencil);
  }
  & > div {
    position: relative;
    height: 24px;
  }
  & svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  & span {
    position: absolute;
    top: 2px;
    padding: 0 4px;
    font: 500 15px/20px ${narrow};
    background: var(--paper);
    transform: translateX(-50%);
  }
`

const HALF = 9
/** Where its name stands clear of its own shape: where it has the least say. */
const nameAt = (share: readonly number[]): number => {
  const from = share.map((one, i) => ({ one, i })).slice(6, -6)
  return from.reduce((least, next) => (next.one < least.one - 0.02 ? next : least)).i / (share.length - 1)
}

/** Which circuit rules where: each as thick as its hand in the fuel, over the opening. */
export function Circuits({ rules }: { rules: JobJets['rules'] }) {
  return (
    <Rows role="img" aria-label={`Which circuit rules where: ${rules.map(({ name }) => name).join(', ')}.`}>
      {rules.map(({ name, share }, at) => {
        const points = (side: number) =>
          share.map((one, i) => `${(i / (share.length - 1)) * 100},${12 + side * HALF * one}`)
        return (
          <Row key={name} label={at === 0 ? 'rules' : ''}>
            <svg viewBox="0 0 100 24" preserveAspectRatio="none" aria-hidden>
              <path d="M0 12H100" stroke="var(--rule)" vectorEffect="non-scaling-stroke" />
              <polygon
                points={[...points(-1), ...points(1).reverse()].join(' ')}
                fill="var(--ink)"
                fillOpacity="0.85"
              />
            </svg>
            <span style={{ left: `${nameAt(share) * 100}%` }}>{name}</span>
          </Row>
        )
      })}
    </Rows>
  )
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <>
      <b>{label}</b>
      <div>{children}</div>
      <i />
    </>
  )
}
