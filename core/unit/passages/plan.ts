/** A drilling or a tube between two places; air goes through it both ways. */
export interface Branch {
  id: string
  from: string
  to: string
  /** chance that it is blocked before anything was blown, 0 to 1 */
  prior: number
}

/** A branch as it lies in the unit, mm. */
export interface Passage extends Omit<Branch, 'prior'> {
  name: string
  circuit: 'fuel' | 'air' | 'vacuum'
  bore: number
  line: readonly (readonly [x: number, y: number, r?: number])[]
  /** the cause of the complaint's table that it bears */
  cause: string
  /** what it does to the engine where it is blocked */
  symptom: string
}

export interface Port {
  code: string
  name: string
  at: readonly [x: number, y: number, r?: number]
}

export interface PassagePlan {
  passages: readonly Passage[]
  ports: readonly Port[]
}
