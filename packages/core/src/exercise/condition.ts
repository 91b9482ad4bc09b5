import type { Criterion } from '../vocabulary/criterion.js'
import type { Said } from '../words/names.js'
import { readSaid } from '../protocol/readRule.js'
import { NERVE_BUDGET, type Irritability } from '../nerve/nerveBudget.js'
import { DocumentReader } from '../reading/documentReader.js'
import { STRUCTURE_NAMES } from './exerciseNames.js'
import { DEMANDS, STRESS_LEVELS, STRESS_MODES, type Demand, type StructureStress } from './exercise.js'

/** The last week a catalogue entry may name. */
export const LAST_WEEK = 52

/** The most stress a structure takes in a stretch of weeks; structures not named have no ceiling from the condition. */
export interface Ceiling {
  readonly fromWeek: number
  readonly limits: readonly StructureStress[]
}

/** The most a nerve takes while it is this irritable. */
export interface NerveCeiling {
  readonly irritability: Irritability
  readonly glide: StructureStress['level']
  readonly stretch: StructureStress['level']
}

/** What an exercise of a condition asks, and the week in which it usually starts there; 0 where none is stated. */
export interface ListedExercise {
  readonly demand: Demand
  readonly region: string
  readonly structures: readonly string[]
  readonly week: number
  /** What it waits for to be recorded, whatever the week. */
  readonly asks: Criterion | null
}

/** A condition the catalogue knows: its names, schools, and the clock its exercises follow. */
export interface Condition {
  readonly id: string
  readonly code: string
  readonly name: Readonly<Record<'en' | 'es', string>>
  readonly protocols: readonly string[]
  /** Whether a referral names the injured fingers; where not, every finger counts as injured. */
  readonly namesDigits: boolean
  /** Whether the injury itself takes protective feeling away: a nerve was repaired. */
  readonly isNumb: boolean
  readonly ceilings: readonly Ceiling[]
  /** Its own exercises, once the catalogue is put together: others are held against them. */
  readonly listed: readonly ListedExercise[]
  /** For conditions of a nerve, which go by irritability and not by weeks; from high to low, or empty. */
  readonly nerveCeilings: readonly NerveCeiling[]
  /** Usual earliest week by demand where a school differs from the exercises' own weeks. */
  readonly schoolWeeks: Readonly<Record<string, Readonly<Partial<Record<Demand, number>>>>>
  /** What to tell the patient, in plain words: what it is, what to change, breaks, the night, warm or cold. */
  readonly advice: readonly Said[]
  readonly source: { readonly key: string; readonly confidence: string }
}

/** @throws CoreError `DOCUMENT_INVALID` with the path and what was expected */
export function readCondition(document: unknown): Condition {
  const doc = new DocumentReader(document).object([
    'id',
    'code',
    'name',
    'protocols',
    'digits',
    'skin',
    'ceilings',
    'nerveCeilings',
    'schoolWeeks',
    'advice',
    'source',
  ])
  const name = doc['name']!.object(['en', 'es'])
  const source = doc['source']!.object(['key', 'confidence'])
  return {
    id: doc['id']!.text(),
    code: doc['code']!.text(),
    name: { en: name['en']!.text(), es: name['es']!.text() },
    protocols: doc['protocols']!.list().map((id) => id.text()),
    namesDigits: doc['digits']!.optional((word) => word.oneOf(['named', 'none'])) !== 'none',
    isNumb: doc['skin']!.optional((word) => word.oneOf(['numb'])) === 'numb',
    listed: [],
    ceilings: doc['ceilings']!.list().map((entry) => {
      const part = entry.object(['fromWeek', 'limits'])
      return {
        fromWeek: part['fromWeek']!.integer(0, LAST_WEEK),
        limits: part['limits']!.list().map((limit) => {
          const keys = limit.object(['structure', 'mode', 'level'])
          return {
            structure: keys['structure']!.oneOf(Object.keys(STRUCTURE_NAMES)),
            mode: keys['mode']!.oneOf(STRESS_MODES),
            level: keys['level']!.oneOf(STRESS_LEVELS),
          }
        }),
      }
    }),
    nerveCeilings: readNerveCeilings(doc['nerveCeilings']!),
    schoolWeeks: Object.fromEntries(
      Object.entries(doc['schoolWeeks']!.anyObject()).map(([protocol, weeks]) => {
        const part = weeks.object(DEMANDS)
        const stated = DEMANDS.filter((demand) => !part[demand]!.isMissing)
        return [
          protocol,
          Object.fromEntries(stated.map((demand) => [demand, part[demand]!.integer(0, LAST_WEEK)])),
        ]
      }),
    ),
    advice: doc['advice']!.optionalList().map(readSaid),
    source: {
      key: source['key']!.text(),
      confidence: source['confidence']!.oneOf(['high', 'medium', 'low']),
    },
  }
}

const IRRITABILITIES = Object.keys(NERVE_BUDGET) as Irritability[]

function readNerveCeilings(reader: DocumentReader): NerveCeiling[] {
  const ceilings = reader.optionalList().map((entry): NerveCeiling => {
    const part = entry.object(['irritability', 'glide', 'stretch'])
    return {
      irritability: part['irritability']!.oneOf(IRRITABILITIES),
      glide: part['glide']!.oneOf(STRESS_LEVELS),
      stretch: part['stretch']!.oneOf(STRESS_LEVELS),
    }
  })
  const named = ceilings.map(({ irritability }) => irritability).join()
  if (named !== '' && named !== IRRITABILITIES.join())
    reader.refuse(`each of ${IRRITABILITIES.join(', ')}, in this order`)
  return ceilings
}
