import { endWords, type End } from '@ekrond/core/job'
import { useState } from 'react'
import { Button, ErrorLine, FieldInput, Label } from '../../ui'
import { Radios } from '../../ui/Radios'
import type { StationProps } from '../props'

type Chosen = keyof typeof endWords
const CHOICES = (Object.keys(endWords) as Chosen[]).filter((end) => end !== 'not serviced')

/** A unit that does not go back set and proved ends all the same: by name, with its own paper, and what it waited for is let go. */
export function EndsOtherwise({ open, leave }: { open: StationProps['open']; leave: () => void }) {
  const [why, setWhy] = useState('')
  const [words, setWords] = useState('')
  const [wrong, setWrong] = useState('')
  const close = () => {
    if (!why) return setWrong('Say how it ends.')
    setWrong(open.add('job.closed', { why: why as End, words })?.sentence ?? '')
  }
  return (
    <section aria-label="It ends otherwise" style={{ display: 'grid', gap: 8 }}>
      <Radios
        label="How it ends"
        value={why}
        onChange={setWhy}
        options={CHOICES.map((value) => ({ value, label: endWords[value].asked }))}
        focus
      />
      <label>
        <Label>Why, for its paper</Label>
        <FieldInput value={words} onChange={(event) => setWords(event.target.value)} />
      </label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <div style={{ display: 'flex', gap: 8 }}>
        <Button onPress={close}>Close the job</Button>
        <Button onPress={leave}>Go on with it</Button>
      </div>
    </section>
  )
}
