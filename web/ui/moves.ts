import { useCallback, useEffect, useRef, useState } from 'react'
import type { createBrowserRouter } from 'react-router'

type Router = ReturnType<typeof createBrowserRouter>
interface MoveOptions {
  replace?: boolean
}

let router: Router | undefined
let inputs = 0

/** Counts what hands do, before any key or button acts on it. A key that is held is one input. */
export function watchInputs(): void {
  window.addEventListener('pointerdown', () => void inputs++, true)
  window.addEventListener('keydown', (event) => void (event.repeat || inputs++), true)
}

export function bindRouter(created: Router): void {
  router = created
}

/**
 * A move that belongs to the act that asks for it now: it may come later, after an answer, and is dropped where hands have done
 * anything since. A tap outranks whatever the program still meant to do.
 */
export function beginMove(): (address: string, options?: MoveOptions) => boolean {
  const asked = inputs
  return (address, options) => {
    if (asked !== inputs) return false
    void router?.navigate(address, options)
    return true
  }
}

/**
 * Gives a job its number in the address that stands now, whatever station that names: no station is chosen by it, and a move that
 * is under way goes first.
 */
export function renameJob(number: number): () => void {
  const rename = () => {
    const at = router?.state
    if (!at || at.navigation.state !== 'idle') return
    const { pathname, search } = at.location
    const wanted = pathname.replace(/^\/jobs\/[^/]+/, `/jobs/${number}`)
    if (wanted !== pathname)
      void router!.navigate(wanted + search, {
        replace: true,
        state: at.location.state as unknown,
        flushSync: true,
      })
  }
  const stop = router?.subscribe(rename)
  rename()
  return () => stop?.()
}

/** An act that waits for an answer: while it is in flight it cannot be started twice. */
export function useAct<A extends unknown[]>(
  act: (...given: A) => Promise<unknown>,
): [run: (...given: A) => void, busy: boolean] {
  const running = useRef(false)
  const latest = useRef(act)
  const [busy, setBusy] = useState(false)
  useEffect(() => {
    latest.current = act
  })
  const run = useCallback((...given: A) => {
    if (running.current) return
    running.current = true
    setBusy(true)
    void latest.current(...given).finally(() => {
      running.current = false
      setBusy(false)
    })
  }, [])
  return [run, busy]
}
