import { CoreError, type CoreErrorCode } from '../errors.js'
import {
  CONTINGENCY_MODES,
  COUNTED_AXES,
  COURSE_NUMBERS,
  COURSE_SLOTS,
  DOSE_AXES,
  TIMED_AXES,
  WINDOW_KINDS,
  type CourseDose,
  type CourseGate,
  type CourseInput,
  type CourseItem,
  type CourseRung,
  type CourseWindow,
  type DoseAxis,
} from '../progression/course.js'
import { DocumentReader } from '../reading/documentReader.js'

export const COURSE_FORMAT = 'pledge-course/1'
const [FIRST_DAY, LAST_DAY] = [-400, 4000]
const MOST_LISTED = 200

const refuse = (code: CoreErrorCode, path: string, message: string): never => {
  throw new CoreError(code, path, message)
}
const day = (reader: DocumentReader) => reader.integer(FIRST_DAY, LAST_DAY)
const whole = (low: number, high: number) => (reader: DocumentReader) => reader.integer(low, high)
const flag = (reader: DocumentReader) => reader.flag()

/** A list of so many; refused as a whole where it has more or fewer. */
function listOf<T>(
  reader: DocumentReader,
  [least, most]: readonly [number, number],
  read: (reader: DocumentReader) => T,
): T[] {
  const found = reader.list()
  if (found.length < least || found.length > most) reader.refuse(`a list of ${least} to ${most}`)
  return found.map(read)
}
function optionalListOf<T>(
  reader: DocumentReader,
  read: (reader: DocumentReader) => T,
  most = MOST_LISTED,
): T[] {
  return reader.isMissing ? [] : listOf(reader, [0, most], read)
}
/** Refuses a value that stands twice, at the later of the two. */
function once<T>(values: readonly T[], pathOf: (place: number) => string, what: string): void {
  values.forEach((value, place) => {
    if (values.indexOf(value) < place)
      refuse('DOCUMENT_INVALID', pathOf(place), `Expected each ${what} once, found ${String(value)} again.`)
  })
}
const texts = (reader: DocumentReader) =>
  [...new Set(optionalListOf(reader, (one) => one.text()))].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0))

/**
 * Reads a course file (`pledge-course/1`), parsed from YAML or JSON. Nothing is guessed: what is unknown, contradicts itself or points
 * nowhere is refused with its path.
 *
 * Source: `course-file.md`.
 *
 * @throws CoreError `DOCUMENT_INVALID`, `DOSE_OUT_OF_RANGE`, `COURSE_…`
 */
export function readCourseFile(document: unknown): CourseInput {
  const file = new DocumentReader(document).object([
    'format',
    'day',
    'blockFromDay',
    'horizonWeeks',
    'protocols',
    'contingency',
    'irritability',
    'limits',
    'items',
  ])
  file['format']!.oneOf([COURSE_FORMAT])
  const today = day(file['day']!)
  const blockFromDay = file['blockFromDay']!.optional(day) ?? today
  const horizonWeeks = file['horizonWeeks']!.integer(6, 16)
  if (today < blockFromDay || today >= blockFromDay + 7 * horizonWeeks)
    file['blockFromDay']!.at(blockFromDay).refuse('a block that today lies in')
  const span = { today, blockEnd: blockFromDay + 7 * horizonWeeks }
  const readers = file['items']!
  const items = listOf(readers, [1, 40], (reader) => readItem(reader, span))
  once(
    items.map(({ id }) => id),
    (place) => `items.${place}.id`,
    'id',
  )
  checkReferences(items)
  return {
    day: today,
    blockFromDay,
    horizonWeeks,
    protocols: optionalListOf(file['protocols']!, (one) => one.text()),
    contingency: readContingency(file['contingency']!, horizonWeeks),
    irritability: file['irritability']!.optional((one) => one.oneOf(['low', 'mod', 'high'])),
    limits: readLimits(file['limits']!),
    items: items.map(({ leftOut, ...item }) => ({
      ...item,
      ladder: item.ladder.filter(({ rung }) => !leftOut.includes(rung)),
    })),
  }
}

