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

/** The displacement for one body, L: of a list number by its sheet, of a job by what was said of its engine. */
export const ENGINE_FEATURE = 'engineL'
