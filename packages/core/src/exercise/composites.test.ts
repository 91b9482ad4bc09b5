import { describe, expect, it } from 'vitest'
import type { Exercise, Pose } from '../index.js'
import { COMBOS, type Combo } from '../vocabulary/vocabulary.js'
import { catalogue } from '../../../../tests/core/shippedCatalogue.js'
import { signatureOf } from './signatureOf.js'

const fist = catalogue.exercises.get('fist-gentle')!

/** The composites of an entry with these poses, as "combo mode". */
function made(start: Pose, end: Pose, changes: Partial<Exercise> = {}): string[] {
  const entry: Exercise = { ...fist, start, shapes: [end], grip: 'none', ...changes }
  return signatureOf(entry, entry.dose, 'none').combos.map(({ combo, mode }) => `${combo} ${mode}`)
}
const fingers = (mcpFlexion: number, pipFlexion: number, dipFlexion: number): Pose => ({
  mcpFlexion,
  pipFlexion,
  dipFlexion,
})
const held = (holdSeconds: number) => ({ dose: { ...fist.dose, holdSeconds } })

// Source: derivation, composites; each limit from both sides.
describe('a composite', () => {
  it.each<[Combo, Pose, Pose, Pose]>([
    ['fist', fingers(0, 0, 0), fingers(45, 45, 20), fingers(45, 44, 20)],
    ['hook', fingers(0, 0, 0), fingers(20, 45, 30), fingers(21, 45, 30)],
    ['straight_fist', fingers(0, 0, 0), fingers(45, 45, 10), fingers(45, 45, 11)],
    ['tabletop', fingers(0, 0, 0), fingers(45, 20, 20), fingers(44, 20, 20)],
    ['intrinsic_minus', fingers(0, 0, 0), fingers(-15, 45, 30), fingers(-14, 45, 30)],
    ['orl_stretch', fingers(0, 0, 0), fingers(0, 15, 20), fingers(0, 15, 19)],
    [
      'cx_ext_wf',
      { wristFlexion: 0, ...fingers(15, 20, 0) },
      { wristFlexion: -20, ...fingers(15, 20, 0) },
      { wristFlexion: -19, ...fingers(15, 20, 0) },
    ],
    [
      'cx_flex_wf',
      { wristFlexion: 0, ...fingers(45, 45, 0) },
      { wristFlexion: 20, ...fingers(45, 45, 0) },
      { wristFlexion: 19, ...fingers(45, 45, 0) },
    ],
    [
      'cx_ext_th',
      { wristFlexion: 0, thumbMcpFlexion: 10, thumbIpFlexion: 10 },
      { wristFlexion: -20, thumbMcpFlexion: 10, thumbIpFlexion: 10 },
      { wristFlexion: -19, thumbMcpFlexion: 10, thumbIpFlexion: 10 },
    ],
    [
      'cx_flex_th',
      { thumbMcpFlexion: 0, thumbIpFlexion: 0, opposition: 0 },
      { thumbMcpFlexion: 30, thumbIpFlexion: 30, opposition: 6 },
      { thumbMcpFlexion: 30, thumbIpFlexion: 30, opposition: 5 },
    ],
    [
      'cx_flex_th_wf',
      { wristFlexion: 0, thumbMcpFlexion: 20, thumbIpFlexion: 20 },
      { wristFlexion: 15, thumbMcpFlexion: 20, thumbIpFlexion: 20 },
      { wristFlexion: 14, thumbMcpFlexion: 20, thumbIpFlexion: 20 },
    ],
    [
      'cx_flex_th_uln',
      { wristUlnarDeviation: 0, thumbMcpFlexion: 20 },
      { wristUlnarDeviation: 10, thumbMcpFlexion: 20 },
      { wristUlnarDeviation: 9, thumbMcpFlexion: 20 },
    ],
    [
      'bowstring',
      { wristFlexion: 15, ...fingers(0, 0, 0) },
      { wristFlexion: 15, ...fingers(30, 0, 0) },
      { wristFlexion: 14, ...fingers(30, 0, 0) },
    ],
  ])('%s begins at its limit and not before', (combo, start, at, before) => {
    expect(made(start, at)).toContain(`${combo} A`)
    expect(made(start, before).map((text) => text.split(' ')[0])).not.toContain(combo)
  })

  it('is made on the way as well, not only where it ends', () => {
    // Straight to a full fist passes no hook; over the hook it does.
    expect(made(fingers(0, 0, 0), fingers(85, 100, 65))).not.toContain('hook A')
    expect(
      made({ wristFlexion: -40, ...fingers(0, 0, 0) }, { wristFlexion: 40, ...fingers(0, 0, 0) }),
    ).toContain('cx_ext_wf A')
  })

  it('that the way there leaves behind is made on the way back, in its mode', () => {
    const opening = [fingers(60, 60, 40), fingers(60, 0, 0)] as const
    expect(made(...opening, { force: 'guided without pull' })).toEqual(['fist P', 'tabletop A'])
    expect(made(...opening, { force: 'placed then held' })).toEqual(['tabletop PH'])
  })

  it('of a kept position counts from five seconds', () => {
    const bent = { elbowFlexion: 90, wristFlexion: 0 }
    const moved = { elbowFlexion: 90, wristFlexion: 60 }
    expect(made(bent, moved, held(5))).toEqual(['phalen_hold A', 'elbow_flexion_hold A'])
    expect(made(bent, moved, held(4))).toEqual([])
  })

  it('of the ulnar nerve needs the arm away from the side, where its place is stated', () => {
    const at = (wristFlexion: number) => ({ elbowFlexion: 90, wristFlexion, ...fingers(15, 20, 0) })
    const beside = (pose: Pose) => ({ ...pose, shoulderAbduction: 0 })
    expect(made(at(0), at(-30), held(0))).toContain('cx_ulnar_full A')
    expect(made(beside(at(0)), beside(at(-30)), held(0))).not.toContain('cx_ulnar_full A')
  })

  it('comes from an entry of the catalogue, or stands in the list of those no entry makes', () => {
    const NO_ENTRY = ['cx_flex_th_wf', 'intrinsic_minus', 'cmc_adduction_pinch', 'mp_ulnar_load']
    const found = new Set(
      [...catalogue.exercises.values()].flatMap((one) =>
        signatureOf(one, one.dose, 'none').combos.map(({ combo }) => combo),
      ),
    )
    expect(COMBOS.filter((combo) => !found.has(combo)).sort()).toEqual([...NO_ENTRY].sort())
  })
})
