import { isRefusal } from '@ekrond/core/base/refusal'
import { figure } from '@ekrond/core/measure'
import { chooseOther, otherChoices } from '@ekrond/core/plan/jets'
import { useState } from 'react'
import styled from 'styled-components'
import { ErrorLine, FieldInput, FieldSelect, Label, QuietButton } from '../../../ui'
import type { SheetedOpen } from '../../withSheets'

const Row = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 92px 110px;
  gap: 4px 12px;
  align-items: end;
  & > :nth-child(4) {
    grid-column: 1 / 3;
  }
`

/** Another size of something that is not proposed: seat, nozzle, bleed, a tube that was opened, a hole of the pump. */
export function Another({
  open,
  conditions,
  done,
}: {
  open: SheetedOpen
  conditions: { ethanol: number; altitudeM: number }
  done: () => void
}) {
  const choices = otherChoices(open.sheets)
  const [of, setOf] = useState(choices[0]?.of ?? '')
  const [size, setSize] = useState('')
  const [part, setPart] = useState('')
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  const choice = choices.find((one) => one.of === of)
  const put = () => {
    if (!choice) return
    const data = chooseOther(
      choice,
      { size, part, why },
      { ...conditions, changes: [] },
      open.sheets.spec.jetNumbers,
    )
    if (isRefusal(data)) return setWrong(data.refused.why)
    const no = open.add('cal.chosen', data)
    setWrong(no?.sentence ?? '')
    if (!no) done()
  }
  return (
    <div role="group" aria-label="Another part or setting">
      <Row>
        <FieldSelect aria-label="What" value={of} onChange={(event) => setOf(event.target.value)}>
          {choices.map(({ of: key, name, own, unit }) => (
            <option key={key} value={key}>
              {name}, {unit === 'mm' ? figure(own, 2) : own}
            </option>
          ))}
        </FieldSelect>
        <FieldInput
          aria-label="Its size now"
          inputMode="decimal"
          placeholder={
            choice?.takesShim
              ? '3 + 0.5'
              : choice?.unit === 'count'
                ? '2'
                : open.sheets.spec.jetNumbers
                  ? 'mm or number'
                  : 'mm'
          }
          value={size}
          onChange={(event) => setSize(event.target.value)}
        />
        {choice?.part ? (
          <FieldInput
            aria-label="Its part number"
            placeholder="part"
            value={part}
            maxLength={60}
            onChange={(event) => setPart(event.target.value)}
          />
        ) : (
          <Label>stays in</Label>
        )}
        <FieldInput
          aria-label="Why"
          placeholder="what for, as it is printed"
          value={why}
          maxLength={200}
          onChange={(event) => setWhy(event.target.value)}
        />
        <QuietButton onPress={put}>Put it on</QuietButton>
      </Row>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}
