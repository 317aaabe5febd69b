import type { Sheets } from '../../sheets/index.ts'

/** What a list number's own sheets say of the family's shapes. */
export interface UnitSizes {
  /** a bore that decides about a part, as new, mm; that of a middling jet where the sheet has none */
  bore(code: string): number
}

export const sizesOf = ({ build }: { build: Pick<Sheets['build'], 'positions'> }): UnitSizes => ({
  bore(code) {
    const deciding = build.positions.find((position) => position.code === code)?.deciding
    return deciding?.what === 'bore' ? deciding.newMm : 1.2
  },
})
