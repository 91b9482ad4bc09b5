import {
  extrinsicFlexorTightness,
  intrinsicTightness,
  obliqueTightness,
  thumbExtensorTightness,
  webTightness,
  type TightnessFinding,
  type TightTissue,
} from '../motion/tissueTightness.js'
import type { Digit } from '../../vocabulary/vocabulary.js'
import { FINGER_DIGITS, otherSideOf, type MeasureName, type Side } from './measures.js'
import type { ReadingPlace } from './reading.js'

/** One joint measured passively with its neighbor in two positions, or on both hands. */
export interface TightnessTest {
  readonly id: TightnessTestId
  readonly digits: readonly Digit[]
  readonly says: string
  /** The two positions, in the order of `pair`. */
  readonly how: readonly [string, string]
  readonly pair: readonly [MeasureName, MeasureName]
  /** Whether the second reading is of the other hand. */
  readonly isAgainstOther?: boolean
  readonly find: (first: number | null, second: number | null) => TightnessFinding | null
}

export const TIGHTNESS_TEST_IDS = ['intrinsic', 'flexor', 'oblique', 'thumbExtensor', 'web'] as const
export type TightnessTestId = (typeof TIGHTNESS_TEST_IDS)[number]

/** Where the two readings of a test stand, for a digit of the injured hand. */
export function tightnessPlaces(test: TightnessTest, digit: Digit, injured: Side): ReadingPlace[] {
  return test.pair.map((measure, at) => ({
    measure,
    digit,
    side: at === 1 && test.isAgainstOther ? otherSideOf(injured) : injured,
    kind: 'passive',
  }))
}

/** Which structure is tight: the guided tests of the bench. Source: A7 of the rules for all, TEXTBOOK-PRACTICE. */
export const TIGHTNESS_TESTS: readonly TightnessTest[] = [
  {
    id: 'intrinsic',
    digits: FINGER_DIGITS,
    says: 'PIP bends, MCP in two positions',
    how: ['MCP bent', 'MCP straight'],
    pair: ['pipMcpFlexed', 'pipMcpStraight'],
    find: intrinsicTightness,
  },
  {
    id: 'flexor',
    digits: FINGER_DIGITS,
    says: 'What the finger lacks in straightening, wrist in two positions',
    how: ['wrist back', 'wrist bent'],
    pair: ['lostWristBack', 'lostWristBent'],
    find: extrinsicFlexorTightness,
  },
  {
    id: 'oblique',
    digits: FINGER_DIGITS,
    says: 'DIP bends, PIP in two positions',
    how: ['PIP bent', 'PIP held straight'],
    pair: ['dipPipFlexed', 'dipPipStraight'],
    find: obliqueTightness,
  },
  {
    id: 'thumbExtensor',
    digits: ['thumb'],
    says: 'The thumb’s IP bends, MCP in two positions',
    how: ['MCP straight', 'MCP bent'],
    pair: ['thumbIpMcpStraight', 'thumbIpMcpFlexed'],
    find: thumbExtensorTightness,
  },
  {
    id: 'web',
    digits: ['thumb'],
    says: 'Palmar abduction helped, against the other thumb',
    how: ['this hand', 'other hand'],
    pair: ['thumbPalmarAbduction', 'thumbPalmarAbduction'],
    isAgainstOther: true,
    find: webTightness,
  },
]

/** What a tight structure means for the exercises, and what not to do. Source: A7 of the rules for all (high). */
export const TIGHTNESS_MEANS: Readonly<Record<TightTissue, string>> = {
  intrinsic:
    'The small hand muscles are tight. When the school allows: hook fist, then PIP stretched with the MCP held straight. Not table-top bends alone.',
  extrinsicExtensor:
    'The long extensor is tight or stuck on the back of the hand. When the school allows: composite bending, wrist neutral first, and the scar moved against the glide. Not while an extensor repair is young.',
  extrinsicFlexor:
    'The long flexors are tight. When the school allows: wrist and fingers straightened together, a night orthosis. Not before the stretch day of a flexor repair.',
  obliqueRetinacular:
    'The oblique retinacular ligament is tight. When the school allows: PIP held straight, DIP bent. Not after a mallet finger before bending opens.',
  thumbExtensor:
    'The long extensor of the thumb is tight or stuck. When the school allows: MCP and IP of the thumb bent together, wrist neutral first. Not while an extensor repair is young.',
  web: 'The web of the thumb is short: it is released before anything is strengthened. When the school allows: slow abduction with the web resting warm, wide soft grips.',
  noWeb: 'The web opens as on the other hand, as far as this test tells.',
  joint:
    'The same in both positions: the joint itself, as far as this test tells. Long, gentle stretch of that joint when the school allows; no quick force.',
}
