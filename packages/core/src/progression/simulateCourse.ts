import { slidesOf } from './burden.js'
import { easyDose } from './contingency.js'
import { COURSE_NUMBERS } from './course.js'
import type {
  ClosedReason,
  CourseConflict,
  CourseDose,
  CourseInput,
  CourseItem,
  CoursePin,
  CourseRung,
  ItemWarning,
  OpenKind,
  StepChange,
} from './course.js'
import { growingAxis, grownDose, lowerDose } from './growth.js'
import { rungStatus, type RungStatus } from './rungStatus.js'

/** What is planned of an item on a day. */
export interface PlannedDay {
  readonly day: number
  readonly rung: CourseRung
  readonly dose: CourseDose
  /** Before an easy week halved it. */
  readonly fullDose: CourseDose
  readonly kind: OpenKind
  readonly criteria: readonly string[]
  readonly changed: StepChange
  readonly isDone: boolean
}
/** Why nothing is. */
export interface ClosedDay {
  readonly day: number
  readonly reason: ClosedReason
  readonly rung: string | null
  readonly missing: readonly string[]
  readonly earliestDay: number | null
}
export interface SimulatedItem {
  readonly item: CourseItem
  readonly fromDay: number
  readonly toDay: number
  readonly firstPointer: number
  readonly planned: readonly PlannedDay[]
  readonly closed: readonly ClosedDay[]
  readonly warnings: readonly ItemWarning[]
  readonly conflicts: readonly CourseConflict[]
}

/** An item while its days go by. */
interface Row {
  readonly item: CourseItem
  readonly fromDay: number
  readonly toDay: number
  readonly firstPointer: number
  isStarted: boolean
  pointer: number
  dose: CourseDose
  daysOnStep: number
  daysOnLoad: number
  daysOnRung: number
  gap: number
  pin: CoursePin | null
  waited: CoursePin | null
  readonly reached: Map<string, { day: number; criteria: readonly string[] }>
  inherited: readonly string[]
  readonly planned: Map<number, PlannedDay>
  readonly closed: ClosedDay[]
  readonly warnings: ItemWarning[]
  readonly conflicts: CourseConflict[]
  /** The criteria of its first step; `null`: it has none yet. */
  first: readonly string[] | null
}

/**
 * The days of a course, one after another: what each item stands on, when it grows, steps up, waits, is eased or goes back.
 *
 * Source: `course.md` 5, steps 1 to 9.
 *
 * @param isEasyWeek - whether a week of the block is a contingency week
 */
