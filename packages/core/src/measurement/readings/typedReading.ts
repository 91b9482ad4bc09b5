import { CoreError } from '../../errors.js'
import { isUnusualResult, type HingeResult, type Result } from './reading.js'
import { measureFacts, type FeltWord, type MeasureFacts, type MeasureName } from './measures.js'
import { within } from '../../anatomy/checked.js'

/** What stands in a cell of the bench. */
export type TypedReading =
  | { readonly name: 'empty' }
  | { readonly name: 'read'; readonly result: Result; readonly isUnusual: boolean }
  /** Not to be stored as it stands: what to do. */
  | { readonly name: 'wrong'; readonly message: string; readonly instead?: string }
const EMPTY: TypedReading = { name: 'empty' }

/**
 * Reads what a therapist typed. Of a hinge: `10/85` deficit and flexion, `-15/90` hyperextension and flexion, `10/` or `/85` one
 * end only, `f30` fused at 30°, `x` absent. Trials: `31 29.5 30`. Else a number in the motion's own direction, `-10` short of
 * neutral. Nothing typed is not measured, never 0.
 *
 * @example
 * typedReading('pip', '10/85') // => read: { extendedEndDeg: 10, flexedEndDeg: 85 }
 */
export function typedReading(measure: MeasureName, typed: string): TypedReading {
  const text = typed.trim().replaceAll('−', '-').replaceAll(',', '.').toLowerCase()
  if (text === '') return EMPTY
  const facts = measureFacts(measure)
  try {
    const result = resultOf(facts, text)
    return { name: 'read', result, isUnusual: isUnusualResult(measure, result) }
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    const instead = swapped(text)
    return { name: 'wrong', message: error.message, ...(instead ? { instead } : {}) }
  }
}

const wrong = (message: string): never => {
  throw new CoreError('MEASUREMENT_INCONSISTENT', 'typed', message)
}

function resultOf(facts: MeasureFacts, text: string): Result {
  switch (facts.shape) {
    case 'hinge':
      return hingeOf(facts, text)
    case 'trials':
      return text
        .split(/[\s/;]+/)
        .filter(Boolean)
        .map((trial) => numberIn(facts, trial))
    case 'number': {
      const felt = FELT_TYPED[text]
      if (felt && facts.felt.includes(felt)) return felt
      const value = numberIn(facts, text)
      return value === 0 ? 0 : value * facts.signed
    }
  }
}

/** What is typed where something is felt that is no number. */
const FELT_TYPED: Readonly<Record<string, FeltWord>> = { n: 'none', none: 'none', '1': 'one point' }

const ENDS = /^(-?\d{1,3})?\/(-?\d{1,3})?$/

function hingeOf(facts: MeasureFacts, text: string): Result {
  if (text === 'x') return 'absent'
  const fused = /^f(-?\d{1,3})$/.exec(text)
  if (fused) return { fusedAtDeg: numberIn(facts, fused[1]!) }
  if (text === 'f') wrong('Fused at which angle? Write f30.')
  const ends = ENDS.exec(text)
  if (!ends || (!ends[1] && !ends[2])) return wrong('Write both ends, as 10/85; one end alone as 10/ or /85.')
  const [extendedEndDeg, flexedEndDeg] = [ends[1], ends[2]].map((end) =>
    end === undefined ? null : numberIn(facts, end),
  ) as [number | null, number | null]
  if (extendedEndDeg !== null && flexedEndDeg !== null && flexedEndDeg < extendedEndDeg)
    return wrong(`Bends to ${flexedEndDeg}° but lacks ${extendedEndDeg}°: were the two swapped?`)
  return { flexedEndDeg, extendedEndDeg }
}

/** The two ends the other way round, where only that makes sense of them. */
function swapped(text: string): string | null {
  const ends = ENDS.exec(text)
  if (!ends?.[1] || !ends[2] || Number(ends[2]) >= Number(ends[1])) return null
  return `${ends[2]}/${ends[1]}`
}

function numberIn(facts: MeasureFacts, text: string): number {
  const form = facts.decimals === 0 ? /^-?\d{1,4}$/ : /^\d{1,4}(\.\d{1,2})?$/
  if (!form.test(text))
    wrong(
      facts.unit === 'degrees'
        ? 'Whole degrees, as 45 or -10.'
        : facts.shape === 'trials'
          ? `Trials in kg, as 31 29.5 30.`
          : `A number${facts.unit === 'stages' ? '' : ` of ${facts.unit}`}, as ${facts.soft[1]}.`,
    )
  const value = Number(text)
  if (facts.allowed && !facts.allowed.includes(value))
    wrong(`One of the kit’s: ${facts.allowed.join(', ')}; n where none is felt.`)
  const [low, high] = facts.hard
  if (value < low || value > high)
    wrong(`${facts.label} lies between ${low} and ${high}${sign(facts)}. Check the reading.`)
  return within(value, 'typed', facts.hard)
}

const sign = ({ unit }: MeasureFacts) =>
  unit === 'degrees' ? '°' : unit === 'stages' || unit === 'of 10' ? '' : ` ${unit}`

/** What a therapist would have typed for a result: the inverse of `typedReading`. */
export function asTyped(measure: MeasureName, result: Result): string {
  const { signed } = measureFacts(measure)
  if (result === 'absent') return 'x'
  if (result === 'none') return 'n'
  if (result === 'one point') return '1'
  if (typeof result === 'number') return String(result === 0 ? 0 : result * signed)
  if (Array.isArray(result)) return result.join(' ')
  const hinge = result as Exclude<HingeResult, 'absent'>
  if ('fusedAtDeg' in hinge) return `f${hinge.fusedAtDeg}`
  return `${hinge.extendedEndDeg ?? ''}/${hinge.flexedEndDeg ?? ''}`
}
