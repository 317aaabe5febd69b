import type { Proof } from '@ekrond/core/judge/proof'
import { useState } from 'react'
import { SecondName, useAlone } from '../../shell/SecondName'
import { ErrorLine, FieldInput, Label, MainButton } from '../../ui'
import { onEnter } from '../../ui/keys'
import type { SheetedProps } from '../withSheets'
import { Adapter } from './Adapter'

/** A proof that this bench cannot make: why, and who else says so. */
export function WhenFitted({ open, proof, done }: SheetedProps & { proof: Proof; done: () => void }) {
  const alone = useAlone(open)
  const [why, setWhy] = useState('')
  const [second, setSecond] = useState('')
  const [wrong, setWrong] = useState('')
  const leave = () => {
    if (!second && !alone) return setWrong('Choose the second name: skipping a test takes two people.')
    const no = open.add('proof.fitted', { proof: proof.key, name: proof.name, why, second: second || null })
    if (no) setWrong(no.sentence)
    else done()
  }
  return (
    <div style={{ display: 'grid', gap: 10 }}>
      <p style={{ fontSize: 16, lineHeight: 1.4 }}>
        It goes out untested in this, and the sheet and card say so. If it has no inlet or flange to test
        with, an adapter plate may make the bench test possible.
      </p>
      <label>
        <Label>Can’t test here, because</Label>
        <FieldInput
          autoFocus
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          onKeyDown={onEnter(leave)}
        />
      </label>
      <SecondName open={open} value={second} set={setSecond} />
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <MainButton onPress={leave}>Leave for after fitting</MainButton>
      <Adapter name={open.here.ident?.listNumber ?? open.here.taught?.name ?? 'unit'} />
    </div>
  )
}