function readContingency(reader: DocumentReader, horizonWeeks: number): CourseInput['contingency'] {
  if (reader.isMissing) return { mode: null, weeks: [], used: [] }
  const found = reader.object(['mode', 'weeks', 'used'])
  const week = whole(1, horizonWeeks)
  const mode = found['mode']!.optional((one) => one.oneOf(CONTINGENCY_MODES))
  const hasWeeks = !found['weeks']!.isMissing
  if (hasWeeks !== (mode === 'weeks'))
    found['weeks']!.refuse(
      mode === 'weeks' ? 'a list of weeks with this mode' : 'no weeks without mode weeks',
    )
  const weeks = optionalListOf(found['weeks']!, week)
  const used = optionalListOf(found['used']!, week)
  once(weeks, (place) => `contingency.weeks.${place}`, 'week')
  once(used, (place) => `contingency.used.${place}`, 'week')
  return { mode, weeks, used }
}

function readLimits(reader: DocumentReader): CourseInput['limits'] {
  const usual = COURSE_NUMBERS.limits.value
  if (reader.isMissing) return usual
  const found = reader.object(['exercisesAtOnce', 'minutesPerBout', 'minutesPerDay'])
  return {
    exercisesAtOnce: found['exercisesAtOnce']!.optional(whole(1, 12)) ?? usual.exercisesAtOnce,
    minutesPerBout: found['minutesPerBout']!.optional(whole(1, 60)) ?? usual.minutesPerBout,
    minutesPerDay: found['minutesPerDay']!.optional(whole(1, 600)) ?? usual.minutesPerDay,
  }
}

type ReadItem = CourseItem & { readonly leftOut: readonly string[] }

function readItem(
  reader: DocumentReader,
  { today, blockEnd }: { today: number; blockEnd: number },
): ReadItem {
  const found = reader.object([
    'id',
    'slot',
    'sides',
    'turns',
    'priority',
    'startDay',
    'endDay',
    'current',
    'heldFrom',
    'leftOut',
    'alternatesWith',
    'replacedBy',
    'needs',
    'pins',
    'ladder',
  ])
  const at = (key: string) => found[key]!
  const ladder = listOf(at('ladder'), [1, 20], readRung)
  once(
    ladder.map(({ rung }) => rung),
    (place) => `${reader.path}.ladder.${place}.rung`,
    'rung',
  )
  const leftOut = optionalListOf(at('leftOut'), (one) => {
    const name = one.text()
    if (!ladder.some(({ rung }) => rung === name))
      refuse('COURSE_REFERENCE_UNKNOWN', one.path, `Expected a rung of this ladder, found ${name}.`)
    return name
  })
  if (ladder.every(({ rung }) => leftOut.includes(rung))) at('leftOut').refuse('a rung that is not left out')
  /** A rung that is there and not left out. */
  const rungAt = (one: DocumentReader): CourseRung => {
    const name = one.text()
    const rung = ladder.find((each) => each.rung === name)
    if (!rung || leftOut.includes(name))
      return refuse(
        'COURSE_REFERENCE_UNKNOWN',
        one.path,
        `Expected a rung that is not left out, found ${name}.`,
      )
    return rung
  }
  const startDay = at('startDay').optional(day)
  const endDay = at('endDay').optional(day)
  if (endDay !== null && endDay <= (startDay ?? today)) at('endDay').refuse('a day after the first')
  const current = at('current').optional((one) => {
    const standing = one.object(['rung', 'dose', 'daysOnStep', 'daysOnLoad', 'daysOnRung'])
    const rung = rungAt(standing['rung']!)
    const days = (key: string) => standing[key]!.optional(whole(0, LAST_DAY)) ?? 0
    return {
      rung: rung.rung,
      dose: standing['dose']!.optional((dose) => readDose(dose, rung)) ?? rung.startDose,
      daysOnStep: days('daysOnStep'),
      daysOnLoad: days('daysOnLoad'),
      daysOnRung: days('daysOnRung'),
    }
  })
  if (current && startDay !== null && startDay > today)
    at('startDay').refuse('no later start of an item that runs already')
  const pins = optionalListOf(at('pins'), (one) => {
    const pin = one.object(['day', 'rung', 'dose'])
    const rung = rungAt(pin['rung']!)
    return {
      day: day(pin['day']!),
      rung: rung.rung,
      dose: pin['dose']!.optional((dose) => readDose(dose, rung)) ?? rung.startDose,
    }
  })
  once(
    pins.map((pin) => pin.day),
    (place) => `${reader.path}.pins.${place}.day`,
    'day',
  )
  return {
    id: at('id').text(),
    slot: at('slot').optional((one) => one.oneOf(COURSE_SLOTS)),
    sides: at('sides').optional(whole(1, 2)) ?? 1,
    turns: at('turns').optional(whole(1, 10)) ?? 1,
    priority: at('priority').optional(whole(1, 9)) ?? 5,
    startDay: Math.max(today, startDay ?? today),
    endDay: endDay ?? blockEnd,
    current,
    heldFrom: at('heldFrom').optional(day),
    leftOut,
    alternatesWith: at('alternatesWith').optional((one) => one.text()),
    replacedBy: at('replacedBy').optional((one) => one.text()),
    needs: optionalListOf(at('needs'), (one) => {
      const need = one.object(['itemId', 'rung'])
      return { itemId: need['itemId']!.text(), rung: need['rung']!.text() }
    }),
    pins,
    ladder,
  }
}

