import type { ResponseLimits } from './crossCutting.js'

/** Whether a pain score stops the bout and shows whom to call. */
export function isStopPain(pain: number | null, stopPain: number): boolean {
  return pain !== null && pain >= stopPain
}

/**
 * Whether an exercise may start: pain at rest must lie at or below the exercise's cap. Unknown pain does not let it
 * start.
 *
 * @param painNow - 0–10 before the bout
 */
export function mayStart(painNow: number | null, painCap: number): boolean {
  return painNow !== null && painNow <= painCap
}

export type Response = 'green' | 'amber' | 'stepback' | 'stop'

/** How a bout was answered by the hand, by the worst pain during it. */
export function responseTo(worstPain: number, painCap: number, limits: ResponseLimits): Response {
  if (isStopPain(worstPain, limits.stopPain)) return 'stop'
  if (worstPain > painCap + limits.amberAbove) return 'stepback'
  return worstPain > painCap ? 'amber' : 'green'
}
