import type { Hold, Proof } from '@ekrond/core/judge/proof'
import { isRefusal, type Result } from '@ekrond/core/base/refusal'
import type { Sample } from '@ekrond/core/measure/trace'
import { wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Judging } from './hold.worker'

const EVERY_MS = 400

const waits = (hold: Result<Hold>): boolean => !isRefusal(hold) && hold.verdict === 'wait'

/**
 * A hold judged in a worker while it runs: the laws are fitted to what is there, a few times a second. Null before the first answer.
 * What was told for sure stays under the finger until two answers one after the other ask to wait again.
 */
export function useHold(
  proof: Proof,
  samples: () => readonly Sample[],
  on: boolean,
  volumeMl: number,
  sigma: () => number,
): Result<Hold> | null {
  const [answer, setAnswer] = useState<Result<Hold> | null>(null)
  // What is asked with changes at every stroke of the gauge: the worker stays.
  const asking = useRef({ samples, sigma, proof })
  useEffect(() => {
    asking.current = { samples, sigma, proof }
  })
  useEffect(() => {
    if (!on) return
    const worker = new Worker(new URL('./hold.worker.ts', import.meta.url), { type: 'module' })
    const judging = wrap<Judging>(worker)
    let busy = false
    let last = -1
    let waited = false
    const ask = async () => {
      const now = asking.current.samples()
      if (busy || now.length === last || now.length < 8) return
      last = now.length
      busy = true
      const bench = { volumeMl, sigma: asking.current.sigma() }
      const hold = await judging.judge(asking.current.proof, [...now], bench)
      const again = waited
      waited = waits(hold)
      setAnswer((before) => (before && waited && !again ? before : hold))
      busy = false
    }
    const timer = setInterval(() => void ask(), EVERY_MS)
    return () => {
      clearInterval(timer)
      worker.terminate()
      setAnswer(null)
    }
  }, [on, proof.key, volumeMl])
  return answer
}
