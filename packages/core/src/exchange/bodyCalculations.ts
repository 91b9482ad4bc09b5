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
import { number, maybe, triple, type Calculations } from './calculationInput.js'

/** The body: bones, tendons, nerves, tissue and what a dose does to them. */
export const BODY: Calculations = {
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
