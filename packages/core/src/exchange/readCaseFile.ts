import { type ClinicalDay } from '../calendar/clinicalDay.js'
import { CoreError } from '../errors.js'
import { CONTRAINDICATIONS, type Contraindication, type Dose, type Exercise } from '../exercise/exercise.js'
import { DOSE_KEYS, DOSE_LIMITS, readDose } from '../exercise/readExercise.js'
import { criterionOf } from '../vocabulary/criterion.js'
import type { RecordedFact } from '../protocol/facts.js'
import type { Protocol } from '../protocol/protocol.js'
import { readArcs } from '../vocabulary/readWords.js'
import type { Binding } from '../protocol/bindProtocol.js'
import {
  ANCHORS,
  CRITERION_FLAGS,
  CRITERION_NUMBERS,
  CRITERION_ORDINALS,
  DIGITS,
  ORTHOSES,
  STATES,
  type Arcs,
  type CriterionName,
  type Digit,
  type Orthosis,
} from '../vocabulary/vocabulary.js'
import { DocumentReader } from '../reading/documentReader.js'
import { patientCaseOf, type CaseRecord } from '../record/patientCaseOf.js'
import { readOrder } from '../protocol/order.js'
import type { PatientCase } from '../verdict/patientCase.js'
import { readSignature, type Signature } from '../exercise/signature.js'
import type { Catalogue } from '../catalogue/catalogue.js'

const FILE_KEYS = ['format', 'today', 'day', 'patient', 'episode', 'episodes', 'exercises'] as const
const EPISODE_KEYS = [
  'condition',
  'protocol',
  'variant',
  'vars',
  'shifts',
  'side',
  'digits',
  'anchors',
  'recorded',
  'withdrawn',
  'assumeRecorded',
  'states',
  'redLock',
  'lastReview',
  'contraindications',
  'equipment',
  'orders',
] as const
/** A file that asks for more is broken or hostile. */
const MOST_EXERCISES = 2000
const MOST_RECORDS = 2000
const MOST_SHIFTS = 50

/** What a file asks about. */
export interface AskedExercise {
  readonly exercise: Exercise | null
  readonly signature: Signature | null
  readonly dose: Dose | null
  /** `null`: pre-filled with what the phase keeps on. */
  readonly orthosis: Orthosis | null
  readonly posture: Arcs | null
  readonly digits: readonly Digit[] | null
}

export interface ReadEpisode {
  readonly state: PatientCase
  readonly side: 'left' | 'right' | null
  readonly anchorDate: ClinicalDay | null
}

/** A case file as it was read. */
interface CaseFile {
  readonly today: ClinicalDay | null
  readonly episodes: readonly ReadEpisode[]
  /** Every exercise of the condition where the file names none. */
  readonly asked: readonly AskedExercise[]
  readonly namesExercises: boolean
}

/**
 * Reads a case file (`pledge-case/1`).
 *
 * @throws CoreError with the path of the field and what was expected
 */
export function readCaseFile(document: unknown, catalogue: Catalogue): CaseFile {
  const file = new DocumentReader(document).object(FILE_KEYS)
  file['format']!.oneOf(['pledge-case/1'])
  const today = file['today']!.optional((day) => day.clinicalDay())
  const dayGiven = file['day']!.optional((day) => day.integer(-400, 4000))
  if ((today === null) === (dayGiven === null))
    file['today']!.refuse('either today (a date) or day (a number), not both')
  readPatient(file['patient']!)
  if (file['episode']!.isMissing === file['episodes']!.isMissing)
    file['episode']!.refuse('either episode or episodes')
  const episodeReaders = file['episode']!.isMissing ? file['episodes']!.list() : [file['episode']!]
  if (episodeReaders.length === 0 || episodeReaders.length > 10) file['episodes']!.refuse('1 to 10 episodes')
  const episodes = episodeReaders.map((reader) => readEpisode(reader, catalogue, today, dayGiven))
  const asked = readExercises(file['exercises']!, episodes[0]!, catalogue)
  return { today, episodes, asked, namesExercises: !file['exercises']!.isMissing }
}