export function simulateCourse(
  input: CourseInput,
  isEasyWeek: (week: number) => boolean,
  slidesBudget: number,
): SimulatedItem[] {
  const { day: today, blockFromDay } = input
  const blockEnd = blockFromDay + 7 * input.horizonWeeks
  const rows = input.items.map((item) => rowOf(item, today, blockEnd))
  const rowOfId = new Map(rows.map((row) => [row.item.id, row]))
  const partnerOf = pairs(input.items)
  const order = inOrder(rows, rowOfId)
  const isEasy = (day: number) => isEasyWeek(Math.floor((day - blockFromDay) / 7) + 1)

  /** Whether an item is done on a day, at a rung: pairs take turns, first of the two on even days of the block. */
  function isDoneOn({ item }: Row, rung: CourseRung, day: number): boolean {
    const since = day - blockFromDay
    const partner = partnerOf.get(item.id)
    if (partner === undefined) return since % rung.everyDays === 0
    const isFirst = input.items.findIndex(({ id }) => id === item.id || id === partner)
    return since % 2 === (input.items[isFirst]!.id === item.id ? 0 : 1)
  }

  for (let day = today; day < blockEnd; day += 1) {
    let hasNerveStep = false
    for (const row of order) {
      if (day < row.fromDay || day >= row.toDay) continue
      const easy = isEasy(day)
      const pinOfDay = row.item.pins.find((pin) => pin.day === day)
      if (pinOfDay) row.pin = pinOfDay
      const blocked = blockOf(row, day)
      if (blocked) {
        if (row.pin) row.conflicts.push(pinConflict(row, 'pinBlocked', blocked.reason))
        row.pin = null
        row.closed.push({ day, rung: null, earliestDay: null, ...blocked })
        continue
      }
      if (!row.isStarted) row.inherited = inheritedOf(row)
      planDay(row, day, easy)
    }

    function planDay(row: Row, day: number, easy: boolean): void {
      const wasStarted = row.isStarted
      const statusAt = (rung: CourseRung, dose: CourseDose) =>
        rungStatus(rung, dose, day, today, row.inherited)
      let changed: StepChange | null = null
      // A pin.
      if (row.pin) {
        const at = row.item.ladder.findIndex(({ rung }) => rung === row.pin!.rung)
        if (easy && !(row.isStarted && at < row.pointer)) {
          if (row.waited !== row.pin) row.conflicts.push(pinConflict(row, 'pinWaits', 'contingency'))
          row.waited = row.pin
        } else {
          const status = statusAt(row.item.ladder[at]!, row.pin.dose)
          if (status.isOpen) {
            move(row, at, row.pin.dose)
            row.gap = 0
            changed = 'pin'
          } else row.conflicts.push(pinConflict(row, 'pinClosed', status.reason))
          row.pin = null
        }
      }
      if (easy && !row.isStarted) {
        row.closed.push({ day, reason: 'contingency', rung: null, missing: [], earliestDay: null })
        return
      }
      // Its own rung, or an easier one meanwhile.
      let rung = row.item.ladder[row.pointer]!
      let isMeanwhile = false
      let fullDose = row.dose
      const own = statusAt(rung, row.dose)
      if (!own.isOpen) {
        if (row.isStarted) row.gap += 1
        const lower = row.isStarted ? openBelow(row, statusAt) : -1
        if (lower < 0) {
          const { reason, missing, earliestDay } = own
          row.closed.push({ day, reason, rung: rung.rung, missing, earliestDay })
          return
        }
        rung = row.item.ladder[lower]!
        fullDose = rung.startDose
        isMeanwhile = true
        const before = row.planned.get(day - 1)
        if (!before || before.rung !== rung) changed ??= 'easier'
      } else if (row.gap >= 1) {
        comeBack(row, statusAt)
        changed ??= 'resume'
      } else if (wasStarted && changed === null && !easy) {
        changed = grow(row, day, statusAt)
      }
      if (!isMeanwhile) {
        rung = row.item.ladder[row.pointer]!
        fullDose = row.dose
      }
      const isDone = isDoneOn(row, rung, day)
      if (!isMeanwhile) {
        if (easy) row.daysOnStep = 0
        else {
          row.daysOnLoad += 1
          row.daysOnRung += 1
          if (isDone) row.daysOnStep += 1
        }
      }
      const dose = easy ? easyDose(rung, fullDose) : fullDose
      if (!dose) {
        row.closed.push({ day, reason: 'contingency', rung: null, missing: [], earliestDay: null })
        return
      }
      const status = statusAt(rung, fullDose) as Extract<RungStatus, { isOpen: true }>
      row.isStarted = true
      if (!isMeanwhile)
        for (const { rung: name } of row.item.ladder.slice(0, row.pointer + 1))
          if (!row.reached.has(name)) row.reached.set(name, { day, criteria: status.criteria })
      const wasEasy = day - 1 >= today && wasStarted && isEasy(day - 1)
      row.planned.set(day, {
        day,
        rung,
        dose,
        fullDose,
        kind: status.kind,
        criteria: status.criteria,
        changed: firstOf(row, changed, easy, wasEasy),
        isDone,
      })
      row.first ??= status.criteria
    }

    /** What the first day of a step is called, by the first that fits. */
    function firstOf(row: Row, changed: StepChange | null, easy: boolean, wasEasy: boolean): StepChange {
      if (row.planned.size === 0) return 'start'
      if (changed === 'pin' || changed === 'resume' || changed === 'easier') return changed
      if (easy && !wasEasy) return 'flare'
      if (!easy && wasEasy) return 'return'
      return changed ?? 'window'
    }

    /** At most one thing grows on a day. Tells which. */
    function grow(row: Row, day: number, statusAt: StatusAt): StepChange | null {
      const { item } = row
      const rung = item.ladder[row.pointer]!
      const { minimumDays, loadSteps } = rung
      if (item.heldFrom !== null && day >= item.heldFrom) return null
      if (!isDoneOn(row, rung, day) || row.daysOnStep < minimumDays.step) return null
      const isLoadYoung = loadSteps.length > 0 && row.daysOnLoad < minimumDays.load
      const axis = growingAxis(rung, row.dose)
      if (axis !== null) {
        if ((axis === 'load' || axis === 'sets') && isLoadYoung) return null
        const dose = grownDose(rung, row.dose, axis)
        const status = statusAt(rung, dose)
        if (!status.isOpen) {
          if (status.reason === 'gate')
            warn(row, { code: 'heldByGate', day, rung: rung.rung, axis, next: null })
          return null
        }
        if (breaksBudget(row, day, rung, dose)) return null
        row.dose = dose
        row.daysOnStep = 0
        if (axis === 'load') row.daysOnLoad = 0
        return axis
      }
      if (row.daysOnRung < minimumDays.rung || isLoadYoung) return null
      const next = item.ladder[row.pointer + 1]
      if (!next) return null
      const status = statusAt(next, next.startDose)
      if (!status.isOpen) {
        if (status.reason !== 'criteria')
          warn(row, { code: 'waitsForRung', day, rung: rung.rung, axis: null, next: next.rung })
        return null
      }
      if (breaksBudget(row, day, next, next.startDose)) return null
      move(row, row.pointer + 1, next.startDose)
      return 'rung'
    }

    /** Whether a step would ask more slides of the nerve than its budget; one nerve step a day. */
    function breaksBudget(row: Row, day: number, rung: CourseRung, dose: CourseDose): boolean {
      const slides = slidesOf(row.item, rung, dose)
      if (slides <= slidesOf(row.item, row.item.ladder[row.pointer]!, row.dose)) return false
      if (hasNerveStep) return true
      if (slides + slidesOfOthers(row, day) > slidesBudget) {
        const own = row.item.ladder[row.pointer]!
        warn(row, { code: 'heldByBudget', day, rung: own.rung, axis: null, next: null })
        return true
      }
      hasNerveStep = true
      return false
    }
  }

  /** Slides of the other items the day before, of a pair the larger. */
  function slidesOfOthers(row: Row, day: number): number {
    const partner = partnerOf.get(row.item.id)
    const counted = rows
      .filter((one) => one !== row && one.item.id !== partner)
      .map((one) => ({ id: one.item.id, slides: slidesBefore(one, day) }))
    return counted.reduce((sum, { id, slides }) => {
      const other = counted.find((one) => one.id === partnerOf.get(id))
      if (!other) return sum + slides
      // Of equals the first of the two.
      const isLarger =
        slides > other.slides ||
        (slides === other.slides && counted.findIndex((one) => one.id === id) < counted.indexOf(other))
      return isLarger ? sum + slides : sum
    }, 0)
  }
  function slidesBefore(one: Row, day: number): number {
    if (day === today) {
      const { current, ladder } = one.item
      if (!current || one.fromDay >= one.toDay) return 0
      return slidesOf(
        one.item,
        ladder.find(({ rung }) => rung === current.rung)!,
        current.dose,
      )
    }
    const before = one.planned.get(day - 1)
    return before ? slidesOf(one.item, before.rung, before.fullDose) : 0
  }

  /** Why an item waits whatever its own rungs say: something stands in its place for good, or what it builds on was not reached. */
  function blockOf(row: Row, day: number): Pick<ClosedDay, 'reason' | 'missing'> | null {
    for (let name = row.item.replacedBy; name !== null;) {
      const replacer = rowOfId.get(name)!
      if (replacer.first) return { reason: 'replaced', missing: replacer.first }
      name = replacer.item.replacedBy
    }
    if (row.isStarted) return null
    const isReached = row.item.needs.every(({ itemId, rung }) => {
      const found = rowOfId.get(itemId)!.reached.get(rung)
      return found !== undefined && found.day < day
    })
    return isReached ? null : { reason: 'needs', missing: [] }
  }
  function inheritedOf(row: Row): readonly string[] {
    const { needs } = row.item
    if (needs.length === 0) return []
    return [
      ...new Set(needs.flatMap(({ itemId, rung }) => rowOfId.get(itemId)!.reached.get(rung)!.criteria)),
    ].sort()
  }

  return rows.map((row) => ({
    ...row,
    planned: [...row.planned.values()],
    conflicts: [...outside(row, today), ...row.conflicts],
  }))
}

