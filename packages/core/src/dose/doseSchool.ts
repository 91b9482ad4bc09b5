import { SLOTS, type Dose, type Exercise, type Slot } from '../exercise/exercise.js'
import { readDose, type DOSE_KEYS } from '../exercise/readExercise.js'
import { criterionOf, type Criterion } from '../vocabulary/criterion.js'
import type { FactBook } from '../protocol/facts.js'
import type { Said } from '../words/names.js'
import type { Source } from '../protocol/protocol.js'
import { readSaid } from '../protocol/readRule.js'
import { DocumentReader } from '../reading/documentReader.js'
import { burdenOf, type Burdening } from './minutes.js'

/** What practice disagrees about when it doses. */
export const DOSE_QUESTIONS = ['stretchHold', 'nerveDose', 'earlyLoad', 'painCap', 'boutOrder'] as const
export type DoseQuestion = (typeof DOSE_QUESTIONS)[number]

/** One school of dosing: the answer it gives to its question; the other fields are `null`. */
export interface DoseSchool {
  readonly id: string
  readonly name: Said
  readonly says: Said
  readonly set: Omit<Dose, 'load'> | null
  readonly waitsFor: readonly Criterion[] | null
  /** Pain of 0–10 above which the patient stops, where the exercise does not stop earlier. */
  readonly cap: number | null
  readonly order: readonly Slot[] | null
  readonly source: Source
}

export interface SchoolQuestion {
  readonly question: DoseQuestion
  readonly name: Said
  readonly schools: readonly DoseSchool[]
}

/** The school chosen for each question; a question left out is dosed as the catalogue has it. */
export type ChosenSchools = Readonly<Partial<Record<DoseQuestion, string>>>

/** What a school has to say, by question. */
const ANSWER: Readonly<Record<DoseQuestion, 'set' | 'waitsFor' | 'cap' | 'order'>> = {
  stretchHold: 'set',
  nerveDose: 'set',
  earlyLoad: 'waitsFor',
  painCap: 'cap',
  boutOrder: 'order',
}

/**
 * Reads the list of dosing schools (parsed YAML): every question once, at least two schools each.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the path and what was expected
 */
export function readDoseSchools(document: unknown): readonly SchoolQuestion[] {
  const reader = new DocumentReader(document)
  const questions = reader.list().map((entry): SchoolQuestion => {
    const part = entry.object(['question', 'name', 'schools'])
    const question = part['question']!.oneOf(DOSE_QUESTIONS)
    const schools = part['schools']!.list().map((one) => readSchool(one, question))
    if (schools.length < 2) part['schools']!.refuse('at least two schools')
    if (new Set(schools.map(({ id }) => id)).size < schools.length)
      part['schools']!.refuse('schools with ids of their own')
    return { question, name: readSaid(part['name']!), schools }
  })
  if (questions.map(({ question }) => question).join() !== DOSE_QUESTIONS.join())
    reader.refuse(`the questions ${DOSE_QUESTIONS.join(', ')}, each once and in this order`)
  return questions
}

function readSchool(reader: DocumentReader, question: DoseQuestion): DoseSchool {
  const answer = ANSWER[question]
  const part = reader.object(['id', 'name', 'says', answer, 'source'])
  const source = part['source']!.object(['key', 'confidence'])
  const given = part[answer]!
  return {
    id: part['id']!.text(),
    name: readSaid(part['name']!),
    says: readSaid(part['says']!),
    set: answer === 'set' ? readDose(given) : null,
    waitsFor:
      answer === 'waitsFor'
        ? given.list().map((word) => criterionOf(word.text()) ?? word.refuse('a criterion'))
        : null,
    cap: answer === 'cap' ? given.integer(0, 10) : null,
    order: answer === 'order' ? readOrder(given) : null,
    source: {
      key: source['key']!.text(),
      confidence: source['confidence']!.oneOf(['high', 'medium', 'low']),
    },
  }
}

function readOrder(reader: DocumentReader): Slot[] {
  const order = reader.list().map((word) => word.oneOf(SLOTS))
  if (order.length !== SLOTS.length || new Set(order).size !== SLOTS.length)
    reader.refuse(`every slot once: ${SLOTS.join(', ')}`)
  return order
}

/** The school chosen for a question; `null` where none is, or a later catalogue no longer has it. */
export function chosenSchool(
  questions: readonly SchoolQuestion[],
  chosen: ChosenSchools,
  question: DoseQuestion,
): DoseSchool | null {
  const schools = questions.find((one) => one.question === question)?.schools ?? []
  return schools.find(({ id }) => id === chosen[question]) ?? null
}

type Schooled = Pick<Exercise, 'aims' | 'family' | 'slot' | 'dose' | 'range' | 'load' | 'painCap' | 'pace'>

/**
 * Which question about repetitions and holds an exercise falls under: stretches that are held, and slides of a nerve.
 * A tensioner falls under none: its dose is never raised by a habit. Nor does rubbing, which holds nothing.
 */
