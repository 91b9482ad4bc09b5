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
import { contradiction } from '../anatomy/checked.js'
import type { JointReading } from '../anatomy/jointReading.js'
import { errorOfSum, measurementError, recoveredPercent } from '../measurement/change/measurementError.js'
import { courseOf } from '../measurement/change/plateau.js'
import { robustSlope } from '../measurement/change/robustSlope.js'
import { expectedBand } from '../measurement/change/trajectory.js'
import {
  coupledDipDeg,
  fingertipPosition,
  malrotationShiftMm,
  PALM_SHAPE,
  pulpToPalmMm,
} from '../measurement/kinematics/fingertip.js'
import { segmentLengths } from '../measurement/kinematics/segmentLengths.js'
import {
  NERVE_BEDS,
  NERVE_MOTIONS,
  type BeddedNerve,
  type NerveMotion,
  type NerveMoves,
} from '../nerve/nerveBed.js'
import { classifiedNerveMove, nerveExcursionMm, strainBand } from '../nerve/nerveMove.js'
import type { DocumentReader } from '../reading/documentReader.js'
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
import { boneHealingPhase } from '../tissue/boneHealing.js'
import {
  bandForce,
  contactPressure,
  endRangeGainDeg,
  isometricSecondsPerDay,
  oneRepetitionMaximum,
  relaxationShare,
  weightMomentNm,
} from '../tissue/dose.js'
import {
  EDEMA_FACTORS,
  FORCE_LADDER,
  repairMargin,
  repairStrength,
  type EdemaGrade,
} from '../tissue/repairMargin.js'
import { responseAfterADay } from '../tissue/response.js'
import {
  differentialGlideMm,
  motionForGlideDeg,
  passiveGlideMm,
  TENDONS,
  tendonExcursionMm,
  tenodesisFlexion,
  type JointChange,
  type TendonJoint,
} from '../tissue/tendonExcursion.js'
import { collateralLoad, thumbBaseReaction } from '../tissue/thumbLoad.js'

/**
 * The computations by the ids of the specification. Names and signs of its checks are turned into ours here, and nowhere
 * else: radial +, extension + and the named motions of nerves there; ulnar +, flexion + in core.
 */
export const CALCULATIONS: Readonly<
  Record<string, (input: DocumentReader) => Readonly<Record<string, unknown>>>
