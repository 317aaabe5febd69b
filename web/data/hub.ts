import { readLine, type Quantity } from '@ekrond/core/measure/instruments'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useSyncExternalStore } from 'react'

/** An instrument of this bench as it was heard last. */
export interface Heard {
  name: string
  quantity: Quantity | null
  /** in Ekrond's unit; null while it wrote nothing that can be read */
  value: number | null
  /** the line as it was written */
  line: string
  /** performance.now() of its last reading, and of its last line of any kind */
  at: number
  spokeAt: number
  /** lines in a row that were no reading */
  unread: number
  /** what it does on request, as its remarks say (`# pump 40`) */
  does: readonly string[]
}

/** Longer without a line than this and it is silent, ms. */
export const SILENT_MS = 2500
/** A few lines that cannot be read happen; so many in a row are an instrument that is not set up. */
export const UNREAD_LINES = 8

type Listener = () => void
type Sampler = (seconds: number, value: number) => void

const heard = new Map<string, Heard>()
const samplers = new Map<string, Set<Sampler>>()
const listeners = new Set<Listener>()
let snapshot: readonly Heard[] = []
let socket: WebSocket | null = null
let users = 0
let again: ReturnType<typeof setTimeout> | undefined
let painting = false
const LEAST_WAIT_MS = 1500
const MOST_WAIT_MS = 20_000
let waitMs = LEAST_WAIT_MS

/**
 * Words beside a figure change a few times a second: a bench of twelve instruments writes hundreds of lines, and drawing the screen
 * anew for each frame of them left no time for a tap. What is drawn as a line reads its samples by itself.
 */
const PAINT_EVERY_MS = 125
function changed() {
  if (painting) return
  painting = true
  const paint = () => {
    painting = false
    snapshot = [...heard.values()].sort((a, b) => a.name.localeCompare(b.name))
    listeners.forEach((tell) => tell())
  }
  setTimeout(paint, PAINT_EVERY_MS)
}

/** One line of one instrument, from the bench's WebSocket or from a serial port of this computer. */
export function hear(name: string, line: string): void {
  const now = performance.now()
  if (line === '') {
    heard.delete(name)
    return changed()
  }
  const before = heard.get(name)
  const does = before?.does ?? []
  if (line.startsWith('#')) {
    const what = line.slice(1).trim()
    if (what && !does.includes(what))
      heard.set(name, {
        ...(before ?? { name, quantity: null, value: null, line: '', at: 0, unread: 0 }),
        spokeAt: now,
        does: [...does, what].slice(0, 40),
      })
    return changed()
  }
  const read = readLine(line)
  if (isRefusal(read)) {
    heard.set(name, {
      ...(before ?? { name, quantity: null, value: null, at: 0, does }),
      line,
      spokeAt: now,
      unread: (before?.unread ?? 0) + 1,
    })
    return changed()
  }
  heard.set(name, {
    name,
    quantity: read.quantity,
    value: read.value,
    line,
    at: now,
    spokeAt: now,
    unread: 0,
    does,
  })
  samplers.get(name)?.forEach((take) => take(now / 1000, read.value))
  changed()
}

function connect() {
  if (users === 0 || socket) return
  if (!navigator.onLine) {
    window.addEventListener('online', connect, { once: true })
    return
  }
  const bench = localStorage.getItem('ekrond bench') ?? '1'
  const opened = new WebSocket(
    `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/bench/${encodeURIComponent(bench)}`,
  )
  socket = opened
  opened.onopen = () => {
    waitMs = LEAST_WAIT_MS
  }
  opened.onmessage = (event: MessageEvent<string>) => {
    const [name = '', line = ''] = event.data.split('\t')
    hear(name, line)
  }
  opened.onclose = () => {
    if (socket === opened) socket = null
    heard.clear()
    changed()
    if (users > 0) again = setTimeout(connect, waitMs)
    waitMs = Math.min(waitMs * 2, MOST_WAIT_MS)
  }
}

function join(): () => void {
  users++
  connect()
  return () => {
    users--
    // Whoever comes next, a station after a station, finds it open.
    setTimeout(() => {
      if (users > 0) return
      clearTimeout(again)
      const closing = socket
      socket = null
      closing?.close()
    }, 3000)
  }
}

function subscribe(listener: Listener): () => void {
  const done = join()
  listeners.add(listener)
  return () => {
    listeners.delete(listener)
    done()
  }
}

/** The instruments of this bench, as they change. */
export const useHeard = (): readonly Heard[] => useSyncExternalStore(subscribe, () => snapshot)

/** Every reading of one instrument as it comes, s and value; until the returned function is called. */
export function sample(name: string, take: Sampler): () => void {
  const done = join()
  const takers = samplers.get(name) ?? new Set()
  samplers.set(name, takers.add(take))
  return () => {
    takers.delete(take)
    done()
  }
}

/** Says something to an instrument: simulated ones do it, real ones may. */
export function say(name: string, words: string): void {
  if (socket?.readyState === WebSocket.OPEN) socket.send(`${name}\t${words}`)
}

const chosenKey = (quantity: Quantity, purpose: string) => `ekrond instrument ${quantity} ${purpose}`

export const chooseInstrument = (quantity: Quantity, purpose: string, name: string): void => {
  localStorage.setItem(chosenKey(quantity, purpose), name)
  changed()
}

/**
 * The instrument that readings of a quantity are taken from for a purpose: the one chosen on this computer, else one whose name says
 * the purpose, else the first that is there.
 */
export function chosenOf(all: readonly Heard[], quantity: Quantity, purpose = ''): Heard | null {
  const some = all.filter((one) => one.quantity === quantity)
  const name = localStorage.getItem(chosenKey(quantity, purpose))
  return (
    some.find((one) => one.name === name) ??
    some.find((one) => purpose !== '' && one.name.includes(purpose)) ??
    some[0] ??
    null
  )
}

const ASKED_MS = 2000

/**
 * The reading of a quantity's instrument now, for a field that is not on the bench's line all the time: listens until it speaks, two seconds
 * at most. Null where none does.
 */
export function readingNow(quantity: Quantity, purpose = ''): Promise<Heard | null> {
  const done = join()
  const now = () => {
    const one = chosenOf([...heard.values()], quantity, purpose)
    return one && performance.now() - one.at < SILENT_MS ? one : null
  }
  return new Promise((resolve) => {
    const asked = performance.now()
    const look = () => {
      const one = now()
      if (one === null && performance.now() - asked < ASKED_MS) return void setTimeout(look, 60)
      done()
      resolve(one)
    }
    look()
  })
}
