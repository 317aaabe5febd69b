import { judgeShutIn } from '@ekrond/core/bench/proving'
import type { Proof } from '@ekrond/core/judge/proof'
import type { Sample } from '@ekrond/core/measure/trace'

export interface HoldAsked {
  n: number
  proof: Proof
  samples: Sample[]
  volumeMl: number
  sigma: number
}

self.onmessage = ({ data }: MessageEvent<HoldAsked>) => {
  const { n, proof, samples, volumeMl, sigma } = data
  self.postMessage({ n, hold: judgeShutIn(proof, samples, { volumeMl, sigma }) })
}
