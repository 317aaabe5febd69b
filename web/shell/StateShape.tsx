import type { StationState } from '@ekrond/core/bench/stations'

export const STATE_WORDS: Record<StationState | 'here', string> = {
  none: 'not begun',
  begun: 'begun',
  done: 'done',
  waits: 'waits for parts',
  again: 'check again',
  here: 'you are here',
}

/** A station's state as a shape: the word goes with it for whoever does not see it. */
export function StateShape({ state }: { state: StationState | 'here' }) {
  return (
    <svg
      width="14"
      height="14"
      viewBox="0 0 14 14"
      role="img"
      aria-label={STATE_WORDS[state]}
      style={{ flex: 'none' }}
    >
      {state === 'here' && <path d="M2 1 13 7 2 13Z" fill="currentColor" />}
      {state === 'none' && (
        <circle cx="7" cy="7" r="5.2" fill="none" stroke="currentColor" strokeWidth="1.5" />
      )}
      {state === 'begun' && (
        <>
          <circle cx="7" cy="7" r="5.2" fill="none" stroke="currentColor" strokeWidth="1.5" />
          <path d="M7 1.8a5.2 5.2 0 0 0 0 10.4Z" fill="currentColor" />
        </>
      )}
      {state === 'done' && <circle cx="7" cy="7" r="6" fill="currentColor" />}
      {state === 'waits' && (
        <path d="M7 1.5 13 12.5H1Z" fill="none" stroke="currentColor" strokeWidth="1.5" />
      )}
      {state === 'again' && (
        <path d="M7 1 13 7 7 13 1 7Z" fill="none" stroke="currentColor" strokeWidth="1.5" />
      )}
    </svg>
  )
}
