import { decided } from '../../anatomy/constant.js'
import { daysBetween, isClinicalDay, type ClinicalDay } from '../../calendar/clinicalDay.js'
import { forceIn, type ForceUnit } from '../../measurement/strength/forceUnits.js'
import { readDeviceLine } from './deviceLine.js'

export const DEVICE_KINDS = ['goniometer', 'dynamometer'] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]

/** Bits of a sample's quality, as the device sees itself. */
export const QUALITY = { saturated: 1, notZeroed: 2, lowBattery: 4, unstable: 8 } as const

/** Beyond these a measurement is refused. All ours: they say when another try is better than a number. */
export const DEVICE_LIMITS = {
  /** Share of a measurement's samples that may be lost or garbled. */
  lostShare: decided(10, 'percent', 'low'),
  /** How far a held angle may shake about its own middle, standard deviation. */
  shakeDeg: decided(3, 'degrees', 'low'),
  /** How far a held angle may creep from its first to its last third. */
  creepDeg: decided(4, 'degrees', 'low'),
  /** What a released handle may still show. */
  restKgf: decided(1, 'kgf', 'low'),
  /** Less than this is no squeeze. */
  leastKgf: decided(0.5, 'kgf', 'low'),
  fewestSamples: decided(8, 'samples', 'low'),
  calibrationDays: decided(365, 'days', 'low'),
} as const

export type DeviceRefusal =
  | 'wrongDevice'
  | 'unknownUnit'
  | 'unitChanged'
  | 'restarted'
  | 'noNumber'
  | 'outOfRange'
  | 'overload'
  | 'notZeroed'
  | 'dropout'
  | 'linkLost'
  | 'silent'
  | 'tooShort'
  | 'shakes'
  | 'drifts'
  | 'noSqueeze'
  | 'deviceError'

const WHY: Readonly<Record<DeviceRefusal, string>> = {
  wrongDevice: 'This is another device than asked for. Connect the right one.',
  unknownUnit:
    'The device tells its readings in a unit Pledge does not know. Set it to degrees, kg, lb or N.',
  unitChanged: 'The unit was changed while it measured. Measure again.',
  restarted: 'The device began anew while it measured. Measure again.',
  noNumber: 'The device sent something that is no number. Switch it off and on, then measure again.',
  outOfRange: 'The reading lies outside what the device can measure. Place it anew and measure again.',
  overload: 'The device was loaded beyond its range. Measure again with the larger range.',
  notZeroed: 'The device was not at zero before it began. Release it, set it to zero, measure again.',
  dropout: 'Too much of the measurement was lost on its way. Move the device closer and measure again.',
  linkLost: 'The connection broke before the device had finished. Connect it and measure again.',
  silent: 'Nothing comes from the device. Is it switched on?',
  tooShort: 'That was too short to tell. Hold a little longer.',
  shakes: 'The angle shook too much to be read. Rest the arms of the goniometer on the segments, then hold.',
  drifts: 'The reading drifted instead of settling. Release, set to zero, measure again.',
  noSqueeze: 'No squeeze was felt. Check that the right handle is held.',
  deviceError: 'The device reports a fault. Look at its display.',
}

export type DeviceEvent =
  | { readonly name: 'identified'; readonly serial: string; readonly warnings: readonly string[] }
  /** While it measures: what it shows now. */
  | { readonly name: 'live'; readonly value: number }
  | { readonly name: 'read'; readonly value: number; readonly warnings: readonly string[] }
  | { readonly name: 'refused'; readonly why: DeviceRefusal; readonly message: string }

const refused = (why: DeviceRefusal): DeviceEvent => ({ name: 'refused', why, message: WHY[why] })

type Unit = 'deg' | ForceUnit
const UNITS: Readonly<Record<DeviceKind, Readonly<Record<string, Unit>>>> = {
  goniometer: { deg: 'deg' },
  dynamometer: { kg: 'kgf', kgf: 'kgf', lb: 'lbf', lbf: 'lbf', N: 'N' },
}

interface Identity {
  readonly unit: Unit
  readonly low: number
  readonly high: number
  readonly warnings: readonly string[]
}
interface Run {
  readonly values: number[]
  readonly unit: string
  lastNumber: number
  quality: number
}

/**
 * Listens to a device line by line and answers with a reading in degrees or kg, or with why there is none. It keeps no time: whoever
 * feeds it says when a device has been silent and when the link closed. Garbled lines and lines sent twice are left out; a reading with
 * a low battery or an old calibration is taken with a warning.
 */
export class DeviceReceiver {
  #identity: Identity | null = null
  #run: Run | null = null
  #isBarred = false

  constructor(
    readonly kind: DeviceKind,
    readonly today: ClinicalDay,
  ) {}

  /** @returns what a line tells, or `null` where it tells nothing new */
  line(text: string): DeviceEvent | null {
    const line = readDeviceLine(text.trim())
    if (!line) return null
    const { word, values } = line
    switch (word) {
      case 'ID':
        return this.#identify(values)
      case 'D':
        return this.#sample(values)
      case 'END':
        return this.#finish(Number(values['n']))
      case 'ERR':
        return this.#give(refused('deviceError'))
      default:
        return null
    }
  }

  /** Nothing came for a while. */
  silent(): DeviceEvent {
    return this.#give(refused(this.#run ? 'linkLost' : 'silent'))
  }

