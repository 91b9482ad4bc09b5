import { within } from '../anatomy/checked.js'
import { published } from '../anatomy/constant.js'

export type BonePhase = 'inflammation' | 'softCallus' | 'hardCallus' | 'remodeling'

/** First day of each phase of a broken bone after the inflammation. */
export const BONE_PHASES_FROM = published(
  { softCallus: 7, hardCallus: 21, remodeling: 84 },
  'days',
  'TEXTBOOK-PRACTICE',
  'high',
)

/**
 * Usual healing phase of a broken bone by days since the fracture. Time alone opens nothing: union is what somebody finds
 * on examination and film.
 *
 * @param day - 0–3650
 */
export function boneHealingPhase(day: number): BonePhase {
  within(day, 'day', [0, 3650], 'days')
  const { softCallus, hardCallus, remodeling } = BONE_PHASES_FROM.value
  if (day < softCallus) return 'inflammation'
  if (day < hardCallus) return 'softCallus'
  return day < remodeling ? 'hardCallus' : 'remodeling'
}

type Weeks = readonly [from: number, to: number]
const union = (clinical: Weeks) => published(clinical, 'weeks', 'TEXTBOOK-PRACTICE', 'medium')

/**
 * Weeks in which a bone is usually found stable on examination; film follows later, for a phalanx at 6 to 12 weeks and
 * more. Smoking, diabetes, age and open injury lengthen it. For orientation beside a chart: they open nothing.
 */
export const USUAL_UNION_WEEKS = {
  phalanx: union([3, 4]),
  metacarpal: union([4, 6]),
  distalRadius: union([6, 8]),
  scaphoidWaist: union([8, 12]),
  scaphoidProximalPole: union([12, 24]),
} as const

export type SoftTissuePhase = 'inflammation' | 'fibroplasia' | 'remodeling'

/** First day of each phase of soft tissue; fibroplasia goes on beside remodeling to six weeks. */
export const SOFT_TISSUE_PHASES_FROM = published(
  { fibroplasia: 5, remodeling: 21 },
  'days',
  'TEXTBOOK-PRACTICE',
  'high',
)

/**
 * Usual healing phase of tendon, ligament and skin by days since injury or repair. Time alone opens nothing.
 *
 * @param day - 0–3650
 */
export function softTissuePhase(day: number): SoftTissuePhase {
  within(day, 'day', [0, 3650], 'days')
  const { fibroplasia, remodeling } = SOFT_TISSUE_PHASES_FROM.value
  if (day < fibroplasia) return 'inflammation'
  return day < remodeling ? 'fibroplasia' : 'remodeling'
}
