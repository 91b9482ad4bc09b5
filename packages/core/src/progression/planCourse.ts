import { boutSeconds, endRangeSeconds, slidesOf } from './burden.js'
import { contingencyOf } from './contingency.js'
import {
  COUNTED_AXES,
  COURSE_NUMBERS,
  TIMED_AXES,
  type ClosedSpan,
  type CourseConflict,
  type CourseDose,
  type CourseInput,
  type CoursePlan,
  type CourseRow,
  type CourseRung,
  type CourseStep,
  type CourseWeek,
  type ItemWarning,
  type WeekWarning,
} from './course.js'
import { rungStatus } from './rungStatus.js'
import { simulateCourse, type ClosedDay, type PlannedDay, type SimulatedItem } from './simulateCourse.js'

/**
 * The planned weeks of a program: each item's steps and what shuts it, what the weeks ask of a day, where easy weeks lie, and what stands
 * in the way of signing. A plan, not a permission: results, clearances and the therapist change it, and it is computed anew.
 *
 * Source: `course.md`.
 */
export function planCourse(input: CourseInput): CoursePlan {
  const contingency = contingencyOf(input)
  const isEasy = (week: number) => contingency.weeks.includes(week)
  const slidesBudget = COURSE_NUMBERS.slidesPerDay.value[input.irritability ?? 'high']
  const rows = simulateCourse(input, isEasy, slidesBudget)
  const paired = new Set(
    input.items.flatMap(({ id, alternatesWith }) => (alternatesWith === null ? [] : [id, alternatesWith])),
  )
  const items = rows.map((row) => rowOf(row, input, paired.has(row.item.id)))
  const weeks = weeksOf(rows, input, isEasy, slidesBudget)
  const conflicts = conflictsOf(rows, input, contingency)
  const overBudget = weeks.flatMap(({ warnings }) => warnings).find(({ code }) => code === 'nerveBudget')
  const { mode, reserved, used, weeks: easy, reserveLeft } = contingency
  return {
    day: input.day,
    endDay: input.blockFromDay + 7 * input.horizonWeeks,
    slidesBudget,
    contingency: { mode, reserved, used, weeks: easy },
    reserveLeft,
    items,
    weeks,
    conflicts,
    notSignable: [
      ...items.flatMap(({ id, warnings }) =>
        warnings.some(({ code }) => code === 'nothingOpen')
          ? [{ code: 'nothingOpen' as const, itemId: id, day: null }]
          : [],
      ),
      ...conflicts.flatMap(({ code, itemId, day }) => (code === 'pinClosed' ? [{ code, itemId, day }] : [])),
      ...(overBudget ? [{ code: 'nerveBudget' as const, itemId: null, day: overBudget.day }] : []),
    ],
  }
}

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)

function rowOf(row: SimulatedItem, { day: today }: CourseInput, isPaired: boolean): CourseRow {
  const { item, fromDay, toDay, planned, closed } = row
  const hasSpan = fromDay < toDay
  /** Whether a rung is open at its start dose on some day of the span, criteria of others apart. */
  const isEverOpen = (rung: CourseRung) =>
    daysOf(fromDay, toDay).some((day) => rungStatus(rung, rung.startDose, day, today, []).isOpen)
  const stepped = new Set(planned.map(({ rung }) => rung.rung))
  const notReached = hasSpan
    ? item.ladder
        .slice(row.firstPointer + 1)
        .filter(({ rung }) => !stepped.has(rung))
        .map((rung) => {
          const last = rungStatus(rung, rung.startDose, toDay - 1, today, [])
          return {
            rung: rung.rung,
            reason: isEverOpen(rung) || last.isOpen ? ('notReached' as const) : last.reason,
          }
        })
    : []
  const nothing: ItemWarning[] =
    hasSpan && planned.length === 0
      ? [
          {
            code: item.ladder.some(isEverOpen) ? 'nothingPlanned' : 'nothingOpen',
            day: fromDay,
            rung: null,
            axis: null,
            next: null,
          },
        ]
      : []
  return {
    id: item.id,
    steps: stepsOf(row, isPaired),
    closed: spansOf(closed),
    notReached,
    warnings: [...nothing, ...row.warnings],
  }
}

const daysOf = (from: number, to: number) =>
  Array.from({ length: Math.max(0, to - from) }, (_, at) => from + at)

/** Runs of days on which rung, dose, kind and criteria stay the same. */
function stepsOf({ planned }: SimulatedItem, isPaired: boolean): CourseStep[] {
  const runs: { first: PlannedDay; last: PlannedDay; doneOn: number | null }[] = []
  for (const day of planned) {
    const run = runs.at(-1)
    const { last } = run ?? {}
    if (
      run &&
      last &&
      last.day === day.day - 1 &&
      last.rung === day.rung &&
      last.kind === day.kind &&
      same(last.dose, day.dose) &&
      same(last.criteria, day.criteria)
    ) {
      run.last = day
      run.doneOn ??= day.isDone ? day.day : null
    } else runs.push({ first: day, last: day, doneOn: day.isDone ? day.day : null })
  }
  return runs.map(({ first, last, doneOn }) => ({
    fromDay: first.day,
    toDay: last.day + 1,
    rung: first.rung.rung,
    exercise: first.rung.exercise,
    dose: shownDose(first.rung, first.dose),
    kind: first.kind,
    conditional: first.kind === 'conditional' ? first.criteria : [],
    changed: first.changed,
    everyDays: isPaired ? 2 : first.rung.everyDays,
    firstDoneDay: doneOn,
  }))
}

