import { describe, expect, it } from 'vitest'
import { ANGLE_NAMES, type Exercise } from '@pledge/core'
import { catalogue } from './shippedCatalogue.js'

/** Numbers of degrees and weeks that no field of the entry holds, and what holds them. */
const HELD_ELSEWHERE: Readonly<Record<string, string>> = {
  'mallet-droop-check-hold 10': 'what to do after it; the entry of the phase asks lag.dip<=10',
  'mallet-short-arc 10': 'the entry of the phase asks lag.dip<=10',
  'massage-ball-scar 2': 'rubbing a scar waits for day 14 (contactRules)',
  'middle-joint-bend-passive 8': 'gateWeeks of the central slip',
}
/** Exclusions that no field of the entry holds, and what holds them. */
const EXCLUDED_ELSEWHERE: Readonly<Record<string, string>> = {
  'fist-gentle': 'every tendon protocol guards the fist',
  'wrist-circles-open': 'circling is guarded by every protocol of the wrist',
  'edema-overhead-pump': 'every tendon protocol guards the fist',
  'band-wrist-back': 'the range the band is taken through, not for whom',
  'band-wrist-bend': 'the range the band is taken through, not for whom',
  'wrist-alphabet': 'circling is guarded by every protocol of the wrist',
  'ulnar-tension-straight-arm-turn': 'ceilings of nerve work by irritability',
  'tenodesis-splint': 'worn: the hinged orthosis of its schools',
  'putty-one-finger-curl': 'gateWeeks; earlier is an exception with a reason',
  'middle-joint-short-arc': 'who changes the template, not for whom',
  'template-arc-40': 'who changes it, not for whom',
  'template-arc-44': 'who changes it, not for whom',
}

/** Sentences of an entry that say for whom or from when it is. */
const sentencesOf = ({ text }: Exercise) =>
  [...text.en.steps, text.en.shouldNotFeel, text.en.mistake, text.en.before].flatMap((line) =>
    line.split(/(?<=\.) /),
  )
const exercises = [...catalogue.exercises.values()]

describe('what the words of an entry know, a field knows', () => {
  it('weeks', () => {
    const loose = exercises.flatMap((one) =>
      sentencesOf(one)
        .filter((line) => /\bweeks?\b/.test(line) && /\d/.test(line))
        .filter((line) => {
          const told = [...line.matchAll(/\d+/g)].map(([number]) => Number(number))
          const known = Object.values(one.gateWeeks)
          return !told.some((week) => known.includes(week) || HELD_ELSEWHERE[`${one.id} ${week}`])
        })
        .map((line) => `${one.id}: ${line}`),
    )
    expect(loose).toEqual([])
  })

  it('degrees', () => {
    const loose = exercises.flatMap((one) => {
      const poses = [one.start, ...one.shapes]
      const angles = poses.flatMap((pose) => ANGLE_NAMES.flatMap((name) => pose[name] ?? []).map(Math.abs))
      return sentencesOf(one).flatMap((line) =>
        [...line.matchAll(/(\d+)°(?! ?C)/g)]
          .filter(([, told]) => !angles.includes(Number(told)) && !HELD_ELSEWHERE[`${one.id} ${told}`])
          .map(() => `${one.id}: ${line}`),
      )
    })
    expect(loose).toEqual([])
  })

  it('exclusions', () => {
    const excludes =
      /\b(not|never) (after|with|while|if|on|in|until)\b|\bonly (with|when|if|on|the|from)\b|\bunless\b|\bexcept\b/i
    const loose = exercises
      .filter((one) => excludes.test(one.text.en.before))
      .filter((one) => {
        const fields = [
          one.contraindications,
          one.neverFor ?? [],
          one.contact ?? [],
          Object.keys(one.asks ?? {}),
        ]
        return fields.every((field) => field.length === 0) && !EXCLUDED_ELSEWHERE[one.id]
      })
      .map((one) => `${one.id}: ${one.text.en.before}`)
    expect(loose).toEqual([])
  })

  it('and no exception is left over', () => {
    for (const key of Object.keys(EXCLUDED_ELSEWHERE)) expect(catalogue.exercises.has(key), key).toBe(true)
    for (const key of Object.keys(HELD_ELSEWHERE)) {
      const [id, number] = key.split(' ') as [string, string]
      expect(sentencesOf(catalogue.exercises.get(id)!).join(' '), key).toContain(number)
    }
  })
})
