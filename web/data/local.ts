// Small things that a browser keeps by itself: where it will not, they live as long as the window.
const here = new Map<string, string>()

export function readLocal(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return here.get(key) ?? null
  }
}

export function writeLocal(key: string, value: string | null): void {
  if (value === null) here.delete(key)
  else here.set(key, value)
  try {
    if (value === null) localStorage.removeItem(key)
    else localStorage.setItem(key, value)
  } catch {
    // denied or full
  }
}

interface Channel {
  post(message: unknown): void
  close(): void
}

/** Tells the other windows of this browser; where it has no channel between windows, nobody. */
export function openChannel<T>(name: string, hear: (message: T) => void): Channel {
  if (typeof BroadcastChannel === 'undefined') return { post: () => undefined, close: () => undefined }
  const channel = new BroadcastChannel(name)
  channel.onmessage = (event: MessageEvent<T>) => hear(event.data)
  return { post: (message) => channel.postMessage(message), close: () => channel.close() }
}
