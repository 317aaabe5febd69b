import type { SpecSheet } from '@ekrond/core/sheets'

/** The list number whose mixture and pump stem an older leaf had otherwise. */
export const REVISED = 'K-4411-2'

/** The catalogue as the shop first took it in, from an older leaf: today's is its second edition. */
export function firstEdition<C extends { listNumbers: readonly { number: string; spec: SpecSheet }[] }>(
  catalogue: C,
): C {
  return {
    ...catalogue,
    listNumbers: catalogue.listNumbers.map((item) =>
      item.number === REVISED
        ? {
            ...item,
            spec: {
              ...item.spec,
              settings: item.spec.settings.map((setting) =>
                setting.code === 'mixture.turns'
                  ? {
                      ...setting,
                      asWritten: '2',
                      target: 16,
                      lo: 14,
                      hi: 18,
                      source: 'kit leaf' as const,
                      ground: 'leaf 31, first printing',
                    }
                  : setting.code === 'pump.stem'
                    ? {
                        ...setting,
                        asWritten: '9.0 ±0.4',
                        target: 9,
                        lo: 8.6,
                        hi: 9.4,
                        source: 'from relatives' as const,
                        ground: 'as its sisters',
                      }
                    : setting,
              ),
            },
          }
        : item,
    ),
  }
}
