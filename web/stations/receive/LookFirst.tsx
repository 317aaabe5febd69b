import type { Tests } from '@ekrond/core/diagnose/complaint'
import type { Sheets } from '@ekrond/core/sheets'
import { firstCauses, type FirstLook } from '@ekrond/core/diagnose/why'
import { useMemo } from 'react'
import styled from 'styled-components'
import { figures } from '../../theme/global'

const List = styled.ol`
  display: grid;
  & > li {
    border-bottom: 1px solid var(--rule);
    padding: 5px 0 6px;
    display: grid;
    grid-template-columns: 50px 1fr;
  }
  & b {
    font-size: 16px;
    line-height: 1.25;
  }
  & i {
    font: 500 17px/1.25 ${figures};
    letter-spacing: -0.04em;
  }
  & small {
    grid-column: 2;
    font-size: 15px;
    line-height: 1.3;
    color: var(--pencil);
  }
`

export interface SaidAtCounter {
  symptom: string
  band: string
  temperature: string
  when: string
}

/** Where to look first, by what was said and tested, before anything is opened. */
export const suspectsOf = (said: SaidAtCounter, tests: Tests, sheets: Sheets | undefined): FirstLook[] =>
  firstCauses(
    {
      symptom: said.symptom,
      band: said.band || 'everywhere',
      temperature: said.temperature || 'both',
      when: said.when || 'any time',
    },
    tests,
    sheets,
  )

export function LookFirst({ said }: { said: SaidAtCounter }) {
  const { symptom, band, temperature, when } = said
  const suspects = useMemo(
    () => suspectsOf({ symptom, band, temperature, when }, {}, undefined),
    [symptom, band, temperature, when],
  )
  return (
    <div>
      <h2>Look here first</h2>
      {suspects.length === 0 && (
        <p style={{ color: 'var(--pencil)' }}>
          {said.symptom ? 'No complaint: check everything in order.' : 'Choose the complaint.'}
        </p>
      )}
      <List>
        {suspects.map((suspect) => (
          <li key={suspect.code}>
            <i>{Math.round(suspect.p * 100)} %</i>
            <b>{suspect.finding}</b>
            <small>{suspect.look}</small>
          </li>
        ))}
      </List>
    </div>
  )
}
