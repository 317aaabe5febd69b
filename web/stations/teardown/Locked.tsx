import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Ask, AskFoot } from '../../shell/frame'
import { ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../../ui'
import { onEnter } from '../../ui/keys'
import type { StationProps } from '../../shell/props'

export function Locked({ open }: StationProps) {
  const navigate = useNavigate()
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  const go = () => setWrong(open.add('teardown.unlocked', { why })?.sentence ?? '')
  return (
    <Ask>
      <h2>As-found readings are not complete.</h2>
      <p style={{ fontSize: 17 }}>Once it is apart, nobody can tell how it came in.</p>
      <label>
        <Label>Start anyway, because</Label>
        <FieldInput
          autoFocus
          value={why}
          placeholder="came in a box, in parts"
          onChange={(event) => setWhy(event.target.value)}
          onKeyDown={onEnter(go)}
        />
      </label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={() => void navigate(open.to('asfound'))}>
          Record it first <Key>Esc 3</Key>
        </MainButton>
        <QuietButton onPress={go}>Start teardown</QuietButton>
      </AskFoot>
    </Ask>
  )
}
