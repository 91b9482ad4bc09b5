import { LAST_WEEK } from './condition.js'
import { readSaid } from '../protocol/readRule.js'
import { DocumentReader } from '../reading/documentReader.js'
import { criterionOf, type Criterion } from '../vocabulary/criterion.js'
import { DIGITS, NERVES, ORTHOSES, type Digit } from '../vocabulary/vocabulary.js'
import { readSignature } from './signature.js'
import { takesTurns } from './chosenDigits.js'
import * as shape from './exercise.js'
import { REGION_NAMES, STRUCTURE_NAMES } from './exerciseNames.js'
import * as picture from './pictureHints.js'

const KEYS = [
  'id',
  'family',
  'region',
  'demand',
  'conditions',
  'aims',
  'slot',
  'evidence',
  'start',
  'end',
  'mendedFinger',
  'force',
  'grip',
  'load',
  'equipment',
  'stress',
  'dose',
  'range',
  'safety',
  'gateWeeks',
  'ladder',
  'worn',
  'contact',
  'asks',
  'neverFor',
  'side',
  'otherHand',
  'digits',
  'turns',
  'oneAtATime',
  'pace',
  'contraindications',
  'careWith',
  'signature',
  'picture',
  'source',
  'text',
] as const

/** What a therapist may set at all; the entry's own range lies inside. */
export const DOSE_LIMITS: shape.DoseRange = {
  sets: [1, 10],
  repetitions: [1, 60],
  holdSeconds: [0, 82_800],
  boutsPerDay: [1, 14],
}

/**
 * Reads a catalogue exercise (parsed YAML): known words only, angles inside the editor's window, the dose inside its
 * own range, text in both languages, every joint stated at both ends.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the path and what was expected
 */
export function readExercise(document: unknown): shape.Exercise {
  const doc = new DocumentReader(document).object(KEYS)
  const start = readPose(doc['start']!)
  const endReader = doc['end']!
  const shapes = Array.isArray(endReader.value) ? endReader.list().map(readPose) : [readPose(endReader)]
  if (shapes.length === 0) endReader.refuse('at least one pose')
  for (const pose of shapes) {
    for (const name of shape.ANGLE_NAMES) {
      if ((pose[name] === undefined) !== (start[name] === undefined)) {
        endReader.refuse(`${name} at both ends: a joint stated at one end only is unknown at the other`)
      }
    }
  }
  const load = doc['load']!.optional((reader) => {
    const part = reader.object(['unit', 'steps', 'start'])
    const steps = part['steps']!.list().map((step) => step.number(0, 100))
    if (steps.length === 0) part['steps']!.refuse('at least one step')
    const start = part['start']!.optional((step) => step.number(0, 100)) ?? steps[0]!
    if (!steps.includes(start)) part['start']!.refuse('one of the steps')
    return { unit: part['unit']!.oneOf(shape.LOAD_UNITS), steps, start }
  })
  const range = readRange(doc['range']!)
  const dose = { ...readDose(doc['dose']!, range), load: load?.start ?? null }
  const safety = doc['safety']!.object(['painCap', 'maxRise', 'stop'])
  const ladder = doc['ladder']!.object(['easier', 'harder'])
  const texts = doc['text']!.object(['en', 'es'])
  const turns = doc['turns']!.oneOf(shape.TURNS)
  return {
    id: doc['id']!.text(),
    family: doc['family']!.oneOf(shape.FAMILIES),
    region: doc['region']!.oneOf(Object.keys(REGION_NAMES)),
    demand: doc['demand']!.oneOf(shape.DEMANDS),
    conditions: doc['conditions']!.list().map((id) => id.text()),
    aims: doc['aims']!.list().map((aim) => aim.oneOf(shape.AIMS)),
    slot: doc['slot']!.oneOf(shape.SLOTS),
    evidence: doc['evidence']!.oneOf(shape.EVIDENCE_LEVELS),
    start,
    shapes,
    ...(doc['mendedFinger']!.isMissing ? {} : { mendedFinger: readMended(doc['mendedFinger']!, start) }),
    force: doc['force']!.oneOf(shape.FORCES),
    grip: doc['grip']!.oneOf(shape.HAND_GRIPS),
    load: load && { unit: load.unit, steps: load.steps },
    equipment: doc['equipment']!.list().map((key) => key.text()),
    stress: doc['stress']!.list().map(readStress),
    dose,
    range,
    painCap: safety['painCap']!.integer(0, 10),
    maxRise: safety['maxRise']!.integer(0, 10),
    stop: safety['stop']!.list().map((code) => code.oneOf(shape.STOP_RULES)),
    gateWeeks: Object.fromEntries(
      Object.entries(doc['gateWeeks']!.anyObject()).map(([condition, week]) => [
        condition,
        week.integer(0, LAST_WEEK),
      ]),
    ),
    ...(doc['asks']!.isMissing ? {} : { asks: readAsks(doc['asks']!) }),
    ladder: {
      easier: ladder['easier']!.list().map((id) => id.text()),
      harder: ladder['harder']!.list().map((id) => id.text()),
    },
    ...(doc['worn']!.isMissing ? {} : { worn: doc['worn']!.list().map((word) => word.oneOf(ORTHOSES)) }),
    side: doc['side']!.oneOf(['one', 'each', 'both']),
    ...(doc['otherHand']!.isMissing ? {} : { otherHand: doc['otherHand']!.oneOf(shape.OTHER_HAND_USES) }),
    ...(doc['digits']!.isMissing ? {} : { digits: readDigits(doc['digits']!) }),
    turns,
    ...readOneAtATime(doc['oneAtATime']!, turns),
    ...(doc['pace']!.isMissing ? {} : { pace: readPace(doc['pace']!) }),
    contraindications: doc['contraindications']!.list().map((word) => word.oneOf(shape.CONTRAINDICATIONS)),
    ...(doc['careWith']!.isMissing
      ? {}
      : { careWith: doc['careWith']!.list().map((word) => word.oneOf(shape.CARE_WITH)) }),
    ...(doc['contact']!.isMissing ? {} : { contact: doc['contact']!.list().map(readContact) }),
    ...(doc['neverFor']!.isMissing ? {} : { neverFor: doc['neverFor']!.list().map(readNeverFor) }),
    written: readWritten(doc['signature']!),
    ...(doc['picture']!.isMissing ? {} : { picture: readPicture(doc['picture']!) }),
    sources: doc['source']!.list().map((line) => {
      const part = line.object(['key', 'confidence'])
      return { key: part['key']!.text(), confidence: part['confidence']!.oneOf(['high', 'medium', 'low']) }
    }),
    text: { en: readText(texts['en']!), es: readText(texts['es']!) },
  }
}

