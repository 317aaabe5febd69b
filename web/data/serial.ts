import { hear } from './hub'

/** The part of the browser's serial port that is used; not every browser has it. */
interface SerialPort {
  open(options: { baudRate: number }): Promise<void>
  readable: ReadableStream<Uint8Array> | null
}
interface Serial {
  requestPort(): Promise<SerialPort>
}

export const serialOf = (): Serial | undefined => (navigator as { serial?: Serial }).serial

/** Reads an instrument at a serial port of this computer, line by line, until it ends. A sentence where it cannot be opened. */
export async function attachSerial(name: string, baudRate: number): Promise<string> {
  const serial = serialOf()
  if (!serial)
    return 'This browser cannot open a serial port. Connect the instrument over the network, or as a keyboard.'
  let port: SerialPort
  try {
    port = await serial.requestPort()
    await port.open({ baudRate })
  } catch (error) {
    return error instanceof DOMException && error.name === 'NotFoundError'
      ? ''
      : 'The port did not open. Another program may be using it: close that program and try again.'
  }
  void readLines(port, name)
  return ''
}

async function readLines(port: SerialPort, name: string): Promise<void> {
  const reader = port.readable!.getReader()
  const text = new TextDecoder()
  let rest = ''
  try {
    for (;;) {
      const { value, done } = await reader.read()
      if (done) break
      rest += text.decode(value, { stream: true })
      const lines = rest.split(/\r?\n|\r/)
      rest = (lines.pop() ?? '').slice(-200)
      for (const line of lines) if (line.trim()) hear(name, line)
    }
  } catch {
    // The plug was pulled: what it said last stands, and then it is silent.
  } finally {
    hear(name, '')
  }
}