function readRung(reader: DocumentReader): CourseRung {
  const found = reader.object([
    'rung',
    'exercise',
    'windows',
    'gates',
    'doseRange',
    'startDose',
    'grows',
    'growsBy',
    'minimumDays',
    'everyDays',
    'endRange',
    'slides',
    'shapes',
    'moveSeconds',
  ])
  const at = (key: string) => found[key]!
  const { range, loadSteps, isTimed } = readRange(at('doseRange'))
  const axes = DOSE_AXES.filter((axis) =>
    axis === 'load' ? loadSteps.length > 0 : range[axis] !== undefined,
  )
  const isEndRange = at('endRange').optional(flag) ?? false
  const isSlide = at('slides').optional(flag) ?? false
  const usual: DoseAxis[] = isTimed
    ? ['minutes']
    : isEndRange
      ? ['holdSeconds', 'repetitions']
      : ['repetitions']
  const axis = (one: DocumentReader) => one.oneOf(axes)
  const grows = at('grows').isMissing
    ? [...usual, ...(loadSteps.length > 0 ? (['load'] as const) : [])]
    : optionalListOf(at('grows'), axis)
  once(grows, (place) => `${at('grows').path}.${place}`, 'axis')
  checkForce(at('grows'), { range, isTimed, isEndRange, grows })
  if (isSlide && isEndRange)
    refuse('COURSE_NERVE_HELD', at('slides').path, 'A nerve that slides is not held at the end of its range.')
  if (isSlide && isTimed)
    refuse('COURSE_NERVE_UNCOUNTED', at('slides').path, 'Slides of a nerve are counted, not timed.')
  if (isSlide && (range.holdSeconds?.[1] ?? 0) > COURSE_NUMBERS.longestSlideHold.value)
    refuse('COURSE_NERVE_HELD', at('doseRange').path, 'A slide is held for five seconds at most.')
  const shape = { range, loadSteps, isTimed }
  const least = COURSE_NUMBERS.minimumDays.value
  const days = at('minimumDays').optional((one) => one.object(['step', 'load', 'rung']))
  return {
    rung: at('rung').text(),
    exercise: at('exercise').text(),
    windows: readWindows(at('windows')),
    gates: optionalListOf(at('gates'), (one) => readGate(one, axes)),
    range,
    loadSteps,
    isTimed,
    startDose: readDose(at('startDose'), shape),
    grows,
    growsBy: readGrowth(at('growsBy')),
    minimumDays: {
      step: days?.['step']!.optional(whole(1, 60)) ?? least.step,
      load: days?.['load']!.optional(whole(1, 60)) ?? least.load,
      rung: days?.['rung']!.optional(whole(1, 60)) ?? least.rung,
    },
    everyDays: at('everyDays').optional(whole(1, 2)) ?? 1,
    isEndRange,
    isSlide,
    shapes: at('shapes').optional(whole(1, 20)) ?? 1,
    moveSeconds: at('moveSeconds').optional(whole(1, 120)) ?? COURSE_NUMBERS.moveSeconds.value,
  }
}

