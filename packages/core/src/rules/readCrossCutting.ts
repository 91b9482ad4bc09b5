import { CoreError } from '../errors.js'
import { readCriterion, readDose, readSaid } from '../protocol/readRule.js'
import type { Source } from '../protocol/protocol.js'
import * as words from '../vocabulary/vocabulary.js'
import { DocumentReader } from '../reading/documentReader.js'
import { CONTRAINDICATIONS } from '../exercise/exercise.js'
import {
  RED_FLAG_ACTS,
  RULE_UNITS,
  type CrossCutting,
  type CrossRule,
  type MilestoneRule,
  type RedFlagRule,
  type RuleTable,
  type RuleUnit,
  type YellowFlagRule,
} from './crossCutting.js'

/** One file of the rules for every protocol. */
export interface RuleFile {
  readonly id: string
  readonly table: RuleTable
  readonly redFlags: readonly RedFlagRule[]
  readonly yellowFlags: readonly YellowFlagRule[]
  readonly milestones: readonly MilestoneRule[]
}

/** @throws CoreError `DOCUMENT_INVALID` with the path and what was expected */
export function readRuleFile(document: unknown): RuleFile {
  const reader = new DocumentReader(document)
  const id = reader.anyObject()['id']?.text() ?? reader.refuse('an id')
  const part = reader.object([...HEAD_KEYS, ...(OWN_KEYS[id] ?? ['rules'])])
  const code = part['code']!.text()
  if (!SECTIONS.includes(code)) part['code']!.refuse('a section of the rule base, A1 to A17')
  const list = <T>(key: string, read: (one: DocumentReader) => T): T[] => part[key]?.list().map(read) ?? []
  return {
    id,
    table: {
      id,
      code,
      title: part['title']!.text(),
      source: part['source'] ? readSource(part) : null,
      rules: list('rules', readRule),
    },
    redFlags: list('red', readRedFlag),
    yellowFlags: list('yellow', readYellowFlag),
    milestones: list('milestones', readMilestone),
  }
}

/**
 * The rules of all files. Every section has to be there, and each number code reckons with, in its unit and in bounds
 * in which it can mean what it says.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the rule and what was expected
 */
export function joinRules(files: readonly RuleFile[]): CrossCutting {
  const tables = files.map((file) => file.table)
  for (const section of SECTIONS)
    if (!tables.some(({ code }) => code === section))
      refuse('cross-cutting', `Expected a file for section ${section}, found none.`)
  const rules = new Map<string, CrossRule>()
  for (const rule of tables.flatMap((table) => table.rules)) {
    if (rules.has(rule.id)) refuse(rule.id, `Expected an id of its own, found "${rule.id}" twice.`)
    rules.set(rule.id, rule)
  }
  const days = (id: string, low: number, high: number) => numberOf(rules, id, 'days', low, high)
  return {
    tables,
    redFlags: complete(
      'flags.red',
      words.RED_FLAGS,
      files.flatMap((file) => file.redFlags),
    ),
    yellowFlags: complete(
      'flags.yellow',
      words.YELLOW_FLAGS,
      files.flatMap((file) => file.yellowFlags),
    ),
    milestones: files.flatMap((file) => file.milestones),
    freezeAfterDays: days('authority.freezeAfterDays', 1, 60),
    behindScheduleDays: days('authority.behindScheduleDays', 1, 90),
    facts: {
      painStaleDays: days('authority.painStaleDays', 1, 30),
      findingStaleDays: days('authority.findingStaleDays', 1, 60),
      loggedPainHours: numberOf(rules, 'authority.loggedPainHours', 'hours', 1, 168),
    },
    response: {
      stopPain: numberOf(rules, 'response.stopPain', 'of 10', 4, 10),
      amberAbove: numberOf(rules, 'response.amberAbove', 'of 10', 0, 5),
    },
    bout: {
      minutes: numberOf(rules, 'bout.maxMinutes', 'minutes', 1, 60),
      exercises: numberOf(rules, 'bout.maxExercises', 'exercises', 1, 20),
    },
  }
}

const SECTIONS: readonly string[] = Array.from({ length: 17 }, (_, index) => `A${index + 1}`)
const HEAD_KEYS = ['id', 'code', 'title']
const OWN_KEYS: Readonly<Record<string, readonly string[]>> = {
  flags: ['source', 'confidence', 'red', 'yellow'],
  milestones: ['source', 'confidence', 'milestones'],
}

