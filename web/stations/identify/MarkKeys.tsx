import styled from 'styled-components'
import { figures } from '../../theme/global'
import { QuietButton } from '../../ui'
import { afterKey, usePad } from '../../ui/Pad'

const Keys = styled.div`
  display: grid;
  grid-template-columns: repeat(8, minmax(0, 1fr));
  gap: 4px;
  flex: none;
  & > button {
    min-height: 44px;
    padding: 0;
    border: 1px solid var(--line);
    border-radius: 2px;
    background: var(--paper);
    color: var(--ink);
    font: 500 19px/1 ${figures};
    cursor: pointer;
  }
  & > button:active {
    background: var(--tint);
  }
`

const SIGNS: Readonly<Record<string, string>> = {
  '.': 'unreadable',
  '/': 'either, then the next character',
  '...': 'several missing',
  back: 'back one',
}
const ROWS = ['back', '.', '/', '...', '-', ...'0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ']

/** The characters of a mark to tap, for hands without a keyboard. */
export function MarkKeys({ value, set }: { value: string; set: (text: string) => void }) {
  const [open, toggle] = usePad()
  return (
    <>
      <QuietButton
        aria-expanded={open}
        onPress={toggle}
        style={{ alignSelf: 'start', flex: 'none', marginLeft: -8 }}
      >
        {open ? 'Hide characters' : 'Tap characters'}
      </QuietButton>
      {open && (
        <Keys role="group" aria-label="Characters of the mark">
          {ROWS.map((key) => (
            <button
              key={key}
              type="button"
              tabIndex={-1}
              aria-label={SIGNS[key] ?? key}
              // The field keeps the focus.
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => set(afterKey(value, key, []))}
            >
              {key === 'back' ? '⌫' : key}
            </button>
          ))}
        </Keys>
      )}
    </>
  )
}
