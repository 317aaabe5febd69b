import type { DataOf } from '../../log/index.ts'

/** What is about to be entered: the entry's data, and what the screen says of it before it is. */
export interface Entering<K extends keyof DataOf, Said> {
  data: DataOf[K]
  said: Said
}
