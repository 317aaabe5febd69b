import { figure } from '@ekrond/core/measure'
import type { JobAsked } from '@ekrond/core/plan/jets'
import { useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { figures, narrow } from '../../../theme/global'
import { FieldInput, QuietButton } from '../../../ui'
import type { JetsView } from './useJets'

const Conditions = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 0.8fr) minmax(0, 0.8fr) 76px;
  gap: 0 10px;
  margin-top: -18px;
  align-items: end;
  & > b {
    font: 500 16px/44px ${narrow};
  }
  & > span {
    font: 500 15px/1.2 ${narrow};
    color: var(--pencil);
  }
  & > output {
    font: 500 15px/44px ${figures};
    letter-spacing: -0.04em;
    text-align: right;
  }
`

interface Asking {
  key: string
  from: Exclude<keyof JobAsked, 'vent'>
  to: Exclude<keyof JobAsked, 'vent'>
  words: string
}
/** Another filter or air box, another engine: asked where somebody says so. */
const MORE: readonly Asking[] = [
  { key: 'Air box', from: 'box', to: 'toBox', words: 'Draws, kPa' },
  { key: 'Boost', from: 'boost', to: 'toBoost', words: 'Boost, kPa' },
  { key: 'Engine', from: 'displacement', to: 'toDisplacement', words: 'cm³ a bore' },
]
const ROWS = [
  { key: 'Altitude', from: 'altitude', to: 'toAltitude', words: 'Altitude, m' },
  { key: 'Temperature', from: 'temperature', to: 'toTemperature', words: 'Air, °C' },
  { key: 'Ethanol', from: 'ethanol', to: 'toEthanol', words: 'Ethanol, %' },
] as const satisfies readonly Asking[]

const signed = (share: number): string =>
  `${share > 0 ? '+' : share < 0 ? '−' : ''}${figure(Math.abs(share) * 100, 1)} %`

/** The sheet's conditions and those of now, each with what it alone does wide open. */
export function Asked({ view: { asked, set, refused, jets } }: { view: JetsView }) {
  const field = (key: Exclude<keyof JobAsked, 'vent'>, name: string) => (
    <FieldInput
      aria-label={name}
      inputMode="decimal"
      aria-invalid={refused?.input === key}
      value={asked[key]}
      onChange={(event) => set(key, event.target.value)}
    />
  )
  const [more, setMore] = useState(false)
  const isBox =
    more || asked.box !== '0' || asked.toBox !== '0' || asked.toDisplacement !== '' || asked.toBoost !== '0'
  return (
    <Conditions role="group" aria-label="Conditions">
      {isBox ? (
        <QuietButton
          onPress={() => set('vent', asked.vent === 'inside' ? 'outside' : 'inside')}
          style={{ justifySelf: 'start', padding: '4px 0' }}
        >
          bowl vented {asked.vent}
        </QuietButton>
      ) : (
        <QuietButton onPress={() => setMore(true)} style={{ justifySelf: 'start', padding: '4px 0' }}>
          air box, engine
        </QuietButton>
      )}
      <span>sheet</span>
      <span>now</span>
      <span style={{ textAlign: 'right' }}>at full</span>
      {(isBox ? [...ROWS, ...MORE] : ROWS).map(({ key, from, to, words }) => {
        const one = jets?.changed.find(({ what }) => what === key)
        return (
          <Row key={key} words={words}>
            {field(from, `${key} of the sheet`)}
            {field(to, `${key} now`)}
            <output aria-label={`${key} alone at full`}>{one ? signed(one.full) : '·'}</output>
          </Row>
        )
      })}
      {asked.toDisplacement !== '' && (
        <Row words="Throttle mm, rpm">
          {field('throttle', 'Throttle bore, mm')}
          {field('rpm', 'Speed at full, rpm')}
          <span />
        </Row>
      )}
      {isBox && (
        <p style={{ gridColumn: '1 / -1', fontSize: 15, color: 'var(--pencil)', padding: '6px 0' }}>
          A freer exhaust is not worked out: run it, and read plugs or a probe.
        </p>
      )}
    </Conditions>
  )
}

function Row({ words, children }: { words: string; children: ReactNode }) {
  return (
    <>
      <b>{words}</b>
      {children}
    </>
  )
}
