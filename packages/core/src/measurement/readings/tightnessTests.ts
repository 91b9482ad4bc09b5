import {
  extrinsicFlexorTightness,
  intrinsicTightness,
  obliqueTightness,
  type TightnessFinding,
  type TightTissue,
} from '../motion/tissueTightness.js'
import type { MeasureName } from './measures.js'

/** One joint measured passively with its neighbour in two positions. */
export interface TightnessTest {
  readonly id: string
  readonly says: string
  /** The two positions, in the order of `pair`. */
  readonly how: readonly [string, string]
  readonly pair: readonly [MeasureName, MeasureName]
  readonly find: (first: number | null, second: number | null) => TightnessFinding | null
}

/** Which structure is tight: the guided tests of the bench. Source: A7 of the rules for all, TEXTBOOK-PRACTICE. */
export const TIGHTNESS_TESTS: readonly TightnessTest[] = [
  {
    id: 'intrinsic',
    says: 'PIP bends, MCP in two positions',
    how: ['MCP bent', 'MCP straight'],
    pair: ['pipMcpFlexed', 'pipMcpStraight'],
    find: intrinsicTightness,
  },
  {
    id: 'flexor',
    says: 'What the finger lacks in straightening, wrist in two positions',
    how: ['wrist back', 'wrist bent'],
    pair: ['lostWristBack', 'lostWristBent'],
    find: extrinsicFlexorTightness,
  },
  {
    id: 'oblique',
    says: 'DIP bends, PIP in two positions',
    how: ['PIP bent', 'PIP held straight'],
    pair: ['dipPipFlexed', 'dipPipStraight'],
    find: obliqueTightness,
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
  joint:
    'The same in both positions: the joint itself, as far as this test tells. Long, gentle stretch of that joint when the school allows; no quick force.',
}
