import { plainNumber } from '@ekrond/core/measure'
import { enterByHand } from '@ekrond/core/bench/entering'
import type { JobNeed } from '@ekrond/core/plan/needs'
import { useState } from 'react'
import type { OpenJob } from '../../data/job'
import { useShop } from '../../data/shop'
import { Choice, ErrorLine, FieldInput, Label } from '../../ui'

/** Not in any list: cut or taken out of the shop's own drawer, or ordered somewhere by hand. */
export function ByHand({ open, needs }: { open: OpenJob; needs: readonly JobNeed[] }) {
  const shop = useShop().data
  const [asking, setAsking] = useState(false)
  const [supplier, setSupplier] = useState('')
  const [price, setPrice] = useState('')
  const [arrives, setArrives] = useState('')
  const [wrong, setWrong] = useState('')
  if (needs.length === 0 || !shop) return null
  const names = needs.map(({ name }) => name.toLowerCase())
  const place = (what: 'shelf' | 'single', supplier: string, totalMinor: number, arrives: string) => {
    const no = open.add('order.placed', enterByHand(needs, { what, supplier, totalMinor, arrives }))
    if (no) setWrong(no.sentence)
    else setAsking(false)
  }
  const order = () => {
    const money = plainNumber(price, price.trim() ? NaN : 0)
    if (!(money >= 0)) return setWrong(`“${price}” is not an amount. Type it as 86.50.`)
    if (!supplier.trim()) return setWrong('Enter the supplier.')
    if (!arrives) return setWrong('Enter the day it arrives.')
    place('single', supplier.trim().slice(0, 60), Math.round(money * 10 ** shop.currency.exponent), arrives)
  }
  return (
    <div
      role="group"
      aria-label="Not in any list"
      style={{ display: 'grid', gap: 8, borderTop: '1px solid var(--rule)', paddingTop: 8 }}
    >
      <p style={{ fontSize: 17 }}>
        No supplier lists{' '}
        {names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ')}
        .
      </p>
      {asking ? (
        <form
          style={{ display: 'grid', gap: 8 }}
          onSubmit={(event) => {
            event.preventDefault()
            order()
          }}
        >
          <div>
            <Label>Where</Label>
            <FieldInput
              autoFocus
              aria-label="Supplier"
              value={supplier}
              onChange={(event) => setSupplier(event.target.value)}
            />
          </div>
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 14 }}>
            <div>
              <Label>Total price, {shop.currency.code}</Label>
              <FieldInput
                aria-label="Total price"
                inputMode="decimal"
                value={price}
                onChange={(event) => setPrice(event.target.value)}
              />
            </div>
            <div>
              <Label>Arrives on</Label>
              <FieldInput
                aria-label="Arrives on"
                type="date"
                value={arrives}
                onChange={(event) => setArrives(event.target.value)}
              />
            </div>
          </div>
          <button type="submit" className="visually-hidden">
            Ordered
          </button>
        </form>
      ) : null}
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
        {asking ? (
          <>
            <Choice onPress={order}>Save order</Choice>
            <Choice onPress={() => setAsking(false)}>Not now</Choice>
          </>
        ) : (
          <>
            <Choice onPress={() => place('shelf', '', 0, shop.today)}>From our drawer, or cut here</Choice>
            <Choice onPress={() => setAsking(true)}>Ordered directly</Choice>
          </>
        )}
      </div>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}
