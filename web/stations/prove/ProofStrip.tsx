import { proofsOf, proofStanding, testOf, type Proof, type ProofStanding } from '@ekrond/core/judge/proof'
import { bodyNumbers, receivedTests } from '@ekrond/core/log'
import styled from 'styled-components'
import { StripCell } from '../../shell/frame'
import { StateShape } from '../../shell/StateShape'
import { figures, narrow } from '../../theme/global'
import type { SheetedProps } from '../withSheets'

const Cell = styled(StripCell)`
  min-width: 68px;
  padding: 4px 2px 4px 6px;
  border-left: 0;
  text-align: left;
  background: ${({ $here }) => ($here ? 'var(--tint)' : 'none')};
  border-bottom: 0;
  cursor: pointer;
  font: inherit;
  & > * {
    display: block;
    height: 20px;
    font: 400 15px/20px ${figures};
    letter-spacing: -0.07em;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  & > b,
  & > small {
    font: 600 15px/20px ${narrow};
    letter-spacing: 0;
  }
  & > small {
    font-weight: 400;
    color: var(--pencil);
  }
  & > .pencil {
    color: var(--pencil);
  }
  & > .red {
    color: var(--red);
  }
  & > .state {
    height: 22px;
    font: 600 14px/22px ${narrow};
    letter-spacing: 0;
  }
`

const Labels = styled.div`
  flex: 0 0 60px;
  padding: 8px 2px 4px 8px;
  font: 500 15px/20px ${narrow};
  color: var(--pencil);
  & > span {
    display: block;
    height: 20px;
  }
`

/** Proved is stamped. */
const Stamp = styled.span`
  && {
    display: inline-block;
    height: auto;
    padding: 0 5px;
    border: 2px solid var(--green);
    outline: 1px solid var(--green);
    outline-offset: 1px;
    color: var(--green);
    font: 600 14px/15px ${figures};
    letter-spacing: -0.04em;
    transform: rotate(-3deg);
  }
`

/** Every proof with what it wants, how it came in, what it reads now, and where it stands. */
export function ProofStrip({
  open,
  here,
  pick,
}: SheetedProps & { here: string; pick: (key: string) => void }) {
  const subject = { state: open.state, sheets: open.sheets, body: open.body }
  const proofs = proofsOf(subject)
  return (
    <>
      <Labels aria-hidden>
        <span />
        <span />
        <span>target</span>
        <span>found</span>
        <span>now</span>
      </Labels>
      {proofs.map((proof) => {
        const standing = proofStanding(subject, proof)
        const test = receivedTests.find(({ code }) => code === testOf(proof.key))
        const came = test && open.here.tests[test.code]?.result
        return (
          <Cell
            as="button"
            type="button"
            key={proof.key}
            $here={proof.key === here}
            aria-pressed={proof.key === here}
            aria-label={`${proof.name}: target ${proof.wants}, ${said(standing)}`}
            onClick={() => pick(proof.key)}
          >
            <b>{proof.short}</b>
            <small>{proof.unit}</small>
            <span style={{ fontSize: 14 }}>
              {proof.wants
                .replace(' to ', '–')
                .replace(/≤ /, '≤')
                .replace(/^within /, '')}
            </span>
            <span className="pencil">{came === 'good' ? 'good' : came === 'bad' ? 'bad' : '·'}</span>
            <span className={standing.state === 'failed' ? 'red' : ''}>{nowOf(open, proof, standing)}</span>
            <span className="state">
              <StateWords standing={standing} here={proof.key === here} />
            </span>
          </Cell>
        )
      })}
    </>
  )
}

const said = (standing: ProofStanding): string =>
  standing.state === 'void'
    ? `opened since, ${standing.opened}`
    : standing.state === 'short'
      ? `to redo, ${standing.why}`
      : standing.state === 'fitted'
        ? 'can’t test here'
        : standing.state === 'proved'
          ? 'passed'
          : standing.state

function nowOf(open: SheetedProps['open'], proof: Proof, standing: ProofStanding): string {
  if (standing.said) return standing.said.value.replace(/ of 10$/, '')
  if (proof.how === 'ports') {
    const left = Object.values(open.here.ports).filter((port) => port.left).length
    return left ? String(left) : '·'
  }
  return bodyNumbers(open.state).length ? '·' : ''
}

function StateWords({ standing, here }: { standing: ProofStanding; here: boolean }) {
  switch (standing.state) {
    case 'proved':
      return <Stamp>PASSED</Stamp>
    case 'failed':
      return <span style={{ color: 'var(--red)' }}>✕ failed</span>
    case 'short':
    case 'void':
      return (
        <>
          <StateShape state="again" /> again
        </>
      )
    case 'fitted':
      return <>][ can’t test here</>
    case 'not yet':
      return here ? (
        <span style={{ color: 'var(--blue)' }}>▶ now</span>
      ) : (
        <span style={{ color: 'var(--pencil)' }}>○ not yet</span>
      )
  }
}
