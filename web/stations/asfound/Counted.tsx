import { showTurns } from '@ekrond/core/measure'
import type { SettingSpec } from '@ekrond/core/sheets'
import styled from 'styled-components'
import { Choice, Fraction, Key } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { PAD_WORDS } from '../../ui/Pad'
import type { AsFoundView } from './useAsFound'

const Taps = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr 24px 1fr;
  gap: 8px;
`

const Tap = styled(Choice)`
  min-height: 64px;
  justify-content: center;
  font-size: 22px;
`

const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
`

/** What a key of the count adds, in eighths of a turn. */
const EIGHTHS: Readonly<Record<string, number>> = { '1': 1, '2': 2, '4': 4, '8': 8, '-': -1, Backspace: -1 }

interface Props {
  setting: SettingSpec
  view: AsFoundView
}

/** A screw is counted by taps while it is turned: in until it seats, or out until it falls free. */
export function Counted({ setting, view }: Props) {
  const { key, text, count, noted, mixture, to, setTo, tap, log } = view
  const inward = to === 'seat'
  return (
    <>
      <ReadingField
        key={key}
        focus
        readOnly
        label={`${setting.name}, turns counted`}
        value={text === '' ? '' : showTurns(count)}
        logged={noted?.raw}
        unit={mixture ? `turns ${inward ? 'in' : 'out'} so far` : 'turns so far'}
        fractions
        onEnter={log}
        onKey={(pressed) => {
          const eighths = EIGHTHS[pressed]
          if (eighths !== undefined) tap(eighths)
          return eighths !== undefined
        }}
      />
      <Taps>
        <Tap onPress={() => tap(1)}>
          + <Fraction text="1/8" /> <Key>1</Key>
        </Tap>
        <Tap onPress={() => tap(2)}>
          + <Fraction text="1/4" /> <Key>2</Key>
        </Tap>
        <span />
        <Tap onPress={() => tap(-1)}>
          − <Fraction text="1/8" /> <Key>-</Key>
        </Tap>
      </Taps>
      {mixture && (
        <Pair>
          <Choice $on={inward} aria-pressed={inward} onPress={() => setTo('seat')}>
            in to the seat
          </Choice>
          <Choice $on={!inward} aria-pressed={!inward} onPress={() => setTo('free')}>
            out until it comes free
          </Choice>
        </Pair>
      )}
    </>
  )
}

const unitOf = ({ quantity, unit }: SettingSpec): string =>
  quantity === 'notches' ? 'notches (e.g. 1 rich)' : quantity === 'count' ? 'from the outer hole' : unit

/** What is read and typed. */
export function Read({ setting, view: { key, text, setText, noted, log } }: Props) {
  return (
    <ReadingField
      key={key}
      focus
      label={`${setting.name}, as found`}
      value={text}
      logged={noted?.raw}
      unit={unitOf(setting)}
      padWords={PAD_WORDS[setting.quantity]}
      onEnter={log}
      onChange={setText}
    />
  )
}
