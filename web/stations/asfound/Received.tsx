import { receivedTestsOf } from '@ekrond/core/judge/proof'
import { useState } from 'react'
import { Choice, ErrorLine, Label, QuietButton } from '../../ui'
import type { SheetedProps } from '../withSheets'

/** The five minutes of tests before anything is moved: one tap a test, of those that this unit can be given. */
export function Received({ open }: SheetedProps) {
  const tests = receivedTestsOf(open)
  const [asked, setAsked] = useState<string | null>(null)
  const [wrong, setWrong] = useState('')
  const test = tests.find(({ code }) => code === asked)
  if (tests.length === 0) return null
  const noted = tests.filter(({ code }) => open.here.tests[code])
  const bad = noted.filter(({ code }) => open.here.tests[code]?.result === 'bad')
  const leftAfter = (after?: string) =>
    tests.find(({ code }) => code !== after && !open.here.tests[code])?.code ?? null
  const left = leftAfter()
  const note = (result: 'good' | 'bad' | 'none') => {
    if (!test) return
    const before = open.standing('test.noted', (data) => data.test === test.code)
    const no = open.add('test.noted', { test: test.code, result }, before ? { corrects: before.id } : {})
    setWrong(no?.sentence ?? '')
    if (!no) setAsked(leftAfter(test.code))
  }
  return (
    <div
      role="group"
      aria-label="Tests as received"
      data-asking={test ? '' : undefined}
      style={{ display: 'grid', gap: 6 }}
    >
      <Label>
        {test
          ? `${test.name}, as received${open.bodies > 1 ? `, carburetor ${open.body}` : ''}`
          : 'Tests as received'}
      </Label>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6, alignItems: 'center' }}>
        {test ? (
          <>
            {(['good', 'bad', 'none'] as const).map((result) => (
              <Choice
                key={result}
                $on={open.here.tests[test.code]?.result === result}
                aria-pressed={open.here.tests[test.code]?.result === result}
                onPress={() => note(result)}
              >
                {result === 'none' ? 'not equipped' : test[result]}
              </Choice>
            ))}
            {tests.length > 1 && (
              <QuietButton onPress={() => setAsked(tests[(tests.indexOf(test) + 1) % tests.length]!.code)}>
                next test
              </QuietButton>
            )}
            <QuietButton onPress={() => setAsked(null)}>close</QuietButton>
          </>
        ) : (
          <>
            {bad.map(({ code, name, bad: said }) => (
              <Choice key={code} $on onPress={() => setAsked(code)}>
                {name}: {said}
              </Choice>
            ))}
            {(left !== null || bad.length === 0) && (
              <Choice $on={left === null} onPress={() => setAsked(left ?? tests[0]!.code)}>
                {left === null
                  ? 'all good'
                  : noted.length
                    ? `${noted.length} of ${tests.length}, go on`
                    : `${tests.length} tests, before anything moves`}
              </Choice>
            )}
          </>
        )}
      </div>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}
