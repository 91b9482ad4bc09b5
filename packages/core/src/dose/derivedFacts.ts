import { burdenOf, minutesOfBout } from './minutes.js'
import type { Arcs, NerveTechnique } from '../vocabulary/vocabulary.js'
import { differentialTravelMm, nerveMoveOf, tendonTravelMm } from '../exercise/exerciseTravel.js'
import type { Tendon } from '../tissue/tendonExcursion.js'
import type { ClassifiedNerveMove } from '../nerve/nerveMove.js'
import type { Signature } from '../exercise/signature.js'
import type { Dose, Exercise } from '../exercise/exercise.js'
import { HELD_FROM_SECONDS } from '../exercise/composites.js'
import { NERVE_HOLD_SECONDS } from '../exercise/nerveTechniqueOf.js'
import { signatureOf, STRETCH_FROM_HOLD_SECONDS } from '../exercise/signatureOf.js'

export interface NerveFacts {
  readonly nerve: 'median' | 'ulnar' | 'radial'
  readonly technique: NerveTechnique
  readonly class: ClassifiedNerveMove['class']
  readonly strainPercent: number
}

/** What follows from an exercise's angles, force and dose: nothing of it is typed. */
export interface DerivedFacts {
  readonly signature: Signature
  /** Travel of each tendon in mm; a model. */
  readonly travelMm: Readonly<Record<Tendon, number>>
  readonly differentialMm: number
  readonly nerve: NerveFacts | null
  readonly minutesPerBout: number
  readonly endRangeMinutesPerDay: number
}

/** The facts of an exercise at a dose, done without an orthosis. */
export function derivedFacts(exercise: Exercise, dose: Dose = exercise.dose): DerivedFacts {
  const signature = signatureOf(exercise, dose, 'none')
  const [moved] = signature.nerve
  const nerve =
    moved && moved.nerve !== 'digital'
      ? {
          nerve: moved.nerve,
          technique: moved.technique,
          class: nerveMoveOf(moved.nerve, exercise).class,
          strainPercent: nerveMoveOf(moved.nerve, exercise).strainPercent,
        }
      : null
  return {
    signature,
    travelMm: tendonTravelMm(exercise),
    differentialMm: differentialTravelMm(exercise),
    nerve,
    minutesPerBout: minutesOfBout(exercise, dose),
    endRangeMinutesPerDay: burdenOf([{ exercise, dose }]).endRangeMinutesPerDay,
  }
}

/**
 * A signature in one line: modes and motions with the arcs they go through, composites, grips, weight, activities, stress,
 * nerve, technique, who moves, and where the joints that do not move are kept (`at`). Degrees: flexion, ulnar, supination +.
 * Modes: P passive, S stretch, AA assisted, PH placed then held, A active, I isometric, R resisted.
 */
export function signatureText(signature: Signature): string {
  const res = (value: number | null) => (value === null ? '' : ` R${value}`)
  const posture = arcsText(signature.posture)
  return [
    ...signature.motions.map(
      (part) =>
        `${part.modes.join('+')} ${part.motions.join(' ')}${res(part.res)}${part.arc ? ` (${arcsText(part.arc)})` : ''}`,
    ),
    ...signature.combos.map((one) => `combo ${one.combo} ${one.mode}`),
    ...signature.grips.map((one) => `grip ${one.grip}${res(one.res)}`),
    ...(signature.kg === null ? [] : [`${signature.kg} kg`]),
    ...signature.acts.map((act) => `act ${act}`),
    ...signature.stress.map((stress) => `stress ${stress}`),
    ...signature.nerve.map((one) => `nerve ${one.nerve} ${one.technique}`),
    ...signature.technique.map((technique) => `technique ${technique}`),
    ...(signature.by && signature.by !== 'self' ? [`by ${signature.by}`] : []),
    ...(signature.digits ? [`with ${signature.digits.join(' ')}`] : []),
    ...(posture === '' ? [] : [`at ${posture}`]),
  ].join(' | ')
}

/** "wrist -10, mcp 0 to 75". */
function arcsText(arcs: Arcs | null): string {
  return Object.entries(arcs ?? {})
    .map(([axis, [from, to]]) => `${axis} ${from === to ? from : `${from} to ${to}`}`)
    .join(', ')
}

export interface ChangeByDose {
  readonly field: 'holdSeconds' | 'load'
  /** From this hold or load on, within the exercise's own range. */
  readonly from: number
  readonly text: string
  readonly signature: Signature
}

/** Doses within its own range at which an exercise becomes another one to the rules; the default dose is left out. */
export function changesByDose(exercise: Exercise): ChangeByDose[] {
  const at = (change: Partial<Dose>) => {
    const signature = signatureOf(exercise, { ...exercise.dose, ...change }, 'none')
    return { signature, text: signatureText(signature) }
  }
  const usual = at({}).text
  const [shortest, longest] = exercise.range.holdSeconds
  const holds = [...new Set([shortest, ...HOLD_BORDERS.filter((at) => at > shortest && at <= longest)])]
  const changes = [
    ...holds.map((from) => ({ field: 'holdSeconds' as const, from, ...at({ holdSeconds: from }) })),
    ...(exercise.load?.steps ?? []).map((from) => ({
      field: 'load' as const,
      from,
      ...at({ load: from }),
    })),
  ]
  return changes.filter(
    ({ text, field }, place) =>
      text !== usual && (changes[place - 1]?.field !== field || changes[place - 1]?.text !== text),
  )
}

/** The first whole seconds at which a hold counts otherwise: a wrist kept bent, a held nerve, a stretch. */
const HOLD_BORDERS = [HELD_FROM_SECONDS, NERVE_HOLD_SECONDS + 1, STRETCH_FROM_HOLD_SECONDS + 1]
