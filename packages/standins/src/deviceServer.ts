import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { DEVICE_KINDS, type DeviceKind } from '@pledge/core'
import { WebSocketServer, type WebSocket } from 'ws'
import { PANEL } from './panel.js'
import { introduction, SCENARIOS, simulated, type Scenario, type Simulation } from './simulatedDevice.js'

export interface RunningDevices {
  readonly port: number
  stop(): Promise<void>
}

const OF_KIND: Readonly<Record<DeviceKind, { target: number; unit: string }>> = {
  goniometer: { target: 60, unit: 'deg' },
  dynamometer: { target: 24, unit: 'kg' },
}

/**
 * A simulated goniometer and dynamometer on this machine only: `ws://127.0.0.1:PORT/goniometer`, and a page at `/` on which one plays
 * the patient. A measurement begins when the host sends `START` or somebody presses there.
 */
export async function startDevices(port: number, host = '127.0.0.1'): Promise<RunningDevices> {
  const listeners = new Map<DeviceKind, Set<WebSocket>>(DEVICE_KINDS.map((kind) => [kind, new Set()]))
  const plays = new Map<DeviceKind, Simulation>(
    DEVICE_KINDS.map((kind) => [kind, { kind, scenario: 'steady', seed: 1, ...OF_KIND[kind] }]),
  )
  const timers = new Set<NodeJS.Timeout>()

  function measure(kind: DeviceKind, only?: WebSocket) {
    const play = plays.get(kind)!
    plays.set(kind, { ...play, seed: play.seed + 1 })
    const lines = simulated(play)
    const sockets = only ? [only] : [...listeners.get(kind)!]
    for (const { atMs, text } of lines) {
      const timer = setTimeout(() => {
        timers.delete(timer)
        for (const socket of sockets) socket.send(`${text}\n`)
      }, atMs)
      timers.add(timer)
    }
    if (play.scenario === 'cut') {
      const timer = setTimeout(
        () => sockets.forEach((socket) => socket.close()),
        (lines.at(-1)?.atMs ?? 0) + 50,
      )
      timers.add(timer)
    }
  }

  async function answer(request: IncomingMessage, response: ServerResponse) {
    if (request.method === 'GET' && request.url === '/')
      return response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(PANEL)
    if (request.method !== 'POST' || request.url !== '/play') return response.writeHead(404).end()
    const play = playOf(await bodyOf(request))
    if (!play) return response.writeHead(400).end('Name a kind and a scenario there is.')
    const { isPressed, ...simulation } = play
    plays.set(play.kind, { ...plays.get(play.kind)!, ...simulation })
    for (const socket of listeners.get(play.kind)!) socket.send(`${introduction(plays.get(play.kind)!)}\n`)
    if (isPressed) measure(play.kind)
    return response.writeHead(204).end()
  }

  const server = createServer((request, response) => void answer(request, response))
  const sockets = new WebSocketServer({ server })
  sockets.on('connection', (socket, request) => {
    const kind = request.url?.slice(1) as DeviceKind
    const own = listeners.get(kind)
    if (!own) return socket.close(1008, 'no such device')
    own.add(socket)
    socket.send(`${introduction(plays.get(kind)!)}\n`)
    socket.on('message', (data) => {
      if (String(data).startsWith('START')) measure(kind, socket)
    })
    socket.on('close', () => own.delete(socket))
  })
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, host, resolve)
  })
  const address = server.address() as { port: number }
  return {
    port: address.port,
    async stop() {
      for (const timer of timers) clearTimeout(timer)
      for (const socket of sockets.clients) socket.terminate()
      sockets.close()
      await new Promise((resolve) => server.close(resolve))
    },
  }
}

function playOf(body: unknown): (Partial<Simulation> & { kind: DeviceKind; isPressed: boolean }) | null {
  const { kind, scenario, target, unit, isPressed } = (body ?? {}) as Record<string, unknown>
  if (!DEVICE_KINDS.includes(kind as DeviceKind) || !SCENARIOS.includes(scenario as Scenario)) return null
  return {
    kind: kind as DeviceKind,
    scenario: scenario as Scenario,
    ...(Number.isFinite(target) ? { target: target as number } : {}),
    ...(typeof unit === 'string' && /^(deg|kg|lb|N)$/.test(unit) ? { unit } : {}),
    isPressed: isPressed === true,
  }
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = ''
  for await (const chunk of request) if ((text += String(chunk)).length > 2000) return null
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