type StatusAt = (rung: CourseRung, dose: CourseDose) => RungStatus

function rowOf(item: CourseItem, today: number, blockEnd: number): Row {
  const { current, ladder } = item
  const pointer = current ? ladder.findIndex(({ rung }) => rung === current.rung) : 0
  const reached = current ? ladder.slice(0, pointer + 1) : []
  return {
    item,
    fromDay: Math.max(today, item.startDay),
    toDay: Math.min(blockEnd, item.endDay),
    firstPointer: pointer,
    isStarted: current !== null,
    pointer,
    dose: current?.dose ?? ladder[0]!.startDose,
    daysOnStep: current?.daysOnStep ?? 0,
    daysOnLoad: current?.daysOnLoad ?? 0,
    daysOnRung: current?.daysOnRung ?? 0,
    gap: 0,
    pin: null,
    waited: null,
    reached: new Map(reached.map(({ rung }) => [rung, { day: today - 1, criteria: [] }])),
    inherited: [],
    planned: new Map(),
    closed: [],
    warnings: [],
    conflicts: [],
    first: null,
  }
}

function move(row: Row, pointer: number, dose: CourseDose): void {
  row.pointer = pointer
  row.dose = dose
  row.daysOnStep = 0
  row.daysOnLoad = 0
  row.daysOnRung = 0
}

