import { bodyNumbers, bodyOf } from '@ekrond/core/log'
import { stationStates } from '@ekrond/core/bench/stations'
import type { StationName } from '@ekrond/core/base/stations'
import { useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { narrow } from '../theme/global'
import { QuietButton } from '../ui'
import { BankGrid } from './BankGrid'
import { UnderZones } from './frame'
import { StateShape, STATE_WORDS } from './StateShape'

const Body = styled(Link)<{ $here: boolean }>`
  min-width: 96px;
  min-height: 44px;
  padding: 0 16px;
  display: flex;
  align-items: center;
  gap: 9px;
  font: 600 16px/1 ${narrow};
  text-decoration: none;
  background: ${({ $here }) => ($here ? 'var(--tint)' : 'none')};
  box-shadow: ${({ $here }) => ($here ? 'inset 0 -4px 0 var(--blue)' : 'none')};
  @media (max-width: 699px) {
    flex: 1 1 0;
    min-width: min-content;
    padding: 0 8px;
    white-space: nowrap;
  }
`

/**
 * The bodies of a bank at one station, so that none goes untouched: each with its state, the one that is worked on marked. What
 * else is to be said under the zones comes in the rest of the bar.
 */
export function Bodies({ open, station, rest }: { open: OpenJob; station: StationName; rest: ReactNode }) {
  const [grid, setGrid] = useState(false)
  if (open.bodies < 2) return rest && <UnderZones>{rest}</UnderZones>
  return (
    <UnderZones as="nav" aria-label="Carburetors of the bank">
      {bodyNumbers(open.state).map((body) => {
        const state = stationStates(open.state, open.all, body)[station]
        const { ended } = bodyOf(open.state, body)
        return (
          <Body
            key={body}
            to={open.to(station, body)}
            $here={body === open.body}
            aria-current={body === open.body ? 'true' : undefined}
            aria-label={`Carburetor ${body}, ${ended ? ended.why : STATE_WORDS[state]}`}
          >
            {ended ? (
              <s>
                Carburetor {body}, {ended.why}
              </s>
            ) : (
              <>
                <StateShape state={state} /> Carburetor {body}
              </>
            )}
          </Body>
        )
      })}
      <QuietButton onPress={() => setGrid(true)}>All of them, check by check</QuietButton>
      {grid && <BankGrid open={open} close={() => setGrid(false)} />}
      {rest || (
        <span className="wide" style={{ fontWeight: 400, color: 'var(--pencil)', fontSize: 15 }}>
          B: next carburetor
        </span>
      )}
    </UnderZones>
  )
}
