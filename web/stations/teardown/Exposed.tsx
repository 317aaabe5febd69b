import { momentsOf, type Sheets } from '@ekrond/core/sheets'
import { enterAsFound } from '@ekrond/core/bench/entering'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import { useDraft } from '../../data/draft'
import { Ask, AskFoot } from '../../shell/frame'
import { Answer, ErrorLine, Key, Label, MainButton, QuietButton } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { useKeys } from '../../ui/keys'
import type { StationProps } from '../../shell/props'
import type { Task } from './tasks'

export function Exposed({
  open,
  task,
}: {
  open: StationProps['open'] & { sheets: Sheets }
  task: Extract<Task, { kind: 'exposed' }>
}) {
  const { setting } = task
  const moments = momentsOf(setting, open.sheets.build)
  const opened = isRefusal(moments) ? null : moments.afterOff
  const [text, setText] = useDraft(open.draft('asfound', setting.code, setting.place))
  const [skip, setSkip] = useState(false)
  const [wrong, setWrong] = useState('')
  const log = () => {
    if (skip)
      return setWrong(
        open.add('asfound.skipped', { code: setting.code, place: setting.place, why: text })?.sentence ?? '',
      )
    const draft = enterAsFound(setting, text, null, open.sheets, open.state, open.body)
    if (isRefusal(draft)) return setWrong(draft.refused.why)
    const no = open.add('asfound.noted', draft.data)
    if (no) setWrong(no.sentence)
    else setText('')
  }
  useKeys({ Enter: log })
  const said = text && !skip ? enterAsFound(setting, text, null, open.sheets, open.state, open.body) : null
  return (
    <Ask aria-label="Current step">
      <Label>as found, now that {opened?.name.toLowerCase()} is off</Label>
      <h2>{setting.name}, before anything is moved</h2>
      <p style={{ fontSize: 17 }}>{setting.hold}</p>
      <ReadingField
        focus
        label={skip ? 'Reason for skipping' : `${setting.name}, as found`}
        value={text}
        onChange={setText}
        onEnter={log}
        unit={skip ? '' : setting.quantity === 'count' ? 'from the blunt end' : setting.unit}
        size={skip ? 24 : 52}
        hint={skip ? 'in a few words' : undefined}
      />
      <Label as="p">
        sheet: {setting.asWritten} · {setting.datum}
      </Label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      {said && !isRefusal(said) && <Answer>{said.data.shown.headline}</Answer>}
      <AskFoot>
        <MainButton onPress={log} isDisabled={text === ''}>
          {skip ? 'Skip, with this reason' : 'Record'} <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={() => setSkip(!skip)}>{skip ? 'Don’t skip' : 'Skip, give reason'}</QuietButton>
      </AskFoot>
    </Ask>
  )
}
