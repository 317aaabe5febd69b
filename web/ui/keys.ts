import { useEffect, useRef, type RefObject } from 'react'
import { isScanning } from './scanner'

const isRadio = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement && target.type === 'radio'

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  !isRadio(target) &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/** The reading that is asked: where figures go, whatever has the focus. */
interface Asked {
  element: HTMLInputElement
  /** for a count that no field holds as text: true where the key was dealt with */
  onKey: ((key: string) => boolean) | null
}
const asked: Asked[] = []
const isReading = (target: EventTarget | null): boolean => asked.some(({ element }) => element === target)
/** No reading has them: there too they ask for the keys and step from one to the next. */
const OF_NO_READING = new Set(['?', 'ArrowUp', 'ArrowDown'])
const FIGURE = /^[0-9.,/#-]$/

/** Esc lifts the eyes to the stations: the next digit goes to one of them. `ZONES` on the body shows it. */
const ZONES = 'zones'
const lookAtZones = (on: boolean) => document.body.toggleAttribute(`data-${ZONES}`, on)
const atZones = () => document.body.hasAttribute(`data-${ZONES}`)

const isText = (target: EventTarget | null): boolean =>
  inField(target) && !(target instanceof HTMLSelectElement)

/**
 * Whose a key is, before any screen hears it: the reading’s where it is a figure and nobody types elsewhere; the stations’ after Esc,
 * once; else whoever has the focus.
 */
export function whoseKey(
  key: string,
  at: { held: boolean; dialog: boolean; zones: boolean; asked: boolean; inText: boolean },
): 'reading' | 'stations' | 'lift to stations' | 'focus' {
  if (at.held || at.dialog) return 'focus'
  if (key === 'Escape') return 'lift to stations'
  if (key === 'Shift') return 'focus'
  if (at.zones) return 'stations'
  return at.asked && FIGURE.test(key) && !at.inText ? 'reading' : 'focus'
}

function routeFigures(event: KeyboardEvent) {
  const now = asked.at(-1)
  const whose = whoseKey(event.key, {
    held: event.ctrlKey || event.altKey || event.metaKey || isScanning(),
    dialog: document.querySelector('[role=dialog]') !== null,
    zones: atZones(),
    asked: now !== undefined,
    inText: event.target === now?.element || isText(event.target),
  })
  if (whose === 'lift to stations') return lookAtZones(true)
  // This one key is the stations'; with the next one figures are figures again.
  if (whose === 'stations') return void window.setTimeout(() => lookAtZones(false))
  if (whose !== 'reading' || !now) return
  // Whatever had the focus does not see the figure.
  event.stopImmediatePropagation()
  now.element.focus()
  if (!now.element.readOnly) now.element.setSelectionRange(now.element.value.length, now.element.value.length)
  if (now.onKey?.(event.key)) event.preventDefault()
}

if (typeof window !== 'undefined') {
  // Registered as the module loads: before the keys of any screen.
  window.addEventListener('keydown', routeFigures, true)
  window.addEventListener('pointerdown', () => lookAtZones(false), true)
}

/** Makes a field the reading that is asked while it is there. */
export function useAsked(element: RefObject<HTMLInputElement | null>, onKey: Asked['onKey']): void {
  const latest = useRef(onKey)
  useEffect(() => {
    latest.current = onKey
  })
  useEffect(() => {
    if (!element.current) return
    const one: Asked = { element: element.current, onKey: (key) => latest.current?.(key) ?? false }
    asked.push(one)
    return () => void asked.splice(asked.indexOf(one), 1)
  }, [element])
}

/** Keys of the stations: they act only after Esc, so that no figure of a reading ever leaves its sheet. */
export const afterEscape = (act: () => void) => () => {
  if (atZones()) act()
}

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
      if (inField(event.target) && !(OF_NO_READING.has(event.key) && isReading(event.target))) return
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
