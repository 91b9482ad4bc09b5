import { contradiction, within } from '../../anatomy/checked.js'
import type { JointState } from '../../anatomy/jointReading.js'
import { CoreError } from '../../errors.js'
import type { Digit } from '../../vocabulary/vocabulary.js'
import { mean } from '../strength/gripTrials.js'
import { isFingertip, isZone } from '../../vocabulary/zones.js'
import {
  FELT_WORDS,
  isMeasure,
  measureFacts,
  type FeltWord,
  type MeasureFacts,
  type MeasureName,
  type ReadingKind,
  type Side,
} from './measures.js'

/**
 * Both ends of a hinge joint, of which one may be unknown: a healing tendon is asked to straighten only. Signs as in
 * `JointReading`.
 */
export interface HingeEnds {
  readonly flexedEndDeg: number | null
  readonly extendedEndDeg: number | null
}
/** What a hinge joint can be found to be. */
export type HingeResult = HingeEnds | { readonly fusedAtDeg: number } | 'absent'

/** What was found: both ends of a hinge, one number, the trials of a strength test, or what was felt; in the unit of the measure. */
export type Result = HingeResult | number | readonly number[] | FeltWord

/** One thing that was measured at a visit. */
export interface Reading {
  readonly measure: MeasureName
  /** `null` where it is of the hand or the person. */
  readonly digit: Digit | null
  readonly side: Side | null
  readonly kind: ReadingKind | null
  /** A zone of the skin, or the id of one of the patient's tasks; only of measures that have one. */
  readonly spot?: string
  readonly result: Result
}

/** Where a reading belongs: what tells two of one visit apart. */
export type ReadingPlace = Omit<Reading, 'result'>

/** The place of a reading as one word: `pip.ring.left.active`, `filament..left..index.tip.front.radial`. */
export function placeKey({ measure, digit, side, kind, spot }: ReadingPlace): string {
  return [measure, digit ?? '', side ?? '', kind ?? '', ...(spot ? [spot] : [])].join('.')
}

/** The place a key stands for: the inverse of `placeKey`. */
export function placeOfKey(key: string): ReadingPlace {
  const [measure, digit, side, kind, ...spot] = key.split('.') as [MeasureName, Digit, Side, ReadingKind]
  const place = { measure, digit: digit || null, side: side || null, kind: kind || null }
  return spot.length > 0 ? { ...place, spot: spot.join('.') } : place
}

const MOST_TRIALS = 5

/**
 * A reading as it may be stored.
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` outside the hard limits; `MEASUREMENT_INCONSISTENT` where a joint flexes less
 *   than it lacks in extension, or the place does not belong to the measure
 */
export function checkedReading(reading: Reading, path: string = placeKey(reading)): Reading {
  const { measure, digit, side, kind, spot, result } = reading
  if (!isMeasure(measure)) throw new CoreError('DOCUMENT_INVALID', path, `Nothing is called ${measure} here.`)
  const facts = measureFacts(measure)
  if (facts.digits ? !digit || !facts.digits.includes(digit) : digit !== null)
    contradiction(path, `${facts.label} is measured of ${facts.digits?.join(', ') ?? 'the hand'}.`)
  if (facts.hasSide !== (side !== null))
    contradiction(
      path,
      facts.hasSide ? `Say which side ${facts.label} was measured on.` : `${facts.label} has no side.`,
    )
  if (facts.kinds.length > 0 ? !kind || !facts.kinds.includes(kind) : kind !== null)
    contradiction(path, `${facts.label} is measured ${facts.kinds.join(' or ') || 'one way only'}.`)
  checkSpot(facts, spot, path)
  return { measure, digit, side, kind, ...(spot ? { spot } : {}), result: checkedResult(facts, result, path) }
}

const TASK_ID = /^[0-9A-HJKMNP-TV-Z]{26}$/

function checkSpot({ label, spots }: MeasureFacts, spot: string | undefined, path: string): void {
  const isKnown: Readonly<Record<NonNullable<MeasureFacts['spots']>, (word: string) => boolean>> = {
    zone: isZone,
    fingertip: (word) => isZone(word) && isFingertip(word),
    task: (word) => TASK_ID.test(word),
  }
  if (spots === null ? spot !== undefined : !spot || !isKnown[spots](spot))
    contradiction(
      path,
      spots === null
        ? `${label} is not taken of a spot.`
        : spots === 'task'
          ? 'Say which of the patient’s tasks it is.'
          : `Say in which ${spots} ${label.toLowerCase()} was tested.`,
    )
}