/** Time before force: a stretch that grows in load grows in time first, where its time has a range. Source: A6 (high). */
function checkForce(
  reader: DocumentReader,
  { range, isTimed, isEndRange, grows }: Pick<CourseRung, 'range' | 'isTimed' | 'isEndRange' | 'grows'>,
): void {
  const load = grows.indexOf('load')
  if (!isEndRange || load < 0) return
  const time = isTimed ? 'minutes' : 'holdSeconds'
  const [low, high] = range[time]!
  const at = grows.indexOf(time)
  if (low < high && (at < 0 || at > load))
    refuse('COURSE_FORCE_BEFORE_TIME', reader.path, 'Time grows before force at the end of a range.')
}

const RANGES: Readonly<Record<Exclude<DoseAxis, 'load'>, readonly [number, number]>> = {
  sets: [1, 10],
  repetitions: [1, 60],
  holdSeconds: [0, 82_800],
  boutsPerDay: [1, 14],
  minutes: [1, 120],
}

function readRange(reader: DocumentReader): Pick<CourseRung, 'range' | 'loadSteps' | 'isTimed'> {
  const isTimed = 'minutes' in reader.anyObject()
  const axes = isTimed ? TIMED_AXES : COUNTED_AXES
  const found = reader.object([...axes, 'load'])
  const range = Object.fromEntries(
    axes.map((axis) => {
      const ends = found[axis]!
      const [low, high] = listOf(ends, [2, 2], whole(...RANGES[axis])) as [number, number]
      if (high < low) ends.list()[1]!.refuse('an upper end that is not below the lower')
      return [axis, [low, high]]
    }),
  )
  const loadSteps =
    found['load']!.optional((load) => {
      const { unit, steps } = load.object(['unit', 'steps'])
      unit!.oneOf(['kg', 'houseStep', 'effortPercent'])
      const values = listOf(steps!, [1, 30], (one) => one.number(0, 100))
      values.forEach((value, place) => {
        if (place > 0 && value <= values[place - 1]!)
          steps!.list()[place]!.refuse('a step above the one before')
      })
      return values
    }) ?? []
  return { range, loadSteps, isTimed }
}

/** A dose of a rung: every axis of its range, each within it; a load if and only if there are steps, and one of them. */
function readDose(
  reader: DocumentReader,
  { range, loadSteps, isTimed }: Pick<CourseRung, 'range' | 'loadSteps' | 'isTimed'>,
): CourseDose {
  const axes = isTimed ? TIMED_AXES : COUNTED_AXES
  const found = reader.object([...axes, 'load'])
  const dose = Object.fromEntries(
    axes.map((axis) => {
      const one = found[axis]!
      const value = one.integer(-1_000_000, 1_000_000)
      const [low, high] = range[axis]!
      if (value < low || value > high)
        refuse('DOSE_OUT_OF_RANGE', one.path, `Expected ${low} to ${high} for this rung, found ${value}.`)
      return [axis, value]
    }),
  )
  const load = found['load']!
  if (loadSteps.length === 0) {
    if (!load.isMissing) load.refuse('no load: this rung has no steps of it')
    return dose
  }
  const value = load.number(-1_000_000, 1_000_000)
  if (!loadSteps.includes(value))
    refuse(
      'DOSE_OUT_OF_RANGE',
      load.path,
      `Expected one of the steps ${loadSteps.join(', ')}, found ${value}.`,
    )
  return { ...dose, load: value }
}

function readGrowth(reader: DocumentReader): CourseRung['growsBy'] {
  const usual = COURSE_NUMBERS.growsBy.value
  if (reader.isMissing) return usual
  const most = { sets: 1, repetitions: 5, holdSeconds: 600, boutsPerDay: 1, minutes: 10 } as const
  const names = Object.keys(most) as (keyof typeof most)[]
  const found = reader.object(names)
  return Object.fromEntries(
    names.map((name) => [name, found[name]!.optional(whole(1, most[name])) ?? usual[name]]),
  )
}

