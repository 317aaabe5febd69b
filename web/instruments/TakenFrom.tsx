import { quantities, type Quantity } from '@ekrond/core/measure/instruments'
import { figure } from '@ekrond/core/measure'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { chooseInstrument, chosenOf, SILENT_MS, UNREAD_LINES, useHeard, type Heard } from '../data/hub'
import { figures } from '../theme/global'
import { ErrorLine } from '../ui'

const Row = styled.div`
  display: flex;
  align-items: baseline;
  gap: 10px;
  font-size: 15px;
  & > select {
    min-height: 44px;
    border: 0;
    border-bottom: 1.5px solid var(--line);
    background: var(--paper);
    font-size: 16px;
    flex: 1;
    min-width: 0;
  }
  & > b {
    font: 400 20px ${figures};
    letter-spacing: -0.03em;
  }
  & > a {
    padding: 10px 0;
    text-underline-offset: 4px;
  }
`

/** How an instrument fares, in words; empty where it speaks. */
export function ails(one: Heard | null, now: number): string {
  if (!one) return ''
  if (now - one.spokeAt > SILENT_MS)
    return `${one.name} has sent nothing for ${Math.round((now - one.spokeAt) / 1000)} s. Check its cable. Readings so far are kept.`
  if (one.unread >= UNREAD_LINES)
    return `${one.name} sends “${one.line.slice(0, 20)}”, which is not a reading. Set it to send a value and a unit, such as 37.8 kPa.`
  return ''
}

/** The clock twice a second, for what falls silent. */
export function useTicking(): number {
  const [now, setNow] = useState(() => performance.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), 500)
    return () => clearInterval(timer)
  }, [])
  return now
}

/** The instrument that a reading is taken from, what it shows now, and whether it speaks. */
export function TakenFrom({ quantity, purpose }: { quantity: Quantity; purpose: string }) {
  const all = useHeard()
  const now = useTicking()
  const fit = all.filter((one) => one.quantity === quantity)
  const one = chosenOf(all, quantity, purpose)
  if (!one)
    return (
      <Row>
        <span style={{ color: 'var(--pencil)' }}>No instrument for this is connected. Type the reading.</span>
        <Link to="/instruments">Instruments</Link>
      </Row>
    )
  const wrong = ails(one, now)
  return (
    <>
      <Row>
        <select
          aria-label="Instrument"
          value={one.name}
          onChange={(event) => chooseInstrument(quantity, purpose, event.target.value)}
        >
          {fit.map(({ name }) => (
            <option key={name}>{name}</option>
          ))}
        </select>
        <b>{one.value === null ? '·' : `${figure(one.value, 1)} ${quantities[quantity]}`}</b>
        <Link to="/instruments">all</Link>
      </Row>
      {wrong && <ErrorLine>{wrong}</ErrorLine>}
    </>
  )
}
