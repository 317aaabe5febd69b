import { bodyKey } from '@ekrond/core/log'
import { capital } from '@ekrond/core/base/words'
import { useState } from 'react'
import { Button, Choice, ErrorLine, FieldInput, Label, QuietButton } from '../../ui'
import type { StationProps } from '../../shell/props'

/** Only named work is asked for: what it is, in the customer's words, and by its parts. */
export function Scope({ open }: { open: StationProps['open'] }) {
  const { scope } = open.state
  const [asked, setAsked] = useState(false)
  const [words, setWords] = useState('')
  const [only, setOnly] = useState<readonly string[]>([])
  const [agreed, setAgreed] = useState('')
  const [wrong, setWrong] = useState('')
  const begun = Object.values(open.state.bodies).some(({ off }) => Object.keys(off).length > 0)
  if (scope)
    return (
      <section aria-label="What is asked for" style={{ display: 'grid', gap: 4, justifyItems: 'start' }}>
        <Label>Only named work</Label>
        <p>
          {capital(scope.words)}
          {scope.agreed ? `, agreed by ${scope.agreed}` : ''}. Its sheet says DONE AS ASKED, never PROVED.
        </p>
        <QuietButton
          onPress={() =>
            setWrong(
              open.add('job.scoped', { only: [], words: 'whole unit after all', agreed: null, all: true })
                ?.sentence ?? '',
            )
          }
        >
          Whole unit after all
        </QuietButton>
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      </section>
    )
  if (!asked)
    return (
      <QuietButton onPress={() => setAsked(true)} style={{ justifySelf: 'start' }}>
        Only named work …
      </QuietButton>
    )
  const name = (code: string) => bodyKey(open.body, code)
  const toggle = (code: string) =>
    setOnly((now) =>
      now.includes(name(code)) ? now.filter((one) => one !== name(code)) : [...now, name(code)],
    )
  const narrow = () => {
    const no = open.add('job.scoped', { only: [...only], words, agreed: agreed.trim() || null, all: false })
    if (no) return setWrong(no.sentence)
    setAsked(false)
    setWrong('')
  }
  return (
    <section aria-label="Only named work" style={{ display: 'grid', gap: 8 }}>
      <label>
        <Label>Only this work, in the customer’s words</Label>
        <FieldInput autoFocus value={words} onChange={(event) => setWords(event.target.value)} />
      </label>
      {open.sheets && (
        <div>
          <Label>Parts</Label>
          <div
            role="group"
            aria-label="Parts"
            style={{ display: 'flex', flexWrap: 'wrap', gap: 6, maxHeight: 170, overflowY: 'auto' }}
          >
            {open.sheets.build.positions.map((position) => (
              <Choice
                key={position.code}
                $on={only.includes(name(position.code))}
                aria-pressed={only.includes(name(position.code))}
                onPress={() => toggle(position.code)}
              >
                {position.name}
              </Choice>
            ))}
          </div>
        </div>
      )}
      {begun && (
        <label>
          <Label>Work has started: who agreed?</Label>
          <FieldInput value={agreed} onChange={(event) => setAgreed(event.target.value)} />
        </label>
      )}
      <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
        Anything it opens, leaks and bad findings are still checked. Its sheet says what was not checked.
      </p>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <div style={{ display: 'flex', gap: 8 }}>
        <Button onPress={narrow}>Only this work</Button>
        <Button onPress={() => setAsked(false)}>Whole unit</Button>
      </div>
    </section>
  )
}