function readPose(reader: DocumentReader): shape.Pose {
  const part = reader.object(shape.ANGLE_NAMES)
  const stated = shape.ANGLE_NAMES.filter((name) => !part[name]!.isMissing)
  return Object.fromEntries(
    stated.map((name) => [
      name,
      part[name]!.number(shape.ANGLE_WINDOWS[name][0], shape.ANGLE_WINDOWS[name][1]),
    ]),
  )
}

/** Only finger joints, and those that the fingers state as well. */
function readMended(reader: DocumentReader, start: shape.Pose): shape.Pose {
  const mended = readPose(reader)
  const stray = Object.keys(mended).find(
    (name) => !/^(mcp|pip|dip)Flexion$/.test(name) || start[name as shape.AngleName] === undefined,
  )
  if (stray !== undefined)
    reader.refuse(`mcpFlexion, pipFlexion or dipFlexion as start and end state them, not ${stray}`)
  return mended
}

function readStress(reader: DocumentReader): shape.StructureStress {
  const part = reader.object(['structure', 'mode', 'level'])
  return {
    structure: part['structure']!.oneOf(Object.keys(STRUCTURE_NAMES)),
    mode: part['mode']!.oneOf(shape.STRESS_MODES),
    level: part['level']!.oneOf(shape.STRESS_LEVELS),
  }
}

/** The numbers of a dose beside its load. */
export const DOSE_KEYS = ['sets', 'repetitions', 'holdSeconds', 'boutsPerDay'] as const

function readRange(reader: DocumentReader): shape.DoseRange {
  const part = reader.object(DOSE_KEYS)
  return Object.fromEntries(
    DOSE_KEYS.map((key) => {
      const ends = part[key]!.list()
      if (ends.length !== 2) part[key]!.refuse('[least, most]')
      const least = ends[0]!.integer(...DOSE_LIMITS[key])
      return [key, [least, ends[1]!.integer(least, DOSE_LIMITS[key][1])] as const]
    }),
  ) as shape.DoseRange
}

/**
 * The one reader of a dose in a document: whole numbers within a range.
 *
 * @param otherwise - what an amount left out is; without it each must be stated
 */
export function readDose(
  reader: DocumentReader,
  range: shape.DoseRange = DOSE_LIMITS,
  otherwise: Omit<shape.Dose, 'load'> | null = null,
): Omit<shape.Dose, 'load'> {
  const part = reader.object([...DOSE_KEYS, ...(otherwise ? ['load'] : [])])
  const read = (key: (typeof DOSE_KEYS)[number]) =>
    otherwise && part[key]!.isMissing ? otherwise[key] : part[key]!.integer(...range[key])
  return {
    sets: read('sets'),
    repetitions: read('repetitions'),
    holdSeconds: read('holdSeconds'),
    boutsPerDay: read('boutsPerDay'),
  }
}

