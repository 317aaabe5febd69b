import type { StoreKind, StoreRecord } from '@ekrond/contract/stores'
import { looseWorth } from '@ekrond/core/plan/kits'
import { partKinds, partsTable, type PartKind } from '@ekrond/core/sheets'
import { useMarket } from '../data/library'
import { KitContents } from './KitContents'
import { useShop } from '../data/shop'
import { sayMoney } from '../ui/dates'
import { Button, Label, QuietButton } from '../ui'
import { Figure, Pick, Row, Words } from './fields'
import { Likeness } from './Likeness'

interface Editing<K extends StoreKind> {
  record: StoreRecord<K>
  put: (changes: Partial<StoreRecord<K>>) => void
}

/** A new one of each kind, its number still to be given. */
export const blank: { [K in StoreKind]: StoreRecord<K> } = {
  part: { code: '', name: '', kind: 'jet', material: '', tell: '', drawing: '', shelf: 0, prices: [] },
  kit: { code: '', name: '', supplier: '', priceMinor: 0, leadDays: 2, stock: 0, holds: [] },
  supplier: { code: '', name: '', shippingMinor: 0 },
}

const useSuppliers = () => (useMarket().data?.suppliers ?? []).map(({ code, name }) => [code, name] as const)

export function PartEditor({ record, put }: Editing<'part'>) {
  const suppliers = useSuppliers()
  const price = (at: number, changes: Partial<(typeof record.prices)[number]>) =>
    put({ prices: record.prices.map((one, i) => (i === at ? { ...one, ...changes } : one)) })
  const free = suppliers.find(([code]) => !record.prices.some(({ supplier }) => supplier === code))
  return (
    <>
      <div style={{ display: 'flex', gap: 20, alignItems: 'center' }}>
        <Likeness kind={record.kind} width={180} height={120} />
        <div style={{ flex: 1, display: 'grid', gap: 12 }}>
          <Words label="What it is" value={record.name} set={(name) => put({ name })} />
          <Pick
            label="Kind"
            value={record.kind}
            set={(kind) => put({ kind: kind as PartKind })}
            options={partKinds.map((kind) => [kind, partsTable[kind].words] as const)}
          />
        </div>
      </div>
      <Words
        label="How to tell it apart"
        value={record.tell}
        set={(tell) => put({ tell })}
        placeholder="two rings on the stem"
      />
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 140px', gap: 16 }}>
        <Words
          label="Made of"
          value={record.material}
          set={(material) => put({ material })}
          placeholder="brass"
        />
        <Figure label="In the drawer" value={record.shelf} set={(shelf) => put({ shelf })} />
      </div>
      {record.kind === 'gasket' && (
        <Words
          label="Outline in words"
          value={record.drawing}
          set={(drawing) => put({ drawing })}
          placeholder="what it looks like"
        />
      )}
      <Label>Sold separately by</Label>
      {record.prices.length === 0 && (
        <p style={{ fontSize: 16 }}>No supplier yet: it comes in kits or from the drawer.</p>
      )}
      {record.prices.map((one, i) => (
        <Row key={i}>
          <Pick
            label="Supplier"
            value={one.supplier}
            set={(supplier) => price(i, { supplier })}
            options={suppliers}
          />
          <Figure label="Price" money value={one.priceMinor} set={(priceMinor) => price(i, { priceMinor })} />
          <Figure label="Days" value={one.leadDays} set={(leadDays) => price(i, { leadDays })} />
          <QuietButton
            aria-label={`Remove ${one.supplier}`}
            onPress={() => put({ prices: record.prices.filter((_, at) => at !== i) })}
          >
            out
          </QuietButton>
        </Row>
      ))}
      {free ? (
        <Button
          onPress={() =>
            put({ prices: [...record.prices, { supplier: free[0], priceMinor: 0, leadDays: 2 }] })
          }
        >
          {record.prices.length ? 'Add supplier' : 'A supplier'}
        </Button>
      ) : (
        suppliers.length === 0 && <p style={{ fontSize: 16 }}>Enter a supplier first, then a price.</p>
      )}
    </>
  )
}

export function KitEditor({ record, put }: Editing<'kit'>) {
  const suppliers = useSuppliers()
  const parts = useMarket().data?.parts ?? []
  const exponent = useShop().data?.currency.exponent ?? 2
  const hold = (at: number, changes: Partial<(typeof record.holds)[number]>) =>
    put({ holds: record.holds.map((one, i) => (i === at ? { ...one, ...changes } : one)) })
  const { sum, missing } = looseWorth(record.holds, useMarket().data?.singles ?? [])
  return (
    <>
      <KitContents holds={record.holds} parts={parts} />
      <Words
        label="What it is"
        value={record.name}
        set={(name) => put({ name })}
        placeholder="repair kit, small"
      />
      <Pick
        label="Sold by"
        value={record.supplier}
        set={(supplier) => put({ supplier })}
        options={suppliers}
      />
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 16 }}>
        <Figure label="Price" money value={record.priceMinor} set={(priceMinor) => put({ priceMinor })} />
        <Figure label="Delivery days" value={record.leadDays} set={(leadDays) => put({ leadDays })} />
        <Figure label="On the shelf" value={record.stock} set={(stock) => put({ stock })} />
      </div>
      <Label>Contents</Label>
      <datalist id="store-parts">
        {parts.map(({ part, name }) => (
          <option key={part} value={part}>
            {name}
          </option>
        ))}
      </datalist>
      {record.holds.map((one, i) => (
        <Row key={i} style={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr) 80px 56px' }}>
          <Words
            label="Part"
            value={one.part}
            set={(part) => hold(i, { part })}
            list="store-parts"
            placeholder="its number"
          />
          <p style={{ fontSize: 16, minHeight: 34 }}>
            {parts.find(({ part }) => part === one.part)?.name ?? (one.part ? 'not in stores yet' : '')}
          </p>
          <Figure label="Pieces" value={one.quantity} set={(quantity) => hold(i, { quantity })} />
          <QuietButton
            aria-label={`${one.part || 'this line'} removed`}
            onPress={() => put({ holds: record.holds.filter((_, at) => at !== i) })}
          >
            out
          </QuietButton>
        </Row>
      ))}
      <Button onPress={() => put({ holds: [...record.holds, { part: '', quantity: 1 }] })}>
        {record.holds.length ? 'Add part' : 'A part'}
      </Button>
      {record.holds.length > 0 && (
        <p style={{ fontSize: 16 }}>
          Bought separately: {sayMoney(sum, exponent)}
          {missing > 0 ? `, and ${missing} of its parts not sold separately` : ''}. Here:{' '}
          {sayMoney(Math.max(0, record.priceMinor), exponent)}.
        </p>
      )}
    </>
  )
}

export const SupplierEditor = ({ record, put }: Editing<'supplier'>) => (
  <>
    <Words label="Name" value={record.name} set={(name) => put({ name })} />
    <Figure
      label="Shipping per order"
      money
      value={record.shippingMinor}
      set={(shippingMinor) => put({ shippingMinor })}
    />
  </>
)
