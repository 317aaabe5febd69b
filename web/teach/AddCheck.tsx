import { useState } from 'react'
import type { OpenJob } from '../data/job'
import { Ask, AskFoot } from '../shell/frame'
import { ErrorLine, FieldInput, FieldSelect, Key, Label, MainButton, QuietButton } from '../ui'
import { onEnter, useKeys } from '../ui/keys'
import { newId } from '../data/id'

/** A check by hand or eye that this unit wants and its sheet does not ask for. */
export function AddCheck({ open, done }: { open: OpenJob; done: () => void }) {
  const sheets = open.sheets!
  const [name, setName] = useState('')
  const [wants, setWants] = useState('')
  const [hold, setHold] = useState('')
  const [part, setPart] = useState('')
  const [wrong, setWrong] = useState('')
  const write = () => {
    const no = open.add('check.added', {
      code: `own.${newId().slice(0, 8)}`,
      name: name.trim(),
      wants: wants.trim(),
      hold: hold.trim(),
      rests: part ? [part] : [],
      absent: false,
    })
    if (no) return setWrong(no.sentence)
    done()
  }
  useKeys({ Enter: write, Escape: done })
  const field = (label: string, value: string, put: (text: string) => void, hint: string) => (
    <div>
      <Label>{label}</Label>
      <FieldInput
        aria-label={label}
        placeholder={hint}
        maxLength={120}
        value={value}
        onKeyDown={onEnter(write)}
        onChange={(event) => {
          put(event.target.value)
          setWrong('')
        }}
      />
    </div>
  )
  return (
    <Ask aria-label="Current step">
      <Label>Not asked for by the sheet of {sheets.spec.listNumber}</Label>
      <h2>Another check</h2>
      {field('What is checked', name, setName, 'Choke poppet')}
      {field('What it has to do', wants, setWants, 'snaps shut by itself')}
      {field('How', hold, setHold, 'push it open by a finger, let go')}
      <label>
        <Label>Made again once this was opened</Label>
        <FieldSelect value={part} onChange={(event) => setPart(event.target.value)}>
          <option value="">no part</option>
          {sheets.build.positions.map(({ code, name: words }) => (
            <option key={code} value={code}>
              {words}
            </option>
          ))}
        </FieldSelect>
      </label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={write} isDisabled={!name.trim() || !wants.trim()}>
          Add to this unit <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={done}>Back to the tests</QuietButton>
      </AskFoot>
    </Ask>
  )
}