function readWindows(reader: DocumentReader): CourseWindow[] {
  const windows = listOf(reader, [0, 100], (one): CourseWindow => {
    const found = one.object(['fromDay', 'toDay', 'kind', 'earliestDay', 'missing'])
    const fromDay = day(found['fromDay']!)
    const toDay = found['toDay']!.optional(day)
    if (toDay !== null && toDay <= fromDay) found['toDay']!.refuse('a day after the first')
    const kind = found['kind']!.oneOf(WINDOW_KINDS)
    const isNotYet = kind === 'not-yet'
    const earliest = found['earliestDay']!
    if ((earliest.value !== undefined) !== isNotYet)
      earliest.refuse(isNotYet ? 'the earliest day, or null' : 'no earliest day with this kind')
    const missing = texts(found['missing']!)
    if (!isNotYet && missing.length > 0) found['missing']!.refuse('nothing missing with this kind')
    return { fromDay, toDay, kind, earliestDay: earliest.optional(day), missing }
  })
  windows.forEach((window, place) => {
    const overlaps = windows
      .slice(0, place)
      .some(
        (other) =>
          (other.toDay === null || window.fromDay < other.toDay) &&
          (window.toDay === null || other.fromDay < window.toDay),
      )
    if (overlaps)
      refuse('COURSE_WINDOWS_OVERLAP', `${reader.path}.${place}`, 'Two windows of a rung share a day.')
  })
  return windows
}

function readGate(reader: DocumentReader, axes: readonly DoseAxis[]): CourseGate {
  const found = reader.object(['axis', 'above', 'fromDay', 'missing'])
  const axis = found['axis']!.oneOf(axes)
  const above = axis === 'load' ? found['above']!.number(0, 82_800) : found['above']!.integer(0, 82_800)
  if (found['fromDay']!.value === undefined) found['fromDay']!.refuse('a day, or null for never')
  return { axis, above, fromDay: found['fromDay']!.optional(day), missing: texts(found['missing']!) }
}

/** What points at another item points at one that is there, at one partner, and never in a circle. */
function checkReferences(items: readonly ReadItem[]): void {
  const itemOf = new Map(items.map((item) => [item.id, item]))
  const known = (id: string, path: string): ReadItem =>
    itemOf.get(id) ?? refuse('COURSE_REFERENCE_UNKNOWN', path, `Expected an item of this file, found ${id}.`)
  const partner = new Map<string, string>()
  items.forEach((item, place) => {
    const path = `items.${place}`
    if (item.replacedBy !== null) known(item.replacedBy, `${path}.replacedBy`)
    item.needs.forEach(({ itemId, rung }, at) => {
      const needed = known(itemId, `${path}.needs.${at}.itemId`)
      if (!needed.ladder.some((one) => one.rung === rung) || needed.leftOut.includes(rung))
        refuse(
          'COURSE_REFERENCE_UNKNOWN',
          `${path}.needs.${at}.rung`,
          `Expected a rung of ${itemId} that is not left out, found ${rung}.`,
        )
    })
    if (item.alternatesWith === null) return
    const other = known(item.alternatesWith, `${path}.alternatesWith`)
    const isTaken = (one: string, two: string) => partner.has(one) && partner.get(one) !== two
    if (other === item || isTaken(item.id, other.id) || isTaken(other.id, item.id))
      refuse('COURSE_PAIR', `${path}.alternatesWith`, 'An item takes turns with one other item.')
    partner.set(item.id, other.id)
    partner.set(other.id, item.id)
  })
  items.forEach((item, place) => {
    if (leadsBack(item, ({ replacedBy }) => (replacedBy === null ? [] : [replacedBy]), itemOf))
      refuse('COURSE_CYCLE', `items.${place}.replacedBy`, 'Following what replaces it leads back to it.')
    if (leadsBack(item, ({ needs }) => needs.map(({ itemId }) => itemId), itemOf))
      refuse('COURSE_CYCLE', `items.${place}.needs`, 'Following what it needs leads back to it.')
  })
}

function leadsBack(
  item: ReadItem,
  next: (item: ReadItem) => readonly string[],
  itemOf: ReadonlyMap<string, ReadItem>,
): boolean {
  const seen = new Set<string>()
  const open = [...next(item)]
  while (open.length > 0) {
    const id = open.pop()!
    if (id === item.id) return true
    if (seen.has(id)) continue
    seen.add(id)
    open.push(...next(itemOf.get(id)!))
  }
  return false
}
