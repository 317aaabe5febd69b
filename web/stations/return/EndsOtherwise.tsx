import { endWords, needsTwo, type End } from '@ekrond/core/log'
import { useState } from 'react'
import { Button, ErrorLine, FieldInput, Label } from '../../ui'
import { Radios } from '../../ui/Radios'
import { SecondName } from '../../shell/SecondName'
import type { StationProps } from '../../shell/props'

type Chosen = keyof typeof endWords
const CHOICES = (Object.keys(endWords) as Chosen[]).filter((end) => end !== 'not serviced')

/** A unit that does not go back set and proved ends all the same: by name, with its own paper, and what it waited for is let go. */
export function EndsOtherwise({ open, leave }: { open: StationProps['open']; leave: () => void }) {
  const [why, setWhy] = useState('')
  const [words, setWords] = useState('')
  const [second, setSecond] = useState('')
  const bank = open.bodies > 1
  const [of, setOf] = useState('this')
  const [wrong, setWrong] = useState('')
  const close = () => {
    if (!why) return setWrong('Choose how it ends.')
    const end = why as End
    setWrong(
      open.add('job.closed', {
        why: end,
        words,
        of: bank && of !== 'all' ? open.body : null,
        second: needsTwo(end) ? second || null : null,
      })?.sentence ?? '',
    )
  }
  return (
    <section aria-label="End without return" style={{ display: 'grid', gap: 8 }}>
      <Radios
        label="How it ends"
        value={why}
        onChange={setWhy}
        options={CHOICES.map((value) => ({ value, label: endWords[value].asked }))}
        focus
      />
      {bank && (
        <Radios
          label="Which of them"
          value={of}
          onChange={setOf}
          options={[
            { value: 'this', label: `Carburetor ${open.body}` },
            { value: 'all', label: `All ${open.bodies}` },
          ]}
        />
      )}
      <label>
        <Label>Reason, for its sheet</Label>
        <FieldInput value={words} onChange={(event) => setWords(event.target.value)} />
      </label>
      {why && needsTwo(why as End) && (
        <SecondName open={open} value={second} set={setSecond} label="Who checked it too" />
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <div style={{ display: 'flex', gap: 8 }}>
        <Button onPress={close}>
          {bank && of !== 'all' ? `Close carburetor ${open.body}` : 'Close job'}
        </Button>
        <Button onPress={leave}>Keep working</Button>
      </div>
    </section>
  )
}
