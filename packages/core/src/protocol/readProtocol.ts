import { DocumentReader } from '../reading/documentReader.js'
import { criterionOf, type Criterion } from '../vocabulary/criterion.js'
import { LANGUAGES, type Said } from '../words/names.js'
import type {
  OwnRedFlag,
  OwnYellowFlag,
  Phase,
  Protocol,
  RestartingClock,
  Rule,
  RuleKind,
  Source,
  Target,
  Variable,
  VariableEnd,
  Variant,
  Wear,
} from './protocol.js'
import { readArcs, readModes, readResistance } from '../vocabulary/readWords.js'
import * as words from '../vocabulary/vocabulary.js'

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
/** What a rule or an order is about, and in which form. */
export const TARGET_KEYS = [
  'm',
  'mv',
  'combo',
  'grip',
  'stress',
  'nerve',
  'tech',
  'test',
  'act',
  'kg',
  'technique',
  'arc',
  'with',
  'in',
] as const
const RULE_KEYS = [
  'key',
  ...TARGET_KEYS,
  'needs',
  'from',
  'until',
  'res',
  'beyond',
  'out_of',
  'when',
  'by',
  'why',
  'dose',
  'note',
  'as',
  'unlock',
] as const

/** Last day any window may name: later is a typing error. */
export const LAST_DAY = 1000

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

