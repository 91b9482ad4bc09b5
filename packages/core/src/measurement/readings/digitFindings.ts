import { reaches } from '../../anatomy/checked.js'
import { decided, published } from '../../anatomy/constant.js'
import { extensionDeficitDeg } from '../../anatomy/jointReading.js'
import type { Digit } from '../../vocabulary/vocabulary.js'
import { errorOfMeasure } from '../change/measureErrors.js'
import { errorOfSum } from '../change/measurementError.js'
import { adhesionResponse, type AdhesionResponse } from '../motion/adhesionResponse.js'
import { closestTenDegrees, type Closeness } from '../kinematics/fingertip.js'
import { segmentLengths } from '../kinematics/segmentLengths.js'
import { activePassiveDifference, type ActivePassiveDifference } from '../motion/activePassiveDifference.js'
import { NORMAL_TOTALS, totalMotionGrade, type GradedTotalMotion } from '../motion/motionGrade.js'
import type { TotalMotion } from '../motion/totalActiveMotion.js'
import { datedChange, type DatedChange } from './change.js'
import { digitHinges, digitTotal, wholeOf, type DigitHinges } from './digitTotal.js'
import { twoJointResult, type GradedTwoJoints } from '../motion/twoJointFormula.js'
import { otherSideOf, hingesOf, type HingeMeasure, type ReadingKind, type Side } from './measures.js'
import { knownEnds, type HingeResult } from './reading.js'
import { bookOfVisit, raterOf, type ReadingBook, type Visit } from './visits.js'

/** From here on a deficit is a lag or a contracture; from half of it, one to watch. Source: A7 (high). */
export const DEFICIT_COUNTS_FROM = published(10, 'degrees', 'TEXTBOOK-PRACTICE', 'high')
export const DEFICIT_WATCHED_FROM = published(5, 'degrees', 'TEXTBOOK-PRACTICE', 'high')

/** Which of the two keeps a joint from straightening. They are treated in opposite ways. */
export type DeficitWord = 'none' | 'watch' | 'lag' | 'contracture' | 'lag and contracture'

/** What one joint tells when active and passive are compared. */
export interface JointFinding extends ActivePassiveDifference {
  readonly measure: HingeMeasure
  readonly deficit: DeficitWord
}

/** What the readings of one digit tell. Whatever needs a joint that was not measured is `null`. */
export interface DigitFindings {
  readonly digit: Digit
  readonly tam: TotalMotion
  readonly tpm: TotalMotion
  /** Passive less active total: what the tendon does not bring. */
  readonly gapDeg: number | null
  /** Passive less active flexion of PIP and DIP, or of the thumb's IP: what A8 grades adhesion by. */
  readonly flexionLagDeg: number | null
  /** How that answers since the last visit that measured it; the word only with `isWithinError`. */
  readonly adhesion: AdhesionResponse | null
  readonly joints: readonly JointFinding[]
  /** Total active motion of the other side; `null` where it was not measured. */
  readonly otherTamDeg: number | null
  /** Against the other side, or the normal sum where that was not measured: `isOfOther` says which. */
  readonly grade: (GradedTotalMotion & { readonly isOfOther: boolean }) | null
  readonly twoJoints: GradedTwoJoints | null
  readonly sinceLast: DatedChange | null
  readonly sinceStart: DatedChange | null
  /** Which ten degrees bring the fingertip closest to the palm, best first; empty where a joint is missing. */
  readonly closest: readonly Closeness[]
}

/** Hand length where nobody measured it: only the order of joints rests on it. */
export const HAND_LENGTH_ASSUMED = decided(185, 'mm', 'low')

/** Which hand, and what was measured before. */
export interface Bench {
  readonly side: Side
  /** Who measures. */
  readonly by: string
  readonly visits: readonly Visit[]
}

/**
 * Everything that the readings of a digit tell, as far as it can be told: sums, lag apart from contracture, the share of the other
 * side with its grade, change since last time and since the start.
 *
 * Sources: A7 and A8 of the rules for all; measures M-02 to M-07, B-03.
 */
