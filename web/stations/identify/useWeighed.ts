import { openCatalogue, withAliases, type Candidate } from '@ekrond/core/identify'
import type { Remote } from 'comlink'
import { useEffect, useMemo, useRef, useState } from 'react'
import { openDesk } from '../../data/answered'
import { weigh, type Asked, type Weighed } from './weigh'
import type { Weighing } from './weigh.worker'

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
  const desk = useRef<ReturnType<typeof openLibrary> | null>(null)
  const [answered, setAnswered] = useState<{ key: string; weighed: Weighed } | null>(null)
  useEffect(() => {
    if (!large) return
    const opened = openLibrary(candidates, (key, weighed) => setAnswered({ key, weighed }))
    desk.current = opened
    return () => {
      desk.current = null
      opened.close()
      setAnswered(null)
    }
  }, [candidates, large])
  useEffect(() => {
    desk.current?.ask(key)
  }, [key, candidates, large])
  return large
    ? { weighed: answered?.weighed ?? null, fresh: answered?.key === key }
    : { weighed: here, fresh: true }
}

const openWorker = () => new Worker(new URL('./weigh.worker.ts', import.meta.url), { type: 'module' })

/** A worker with the library open. */
function openLibrary(candidates: Candidate[], answer: (key: string, weighed: Weighed) => void) {
  let opened: Promise<void> | undefined
  return openDesk(
    openWorker,
    async (weighing: Remote<Weighing>, key: string) => {
      await (opened ??= weighing.open(candidates))
      return weighing.weigh(JSON.parse(key) as Asked)
    },
    (key, weighed) => weighed && answer(key, weighed),
  )
}
