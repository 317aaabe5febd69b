import { jointOf, jointWords, proofOf } from '@ekrond/core/judge/assembly'
import type { Position } from '@ekrond/core/sheets'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { useMarket } from '../../data/library'
import { kitCounts } from './kit-counts'
import { Ask, AskFoot } from '../../shell/frame'
import { Button, ErrorLine, Key, Label, MainButton } from '../../ui'
import { OffAgain } from '../../shell/OffAgain'
import { Scrolled } from '../../ui/Scrolled'
import { useKeys } from '../../ui/keys'
import type { SheetedProps } from '../withSheets'

const Left = styled.ul`
  display: grid;
  gap: 6px;
  & > li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 10px;
    align-items: center;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
    font-size: 16px;
  }
`

/** The trays are empty: what of it is not final or not proved yet, each with its own key; else on to the settings. */
export function AllOn({
  open,
  joints,
  pick,
}: SheetedProps & { joints: Position[]; pick: (code: string) => void }) {
  const navigate = useNavigate()
  const [wrong, setWrong] = useState('')
  const market = useMarket().data
  const kits = useMemo(() => (market ? kitCounts(open, market) : []), [open, market])
  const any = Object.keys(open.here.off).length > 0
  const unproved = open.sheets.build.positions.filter(
    (position) => proofOf(open.state, position, open.body) === 'not yet',
  )
  const go = () => void navigate(open.to(any ? 'set' : 'teardown'))
  useKeys({ Enter: go })
  const held = (position: Position) =>
    setWrong(
      open.add('proof.answered', { position: position.code, answer: 'held', words: '' })?.sentence ?? '',
    )
  const left = joints.length + unproved.length
  const [again, setAgain] = useState(false)
  return (
    <Ask>
      <h2>
        {again
          ? 'Removed again'
          : !any
            ? 'Nothing has been removed.'
            : left
              ? 'Installed, but not finished.'
              : 'The trays are empty.'}
      </h2>
      {!again && (
        <p style={{ fontSize: 17 }}>
          {!any
            ? 'Parts to install come from the trays that teardown fills.'
            : left
              ? 'Every part is installed. Still open:'
              : 'Every part is installed, every screw final, every check good.'}
        </p>
      )}
      {left > 0 && !again && (
        <Scrolled label="Still open">
          <Left>
            {joints.map((position) => (
              <li key={position.code}>
                <span>
                  <b>{position.name}</b>
                  <br />
                  {jointWords(jointOf(open.state, position, open.body)!)}
                </span>
                <Button onPress={() => pick(position.code)}>Turn them</Button>
              </li>
            ))}
            {unproved.map((position) => (
              <li key={position.code}>
                <span>
                  <Label>{position.name}</Label>
                  <br />
                  {position.proof}
                </span>
                <Button onPress={() => held(position)}>Check is good</Button>
              </li>
            ))}
          </Left>
        </Scrolled>
      )}
      {(again ? [] : kits).map((kit) => (
        <p key={kit.code} style={{ fontSize: 16 }}>
          Kit {kit.code}: {kit.on} on{kit.over > 0 ? `, ${kit.over} left over for other variants` : ''}.
          {kit.unexplained.length > 0 && (
            <ErrorLine>
              Not installed from it, though they belong here: {kit.unexplained.join(', ').toLowerCase()}.
            </ErrorLine>
          )}
        </p>
      ))}
      <OffAgain open={open} shows={setAgain} />
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      {!again && (
        <AskFoot>
          <MainButton onPress={go} autoFocus={!again}>
            {any ? 'Set it' : 'To teardown'} <Key>Enter</Key>
          </MainButton>
        </AskFoot>
      )}
    </Ask>
  )
}
