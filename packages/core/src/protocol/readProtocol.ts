import { DocumentReader } from '../reading/documentReader.js'
import { criterionOf, type Criterion } from './criterion.js'
import type { Phase, Protocol, Rule, RuleKind, Source, Target, Wear } from './protocol.js'
import { readArcs, readModes, readResistance } from './readWords.js'
import * as words from './vocabulary.js'

const PROTOCOL_KEYS = [
  'id',
  'title',
  'school',
  'condition',
  'version',
  'anchor',
  'guard',
  'guard_combos',
  'guard_stress',
  'guard_nerve',
  'src',
  'evidence',
  'select',
  'str',
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
const RULE_KEYS = [
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
] as const

/** Last day any window may name: later is a typing error. */
const LAST_DAY = 1000

/**
 * Reads a protocol document (parsed YAML) and checks its integrity: words of the vocabulary only, windows that
 * follow one another without gap or overlap, a reason for each forbid, never and caution, gates in order and never
 * falling, every core test and activity opened or barred.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the path and what was expected
 */
export function readProtocol(document: unknown): Protocol {
  const reader = new DocumentReader(document)
  const doc = reader.object(PROTOCOL_KEYS)
  const id = doc['id']!.text()
  const str = doc['str']!.object(['mv', 'grip'])
  const strengthMotions = readMotions(str['mv']!, true)
  const strengthGrips = readGrips(str['grip']!)
  const phases = doc['phases']!.list().map((phase) => readPhase(phase, id))
  checkWindows(doc['phases']!, phases)
  const context = { strengthMotions, strengthGrips }
  const gates = doc['gates']!.list().map((gate, index) =>
    readRule(gate, 'gate', `${id}.gate.${index + 1}`, context),
  )
  checkGates(doc['gates']!, gates)
  return {
    id,
    title: doc['title']!.text(),
    school: doc['school']!.text(),
    condition: doc['condition']!.text(),
    version: doc['version']!.integer(1, 10_000),
    anchor: doc['anchor']!.oneOf(words.ANCHORS),
    guard: readMotions(doc['guard']!, true),
    guardCombos: doc['guard_combos']!.optionalList().map((combo) => combo.oneOf(words.COMBOS)),
    guardStress: doc['guard_stress']!.optionalList().map((stress) => stress.oneOf(words.STRESSES)),
    guardNerve: doc['guard_nerve']!.optional((flag) => flag.flag()) ?? false,
    sources: doc['src']!.list().map(readSource),
    evidence: doc['evidence']!.text(),
    select: doc['select']!.optionalList().map(readCriterion),
    strengthMotions,
    strengthGrips,
    never: doc['never']!.optionalList().map((rule, index) =>
      readRule(rule, 'never', `${id}.never.${index + 1}`, context),
    ),
    phases,
    gates,
    redFlags: doc['red']!.optionalList().map((flag) => flag.text()),
    yellowFlags: doc['yellow']!.optionalList().map((flag) => flag.text()),
  }

  function readPhase(phase: DocumentReader, protocolId: string): Phase {
    const part = phase.object(PHASE_KEYS)
    const phaseId = part['id']!.text()
    const days = part['days']!.list()
    if (days.length !== 2) part['days']!.refuse('[first day, day it ends or null]')
    const start = days[0]!.integer(0, LAST_DAY)
    const end = days[1]!.optional((day) => day.integer(start + 1, LAST_DAY))
    const rules = (kind: 'allow' | 'caution' | 'forbid') =>
      part[kind]!.optionalList().map((rule, index) =>
        readRule(rule, kind, `${protocolId}.${phaseId}.${kind}.${index + 1}`, {
          strengthMotions,
          strengthGrips,
          window: [start, end],
        }),
      )
    return {
      id: phaseId,
      name: part['name']!.text(),
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
}

interface RuleContext {
  readonly strengthMotions: ReadonlySet<words.Motion>
  readonly strengthGrips: readonly words.Grip[]
  readonly window?: readonly [number, number | null]
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
  const why = part['why']!.optional((text) => text.text())
  if (why === null && (closes || kind === 'caution'))
    part['why']!.refuse(`a reason (why): every ${kind} says one`)
  return {
    id,
    kind,
    targets,
    from,
    // A forbid ends with its phase, not with the phase's window: a case may be held in a phase long past it.
    until: part['until']!.optional((day) => day.integer(from + 1, LAST_DAY)),
    arc: part['arc']!.optional(readArcs),
    posture: part['with']!.optional(readArcs),
    inOrthosis: part['in']!.optional((list) => list.list().map((item) => item.oneOf(words.ORTHOSES))),
    beyond: part['beyond']!.optional(readArcs),
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
    note: part['note']!.optional((text) => text.text()),
    dose: part['dose']!.optional((text) => text.text()),
  }
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
  const combo = part['combo']!.optional((word) => word.oneOf(words.COMBOS))
  if (combo) targets.push({ kind: 'combo', combo, modes })
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

function readGrips(grips: DocumentReader): readonly words.Grip[] {
  return grips.value === 'any' ? words.GRIPS : grips.list().map((grip) => grip.oneOf(words.GRIPS))
}

export function readCriterion(text: DocumentReader): Criterion {
  return (
    criterionOf(text.text()) ?? text.refuse('a criterion of the vocabulary, as xr.union or "pain.act<=3"')
  )
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
    text: part['text']!.text(),
  }
}

function checkWindows(reader: DocumentReader, phases: readonly Phase[]): void {
  if (phases.length === 0) reader.refuse('at least one phase')
  let expectedStart: number | null = 0
  phases.forEach((phase, index) => {
    const [start, end] = phase.days
    const place = new DocumentReader(start, `${reader.path}.${index}.days.0`)
    if (expectedStart === null) place.refuse('no phase after one that stays open')
    if (start !== expectedStart)
      place.refuse(`day ${expectedStart}: windows follow one another without gap or overlap`)
    expectedStart = end
  })
  if (expectedStart !== null) {
    new DocumentReader(expectedStart, `${reader.path}.${phases.length - 1}.days.1`).refuse(
      'null: the last phase stays open',
    )
  }
}

const CORE_TESTS = ['grip_dyn', 'pinch_gauge', 'prom_end', 'mmt'] as const
const CORE_ACTS = ['adl_light', 'adl_mod', 'drive', 'wb', 'work_manual', 'sport_nc', 'sport_c'] as const

function checkGates(reader: DocumentReader, gates: readonly Rule[]): void {
  const opened = new Set<string>()
  let lastDay = 0
  let [highestKg, highestRes] = [0, 0]
  gates.forEach((gate, index) => {
    const path = `${reader.path}.${index}`
    if (gate.from < lastDay)
      new DocumentReader(gate.from, `${path}.from`).refuse(`day ${lastDay} or later: gates stand in order`)
    lastDay = gate.from
    const generalRes = gate.targets.some((target) => target.kind === 'grip' && target.grips.length > 1)
      ? (gate.res ?? 0)
      : 0
    if (generalRes > 0 && generalRes < highestRes)
      new DocumentReader(gate.res, `${path}.res`).refuse(`R${highestRes} or more: gates never fall`)
    highestRes = Math.max(highestRes, generalRes)
    for (const target of gate.targets) {
      if (target.kind === 'kg') {
        if (target.kg < highestKg)
          new DocumentReader(target.kg, `${path}.kg`).refuse(`${highestKg} or more: gates never fall`)
        highestKg = target.kg
      }
      if (target.kind === 'test') target.tests.forEach((test) => opened.add(test))
      if (target.kind === 'act') target.acts.forEach((act) => opened.add(act))
    }
  })
  for (const word of [...CORE_TESTS, ...CORE_ACTS]) {
    if (!opened.has(word))
      reader.refuse(`a gate that opens ${word}: every protocol opens the core tests and activities`)
  }
}
