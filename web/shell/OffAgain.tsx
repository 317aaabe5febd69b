import { offAgain, type OffAgainWhy as Why } from '@ekrond/core/log'
import { type Sheets, teardownOrder } from '@ekrond/core/sheets'
import { useState } from 'react'
import styled from 'styled-components'
import type { StationProps } from './props'
import { Button, Choice, ErrorLine, Label } from '../ui'

const Parts = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
`

const WORDS: Readonly<Record<Why, string>> = {
  'opened again': 'To reopen it',
  'broke here': 'It broke here',
  'wrong part': 'Wrong part',
}

/**
 * Parts that are on come off once more, from any station and as often as it takes: what rests on them is to be read or done again. Those
 * that are named are chosen beforehand.
 */
export function OffAgain({
  open,
  first = [],
  words = 'Remove parts again',
  shows,
}: {
  open: StationProps['open'] & { sheets: Sheets }
  first?: readonly string[]
  words?: string
  /** told when it is opened and shut: what else is asked gives it room */
  shows?: (shown: boolean) => void
}) {
  const on = teardownOrder(open.sheets.build).filter(({ code }) => open.here.on[code])
  const [shown, setShown] = useState(false)
  const show = (now: boolean) => {
    setShown(now)
    shows?.(now)
  }
  const [chosen, setChosen] = useState<readonly string[]>(first)
  const [why, setWhy] = useState<Why | null>(null)
  const [wrong, setWrong] = useState('')
  if (on.length === 0) return null
  if (!shown)
    return (
      <Button
        onPress={() => {
          setChosen(first)
          show(true)
        }}
      >
        {words}
      </Button>
    )
  const picked = on.filter(({ code }) => chosen.includes(code))
  const off = () => {
    if (picked.length === 0) return setWrong('Choose the parts to remove.')
    if (!why) return setWrong('Give the reason it comes off again.')
    const no = open.addAll(
      picked.map(({ code, tray }) => ({
        kind: 'part.off' as const,
        data: { position: code, tray, again: why },
      })),
    )
    if (no) return setWrong(no.sentence)
    show(false)
  }
  return (
    <section aria-label="Removed again" style={{ display: 'grid', gap: 8, flex: '1 1 100%' }}>
      <Label as="p">Reason</Label>
      <div role="group" aria-label="Why" style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
        {offAgain.map((one) => (
          <Choice key={one} $on={why === one} aria-pressed={why === one} onPress={() => setWhy(one)}>
            {WORDS[one]}
          </Choice>
        ))}
      </div>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <div style={{ display: 'flex', gap: 8 }}>
        <Button onPress={off}>{picked.length > 1 ? `Remove ${picked.length} again` : 'Remove again'}</Button>
        <Button onPress={() => show(false)}>Cancel</Button>
      </div>
      <Label as="p">Parts to remove again</Label>
      <Parts role="group" aria-label="Parts that are on">
        {on.map(({ code, name }) => (
          <Choice
            key={code}
            $on={chosen.includes(code)}
            aria-pressed={chosen.includes(code)}
            onPress={() =>
              setChosen(chosen.includes(code) ? chosen.filter((one) => one !== code) : [...chosen, code])
            }
          >
            {name}
          </Choice>
        ))}
      </Parts>
    </section>
  )
}
