import { DocumentReader } from '../reading/documentReader.js'
import type {
  OwnRedFlag,
  OwnYellowFlag,
  Phase,
  Protocol,
  RestartingClock,
  Source,
  Variable,
  Variant,
  Wear,
} from './protocol.js'
import * as words from '../vocabulary/vocabulary.js'
import {
  LAST_DAY,
  readCriterion,
  readGrips,
  readMotions,
  readRule,
  readSaid,
  type RuleContext,
} from './readRule.js'

const PROTOCOL_KEYS = [
  'id',
  'title',
  'school',
  'condition',
  'version',
  'anchor',
  'guard',
  'guard_digits',
  'guard_combos',
  'guard_stress',
  'guard_nerve',
  'src',
  'evidence',
  'select',
  'str',
  'vars',
  'variants',
  'clock',
  'adjust',
  'contingency',
  'combine',
  'never',
  'phases',
  'gates',
  'red',
  'yellow',
] as const
const PHASE_KEYS = [
  'id',
  'name',
  'days',
  'entry',
  'goals',
  'wear',
  'always_in',
  'allow',
  'caution',
  'forbid',
] as const
/**
 * Reads a protocol document (parsed YAML): words of the vocabulary only, every key known, days and doses that can be.
 * Whether its parts agree with one another is `lintProtocol`'s to say.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the path and what was expected
 */
export function readProtocol(document: unknown): Protocol {
  const reader = new DocumentReader(document)
  const doc = reader.object(PROTOCOL_KEYS)
  const id = doc['id']!.text()
  const str = doc['str']!.object(['mv', 'grip'])
  const variables = readVariables(doc['vars']!)
  const context: RuleContext = {
    strengthMotions: readMotions(str['mv']!, false),
    strengthGrips: readGrips(str['grip']!),
    variables,
  }
  const phases = doc['phases']!.list().map((phase) => readPhase(phase, id, context))
  if (phases.length === 0) doc['phases']!.refuse('at least one phase')
  doc['combine']!.optional((word) => word.oneOf(['most_restrictive']))
  return {
    id,
    title: doc['title']!.text(),
    school: doc['school']!.text(),
    condition: doc['condition']!.text(),
    version: doc['version']!.integer(1, 10_000),
    anchor: doc['anchor']!.oneOf(words.ANCHORS),
    guard: readMotions(doc['guard']!, true),
    guardsAllDigits: doc['guard_digits']!.optional((word) => word.oneOf(['all', 'involved'])) === 'all',
    guardCombos: doc['guard_combos']!.optionalList().map((combo) => combo.oneOf(words.COMBOS)),
    guardStress: doc['guard_stress']!.optionalList().map((stress) => stress.oneOf(words.STRESSES)),
    guardNerve: doc['guard_nerve']!.optionalList().map((nerve) => nerve.oneOf(words.NERVES)),
    sources: doc['src']!.list().map(readSource),
    evidence: doc['evidence']!.text(),
    select: doc['select']!.optionalList().map(readCriterion),
    strengthMotions: readMotions(str['mv']!, true),
    strengthGrips: context.strengthGrips,
    variables,
    variants: readVariants(doc['variants']!),
    clock: doc['clock']!.optional(readClock),
    adjustsByAdhesion: doc['adjust']!.optional((word) => word.oneOf(['adhesion_grade'])) !== null,
    hasContingency: doc['contingency']!.optional((flag) => flag.flag()) ?? false,
    never: doc['never']!.optionalList().map((rule, index) =>
      readRule(rule, 'never', `${id}.never.${index + 1}`, context),
    ),
    phases,
    gates: doc['gates']!.list().map((gate, index) =>
      readRule(gate, 'gate', `${id}.gate.${index + 1}`, context),
    ),
    redFlags: doc['red']!.optionalList().map((flag, index) => readRedFlag(flag, `${id}.red.${index + 1}`)),
    yellowFlags: doc['yellow']!.optionalList().map((flag, index) =>
      readYellowFlag(flag, `${id}.yellow.${index + 1}`),
    ),
  }
}

