import { figure } from '@ekrond/core/measure'
import type { Position } from '@ekrond/core/sheets'
import styled from 'styled-components'
import { OffAgain } from '../../shell/OffAgain'
import { Bent } from '../../teach/Bent'
import { Answer, Choice, ErrorLine, Fraction, Label, RedBox, Tick } from '../../ui'
import type { SheetedOpen } from '../withSheets'
import type { SettingBenchView } from './useSettingBench'

const Ways = styled.div`
  display: grid;
  gap: 8px;
`

interface Props {
  open: SheetedOpen
  bench: SettingBenchView
  /** the number pad is up: what is said draws together */
  pad: boolean
}

const inWords = (parts: readonly Position[]) => parts.map(({ name }) => name.toLowerCase()).join(', ')

/** What keeps a setting from being read as the unit stands, and the way out. */
function Closed({ open, bench: { hidden, waits } }: Omit<Props, 'pad'>) {
  return (
    <>
      <ErrorLine>
        {hidden.length
          ? `To read it, first remove: ${inWords(hidden)}.`
          : `To read it, first install: ${inWords(waits)}.`}
      </ErrorLine>
      {hidden.some(({ code }) => open.here.on[code]) && (
        <OffAgain
          open={open}
          first={hidden.map(({ code }) => code)}
          words={hidden.length > 1 ? 'Remove them again' : 'Remove it again'}
        />
      )}
    </>
  )
}

/** A figure that can be read two ways is asked about before anything is said of it. */
function TwoWays({ bench: { asking, setText, asTyped, reading } }: Pick<Props, 'bench'>) {
  return (
    <Ways>
      <Answer>
        <em>That can mean two things.</em> Which is it?
      </Answer>
      {asking.map((sense) => (
        <Choice
          key={sense.as}
          onPress={() =>
            setText(sense.as.startsWith('drill') ? sense.as.slice(6) : `${figure(sense.mm, 3)} mm`)
          }
        >
          {sense.as}: {figure(sense.mm, 2)} mm
        </Choice>
      ))}
      <Choice onPress={asTyped}>As typed: {figure(reading.value ?? 0, 2)} mm</Choice>
    </Ways>
  )
}

/** What a reading means, and what puts it right. */
export function Verdict({ open, bench, pad }: Props) {
  const { reading, setting, typed, closed, asking, stale, refused } = bench
  const { shown } = reading
  const said = asking.length === 0 && shown
  const fresh = said && !stale
  const out = shown?.verdict === 'out'
  const bent = setting.code === 'float.height' && open.sheets.spec.float.correction === 'tang'
  return (
    <>
      {reading.refused && <ErrorLine role="alert">{reading.refused}</ErrorLine>}
      {!typed && reading.again && <ErrorLine>Check again: {reading.again}.</ErrorLine>}
      {refused && <ErrorLine role="alert">{refused}</ErrorLine>}
      {closed && (typed || !reading.holds) && <Closed open={open} bench={bench} />}
      {asking.length > 0 && <TwoWays bench={bench} />}
      {fresh && (
        <Answer aria-live="polite">
          {shown.verdict === 'in' ? (
            <>
              <Tick size={18} /> In.{' '}
            </>
          ) : (
            <em>{shown.headline} </em>
          )}
          <Fraction text={shown.meaning} />
        </Answer>
      )}
      {said && shown.remedy && out && (
        <RedBox $tight={pad}>
          <Fraction text={shown.remedy.words} />
          <small>{shown.remedy.detail}</small>
        </RedBox>
      )}
      {bent && !typed && <Bent open={open} said={shown?.remedy ?? null} />}
      {fresh && !out && shown.facts.length > 0 && <Label as="p">{shown.facts.join(' · ')}</Label>}
      {reading.differ.length > 0 && (
        <ErrorLine>
          Two people disagree here: {reading.differ.map((r) => `${r.by} ${r.raw}`).join(', ')}. A third
          reading decides.
        </ErrorLine>
      )}
    </>
  )
}
