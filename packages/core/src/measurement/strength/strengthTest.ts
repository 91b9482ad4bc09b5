import { within } from '../../anatomy/checked.js'
import { decided } from '../../anatomy/constant.js'

/**
 * Weeks before which a strongest grip or pinch is not asked for after an injury or repair, and the earliest week with the
 * surgeon's consent where there is one. Source: TEXTBOOK-PRACTICE for the principle.
 */
export const STRENGTH_TEST_WEEKS = {
  fracture: { usual: decided(8, 'weeks'), withConsent: decided(6, 'weeks') },
  tendonRepair: { usual: decided(12, 'weeks'), withConsent: decided(8, 'weeks') },
  thumbCollateralRepair: { usual: decided(12, 'weeks'), withConsent: decided(8, 'weeks') },
  nerveRepair: { usual: decided(8, 'weeks'), withConsent: decided(8, 'weeks') },
  jointReplacement: { usual: decided(12, 'weeks'), withConsent: decided(8, 'weeks') },
} as const
export type HealingTissue = keyof typeof STRENGTH_TEST_WEEKS

/** Pain from which a strongest effort is not asked for. */
export const STRENGTH_TEST_PAIN_STOP = decided(7, 'of 10')

export interface StrengthTestCircumstances {
  readonly tissue: HealingTissue | null
  /** Days since injury or surgery; unknown keeps the test closed while something heals. */
  readonly daysSince: number | null
  /** A fracture found united on examination and film. */
  readonly isUnited: boolean | null
  readonly hasSurgeonsConsent: boolean
  readonly painNprs: number | null
  readonly isFlaring: boolean
  readonly hasOpenWoundUnderHandle: boolean
  /** Recent uncontrolled blood pressure, or surgery of eye or abdomen: holding the breath is dangerous. */
  readonly mayNotStrain: boolean
  /** At home nobody asks for a strongest effort while a tissue heals. */
  readonly isAtHome: boolean
}

export type StrengthTestStop =
  | 'not healed long enough'
  | 'time since injury unknown'
  | 'fracture not found united'
  | 'strongest effort at home'
  | 'pain'
  | 'pain not asked'
  | 'flare'
  | 'open wound under the handle'
  | 'straining is dangerous'

/**
 * What speaks against testing the strongest grip or pinch today: a soft stop that a therapist may override with a reason.
 * An empty list clears nothing by itself: the protocol's verdict and the surgeon's order come first.
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` for pain outside 0–10 or days before the event
 */
export function strengthTestStops(now: StrengthTestCircumstances): StrengthTestStop[] {
  const stops: StrengthTestStop[] = []
  if (now.painNprs !== null) within(now.painNprs, 'painNprs', [0, 10])
  if (now.daysSince !== null) within(now.daysSince, 'daysSince', [0, 36_500], 'days')
  if (now.tissue) {
    const { usual, withConsent } = STRENGTH_TEST_WEEKS[now.tissue]
    const weeks = now.hasSurgeonsConsent ? withConsent.value : usual.value
    const isEarly = now.daysSince !== null && now.daysSince < weeks * 7
    if (now.daysSince === null) stops.push('time since injury unknown')
    else if (isEarly) stops.push('not healed long enough')
    if (now.tissue === 'fracture' && now.isUnited !== true) stops.push('fracture not found united')
    if (now.isAtHome && (isEarly || now.daysSince === null)) stops.push('strongest effort at home')
  }
  if (now.painNprs === null) stops.push('pain not asked')
  else if (now.painNprs >= STRENGTH_TEST_PAIN_STOP.value) stops.push('pain')
  if (now.isFlaring) stops.push('flare')
  if (now.hasOpenWoundUnderHandle) stops.push('open wound under the handle')
  if (now.mayNotStrain) stops.push('straining is dangerous')
  return stops
}
