import { openCatalogue, withAliases, type Candidate, type Catalogue } from '@ekrond/core/identify'
import { weigh, type Asked, type Weighed } from './weigh'

/** A library to go through, or what is asked of it; the key comes back with the answer. */
export type ToWeigh = { candidates: Candidate[] } | { key: string; asked: Asked }
export interface Answered {
  key: string
  weighed: Weighed
}

let catalogue: Catalogue | null = null
let latest: { key: string; asked: Asked } | null = null

self.onmessage = ({ data }: MessageEvent<ToWeigh>) => {
  if ('candidates' in data) catalogue = openCatalogue(withAliases(data.candidates))
  else {
    // Of what was typed in one breath only the last is answered.
    if (latest === null) setTimeout(answer)
    latest = data
  }
}

function answer(): void {
  if (!catalogue || !latest) return
  const { key, asked } = latest
  latest = null
  const answered: Answered = { key, weighed: weigh(catalogue, asked) }
  self.postMessage(answered)
}
