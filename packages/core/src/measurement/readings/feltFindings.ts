import { comparedTouchPercent, filamentFinding, twoPointClass } from '../symptoms/sensation.js'
import { isFelt, type Result } from './reading.js'
import type { MeasureName } from './measures.js'

/** The measures that tell what a patch of skin feels. */
export const FELT_MEASURES = [
  'filament',
  'twoPoint',
  'twoPointMoving',
  'comparedTouch',
] as const satisfies readonly MeasureName[]
export type FeltMeasure = (typeof FELT_MEASURES)[number]

export function isFeltMeasure(measure: MeasureName): measure is FeltMeasure {
  return (FELT_MEASURES as readonly MeasureName[]).includes(measure)
}

export interface FeltFinding {
  /** From 0, as it should be, to 4, nothing felt: how deep a zone is drawn. */
  readonly depth: 0 | 1 | 2 | 3 | 4
  /** "diminished light touch", "fair". */
  readonly words: string
  /** Heat, cold, an orthosis or a wrap one cannot feel become dangerous. */
  readonly isUnprotected: boolean
}

const TOUCH_DEPTH = {
  normal: 0,
  'diminished light touch': 1,
  'diminished protective sensation': 2,
  'loss of protective sensation': 3,
  untestable: 4,
} as const
const TWO_POINT_DEPTH = { normal: 0, fair: 1, poor: 2, protective: 3, anaesthetic: 4 } as const
/** Below these shares of normal touch is told to be less, much less, hardly there: for drawing only. */
const COMPARED_DEPTH = [90, 70, 40, 10] as const

/** What a reading of a patch of skin tells, in the words of its test. Sources: M-23, M-24. */
export function feltFinding(measure: FeltMeasure, result: Result): FeltFinding {
  if (measure === 'filament') {
    const { band, isUnprotected } = filamentFinding(result === 'none' ? null : Number(result))
    const words = band === 'untestable' ? 'none felt' : band
    return { depth: TOUCH_DEPTH[band], words, isUnprotected }
  }
  if (measure === 'comparedTouch') {
    const percent = comparedTouchPercent(Number(result))
    const depth = COMPARED_DEPTH.filter((share) => percent < share).length as FeltFinding['depth']
    return { depth, words: `${percent} % of the other side`, isUnprotected: false }
  }
  const felt = isFelt(result) ? result : Number(result)
  const word = twoPointClass(felt, measure === 'twoPoint' ? 'static' : 'moving')
  return { depth: TWO_POINT_DEPTH[word], words: word, isUnprotected: word === 'anaesthetic' }
}