/** The highest rung below its own that is open at its start dose; −1: none. */
function openBelow(row: Row, statusAt: StatusAt): number {
  for (let at = row.pointer - 1; at >= 0; at -= 1) {
    const rung = row.item.ladder[at]!
    if (statusAt(rung, rung.startDose).isOpen) return at
  }
  return -1
}

/** Back after days that were shut: the same dose after two days, the start dose from three on, one rung back from seven on. */
function comeBack(row: Row, statusAt: StatusAt): void {
  const lower = row.item.ladder[row.pointer - 1]
  if (row.gap >= COURSE_NUMBERS.gapToRungBack.value && lower && statusAt(lower, lower.startDose).isOpen)
    move(row, row.pointer - 1, lower.startDose)
  else if (row.gap >= COURSE_NUMBERS.gapToStartDose.value)
    move(row, row.pointer, lowerDose(row.dose, row.item.ladder[row.pointer]!.startDose))
  row.gap = 0
  row.daysOnStep = 0
}

function pinConflict(
  row: Row,
  code: 'pinBlocked' | 'pinWaits' | 'pinClosed',
  reason: ClosedReason,
): CourseConflict {
  return { code, itemId: row.item.id, day: row.pin!.day, rung: row.pin!.rung, reason, weeks: [] }
}

/** Pins from today on that lie outside the span of their item. */
function outside({ item, fromDay, toDay }: Row, today: number): CourseConflict[] {
  return item.pins
    .filter(({ day }) => day >= today && (day < fromDay || day >= toDay))
    .map(({ day, rung }) => ({
      code: 'pinOutside',
      itemId: item.id,
      day,
      rung,
      reason: 'outside',
      weeks: [],
    }))
}

/** Each warning once per rung, and per axis or next rung. */
function warn(row: Row, warning: ItemWarning): void {
  const isKnown = row.warnings.some(
    ({ code, rung, axis, next }) =>
      code === warning.code && rung === warning.rung && axis === warning.axis && next === warning.next,
  )
  if (!isKnown) row.warnings.push(warning)
}

/** Each item of a pair with its partner; said by one of the two or by both. */
function pairs(items: readonly CourseItem[]): ReadonlyMap<string, string> {
  return new Map(
    items.flatMap(({ id, alternatesWith }): [string, string][] =>
      alternatesWith === null
        ? []
        : [
            [id, alternatesWith],
            [alternatesWith, id],
          ],
    ),
  )
}

/** In the order of the file, except that an item comes after the one that replaces it. */
function inOrder(rows: readonly Row[], rowOfId: ReadonlyMap<string, Row>): Row[] {
  const taken = new Set<Row>()
  while (taken.size < rows.length) {
    const next = rows.find((row) => {
      const replacer = row.item.replacedBy === null ? null : rowOfId.get(row.item.replacedBy)!
      return !taken.has(row) && (replacer === null || taken.has(replacer))
    })!
    taken.add(next)
  }
  return [...taken]
}
