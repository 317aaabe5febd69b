import { complaintWords } from '@ekrond/core/log'
import { storiesOf } from '@ekrond/core/judge/findings'
import { weighFindings } from '@ekrond/core/diagnose/explain'
import { nameOn } from '@ekrond/core/sheets'
import { useMemo } from 'react'
import styled from 'styled-components'
import { Label } from '../../ui'
import { Scrolled } from '../../ui/Scrolled'
import type { SheetedProps } from '../withSheets'

const Lines = styled.ul`
  display: grid;
  gap: 8px;
  font-size: 16px;
  & > li {
    border-left: 3px solid var(--ink);
    padding-left: 10px;
  }
  & > li[data-out] {
    border-color: var(--rule);
    color: var(--pencil);
  }
`
/** Suspects below this share of the complaint are not worth a line. */
const WORTH = 0.06

/** What the findings mean together, and what they leave of the complaint. */
export function Together({ open }: SheetedProps) {
  const { state, sheets, body } = open
  const stories = useMemo(() => storiesOf(state, sheets, body), [state, sheets, body])
  const weighed = useMemo(() => weighFindings(state, sheets, body), [state, sheets, body])
  const shown = weighed
    .filter(({ standing, share }) => share >= (standing === 'found' ? WORTH / 2 : WORTH))
    .slice(0, 5)
  if (stories.length === 0 && shown.length === 0) return null
  return (
    <Scrolled label="What the findings mean together">
      {stories.length > 0 && (
        <Lines>
          {stories.map(({ code, says }) => (
            <li key={code}>
              <b>{says}</b>
            </li>
          ))}
        </Lines>
      )}
      {shown.length > 0 && (
        <>
          <Label style={{ display: 'block', margin: '12px 0 6px' }}>
            The complaint, “{complaintWords(state.opened!.complaint)}”
          </Label>
          <Lines>
            {shown.map(({ code, finding, standing, share, by }) => (
              <li key={code} data-out={standing === 'ruled out' || undefined}>
                {standing === 'found' ? (
                  <b>Found: {by.map((one) => nameOn(sheets, one).toLowerCase()).join(', ')}</b>
                ) : (
                  finding
                )}
                {standing === 'open'
                  ? `, not checked, ${Math.round(share * 100)} %`
                  : standing === 'ruled out'
                    ? ', checked and sound'
                    : ''}
              </li>
            ))}
          </Lines>
        </>
      )}
    </Scrolled>
  )
}
