import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { syllable } from 'syllable'
import { describe, expect, it } from 'vitest'
import {
  ladderStep,
  minutesOfBout,
  resistanceOf,
  STRESS_LEVELS,
  type Exercise,
  type ExerciseText,
} from '@pledge/core'
import { addedExercises, catalogue, isAddedListing } from './shippedCatalogue.js'

// Source: the exercise document, printed there beside each entry and counted there by another program.
const document = JSON.parse(
  readFileSync(fileURLToPath(new URL('checks/data/exercise-document.json', import.meta.url)), 'utf8'),
) as { minutes: Record<string, number>; conditions: Record<string, number> }
const exercises = [...catalogue.exercises.values()].filter(({ id }) => !addedExercises.has(id))

it('every exercise of the document is there; any other stands in the list of those added', () => {
  expect(exercises.map(({ id }) => id).sort()).toEqual(Object.keys(document.minutes).sort())
  expect(exercises).toHaveLength(246)
})

it('what was added is there, and has a reason', () => {
  for (const [id, reason] of addedExercises) {
    expect(catalogue.exercises.has(id), id).toBe(true)
    expect(reason.length, `${id} needs a reason behind it`).toBeGreaterThan(10)
  }
})

describe('exercises of a condition', () => {
  /** Codes that are aims here, not conditions; and those two conditions share, of which each has its own part. */
  const AIMS = ['EDM', 'SCR', 'SEN', 'GEN']
  /** Counted under general upkeep alone; given to conditions in which nothing heals, so that somebody is offered it. */
  const UPKEEP = ['hand-shake-loose']
  const counted = exercises.filter(({ id }) => !UPKEEP.includes(id))
  const SHARED = ['FTR']
  const codes = Object.keys(document.conditions).filter((code) => ![...AIMS, ...SHARED].includes(code))
  it.each(codes)('of the code %s are as many as counted', (code) => {
    const conditions = [...catalogue.conditions.values()].filter((one) => one.code === code)
    expect(conditions.length).toBeGreaterThan(0)
    for (const { id } of conditions)
      expect(
        counted.filter((one) => one.conditions.includes(id) && !isAddedListing(one.id, id)),
      ).toHaveLength(document.conditions[code]!)
  })
  it('none is of no condition: nobody would be offered it', () => {
    expect(exercises.filter(({ conditions }) => conditions.length === 0)).toEqual([])
  })
  it('of the flexor code split into fingers and thumb, and together are as many', () => {
    const ids = [...catalogue.conditions.values()].filter(({ code }) => code === 'FTR').map(({ id }) => id)
    const both = exercises.filter((one) =>
      one.conditions.some((id) => ids.includes(id) && !isAddedListing(one.id, id)),
    )
    expect(both).toHaveLength(document.conditions['FTR']!)
  })
  it('every condition has some', () => {
    for (const { id } of catalogue.conditions.values())
      expect(exercises.filter((one) => one.conditions.includes(id)).length, id).toBeGreaterThanOrEqual(3)
  })
})

describe('minutes of a bout at the default dose', () => {
  // Each with its reason in docs/interpretations/exercises.md.
  const OTHERWISE = [
    'contrast-dip',
    'palm-up-open-stretch',
    'palm-down-open-stretch',
    'fingers-only-open-stretch',
    'finger-long-pull',
    'finger-bends-in-turn',
    'finger-walk-thumbwards',
    'finger-back-stretch-single',
    'fds-solo-bend',
    'glide-five-positions',
    'glide-hook-roll-flat',
    'glide-thumb-between',
    'iso-wrist-back-long',
    'iso-wrist-bend-long',
  ]
  it.each(exercises.filter(({ id }) => !OTHERWISE.includes(id)).map((one) => [one.id, one] as const))(
    'of %s are those printed, within the minute they are rounded to',
    (id, exercise) => {
      const minutes = minutesOfBout(exercise, exercise.dose, exercise.side === 'each' ? 2 : 1)
      expect(Math.abs(minutes - document.minutes[id]!), `${minutes}`).toBeLessThan(1)
    },
  )
  it.each(OTHERWISE)('%s is still read otherwise', (id) => {
    const exercise = catalogue.exercises.get(id)!
    const minutes = minutesOfBout(exercise, exercise.dose, exercise.side === 'each' ? 2 : 1)
    expect(Math.abs(minutes - document.minutes[id]!)).toBeGreaterThan(0.5)
  })
})

describe('ladders', () => {
  const steps = exercises.flatMap((easier) =>
    easier.ladder.harder.map((id) => [easier, catalogue.exercises.get(id)!] as const),
  )
  it('every step says on what it differs', () => {
    for (const [easier, harder] of steps)
      expect(ladderStep(easier, harder), `${easier.id} > ${harder.id}`).not.toEqual([])
  })

  const most = (exercise: Exercise) =>
    Math.max(
      0,
      ...exercise.stress
        .filter(({ mode }) => mode === 'resist' || mode === 'compress' || mode === 'torsion')
        .map(({ level }) => STRESS_LEVELS.indexOf(level)),
    )
  /** Steps that lower the load on purpose: the harder rung asks for control, range or skill instead. */
  const LIGHTER: Record<string, string> = {}
  it('no harder rung starts with a lighter load, except where the reason is written', () => {
    const lighter = steps
      .filter(
        ([easier, harder]) =>
          (resistanceOf(harder.load, harder.dose.load) ?? 0) <
            (resistanceOf(easier.load, easier.dose.load) ?? 0) && most(harder) < most(easier),
      )
      .map(([easier, harder]) => `${easier.id} > ${harder.id}`)
    expect(lighter.filter((step) => LIGHTER[step] === undefined)).toEqual([])
  })
})