function readPhase(phase: DocumentReader, protocolId: string, context: RuleContext): Phase {
  const part = phase.object(PHASE_KEYS)
  const phaseId = part['id']!.text()
  const days = part['days']!.list()
  if (days.length !== 2) part['days']!.refuse('[first day, day it ends or null]')
  const start = days[0]!.integer(0, LAST_DAY)
  const end = days[1]!.optional((day) => day.integer(start + 1, LAST_DAY))
  const rules = (kind: 'allow' | 'caution' | 'forbid') =>
    part[kind]!.optionalList().map((rule, index) =>
      readRule(rule, kind, `${protocolId}.${phaseId}.${kind}.${index + 1}`, {
        ...context,
        window: [start, end],
      }),
    )
  return {
    id: phaseId,
    name: readSaid(part['name']!),
    days: [start, end],
    entry: part['entry']!.list().map(readCriterion),
    goals: part['goals']!.text(),
    wear: part['wear']!.list().map(readWear),
    alwaysIn: part['always_in']!.optional((list) => list.list().map((item) => item.oneOf(words.ORTHOSES))),
    allow: rules('allow'),
    caution: rules('caution'),
    forbid: rules('forbid'),
  }
}

function readVariables(reader: DocumentReader): Record<string, Variable> {
  if (reader.isMissing) return {}
  return Object.fromEntries(
    Object.entries(reader.anyObject()).map(([name, entry]) => {
      const part = entry.object(['name', 'unit', 'value', 'range'])
      const ends = part['range']!.list()
      if (ends.length !== 2) part['range']!.refuse('[least, most]')
      const [least, most] = ends.map((end) => end.number(-180, 180)) as [number, number]
      const variable: Variable = {
        name: readSaid(part['name']!),
        unit: part['unit']!.text(),
        value: part['value']!.number(least, most),
        range: [least, most],
      }
      return [name, variable]
    }),
  )
}

function readVariants(reader: DocumentReader): Record<string, Variant> {
  if (reader.isMissing) return {}
  return Object.fromEntries(
    Object.entries(reader.anyObject()).map(([name, entry]) => {
      const part = entry.object(['name', 'window_shift_days', 'after'])
      const variant: Variant = {
        name: readSaid(part['name']!),
        windowShiftDays: part['window_shift_days']!.integer(-400, 400),
        after: part['after']!.optional((day) => day.integer(0, LAST_DAY)) ?? 0,
      }
      return [name, variant]
    }),
  )
}

function readClock(reader: DocumentReader): RestartingClock {
  const part = reader.object(['counter', 'restart_if', 'restart_to', 'partial_credit'])
  return {
    counter: part['counter']!.oneOf(['consecutive_splint_days']),
    restartIf: readSaid(part['restart_if']!),
    restartTo: part['restart_to']!.integer(0, LAST_DAY),
    partialCredit: part['partial_credit']!.oneOf(['therapist']),
  }
}

function readRedFlag(reader: DocumentReader, id: string): OwnRedFlag {
  const part = reader.object(['as', 'en', 'es', 'home'])
  return {
    id,
    as: part['as']!.oneOf(words.RED_FLAGS),
    says: { en: part['en']!.text(), es: part['es']!.text() },
    isSeenAtHome: part['home']!.optional((flag) => flag.flag()) ?? true,
  }
}

function readYellowFlag(reader: DocumentReader, id: string): OwnYellowFlag {
  const part = reader.object(['as', 'text'])
  return { id, as: part['as']!.oneOf(words.YELLOW_FLAGS), text: part['text']!.text() }
}

function readSource(line: DocumentReader): Source {
  const part = line.object(['key', 'confidence'])
  return { key: part['key']!.text(), confidence: part['confidence']!.oneOf(['high', 'medium', 'low']) }
}

function readWear(wear: DocumentReader): Wear {
  const part = wear.object(['orthosis', 'keep', 'offFor', 'text'])
  return {
    orthosis: part['orthosis']!.oneOf(words.ORTHOSES),
    keep: part['keep']!.oneOf(['always', 'night', 'tasks', 'asNeeded']),
    offFor: part['offFor']!.optionalList().map((word) => word.oneOf(['hygiene', 'exercise'])),
    text: readSaid(part['text']!),
  }
}