  /** The link closed; `null` where nothing was being measured. */
  closed(): DeviceEvent | null {
    return this.#run ? this.#give(refused('linkLost')) : null
  }

  #identify(values: Readonly<Record<string, string>>): DeviceEvent {
    const wasMeasuring = this.#run !== null
    this.#run = null
    this.#isBarred = false
    this.#identity = null
    if (values['kind'] !== this.kind) return refused('wrongDevice')
    const unit = UNITS[this.kind][values['unit'] ?? '']
    if (!unit) return refused('unknownUnit')
    const calibrated = values['cal'] ?? ''
    const isOld =
      !isClinicalDay(calibrated) || daysBetween(calibrated, this.today) > DEVICE_LIMITS.calibrationDays.value
    this.#identity = {
      unit,
      low: Number(values['min']),
      high: Number(values['max']),
      warnings: isOld ? ['Calibrated more than a year ago, or nobody knows when.'] : [],
    }
    if (wasMeasuring) return this.#give(refused('restarted'))
    return { name: 'identified', serial: values['serial'] ?? '', warnings: this.#identity.warnings }
  }

  #sample(values: Readonly<Record<string, string>>): DeviceEvent | null {
    const identity = this.#identity
    if (!identity || this.#isBarred) return null
    const [number, value, quality] = [Number(values['n']), Number(values['v']), Number(values['q'] ?? 0)]
    const unit = values['u'] ?? ''
    const run = (this.#run ??= { values: [], unit, lastNumber: 0, quality: 0 })
    // The same sample twice.
    if (number === run.lastNumber && run.values.length > 0) return null
    if (number < run.lastNumber) return this.#give(refused('restarted'))
    if (UNITS[this.kind][unit] !== identity.unit) return this.#give(refused('unitChanged'))
    if (!/^-?\d+(\.\d+)?$/.test(values['v'] ?? '')) return this.#give(refused('noNumber'))
    if (quality & QUALITY.saturated) return this.#give(refused('overload'))
    if (quality & QUALITY.notZeroed) return this.#give(refused('notZeroed'))
    if (value < identity.low || value > identity.high) return this.#give(refused('outOfRange'))
    run.lastNumber = number
    run.quality |= quality
    run.values.push(converted(value, identity.unit))
    return { name: 'live', value: run.values.at(-1)! }
  }

  #finish(count: number): DeviceEvent | null {
    const [identity, run] = [this.#identity, this.#run]
    const wasBarred = this.#isBarred
    this.#run = null
    this.#isBarred = false
    if (!identity || wasBarred) return null
    if (!run) return refused('silent')
    if (!Number.isInteger(count) || run.values.length < count * (1 - DEVICE_LIMITS.lostShare.value / 100))
      return refused('dropout')
    if (run.values.length < DEVICE_LIMITS.fewestSamples.value) return refused('tooShort')
    const found = this.kind === 'goniometer' ? heldAngle(run) : squeezed(run)
    if (typeof found === 'string') return refused(found)
    const warnings = [
      ...identity.warnings,
      ...(run.quality & QUALITY.lowBattery ? ['The battery of the device is low.'] : []),
    ]
    return { name: 'read', value: found, warnings }
  }

  /** A measurement that is refused stays refused until it ends. */
  #give(event: DeviceEvent): DeviceEvent {
    this.#run = null
    this.#isBarred = true
    return event
  }
}

function converted(value: number, unit: Unit): number {
  return unit === 'deg' ? value : forceIn('kgf', value, unit)
}

const middle = (values: readonly number[]) => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
/** Each sample as the middle of itself and its neighbors: a lone spike is gone. */
const smoothed = (values: readonly number[]) =>
  values.map((_, at) => middle(values.slice(Math.max(0, at - 1), at + 2)))

/** From the middle distance to a standard deviation, for readings that scatter evenly. */
const MIDDLE_DISTANCE = 1.4826

/** The angle that was held at last: the middle of the later half, where it neither shook nor crept. A lone spike is no shaking. */
function heldAngle({ values, quality }: Run): number | DeviceRefusal {
  const raw = values.slice(values.length >> 1)
  const held = smoothed(values).slice(values.length >> 1)
  const third = Math.max(1, Math.floor(held.length / 3))
  const creep = middle(held.slice(-third)) - middle(held.slice(0, third))
  if (Math.abs(creep) > DEVICE_LIMITS.creepDeg.value) return 'drifts'
  const center = middle(raw)
  const shake = MIDDLE_DISTANCE * middle(raw.map((value) => Math.abs(value - center)))
  if (shake > DEVICE_LIMITS.shakeDeg.value || quality & QUALITY.unstable) return 'shakes'
  return Math.round(middle(held))
}

/** The greatest force of a squeeze that began and ended at rest. */
function squeezed({ values }: Run): number | DeviceRefusal {
  const force = smoothed(values)
  const rest = Math.max(2, Math.floor(values.length / 12))
  if (Math.abs(middle(force.slice(0, rest))) > DEVICE_LIMITS.restKgf.value) return 'notZeroed'
  const peak = Math.max(...force)
  if (peak < DEVICE_LIMITS.leastKgf.value) return 'noSqueeze'
  if (Math.abs(middle(force.slice(-rest))) > DEVICE_LIMITS.restKgf.value) return 'drifts'
  return Math.round(peak * 10) / 10
}
