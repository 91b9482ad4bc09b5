import { describe, expect, it } from 'vitest'
import { ANGLE_NAMES, ANGLE_WINDOWS, type Pose } from './exercise.js'
import { poseWords, positionWords } from './poseWords.js'

const fingers = (mcpFlexion: number, pipFlexion: number, dipFlexion: number): Pose => ({
  mcpFlexion,
  pipFlexion,
  dipFlexion,
})

describe('a position in words', () => {
  it.each<[string, Pose, string]>([
    ['a hook', fingers(0, 95, 60), 'fingers: big knuckles straight, middle joints and end joints fully bent'],
    ['a full fist', fingers(85, 100, 65), 'a full fist'],
    [
      'a tabletop',
      fingers(80, 0, 0),
      'fingers: big knuckles fully bent, middle joints and end joints straight',
    ],
    ['a flat hand', fingers(0, 0, 0), 'fingers straight'],
    [
      'a straight fist',
      fingers(85, 95, 0),
      'fingers: big knuckles and middle joints fully bent, end joints straight',
    ],
    ['knuckles pulled back', { mcpFlexion: -20 }, 'fingers: big knuckles bent back'],
    ['a wrist far back', { wristFlexion: -60 }, 'wrist far back'],
    ['a wrist held a little back', { wristFlexion: -20 }, 'wrist a little back'],
    [
      'a dart thrown',
      { wristFlexion: 35, wristUlnarDeviation: 25 },
      'wrist bent, wrist toward the little finger',
    ],
    ['a palm up', { forearmSupination: 80 }, 'palm up'],
    ['a thumb to the ring finger', { opposition: 5 }, 'thumb on the tip of the ring finger'],
    [
      'a thumb in front',
      { thumbPalmarAbduction: 45, thumbIpFlexion: 0 },
      'thumb out in front of the palm, thumb tip straight',
    ],
    ['an arm to the side', { shoulderAbduction: 90, elbowFlexion: 5 }, 'elbow straight; arm out to the side'],
    ['an arm that hangs', { shoulderFlexion: 0 }, 'arm at your side'],
    ['a head away', { neckSideBend: -25 }, 'head away from that arm'],
    ['nothing stated', {}, ''],
  ])('of %s', (_name, pose, words) => {
    expect(poseWords(pose).en).toBe(words)
  })

  it('never tells a joint the pose does not state', () => {
    expect(poseWords({ pipFlexion: 90 }).en).toBe('fingers: middle joints fully bent')
    expect(poseWords({ wristFlexion: 0 }).en).toBe('wrist straight')
  })

  it('says in Spanish the word that joints share once', () => {
    expect(poseWords(fingers(80, 0, 0)).es).toBe(
      'dedos: nudillos grandes del todo doblados, nudillos del medio y de la punta rectos',
    )
  })

  it('has words in both languages for every angle in its window', () => {
    for (const name of ANGLE_NAMES) {
      const [least, most] = ANGLE_WINDOWS[name]
      for (const degrees of [least, most]) {
        const { en, es } = poseWords({ [name]: degrees })
        if (name === 'opposition' && degrees === 0) continue
        expect([name, degrees, en !== '', es !== '']).toEqual([name, degrees, true, true])
        expect(`${en} ${es}`).not.toMatch(/undefined|null|NaN/)
      }
    }
  })

  it('of an exercise tells each shape once', () => {
    const told = positionWords({ start: fingers(0, 0, 0), shapes: [fingers(0, 95, 60), fingers(0, 94, 61)] })
    expect(told).toHaveLength(2)
  })
})
