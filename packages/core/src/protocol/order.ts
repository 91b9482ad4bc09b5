import type { DocumentReader } from '../reading/documentReader.js'
import type { Rule } from './protocol.js'
import { ORDER_CONTEXT, readRule, TARGET_KEYS } from './readRule.js'

/** A surgeon's order bound to a case: what it speaks about, and the days between which it holds. */
export interface Order {
  readonly id: string
  readonly effect: 'forbid' | 'allow'
  readonly rule: Rule
  /** Days since the anchor; `null` = always. */
  readonly fromDay: number | null
  readonly untilDay: number | null
  readonly why: string
  /** The never rule that an allow lifts; it takes a document besides. */
  readonly lifts: string | null
  readonly document: string | null
}

const ORDER_KEYS = [
  'effect',
  ...TARGET_KEYS,
  'res',
  'from',
  'until',
  'why',
  'by',
  'dated',
  'document',
  'lifts',
] as const

/**
 * Reads a surgeon's order, by the grammar of the vocabulary.
 *
 * @param id - how reasons name it, `order.1`
 * @throws CoreError `DOCUMENT_INVALID` with the path and what was expected
 */
export function readOrder(reader: DocumentReader, id: string): Order {
  const part = reader.object(ORDER_KEYS)
  const effect = part['effect']!.oneOf(['forbid', 'allow'])
  const why = part['why']!.text()
  const {
    effect: _effect,
    by: _by,
    dated: _dated,
    document: _document,
    lifts: _lifts,
    from: _from,
    until: _until,
    ...target
  } = reader.value as Record<string, unknown>
  const rule = readRule(reader.at(target), effect, id, ORDER_CONTEXT)
  const fromDay = part['from']!.optional((day) => day.integer(-400, 1000))
  const untilDay = part['until']!.optional((day) => day.integer(-400, 1000))
  if (fromDay !== null && untilDay !== null && untilDay <= fromDay)
    part['until']!.refuse(`a day after ${fromDay}, on which the order begins`)
  const lifts = part['lifts']!.optional((rule) => rule.text())
  if (lifts !== null && effect === 'forbid') part['lifts']!.refuse('no lifts on an order that forbids')
  for (const key of ['by', 'dated'] as const) part[key]!.optional((one) => one.text())
  return {
    id,
    effect,
    rule,
    fromDay,
    untilDay,
    why,
    lifts,
    document: part['document']!.optional((text) => text.text()),
  }
}
