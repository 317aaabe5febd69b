import { offAgain, type OffAgain as Why } from '@ekrond/core/job'
import type { Sheets } from '@ekrond/core/sheets'
import { teardownOrder } from '@ekrond/core/work'
import { useState } from 'react'
import styled from 'styled-components'
import type { StationProps } from '../stations/props'
import { Button, Choice, ErrorLine, Label } from '../ui'
import { Radios } from '../ui/Radios'

const Parts = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  max-height: 220px;
  overflow-y: auto;
`

const WORDS: Readonly<Record<Why, string>> = {
  'opened again': 'To open it again',
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
  words = 'Take parts off again',
}: {
  open: StationProps['open'] & { sheets: Sheets }
  first?: readonly string[]
  words?: string
}) {
  const on = teardownOrder(open.sheets.build).filter(({ code }) => open.here.on[code])
  const [shown, setShown] = useState(false)
  const [chosen, setChosen] = useState<readonly string[]>(first)
  const [why, setWhy] = useState<Why | null>(null)
  const [wrong, setWrong] = useState('')
  if (on.length === 0) return null
  if (!shown)
    return (
      <Button
        onPress={() => {
          setChosen(first)
          setShown(true)
        }}
      >
        {words}
      </Button>
    )
  const picked = on.filter(({ code }) => chosen.includes(code))
  const off = () => {
    if (picked.length === 0) return setWrong('Choose what comes off.')
    if (!why) return setWrong('Say why it comes off again.')
    const no = open.addAll(
      picked.map(({ code, tray }) => ({
        kind: 'part.off' as const,
        data: { position: code, tray, again: why },
      })),
    )
    if (no) return setWrong(no.sentence)
    setShown(false)
  }
  return (
    <section aria-label="Off again" style={{ display: 'grid', gap: 8 }}>
      <Label as="p">What comes off again</Label>
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
      <Radios
        label="Why"
        value={why ?? ''}
        onChange={(next) => setWhy(next as Why)}
        options={offAgain.map((value) => ({ value, label: WORDS[value] }))}
      />
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <div style={{ display: 'flex', gap: 8 }}>
        <Button onPress={off}>{picked.length > 1 ? `${picked.length} off again` : 'Off again'}</Button>
        <Button onPress={() => setShown(false)}>Leave it on</Button>
      </div>
    </section>
  )
}
