import { DIRECTION_NAMES, inEach, JOINT_NAMES, type Said } from '../words/names.js'
import { motionsOfConcern, type Phase } from '../protocol/protocol.js'
import type { Joint, Mode, Motion, Orthosis } from '../vocabulary/vocabulary.js'
import { assess } from './assess.js'
import { wordOfMotion } from '../vocabulary/vocabulary.js'
import { standingOf, type CaseOnDay } from './caseOnDay.js'
import { IDLE_SIGNATURE, type Signature } from '../exercise/signature.js'
import { stopOfCase } from './judgeCase.js'
import { isOpen, type Verdict } from './verdict.js'

/** The modes of the map in the order in which tissue is asked more. Resisted and isometric: at the lightest class. */
export const MAP_MODES: readonly Mode[] = ['P', 'AA', 'PH', 'A', 'S', 'I', 'R']

export interface MapCell {
  readonly mode: Mode
  readonly verdict: Verdict
}
export interface MapRow {
  readonly motion: Motion
  readonly name: Said
  readonly cells: readonly MapCell[]
}

/** Far from the injury: its motions would only lengthen the map. */
const FAR_JOINTS = ['neck', 'scap', 'shoulder']

/**
 * What may be done today at the injured part, motion by motion and mode by mode: every guarded motion, then the others
 * that the phase speaks about, through their full range, in the orthosis given. The same engine answers as for an
 * exercise.
 *
 * @param judge - asks what else has a say, as other injuries of the same hand
 */
export function permissionMap(
  state: CaseOnDay,
  orthosis: Orthosis,
  judge: (signature: Signature) => Verdict = (signature) => assess(signature, state),
): MapRow[] {
  const { protocol } = state
  const { phase } = standingOf(state)
  const motions = [...new Set([...motionsOfConcern(protocol), ...spokenOfIn(phase)])]
  return motions
    .filter((motion) => isInMap(motion, motions))
    .map((motion) => ({
      motion,
      name: inEach((language) => {
        const [joint, direction] = motion.split('.') as [Joint, string]
        const [place, way] = [JOINT_NAMES[joint][language], DIRECTION_NAMES[direction]![language]]
        return language === 'en' ? `${place} ${way}` : `${way} ${place}`
      }),
      cells: MAP_MODES.map((mode) => ({
        mode,
        verdict: judge(signatureFor(motion, mode, orthosis)),
      })),
    }))
}

/**
 * The one cause that keeps everything in the map shut: what stops the case as a whole, or the one rule that every cell names; `null`
 * where something is open or the causes differ.
 */
export function causeOfAll(rows: readonly MapRow[], state: CaseOnDay): Said | null {
  const verdicts = rows.flatMap(({ cells }) => cells.map(({ verdict }) => verdict))
  if (verdicts.length === 0 || verdicts.some(({ kind }) => isOpen(kind))) return null
  const stop = stopOfCase(state)
  if (stop) return stop.stop.reason.text
  const reasons = verdicts.flatMap((verdict) => verdict.reasons)
  const [first] = reasons
  return first && reasons.every(({ rule, text }) => rule === first.rule && text.en === first.text.en)
    ? first.text
    : null
}

function spokenOfIn(phase: Phase | null): Motion[] {
  const rules = phase ? [...phase.allow, ...phase.caution, ...phase.forbid] : []
  return rules
    .flatMap((rule) => rule.targets)
    .flatMap((target) => (target.kind === 'motion' ? [...target.motions] : []))
    .filter((motion) => !FAR_JOINTS.includes(motion.split('.')[0]!))
}

/** Sideways finger motion and circles are left out where flexion and extension tell the same. */
function isInMap(motion: Motion, all: readonly Motion[]): boolean {
  const [joint, direction] = motion.split('.') as [string, string]
  const minor = ['circ', 'rad', 'uln', 'abd', 'add', 'hyperext', 'retro']
  const isMinor = minor.includes(direction) && joint !== 'wrist'
  return !(isMinor || direction === 'circ') || !all.some((other) => other.startsWith(`${joint}.flex`))
}

function signatureFor(motion: Motion, mode: Mode, orthosis: Orthosis): Signature {
  return {
    ...IDLE_SIGNATURE,
    name: `${mode} ${wordOfMotion(motion)}`,
    motions: [{ modes: [mode], motions: [motion], arc: null, res: 1 }],
    orthosis,
  }
}
