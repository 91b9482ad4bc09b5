import { activePassiveDifference } from '../measurement/motion/activePassiveDifference.js'
import { adhesionResponse } from '../measurement/motion/adhesionResponse.js'
import { dartThrow } from '../measurement/motion/dartThrow.js'
import { functionalCoverage } from '../measurement/motion/functionalCoverage.js'
import { totalMotionGrade } from '../measurement/motion/motionGrade.js'
import { fingertipToCreaseMm, oppositionReach } from '../measurement/motion/opposition.js'
import { fingerPointScore, thumbPointScore } from '../measurement/motion/pointScore.js'
import { EXTENSION_CONVENTIONS, extensionFrom } from '../measurement/motion/signConvention.js'
import { extensorGrade, flexorGrade, malletGrade } from '../measurement/motion/tendonGrades.js'
import { intrinsicTightness } from '../measurement/motion/tissueTightness.js'
import { stiffness, torqueNmm } from '../measurement/motion/torqueRange.js'
import { totalMotion, totalThumbMotion } from '../measurement/motion/totalActiveMotion.js'
import { twoJointResult } from '../measurement/motion/twoJointFormula.js'
import { webAngleDeg } from '../measurement/motion/webSpan.js'
import { DIGITS } from '../vocabulary/vocabulary.js'
import type { DocumentReader } from '../reading/documentReader.js'
import { contradiction } from '../anatomy/checked.js'
import type { JointReading } from '../anatomy/jointReading.js'
import { errorOfSum, measurementError, recoveredPercent } from '../measurement/change/measurementError.js'
import { courseOf } from '../measurement/change/plateau.js'
import { robustSlope } from '../measurement/change/robustSlope.js'
import { expectedBand } from '../measurement/change/trajectory.js'
import { FORCE_UNITS, forceIn } from '../measurement/strength/forceUnits.js'
import { gripTrials, handlePositions } from '../measurement/strength/gripTrials.js'
import { shareOfOtherSide } from '../measurement/strength/otherSide.js'
import {
  comparedWithNorm,
  NORM_TABLES,
  STRENGTH_TESTS,
  type NormTable,
} from '../measurement/strength/strengthNorms.js'
import { expectedAdvanceMm } from '../measurement/symptoms/advancingTinel.js'
import { edemaDifference, limbVolumeMl } from '../measurement/symptoms/edema.js'
import { testLikelihood } from '../measurement/symptoms/likelihood.js'
import { painChange } from '../measurement/symptoms/painChange.js'
import { changeInWords, patientSpecificChange } from '../measurement/symptoms/patientSpecificScale.js'
import { filamentFinding, twoPointClass } from '../measurement/symptoms/sensation.js'
import { number, maybe, turned, numbers, pair, ends, reading, type Calculations } from './calculationInput.js'

