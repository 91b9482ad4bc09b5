import type { DocumentReader } from '../reading/documentReader.js'
import { readArcs, readModes, readResistance } from '../vocabulary/readWords.js'
import * as words from '../vocabulary/vocabulary.js'

/** One motion component of an exercise. */
export interface SignatureMotion {
  readonly modes: readonly words.Mode[]
  readonly motions: readonly words.Motion[]
  /** Unstated = full range. */
  readonly arc: words.Arcs | null
  /** Unstated = unknown, judged as R5. */
  readonly res: words.ResistanceClass | null
}

/** What an exercise does to tissue, in the vocabulary's words: all that the rules ever see of it. */
export interface Signature {
  readonly name: string
  readonly motions: readonly SignatureMotion[]
  readonly orthosis: words.Orthosis
  /** The digits that move; `null` = every finger, or the thumb where a thumb joint moves. */
  readonly digits: readonly words.Digit[] | null
  readonly posture: words.Arcs | null
  readonly combos: readonly {
    readonly combo: words.Combo
    readonly mode: words.Mode
    readonly res: words.ResistanceClass | null
    /** Joints of it that the exercise tells about by itself: it brings no motion of these along. */
    readonly told?: readonly words.Axis[]
  }[]
  readonly grips: readonly { readonly grip: words.Grip; readonly res: words.ResistanceClass | null }[]
  readonly kg: number | null
  readonly tests: readonly words.Test[]
  readonly acts: readonly words.Act[]
  readonly stress: readonly words.Stress[]
  readonly by: words.Actor | null
  readonly nerve: readonly { readonly nerve: words.Nerve; readonly technique: words.NerveTechnique }[]
  readonly technique: readonly words.Technique[]
}

/** Moves and loads nothing, worn without: what a signature is built on. */
export const IDLE_SIGNATURE: Signature = {
  name: 'nothing',
  motions: [],
  orthosis: 'none',
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

const KEYS = [
  'name',
  'motions',
  'in',
  'posture',
  'combos',
  'grips',
  'kg',
  'tests',
  'acts',
  'stress',
  'by',
  'nerve',
  'technique',
  'digits',
]
/** No exercise has more parts than this of one kind; more is a broken file. */
const MOST_PARTS = 100

/**
 * Reads a signature as case files write it, by the exercise grammar of the vocabulary.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the path and what was expected
 */
export function readSignature(reader: DocumentReader): Signature {
  const part = reader.object(KEYS)
  const list = (key: string) => {
    const items = part[key]!.optionalList()
    if (items.length > MOST_PARTS) part[key]!.refuse(`at most ${MOST_PARTS} entries`)
    return items
  }
  return {
    name: part['name']!.optional((name) => name.text()) ?? 'unnamed exercise',
    motions: list('motions').map((component) => {
      const keys = component.object(['m', 'mv', 'arc', 'res'])
      return {
        modes:
          keys['m']!.value !== null && typeof keys['m']!.value === 'string'
            ? [keys['m']!.oneOf(words.MODES)]
            : readModes(keys['m']!),
        motions: keys['mv']!.list().flatMap((pattern) => {
          return (
            words.motionsOfPattern(pattern.text(), false) ??
            pattern.refuse('a motion of the vocabulary, as wrist.ext')
          )
        }),
        arc: keys['arc']!.optional(readArcs),
        res: keys['res']!.optional(readResistance),
      }
    }),
    orthosis: part['in']!.optional((word) => word.oneOf(words.ORTHOSES)) ?? 'none',
    digits: part['digits']!.optional((digits) => digits.list().map((digit) => digit.oneOf(words.DIGITS))),
    posture: part['posture']!.optional(readArcs),
    combos: list('combos').map((entry) => {
      const keys = entry.object(['combo', 'm', 'res'])
      return {
        combo: keys['combo']!.oneOf(words.COMBOS),
        mode: keys['m']!.oneOf(words.MODES),
        res: keys['res']!.optional(readResistance),
      }
    }),
    grips: list('grips').map((entry) => {
      const keys = entry.object(['grip', 'res'])
      return { grip: keys['grip']!.oneOf(words.GRIPS), res: keys['res']!.optional(readResistance) }
    }),
    kg: part['kg']!.optional((kg) => kg.number(0, 200)),
    tests: list('tests').map((test) => test.oneOf(words.TESTS)),
    acts: list('acts').map((act) => act.oneOf(words.ACTS)),
    stress: list('stress').map((stress) => stress.oneOf(words.STRESSES)),
    by: part['by']!.optional((by) => by.oneOf(words.ACTORS)),
    nerve: list('nerve').map((entry) => {
      const keys = entry.object(['nerve', 'tech'])
      return {
        nerve: keys['nerve']!.oneOf(words.NERVES),
        technique: keys['tech']!.oneOf(words.NERVE_TECHNIQUES),
      }
    }),
    technique: list('technique').map((technique) => technique.oneOf(words.TECHNIQUES)),
  }
}
