import { useEffect, useRef } from 'react'

const isRadio = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement && target.type === 'radio'

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  !isRadio(target) &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/**
 * Letters and digits act only outside fields: inside, every printable key is a reading's. Esc leaves the field. `bindings` by
 * key name, lower case.
 */
export function useKeys(bindings: Record<string, () => void>): void {
  const latest = useRef(bindings)
  useEffect(() => {
    latest.current = bindings
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented) return
      if (document.querySelector('[role=dialog]')) return
      if (event.key === 'Escape' && inField(event.target)) {
        ;(event.target as HTMLElement).blur()
        return
      }
      if (inField(event.target)) return
      // Enter and space on a focused button or link press it.
      if (
        (event.key === 'Enter' || event.key === ' ') &&
        event.target instanceof HTMLElement &&
        event.target.closest('button, a, [role=button]')
      )
        return
      // Arrows and space choose among radios.
      if (isRadio(event.target) && (event.key.startsWith('Arrow') || event.key === ' ')) return
      const act = latest.current[event.key.length === 1 ? event.key.toLowerCase() : event.key]
      if (!act) return
      event.preventDefault()
      // A key that is held acts once; arrows go on.
      if (event.repeat && !event.key.startsWith('Arrow')) return
      act()
    }
    // On the way down: React Aria keeps its own controls' keys from coming up again.
    window.addEventListener('keydown', onKey, true)
    return () => window.removeEventListener('keydown', onKey, true)
  }, [])
}

/**
 * A field's Enter. The default is prevented: what Enter brings up may take the focus, and the same keystroke would press it.
 */
export const onEnter = (act: () => void) => (event: React.KeyboardEvent) => {
  if (event.key !== 'Enter') return
  event.preventDefault()
  if (!event.repeat) act()
}
