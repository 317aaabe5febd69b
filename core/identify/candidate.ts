export type FeatureValue = string | number

/** One list number of the catalogue as identification sees it. */
export interface Candidate {
  id: string
  maker: string
  /** what is stamped */
  mark: string
  weight: number
  features: Record<string, FeatureValue>
}