function readPatient(reader: DocumentReader): void {
  if (reader.isMissing) return
  const part = reader.object(['birthYear', 'sex', 'dominantHand'])
  part['birthYear']!.optional((year) => year.integer(1900, 2200))
  part['sex']!.optional((sex) => sex.oneOf(['female', 'male', 'other', 'unknown']))
  part['dominantHand']!.optional((hand) => hand.oneOf(['left', 'right', 'both']))
}

function readEpisode(
  reader: DocumentReader,
  catalogue: Catalogue,
  today: ClinicalDay | null,
  dayGiven: number | null,
): ReadEpisode {
  const part = reader.object(EPISODE_KEYS)
  const protocolId = part['protocol']!.text()
  const known = catalogue.protocols.get(protocolId)
  if (!known) {
    throw new CoreError(
      'PROTOCOL_UNKNOWN',
      part['protocol']!.path,
      `Expected a protocol of the catalogue (${[...catalogue.protocols.keys()].join(', ')}), found "${protocolId}".`,
    )
  }
  const conditionId = part['condition']!.optional((id) => id.text()) ?? known.condition
  if (conditionId !== known.condition)
    part['condition']!.refuse(`"${known.condition}", the condition of ${protocolId}`)
  const side = part['side']!.optional((word) => word.oneOf(['left', 'right'] as const))
  const { anchorDate, counted } = readDay(part['anchors']!, known, dayGiven)
  const assumeRecorded = part['assumeRecorded']!.optional((flag) => flag.flag()) ?? false
  const recorded = readList(part['recorded']!, MOST_RECORDS).map(readFact)
  const withdrawn = readList(part['withdrawn']!, MOST_RECORDS).map((item): RecordedFact => {
    const name = criterionOf(item.text())?.name ?? factName(item)
    return { what: name, value: false, date: null, withdrawn: true }
  })
  const atHome = part['equipment']!.optionalList().map((item) => item.text())
  const record: CaseRecord = {
    protocol: known,
    binding: readBinding(part),
    condition: catalogue.conditions.get(conditionId)!,
    counted,
    digits: part['digits']!.optionalList().map((digit): Digit => digit.oneOf(DIGITS)),
    facts: [...recorded, ...withdrawn],
    states: part['states']!.optionalList().map((state) => state.oneOf(STATES)),
    orders: readList(part['orders']!, 200).map((order, index) => readOrder(order, `order.${index + 1}`)),
    isLocked: part['redLock']!.optional((flag) => flag.flag()) ?? false,
    lastReviewOn: part['lastReview']!.optional((date) => date.clinicalDay()),
    contraindications: part['contraindications']!.optionalList().map((word): Contraindication =>
      word.oneOf(CONTRAINDICATIONS),
    ),
    isHealthAsked: assumeRecorded || !part['contraindications']!.isMissing,
    things: atHome.length > 0 ? atHome : null,
    // The format has no place for it.
    otherHand: 'well',
    assumeRecorded,
  }
  return {
    anchorDate,
    side,
    state: caseAt(part['vars']!.path.replace(/\.?vars$/, ''), record, catalogue, today),
  }
}

/** The case of a record; a refusal of its variant or values names the episode's own path. */
function caseAt(
  path: string,
  record: CaseRecord,
  catalogue: Catalogue,
  today: ClinicalDay | null,
): PatientCase {
  try {
    return patientCaseOf(record, catalogue, today)
  } catch (error) {
    if (!(error instanceof CoreError) || error.path.startsWith('episode')) throw error
    throw new CoreError(error.code, `${path}.${error.path}`, error.message)
  }
}

/** The episode's variant, values and shifts. */
function readBinding(part: Readonly<Record<string, DocumentReader>>): Binding {
  const vars = part['vars']!
  return {
    variant: part['variant']!.optional((variant) => variant.text()),
    values: vars.isMissing
      ? {}
      : Object.fromEntries(
          Object.entries(vars.anyObject()).map(([name, value]) => [name, value.number(-180, 180)]),
        ),
    shifts: readList(part['shifts']!, MOST_SHIFTS).map((shift) => {
      const pair = shift.list()
      if (pair.length !== 2) shift.refuse('[days, after-day]')
      return [pair[0]!.integer(-400, 400), pair[1]!.integer(0, 1000)] as const
    }),
  }
}

