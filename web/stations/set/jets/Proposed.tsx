import { figure } from '@ekrond/core/measure'
import type { JobJets } from '@ekrond/core/plan/jets'
import { nameOn } from '@ekrond/core/sheets'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useShop } from '../../../data/shop'
import { figures, narrow } from '../../../theme/global'
import { Answer, ErrorLine, FieldInput, Label, QuietButton, RedBox } from '../../../ui'
import { sayMoney } from '../../../ui/dates'
import type { SheetedOpen } from '../../withSheets'
import type { JetsView } from './useJets'

const Change = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 12px;
  align-items: baseline;
  font-size: 18px;
  font-weight: 600;
  & > span:last-child {
    font: 500 15px/1.3 ${narrow};
    color: var(--pencil);
  }
  & s {
    font: 400 17px ${figures};
    color: var(--pencil);
  }
  & em {
    font: 600 18px ${figures};
    letter-spacing: -0.03em;
    color: var(--red);
  }
`

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
`

const WHERE = {
  drawer: 'in the drawer',
  supplier: 'order it',
  'opened for good': 'opened: for good',
} as const

/** What to change, how sure it is, and what it is done for. */
export function Proposed({ view, jets, open }: { view: JetsView; jets: JobJets; open: SheetedOpen }) {
  const {
    changes,
    dangerous,
    inside,
    tryAndRead,
    isBlind,
    measureNext,
    learned,
    assumedSizes,
    screw,
    fights,
    others,
    changed,
  } = jets
  const exponent = useShop().data?.currency.exponent ?? 2
  const chosen = Object.entries(open.here.chosen)
  return (
    <>
      {dangerous && (
        <RedBox role="alert" $tight>
          Too lean for full load as it is: it burns holes. No load before the jets are changed.
        </RedBox>
      )}
      <Answer aria-live="polite" style={{ fontSize: 19, lineHeight: 1.25 }}>
        <b>
          {changes.length > 0
            ? inside
              ? 'Within limits at every opening.'
              : view.anyPicked
                ? 'Not within limits everywhere.'
                : 'The nearest to be had: not within limits everywhere.'
            : changed.length === 0
              ? 'Nothing changed: the sheet’s jets are right.'
              : inside
                ? 'The sheet’s jets stay.'
                : 'None of these sizes is better than the sheet’s.'}
        </b>
      </Answer>
      {changes.length > 0 && (
        <List aria-label="To change">
          {changes.map(({ of, name, from, to, where, priceMinor }) => (
            <Change key={of}>
              <span>
                {name} <s>{from}</s> <em>{to}</em>
              </span>
              <span>
                {where ? WHERE[where] : ''}
                {priceMinor > 0 ? `, ${sayMoney(priceMinor, exponent)}` : ''}
              </span>
            </Change>
          ))}
        </List>
      )}
      {screw && <p style={{ fontSize: 16 }}>{screw.words}</p>}
      {learned && (
        <p style={{ fontSize: 16 }}>
          {learned.changes === 1 ? 'One change' : `${learned.changes} changes`} of the main jet read by a
          probe on this number: a size does {figure(Math.abs(learned.share) * 100, 0)} %{' '}
          {learned.share >= 0 ? 'more' : 'less'} than reckoned.
        </p>
      )}
      {fights.map((words) => (
        <ErrorLine key={words}>{words}</ErrorLine>
      ))}
      {(tryAndRead || isBlind || assumedSizes) && changes.length > 0 && (
        <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
          {tryAndRead ? 'Not sure to the last size: try it and read the plugs. ' : ''}
          {measureNext
            ? `Measure ${measureNext.what}: ±${figure(measureNext.from * 100, 1)} becomes ±${figure(measureNext.to * 100, 1)} %. `
            : ''}
          {isBlind ? 'Until its needle is measured the clip is left out. ' : ''}
          {assumedSizes ? 'Assumed: sizes every 0.025 mm.' : ''}
        </p>
      )}
      {view.anyPicked && <QuietButton onPress={view.unpick}>Back to the best</QuietButton>}
      {view.canPut && (
        <label>
          <Label>What for, as it is printed</Label>
          <FieldInput
            aria-label="What for"
            value={view.why}
            maxLength={200}
            onChange={(event) => view.setWhy(event.target.value)}
          />
        </label>
      )}
      {changes.length > 0 &&
        !view.anyPicked &&
        others.map(({ words, worst, priceMinor }) => (
          <p key={words} style={{ fontSize: 15, color: 'var(--pencil)' }}>
            Or {words}: at worst {figure(worst * 100, 0)} % of what is allowed,{' '}
            {priceMinor > 0 ? `${sayMoney(priceMinor, exponent)} to buy.` : 'nothing to buy.'}
          </p>
        ))}
      {view.notPut && <ErrorLine role="alert">{view.notPut}</ErrorLine>}
      {chosen
        .filter(([of]) => !changes.some((one) => one.of === of))
        .map(([of, { size, why }]) => (
          <p key={of} style={{ fontSize: 16 }}>
            {nameOn(open.sheets, of)} <b>{size}</b>: {why}
          </p>
        ))}
      {chosen.length > 0 && !view.canPut && (
        <p style={{ fontSize: 16 }}>
          On this job’s sheet.{' '}
          {changes.some(({ part }) => part) ? <Link to={open.to('parts')}>Parts</Link> : null}
          {changes.some(({ part }) => part)
            ? ' orders what is not in it yet; Build fits it and measures it.'
            : ''}
        </p>
      )}
    </>
  )
}
