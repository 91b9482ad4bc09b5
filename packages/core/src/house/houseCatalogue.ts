import { withListed } from '../catalogue/listedWeeks.js'
import { CoreError } from '../errors.js'
import { LAST_WEEK } from '../exercise/condition.js'
import type { Dose, DoseRange, Exercise } from '../exercise/exercise.js'
import { DOSE_KEYS, DOSE_LIMITS } from '../exercise/readExercise.js'
import { lintProtocol } from '../protocol/lintProtocol.js'
import { rulesOfPhase, type Phase, type Protocol, type Rule } from '../protocol/protocol.js'
import { LAST_DAY } from '../protocol/readRule.js'
import { HEALING_ANCHORS } from '../vocabulary/vocabulary.js'
import type { Catalogue } from '../catalogue/catalogue.js'

/** One thing a clinic does otherwise than the shipped catalogue. A later edit of the same thing replaces an earlier one. */
export type HouseEdit =
  | { readonly kind: 'phase'; readonly protocolId: string; readonly phaseId: string; readonly day: number }
  | { readonly kind: 'gate'; readonly protocolId: string; readonly key: string; readonly day: number }
  | {
      readonly kind: 'dose'
      readonly exerciseId: string
      readonly dose: Dose
      readonly range: DoseRange
    }
  | {
      readonly kind: 'week'
      readonly exerciseId: string
      readonly conditionId: string
      readonly week: number
    }

/** The protocol whose window an edit moves; `null` for an edit of an exercise. */
export function editedProtocol(edit: HouseEdit): string | null {
  return edit.kind === 'phase' || edit.kind === 'gate' ? edit.protocolId : null
}

/** What an edit is about; two edits of the same thing share it. */
export function subjectOf(edit: HouseEdit): string {
  switch (edit.kind) {
    case 'phase':
      return `phase ${edit.protocolId}.${edit.phaseId}`
    case 'gate':
      return `gate ${edit.protocolId}#${edit.key}`
    case 'dose':
      return `dose ${edit.exerciseId}`
    case 'week':
      return `week ${edit.exerciseId} ${edit.conditionId}`
  }
}

/**
 * The catalogue as a clinic uses it: the shipped one with its edits in force worked in, checked as strictly as a file.
 *
 * @param edits - in the order in which they were made, those taken back left out
 * @param revision - names this state of the edits; signed programs keep it
 * @throws CoreError `DOCUMENT_INVALID` with the place and what was expected; then nothing is changed
 */
export function houseCatalogue(shipped: Catalogue, edits: readonly HouseEdit[], revision: string): Catalogue {
  const protocols = new Map(shipped.protocols)
  const exercises = new Map(shipped.exercises)
  const last = [...new Map(edits.map((edit) => [subjectOf(edit), edit])).values()]
  const windows = last.filter((edit) => edit.kind === 'phase' || edit.kind === 'gate')
  for (const id of new Set(windows.map(({ protocolId }) => protocolId))) {
    const own = windows.filter(({ protocolId }) => protocolId === id)
    protocols.set(id, withWindows(known(protocols, id, 'protocolId', 'a protocol'), own))
  }
  for (const edit of last) {
    if (edit.kind === 'phase' || edit.kind === 'gate') continue
    const exercise = known(exercises, edit.exerciseId, 'exerciseId', 'an exercise')
    exercises.set(
      exercise.id,
      edit.kind === 'dose' ? withDose(exercise, edit.dose, edit.range) : withUsualWeek(exercise, edit),
    )
  }
  for (const [id, protocol] of protocols) {
    if (protocol === shipped.protocols.get(id)) continue
    const [finding] = lintProtocol(protocol)
    if (finding) refuse(finding.path, `${id} would no longer hold together: expected ${finding.expected}.`)
  }
  const conditions = withListed(shipped.conditions, exercises)
  return { ...shipped, conditions, protocols, exercises, revision }
}

/**
 * Whether an edit opens something earlier than the catalogue in force while the injury heals: it then needs the
 * surgeon's agreement with a document (vocabulary 5.3).
 */
export function opensEarlier(edit: HouseEdit, inForce: Catalogue): boolean {
  switch (edit.kind) {
    case 'phase': {
      const protocol = inForce.protocols.get(edit.protocolId)
      const phase = protocol?.phases.find(({ id }) => id === edit.phaseId)
      return isHealing(protocol) && phase !== undefined && edit.day < phase.days[0]
    }
    case 'gate': {
      const protocol = inForce.protocols.get(edit.protocolId)
      const gate = protocol?.gates.find(({ key }) => key === edit.key)
      return isHealing(protocol) && gate !== undefined && edit.day < gate.from
    }
    case 'week': {
      const week = inForce.exercises.get(edit.exerciseId)?.gateWeeks[edit.conditionId]
      const schools = inForce.conditions.get(edit.conditionId)?.protocols ?? []
      const heals = schools.some((id) => isHealing(inForce.protocols.get(id)))
      return heals && week !== undefined && edit.week < week
    }
    case 'dose':
      return false
  }
}

function isHealing(protocol: Protocol | undefined): boolean {
  return protocol !== undefined && HEALING_ANCHORS.includes(protocol.anchor)
}

type WindowEdit = Extract<HouseEdit, { protocolId: string }>