const WRITTEN_KEYS = ['motions', 'combos', 'grips', 'acts', 'kg', 'by', 'stress', 'technique'] as const

function readWritten(reader: DocumentReader): shape.WrittenSignature {
  if (reader.isMissing)
    return {
      motions: [],
      combos: [],
      grips: [],
      acts: [],
      kg: null,
      by: null,
      stress: [],
      technique: [],
      nerve: null,
    }
  const part = reader.object([...WRITTEN_KEYS, 'nerve'])
  const stated = WRITTEN_KEYS.filter((key) => !part[key]!.isMissing)
  const { motions, combos, grips, acts, kg, by, stress, technique } = readSignature(
    reader.at(Object.fromEntries(stated.map((key) => [key, part[key]!.value]))),
  )
  const nerve = part['nerve']!.optional((word) => word.oneOf(NERVES))
  return { motions, combos, grips, acts, kg, by, stress, technique, nerve }
}

function readAsks(reader: DocumentReader): Readonly<Record<string, Criterion>> {
  return Object.fromEntries(
    Object.entries(reader.anyObject()).map(([condition, line]) => {
      const read = criterionOf(line.text())
      return [condition, read ?? line.refuse('a criterion of the vocabulary')]
    }),
  )
}

function readContact(reader: DocumentReader): shape.Contact {
  const part = reader.object(['what', 'where'])
  return { what: part['what']!.oneOf(shape.CONTACTS), where: part['where']!.oneOf(shape.CONTACT_REGIONS) }
}

function readNeverFor(reader: DocumentReader): shape.NeverFor {
  const part = reader.object(['of', 'why'])
  return { of: part['of']!.list().map((id) => id.text()), why: readSaid(part['why']!) }
}

function readDigits(reader: DocumentReader): Digit[] {
  const digits = reader.list().map((word) => word.oneOf(DIGITS))
  if (digits.length === 0) reader.refuse('at least one digit; leave digits out where any will do')
  return digits
}

/** Digits that take turns go one at a time, and the entry says what becomes of the others. */
function readOneAtATime(
  reader: DocumentReader,
  turns: shape.Exercise['turns'],
): Pick<shape.Exercise, 'oneAtATime'> {
  if (!reader.isMissing) return { oneAtATime: reader.oneOf(shape.ONE_AT_A_TIME) }
  if (takesTurns({ turns })) reader.refuse(`${shape.ONE_AT_A_TIME.join(' or ')}: digits take turns here`)
  return {}
}

/** Seconds a repetition may take to move. */
const MOVE_SECONDS = [2, 120] as const

function readPace(reader: DocumentReader): shape.Pace {
  const part = reader.object(['moveSeconds', 'hold'])
  if (part['moveSeconds']!.isMissing && part['hold']!.isMissing)
    reader.refuse('moveSeconds, hold or both; leave pace out where both are as usual')
  return {
    ...(part['moveSeconds']!.isMissing ? {} : { moveSeconds: part['moveSeconds']!.number(...MOVE_SECONDS) }),
    ...(part['hold']!.isMissing ? {} : { hold: part['hold']!.oneOf(shape.HOLD_KINDS) }),
  }
}

function readPicture(reader: DocumentReader): picture.PictureHints {
  const part = reader.object(['view', 'digits', 'helper', 'push', 'props', 'toAndFro'])
  const given = <T>(key: string, read: (own: DocumentReader) => T) =>
    part[key]!.isMissing ? {} : { [key]: read(part[key]!) }
  return {
    ...given('view', (own) => own.oneOf(picture.PICTURE_VIEWS)),
    ...given('digits', (own) => own.list().map((word) => word.oneOf(picture.PICTURE_FINGERS))),
    ...given('helper', (own) => own.oneOf(picture.HELPER_PLACES)),
    ...given('push', (own) => own.oneOf(picture.PICTURE_PUSHES)),
    ...given('props', (own) => own.list().map((word) => word.oneOf(picture.PICTURE_PROPS))),
    ...(part['toAndFro']!.isMissing ? {} : { isToAndFro: part['toAndFro']!.flag() }),
  }
}

function readText(reader: DocumentReader): shape.ExerciseText {
  const part = reader.object(['name', 'reason', 'steps', 'shouldFeel', 'shouldNotFeel', 'mistake', 'before'])
  return {
    name: part['name']!.text(),
    reason: part['reason']!.text(),
    steps: part['steps']!.list().map((step) => step.text()),
    shouldFeel: part['shouldFeel']!.text(),
    shouldNotFeel: part['shouldNotFeel']!.text(),
    mistake: part['mistake']!.text(),
    before: part['before']!.text(),
  }
}
