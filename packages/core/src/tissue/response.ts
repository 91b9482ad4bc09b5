import { within } from '../anatomy/checked.js'
import { decided } from '../anatomy/constant.js'

export const RESPONSE_24H = {
  painLimit: decided(5, 'of 10'),
  swellingMdc: decided(5, 'mm', 'low'),
  rangeMdc: decided(10, 'degrees'),
  /** Pain after 24 hours above the pain before. */
  regressFrom: decided(2, 'of 10'),
  holdFrom: decided(1, 'of 10'),
} as const

export interface NextDay {
  readonly before: number | null
  readonly peak: number | null
  readonly after24h: number | null
  readonly swellingMm?: number | null
  readonly rangeLossDeg?: number | null
  readonly painLimit?: number
}

/**
 * What the hand's answer after 24 hours speaks for. Pain 2 above before, swelling or loss of range beyond error: regress;
 * a peak above the limit or pain 1 above before: hold; else progress, still subject to phase and therapist. No proposal
 * while one of the three pains is missing. Source: THOMEE-1997, SILBERNAGEL-2007 (medium).
 */
export function responseAfterADay({
  before,
  peak,
  after24h,
  swellingMm = null,
  rangeLossDeg = null,
  painLimit = RESPONSE_24H.painLimit.value,
}: NextDay): 'regress' | 'hold' | 'progress' | null {
  for (const [path, pain] of Object.entries({ before, peak, after: after24h }))
    if (pain !== null) within(pain, path, [0, 10])
  within(painLimit, 'limit', [0, 10])
  if (swellingMm !== null) within(swellingMm, 'swelling', [-100, 100], 'mm')
  if (rangeLossDeg !== null) within(rangeLossDeg, 'romLoss', [-180, 180], 'degrees')
  if (before === null || peak === null || after24h === null) return null
  const rise = after24h - before
  const swells = swellingMm !== null && swellingMm >= RESPONSE_24H.swellingMdc.value
  const loses = rangeLossDeg !== null && rangeLossDeg >= RESPONSE_24H.rangeMdc.value
  if (rise >= RESPONSE_24H.regressFrom.value || swells || loses) return 'regress'
  return peak > painLimit || rise >= RESPONSE_24H.holdFrom.value ? 'hold' : 'progress'
}
