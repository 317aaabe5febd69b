import { sedimentOf, sediments, type SedimentCode } from '@ekrond/core/log'
import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../../data/job'
import { Choice, ErrorLine, Label } from '../../ui'

const Foot = styled.div`
  display: grid;
  gap: 6px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  & > div {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
  }
`

/** Sediment in the bowl, asked as it is opened: by kind, several at once, or clean. Each tap is an entry; nothing is said until then. */
export function InTheBowl({ open }: { open: OpenJob }) {
  const [wrong, setWrong] = useState('')
  const seen = open.here.sediment?.kinds ?? null
  const say = (kinds: readonly string[]) =>
    setWrong(open.add('sediment.seen', { kinds: kinds as SedimentCode[] })?.sentence ?? '')
  const tap = (code: string) =>
    say(seen?.includes(code) ? seen.filter((one) => one !== code) : [...(seen ?? []), code])
  const clean = seen?.length === 0
  return (
    <Foot role="group" aria-label="Sediment in the bowl">
      <Label>
        Sediment in the bowl?
        {seen &&
          seen.length > 0 &&
          ` Upstream: ${seen.map((code) => sedimentOf(code)!.cause).join('; ')}. It is printed on the card.`}
      </Label>
      <div>
        <Choice $on={clean} aria-pressed={clean} onPress={() => say([])}>
          Clean
        </Choice>
        {sediments.map(({ code, label }) => {
          const on = seen?.includes(code) ?? false
          return (
            <Choice key={code} $on={on} aria-pressed={on} onPress={() => tap(code)}>
              {label}
            </Choice>
          )
        })}
      </div>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </Foot>
  )
}
