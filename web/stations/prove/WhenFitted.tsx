import type { Proof } from '@ekrond/core/proof'
import { useState } from 'react'
import { usePerson } from '../../data/person'
import { useShop } from '../../data/shop'
import { ErrorLine, FieldInput, FieldSelect, Label, MainButton } from '../../ui'
import { onEnter } from '../../ui/keys'
import type { SheetedProps } from '../withSheets'
import { Adapter } from './Adapter'

/** A proof that this bench cannot make: why, and who else says so. */
export function WhenFitted({ open, proof, done }: SheetedProps & { proof: Proof; done: () => void }) {
  const shop = useShop().data
  const { person } = usePerson()
  const [why, setWhy] = useState('')
  const [second, setSecond] = useState('')
  const [wrong, setWrong] = useState('')
  const leave = () => {
    if (!second) return setWrong('Choose the second name: two people leave a proof open.')
    const no = open.add('proof.fitted', { proof: proof.key, name: proof.name, why, second })
    if (no) setWrong(no.sentence)
    else done()
  }
  return (
    <div style={{ display: 'grid', gap: 10 }}>
      <p style={{ fontSize: 16, lineHeight: 1.4 }}>
        It goes out unproved in this, and sheet and card say so. Where it has no inlet or flange of its own to
        be tested by, an adapter plate may do it on the bench.
      </p>
      <label>
        <Label>Only when fitted, because</Label>
        <FieldInput
          autoFocus
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          onKeyDown={onEnter(leave)}
        />
      </label>
      <label>
        <Label>Second name</Label>
        <FieldSelect value={second} onChange={(event) => setSecond(event.target.value)}>
          <option value="">choose</option>
          {shop?.people
            .filter(({ name }) => name !== person)
            .map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
        </FieldSelect>
      </label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <MainButton onPress={leave}>Leave it open until fitted</MainButton>
      <Adapter name={open.here.ident?.listNumber ?? open.here.taught?.name ?? 'unit'} />
    </div>
  )
}
