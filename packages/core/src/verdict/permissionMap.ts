import { DIRECTION_NAMES, inEach, JOINT_NAMES, type Said } from '../protocol/names.js'
import type { Joint, Mode, Motion, Orthosis } from '../protocol/vocabulary.js'
import { assess } from './assess.js'
import { wordOfMotion } from '../protocol/vocabulary.js'
import type { CaseOnDay } from './caseOnDay.js'
import type { Signature } from './signature.js'
import type { Verdict } from './verdict.js'

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

/**
 * What may be done today at the injured part, motion by motion and mode by mode: every guarded motion through its full
 * range, in the orthosis given. The same engine answers as for an exercise.
 */
export function permissionMap(state: CaseOnDay, orthosis: Orthosis): MapRow[] {
  const { protocol } = state
  const motions = [...(protocol.guard.size > 0 ? protocol.guard : protocol.strengthMotions)]
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
        verdict: assess(signatureFor(motion, mode, orthosis), state),
      })),
    }))
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
    name: `${mode} ${wordOfMotion(motion)}`,
    motions: [{ modes: [mode], motions: [motion], arc: null, res: 1 }],
    orthosis,
    digits: null,
    posture: null,
    combos: [],
    grips: [],
    kg: null,
    tests: [],
    acts: [],
    stress: [],
    by: null,
    nerve: [],
    technique: [],
  }
}
