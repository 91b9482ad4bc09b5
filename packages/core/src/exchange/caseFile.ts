import { addDays, type ClinicalDay } from '../calendar/clinicalDay.js'
import { burdenOf } from '../dose/minutes.js'
import { type Exercise } from '../exercise/exercise.js'
import { inEach, type Said } from '../words/names.js'
import { wrongSchool } from '../protocol/wrongSchool.js'
import { type Orthosis } from '../vocabulary/vocabulary.js'
import { decidingOf, partOf, type Part } from '../verdict/assess.js'
import { assessExercise, exerciseParts, orthosisOn } from '../verdict/assessExercise.js'
import { standingOf } from '../verdict/caseOnDay.js'
import { explainVerdict } from '../verdict/explainVerdict.js'
import { judgeCase } from '../verdict/judgeCase.js'
import { assessThisHand } from '../verdict/otherInjuries.js'
import type { PatientCase } from '../verdict/patientCase.js'
import { type Signature } from '../exercise/signature.js'
import type { Verdict } from '../verdict/verdict.js'
import type { Catalogue } from '../catalogue/catalogue.js'
import { readCaseFile, type AskedExercise, type ReadEpisode } from './readCaseFile.js'

/**
 * Assesses a case file (`pledge-case/1`, parsed YAML or JSON) and answers the assessment (`pledge-assessment/1`).
 *
 * @throws CoreError with the path of the field and what was expected
 */
export function assessCaseFile(document: unknown, catalogue: Catalogue): CaseAssessment {
  const { today, episodes, asked, namesExercises } = readCaseFile(document, catalogue)
  const first = withOthers(episodes)

  const dated = (day: number | null, episode: ReadEpisode) =>
    day === null || episode.anchorDate === null ? null : addDays(episode.anchorDate, day)
  return {
    format: 'pledge-assessment/1',
    today,
    episodes: episodes.map((episode) => {
      const { state } = episode
      const standing = standingOf(state)
      const next = standing.next
      return {
        protocol: state.protocol.id,
        day: state.day,
        wrongSchool: wrongSchool(state.protocol, state.facts).map((criterion) => criterion.text),
        phase: standing.phase && {
          id: standing.phase.id,
          name: standing.phase.name.en,
          heldBy: standing.heldBy.map((criterion) => criterion.text),
        },
        nextPhase: next && {
          id: next.phase.id,
          earliest: dated(next.earliestDay, episode),
          earliestDay: next.earliestDay,
          missing: next.missing.map((criterion) => criterion.text),
        },
        frozen: standing.frozen,
      }
    }),
    verdicts: asked.map((one) => verdictOf(one, first, episodes, dated)),
    burden: namesExercises ? roundedBurden(asked) : null,
  }
}

/**
 * The first episode's case with the others as further injuries: of the same hand, or of the other one where both sides are
 * stated and differ.
 */
function withOthers(episodes: readonly ReadEpisode[]): PatientCase {
  const [first, ...rest] = episodes as [ReadEpisode, ...ReadEpisode[]]
  const isOther = ({ side }: ReadEpisode) => side !== null && first.side !== null && side !== first.side
  return {
    ...first.state,
    otherInjuries: rest.map((one) => ({ hand: isOther(one) ? 'other' : 'same', state: one.state })),
  }
}

export interface CaseAssessment {
  readonly format: 'pledge-assessment/1'
  readonly today: ClinicalDay | null
  readonly episodes: readonly unknown[]
  readonly verdicts: readonly CaseVerdict[]
  readonly burden: { minutesPerDay: number; boutsPerDay: number; endRangeMinutesPerDay: number } | null
}