function readDay(anchors: DocumentReader, protocol: Protocol, dayGiven: number | null) {
  const part = anchors.isMissing ? null : anchors.object(ANCHORS)
  const dates = new Map(
    ANCHORS.map((anchor) => [anchor, part?.[anchor]!.optional((date) => date.clinicalDay()) ?? null]),
  )
  const anchorDate = dates.get(protocol.anchor) ?? null
  if (dayGiven !== null) return { anchorDate, counted: { day: dayGiven } }
  if (anchorDate === null) {
    new DocumentReader(undefined, `${anchors.path}.${protocol.anchor}`).refuse(
      `the date of ${protocol.anchor}: ${protocol.id} counts from it`,
    )
  }
  return { anchorDate, counted: { anchorOn: anchorDate!, slips: [] } }
}

function readList(reader: DocumentReader, most: number): DocumentReader[] {
  const items = reader.optionalList()
  if (items.length > most) reader.refuse(`at most ${most} entries`)
  return items
}

function factName(reader: DocumentReader): CriterionName {
  return reader.oneOf([...CRITERION_FLAGS, ...CRITERION_NUMBERS, 'irrit'])
}

function readFact(reader: DocumentReader): RecordedFact {
  const part = reader.object(['what', 'value', 'date'])
  const what = factName(part['what']!)
  const value = part['value']!
  const isNumber = (CRITERION_NUMBERS as readonly string[]).includes(what)
  const read = isNumber
    ? value.number(-180, 1000)
    : what === 'irrit'
      ? value.oneOf(CRITERION_ORDINALS.irrit)
      : (value.optional((flag) => flag.flag()) ?? true)
  return { what, value: read, date: part['date']!.optional((date) => date.clinicalDay()), withdrawn: false }
}

function readExercises(reader: DocumentReader, episode: ReadEpisode, catalogue: Catalogue): AskedExercise[] {
  if (reader.isMissing) {
    const fitting = [...catalogue.exercises.values()].filter((exercise) =>
      exercise.conditions.includes(episode.state.condition.id),
    )
    return fitting.map((exercise) => ({
      exercise,
      signature: null,
      dose: exercise.dose,
      orthosis: null,
      posture: null,
      digits: null,
    }))
  }
  return readList(reader, MOST_EXERCISES).map((item) => {
    const part = item.object(['id', 'in', 'posture', 'dose', 'digits', 'signature'])
    if (part['id']!.isMissing === part['signature']!.isMissing)
      item.refuse('either the id of a catalogue exercise or a signature')
    const digits = part['digits']!.optional((list) => list.list().map((digit): Digit => digit.oneOf(DIGITS)))
    if (!part['signature']!.isMissing) {
      for (const key of ['in', 'posture', 'dose'])
        if (!part[key]!.isMissing) part[key]!.refuse('nothing here: a signature states it itself')
      return {
        exercise: null,
        signature: readSignature(part['signature']!),
        dose: null,
        orthosis: null,
        posture: null,
        digits,
      }
    }
    const id = part['id']!.text()
    const exercise = catalogue.exercises.get(id)
    if (!exercise)
      throw new CoreError(
        'EXERCISE_UNKNOWN',
        part['id']!.path,
        `Expected an exercise of the catalogue, found "${id}".`,
      )
    return {
      exercise,
      signature: null,
      dose: part['dose']!.isMissing ? exercise.dose : readAskedDose(part['dose']!, exercise),
      orthosis: part['in']!.optional((word) => word.oneOf(ORTHOSES)) ?? 'none',
      posture: part['posture']!.optional(readArcs),
      digits,
    }
  })
}

function readAskedDose(reader: DocumentReader, exercise: Exercise): Dose {
  const { load } = reader.object([...DOSE_KEYS, 'load'])
  return {
    ...readDose(reader, DOSE_LIMITS, exercise.dose),
    load: load!.optional((value) => value.number(0, 200)) ?? exercise.dose.load,
  }
}
