import WebSocket from 'ws'
import { lineOf, noFaults, setFault, steady, type Faults } from './faults.ts'
import { moveRig, newRig, type Rig } from './rig.ts'

/** One simulated instrument: a true value that moves, and the line that it writes of it. */
interface Instrument {
  name: string
  unit: string
  places: number
  /** lines a second */
  rate: number
  faults: Faults
  value: () => number
  move?: (s: number) => void
  /** what it does on request, as it says itself in remarks */
  does: readonly string[]
  /** a command from the bench page; faults are set before it is asked */
  command?: (words: readonly string[]) => void
}

const number = (text: string | undefined, otherwise: number): number => {
  const value = Number(text)
  return text !== undefined && Number.isFinite(value) ? value : otherwise
}

function gauge(name: string, rig: Rig): Instrument {
  return {
    does: rig.vacuum
      ? ['pump 50', 'shut', 'open', 'leak 0', 'leak 1']
      : [
          'pump 25',
          'pump 40',
          'lifts 10',
          'shut',
          'open',
          'leak 0',
          'leak 0.8',
          'leak 6',
          'settle 5 2',
          'settle 0',
        ],
    name,
    unit: 'kPa',
    places: 2,
    rate: 20,
    faults: noFaults(0.15),
    value: () => rig.pressure,
    move: (s) => moveRig(rig, s),
    command([what, first, second]) {
      switch (what) {
        case 'pump':
          rig.shut = false
          rig.lifts = 0
          rig.pumping = { to: number(first, 40) }
          break
        case 'lifts':
          rig.shut = false
          rig.lifts = number(first, 10)
          rig.pumping = { to: Infinity }
          break
        case 'shut':
          rig.pumping = null
          rig.shut = true
          break
        case 'open':
          rig.pumping = null
          rig.shut = false
          rig.pressure = 0
          break
        case 'leak':
          rig.leak = Math.max(0, number(first, 0))
          break
        case 'settle':
          rig.settle = { kpa: Math.max(0, number(first, 0)), tau: Math.max(0.1, number(second, 2)) }
          break
        case 'pop':
          rig.popOff = number(first, 46)
          rig.reseat = Math.min(rig.popOff, number(second, 38))
          break
      }
    },
  }
}

/** An instrument that shows what it is set to: a caliper, a scale, a column of a vacuum gauge. */
function still(
  name: string,
  unit: string,
  places: number,
  noise: number,
  first: number,
  rate = 5,
): Instrument {
  let value = first
  return {
    does: [`show ${first}`],
    name,
    unit,
    places,
    rate,
    faults: noFaults(noise),
    value: () => value,
    command([what, to]) {
      if (what === 'show') value = number(to, value)
      if (what === 'zero') value = 0
    },
  }
}

function stopwatch(): Instrument {
  let seconds = 0
  let runs = false
  return {
    does: ['go', 'stop', 'zero'],
    name: 'stopwatch',
    unit: 's',
    places: 1,
    rate: 10,
    faults: noFaults(0),
    value: () => seconds,
    move: (s) => void (seconds += runs ? s : 0),
    command([what]) {
      if (what === 'go') runs = true
      if (what === 'stop') runs = false
      if (what === 'zero') seconds = 0
    },
  }
}

/** The instruments of the demo's bench. */
export const bench = (): Instrument[] => [
  gauge('gauge 3', newRig()),
  gauge('vacuum gauge', { ...newRig(true), popOff: Infinity }),
  still('caliper 2', 'mm', 2, 0.005, 13.4),
  still('depth gauge 1', 'mm', 1, 0.03, 15.9),
  still('scale 1', 'g', 1, 0.02, 0),
  still('flow stand', 'mL/min', 1, 0.3, 182),
  still('column 1', 'mbar', 0, 0.8, 254, 8),
  still('column 2', 'mbar', 0, 0.8, 262, 8),
  still('column 3', 'mbar', 0, 0.8, 240, 8),
  still('column 4', 'mbar', 0, 0.8, 231, 8),
  still('ammeter', 'A', 2, 0.01, 1.6),
  stopwatch(),
]

const FAULTS = [
  'noise 0.15',
  'noise 1',
  'wild 0.03',
  'wild 0',
  'silence on',
  'silence off',
  'rubbish on',
  'rubbish off',
]
/** How often it says again what it does, for pages that came later, ms. */
const SAYS_MS = 4000

/** Connects simulated instruments to a bench, each as a real one would, and again when the server comes back. */
export function connectAll(address: string, bench: string, instruments: readonly Instrument[]): () => void {
  let stopped = false
  const stops = instruments.map((one, i) => {
    const random = steady(101 + i)
    let socket: WebSocket | undefined
    let ticks: NodeJS.Timeout | undefined
    const connect = () => {
      if (stopped) return
      const url = `${address.replace(/^http/, 'ws')}/api/bench/${encodeURIComponent(bench)}?instrument=${encodeURIComponent(one.name)}`
      socket = new WebSocket(url)
      socket.on('open', () => {
        const begun = Date.now()
        let last = begun
        let said = 0
        ticks = setInterval(() => {
          const now = Date.now()
          // In small steps: what a timer skipped is made up, so that a late tick changes no pressure.
          for (let at = last; at < now; at += 10) one.move?.(Math.min(10, now - at) / 1000)
          last = now
          if (now - said > SAYS_MS) {
            said = now
            for (const what of [...one.does, ...FAULTS]) socket?.send(`# ${what}`)
          }
          const line = lineOf(one.value(), one.unit, one.places, one.faults, (now - begun) / 60_000, random)
          if (line !== null && socket?.readyState === WebSocket.OPEN) socket.send(line)
        }, 1000 / one.rate)
      })
      socket.on('message', (data) => {
        const words = (data as Buffer).toString().trim().split(/\s+/)
        if (!setFault(one.faults, words)) one.command?.(words)
      })
      socket.on('error', () => undefined)
      socket.on('close', () => {
        clearInterval(ticks)
        if (!stopped) setTimeout(connect, 1000).unref()
      })
    }
    connect()
    return () => {
      clearInterval(ticks)
      socket?.close()
    }
  })
  return () => {
    stopped = true
    stops.forEach((stop) => stop())
  }
}
