import { newId } from './id'
import type { BathsAnswer } from '@ekrond/contract/baths'
import type { BathItem } from '@ekrond/core/plan/baths'
import { kinds, type UnsentEntry } from '@ekrond/core/log'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from './api'
import { stampNow } from './clock'
import { enqueue } from './queue'

/** What waits for the bath, lies in it or dries, over all jobs. */
export const useBaths = () =>
  useQuery<BathsAnswer, ApiError>({
    queryKey: ['baths'],
    queryFn: () => call('/api/baths'),
    staleTime: 5_000,
    placeholderData: (before) => before,
  })

/** The parts of a load by job and body: each job's log says what became of its own. */
export function byBody(items: readonly BathItem[]): { job: string; body: number; positions: string[] }[] {
  const groups = new Map<string, { job: string; body: number; positions: string[] }>()
  for (const { job, body, position } of items) {
    const key = `${job} ${body}`
    const group = groups.get(key) ?? { job, body, positions: [] }
    group.positions.push(position)
    groups.set(key, group)
  }
  return [...groups.values()]
}

/** An entry on another job than the one on screen: its own server admits it. */
export function enterElsewhere(
  job: string,
  body: number,
  kind: 'bath.in' | 'bath.out',
  data: unknown,
  by: string,
): void {
  const entry: UnsentEntry = {
    id: newId(),
    job,
    kind,
    v: kinds.get(kind)!.version,
    body,
    data,
    by,
    at: stampNow(),
  }
  enqueue([entry])
}
