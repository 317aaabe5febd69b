import { quantities } from '@ekrond/core/measure/instruments'
import { figure } from '@ekrond/core/measure'
import { useState } from 'react'
import styled from 'styled-components'
import { Columns } from '../shell/Columns'
import { Page } from '../shell/Page'
import { ails, useTicking } from './TakenFrom'
import { figures } from '../theme/global'
import { Choice, ErrorLine, FieldInput, FieldSelect, Label, MainButton } from '../ui'
import { useHeard } from '../data/hub'
import { attachSerial, serialOf } from '../data/serial'
import { Simulated } from './Simulated'

const Gauges = styled.ul`
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  border-top: 1px solid var(--rule);
  border-left: 1px solid var(--rule);
  & > li {
    padding: 12px 14px;
    border-right: 1px solid var(--rule);
    border-bottom: 1px solid var(--rule);
    min-width: 0;
  }
  & b {
    font-weight: 600;
  }
  & p.figure {
    font: 400 32px/1.2 ${figures};
    letter-spacing: -0.04em;
  }
`

/** The instruments of this bench as they write, and how another one is joined. */
export default function InstrumentsPage() {
  const all = useHeard()
  const now = useTicking()
  return (
    <Page title="instruments">
      <Columns $side={380}>
        <section aria-label="At this bench">
          <h2>At this bench</h2>
          {all.length === 0 ? (
            <p>
              No instrument is connected yet. Type readings, or connect one: it fills them in with <b>+</b>.
            </p>
          ) : (
            <Gauges>
              {all.map((one) => (
                <li key={one.name}>
                  <b>{one.name}</b>
                  <p className="figure">
                    {one.value === null || one.quantity === null
                      ? '·'
                      : `${figure(one.value, one.quantity === 'length' ? 2 : 1)} `}
                    <span style={{ fontSize: 16, color: 'var(--pencil)' }}>
                      {one.quantity ? quantities[one.quantity] : ''}
                    </span>
                  </p>
                  <Label>writes {one.line || 'nothing yet'}</Label>
                  {ails(one, now) && <ErrorLine>{ails(one, now)}</ErrorLine>}
                  <Simulated one={one} />
                </li>
              ))}
            </Gauges>
          )}
        </section>
        <section aria-label="Connect another">
          <h2>Connect another</h2>
          <p style={{ fontSize: 16, lineHeight: 1.45 }}>
            Anything that sends a value and its unit on one line, <b>37.8 kPa</b>, can be connected: over the
            network, through a serial port of this computer, or as a keyboard that types into the active
            field.
          </p>
          <Serial />
          <Label as="p">
            Over the network: a WebSocket to this address, /api/bench/1?instrument=NAME, one line a reading.
            Units: kPa, mbar, psi, inHg, mmHg, mm, in, g, oz, mL, mL/min, s, A, V, ohm, rpm, °C.
          </Label>
        </section>
      </Columns>
    </Page>
  )
}

function Serial() {
  const [name, setName] = useState('')
  const [rate, setRate] = useState('9600')
  const [wrong, setWrong] = useState('')
  if (!serialOf())
    return (
      <p style={{ fontSize: 16 }}>
        This browser cannot open a serial port. Connect it over the network, or as a keyboard.
      </p>
    )
  const attach = async () => {
    if (!name.trim()) return setWrong('Give it a name first, such as what its label says.')
    setWrong(await attachSerial(name.trim(), Number(rate)))
  }
  return (
    <div style={{ display: 'grid', gap: 10 }}>
      <label>
        <Label>Name</Label>
        <FieldInput value={name} onChange={(event) => setName(event.target.value)} />
      </label>
      <label>
        <Label>Baud rate</Label>
        <FieldSelect value={rate} onChange={(event) => setRate(event.target.value)}>
          {['1200', '2400', '4800', '9600', '19200', '38400', '57600', '115200'].map((one) => (
            <option key={one}>{one}</option>
          ))}
        </FieldSelect>
      </label>
      <MainButton onPress={() => void attach()}>Choose serial port …</MainButton>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <Choice onPress={() => window.history.back()}>Back to the job</Choice>
    </div>
  )
}