function readRule(reader: DocumentReader): CrossRule {
  const part = reader.object(['id', 'value', 'unit', 'says', 'source', 'confidence'])
  const unit = part['unit']!.oneOf(RULE_UNITS)
  return {
    id: part['id']!.text(),
    value: readValue(part['value']!, unit),
    unit,
    says: part['says']!.text(),
    source: readSource(part),
  }
}

function readValue(value: DocumentReader, unit: RuleUnit): CrossRule['value'] {
  switch (unit) {
    case 'word':
      return value.text()
    case 'dose':
      return readDose(value)
    case 'resistance class':
      return typeof value.value === 'string' ? value.oneOf(words.RESISTANCE_WORDS) : value.integer(1, 5)
    case 'words':
    case 'steps':
    case 'signs':
    case 'rungs':
    case 'protocols':
      return value.list().map((one) => one.text())
    case 'criteria':
      return value.list().map((one) => readCriterion(one).text)
    case 'combos':
      return value.list().map((one) => one.oneOf(words.COMBOS))
    case 'contraindications':
      return value.list().map((one) => one.oneOf(CONTRAINDICATIONS))
    default:
      return Array.isArray(value.value) ? readRange(value) : value.number(-400, 1000)
  }
}

function readRange(value: DocumentReader): number[] {
  const range = value.list().map((one) => one.number(-400, 1000))
  if (range.length !== 2 || range[0]! > range[1]!) value.refuse('a number or a range [from, to]')
  return range
}

function readRedFlag(reader: DocumentReader): RedFlagRule {
  const part = reader.object(['id', 'name', 'home', 'act', 'withinHours', 'needsSurgeon', 'todo'])
  return {
    id: part['id']!.oneOf(words.RED_FLAGS),
    name: part['name']!.text(),
    home: part['home']!.optional(readSaid),
    act: part['act']!.oneOf(RED_FLAG_ACTS),
    withinHours: part['withinHours']!.integer(0, 48),
    needsSurgeon: part['needsSurgeon']!.flag(),
    todo: part['todo']!.text(),
  }
}

function readYellowFlag(reader: DocumentReader): YellowFlagRule {
  const part = reader.object(['id', 'name', 'todo'])
  return {
    id: part['id']!.oneOf(words.YELLOW_FLAGS),
    name: part['name']!.text(),
    todo: part['todo']!.text(),
  }
}

function readMilestone(reader: DocumentReader): MilestoneRule {
  const part = reader.object(['act', 'needs'])
  return { act: part['act']!.oneOf(words.ACTS), needs: part['needs']!.text() }
}

function readSource(part: Readonly<Record<string, DocumentReader>>): Source {
  return {
    key: part['source']!.text(),
    confidence: part['confidence']!.oneOf(['high', 'medium', 'low']),
  }
}

/** A flag without an entry would be one nobody can raise. */
function complete<Id extends string, T extends { readonly id: Id }>(
  path: string,
  ids: readonly Id[],
  entries: readonly T[],
): ReadonlyMap<Id, T> {
  const byId = new Map(entries.map((entry) => [entry.id, entry] as const))
  const missing = ids.filter((id) => !byId.has(id))
  if (missing.length > 0 || byId.size !== entries.length)
    refuse(
      path,
      missing.length > 0
        ? `Expected an entry for ${missing.join(', ')}, found none.`
        : 'Expected one entry for each flag, found one twice.',
    )
  return byId
}

function numberOf(
  rules: ReadonlyMap<string, CrossRule>,
  id: string,
  unit: RuleUnit,
  low: number,
  high: number,
): number {
  const rule = rules.get(id)
  if (!rule) return refuse(id, `Expected a rule "${id}" in ${unit}, found nothing.`)
  const { value } = rule
  if (rule.unit !== unit || typeof value !== 'number' || value < low || value > high)
    return refuse(id, `Expected ${unit} from ${low} to ${high}, found ${String(value)} ${rule.unit}.`)
  return value
}

function refuse(path: string, message: string): never {
  throw new CoreError('DOCUMENT_INVALID', path, message)
}
