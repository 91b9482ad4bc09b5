import type { DeviceKind } from '@pledge/core'

/** A way to a measuring device: lines in, lines out. */
export interface DeviceLink {
  send(line: string): void
  close(): void
}
export interface LinkListener {
  line(text: string): void
  /** The link is gone, asked for or not. */
  closed(): void
}
export type OpenLink = (kind: DeviceKind, listener: LinkListener) => Promise<DeviceLink>

/** Whole lines out of pieces as they come. */
export function lineSplitter(onLine: (text: string) => void): (piece: string) => void {
  let rest = ''
  return (piece) => {
    const lines = (rest + piece).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) if (line.trim() !== '') onLine(line.trim())
  }
}

/** A device reached over the network, at the address the clinic set. */
export function networkLink(url: string): OpenLink {
  return (kind, listener) =>
    new Promise((resolve, reject) => {
      const socket = new WebSocket(`${url}/${kind}`)
      const split = lineSplitter((text) => listener.line(text))
      socket.onmessage = ({ data }) => split(String(data))
      socket.onopen = () => resolve({ send: (line) => socket.send(`${line}\n`), close: () => socket.close() })
      socket.onerror = () => reject(new Error('The device does not answer. Is it switched on and near?'))
      socket.onclose = () => listener.closed()
    })
}

/** The part of Web Serial that is used. */
export interface SerialPortLike {
  open(options: { baudRate: number }): Promise<void>
  close(): Promise<void>
  readonly readable: ReadableStream<Uint8Array> | null
  readonly writable: WritableStream<Uint8Array> | null
}
export interface SerialLike {
  requestPort(): Promise<SerialPortLike>
}

const BAUD = 115_200

/** A device at a port of this computer, chosen by the person. */
export function serialLink(serial: SerialLike): OpenLink {
  return async (_kind, listener) => {
    const port = await serial.requestPort()
    await port.open({ baudRate: BAUD })
    const reader = port.readable!.getReader()
    const writer = port.writable!.getWriter()
    const decoder = new TextDecoder()
    const split = lineSplitter((text) => listener.line(text))
    const listen = async () => {
      try {
        for (;;) {
          const { value, done } = await reader.read()
          if (done) break
          split(decoder.decode(value, { stream: true }))
        }
      } catch {
        // Pulled out: told as any other end.
      } finally {
        reader.releaseLock()
        listener.closed()
      }
    }
    void listen()
    return {
      send: (line) => void writer.write(new TextEncoder().encode(`${line}\n`)).catch(() => undefined),
      close: () =>
        void reader
          .cancel()
          .then(() => port.close())
          .catch(() => undefined),
    }
  }
}

/** How devices are reached here: over the network where the clinic set it, else at a port; `null` where neither is possible. */
export function linkFor(devicesUrl: string | null): OpenLink | null {
  if (devicesUrl) return networkLink(devicesUrl)
  const serial = (navigator as Navigator & { serial?: SerialLike }).serial
  return serial ? serialLink(serial) : null
}
