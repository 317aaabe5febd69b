import { readLocal, writeLocal } from '../data/local'
import type { SettingSpec } from '@ekrond/core/sheets'
import { useSyncExternalStore } from 'react'
import styled from 'styled-components'
import { figures } from '../theme/global'

const KEY = 'ekrond pad'
const watchers = new Set<() => void>()

/** Whether this bench's readings are tapped on the sheet: remembered per browser, on at first where fingers are all there is. */
export function usePad(): [boolean, () => void] {
  const open = useSyncExternalStore(
    (changed) => {
      watchers.add(changed)
      return () => watchers.delete(changed)
    },
    () => (readLocal(KEY) ?? (matchMedia('(pointer: coarse)').matches ? 'on' : 'off')) === 'on',
  )
  return [
    open,
    () => {
      writeLocal(KEY, open ? 'off' : 'on')
      watchers.forEach((watcher) => watcher())
    },
  ]
}

/** What a quantity's notation has beside figures. */
export const PAD_WORDS: Record<SettingSpec['quantity'], readonly string[]> = {
  length: ['in', 'mm'],
  gap: ['in', 'mm'],
  turns: [],
  notches: ['rich', 'lean'],
  count: [],
}

const Keys = styled.div`
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 4px;
  & > button {
    min-height: 45px;
    border: 1px solid var(--line);
    border-radius: 2px;
    background: var(--paper);
    color: var(--ink);
    font: 500 20px/1 ${figures};
    cursor: pointer;
  }
  & > button:active {
    background: var(--tint);
  }
`

const ROWS = ['7', '8', '9', '/', '#', 'back', '4', '5', '6', '.', '-', 'space', '1', '2', '3', '0']
const FACE: Record<string, string> = { back: '⌫', space: '␣', '-': '−' }
const SAID: Record<string, string> = {
  '/': 'stroke',
  '#': 'drill number',
  back: 'back one',
  '.': 'point',
  '-': 'minus',
}

/** What a field holds after a key of the pad: a word stands apart from the figure before it. */
export const afterKey = (value: string, key: string, words: readonly string[]): string =>
  key === 'back'
    ? value.slice(0, -1)
    : key === 'space'
      ? `${value} `
      : words.includes(key)
        ? `${value.trimEnd()} ${key}`.trimStart()
        : value + key

/** A reading by taps: figures, the notations' signs and the words that belong to the quantity. The field keeps the keyboard. */
export function Pad({
  value,
  onChange,
  words,
}: {
  value: string
  onChange: (text: string) => void
  /** two at most, as the notation has them: “rich”, “lean” */
  words: readonly string[]
}) {
  return (
    <Keys role="group" aria-label="Number pad">
      {[...ROWS, ...words].map((key) => (
        <button
          key={key}
          type="button"
          tabIndex={-1}
          aria-label={SAID[key] ?? key}
          style={key === '0' && words.length === 0 ? { gridColumn: 'span 3' } : {}}
          // The field keeps the focus.
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => onChange(afterKey(value, key, words))}
        >
          {FACE[key] ?? key}
        </button>
      ))}
    </Keys>
  )
}
