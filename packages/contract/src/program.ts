import type { DoseQuestion } from '@pledge/core'
import type { Static } from 'typebox'
import { chosenSchools } from './episode.js'
import { bool, list, maybe, num, obj, str, whole, word, words } from './shapes.js'
import {
  aims,
  depicted,
  digits,
  dose,
  dosing,
  exerciseTeaching,
  holdKind,
  openings,
  orthosis,
  overrideAnswer,
  overrideTerms,
  verdict,
} from './shared.js'

export const exercise = obj({
  id: str,
  family: str,
  aims,
  /** The digits one may choose among; empty: nothing to choose. */
  choosableDigits: digits,
  /** Chosen digits go one after the other, not together. */
  isOneAtATime: bool,
  /** The digits it begins with when it is added; `null`: as the exercise is. */
  digitsToBegin: maybe(digits),
  holdKind,
  region: str,
  demand: str,
  text: exerciseTeaching,
  depicted,
  ...dosing,
  equipment: list(obj({ name: str, home: maybe(str) })),
  painCap: whole,
  verdict,
  openings,
  orthosis,
  /** The exception that covers its verdict, and what one would take. */
  override: maybe(overrideAnswer),
  overrideTerms,
  /** What is open in its place, where it is not open itself. */
  instead: maybe(obj({ id: str, name: str, rungsDown: maybe(whole) })),
  easier: list(str),
  harder: list(str),
  sources: list(obj({ key: str, confidence: str })),
})
export type ExerciseAnswer = Static<typeof exercise>

const draftItem = obj({
  itemId: str,
  exerciseId: str,
  dose,
  digits: maybe(digits),
  minutesPerBout: num,
  orthosis,
  verdict,
  openings,
  override: maybe(overrideAnswer),
  overrideTerms,
  painCap: whole,
  /** The dose the chosen schools give it; `null`: none speaks of it. */
  schoolDose: maybe(dose),
  /** What the chosen school of early load waits for. */
  waitsFor: list(str),
})
const question = obj({
  question: word<DoseQuestion>(),
  name: str,
  chosen: maybe(str),
  schools: list(
    obj({
      id: str,
      name: str,
      says: str,
      source: str,
      endRangeMinutesPerDay: maybe(num),
      repetitionsPerDay: maybe(num),
    }),
  ),
})
export type QuestionAnswer = Static<typeof question>
export const draft = obj({
  version: whole,
  updatedBy: maybe(str),
  items: list(draftItem),
  schools: chosenSchools,
  /** Ids of the items in the order of the chosen school. */
  schoolOrder: list(str),
  questions: list(question),
  nerveSlides: maybe(
    obj({ perDay: whole, budget: maybe(whole), irritability: maybe(words(['low', 'mod', 'high'])) }),
  ),
  burden: obj({
    minutesPerBout: num,
    minutesPerDay: num,
    boutsPerDay: whole,
    endRangeMinutesPerDay: num,
  }),
})
export type DraftAnswer = Static<typeof draft>
