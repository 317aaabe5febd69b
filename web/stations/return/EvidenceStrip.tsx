import { claimsOf, claimsOfJob, countsOf } from '@ekrond/core/claims'
import styled from 'styled-components'
import { StripCell } from '../../shell/frame'
import { figures, narrow } from '../../theme/global'
import type { SheetedProps } from '../withSheets'
import { MarkAt } from '../../drawing/ClaimMark'

const Cell = styled(StripCell)`
  flex: 1 0 auto;
  padding: 8px 5px 6px;
  min-width: 48px;
  & > h3 {
    font: 600 15px/1.3 ${narrow};
    white-space: nowrap;
  }
  & > p {
    font: 500 15px/1.3 ${figures};
    letter-spacing: -0.06em;
    white-space: nowrap;
  }
`
const PITCH = 2.8

/** Everything that has to be shown, kind by kind: a graduation each, those that are not settled hang below. */
export function EvidenceStrip({ open }: SheetedProps) {
  const counts = countsOf([
    ...claimsOf(open.state, open.sheets, open.body, open.known),
    ...claimsOfJob(open.state),
  ])
  return counts.map(({ name, claims, settled }) => {
    const all = settled === claims.length
    const colour = all
      ? 'var(--ink)'
      : claims.some(({ state }) => state === 'void' || state === 'contradicted')
        ? 'var(--red)'
        : 'var(--blue)'
    const width = Math.max(22, claims.length * PITCH + 10)
    // What hangs below needs room of its own: the first ones do.
    const faults = claims.flatMap((claim, i) => (claim.state === 'shown' ? [] : [{ claim, i }]))
    const hung = faults.filter(({ i }, n) => n === 0 || i - faults[n - 1]!.i > 3)
    return (
      <Cell key={name}>
        <h3 style={{ color: colour }}>{name}</h3>
        <p style={{ color: colour }} aria-label={`${name}: ${settled} of ${claims.length} settled`}>
          {settled} of {claims.length}
        </p>
        <svg width={width} height={38} viewBox={`0 0 ${width} 38`} aria-hidden style={{ display: 'block' }}>
          <path d={`M2 20H${4 + claims.length * PITCH}`} stroke="var(--ink)" strokeWidth={1} />
          {claims.map((claim, i) => (
            <path
              key={claim.id}
              d={`M${5 + i * PITCH} 20V5`}
              stroke={
                claim.state === 'shown'
                  ? 'var(--green)'
                  : claim.state === 'open'
                    ? 'var(--blue)'
                    : 'var(--red)'
              }
              strokeWidth={claim.state === 'shown' ? 2.2 : 1.3}
            />
          ))}
          {hung.map(({ claim, i }) => (
            <MarkAt key={claim.id} state={claim.state} x={5 + i * PITCH} y={29} r={6} />
          ))}
        </svg>
      </Cell>
    )
  })
}
