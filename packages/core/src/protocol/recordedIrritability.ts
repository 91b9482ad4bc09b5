import type { Irritability } from '../nerve/nerveBudget.js'
import { criterion } from '../vocabulary/criterion.js'
import type { FactBook } from './facts.js'

/** The irritability on record; `null` when nobody recorded it or it is too old to count. */
export function recordedIrritability(facts: FactBook): Irritability | null {
  const status = (text: string) => facts.status(criterion(text)).name
  if (status('irrit<=low') === 'met') return 'low'
  if (status('irrit<=mod') === 'met') return 'mod'
  return status('irrit<=mod') === 'notSo' ? 'high' : null
}
