import type { Sample } from '@ekrond/core/measure/trace'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { sample } from '../../data/hub'

/** A longer trace than this begins to forget its oldest, samples. */
const MOST_SAMPLES = 40_000
const GAP_S = 2.5
const LEAST_STEP_S = 0.001

export interface Trace {
  /** the same array while it grows: read at every frame */
  samples: () => readonly Sample[]
  runs: boolean
  start: () => void
  clear: () => void
}

/** What an instrument writes from the moment that it is watched: seconds from its first sample. */
export function useTrace(name: string | null): Trace {
  const taken = useRef<Sample[]>([])
  const [runs, setRuns] = useState(false)
  const [, setCount] = useState(0)
  useEffect(() => {
    if (!runs || !name) return
    let zero: number | null = null
    let told = 0
    return sample(name, (seconds, value) => {
      zero ??= seconds
      // Lines that a busy browser hands over together come one after another all the same.
      const last = taken.current.at(-1)?.[0] ?? -LEAST_STEP_S
      taken.current.push([Math.max(seconds - zero, last + LEAST_STEP_S), value])
      if (taken.current.length > MOST_SAMPLES) taken.current.shift()
      // The words beside it change a few times a second; the line itself is drawn at every frame.
      if (seconds - told > 0.25) {
        told = seconds
        setCount((n) => n + 1)
      }
    })
  }, [runs, name])
  const samples = useCallback(() => taken.current, [])
  const start = useCallback(() => {
    taken.current = []
    setRuns(true)
  }, [])
  const clear = useCallback(() => {
    taken.current = []
    setRuns(false)
  }, [])
  return useMemo(() => ({ samples, runs, start, clear }), [samples, runs, start, clear])
}

/** A hold with a hole in it is judged by neither half: what to do, empty where there is none. */
export function gapIn(samples: readonly Sample[]): string {
  const at = samples.findIndex(([s], i) => i > 0 && s - samples[i - 1]![0] > GAP_S)
  return at < 0
    ? ''
    : `The gauge stopped after ${Math.round(samples[at - 1]![0] - samples[0]![0])} s: half a hold proves nothing. Start again, or type what you read.`
}
