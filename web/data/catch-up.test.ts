import type { JobAnswer } from '@ekrond/contract/jobs'
import { QueryClient, QueryObserver } from '@tanstack/react-query'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { catchUp, catchUpShown, grown } from './catch-up'

const JOB = '00000000-0000-4000-8000-000000000001'
const logOf = (seq: number, job = JOB): JobAnswer =>
  ({
    job,
    number: 1183,
    letter: 'B',
    seq,
    entries: Array.from({ length: seq }, (_, i) => ({ id: `e${i + 1}`, kind: 'note.written', seq: i + 1 })),
    sheets: {},
  }) as unknown as JobAnswer
const seqs = (answer: JobAnswer | undefined) => answer?.entries.map(({ seq }) => seq)

describe('an answer that was on its way while an entry was taken', () => {
  it('loses none that are known already', () => {
    expect(seqs(grown(logOf(3), logOf(5)))).toEqual([1, 2, 3, 4, 5])
    expect(grown(logOf(3), logOf(5)).seq).toBe(5)
  })
  it('is the newer one where it is, and of another job it is that one', () => {
    expect(grown(logOf(5), logOf(3)).seq).toBe(5)
    expect(seqs(grown(logOf(2), logOf(5, 'another')))).toEqual([1, 2])
    expect(seqs(grown(logOf(2), undefined))).toEqual([1, 2])
  })
})

describe('a job that is told to have grown', () => {
  afterEach(() => vi.unstubAllGlobals())
  /** A page that asked for a job and has no answer yet; the first answer, from before the entry, comes last. */
  async function onItsWay(asked: string) {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
    const answers: ((answer: JobAnswer) => void)[] = []
    const queryKey = ['job', asked]
    const queryFn = () => new Promise<JobAnswer>((resolve) => answers.push(resolve))
    const leave = new QueryObserver(client, { queryKey, queryFn }).subscribe(() => undefined)
    const caught = catchUp(client, JOB)
    await vi.waitFor(() => expect(answers.length).toBeGreaterThan(asked === 'another' ? 0 : 1))
    answers[1]?.(logOf(5))
    answers[0]!(logOf(4))
    await caught
    await vi.waitFor(() => expect(client.getQueryData(queryKey)).toBeDefined())
    leave()
    return { client, answers, known: client.getQueryData<JobAnswer>(queryKey) }
  }
  it('is asked anew by its uuid and by its number: an answer from before the entry does not stand', async () => {
    for (const asked of [JOB, '1183']) expect((await onItsWay(asked)).known?.seq, asked).toBe(5)
  })
  it('another job is left alone', async () => {
    const { answers, known } = await onItsWay('another')
    expect(answers).toHaveLength(1)
    expect(known?.seq).toBe(4)
  })
  it('of a job that is shown only what it lacks is fetched', async () => {
    const client = new QueryClient()
    client.setQueryData(['job', '1183'], logOf(3))
    const asked: string[] = []
    vi.stubGlobal('fetch', (path: string) => {
      asked.push(path)
      return Promise.resolve(Response.json({ entries: logOf(5).entries.slice(3), seq: 5 }))
    })
    await catchUp(client, JOB)
    expect(asked).toEqual([`/api/jobs/${JOB}/entries?after=3`])
    expect(seqs(client.getQueryData(['job', '1183']))).toEqual([1, 2, 3, 4, 5])
  })
  it('what was taken between its answer and the first news is looked for once', async () => {
    const client = new QueryClient()
    let answer: (job: JobAnswer) => void = () => undefined
    const queryFn = () => new Promise<JobAnswer>((resolve) => (answer = resolve))
    const leave = new QueryObserver(client, { queryKey: ['job', '1183'], queryFn }).subscribe(() => undefined)
    vi.stubGlobal('fetch', () =>
      Promise.resolve(Response.json({ entries: logOf(5).entries.slice(3), seq: 5 })),
    )
    const caught = catchUpShown(client)
    answer(logOf(3))
    await caught
    expect(seqs(client.getQueryData(['job', '1183']))).toEqual([1, 2, 3, 4, 5])
    leave()
  })
})
