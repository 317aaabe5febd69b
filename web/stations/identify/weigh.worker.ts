import { openCatalogue, withAliases, type Candidate, type Catalogue } from '@ekrond/core/identify'
import { expose } from 'comlink'
import { weigh, type Asked, type Weighed } from './weigh'

let catalogue: Catalogue | null = null

const weighing = {
  open(candidates: Candidate[]): void {
    catalogue = openCatalogue(withAliases(candidates))
  },
  /** Null before a library is open. */
  weigh: (asked: Asked): Weighed | null => (catalogue ? weigh(catalogue, asked) : null),
}
export type Weighing = typeof weighing

expose(weighing)