/** A dose with every axis of its kind; load null where the rung has no steps of it. */
function shownDose({ isTimed, loadSteps }: CourseRung, dose: CourseDose): CourseStep['dose'] {
  const axes = isTimed ? TIMED_AXES : COUNTED_AXES
  return {
    ...Object.fromEntries(axes.map((axis) => [axis, dose[axis] ?? 0])),
    load: loadSteps.length > 0 ? (dose.load ?? null) : null,
  }
}

function spansOf(days: readonly ClosedDay[]): ClosedSpan[] {
  const spans: (ClosedSpan & { toDay: number })[] = []
  for (const { day, ...why } of days) {
    const last = spans.at(-1)
    const { fromDay: _from, toDay, ...before } = last ?? { fromDay: 0, toDay: Number.NaN }
    if (last && toDay === day && same(inOneOrder(before as never), inOneOrder(why))) last.toDay = day + 1
    else spans.push({ fromDay: day, toDay: day + 1, ...inOneOrder(why) })
  }
  return spans
}
const inOneOrder = ({ reason, rung, missing, earliestDay }: Omit<ClosedDay, 'day'>) => ({
  reason,
  rung,
  missing,
  earliestDay,
})

/** What one item asks of a day. */
interface Share {
  readonly id: string
  readonly priority: number
  readonly place: number
  readonly bout: number
  readonly day: number
  readonly endRange: number
  readonly slides: number
}

function weeksOf(
  rows: readonly SimulatedItem[],
  { day: today, blockFromDay, horizonWeeks, limits }: CourseInput,
  isEasy: (week: number) => boolean,
  slidesBudget: number,
): CourseWeek[] {
  const sharesOn = new Map<number, Share[]>()
  rows.forEach(({ item, planned }, place) => {
    for (const { day, rung, dose, isDone } of planned) {
      if (!isDone) continue
      const bout = boutSeconds(item, rung, dose)
      const share: Share = {
        id: item.id,
        priority: item.priority,
        place,
        bout,
        day: bout * dose.boutsPerDay!,
        endRange: endRangeSeconds(rung, dose),
        slides: slidesOf(item, rung, dose),
      }
      sharesOn.set(day, [...(sharesOn.get(day) ?? []), share])
    }
  })
  const current = Math.floor((today - blockFromDay) / 7) + 1
  return daysOf(current, horizonWeeks + 1).map((week) => {
    const fromDay = blockFromDay + 7 * (week - 1)
    const days = daysOf(Math.max(today, fromDay), fromDay + 7).map((day) => ({
      day,
      shares: sharesOn.get(day) ?? [],
    }))
    const most = (of: (share: Share) => number) =>
      days
        .map(({ day, shares }) => ({ day, shares, value: shares.reduce((sum, share) => sum + of(share), 0) }))
        .reduce((best, one) => (one.value > best.value ? one : best))
    const [count, bout, whole, slides] = [
      most(() => 1),
      most((share) => share.bout),
      most((share) => share.day),
      most((share) => share.slides),
    ]
    const over = (
      code: WeekWarning['code'],
      found: { day: number; value: number; shares: readonly Share[] },
      limit: number,
      of: (share: Share) => number,
      unit = 1,
    ): WeekWarning[] =>
      found.value > limit * unit
        ? [
            {
              code,
              day: found.day,
              value: rounded(found.value / unit),
              limit,
              drop: dropped(found.shares, of, limit * unit),
            },
          ]
        : []
    return {
      week,
      fromDay,
      toDay: fromDay + 7,
      isContingency: isEasy(week),
      exercisesAtOnce: count.value,
      minutesLongestBout: rounded(bout.value / 60),
      minutesPerDay: rounded(whole.value / 60),
      endRangeMinutesPerDay: rounded(most((share) => share.endRange).value / 60),
      slidesPerDay: slides.value,
      warnings: [
        ...over('exercisesAtOnce', count, limits.exercisesAtOnce, () => 1),
        ...over('minutesPerBout', bout, limits.minutesPerBout, (share) => share.bout, 60),
        ...over('minutesPerDay', whole, limits.minutesPerDay, (share) => share.day, 60),
        ...over('nerveBudget', slides, slidesBudget, (share) => share.slides),
      ],
    }
  })
}

/** Two decimals, half up. */
const rounded = (value: number) => Math.round(value * 100 + 1e-9) / 100

/** What to leave out first, until the rest is within the limit or one item is left. */
function dropped(shares: readonly Share[], of: (share: Share) => number, limit: number): string[] {
  const left = shares
    .filter((share) => of(share) > 0)
    .sort((a, b) => b.priority - a.priority || b.place - a.place)
  const out: string[] = []
  let sum = left.reduce((total, share) => total + of(share), 0)
  while (sum > limit && left.length > 1) {
    const next = left.shift()!
    out.push(next.id)
    sum -= of(next)
  }
  return out
}

function conflictsOf(
  rows: readonly SimulatedItem[],
  { irritability }: CourseInput,
  { isExhausted, withoutReserve }: { isExhausted: boolean; withoutReserve: readonly number[] },
): CourseConflict[] {
  const ofCourse = { itemId: null, day: null, rung: null, reason: null }
  const hasSlides = rows.some(
    ({ item, fromDay, toDay }) => fromDay < toDay && item.ladder.some(({ isSlide }) => isSlide),
  )
  return [
    ...(isExhausted ? [{ ...ofCourse, code: 'reserveExhausted' as const, weeks: withoutReserve }] : []),
    ...(irritability === null && hasSlides
      ? [{ ...ofCourse, code: 'irritabilityUnknown' as const, weeks: [] }]
      : []),
    ...rows.flatMap(({ conflicts }) =>
      [...conflicts].sort((a, b) => a.day! - b.day! || (a.code < b.code ? -1 : a.code > b.code ? 1 : 0)),
    ),
  ]
}