export interface CaseVerdict {
  readonly exercise: string
  readonly verdict: Verdict['kind']
  readonly from: ClinicalDay | null
  readonly fromDay: number | null
  readonly missing: readonly string[]
  readonly form: string | null
  readonly conditions: readonly string[]
  /** What else opens it: a lifted flag, a review, another school. */
  readonly unlock: readonly string[]
  readonly reasons: readonly { episode: number; rule: string; atom: string; text: string; source: string }[]
  /** The same reasons as a short text. */
  readonly explanation: Said
  /** The orthosis it was judged in. */
  readonly in: Orthosis
}

function verdictOf(
  asked: AskedExercise,
  first: PatientCase,
  episodes: readonly ReadEpisode[],
  dated: (day: number | null, episode: ReadEpisode) => ClinicalDay | null,
): CaseVerdict {
  const { verdict, said, orthosis } = asked.exercise
    ? ofExercise(asked, asked.exercise, first)
    : ofSignature({ ...asked.signature!, digits: asked.digits ?? asked.signature!.digits }, first)
  const deciding = decidingOf(said)
  const reasons = deciding.flatMap((one) => one.reasons.map((reason) => ({ reason, place: one.place })))
  // What is added where all are asked together, as a helper for the other hand, is told of the first.
  const added = verdict.reasons.slice(reasons.length).map((reason) => ({ reason, place: 0 }))
  const episode = episodes[deciding[0]!.place]!
  const fromDay = verdict.fromDay === null ? null : verdict.fromDay - first.day + episode.state.day
  return {
    exercise: asked.exercise?.id ?? asked.signature!.name,
    verdict: verdict.kind,
    from: dated(fromDay, episode),
    fromDay,
    missing: verdict.missing.map((criterion) => criterion.text),
    form: verdict.form?.en ?? null,
    conditions: verdict.conditions.map((one) => one.en),
    unlock: verdict.unlock.map((one) => one.en),
    reasons: [...reasons, ...added].map(({ reason: { rule, atom, text, source }, place }) => ({
      episode: place,
      rule,
      atom,
      text: text.en,
      source,
    })),
    explanation: inEach((language) => explainVerdict(verdict, language, first.day)),
    in: orthosis,
  }
}

/** A verdict with what each episode says by itself, by its place in the file. */
interface Assessed {
  readonly verdict: Verdict
  readonly said: readonly (Part & { readonly place: number })[]
  readonly orthosis: Orthosis
}

function ofExercise(
  { dose, digits, ...asked }: AskedExercise,
  exercise: Exercise,
  first: PatientCase,
): Assessed {
  const done = { ...(asked.orthosis ? { orthosis: asked.orthosis } : {}), posture: asked.posture, digits }
  return {
    verdict: assessExercise(exercise, dose!, first, done),
    said: exerciseParts(exercise, dose!, first, done).map(({ other, part }) => ({
      ...part,
      place: other ? first.otherInjuries.indexOf(other) + 1 : 0,
    })),
    orthosis: asked.orthosis ?? orthosisOn(exercise, dose!, first, done),
  }
}

function ofSignature(signature: Signature, first: PatientCase): Assessed {
  const others = first.otherInjuries.map((other, index) => ({ ...other, place: index + 1 }))
  const states = [{ state: first, place: 0 }, ...others.filter(({ hand }) => hand === 'same')]
  return {
    verdict: assessThisHand(signature, first),
    said: states.map(({ state, place }) => ({ ...partOf(judgeCase(signature, state)), place })),
    orthosis: signature.orthosis,
  }
}

function roundedBurden(asked: readonly AskedExercise[]): CaseAssessment['burden'] {
  const { minutesPerDay, boutsPerDay, endRangeMinutesPerDay } = burdenOf(
    asked.flatMap(({ exercise, dose, digits }) => (exercise && dose ? [{ exercise, dose, digits }] : [])),
  )
  const tenth = (value: number) => Math.round(value * 10) / 10
  return {
    minutesPerDay: tenth(minutesPerDay),
    boutsPerDay,
    endRangeMinutesPerDay: tenth(endRangeMinutesPerDay),
  }
}
