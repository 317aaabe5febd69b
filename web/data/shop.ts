import type { ShopAnswer } from '@ekrond/contract/shop'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from './api'
import { noteServerTime } from './clock'

/** The shop: its people, gauges, days, money and clock. */
export const useShop = () =>
  useQuery<ShopAnswer, ApiError>({
    queryKey: ['shop'],
    queryFn: async () => {
      const asked = Date.now()
      const shop = await call<ShopAnswer>('/api/shop')
      noteServerTime(shop.now, asked, Date.now())
      return shop
    },
    staleTime: 60_000,
  })
