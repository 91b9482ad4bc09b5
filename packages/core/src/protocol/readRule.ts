import type { DocumentReader } from '../reading/documentReader.js'
import { criterionOf, type Criterion } from '../vocabulary/criterion.js'
import { LANGUAGES, type Said } from '../words/names.js'
import type { Rule, RuleKind, Target, Variable, VariableEnd } from './protocol.js'
import { readArcs, readModes, readResistance } from '../vocabulary/readWords.js'
import * as words from '../vocabulary/vocabulary.js'

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

/** A text in every language of the product. */
export function readSaid(reader: DocumentReader): Said {
  const part = reader.object(LANGUAGES)
  return { en: part['en']!.text(), es: part['es']!.text() }
}

/** What a rule is read with. */
export interface RuleContext {
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
    gripsNamed: kind === 'gate' && res !== null ? (part['grip']!.optional(readGrips) ?? []) : [],
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

export function readMotions(list: DocumentReader, withHyperextension: boolean): ReadonlySet<words.Motion> {
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

export function readGrips(grips: DocumentReader): readonly words.Grip[] {
  return grips.value === 'any' ? words.GRIPS : grips.list().map((grip) => grip.oneOf(words.GRIPS))
}

export function readCriterion(text: DocumentReader): Criterion {
  return (
    criterionOf(text.text()) ?? text.refuse('a criterion of the vocabulary, as xr.union or "pain.act<=3"')
  )
}
