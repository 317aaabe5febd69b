/** A picture for the customer, in the paper or the page itself. */
export interface CustomerPhoto {
  /** JPEG or WebP as base64 */
  data: string
  type: string
  words: string
}

/** What a return sheet is headed with, beside its document. */
export interface SheetHead {
  shop: string
  date: string
  currency?: { code: string; exponent: number }
  /** how long the shop stands by its work, days */
  warrantyDays?: number
  /** before and after, on a page behind the others */
  photos?: readonly CustomerPhoto[]
}
