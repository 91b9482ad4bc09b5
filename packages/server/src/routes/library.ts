import {
  choosableDigits,
  assessExercise,
  changesByDose,
  depicted,
  criterionMeaning,
  dayZero,
  derivedFacts,
  LANGUAGES,
  ladderStep,
  positionWords,
  ORTHOSIS_NAMES,
  protocolOpenings,
  ruleWords,
  schoolPreview,
  otherHandUse,
  signatureWords,
  timingOf,
  type Catalogue,
  type Exercise,
  type Phase,
  type Protocol,
  type ProtocolOpening,
  type Rule,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import type { AppContext } from '../app.js'
import { caseOn, readRecord } from '../cases/episodeRecord.js'
import { gateWords } from '../cases/gateWords.js'
import { verdictJson } from '../cases/verdictReply.js'
import { STAFF } from '../plugins/access.js'
import { Problem } from '../problems.js'
import {
  bool,
  depictedReply,
  dosingReply,
  exerciseTeachingReply,
  list,
  map,
  maybe,
  num,
  obj,
  str,
  verdictReply,
  whole,
} from '../reply.js'

const said = obj({ en: str, es: str })
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
const ruleReply = obj({
  id: str,
  kind: str,
  from: whole,
  what: said,
  when: maybe(said),
  needs: list(said),
  why: maybe(said),
  dose: maybe(str),
})
const protocolReply = obj({
  id: str,
  title: str,
  school: str,
  condition: obj({ id: str, name: said }),
  anchor: str,
  evidence: str,
  sources: list(obj({ key: str, confidence: str, text: str })),
  select: list(said),
  variants: list(obj({ name: said, shiftDays: whole, after: whole })),
  variables: list(obj({ name: said, unit: str, value: num, least: num, most: num })),
  never: list(ruleReply),
  phases: list(
    obj({
      id: str,
      name: said,
      startDay: whole,
      endDay: maybe(whole),
      shippedStartDay: whole,
      goals: str,
      entry: list(said),
      wear: list(said),
      rules: list(ruleReply),
    }),
  ),
  gates: list(obj({ rule: ruleReply, peg: str, shippedDay: whole })),
  openings: list(obj({ id: str, name: said, fromDay: maybe(whole), phaseId: maybe(str), isWithCare: bool })),
  yellow: list(str),
  red: list(said),
})
const schoolsReply = list(
  obj({
    id: str,
    name: said,
    schools: list(
      obj({
        id: str,
        title: str,
        school: str,
        anchor: str,
        evidence: str,
        phases: list(obj({ id: str, name: said, startDay: whole, endDay: maybe(whole) })),
        gates: list(obj({ day: whole, peg: str })),
        preview: obj({
          motion: str,
          days: map(maybe(whole)),
        }),
        isChanged: bool,
      }),
    ),
  }),
)

interface LibraryOptions extends AppContext {
  readonly shipped: Catalogue
}

/** The catalogue to read: exercises, and protocols with what they open when. Mounted at `/api/library`. */
export const library: FastifyPluginAsync<LibraryOptions> = async (
  app,
  { database, clock, settings, shipped },
) => {
  /** What a protocol opens is searched through a year: once for each state of the catalogue. */
  const openingsIn = new WeakMap<Protocol, { catalogue: Catalogue; found: ProtocolOpening[] }>()

  function openingsOf(protocol: Protocol, catalogue: Catalogue): ProtocolOpening[] {
    const kept = openingsIn.get(protocol)
    if (kept?.catalogue === catalogue) return kept.found
    const condition = catalogue.conditions.get(protocol.condition)!
    const found = protocolOpenings(protocol, condition, catalogue.exercises.values())
    openingsIn.set(protocol, { catalogue, found })
    return found
  }

  /** The open case the library is read for; `null` where none is asked about. */
  async function caseOf(episodeId: string | undefined, catalogue: Catalogue) {
    if (!episodeId) return null
    const record = await readRecord(database, episodeId)
    const today = clock.today(settings.clinic.timeZone)
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
      if (episode)
        await database.audit({
          at: clock.now(),
          actor: request.actor(),
          action: 'verdicts.read',
          episodeId: episode,
          isChange: false,
        })
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

  app.get(
    '/protocols',
    { config: { access: STAFF }, schema: { response: { 200: schoolsReply } } },
    async ({ catalogue }) =>
      [...catalogue.conditions.values()].map((condition) => ({
        id: condition.id,
        name: condition.name,
        schools: condition.protocols.map((id) => {
          const protocol = catalogue.protocols.get(id)!
          const { motion, ...days } = schoolPreview(protocol)
          return {
            ...protocol,
            phases: protocol.phases.map((phase) => ({
              ...phase,
              startDay: phase.days[0],
              endDay: phase.days[1],
            })),
            gates: protocol.gates.map((gate) => ({ day: gate.from, peg: gateWords(gate) })),
            preview: { motion, days },
            isChanged: protocol !== shipped.protocols.get(id),
          }
        }),
      })),
  )

  app.get(
    '/protocols/:protocolId',
    { config: { access: STAFF }, schema: { response: { 200: protocolReply } } },
    async (request) => {
      const { catalogue } = request
      const { protocolId } = request.params as { protocolId: string }
      const protocol = catalogue.protocols.get(protocolId)
      if (!protocol) throw new Problem('NOT_FOUND', 'The catalogue has no such protocol.')
      return protocolPage(protocol, catalogue, shipped, openingsOf(protocol, catalogue))
    },
  )
}

function verdictOf(exercise: Exercise, state: Parameters<typeof assessExercise>[2]) {
  return assessExercise(exercise, exercise.dose, state)
}

function inBoth(exercise: Exercise, field: 'name' | 'reason') {
  return { en: exercise.text.en[field], es: exercise.text.es[field] }
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

function sourcesOf(sources: readonly { key: string; confidence: string }[], catalogue: Catalogue) {
  return sources.map((source) => ({ ...source, text: catalogue.sources.get(source.key)?.text ?? '' }))
}

function ruleJson(rule: Rule, phase: Phase | null) {
  return { ...ruleWords(rule, phase), id: rule.id, kind: rule.kind, from: rule.from }
}

function criterionIn(text: string) {
  return Object.fromEntries(LANGUAGES.map((language) => [language, criterionMeaning(text, language)]))
}

function protocolPage(
  protocol: Protocol,
  catalogue: Catalogue,
  shipped: Catalogue,
  openings: readonly ProtocolOpening[],
) {
  const condition = catalogue.conditions.get(protocol.condition)!
  const original = shipped.protocols.get(protocol.id) ?? protocol
  return {
    ...protocol,
    condition: { id: condition.id, name: condition.name },
    sources: sourcesOf(protocol.sources, catalogue),
    select: protocol.select.map(({ text }) => criterionIn(text)),
    variants: Object.values(protocol.variants).map(({ name, windowShiftDays, after }) => ({
      name,
      shiftDays: windowShiftDays,
      after,
    })),
    variables: Object.values(protocol.variables).map(({ name, unit, value, range }) => ({
      name,
      unit,
      value,
      least: range[0],
      most: range[1],
    })),
    never: protocol.never.map((rule) => ruleJson(rule, null)),
    phases: protocol.phases.map((phase, place) => ({
      ...phase,
      startDay: phase.days[0],
      endDay: phase.days[1],
      shippedStartDay: original.phases[place]?.days[0] ?? phase.days[0],
      entry: phase.entry.map(({ text }) => criterionIn(text)),
      wear: phase.wear.map(({ text }) => text),
      rules: [...phase.allow, ...phase.caution, ...phase.forbid].map((rule) => ruleJson(rule, phase)),
    })),
    gates: protocol.gates.map((gate) => ({
      rule: ruleJson(gate, null),
      peg: gateWords(gate),
      shippedDay: original.gates.find(({ id }) => id === gate.id)?.from ?? gate.from,
    })),
    openings: openings.map(({ exercise, ...opening }) => ({
      ...opening,
      id: exercise.id,
      name: inBoth(exercise, 'name'),
    })),
    red: protocol.redFlags.map(({ says }) => says),
    yellow: protocol.yellowFlags.map(({ text }) => text),
  }
}
