import type { Hold, Proof } from '@ekrond/core/judge/proof'
import type { Result } from '@ekrond/core/base/refusal'
import type { Sample } from '@ekrond/core/measure/trace'
import { useEffect, useRef, useState } from 'react'
import type { HoldAsked } from './hold.worker'

const EVERY_MS = 400

/** A hold judged in a worker while it runs: the laws are fitted to what is there, a few times a second. Null before the first answer. */
export function useHold(
  proof: Proof,
  samples: () => readonly Sample[],
  on: boolean,
  volumeMl: number,
  sigma: () => number,
): { hold: Result<Hold> | null; of: number } {
  const [answer, setAnswer] = useState<{ hold: Result<Hold>; of: number } | null>(null)
  // What is asked with changes at every stroke of the gauge: the worker stays.
  const asking = useRef({ samples, sigma, proof })
  useEffect(() => {
    asking.current = { samples, sigma, proof }
  })
  useEffect(() => {
    if (!on) return
    const worker = new Worker(new URL('./hold.worker.ts', import.meta.url), { type: 'module' })
    let n = 0
    let busy = false
    let last = -1
    let sent = 0
    worker.onmessage = ({ data }: MessageEvent<{ n: number; hold: Result<Hold> }>) => {
      busy = false
      setAnswer({ hold: data.hold, of: sent })
    }
    const ask = () => {
      const now = asking.current.samples()
      if (busy || now.length === last || now.length < 8) return
      last = now.length
      sent = now.length
      busy = true
      const asked: HoldAsked = {
        n: ++n,
        proof: asking.current.proof,
        samples: [...now],
        volumeMl,
        sigma: asking.current.sigma(),
      }
      worker.postMessage(asked)
    }
    const timer = setInterval(ask, EVERY_MS)
    return () => {
      clearInterval(timer)
      worker.terminate()
      setAnswer(null)
    }
  }, [on, proof.key, volumeMl])
  return { hold: answer?.hold ?? null, of: answer?.of ?? 0 }
}
