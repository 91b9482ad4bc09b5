import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { CoreError, readExercise } from '@pledge/core'
import { parseYaml } from '../../packages/catalogue/src/loadCatalogue.js'
import { catalogueDirectory } from './shippedCatalogue.js'

const shipped = (path: string) =>
  parseYaml(readFileSync(join(catalogueDirectory, 'exercises', `${path}.yaml`), 'utf8')) as Record<
    string,
    unknown
  >
const curl = shipped('isotonic/band-elbow-curl')
const fist = shipped('active-range/fist-gentle')

/** The path at which an entry is refused and what was expected there; `null` when it is taken. */
function refusalOf(entry: object): { path: string; message: string } | null {
  try {
    readExercise(entry)
    return null
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    return { path: error.path, message: error.message }
  }
}
const text = (entry: Record<string, unknown>) => entry['text'] as { en: object; es: Record<string, unknown> }
const withoutKey = (of: Record<string, unknown>, key: string) =>
  Object.fromEntries(Object.entries(of).filter(([name]) => name !== key))

describe('an entry with a fault is refused whole, with the place and what was expected', () => {
  it.each<[string, object, string, RegExp]>([
    ['a key nobody knows', { ...fist, colour: 'red' }, 'colour', /colour|known/i],
    ['a key left out', withoutKey(fist, 'force'), 'force', /expected/i],
    ['a word nobody knows', { ...fist, force: 'pushed' }, 'force', /active/],
    ['a family nobody knows', { ...fist, family: 'yoga' }, 'family', /active-range/],
    [
      'an angle no joint reaches',
      { ...fist, end: { ...(fist['end'] as object), pipFlexion: 150 } },
      'end.pipFlexion',
      /115/,
    ],
    [
      'a joint stated at one end only',
      { ...fist, end: withoutKey(fist['end'] as Record<string, unknown>, 'dipFlexion') },
      'end',
      /dipFlexion at both ends/,
    ],
    ['no position to go to', { ...fist, end: [] }, 'end', /at least one pose/],
    [
      'a dose outside its own range',
      { ...fist, dose: { ...(fist['dose'] as object), repetitions: 55 } },
      'dose.repetitions',
      /55/,
    ],
    [
      'a range that begins above its end',
      { ...fist, range: { ...(fist['range'] as object), sets: [3, 1] } },
      'range.sets.1',
      /3/,
    ],
    ['a load without a step', { ...curl, load: { unit: 'kg', steps: [] } }, 'load.steps', /at least one/],
    ['a week after the last', { ...fist, gateWeeks: { 'distal-radius-fracture': 99 } }, 'gateWeeks', /52/],
    ['Spanish left out', { ...fist, text: { en: text(fist).en } }, 'text.es', /expected/i],
    [
      'a Spanish sentence left out',
      { ...fist, text: { ...text(fist), es: withoutKey(text(fist).es, 'mistake') } },
      'text.es.mistake',
      /expected/i,
    ],
    ['an orthosis nobody knows', { ...fist, worn: ['splint'] }, 'worn', /WRO/],
    ['no digit at all', { ...fist, digits: [] }, 'digits', /leave digits out/],
    ['a digit nobody has', { ...fist, digits: ['toe'] }, 'digits', /thumb/],
    [
      'turns that leave the others open',
      { ...fist, turns: 'digits in turn' },
      'oneAtATime',
      /others rest or/,
    ],
    ['others that fly', { ...fist, oneAtATime: 'others fly' }, 'oneAtATime', /others rest/],
    ['an empty pace', { ...fist, pace: {} }, 'pace', /moveSeconds, hold or both/],
    ['a movement of an hour', { ...fist, pace: { moveSeconds: 3600 } }, 'pace.moveSeconds', /120/],
    ['a hold nobody knows', { ...fist, pace: { hold: 'forever' } }, 'pace.hold', /going on/],
    ['another hand that flies', { ...fist, otherHand: 'flies' }, 'otherHand', /helps/],
    ['a mended wrist', { ...fist, mendedFinger: { wristFlexion: 0 } }, 'mendedFinger', /mcpFlexion/],
    [
      'a mended joint that the fingers leave open',
      { ...curl, mendedFinger: { mcpFlexion: 10 } },
      'mendedFinger',
      /as start and end state/,
    ],
    [
      'a signature that types what the angles tell',
      { ...fist, signature: { posture: { wrist: [0, 0] } } },
      'signature',
      /posture|known/i,
    ],
  ])('%s', (_case, entry, path, expected) => {
    const refusal = refusalOf(entry)
    expect(refusal).not.toBeNull()
    expect(refusal!.path.startsWith(path), refusal!.path).toBe(true)
    expect(`${refusal!.path} ${refusal!.message}`).toMatch(expected)
  })

  it('and taken as it is shipped', () => {
    expect(refusalOf(fist)).toBeNull()
    expect(refusalOf(curl)).toBeNull()
    expect(readExercise(fist)).not.toHaveProperty('pace')
  })
})