/** Measurements: motion, strength, symptoms, change. */
export const MEASURES: Calculations = {
  'M-00': (input) => {
    const part = input.object(['N', 'kgf', 'lbf'])
    const given = FORCE_UNITS.filter((unit) => !part[unit]!.isMissing)
    if (given.length !== 1) input.refuse('one force, in N, kgf or lbf')
    const [from] = given as [(typeof FORCE_UNITS)[number]]
    const value = number(part[from]!)
    return Object.fromEntries(
      FORCE_UNITS.filter((unit) => unit !== from).map((unit) => [unit, forceIn(unit, value, from)]),
    )
  },
  'M-01': (input) => {
    const part = input.object(['convention', 'typed'])
    const read = extensionFrom(number(part['typed']!), part['convention']!.oneOf(EXTENSION_CONVENTIONS))
    return { ext: read.extendedEndDeg, deficit: read.deficitDeg, hyper: read.hyperextensionDeg }
  },
  'M-02': (input) => {
    const part = input.object(['joints', 'strict', 'digit'])
    const digit = part['digit']!.optional((one) => one.oneOf(DIGITS))
    const isThumb = digit === null ? namesThumbJoint(part['joints']!) : digit === 'thumb'
    const wanted = isThumb ? ['MP', 'IP'] : ['MP', 'PIP', 'DIP']
    const given = new Map<string, JointReading | null>()
    for (const joint of part['joints']!.list()) {
      const keys = joint.object(['joint', 'flex', 'ext', 'mode'])
      const name = keys['joint']!.oneOf(wanted)
      if (given.has(name)) keys['joint']!.refuse('each joint once')
      given.set(name, reading(keys['flex']!, keys['ext']!))
    }
    const modes = part['joints']!.list().map((joint) => joint.anyObject()['mode']?.value ?? 'active')
    if (new Set(modes).size > 1)
      contradiction('joints', 'Active and passive readings are not added. Give one sum for each.')
    const options = { isHyperextensionSubtracted: part['strict']!.optional((flag) => flag.flag()) ?? false }
    const at = (name: string) => given.get(name) ?? null
    const total = isThumb
      ? totalThumbMotion({ mcp: at('MP'), ip: at('IP') }, options)
      : totalMotion({ mcp: at('MP'), pip: at('PIP'), dip: at('DIP') }, options)
    return {
      tam: total.totalDeg,
      missing: total.missing.map((joint) => (joint === 'mcp' ? 'MP' : joint.toUpperCase())),
    }
  },
  'M-03': (input) => {
    const part = input.object(['tam', 'other'])
    const graded = totalMotionGrade(maybe(part['tam']!), maybe(part['other']!))
    return { percent: graded?.percent ?? null, grade: graded?.grade ?? null }
  },
  'M-04': (input) => {
    const part = input.object(['pipFlex', 'dipFlex', 'pipExt', 'dipExt'])
    const result = twoJointResult(
      reading(part['pipFlex']!, part['pipExt']!),
      reading(part['dipFlex']!, part['dipExt']!),
    )
    return {
      arc: result?.arcDeg ?? null,
      percent: result?.percent ?? null,
      original: result?.original ?? null,
      adjusted: result?.adjusted ?? null,
    }
  },
  'M-05f': (input) => {
    const part = input.object(['distanceCm', 'totalFlexion', 'extensionDeficit', 'tam'])
    return points(
      fingerPointScore({
        distanceCm: maybe(part['distanceCm']!),
        totalFlexionDeg: maybe(part['totalFlexion']!),
        extensionDeficitDeg: maybe(part['extensionDeficit']!),
        totalActiveMotionDeg: maybe(part['tam']!),
      }),
    )
  },
  'M-05t': (input) => {
    const part = input.object(['ipFlexion', 'extensionDeficit', 'tam'])
    return points(
      thumbPointScore({
        ipFlexionDeg: maybe(part['ipFlexion']!),
        extensionDeficitDeg: maybe(part['extensionDeficit']!),
        totalActiveMotionDeg: maybe(part['tam']!),
      }),
    )
  },
  'M-06-miller': (input) => {
    const part = input.object(['lag', 'flexionLoss'])
    return { grade: extensorGrade(maybe(part['lag']!), maybe(part['flexionLoss']!)) }
  },
  'M-06-kleinert': (input) => {
    const part = input.object(['distanceCm', 'extensionDeficit'])
    return { grade: flexorGrade(maybe(part['distanceCm']!), maybe(part['extensionDeficit']!)) }
  },
  'M-06-crawford': (input) => {
    const part = input.object(['extensionDeficit', 'fullFlexion', 'pain'])
    const flag = (key: string) => part[key]!.optional((one) => one.flag())
    return { grade: malletGrade(maybe(part['extensionDeficit']!), flag('fullFlexion'), flag('pain')) }
  },
  'M-07': (input) => {
    const part = input.object(['active', 'passive', 'mdc'])
    const difference = activePassiveDifference(
      part['active']!.optional(ends),
      part['passive']!.optional(ends),
      maybe(part['mdc']!) ?? 5,
    )
    return {
      flexionLag: difference?.flexionLagDeg ?? null,
      extensionLag: difference?.extensionLagDeg ?? null,
      contracture: difference?.flexionContractureDeg ?? null,
    }
  },
  'M-08': (input) => {
    const part = input.object(['previous', 'now', 'mdc'])
    const response = adhesionResponse(
      number(part['previous']!),
      number(part['now']!),
      maybe(part['mdc']!) ?? 12,
    )
    return {
      resolution: response.resolvedPercent,
      class: response.class,
      withinError: response.isWithinError,
    }
  },
  'M-09': (input) => ({
    distanceMm: fingertipToCreaseMm(maybe(input.object(['distanceMm'])['distanceMm']!)),
  }),
  'M-10': (input) => {
    const part = input.object(['score', 'absent', 'slidFlat'])
    const absent = part['absent']!.optionalList().map((digit) => digit.text())
    return {
      score:
        oppositionReach(
          number(part['score']!),
          absent,
          part['slidFlat']!.optional((flag) => flag.flag()) ?? false,
        )?.score ?? null,
    }
  },
  'M-11': (input) => {
    const part = input.object(['imd', 'a', 'b'])
    return { angle: webAngleDeg(number(part['imd']!), number(part['a']!), number(part['b']!)) }
  },
  'M-12': (input) => {
    const part = input.object(['gf', 'armMm', 'angles'])
    const torque = numbers(part['gf']!).map((gf) => torqueNmm(gf, number(part['armMm']!)))
    const angles = numbers(part['angles']!)
    if (angles.length !== torque.length || torque.length < 2)
      contradiction('angles', 'Expected an angle for each load, two loads at least.')
    return {
      torque,
      stiffness: stiffness(
        { torqueNmm: torque[0]!, angleDeg: angles[0]! },
        { torqueNmm: torque.at(-1)!, angleDeg: angles.at(-1)! },
      ),
    }
  },
  'M-13': (input) => {
    const part = input.object(['pipFlexMpFlexed', 'pipFlexMpExtended'])
    const finding = intrinsicTightness(maybe(part['pipFlexMpFlexed']!), maybe(part['pipFlexMpExtended']!))
    return { difference: finding?.differenceDeg ?? null, class: finding?.tissue ?? null }
  },
  'M-14': (input) => {
    const part = input.object(['trials', 'unit'])
    const trials = gripTrials(numbers(part['trials']!), part['unit']!.oneOf(FORCE_UNITS))
    return { meanKgf: trials.meanKgf, sdKgf: trials.sdKgf, cv: trials.variationPercent }
  },
  'M-15': (input) => ({ ...handlePositions(numbers(input.object(['values'])['values']!)) }),
  'M-16': (input) => {
    const part = input.object(['test', 'sex', 'age', 'side', 'value', 'unit', 'table'])
    const compared = comparedWithNorm(
      part['test']!.oneOf(STRENGTH_TESTS),
      part['sex']!.optional((sex) => sex.text()) ?? 'unknown',
      number(part['age']!),
      part['side']!.oneOf(['right', 'left']),
      number(part['value']!),
      part['unit']!.oneOf(FORCE_UNITS),
      part['table']!.optional((table) => table.oneOf(Object.keys(NORM_TABLES) as NormTable[])) ?? '1985',
    )
    return {
      z: compared?.z ?? null,
      percentile: compared?.percentile ?? null,
      percentOfNorm: compared?.percentOfNorm ?? null,
    }
  },
  'M-17': (input) => {
    const part = input.object(['injured', 'other', 'injuredDominant', 'handedness', 'test'])
    const share = shareOfOtherSide(
      number(part['injured']!),
      maybe(part['other']!),
      part['handedness']!.oneOf(['right', 'left', 'both']),
      part['injuredDominant']!.flag(),
      part['test']!.optional((test) => test.oneOf(['grip', 'pinch'])) ?? 'grip',
    )
    return { raw: share?.rawPercent ?? null, adjusted: share?.adjustedPercent ?? null }
  },
  'M-18': (input) => {
    const part = input.object(['before', 'now'])
    const change = painChange(number(part['before']!), number(part['now']!))
    return {
      delta: change.fell,
      percent: change.fellPercent,
      mcidPoints: change.reachesPoints,
      mcidPercent: change.reachesPercent,
    }
  },
  'M-19': (input) => {
    const part = input.object(['before', 'now'])
    const scores = (key: string) =>
      Object.fromEntries(Object.entries(part[key]!.anyObject()).map(([name, score]) => [name, number(score)]))
    const change = patientSpecificChange(scores('before'), scores('now'))
    return { items: change?.activities ?? null, delta: change?.delta ?? null }
  },
  'M-20': (input) => ({ class: changeInWords(number(input.object(['rating'])['rating']!)) }),
  'M-21': (input) => {
    const part = input.object(['circumferencesCm', 'stepCm'])
    return { volumeMl: limbVolumeMl(numbers(part['circumferencesCm']!), number(part['stepCm']!)) }
  },
  'M-22': (input) => {
    const part = input.object(['injured', 'other'])
    return { ...edemaDifference(number(part['injured']!), number(part['other']!)) }
  },
  'M-23': (input) => {
    const finding = filamentFinding(maybe(input.object(['marking'])['marking']!))
    return { forceGf: finding.forceGf, band: finding.band }
  },
  'M-24': (input) => {
    const part = input.object(['mm', 'kind'])
    const felt = part['mm']!
    const value = typeof felt.value === 'string' ? felt.oneOf(['one point', 'none']) : number(felt)
    return {
      class: twoPointClass(
        value,
        part['kind']!.optional((kind) => kind.oneOf(['static', 'moving']))! ?? 'static',
      ),
    }
  },
  'M-25': (input) => {
    const part = input.object(['days', 'rate', 'latency'])
    return {
      expectedMm: expectedAdvanceMm(
        number(part['days']!),
        maybe(part['rate']!) ?? undefined,
        maybe(part['latency']!) ?? undefined,
      ),
    }
  },
  'M-26': (input) => {
    const part = input.object(['se', 'sp', 'prior'])
    const likelihood = testLikelihood(number(part['se']!), number(part['sp']!), number(part['prior']!))
    return {
      lrPlus: likelihood.positiveRatio,
      lrMinus: likelihood.negativeRatio,
      postPositive: likelihood.afterPositive,
      postNegative: likelihood.afterNegative,
    }
  },
  'M-31': (input) => {
    const part = input.object(['sd', 'icc'])
    return { ...measurementError(number(part['sd']!), number(part['icc']!)) }
  },
  'M-31s': (input) => {
    const part = input.object(['sems', 'step'])
    return { ...errorOfSum(numbers(part['sems']!), maybe(part['step']!) ?? 0) }
  },
  'M-32': (input) => {
    const part = input.object(['start', 'now', 'target'])
    return {
      recovered: recoveredPercent(number(part['start']!), number(part['now']!), number(part['target']!)),
    }
  },
  'M-33': (input) => {
    const part = input.object(['t', 'y'])
    const slope = robustSlope(numbers(part['t']!), numbers(part['y']!))
    const bounded = (end: number) => (Number.isFinite(end) ? end : null)
    return {
      slope: slope.slope,
      intercept: slope.intercept,
      low: bounded(slope.low),
      high: bounded(slope.high),
    }
  },
  'M-34': (input) => {
    const part = input.object(['t', 'y', 'mdc'])
    const { course, slope } = courseOf(numbers(part['t']!), numbers(part['y']!), number(part['mdc']!))
    return { class: course, slope: slope.slope }
  },
  'M-35': (input) => {
    const part = input.object(['series', 'week'])
    return { band: expectedBand(part['series']!.text(), number(part['week']!)) }
  },
  'M-40': (input) => {
    const part = input.object(['arc', 'functional'])
    return { coverage: functionalCoverage(pair(part['arc']!), pair(part['functional']!)) }
  },
  'M-41': (input) => {
    const part = input.object(['fe', 'rud', 'alpha'])
    const [extension, radial] = [maybe(part['fe']!), maybe(part['rud']!)]
    const seen = dartThrow(turned(extension), turned(radial), maybe(part['alpha']!) ?? undefined)
    return { dtm: seen?.alongDeg ?? null, offPlane: seen?.acrossDeg ?? null }
  },
}

/** Only the thumb has an IP joint: who names it has said which digit is meant. */
function namesThumbJoint(joints: DocumentReader): boolean {
  return joints.list().some((joint) => joint.anyObject()['joint']?.value === 'IP')
}

function points(score: ReturnType<typeof fingerPointScore>) {
  return { score: score?.score ?? null, parts: score?.parts ?? null, grade: score?.grade ?? null }
}
