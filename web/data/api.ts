import type { Problem } from '@ekrond/contract/problem'

/** What the server said no to, with its sentence; or that it could not be reached. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    sentence: string,
    readonly field?: string,
  ) {
    super(sentence)
  }
  /** Worth sending again by itself: the network, or the server's own trouble. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 500 || this.status === 429
  }
}

export async function call<T>(path: string, init?: RequestInit): Promise<T> {
  return (await (await asked(path, init)).json()) as T
}

/** An answer, and when it was given where it is an old one that was kept for want of the server; null where it is of now. */
export async function callKept<T>(path: string): Promise<{ answer: T; kept: string | null }> {
  const response = await asked(path)
  return { answer: (await response.json()) as T, kept: response.headers.get('x-kept') }
}

/** A request whose answer holds nothing. */
export async function callEmpty(path: string, init?: RequestInit): Promise<void> {
  await asked(path, init)
}

async function asked(path: string, init?: RequestInit): Promise<Response> {
  let response: Response
  try {
    response = await fetch(path, init)
  } catch {
    throw new ApiError(
      0,
      'The server cannot be reached. What you enter is saved on this device and sent when it is back.',
    )
  }
  if (response.ok) return response
  const problem = (await response.json().catch(() => null)) as Problem | null
  throw new ApiError(
    response.status,
    problem?.detail ?? `The server answered with error ${response.status}.`,
    problem?.field,
  )
}

export const post = <T>(path: string, body: unknown, method: 'POST' | 'PUT' = 'POST'): Promise<T> =>
  call<T>(path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