/** A text in every language of the product. */
export function readSaid(reader: DocumentReader): Said {
  const part = reader.object(LANGUAGES)
  return { en: part['en']!.text(), es: part['es']!.text() }
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

interface RuleContext {
  /** What a gate that names a resistance alone opens: never hyperextension, which must be named. */
  readonly strengthMotions: ReadonlySet<words.Motion>
  readonly strengthGrips: readonly words.Grip[]
  readonly variables: Readonly<Record<string, Variable>>
  readonly window?: readonly [number, number | null]
  /** A surgeon's own words: in one language, as they were written, and without a name. */
  readonly saysPlainly?: boolean
}

/** For rules outside a protocol: a surgeon's orders. */
export const ORDER_CONTEXT: RuleContext = {
  strengthMotions: new Set(),
  strengthGrips: [],
  variables: {},
  saysPlainly: true,
}

/** Reads one rule; also used for surgeon's orders, which share its targets. */
export function readRule(rule: DocumentReader, kind: RuleKind, id: string, context: RuleContext): Rule {
  const part = rule.object(RULE_KEYS)
  const closes = kind === 'forbid' || kind === 'never'
  const [windowStart, windowEnd] = context.window ?? [0, null]
  const res = part['res']!.optional(readResistance)
  const targets = readTargets(part, kind, res, context)
  if (targets.length === 0)
    rule.refuse('something the rule speaks about: m and mv, combo, grip, test, act, kg or technique')
  const from = part['from']!.optional((day) => day.integer(0, LAST_DAY)) ?? windowStart
  if (from < windowStart || (windowEnd !== null && from >= windowEnd)) {
    part['from']!.refuse(
      `a day inside its phase, ${windowStart} to ${windowEnd === null ? 'open' : windowEnd - 1}`,
    )
  }
  const why = part['why']!.optional((text) => (context.saysPlainly ? plain(text) : readSaid(text)))
  if (why === null && (closes || kind === 'caution'))
    part['why']!.refuse(`a reason (why): every ${kind} says one`)
  const ends: VariableEnd[] = []
  const arcs = (of: 'arc' | 'beyond') =>
    part[of]!.optional((arc) => readVariableArcs(arc, of, context.variables, ends))
  return {
    id,
    key: context.saysPlainly ? id : readKey(part['key']!),
    kind,
    targets,
    from,
    // A forbid ends with its phase, not with the phase's window: a case may be held in a phase long past it.
    until: part['until']!.optional((day) => day.integer(from + 1, LAST_DAY)),
    arc: arcs('arc'),
    posture: part['with']!.optional(readArcs),
    inOrthosis: part['in']!.optional((list) => list.list().map((item) => item.oneOf(words.ORTHOSES))),
    beyond: arcs('beyond'),
    variableEnds: ends,
    outOf: part['out_of']!.optional((list) => list.list().map((item) => item.oneOf(words.ORTHOSES))),
    when: part['when']!.optional((list) => list.list().map((item) => item.oneOf(words.STATES))),
    by: part['by']!.optional((list) => list.list().map((item) => item.oneOf(words.ACTORS))),
    technique: targets.some((target) => target.kind === 'technique')
      ? null
      : part['technique']!.optional((list) => list.list().map((item) => item.oneOf(words.TECHNIQUES))),
    res,
    needs: part['needs']!.optionalList().map(readCriterion),
    asCaution: part['as']!.optional((word) => word.oneOf(['caution'])) === 'caution',
    why,
    note: part['note']!.optional(readSaid),
    dose: part['dose']!.optional(readDose),
    unlock: part['unlock']!.optional(readSaid),
  }
}

const KEY = /^[a-z0-9]+(-[a-z0-9]+)*$/

function readKey(reader: DocumentReader): string {
  const key = reader.text()
  return KEY.test(key) && key.length <= 80
    ? key
    : reader.refuse('a name of small letters, digits and single dashes, at most 80 characters')
}

function plain(reader: DocumentReader): Said {
  const text = reader.text()
  return { en: text, es: text }
}

const DOSE =
  /^((\d+\*)?\d+(-\d+)?(x\d+(-\d+)?s)?|(\d+\*)?\d+(-\d+)?x\d+s-\d+x\d+s|\d+(-\d+)?min) (q\d+h|\d+(-\d+)?\/(d|wk))$/

/** A dose as protocols write it: `10x3s q2h`, `2*10-15 3/wk`, `5min 3/d`. */
export function readDose(reader: DocumentReader): string {
  const text = reader.text()
  if (!DOSE.test(text)) reader.refuse('a dose, as 10x3s q2h, 3*8-15 3/wk or 5min 3/d')
  return text
}

/** Arcs whose lower end may be an expression of a patient's value: `[xb0-10, 130]`. */
function readVariableArcs(
  reader: DocumentReader,
  of: 'arc' | 'beyond',
  variables: Readonly<Record<string, Variable>>,
  ends: VariableEnd[],
): words.Arcs {
  const bound: Record<string, unknown> = {}
  for (const [word, range] of Object.entries(reader.anyObject())) {
    const pair = range.list().map((end) => end.value)
    const expression = typeof pair[0] === 'string' ? /^([a-z]\w*?)(?:-(\d+))?$/.exec(pair[0]) : null
    const axis = words.axisOfWord(word)
    if (expression && axis) {
      const [, variable, minus] = expression as unknown as [string, string, string | undefined]
      const known =
        variables[variable] ?? range.refuse(`a variable of the protocol (vars), found ${variable}`)
      const end: VariableEnd = { of, axis, variable, minus: Number(minus ?? 0) }
      ends.push(end)
      pair[0] = variableEndDeg(end, known.value)
    }
    bound[word] = pair
  }
  return readArcs(reader.at(bound))
}

/** The end of an arc for a patient's value; never below 0. */
export function variableEndDeg(end: VariableEnd, value: number): number {
  return Math.max(0, value - end.minus)
}

function readTargets(
  part: Record<string, DocumentReader>,
  kind: RuleKind,
  res: words.ResistanceClass | null,
  context: RuleContext,
): Target[] {
  const closes = kind === 'forbid' || kind === 'never'
  const targets: Target[] = []
  const modes = part['m']!.optional(readModes)
  if (!part['mv']!.isMissing) {
    const defaultModes: readonly words.Mode[] | null = kind === 'gate' ? ['I', 'R'] : null
    const usedModes = modes ?? defaultModes ?? part['m']!.refuse('the modes that go with mv, as [A, AA]')
    targets.push({ kind: 'motion', modes: usedModes, motions: readMotions(part['mv']!, closes) })
  }
  if (!part['combo']!.isMissing) targets.push({ kind: 'combo', combos: readCombos(part['combo']!), modes })
  if (!part['grip']!.isMissing) targets.push({ kind: 'grip', grips: readGrips(part['grip']!) })
  if (!part['test']!.isMissing)
    targets.push({ kind: 'test', tests: part['test']!.list().map((t) => t.oneOf(words.TESTS)) })
  if (!part['act']!.isMissing)
    targets.push({ kind: 'act', acts: part['act']!.list().map((a) => a.oneOf(words.ACTS)) })
  const kg = part['kg']!.optional((weight) => weight.number(0, 200))
  if (kg !== null) targets.push({ kind: 'kg', kg })
  if (!part['stress']!.isMissing) {
    targets.push({ kind: 'stress', stresses: part['stress']!.list().map((s) => s.oneOf(words.STRESSES)) })
  }
  if (!part['nerve']!.isMissing) {
    const techniques = part['tech']!.list().map((t) => t.oneOf(words.NERVE_TECHNIQUES))
    targets.push({
      kind: 'nerve',
      nerves: part['nerve']!.list().map((n) => n.oneOf(words.NERVES)),
      techniques,
    })
  }
  if (targets.length === 0 && !part['technique']!.isMissing) {
    targets.push({
      kind: 'technique',
      techniques: part['technique']!.list().map((t) => t.oneOf(words.TECHNIQUES)),
    })
  }
  // A gate that names a resistance class, but neither grip nor motion, opens what the protocol lists under `str`.
  if (kind === 'gate' && res !== null && part['grip']!.isMissing && part['mv']!.isMissing) {
    targets.push({ kind: 'motion', modes: ['I', 'R'], motions: context.strengthMotions })
    targets.push({ kind: 'grip', grips: context.strengthGrips })
  }
  return targets
}

function readMotions(list: DocumentReader, withHyperextension: boolean): ReadonlySet<words.Motion> {
  return new Set(
    list.list().flatMap((pattern) => {
      return (
        words.motionsOfPattern(pattern.text(), withHyperextension) ??
        pattern.refuse('a motion of the vocabulary, as wrist.ext or finger.*')
      )
    }),
  )
}

/** Orders may name one combination without a list. */
function readCombos(reader: DocumentReader): readonly words.Combo[] {
  return typeof reader.value === 'string'
    ? [reader.oneOf(words.COMBOS)]
    : reader.list().map((combo) => combo.oneOf(words.COMBOS))
}

function readGrips(grips: DocumentReader): readonly words.Grip[] {
  return grips.value === 'any' ? words.GRIPS : grips.list().map((grip) => grip.oneOf(words.GRIPS))
}

export function readCriterion(text: DocumentReader): Criterion {
  return (
    criterionOf(text.text()) ?? text.refuse('a criterion of the vocabulary, as xr.union or "pain.act<=3"')
  )
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