export function questionOf(
  exercise: Pick<Schooled, 'aims' | 'dose' | 'pace'> & { readonly family: string },
): 'stretchHold' | 'nerveDose' | null {
  if (exercise.family === 'nerve-slider') return 'nerveDose'
  if (
    exercise.aims.includes('stretch') &&
    exercise.dose.holdSeconds > 0 &&
    exercise.pace?.hold !== 'going on' &&
    exercise.family !== 'nerve-tensioner'
  )
    return 'stretchHold'
  return null
}

/**
 * The dose an exercise gets under the chosen schools, each number kept within what the exercise allows. Where no school
 * speaks of it, its own usual dose; strength work begins with the lightest load where a school of early load is chosen.
 */
export function schooledDose(
  exercise: Schooled,
  questions: readonly SchoolQuestion[],
  chosen: ChosenSchools,
): Dose {
  const question = questionOf(exercise)
  const set = question && chosenSchool(questions, chosen, question)?.set
  const kept = (field: (typeof DOSE_KEYS)[number]) => {
    const [low, high] = exercise.range[field]
    return set ? Math.min(high, Math.max(low, set[field])) : exercise.dose[field]
  }
  const isLoadedGently = exercise.load !== null && chosenSchool(questions, chosen, 'earlyLoad') !== null
  return {
    sets: kept('sets'),
    repetitions: kept('repetitions'),
    holdSeconds: kept('holdSeconds'),
    boutsPerDay: kept('boutsPerDay'),
    load: isLoadedGently ? exercise.load!.steps[0]! : exercise.dose.load,
  }
}

/** The dose the chosen schools give an exercise; `null` where none of them speaks of it. */
export function doseBySchool(
  exercise: Schooled,
  questions: readonly SchoolQuestion[],
  chosen: ChosenSchools,
): Dose | null {
  const question = questionOf(exercise)
  const isDosed = question !== null && chosen[question] !== undefined
  const isLoaded = exercise.load !== null && chosen.earlyLoad !== undefined
  return isDosed || isLoaded ? schooledDose(exercise, questions, chosen) : null
}

/** The pain above which the patient stops: the lower of the exercise's own cap and the school's. */
export function schooledPainCap(
  exercise: Pick<Exercise, 'painCap'>,
  questions: readonly SchoolQuestion[],
  chosen: ChosenSchools,
): number {
  const cap = chosenSchool(questions, chosen, 'painCap')?.cap ?? null
  return cap === null ? exercise.painCap : Math.min(exercise.painCap, cap)
}

/** Items in the order of the chosen school; items of one slot keep the therapist's order. Without a school as they are. */
export function inSchoolOrder<T>(
  items: readonly T[],
  slotOf: (item: T) => Slot,
  questions: readonly SchoolQuestion[],
  chosen: ChosenSchools,
): readonly T[] {
  const order = chosenSchool(questions, chosen, 'boutOrder')?.order
  if (!order) return items
  return [...items].sort((a, b) => order.indexOf(slotOf(a)) - order.indexOf(slotOf(b)))
}

/** What the chosen school of early load waits for before strength work and is not known to hold; a warning, never a lock. */
export function loadWaitsFor(
  exercise: Pick<Exercise, 'slot'>,
  questions: readonly SchoolQuestion[],
  chosen: ChosenSchools,
  facts: FactBook,
): readonly Criterion[] {
  if (exercise.slot !== 'strengthen') return []
  const waitsFor = chosenSchool(questions, chosen, 'earlyLoad')?.waitsFor ?? []
  return waitsFor.filter((criterion) => facts.status(criterion).name !== 'met')
}

/** What a school would make of a program's day. */
export interface SchoolOutcome {
  readonly id: string
  readonly endRangeMinutesPerDay: number
  readonly minutesPerDay: number
  /** Of the exercises its question speaks of. */
  readonly repetitionsPerDay: number
}

/**
 * The schools of a question side by side: what each would make of the exercises it speaks of, in minutes at the end of
 * the range, minutes and repetitions a day. Empty where no exercise of the program falls under the question.
 */
export function comparedSchools(
  question: 'stretchHold' | 'nerveDose',
  exercises: readonly (Schooled & Burdening)[],
  questions: readonly SchoolQuestion[],
): SchoolOutcome[] {
  const concerned = exercises.filter((exercise) => questionOf(exercise) === question)
  if (concerned.length === 0) return []
  const { schools } = questions.find((one) => one.question === question)!
  return schools.map(({ id }) => {
    const items = concerned.map((exercise) => ({
      exercise,
      dose: schooledDose(exercise, questions, { [question]: id }),
    }))
    const { endRangeMinutesPerDay, minutesPerDay } = burdenOf(items)
    return {
      id,
      endRangeMinutesPerDay,
      minutesPerDay,
      repetitionsPerDay: items.reduce(
        (sum, { dose }) => sum + dose.sets * dose.repetitions * dose.boutsPerDay,
        0,
      ),
    }
  })
}
