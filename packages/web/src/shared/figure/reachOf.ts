import { type AngleLimits, numberOf } from '@pledge/core'
import type { EvaluationAnswer } from '@pledge/contract'

const ANGLES = [
  { angle: 'wristFlexion', low: 'wristExtension', high: 'wristFlexion' },
  { angle: 'wristUlnarDeviation', low: 'radialDeviation', high: 'ulnarDeviation' },
  { angle: 'forearmSupination', low: 'pronation', high: 'supination' },
] as const

/**
 * How far a patient's wrist and forearm went when last measured, as limits for a picture: passive where it was measured,
 * else active. An end nobody measured is no limit.
 */
export function reachOf(evaluations: readonly EvaluationAnswer[], side: 'left' | 'right'): AngleLimits {
  const last = (motion: (typeof ANGLES)[number]['low' | 'high']): number | null => {
    for (const kind of ['passive', 'active'] as const)
      for (const { readings } of [...evaluations].reverse()) {
        const found = readings.find((one) => one.measure === motion && one.side === side && one.kind === kind)
        if (found) return numberOf(found.result)
      }
    return null
  }
  return Object.fromEntries(
    ANGLES.flatMap(({ angle, low, high }) => {
      const [least, most] = [last(low), last(high)]
      return least === null && most === null ? [] : [[angle, [least ?? -Infinity, most ?? Infinity]]]
    }),
  )
}
