import type { ShopAnswer, ShopHistoryAnswer, ShopSettings } from '@ekrond/contract/shop'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from '../data/api'
import { sayInstant } from '../shell/dates'
import { QuietButton } from '../ui'
import { differing } from './settings'

/** Two who edited at once: what differs, and the other's way out. */
export const BothSides = ({
  mine,
  theirs,
  take,
}: {
  mine: ShopSettings
  theirs: ShopSettings
  take: () => void
}) => (
  <div role="group" aria-label="Both sides">
    {differing(mine, theirs).map((one) => (
      <p key={one.name} style={{ fontSize: 15, marginBottom: 8 }}>
        <b>{one.name}</b>
        <br />
        theirs: {one.theirs}
        <br />
        yours: {one.mine}
      </p>
    ))}
    <QuietButton onPress={take}>Take theirs</QuietButton>
  </div>
)

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
            ? differing(one.settings, before.settings).map(({ name }) => name.toLowerCase())
            : []
          return (
            <li key={one.version} style={{ marginBottom: 8 }}>
              {one.by}: {what.join(', ') || 'as it was first written'}
              <br />
              <span style={{ color: 'var(--pencil)' }}>{sayInstant(one.at, shop.zone)}</span>
            </li>
          )
        })}
      </ol>
    </>
  )
}