/** All windows of a protocol moved. A phase and the next one may need each other's move: they are tried until none is left. */
function withWindows(protocol: Protocol, edits: readonly WindowEdit[]): Protocol {
  let moved = protocol
  let left = edits
  while (left.length > 0) {
    const refused: WindowEdit[] = []
    let reason: unknown
    for (const edit of left) {
      try {
        moved =
          edit.kind === 'phase'
            ? withPhaseFrom(moved, edit.phaseId, edit.day)
            : withGateFrom(moved, edit.key, edit.day)
      } catch (error) {
        refused.push(edit)
        reason = error
      }
    }
    if (refused.length === left.length) throw reason
    left = refused
  }
  return moved
}

/** The phase begins on another day; the one before it ends there, and rules that stood at the border move with it. */
function withPhaseFrom(protocol: Protocol, phaseId: string, day: number): Protocol {
  const index = protocol.phases.findIndex(({ id }) => id === phaseId)
  const phase = protocol.phases[index]
  if (!phase) return refuse('phaseId', `Expected a phase of ${protocol.id}, found "${phaseId}".`)
  const before = protocol.phases[index - 1]
  if (!before)
    return refuse('phaseId', `The first phase of ${protocol.id} begins on day 0 and cannot be moved.`)
  const [border, end] = phase.days
  const least = before.days[0] + 1
  const most = (end ?? LAST_DAY + 1) - 1
  if (!Number.isInteger(day) || day < least || day > most)
    return refuse(
      'day',
      `Expected a whole day from ${least} to ${most}, so that no phase vanishes; found ${day}.`,
    )
  const late = rulesOfPhase(before).find((rule) => rule.from >= day)
  if (late)
    return refuse(
      'day',
      `${late.id} begins on day ${late.from} and would lie outside its phase: choose day ${late.from + 1} or later.`,
    )
  const gone = rulesOfPhase(phase).find((rule) => rule.until !== null && rule.until <= day)
  if (gone)
    return refuse(
      'day',
      `${gone.id} ends on day ${gone.until! - 1} and would vanish: choose day ${gone.until! - 1} or earlier.`,
    )
  const earlier = mapPhase({ ...before, days: [before.days[0], day] }, (rule) =>
    rule.until === border || (rule.until !== null && rule.until > day) ? { ...rule, until: day } : rule,
  )
  const later = mapPhase({ ...phase, days: [day, end] }, (rule) =>
    rule.from === border || rule.from < day ? { ...rule, from: day } : rule,
  )
  return {
    ...protocol,
    phases: protocol.phases.map((one, place) =>
      place === index - 1 ? earlier : place === index ? later : one,
    ),
  }
}

function mapPhase(phase: Phase, change: (rule: Rule) => Rule): Phase {
  return {
    ...phase,
    allow: phase.allow.map(change),
    caution: phase.caution.map(change),
    forbid: phase.forbid.map(change),
  }
}

function withGateFrom(protocol: Protocol, gateKey: string, day: number): Protocol {
  const gate = protocol.gates.find(({ key }) => key === gateKey)
  if (!gate) return refuse('key', `Expected a gate of ${protocol.id}, found "${gateKey}".`)
  const most = (gate.until ?? LAST_DAY + 1) - 1
  if (!Number.isInteger(day) || day < 0 || day > most)
    return refuse('day', `Expected a whole day from 0 to ${most}, found ${day}.`)
  const gates = protocol.gates.map((one) => (one === gate ? { ...gate, from: day } : one))
  // Gates stand in order; their ids stay what they were.
  return { ...protocol, gates: gates.sort((a, b) => a.from - b.from) }
}

function withDose(exercise: Exercise, dose: Dose, range: DoseRange): Exercise {
  for (const field of DOSE_KEYS) {
    const [least, most] = DOSE_LIMITS[field]
    const [low, high] = range[field]
    if (!Number.isInteger(low) || !Number.isInteger(high) || low < least || high > most || low > high)
      refuse(`range.${field}`, `Expected a range within ${least} to ${most}, found ${low} to ${high}.`)
    const amount = dose[field]
    if (!Number.isInteger(amount) || amount < low || amount > high)
      refuse(`dose.${field}`, `Expected a whole number in its own range, ${low} to ${high}, found ${amount}.`)
  }
  const steps = exercise.load?.steps ?? null
  if (steps === null ? dose.load !== null : dose.load === null || !steps.includes(dose.load))
    refuse('dose.load', steps ? `Expected one of ${steps.join(', ')}.` : 'Expected no load.')
  return { ...exercise, dose, range }
}

function withUsualWeek(
  exercise: Exercise,
  { conditionId, week }: { conditionId: string; week: number },
): Exercise {
  if (!exercise.conditions.includes(conditionId))
    return refuse('conditionId', `Expected a condition of ${exercise.id}, found "${conditionId}".`)
  if (!Number.isInteger(week) || week < 0 || week > LAST_WEEK)
    return refuse('week', `Expected a whole week from 0 to ${LAST_WEEK}, found ${week}.`)
  return { ...exercise, gateWeeks: { ...exercise.gateWeeks, [conditionId]: week } }
}

function known<T>(entries: ReadonlyMap<string, T>, id: string, path: string, what: string): T {
  return entries.get(id) ?? refuse(path, `Expected ${what} of the catalogue, found "${id}".`)
}

function refuse(path: string, message: string): never {
  throw new CoreError('DOCUMENT_INVALID', path, message)
}
