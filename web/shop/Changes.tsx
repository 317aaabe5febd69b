import type { ShopAnswer, ShopHistoryAnswer } from '@ekrond/contract/shop'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from '../data/api'
import { sayInstant } from '../ui/dates'
import { differingSettings } from './settings'

/** Who changed what of the shop, the newest first. */
export function Changes({ shop }: { shop: ShopAnswer }) {
  const history = useQuery<ShopHistoryAnswer, ApiError>({
    queryKey: ['shop-history', shop.version],
    queryFn: () => call('/api/shop/history'),
  }).data
  if (!history || history.changes.length === 0) return null
  return (
    <>
      <h2>Changes</h2>
      <ol style={{ listStyle: 'none', margin: 0, padding: 0, fontSize: 15 }}>
        {history.changes.slice(0, 12).map((one, i) => {
          const before = history.changes[i + 1]
          const what = before
            ? differingSettings(one.settings, before.settings).map(({ name }) => name.toLowerCase())
            : []
          return (
            <li key={one.version} style={{ marginBottom: 8 }}>
              {one.by}: {what.join(', ') || 'as first entered'}
              <br />
              <span style={{ color: 'var(--pencil)' }}>{sayInstant(one.at, shop.zone)}</span>
            </li>
          )
        })}
      </ol>
    </>
  )
}
