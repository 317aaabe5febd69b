import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'

/** A worker that is asked: of what is asked while it is busy only the last is answered. */
export function openDesk<W, Q, A>(
  open: () => Worker,
  ask: (worker: Remote<W>, question: Q) => Promise<A>,
  answer: (question: Q, said: A) => void,
) {
  const worker = open()
  const desk: Remote<W> = wrap(worker)
  let asked: { question: Q } | null = null
  let busy = false
  const work = async (): Promise<void> => {
    if (busy) return
    busy = true
    while (asked !== null) {
      const { question } = asked
      asked = null
      answer(question, await ask(desk, question))
    }
    busy = false
  }
  return {
    ask(question: Q): void {
      asked = { question }
      void work()
    },
    close: () => worker.terminate(),
  }
}

/**
 * What a worker answers to a question, null before the first answer; the answer before stands until the next has come, `of` says of
 * which question it is, `fresh` whether that is asked now. `question` is asked anew whenever it is another object; null asks nothing. `open` and `ask` stay.
 */
export function useAnswered<W, Q, A>(
  open: () => Worker,
  ask: (worker: Remote<W>, question: Q) => Promise<A>,
  question: Q | null,
): { said: A | null; of: Q | null; fresh: boolean } {
  const [answered, setAnswered] = useState<{ question: Q; said: A } | null>(null)
  const desk = useRef<ReturnType<typeof openDesk<W, Q, A>> | null>(null)
  useEffect(() => {
    const opened = openDesk(open, ask, (of: Q, said: A) => setAnswered({ question: of, said }))
    desk.current = opened
    return () => {
      desk.current = null
      opened.close()
    }
  }, [open, ask])
  useEffect(() => {
    if (question !== null) desk.current?.ask(question)
  }, [question, open, ask])
  return {
    said: answered?.said ?? null,
    of: answered?.question ?? null,
    fresh: answered !== null && answered.question === question,
  }
}
