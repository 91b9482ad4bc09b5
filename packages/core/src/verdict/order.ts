import type { DocumentReader } from '../reading/documentReader.js'
import type { Rule } from '../protocol/protocol.js'
import { readRule } from '../protocol/readProtocol.js'

/** A surgeon's order bound to a case: what it speaks about, and the days between which it holds. */
export interface Order {
  readonly id: string
  readonly effect: 'forbid' | 'allow'
  readonly rule: Rule
  /** Days since the anchor; `null` = always. */
  readonly fromDay: number | null
  readonly untilDay: number | null
  readonly why: string
}

const ORDER_KEYS = [
  'effect',
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
  'res',
  'from',
  'until',
  'why',
  'by',
  'dated',
  'document',
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
    from: _from,
    until: _until,
    ...target
  } = reader.value as Record<string, unknown>
  const rule = readRule(reader.at(target), effect, id, { strengthMotions: new Set(), strengthGrips: [] })
  return {
    id,
    effect,
    rule,
    fromDay: part['from']!.optional((day) => day.integer(-400, 1000)),
    untilDay: part['until']!.optional((day) => day.integer(-400, 1000)),
    why,
  }
}
