import { looksOf } from '@ekrond/core/judge/asfound'
import { lookSays, type Look } from '@ekrond/core/log'
import { parseLength } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import { Choice, ErrorLine, FieldInput, Label, QuietButton } from '../../ui'
import { onEnter } from '../../ui/keys'
import type { SheetedProps } from '../withSheets'

/** What else is seen from outside before it is drained: the level in its glass, the plate over its transfer slot. */
export function Looks({ open }: SheetedProps) {
  const looks = looksOf(open.sheets)
  const [asked, setAsked] = useState<string | null>(null)
  const look = looks.find(({ code }) => code === asked)
  if (look) return <LookAsked key={look.code} open={open} look={look} done={() => setAsked(null)} />
  return (
    <div role="group" aria-label="Before it is drained" style={{ display: 'grid', gap: 6 }}>
      <Label>Before it is drained</Label>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
        {looks.map(({ code, name }) => {
          const seen = open.here.looks[code]
          return (
            <Choice key={code} $on={seen !== undefined} onPress={() => setAsked(code)}>
              {seen ? lookSays({ look: code, ...seen }).headline.replace(/\.$/, '') : name}
            </Choice>
          )
        })}
      </div>
    </div>
  )
}

function LookAsked({ open, look, done }: SheetedProps & { look: Look; done: () => void }) {
  const seen = open.here.looks[look.code]
  const [answer, setAnswer] = useState<Look['answers'][number] | null>(null)
  const [far, setFar] = useState('')
  const [wrong, setWrong] = useState('')
  const note = (code: string, mm: number | null) => {
    const before = open.standing('asfound.seen', (data) => data.look === look.code)
    const no = open.add(
      'asfound.seen',
      { look: look.code, seen: code as 'at', mm },
      before ? { corrects: before.id } : {},
    )
    if (no) setWrong(no.sentence)
    else done()
  }
  const measured = () => {
    if (!answer) return
    if (far.trim() === '') return note(answer.code, null)
    const length = parseLength(far)
    if (isRefusal(length)) setWrong(length.refused.why)
    else note(answer.code, length.mm)
  }
  return (
    <div role="group" data-asking aria-label={look.name} style={{ display: 'grid', gap: 6 }}>
      <Label>{look.question}</Label>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6, alignItems: 'center' }}>
        {answer ? (
          <>
            <FieldInput
              autoFocus
              style={{ width: 210 }}
              aria-label={`How far ${answer.words}, mm`}
              placeholder="how far, mm (if measured)"
              inputMode="decimal"
              value={far}
              onChange={(event) => setFar(event.target.value)}
              onKeyDown={onEnter(measured)}
            />
            <Choice onPress={measured}>{answer.words}: note it</Choice>
            <QuietButton onPress={() => setAnswer(null)}>back</QuietButton>
          </>
        ) : (
          <>
            {look.answers.map((one) => (
              <Choice
                key={one.code}
                $on={seen?.seen === one.code}
                onPress={() => (one.measured ? setAnswer(one) : note(one.code, null))}
              >
                {one.words}
              </Choice>
            ))}
            <QuietButton onPress={done}>not now</QuietButton>
          </>
        )}
      </div>
      {seen && !answer && <p style={{ fontSize: 15 }}>{lookSays({ look: look.code, ...seen }).meaning}</p>}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}
