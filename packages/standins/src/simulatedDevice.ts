import { deviceLine, QUALITY, type DeviceKind } from '@pledge/core'

/** What goes right or wrong with a simulated device. */
export const SCENARIOS = [
  'steady',
  'spikes',
  'garbled',
  'duplicates',
  'lowBattery',
  'drift',
  'dropout',
  'dead',
  'cut',
  'overload',
  'notZeroed',
  'tremor',
  'restart',
  'noNumber',
  'unitChange',
  'wrongDevice',
] as const
export type Scenario = (typeof SCENARIOS)[number]

/** One measurement as it is played: what the device is, what the hand does, what goes wrong. */
export interface Simulation {
  readonly kind: DeviceKind
  readonly scenario: Scenario
  /** Degrees for a goniometer; for a dynamometer in its own unit. */
  readonly target: number
  /** `deg`, or `kg`, `lb`, `N`. */
  readonly unit: string
  /** The same seed plays the same measurement. */
  readonly seed: number
}
/** A line and when it is sent, ms after the measurement began. */
export interface SimulatedLine {
  readonly atMs: number
  readonly text: string
}

const EVERY_MS = 50
const SAMPLES = { goniometer: 24, dynamometer: 48 } as const
const RANGES: Readonly<Record<string, readonly [number, number]>> = {
  deg: [-90, 200],
  kg: [-2, 90],
  lb: [-4, 200],
  N: [-20, 900],
}

/** How the device introduces itself when somebody connects. */
export function introduction({ kind, scenario, unit }: Simulation): string {
  const other: DeviceKind = kind === 'goniometer' ? 'dynamometer' : 'goniometer'
  const shown = scenario === 'wrongDevice' ? other : kind
  const own = shown === kind ? unit : shown === 'goniometer' ? 'deg' : 'kg'
  const [min, max] = RANGES[own] ?? [0, 0]
  return deviceLine('ID', {
    v: 1,
    kind: shown,
    serial: shown === 'goniometer' ? 'SG-01' : 'SD-01',
    unit: own,
    res: 0.1,
    min,
    max,
    rate: 1000 / EVERY_MS,
    cal: '2099-01-01',
  })
}

/** The lines of one measurement, in order. */
export function simulated(simulation: Simulation): SimulatedLine[] {
  const { kind, scenario } = simulation
  if (scenario === 'dead') return []
  const random = randomFrom(simulation.seed)
  const count = SAMPLES[kind]
  const lines: SimulatedLine[] = []
  for (let at = 0; at < count; at += 1) {
    const time = (at + 1) * EVERY_MS
    const sample = sampleOf(simulation, at / (count - 1), at, random)
    const n = scenario === 'restart' && at > count / 2 ? at - Math.floor(count / 2) : at + 1
    if (scenario === 'restart' && at === Math.floor(count / 2) + 1)
      lines.push({ atMs: time, text: introduction(simulation) })
    if (scenario === 'dropout' && at > 5 && at % 3 !== 0) continue
    if (scenario === 'cut' && at > count / 2) return lines
    const text = deviceLine('D', { n, t: time, ...sample })
    lines.push({ atMs: time, text: scenario === 'garbled' && at % 17 === 8 ? swapped(text) : text })
    if (scenario === 'duplicates' && at % 4 === 1) lines.push({ atMs: time, text })
  }
  lines.push({ atMs: (count + 1) * EVERY_MS, text: deviceLine('END', { n: count }) })
  return lines
}

/** @param share - of the measurement that has passed, 0 to 1 */
function sampleOf(
  { kind, scenario, target, unit }: Simulation,
  share: number,
  at: number,
  random: () => number,
): { v: string; u: string; q: number } {
  const noise = (random() - 0.5) * (kind === 'goniometer' ? 0.8 : target * 0.01)
  let value = (kind === 'goniometer' ? target * Math.min(1, share * 3) : squeeze(share) * target) + noise
  if (scenario === 'spikes' && at % 11 === 7) value += target * 0.6 + 20
  if (scenario === 'drift') value += share * (kind === 'goniometer' ? 14 : target * 0.2 + 3)
  if (scenario === 'tremor') value += Math.sin(at * 2.1) * 9
  const broken = scenario === 'noNumber' && share > 0.5
  const isOver = scenario === 'overload' && share > 0.3
  return {
    v: broken ? 'nan' : value.toFixed(1),
    u: scenario === 'unitChange' && share > 0.5 ? (unit === 'kg' ? 'lb' : 'kg') : unit,
    q:
      (isOver ? QUALITY.saturated : 0) |
      (scenario === 'notZeroed' ? QUALITY.notZeroed : 0) |
      (scenario === 'lowBattery' ? QUALITY.lowBattery : 0),
  }
}

/** A squeeze: rest, rise, hold, release, rest. */
function squeeze(share: number): number {
  if (share < 0.15 || share > 0.85) return 0
  if (share < 0.35) return (share - 0.15) / 0.2
  return share > 0.7 ? (0.85 - share) / 0.15 : 1
}

/** Two bytes of a line in each other's place. */
function swapped(text: string): string {
  return `${text.slice(0, 4)}${text[5]}${text[4]}${text.slice(6)}`
}

/** Numbers from 0 to 1 that are the same for the same seed. */
function randomFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}
