import { describe, expect, it } from 'vitest'
import { bedChanges } from './nerveBed.js'

describe('the bed of a nerve', () => {
  it.each([
    ['median', 'elbowFlexion', -1],
    ['ulnar', 'elbowFlexion', 1],
    ['radial', 'elbowFlexion', -1],
    ['median', 'wristFlexion', -1],
    ['ulnar', 'wristFlexion', -1],
    ['radial', 'wristFlexion', 1],
    ['median', 'shoulderExternalRotation', 1],
    ['radial', 'shoulderExternalRotation', -1],
    ['median', 'forearmSupination', 1],
    ['ulnar', 'forearmSupination', -1],
    ['radial', 'forearmSupination', -1],
    ['ulnar', 'wristUlnarDeviation', -1],
    ['radial', 'wristUlnarDeviation', 1],
    ['radial', 'thumbFlexion', 1],
    ['median', 'fingerMcpFlexion', -1],
  ] as const)('the bed of the %s nerve and %s: sign %i, as published', (nerve, motion, sign) => {
    expect(Math.sign(bedChanges(nerve, { [motion]: 10 })[0]!.changeMm)).toBe(sign)
  })
})