function checkedResult(facts: MeasureFacts, result: unknown, path: string): Result {
  const number = (value: unknown) =>
    within(typeof value === 'number' ? value : Number.NaN, path, facts.hard, facts.unit)
  const { label, shape, decimals, signed, felt } = facts
  if (isFelt(result)) {
    if (!felt.includes(result)) contradiction(path, `${label} is one number.`)
    return result
  }
  if (shape === 'trials') {
    if (!Array.isArray(result) || result.length < 1 || result.length > MOST_TRIALS)
      contradiction(path, `${label} takes one to ${MOST_TRIALS} trials.`)
    return result.map((trial) => rounded(number(trial), decimals, path))
  }
  if (shape === 'number') {
    if (typeof result !== 'number') contradiction(path, `${label} is one number.`)
    // Stored in the sign of the catalogue; the limits are those of the motion's own direction.
    const own = rounded(number(result === 0 ? 0 : result * signed), decimals, path)
    if (facts.allowed && !facts.allowed.includes(own))
      contradiction(path, `${label} is one of ${facts.allowed.join(', ')}.`)
    return own === 0 ? 0 : own * signed
  }
  if (result === 'absent') return 'absent'
  if (typeof result !== 'object' || result === null || Array.isArray(result))
    contradiction(path, `${label} has two ends.`)
  const found = result as Partial<HingeEnds & { fusedAtDeg: number }>
  if (found.fusedAtDeg !== undefined) return { fusedAtDeg: rounded(number(found.fusedAtDeg), 0, path) }
  const ends = [found.flexedEndDeg ?? null, found.extendedEndDeg ?? null]
  if (ends.every((end) => end === null)) contradiction(path, 'Neither end was measured.')
  const [flexedEndDeg, extendedEndDeg] = ends.map((end) =>
    end === null ? null : rounded(number(end), 0, path),
  ) as [number | null, number | null]
  if (flexedEndDeg !== null && extendedEndDeg !== null && flexedEndDeg < extendedEndDeg)
    contradiction(
      path,
      `It flexes to ${flexedEndDeg}° but lacks ${extendedEndDeg}° of extension. Check that the two were not swapped.`,
    )
  return { flexedEndDeg, extendedEndDeg }
}

/** A number with no more digits than count. */
function rounded(value: number, decimals: number, path: string): number {
  const scale = 10 ** decimals
  const whole = Math.round(value * scale)
  if (Math.abs(value * scale - whole) > 1e-6)
    contradiction(
      path,
      decimals === 0 ? 'Read to whole numbers.' : `Read to ${decimals} digits after the point.`,
    )
  return whole === 0 ? 0 : whole / scale
}

export function isFelt(result: unknown): result is FeltWord {
  return (FELT_WORDS as readonly unknown[]).includes(result)
}

function isTrials(result: Result): result is readonly number[] {
  return Array.isArray(result)
}

/** Whether a reading is possible but unusual, so that the bench asks about it. */
export function isUnusualResult(measure: MeasureName, result: Result): boolean {
  const { soft, signed } = measureFacts(measure)
  const outside = (value: number | null) =>
    value !== null && (value * signed < soft[0] || value * signed > soft[1])
  if (typeof result === 'string') return false
  if (typeof result === 'number') return outside(result)
  if (isTrials(result)) return result.some(outside)
  return 'fusedAtDeg' in result
    ? outside(result.fusedAtDeg)
    : outside(result.flexedEndDeg) || outside(result.extendedEndDeg)
}

/** A hinge as the sums take it; with one end unknown the joint is not measured for a sum. */
export function jointStateOf(result: HingeResult | null): JointState {
  if (result === null || result === 'absent' || 'fusedAtDeg' in result) return result
  const { flexedEndDeg, extendedEndDeg } = result
  return flexedEndDeg === null || extendedEndDeg === null ? null : { flexedEndDeg, extendedEndDeg }
}

/** What is known of either end of a hinge; a fused joint has one. */
export function knownEnds(result: HingeResult | null): HingeEnds {
  if (result === null || result === 'absent') return { flexedEndDeg: null, extendedEndDeg: null }
  return 'fusedAtDeg' in result
    ? { flexedEndDeg: result.fusedAtDeg, extendedEndDeg: result.fusedAtDeg }
    : result
}

/** One number for a reading of a number or of trials, their mean: what is compared and drawn over time. `null` for a hinge. */
export function numberOf(result: Result | null): number | null {
  if (result === null || typeof result === 'string') return null
  if (typeof result === 'number') return result
  return isTrials(result) ? mean(result) : null
}