> = {
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
    const isThumb = part['digit']!.optional((digit) => digit.text()) === 'thumb'
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
  'B-01': (input) => {
    const part = input.object(['digit', 'handLength'])
    const lengths = segmentLengths(part['digit']!.text(), number(part['handLength']!))
    return {
      MC: lengths.metacarpal,
      PP: lengths.proximalPhalanx,
      ...(lengths.middlePhalanx === null ? {} : { MP: lengths.middlePhalanx }),
      DP: lengths.distalPhalanx,
    }
  },
  'B-02': (input) => {
    const part = input.object(['lengths', 'angles', 'pulp'])
    const tip = fingertipPosition(triple(part['lengths']!), triple(part['angles']!), number(part['pulp']!))
    return { x: tip.distalMm, y: tip.palmarMm }
  },
  'B-03': (input) => {
    const part = input.object(['handLength', 'digit', 'angles'])
    const handLength = number(part['handLength']!)
    const lengths = segmentLengths(part['digit']!.text(), handLength)
    if (lengths.middlePhalanx === null)
      part['digit']!.refuse('a finger: a thumb does not reach the palm that way')
    const phalanges = [lengths.proximalPhalanx, lengths.middlePhalanx!, lengths.distalPhalanx] as const
    return {
      gap: pulpToPalmMm(phalanges, triple(part['angles']!), handLength),
      pulp: PALM_SHAPE.pulp.value * handLength,
    }
  },
  'B-04': (input) => ({ dip: coupledDipDeg(number(input.object(['pip'])['pip']!)) }),
  'B-05': (input) => {
    const part = input.object(['r', 'deg'])
    return { shift: malrotationShiftMm(number(part['r']!), number(part['deg']!)) }
  },
  'B-06': (input) => {
    const part = input.object(['tendon', 'delta'])
    return { excursion: tendonExcursionMm(part['tendon']!.oneOf(TENDONS), jointChange(part['delta']!)) }
  },
  'B-07': (input) => {
    const part = input.object(['glide', 'arm'])
    return { angle: motionForGlideDeg(number(part['glide']!), number(part['arm']!)) }
  },
  'B-08': (input) => ({ differential: differentialGlideMm(jointChange(input.object(['delta'])['delta']!)) }),
  'B-09': (input) => {
    const flexed = tenodesisFlexion(number(input.object(['wristExtension'])['wristExtension']!))
    return { MP: flexed.mcpDeg, PIP: flexed.pipDeg, DIP: flexed.dipDeg }
  },
  'B-10': (input) => {
    const part = input.object(['pip', 'dip', 'repaired'])
    return { excursion: passiveGlideMm(number(part['pip']!), number(part['dip']!), part['repaired']!.flag()) }
  },
  'B-11': (input) => {
    const level = number(input.object(['level'])['level']!)
    const rung = FORCE_LADDER[level - 1]
    if (!rung) input.refuse('a level from 1 to 8')
    const [low, typical, high] = rung!.newtons.value
    return { low, typical, high }
  },
  'B-12': (input) => {
    const part = input.object(['strands', 'day', 'e'])
    const strength = repairStrength(
      number(part['strands']!),
      number(part['day']!),
      maybe(part['e']!) ?? undefined,
    )
    return { classic: strength.classicN, early: strength.earlyMotionN }
  },
  'B-13': (input) => {
    const part = input.object(['strands', 'day', 'level', 'oedema', 'e'])
    const edema = part['oedema']!.optional((word) =>
      word.oneOf(Object.keys(EDEMA_FACTORS.value) as EdemaGrade[]),
    )
    const margin = repairMargin(
      number(part['strands']!),
      number(part['day']!),
      number(part['level']!),
      edema ?? 'none',
      maybe(part['e']!) ?? undefined,
    )
    return { mid: margin.middle, low: margin.low, high: margin.high, class: margin.class }
  },
  'B-14': (input) => {
    const part = input.object(['force', 'phi', 'd', 'r', 'm'])
    const load = collateralLoad(
      number(part['force']!),
      number(part['phi']!),
      number(part['d']!),
      number(part['r']!),
      maybe(part['m']!) ?? 0,
    )
    return { moment: load.momentNmm, tension: load.tensionN }
  },
  'B-15': (input) => {
    const { kgf, newtons } = thumbBaseReaction(number(input.object(['pinchKgf'])['pinchKgf']!))
    return { reactionKgf: kgf, reactionN: newtons }
  },
  'B-16': (input) => ({ phase: boneHealingPhase(number(input.object(['day'])['day']!)) }),
  'B-17': (input) => {
    const part = input.object(['nerve', 'moves'])
    return nerveMove(part['nerve']!, part['moves']!, null)
  },
  'B-18': (input) => {
    const part = input.object(['nerve', 'moves', 'site'])
    return nerveMove(part['nerve']!, part['moves']!, part['site']!)
  },
  'B-19': (input) => {
    const part = input.object(['nerve', 'moves', 'site'])
    return nerveMove(part['nerve']!, part['moves']!, part['site']!.isMissing ? null : part['site']!)
  },
  'B-20': (input) => ({ band: strainBand(number(input.object(['strain'])['strain']!)) }),
  'B-21': (input) => {
    const part = input.object(['hoursPerDay', 'days'])
    return { gain: endRangeGainDeg(number(part['hoursPerDay']!), number(part['days']!)) }
  },
  'B-22': (input) => {
    const part = input.object(['t', 'tau', 'a'])
    return { ratio: relaxationShare(number(part['t']!), number(part['tau']!), number(part['a']!)) }
  },
  'B-23': (input) => {
    const part = input.object(['hold', 'reps', 'sets', 'perDay'])
    const [hold, reps, sets, perDay] = ['hold', 'reps', 'sets', 'perDay'].map((key) => number(part[key]!))
    return { secondsPerDay: isometricSecondsPerDay(hold!, reps!, sets!, perDay!) }
  },
  'B-24': (input) => {
    const part = input.object(['gf', 'cm2'])
    const { gfPerCm2, mmHg } = contactPressure(number(part['gf']!), number(part['cm2']!))
    return { gfPerCm2, mmHg }
  },
  'B-25': (input) => {
    const part = input.object(['kg', 'reps'])
    const { epley, brzycki } = oneRepetitionMaximum(number(part['kg']!), number(part['reps']!))
    return { epley, brzycki }
  },
  'B-26': (input) => {
    const part = input.object(['colour', 'rest', 'length'])
    const step = BAND_COLORS.indexOf(part['colour']!.oneOf(BAND_COLORS)) + 1
    const { elongationPercent, newtons } = bandForce(step, number(part['rest']!), number(part['length']!))
    return { elongation: elongationPercent, forceN: newtons }
  },
  'B-27': (input) => {
    const part = input.object(['kg', 'mm', 'deg'])
    return { Nm: weightMomentNm(number(part['kg']!), number(part['mm']!), maybe(part['deg']!) ?? 0) }
  },
  'B-28': (input) => {
    const part = input.object(['before', 'peak', 'after', 'swelling', 'romLoss', 'limit'])
    const limit = maybe(part['limit']!)
    return {
      class: responseAfterADay({
        before: maybe(part['before']!),
        peak: maybe(part['peak']!),
        after24h: maybe(part['after']!),
        swellingMm: maybe(part['swelling']!),
        rangeLossDeg: maybe(part['romLoss']!),
        ...(limit === null ? {} : { painLimit: limit }),
      }),
    }
  },
}

