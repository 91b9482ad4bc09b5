import {
  ADHESION,
  edemaDifference,
  gripTrials,
  oppositionReach,
  painChange,
  shareOfOtherSide,
  measureFacts,
  type AdhesionResponse,
  type DatedChange,
  type DigitFindings,
  type JointFinding,
  type MeasureFacts,
  type MeasureName,
} from '@pledge/core'
import { dayText } from '../../shared/words'

/** A finding as it stands beside the readings; `tone` is its weight. */
export interface FindingText {
  readonly text: string
  readonly tone: 'plain' | 'good' | 'bad' | 'care' | 'soft'
}

/** "°", " mm": the unit behind a number. */
export function unitText(unit: MeasureFacts['unit']): string {
  if (unit === 'degrees') return '°'
  if (unit === 'stages' || unit === 'of 10' || unit === 'marking') return ''
  return unit === 'kgf' ? ' kg' : ` ${unit}`
}

const signed = (value: number, digits = 0) => {
  const text = Math.abs(value).toFixed(digits)
  return Number(text) === 0 ? '0' : `${value < 0 ? '−' : '+'}${text}`
}

/** "+12° since 27 Nov, beyond error (±12°)". */
export function changeText(change: DatedChange, unit: MeasureFacts['unit'], digits = 0): FindingText {
  const by = `${signed(change.by, digits)}${unitText(unit)} since ${dayText(change.since)}`
  if (change.error === null) return { text: by, tone: 'soft' }
  const error = `±${change.error.toFixed(digits)}${unitText(unit)}${change.isUnverified ? ', unverified' : ''}`
  switch (change.word) {
    case 'real':
      return { text: `${by}, beyond error (${error})`, tone: change.isBetter ? 'good' : 'bad' }
    case 'probably real':
      return { text: `${by}, probably beyond error (${error})`, tone: 'plain' }
    default:
      return { text: `${by}, within error (${error})`, tone: 'soft' }
  }
}

/** What the readings of a digit tell, most telling first. */
export function digitTexts(found: DigitFindings, isFlexorTendon: boolean): FindingText[] {
  const texts: FindingText[] = []
  const { tam, grade, otherTamDeg, sinceLast, sinceStart, flexionLagDeg, twoJoints, closest } = found
  if (tam.totalDeg !== null && grade) {
    const compared = grade.isOfOther
      ? `${Math.round(grade.percent)} % of the other side (${otherTamDeg}°)`
      : `${Math.round(grade.percent)} % of the normal sum; other side not measured`
    texts.push({ text: `TAM ${tam.totalDeg}°, ${compared}: ${grade.grade}`, tone: 'plain' })
  }
  texts.push(...found.joints.flatMap(jointTexts))
  if (flexionLagDeg !== null && flexionLagDeg > ADHESION.absentUpTo.value)
    texts.push({
      text: `bends ${flexionLagDeg}° less by itself than helped: tendon or strength, not the joint`,
      tone: 'care',
    })
  if (isFlexorTendon && found.adhesion) texts.push(adhesionText(found.adhesion))
  if (sinceLast) texts.push(changeText(sinceLast, 'degrees'))
  if (sinceStart) texts.push(changeText(sinceStart, 'degrees'))
  if (isFlexorTendon && twoJoints)
    texts.push({
      text: `PIP and DIP ${Math.round(twoJoints.percent)} % of 175°: ${twoJoints.original} (1980), ${twoJoints.adjusted} (1985)`,
      tone: 'soft',
    })
  const best = closest[0]
  if (best && best.closerMm >= 2)
    texts.push({
      text: `10° more at the ${measureFacts(best.joint).label} bring the tip closest: ${Math.round(best.closerMm)} mm`,
      tone: 'soft',
    })
  return texts
}