export function digitFindings(digit: Digit, now: ReadingBook, bench: Bench): DigitFindings {
  const { side, by, visits } = bench
  const other: Side = otherSideOf(side)
  const [active, passive] = [jointsOf('active'), jointsOf('passive')]
  const [tam, tpm] = [digitTotal(digit, active), digitTotal(digit, passive)]
  const mdc = errorOfMeasure(digit === 'thumb' ? 'thumbJoint' : 'fingerJoint', 'same').mdc95
  const flexionLagDeg = flexionLagOf(digit, active, passive)
  const joints = hingesOf(digit).flatMap((measure): JointFinding[] => {
    const told = activePassiveDifference(wholeOf(active[measure]!), wholeOf(passive[measure]!), mdc)
    const deficit = deficitOf(active[measure]!, passive[measure]!)
    return told && deficit ? [{ ...told, measure, deficit }] : []
  })
  const otherTam = digitTotal(digit, jointsOf('active', other)).totalDeg ?? lastTotal(other)?.totalDeg ?? null
  return {
    digit,
    tam,
    tpm,
    gapDeg: tam.totalDeg === null || tpm.totalDeg === null ? null : tpm.totalDeg - tam.totalDeg,
    flexionLagDeg,
    adhesion: adhesionNow(),
    joints,
    otherTamDeg: otherTam,
    grade: gradeOf(tam.totalDeg, otherTam, digit),
    twoJoints: digit === 'thumb' ? null : twoJointResult(wholeOf(active.pip!), wholeOf(active.dip!)),
    sinceLast: changeFrom(lastTotal(side)),
    sinceStart: changeFrom(firstTotal()),
    closest: closestOf(digit, active),
  }

  function jointsOf(kind: ReadingKind, of: Side = side): DigitHinges {
    return digitHinges(digit, of, kind, now, visits)
  }
  function totalsOf(of: Side) {
    return visits.flatMap((visit, place) => {
      const then = digitHinges(digit, of, 'active', bookOfVisit(visit), visits.slice(0, place))
      const { totalDeg } = digitTotal(digit, then)
      return totalDeg === null ? [] : [{ totalDeg, on: visit.on, by: visit.by }]
    })
  }
  function adhesionNow(): AdhesionResponse | null {
    if (flexionLagDeg === null) return null
    const before = [...visits].reverse().flatMap((visit) => {
      const book = bookOfVisit(visit)
      const [own, helped] = (['active', 'passive'] as const).map((kind) =>
        digitHinges(digit, side, kind, book, []),
      )
      const lag = flexionLagOf(digit, own!, helped!)
      return lag === null ? [] : [lag]
    })
    if (before.length === 0) return null
    const { sem } = errorOfMeasure(digit === 'thumb' ? 'thumbJoint' : 'fingerJoint', 'same')
    const outer = hingesOf(digit).length - 1
    return adhesionResponse(before[0]!, flexionLagDeg, errorOfSum(Array<number>(2 * outer).fill(sem)).mdc95)
  }
  function lastTotal(of: Side) {
    return totalsOf(of).at(-1) ?? null
  }
  function firstTotal() {
    const all = totalsOf(side)
    return all.length > 1 ? all[0]! : null
  }
  function changeFrom(then: { totalDeg: number; on: string; by: string } | null): DatedChange | null {
    if (!then || tam.totalDeg === null) return null
    return datedChange(tam.totalDeg - then.totalDeg, then.on, 'totalActiveMotion', raterOf(then.by, by), true)
  }
}

/** Passive less active flexion of the joints beyond the MCP; unknown while one of them is. */
function flexionLagOf(digit: Digit, active: DigitHinges, passive: DigitHinges): number | null {
  const lags = hingesOf(digit)
    .slice(1)
    .map((measure) => {
      const [own, helped] = [active, passive].map((way) => knownEnds(way[measure] ?? null).flexedEndDeg)
      return own === null || helped === null ? null : helped! - own!
    })
  return lags.some((lag) => lag === null) ? null : lags.reduce<number>((sum, lag) => sum + lag!, 0)
}

/**
 * Lag or contracture at one joint, by the deficits of active and passive extension: only that end has to be known. Source: A7.
 */
export function deficitOf(active: HingeResult | null, passive: HingeResult | null): DeficitWord | null {
  const [own, helped] = [knownEnds(active).extendedEndDeg, knownEnds(passive).extendedEndDeg]
  if (own === null || helped === null) return null
  const contracture = extensionDeficitDeg({ extendedEndDeg: helped })
  const lag = extensionDeficitDeg({ extendedEndDeg: own }) - contracture
  const [isLag, isContracture] = [lag, contracture].map((deg) => reaches(deg, DEFICIT_COUNTS_FROM.value))
  if (isLag && isContracture) return 'lag and contracture'
  if (isLag || isContracture) return isLag ? 'lag' : 'contracture'
  return reaches(Math.max(lag, contracture), DEFICIT_WATCHED_FROM.value) ? 'watch' : 'none'
}

function gradeOf(tamDeg: number | null, otherDeg: number | null, digit: Digit): DigitFindings['grade'] {
  const isOfOther = otherDeg !== null && otherDeg > 0
  const compared = isOfOther ? otherDeg : NORMAL_TOTALS[digit === 'thumb' ? 'thumb' : 'finger'].value
  const graded = totalMotionGrade(tamDeg, compared)
  return graded && { ...graded, isOfOther }
}

function closestOf(digit: Digit, joints: DigitHinges): readonly Closeness[] {
  if (digit === 'thumb') return []
  const bent = (['mcp', 'pip', 'dip'] as const).map((joint) => knownEnds(joints[joint] ?? null).flexedEndDeg)
  if (bent.some((deg) => deg === null)) return []
  const { proximalPhalanx, middlePhalanx, distalPhalanx } = segmentLengths(digit, HAND_LENGTH_ASSUMED.value)
  return closestTenDegrees(
    [proximalPhalanx, middlePhalanx!, distalPhalanx],
    bent as [number, number, number],
    HAND_LENGTH_ASSUMED.value,
  )
}
