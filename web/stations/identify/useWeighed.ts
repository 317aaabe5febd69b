import { openCatalogue, withAliases, type Candidate } from '@ekrond/core/identify'
import { useEffect, useMemo, useRef, useState } from 'react'
import { weigh, type Asked, type Weighed } from './weigh'
import type { Answered, ToWeigh } from './weigh.worker'

/** A library of so many list numbers is gone through within a frame; a larger one in a worker, and the page never waits. */
const IN_PAGE = 1000

/**
 * What the library makes of what is known of a unit. `fresh` says whether that is of what is asked now: in a large library the answer
 * before stands for a moment. Null before the first answer, and without a library.
 */
export function useWeighed(
  candidates: Candidate[],
  asked: Asked,
): { weighed: Weighed | null; fresh: boolean } {
  const key = JSON.stringify(asked)
  const large = candidates.length > IN_PAGE
  const catalogue = useMemo(
    () => (candidates.length === 0 || large ? null : openCatalogue(withAliases(candidates))),
    [candidates, large],
  )
  const here = useMemo(
    () => (catalogue ? weigh(catalogue, JSON.parse(key) as Asked) : null),
    [catalogue, key],
  )
  const worker = useRef<Worker | null>(null)
  const [answered, setAnswered] = useState<Answered | null>(null)
  useEffect(() => {
    if (!large) return
    const started = new Worker(new URL('./weigh.worker.ts', import.meta.url), { type: 'module' })
    started.onmessage = ({ data }: MessageEvent<Answered>) => setAnswered(data)
    const library: ToWeigh = { candidates }
    started.postMessage(library)
    worker.current = started
    return () => {
      worker.current = null
      started.terminate()
      setAnswered(null)
    }
  }, [candidates, large])
  useEffect(() => {
    const question: ToWeigh = { key, asked: JSON.parse(key) as Asked }
    worker.current?.postMessage(question)
  }, [key, candidates, large])
  return large
    ? { weighed: answered?.weighed ?? null, fresh: answered?.key === key }
    : { weighed: here, fresh: true }
}