function jointTexts({
  measure,
  deficit,
  extensionLagDeg,
  flexionContractureDeg,
  needsAnotherLook,
}: JointFinding): FindingText[] {
  const { label } = measureFacts(measure)
  if (needsAnotherLook) return [{ text: `${label}: active goes beyond passive, measure again`, tone: 'bad' }]
  const lag = `lag ${Math.round(extensionLagDeg)}°`
  const contracture = `contracture ${Math.round(flexionContractureDeg)}°`
  switch (deficit) {
    case 'lag':
      return [{ text: `${label}: ${lag}, not to be stretched`, tone: 'care' }]
    case 'contracture':
      return [{ text: `${label}: ${contracture}`, tone: 'care' }]
    case 'lag and contracture':
      return [{ text: `${label}: ${contracture} and ${lag}`, tone: 'care' }]
    case 'watch':
      return [{ text: `${label}: ${extensionLagDeg >= 5 ? lag : contracture}, watch`, tone: 'soft' }]
    case 'none':
      return []
  }
}

/** How adhesions answer since the last visit: the word never without its error. Source: A8. */
function adhesionText({ class: word, resolvedPercent, isWithinError }: AdhesionResponse): FindingText {
  const gone = resolvedPercent === null ? '' : `, ${Math.round(resolvedPercent)} % of it gone`
  const error = isWithinError && word !== 'absent' ? ' (the change is smaller than the error)' : ''
  return { text: `adhesion ${word}${gone}${error}`, tone: word === 'unresponsive' ? 'care' : 'plain' }
}

/** Trials of a strength test: their mean and spread, and the share of the other hand; never a word about effort. Source: M-14, M-17. */
export function strengthTexts(
  trials: readonly number[],
  otherKgf: number | null,
  hand: { readonly dominant: 'left' | 'right' | 'both'; readonly side: 'left' | 'right' },
  isGrip: boolean,
): FindingText[] {
  const { meanKgf, variationPercent, isComparableWithNorms } = gripTrials(trials, 'kgf')
  const spread = variationPercent === null ? '' : `, spread ${variationPercent.toFixed(1)} %`
  const share = shareOfOtherSide(
    meanKgf,
    otherKgf,
    hand.dominant,
    hand.dominant === hand.side,
    isGrip ? 'grip' : 'pinch',
  )
  const isAdjusted = share !== null && Math.round(share.adjustedPercent) !== Math.round(share.rawPercent)
  return [
    {
      text: `mean ${meanKgf.toFixed(1)} kg${spread}${isComparableWithNorms ? '' : '; three trials compare with tables'}`,
      tone: 'plain',
    },
    ...(isAdjusted
      ? [{ text: `${Math.round(share.adjustedPercent)} % by the rule of ten percent`, tone: 'soft' as const }]
      : []),
  ]
}

const SWELLINGS: readonly MeasureName[] = [
  'figureOfEight',
  'wristGirth',
  'handVolume',
  'girthProximal',
  'girthPip',
]

/** What a number means besides: where the thumb reaches, how much thicker than the other side. Source: M-10, M-22. */
export function meaningTexts(measure: MeasureName, value: number, other: number | null): FindingText[] {
  if (measure === 'opposition') {
    const reach = oppositionReach(value)
    return reach ? [{ text: reach.reached, tone: 'plain' }] : []
  }
  if (!SWELLINGS.includes(measure) || other === null) return []
  const { unit, decimals } = measureFacts(measure)
  const { excess, percent } = edemaDifference(value, other)
  return [
    {
      text: `${signed(excess, decimals)}${unitText(unit)} against the other side (${signed(percent, 1)} %)`,
      tone: 'plain',
    },
  ]
}

/** How pain changed, and whether that matters to people: two points or 30 percent. Source: M-18. */
export function painTexts(before: number, now: number, since: string): string {
  const { fell, fellPercent, reachesPoints, reachesPercent, isTooSmallToTell } = painChange(before, now)
  const by = fell === 0 ? 'as' : fell > 0 ? `${fell} less than` : `${-fell} more than`
  const percent = fellPercent === null || fell <= 0 ? '' : `, ${Math.round(fellPercent)} % less`
  const matters =
    fell <= 0
      ? ''
      : isTooSmallToTell
        ? '; too small to tell'
        : reachesPoints || reachesPercent
          ? '; a change that matters'
          : '; less than what matters'
  return `${by} on ${dayText(since)}${percent}${matters}`
}
