/** A clinical or model constant: what it is worth, and what it rests on. */
export interface Constant<T = number> {
  readonly value: T
  readonly unit: string
  /** A key of `catalogue/sources.yaml`. */
  readonly source: string
  readonly confidence: 'high' | 'medium' | 'low'
  /** Whether a clinic may set its own; published values and definitions are not. */
  readonly editable: boolean
}

/** Whether a screen has to mark what rests on it as unverified. */
export function isUnverified(constant: Pick<Constant<unknown>, 'confidence'>): boolean {
  return constant.confidence === 'low'
}

const made: Constant<unknown>[] = []

/** Every constant of the measures and models: what a test checks against the list of sources. */
export function allConstants(): readonly Constant<unknown>[] {
  return made
}

function kept<T>(constant: Constant<T>): Constant<T> {
  made.push(constant)
  return constant
}

/** A decision of ours that a clinic may change. */
export function decided<T>(
  value: T,
  unit: string,
  confidence: Constant['confidence'] = 'medium',
): Constant<T> {
  return kept({ value, unit, source: 'PLEDGE-DECISION', confidence, editable: true })
}

/** A value that a publication gives. */
export function published<T>(
  value: T,
  unit: string,
  source: string,
  confidence: Constant['confidence'],
): Constant<T> {
  return kept({ value, unit, source, confidence, editable: false })
}