describe('what a patient reads', () => {
  const sentences = ({ reason, steps, shouldFeel, shouldNotFeel, mistake }: ExerciseText) =>
    [reason, ...steps, shouldFeel, shouldNotFeel, mistake].flatMap((line) =>
      [...new Intl.Segmenter('en', { granularity: 'sentence' }).segment(line)].map(({ segment }) => segment),
    )
  const wordsOf = (text: string) =>
    [...new Intl.Segmenter('en', { granularity: 'word' }).segment(text)]
      .filter(({ isWordLike }) => isWordLike)
      .map(({ segment }) => segment)

  // Source: Flesch-Kincaid grade, from memory: 0.39 · words/sentence + 11.8 · syllables/word − 15.59.
  function gradeOf(text: ExerciseText): number {
    const lines = sentences(text)
    const words = lines.flatMap(wordsOf)
    const syllables = words.reduce((sum, word) => sum + Math.max(1, syllable(word)), 0)
    return 0.39 * (words.length / lines.length) + 11.8 * (syllables / words.length) - 15.59
  }
  // Source: Fernández-Huerta, from memory: 206.84 − 60 · syllables/word − 1.02 · words/sentence; 65 and more is easy.
  function easeOf(text: ExerciseText): number {
    const lines = sentences(text)
    const words = lines.flatMap(wordsOf)
    const syllables = words.reduce((sum, word) => sum + spanishSyllables(word), 0)
    return 206.84 - 60 * (syllables / words.length) - 1.02 * (words.length / lines.length)
  }
  /** Vowel groups: two strong vowels part, an accented weak one parts from its neighbor. */
  function spanishSyllables(word: string): number {
    const sounded = word
      .toLowerCase()
      .replace(/qu(?=[eiéí])|gu(?=[eiéí])/g, 'k')
      .replace(/y$/g, 'i')
    const nuclei = sounded.match(/[aeoáéó]|[íú]|[iuü]+(?![aeoáéó])|[iuü]/g)
    if (!nuclei) return 1
    // A weak vowel beside a strong one belongs to it.
    const weakBeside = sounded.match(/[iuü](?=[aeoáéó])|(?<=[aeoáéó])[iuü](?![aeoáéó])/g) ?? []
    return Math.max(1, nuclei.length - weakBeside.length)
  }
  it.each([
    ['mano', 2],
    ['muñeca', 3],
    ['puño', 2],
    ['articulación', 5],
    ['dedo', 2],
    ['hacia', 2],
    ['día', 2],
    ['suave', 2],
    ['pequeño', 3],
  ])('"%s" has %i syllables', (word, syllables) => expect(spanishSyllables(word)).toBe(syllables))

  it('is about grade six in English', () => {
    const grades = exercises.map(({ id, text }) => ({ id, grade: gradeOf(text.en) }))
    expect(grades.filter(({ grade }) => grade > 6)).toEqual([])
  })
  it('is easy in Spanish', () => {
    const eases = exercises.map(({ id, text }) => ({ id, ease: easeOf(text.es) }))
    expect(eases.filter(({ ease }) => ease < 65)).toEqual([])
  })
  it('is another text in each language, with as many steps', () => {
    for (const { id, text } of exercises) {
      expect(text.es.name, id).not.toBe(text.en.name)
      expect(text.es.steps.length, id).toBe(text.en.steps.length)
      for (const key of ['reason', 'shouldFeel', 'shouldNotFeel', 'mistake', 'before'] as const)
        expect(text.es[key], `${id} ${key}`).not.toBe(text.en[key])
    }
  })
  // The dose is told beside the steps, and a therapist may change it: a number in the steps would then be wrong.
  it('has no time in its steps that the dose says too', () => {
    const OF_ITS_OWN: Record<string, string> = {
      'edema-finger-wrap': 'when the color is looked at',
      'phone-break': 'how long the phone is used before',
      'contrast-dip': 'what is warm and what is cool of one round',
      'scar-gel-wear': 'where the first day begins',
    }
    const told =
      /\d+ ?(s|sec\w*|min\w*|h|hours?|segundos?|horas?)\b|(half a|two|two|ten|medio|dos|diez) (minut|second|segund)/i
    const twice = exercises.filter(
      ({ id, text }) =>
        !OF_ITS_OWN[id] && [...text.en.steps, ...text.es.steps].some((step) => told.test(step)),
    )
    expect(twice.map(({ id }) => id)).toEqual([])
  })
  it('"make sure" is said as it should be, never by the bad sign alone', () => {
    const sign =
      /^(pain|tingling|numb|burning|swelling|a (snap|click|pop)|dolor|hormigueo|ardor|hinchazón)\b(?!.* (is fine|está bien))/i
    const bare = exercises.filter(
      ({ text }) => sign.test(text.en.shouldNotFeel) || sign.test(text.es.shouldNotFeel),
    )
    expect(bare.map(({ id, text }) => [id, text.en.shouldNotFeel, text.es.shouldNotFeel])).toEqual([])
  })
  it('has a name of its own', () => {
    for (const language of ['en', 'es'] as const) {
      const names = exercises.map(({ text }) => text[language].name)
      expect(names.filter((name, place) => names.indexOf(name) !== place)).toEqual([])
    }
  })
})