/** Colors of bands in the checks; our bands are numbered. */
const BAND_COLORS = ['yellow', 'red', 'green', 'blue', 'black', 'silver', 'gold'] as const

/** Motions of nerves as the specification names them, with the sign ours have. */
export const NAMED_NERVE_MOTIONS: Readonly<Record<string, readonly [NerveMotion, 1 | -1]>> = {
  neckContraSideBend: ['neckSideBendAway', 1],
  shoulderDepression_mm: ['shoulderDepressionMm', 1],
  shoulderAbduction: ['shoulderAbduction', 1],
  shoulderExternalRotation: ['shoulderExternalRotation', 1],
  shoulderInternalRotation: ['shoulderExternalRotation', -1],
  elbowFlexion: ['elbowFlexion', 1],
  elbowExtension: ['elbowFlexion', -1],
  forearmSupination: ['forearmSupination', 1],
  forearmPronation: ['forearmSupination', -1],
  wristFlexion: ['wristFlexion', 1],
  wristExtension: ['wristFlexion', -1],
  wristUlnarDeviation: ['wristUlnarDeviation', 1],
  wristRadialDeviation: ['wristUlnarDeviation', -1],
  fingerMPExtension: ['fingerMcpFlexion', -1],
  fingerIPExtension: ['fingerIpFlexion', -1],
  thumbFlexion: ['thumbFlexion', 1],
}

function nerveMove(nerve: DocumentReader, moves: DocumentReader, site: DocumentReader | null) {
  const name = nerve.oneOf(Object.keys(NERVE_BEDS) as BeddedNerve[])
  const turnedMoves: Partial<Record<NerveMotion, number>> = {}
  for (const [key, value] of Object.entries(moves.anyObject())) {
    const known = Object.hasOwn(NAMED_NERVE_MOTIONS, key) ? NAMED_NERVE_MOTIONS[key]! : null
    if (!known) value.refuse(`one of the motions ${Object.keys(NAMED_NERVE_MOTIONS).join(', ')}`)
    const [motion, sign] = known!
    if (motion in turnedMoves)
      value.refuse(`each joint once; ${Object.keys(NERVE_MOTIONS).join(', ')} are joints`)
    turnedMoves[motion] = sign * number(value)
  }
  const given: NerveMoves = turnedMoves
  const move = classifiedNerveMove(name, given)
  return {
    net: move.netMm,
    balance: move.balance,
    class: move.class,
    direction: move.direction,
    strainPercent: move.strainPercent,
    ...(site === null
      ? {}
      : { u: nerveExcursionMm(name, given, typeof site.value === 'string' ? site.text() : number(site)) }),
  }
}

const JOINT_NAMES: Readonly<Record<string, TendonJoint>> = {
  wrist: 'wrist',
  CMC: 'cmc',
  MP: 'mcp',
  PIP: 'pip',
  DIP: 'dip',
  IP: 'ip',
}

function jointChange(reader: DocumentReader): JointChange {
  const part = reader.object(Object.keys(JOINT_NAMES))
  return Object.fromEntries(
    Object.entries(JOINT_NAMES).flatMap(([name, joint]) =>
      part[name]!.isMissing ? [] : [[joint, number(part[name]!)]],
    ),
  )
}

function points(score: ReturnType<typeof fingerPointScore>) {
  return { score: score?.score ?? null, parts: score?.parts ?? null, grade: score?.grade ?? null }
}

/** Any finite number: its own bounds are each computation's to check. */
function number(reader: DocumentReader): number {
  return reader.number(-1e9, 1e9)
}
function maybe(reader: DocumentReader): number | null {
  return reader.optional(number)
}
/** The other sign; a missing reading stays missing, and 0 is not "minus nothing". */
function turned(value: number | null): number | null {
  return value === null ? null : 0 - value
}
function numbers(reader: DocumentReader): number[] {
  return reader.list().map(number)
}
function pair(reader: DocumentReader): readonly [number, number] {
  const both = numbers(reader)
  if (both.length !== 2) reader.refuse('[from, to]')
  return both as unknown as readonly [number, number]
}
function triple(reader: DocumentReader): readonly [number, number, number] {
  const three = numbers(reader)
  if (three.length !== 3) reader.refuse('three numbers')
  return three as unknown as readonly [number, number, number]
}
/** `[ext, flex]`, as the checks write a joint. */
function ends(reader: DocumentReader): JointReading {
  const [extendedEndDeg, flexedEndDeg] = pair(reader)
  return { flexedEndDeg, extendedEndDeg }
}
/** A joint is measured when both of its ends are. */
function reading(flex: DocumentReader, ext: DocumentReader): JointReading | null {
  const [flexedEndDeg, extendedEndDeg] = [maybe(flex), maybe(ext)]
  return flexedEndDeg === null || extendedEndDeg === null ? null : { flexedEndDeg, extendedEndDeg }
}
