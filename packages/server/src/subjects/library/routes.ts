import {
  choosableDigits,
  assessExercise,
  changesByDose,
  depicted,
  dayZero,
  derivedFacts,
  ladderStep,
  positionWords,
  ORTHOSIS_NAMES,
  otherHandUse,
  signatureWords,
  timingOf,
  type Catalogue,
  type Exercise,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { inBoth, sourcesOf } from '../../answers/catalogue.js'
import {
  depictedReply,
  dosingReply,
  exerciseTeachingReply,
  list,
  map,
  maybe,
  num,
  obj,
  said,
  str,
  verdictReply,
  whole,
} from '../../answers/shapes.js'
import { verdictJson } from '../../answers/verdict.js'
import { todayOf, told, type AppContext } from '../../context.js'
import { STAFF } from '../../plugins/access.js'
import { Problem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'

const listReply = obj({
  exercises: list(
    obj({
      id: str,
      family: str,
      aims: list(str),
      region: str,
      slot: str,
      equipment: list(str),
      conditions: list(str),
      structures: list(str),
      name: said,
      reason: said,
      kind: maybe(str),
    }),
  ),
  conditions: list(obj({ id: str, name: said })),
  equipment: list(obj({ id: str, name: said })),
})
const picturesReply = list(obj({ id: str, name: said, depicted: depictedReply }))
const pageReply = obj({
  id: str,
  family: str,
  region: str,
  aims: list(str),
  slot: str,
  demand: str,
  force: str,
  evidence: str,
  side: str,
  otherHand: str,
  turns: str,
  digits: list(str),
  choosableDigits: list(str),
  oneAtATime: maybe(str),
  holdKind: str,
  text: obj({ en: exerciseTeachingReply, es: exerciseTeachingReply }),
  positions: list(said),
  depicted: depictedReply,
  angles: list(obj({ name: str, start: maybe(num), shapes: list(maybe(num)) })),
  ...dosingReply,
  painCap: whole,
  maxRise: whole,
  stop: list(str),
  equipment: list(obj({ name: said, home: maybe(said) })),
  worn: list(said),
  stress: list(obj({ structure: str, mode: str, level: str })),
  contraindications: list(str),
  weeks: list(obj({ conditionId: str, condition: said, week: maybe(whole) })),
  easier: list(obj({ id: str, name: said, step: list(str) })),
  harder: list(obj({ id: str, name: said, step: list(str) })),
  signature: list(said),
  doseChanges: list(obj({ field: str, from: num, words: list(said) })),
  travelMm: map(num),
  differentialMm: num,
  nerve: maybe(obj({ nerve: str, technique: str, strainPercent: num })),
  minutesPerBout: num,
  endRangeMinutesPerDay: num,
  sources: list(obj({ key: str, confidence: str, text: str })),
  verdict: maybe(verdictReply),
})
/** The exercises of the catalogue to read. Mounted at `/api/library`. */
export const library: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  /** The open case the library is read for; `null` where none is asked about. */
  async function caseOf(episodeId: string | undefined, catalogue: Catalogue) {
    if (!episodeId) return null
    const record = await data.records.of(episodeId)
    const today = todayOf(context)
    const state = caseOn(record, catalogue, today, clock.now())
    return { state, zero: dayZero(state.day, today) }
  }

  app.get(
    '/exercises',
    { config: { access: STAFF }, schema: { response: { 200: listReply } } },
    async (request) => {
      const { catalogue } = request
      const { episode } = request.query as { episode?: string }
      const open = await caseOf(episode, catalogue)
      if (episode) await data.journal.note(told(context, request, 'verdicts.read'), episode)
      return {
        exercises: [...catalogue.exercises.values()].map((exercise) => ({
          ...exercise,
          name: inBoth(exercise, 'name'),
          reason: inBoth(exercise, 'reason'),
          structures: [...new Set(exercise.stress.map(({ structure }) => structure))],
          kind: open && verdictOf(exercise, open.state).kind,
        })),
        conditions: [...catalogue.conditions.values()],
        equipment: [...catalogue.equipment.values()],
      }
    },
  )

  app.get(
    '/exercises/:exerciseId',
    { config: { access: STAFF }, schema: { response: { 200: pageReply } } },
    async (request) => {
      const { catalogue } = request
      const { exerciseId } = request.params as { exerciseId: string }
      const { episode } = request.query as { episode?: string }
      const exercise = catalogue.exercises.get(exerciseId)
      if (!exercise) throw new Problem('NOT_FOUND', 'The catalogue has no such exercise.')
      const open = await caseOf(episode, catalogue)
      return {
        ...pageOf(exercise, catalogue),
        verdict: open && verdictJson(verdictOf(exercise, open.state), open.zero, open.state.day),
      }
    },
  )

  app.get(
    '/pictures',
    { config: { access: STAFF }, schema: { response: { 200: picturesReply } } },
    async ({ catalogue }) =>
      [...catalogue.exercises.values()].map((exercise) => ({
        id: exercise.id,
        name: inBoth(exercise, 'name'),
        depicted: depicted(exercise),
      })),
  )
}

function verdictOf(exercise: Exercise, state: Parameters<typeof assessExercise>[2]) {
  return assessExercise(exercise, exercise.dose, state)
}

function pageOf(exercise: Exercise, catalogue: Catalogue) {
  const facts = derivedFacts(exercise)
  const rung = (easier: Exercise, harder: Exercise, told: Exercise) => ({
    id: told.id,
    name: inBoth(told, 'name'),
    step: ladderStep(easier, harder),
  })
  const angles = [...new Set([exercise.start, ...exercise.shapes].flatMap((pose) => Object.keys(pose)))]
  return {
    ...exercise,
    angles: angles.map((name) => {
      const of = (pose: object) => (pose as Record<string, number>)[name] ?? null
      return { name, start: of(exercise.start), shapes: exercise.shapes.map(of) }
    }),
    otherHand: otherHandUse(exercise),
    digits: exercise.digits ?? [],
    choosableDigits: choosableDigits(exercise),
    oneAtATime: exercise.oneAtATime ?? null,
    holdKind: timingOf(exercise).hold,
    positions: positionWords(exercise),
    depicted: depicted(exercise),
    equipment: exercise.equipment.map((key) => catalogue.equipment.get(key)!),
    worn: exercise.worn.map((orthosis) => ORTHOSIS_NAMES[orthosis]),
    weeks: exercise.conditions.map((id) => ({
      conditionId: id,
      condition: catalogue.conditions.get(id)!.name,
      week: exercise.gateWeeks[id] ?? null,
    })),
    easier: exercise.ladder.easier.map((id) => {
      const one = catalogue.exercises.get(id)!
      return rung(one, exercise, one)
    }),
    harder: exercise.ladder.harder.map((id) => {
      const one = catalogue.exercises.get(id)!
      return rung(exercise, one, one)
    }),
    signature: signatureWords(facts.signature),
    doseChanges: changesByDose(exercise).map(({ field, from, signature }) => ({
      field,
      from,
      words: signatureWords(signature),
    })),
    travelMm: facts.travelMm,
    differentialMm: facts.differentialMm,
    nerve: facts.nerve,
    minutesPerBout: facts.minutesPerBout,
    endRangeMinutesPerDay: facts.endRangeMinutesPerDay,
    sources: sourcesOf(exercise.sources, catalogue),
  }
}
