/** What a whole number's column holds. */
export const LARGEST_WHOLE = 2_147_483_647

/** Told while a long table is read: how many rows of it have been. */
export type Progress = (file: string, rows: number) => void

export type Tell = (file: string, row: number | null, column: string | null, sentence: string) => void
