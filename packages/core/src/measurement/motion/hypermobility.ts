import { contradiction } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/** The nine signs: four of each side, and the palms on the floor. */
export const HYPERMOBILITY_SIGNS = [
  'leftLittleFinger',
  'rightLittleFinger',
  'leftThumb',
  'rightThumb',
  'leftElbow',
  'rightElbow',
  'leftKnee',
  'rightKnee',
  'spine',
] as const
export type HypermobilitySign = (typeof HYPERMOBILITY_SIGNS)[number]

/** Signs from which joints count as hypermobile: before puberty, to 50 years, and above. */
export const HYPERMOBILE_FROM = published(
  { child: 6, adult: 5, over50: 4 },
  'signs of 9',
  'HYPERMOBILITY-2017',
  'high',
)

export interface Hypermobility {
  readonly signs: number
  /** Signs that could not be looked at: an injured limb is not tested. */
  readonly notTested: number
  /** Unknown where those not tested could make the difference. */
  readonly isHypermobile: boolean | null
}

/**
 * Signs of general hypermobility, to explain joints that hyperextend and to lower loading at the end of their range.
 *
 * @param findings - `null` = not tested, as on an injured limb
 * @throws CoreError `MEASUREMENT_INCONSISTENT` for an age group that does not fit
 */
export function hypermobility(
  findings: Readonly<Record<HypermobilitySign, boolean | null>>,
  group: keyof typeof HYPERMOBILE_FROM.value,
): Hypermobility {
  const from = Object.hasOwn(HYPERMOBILE_FROM.value, group) ? HYPERMOBILE_FROM.value[group] : null
  if (from === null)
    contradiction('group', `Expected ${Object.keys(HYPERMOBILE_FROM.value).join(', ')}, found "${group}".`)
  const signs = HYPERMOBILITY_SIGNS.filter((sign) => findings[sign] === true).length
  const notTested = HYPERMOBILITY_SIGNS.filter((sign) => findings[sign] === null).length
  const isHypermobile = signs >= from! ? true : signs + notTested >= from! ? null : false
  return { signs, notTested, isHypermobile }
}
