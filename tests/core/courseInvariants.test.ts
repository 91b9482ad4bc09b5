import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  CoreError,
  planCourse,
  readCourseFile,
  rungStatus,
  type CourseInput,
  type CourseItem,
  type CoursePlan,
  type CourseRung,
  type CourseStep,
} from '@pledge/core'
import './seed.js'

/** Invariants of `course.md` 9 on generated course files. 10,000 runs with PLEDGE_RUNS=10000. */
const RUNS = Number(process.env['PLEDGE_RUNS'] ?? 120)

const FACTS = ['ord.resist', 'pain.act<=3', 'wound.ok']
const facts = fc.subarray(FACTS)
const dayOf = (low: number, high: number) => fc.integer({ min: low, max: high })

const windows = fc
  .tuple(fc.uniqueArray(dayOf(-30, 110), { minLength: 0, maxLength: 3 }), fc.infiniteStream(fc.nat(9)))
  .chain(([cuts, kinds]) => {
    const days = [-400, ...[...cuts].sort((a, b) => a - b)]
    const kindOf = () => Number(kinds.next().value)
    return fc.tuple(
      ...days.map((fromDay, at) => {
        const toDay = days[at + 1] ?? null
        const kind = kindOf()
        if (kind < 7) return fc.constant({ fromDay, toDay, kind: kind < 5 ? 'clear' : 'with-care' })
        if (kind === 7) return fc.constant({ fromDay, toDay, kind: 'never' })
        return fc.record({
          fromDay: fc.constant(fromDay),
          toDay: fc.constant(toDay),
          kind: fc.constant('not-yet'),
          earliestDay: fc.option(dayOf(-10, 100), { freq: 6 }),
          missing: facts,
        })
      }),
    )
  })
  // Days in no window are nobody's to open.
  .chain((list) =>
    fc.oneof(
      { weight: 5, arbitrary: fc.constant([...list]) },
      { weight: 1, arbitrary: fc.subarray([...list], { minLength: Math.max(0, list.length - 1) }) },
    ),
  )

const range = (low: number, high: number) =>
  fc.tuple(dayOf(low, high), fc.nat(8)).map(([from, more]) => [from, Math.min(high, from + more)] as const)

const rung = fc
  .record({
    isTimed: fc.boolean(),
    isSlide: fc.boolean(),
    isEndRange: fc.boolean(),
    hasLoad: fc.boolean(),
    windows,
    sets: range(1, 3),
    repetitions: range(1, 15),
    hold: range(0, 5),
    minutes: range(1, 20),
    bouts: range(1, 4),
    everyDays: fc.constantFrom(1, 1, 2),
    minimumDays: fc.option(fc.record({ step: dayOf(1, 5), load: dayOf(1, 10), rung: dayOf(1, 12) }), {
      nil: undefined,
    }),
    grows: fc.option(fc.shuffledSubarray(['sets', 'repetitions', 'holdSeconds', 'boutsPerDay', 'load']), {
      nil: undefined,
      freq: 1,
    }),
    gate: fc.option(fc.record({ above: fc.nat(12), fromDay: fc.option(dayOf(0, 90)), missing: facts }), {
      nil: undefined,
    }),
  })
  .map((one) => {
    const isTimed = one.isTimed && !one.isSlide
    const load = one.hasLoad ? { load: { unit: 'kg', steps: [0.5, 1, 2] } } : {}
    const counted = {
      sets: one.sets,
      repetitions: one.repetitions,
      holdSeconds: one.hold,
      boutsPerDay: one.bouts,
    }
    const doseRange = isTimed ? { minutes: one.minutes, boutsPerDay: one.bouts } : counted
    const startDose = Object.fromEntries(Object.entries(doseRange).map(([axis, [low]]) => [axis, low]))
    const axis = isTimed ? 'minutes' : 'repetitions'
    const grows =
      isTimed || one.isEndRange ? undefined : one.grows?.filter((name) => one.hasLoad || name !== 'load')
    return {
      windows: one.windows,
      doseRange: { ...doseRange, ...load },
      startDose: { ...startDose, ...(one.hasLoad ? { load: 0.5 } : {}) },
      ...(one.isSlide ? { slides: true } : one.isEndRange ? { endRange: true } : {}),
      everyDays: one.everyDays,
      ...(one.minimumDays ? { minimumDays: one.minimumDays } : {}),
      ...(grows ? { grows } : {}),
      ...(one.gate ? { gates: [{ axis, ...one.gate }] } : {}),
    }
  })

const item = (place: number, others: number) =>
  fc
    .record({
      ladder: fc.array(rung, { minLength: 1, maxLength: 3 }),
      sides: dayOf(1, 2),
      turns: dayOf(1, 3),
      priority: dayOf(1, 9),
      startDay: fc.option(dayOf(-5, 60), { nil: undefined }),
      endDay: fc.option(dayOf(61, 120), { nil: undefined }),
      heldFrom: fc.option(dayOf(0, 100), { nil: undefined }),
      isCurrent: fc.boolean(),
      pins: fc.uniqueArray(dayOf(-3, 80), { maxLength: 2 }),
      // Only at items before it: never in a circle.
      earlier: fc.nat(Math.max(0, place - 1)),
      link: fc.constantFrom('none', 'none', 'needs', 'replacedBy', 'alternatesWith'),
    })
    .map(({ ladder, isCurrent, pins, earlier, link, startDay, endDay, heldFrom, ...rest }) => {
      const named = ladder.map((one, at) => ({ rung: `r${at + 1}`, exercise: `x-${at + 1}`, ...one }))
      const linked =
        place === 0 || others === 0 || link === 'none'
          ? {}
          : link === 'needs'
            ? { needs: [{ itemId: `i${earlier}`, rung: 'r1' }] }
            : link === 'replacedBy'
              ? { replacedBy: `i${earlier}` }
              : place % 2 === 1
                ? { alternatesWith: `i${place - 1}` }
                : {}
      return {
        id: `i${place}`,
        ...rest,
        ladder: named,
        ...(isCurrent ? { current: { rung: 'r1' } } : startDay === undefined ? {} : { startDay }),
        ...(endDay === undefined ? {} : { endDay }),
        ...(heldFrom === undefined ? {} : { heldFrom }),
        pins: pins.map((day) => ({ day, rung: named.at(-1)!.rung })),
        ...linked,
      }
    })

const file = fc
  .record({
    day: dayOf(0, 30),
    back: fc.nat(20),
    horizonWeeks: dayOf(6, 16),
    mode: fc.constantFrom(undefined, 'none', 'reserveAtEnd', 'spread'),
    protocols: fc.subarray(['CTS-CONS', 'DRF-VLP-EARLY']),
    used: fc.uniqueArray(dayOf(1, 6), { maxLength: 3 }),
    irritability: fc.constantFrom(undefined, 'low', 'mod', 'high'),
    count: dayOf(1, 4),
  })
  .chain(({ day, back, mode, used, count, ...rest }) =>
    fc.tuple(...Array.from({ length: count }, (_, place) => item(place, count - 1))).map((items) => ({
      format: 'pledge-course/1',
      day,
      blockFromDay: day - back,
      ...rest,
      contingency: { ...(mode ? { mode } : {}), used },
      items: items as readonly GeneratedItem[],
    })),
  )
type GeneratedItem = ReturnType<typeof item> extends fc.Arbitrary<infer T> ? T : never
type File = typeof file extends fc.Arbitrary<infer T> ? T : never

function planned(document: unknown): { input: CourseInput; plan: CoursePlan } {
  const input = readCourseFile(JSON.parse(JSON.stringify(document)))
  return { input, plan: planCourse(input) }
}
/** What holds of every generated file. */
const always = (check: (given: { input: CourseInput; plan: CoursePlan; document: File }) => void) =>
  fc.assert(
    fc.property(file, (document) => {
      check({ document, ...planned(document) })
    }),
    { numRuns: RUNS },
  )
const each = <T>(from: number, to: number, of: (day: number) => T) =>
  Array.from({ length: Math.max(0, to - from) }, (_, at) => of(from + at))
const rowsOf = ({ input, plan }: { input: CourseInput; plan: CoursePlan }) =>
  input.items.map((one, place) => ({ item: one, row: plan.items[place]! }))
const spanOf = ({ startDay, endDay }: CourseItem, { day }: CourseInput, { endDay: end }: CoursePlan) =>
  [Math.max(day, startDay), Math.min(end, endDay)] as const
const weekOf = (input: CourseInput, day: number) => Math.floor((day - input.blockFromDay) / 7) + 1
const doseOf = (step: CourseStep) =>
  Object.fromEntries(Object.entries(step.dose).filter(([, value]) => value !== null)) as Record<
    string,
    number
  >
const rungOf = (one: CourseItem, name: string): CourseRung => one.ladder.find((each) => each.rung === name)!

describe('the course of a program', () => {
  it('generated files are worth the name: most plan something that grows', () => {
    const plans = fc.sample(file, { numRuns: 100, seed: 7 }).map((document) => planned(document).plan)
    const steps = plans.flatMap(({ items }) => items.flatMap((row) => row.steps))
    const share = (of: (plan: CoursePlan) => boolean) => plans.filter(of).length / plans.length
    expect(share(({ items }) => items.some((row) => row.steps.length > 3))).toBeGreaterThan(0.3)
    for (const changed of [
      'start',
      'repetitions',
      'load',
      'rung',
      'flare',
      'return',
      'resume',
      'easier',
      'pin',
      'window',
    ])
      expect(
        steps.some((step) => step.changed === changed),
        changed,
      ).toBe(true)
    for (const reason of [
      'unknown',
      'never',
      'time',
      'decision',
      'gate',
      'criteria',
      'needs',
      'replaced',
      'contingency',
    ])
      expect(
        plans.some(({ items }) => items.some((row) => row.closed.some((span) => span.reason === reason))),
        reason,
      ).toBe(true)
  })

  it('1: plans nothing that is closed, and names every criterion that has to come; nothing conditional today', () =>
    always(({ input, plan }) => {
      for (const { item: one, row } of rowsOf({ input, plan }))
        for (const step of row.steps) {
          expect(step.kind === 'conditional').toBe(step.conditional.length > 0)
          if (step.kind === 'conditional') expect(step.fromDay).toBeGreaterThan(input.day)
          // Without what it inherits and at the planned dose, which is at most the full one.
          for (const day of [step.fromDay, step.toDay - 1]) {
            const status = rungStatus(rungOf(one, step.rung), doseOf(step), day, input.day, [])
            expect(
              status.isOpen || (!status.isOpen && status.reason === 'criteria' && day === input.day),
            ).toBe(true)
            if (status.isOpen) expect(step.conditional).toEqual(expect.arrayContaining([...status.criteria]))
          }
        }
    }))

  it('2: tells of each day of a span exactly once what is so, and of none outside', () =>
    always(({ input, plan }) => {
      for (const { item: one, row } of rowsOf({ input, plan })) {
        const [from, to] = spanOf(one, input, plan)
        const told = [...row.steps, ...row.closed]
          .flatMap(({ fromDay, toDay }) => each(fromDay, toDay, (day) => day))
          .sort((a, b) => a - b)
        expect(told).toEqual(each(from, to, (day) => day))
      }
    }))

  /** Steps between which nothing but time makes a difference: no pin, gap, easier rung or easy week. */
  const isQuiet = (input: CourseInput, plan: CoursePlan, step: CourseStep, before: CourseStep) =>
    before.toDay === step.fromDay &&
    !['pin', 'resume', 'easier', 'flare', 'return'].includes(step.changed) &&
    [step.fromDay, step.fromDay - 1].every((day) => !plan.contingency.weeks.includes(weekOf(input, day)))

  it('3: at most one thing rises at a time, and no rung is jumped over', () =>
    always(({ input, plan }) => {
      for (const { item: one, row } of rowsOf({ input, plan }))
        row.steps.forEach((step, at) => {
          const before = row.steps[at - 1]
          if (!before || !isQuiet(input, plan, step, before)) return
          const place = (name: string) => one.ladder.findIndex(({ rung }) => rung === name)
          if (step.rung !== before.rung) {
            // Up by one; down only where it goes back from an easier rung to where its own shut again.
            if (step.changed === 'rung') expect(place(step.rung)).toBe(place(before.rung) + 1)
            return
          }
          const [now, then] = [doseOf(step), doseOf(before)]
          const risen = Object.keys(now).filter((axis) => now[axis]! > then[axis]!)
          expect(risen.length).toBeLessThanOrEqual(1)
          const fallen = Object.keys(now).filter((axis) => now[axis]! < then[axis]!)
          if (fallen.length > 0) expect(['load', 'sets']).toContain(step.changed)
        })
    }))

  it('6: goes up only after enough days on a dose, and on a load', () =>
    always(({ input, plan }) => {
      const axes: readonly string[] = ['sets', 'repetitions', 'holdSeconds', 'boutsPerDay', 'minutes', 'load']
      const daysIn = ({ fromDay, toDay, firstDoneDay, everyDays }: CourseStep) =>
        each(fromDay, toDay, (day) => day).filter(
          (day) =>
            firstDoneDay !== null &&
            day >= firstDoneDay &&
            (day - firstDoneDay) % everyDays === 0 &&
            !plan.contingency.weeks.includes(weekOf(input, day)),
        ).length
      for (const { item: one, row } of rowsOf({ input, plan }))
        row.steps.forEach((step, at) => {
          if (!axes.includes(step.changed)) return
          // Days since the last change of the dose: a change of kind or criteria is none.
          let [done, place] = [0, at - 1]
          for (; place >= 0 && row.steps[place + 1]!.fromDay === row.steps[place]!.toDay; place -= 1) {
            done += daysIn(row.steps[place]!)
            if (row.steps[place]!.changed !== 'window') break
          }
          const first = row.steps[Math.max(0, place)]!
          // What ran before today had its days already.
          if (one.current && place <= 0 && ['start', 'window'].includes(first.changed)) return
          expect(done, JSON.stringify(step)).toBeGreaterThanOrEqual(rungOf(one, step.rung).minimumDays.step)
        })
    }))

  it('4: starts and raises nothing in an easy week', () =>
    always(({ input, plan }) => {
      for (const { row } of rowsOf({ input, plan }))
        row.steps.forEach((step, at) => {
          if (!plan.contingency.weeks.includes(weekOf(input, step.fromDay))) return
          expect([
            'rung',
            'sets',
            'repetitions',
            'holdSeconds',
            'boutsPerDay',
            'minutes',
            'load',
            'return',
          ]).not.toContain(step.changed)
          const isRunning = at > 0 || input.items.find(({ id }) => id === row.id)!.current !== null
          expect(isRunning).toBe(true)
        })
    }))

  it('5: never plans more than the range of a rung', () =>
    always(({ input, plan }) => {
      for (const { item: one, row } of rowsOf({ input, plan }))
        for (const step of row.steps) {
          const { range, loadSteps } = rungOf(one, step.rung)
          for (const [axis, value] of Object.entries(doseOf(step)))
            expect(value).toBeLessThanOrEqual(axis === 'load' ? loadSteps.at(-1)! : range[axis as 'sets']![1])
        }
    }))

  it('7: ends on its day whatever was used, and a used week never adds working weeks', () =>
    always(({ document, input, plan }) => {
      expect(plan.endDay).toBe(input.blockFromDay + 7 * input.horizonWeeks)
      const unused = each(1, input.horizonWeeks + 1, (week) => week).find(
        (week) => !input.contingency.used.includes(week),
      )!
      const more = planned({
        ...document,
        contingency: { ...document.contingency, used: [...document.contingency.used, unused] },
      }).plan
      const working = (one: CoursePlan) => input.horizonWeeks - one.contingency.weeks.length
      expect([working(plan), working(plan) - 1]).toContain(working(more))
    }))

  it('8: a week over the budget of a nerve says so, and stands in the way of signing', () =>
    always(({ plan }) => {
      const over = plan.weeks.filter(({ slidesPerDay }) => slidesPerDay > plan.slidesBudget)
      for (const { warnings } of over) expect(warnings.map(({ code }) => code)).toContain('nerveBudget')
      expect(plan.notSignable.some(({ code }) => code === 'nerveBudget')).toBe(over.length > 0)
    }))

  it('9: starts nothing before what it needs, and plans nothing beside what replaced it', () =>
    always(({ input, plan }) => {
      for (const { item: one, row } of rowsOf({ input, plan })) {
        const first = row.steps[0]
        for (const { itemId, rung } of one.needs) {
          const other = input.items.find(({ id }) => id === itemId)!
          const reachedBefore = other.current && other.ladder.findIndex((each) => each.rung === rung) === 0
          const reached = plan.items.find(({ id }) => id === itemId)!.steps[0]
          if (first && !one.current && !reachedBefore) expect(first.fromDay).toBeGreaterThan(reached!.fromDay)
        }
        if (one.replacedBy === null) continue
        const replacer = plan.items.find(({ id }) => id === one.replacedBy)!.steps[0]
        if (replacer) expect(row.steps.every(({ toDay }) => toDay <= replacer.fromDay)).toBe(true)
      }
    }))

  it('11: moves with its days', () =>
    always(({ document, plan }) => {
      const by = 37
      const moved = JSON.parse(JSON.stringify(document), (key, value: unknown) =>
        typeof value === 'number' &&
        /^(day|blockFromDay|startDay|endDay|heldFrom|fromDay|toDay|earliestDay)$/.test(key)
          ? value + by
          : value,
      ) as File
      const back = JSON.parse(JSON.stringify(planned(moved).plan), (key, value: unknown) =>
        typeof value === 'number' && /^(day|endDay|fromDay|toDay|earliestDay|firstDoneDay)$/.test(key)
          ? value - by
          : value,
      ) as CoursePlan
      expect(back).toEqual(JSON.parse(JSON.stringify(plan)))
    }))

  it('12: is the same whatever order windows, criteria and used weeks stand in', () =>
    always(({ document, plan }) => {
      const turned = JSON.parse(JSON.stringify(document), (key, value: unknown) =>
        ['windows', 'gates', 'missing', 'used'].includes(key) ? [...(value as unknown[])].reverse() : value,
      ) as File
      expect(planned(turned).plan).toEqual(plan)
    }))

  it('a window that shuts for good never opens a day', () =>
    always(({ document }) => {
      const [alone] = document.items
      const single = { ...alone!, ladder: alone!.ladder.slice(0, 1), pins: [], current: undefined }
      const days = (item: object) => {
        const [row] = planned({ ...document, items: [item] }).plan.items
        return new Set(row!.steps.flatMap(({ fromDay, toDay }) => each(fromDay, toDay, (day) => day)))
      }
      const before = days(single)
      const [rung] = single.ladder
      const list = rung!.windows as readonly { fromDay: number; toDay: number | null }[]
      list.forEach((_, at) => {
        const shut = list.map((window, place) =>
          place === at ? { fromDay: window.fromDay, toDay: window.toDay, kind: 'never' } : window,
        )
        for (const day of days({ ...single, ladder: [{ ...rung, windows: shut }] }))
          expect(before.has(day)).toBe(true)
      })
    }))
})

describe('a course file', () => {
  const good = fc.sample(file, { numRuns: 1, seed: 3 })[0]!
  const refusal = (change: object) => {
    try {
      readCourseFile(JSON.parse(JSON.stringify({ ...good, ...change })))
      return null
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      return [error.code, error.path]
    }
  }
  it.each<[string, object, [string, string]]>([
    ['another format', { format: 'pledge-course/2' }, ['DOCUMENT_INVALID', 'format']],
    ['a key nobody knows', { weeks: 6 }, ['DOCUMENT_INVALID', 'weeks']],
    ['a horizon of five weeks', { horizonWeeks: 5 }, ['DOCUMENT_INVALID', 'horizonWeeks']],
    ['half a week', { horizonWeeks: 6.5 }, ['DOCUMENT_INVALID', 'horizonWeeks']],
    ['a block that today is not in', { blockFromDay: 900 }, ['DOCUMENT_INVALID', 'blockFromDay']],
    [
      'weeks without their mode',
      { contingency: { mode: 'none', weeks: [1] } },
      ['DOCUMENT_INVALID', 'contingency.weeks'],
    ],
    [
      'their mode without weeks',
      { contingency: { mode: 'weeks' } },
      ['DOCUMENT_INVALID', 'contingency.weeks'],
    ],
    ['a week twice', { contingency: { used: [2, 2] } }, ['DOCUMENT_INVALID', 'contingency.used.1']],
    ['no items', { items: [] }, ['DOCUMENT_INVALID', 'items']],
  ])('with %s is refused', (_what, change, expected) => expect(refusal(change)).toEqual(expected))

  const window = { fromDay: -400, toDay: null, kind: 'clear' }
  const plain = {
    rung: 'a',
    exercise: 'x',
    windows: [window],
    doseRange: { sets: [1, 1], repetitions: [5, 10], holdSeconds: [0, 30], boutsPerDay: [1, 3] },
    startDose: { sets: 1, repetitions: 5, holdSeconds: 0, boutsPerDay: 1 },
  }
  const withRung = (change: object, ofItem: object = {}) =>
    refusal({ items: [{ id: 'i', ladder: [{ ...plain, ...change }], ...ofItem }] })
  it.each<[string, object, object, [string, string] | null]>([
    ['as it is', {}, {}, null],
    [
      'two windows of one day',
      {
        windows: [
          { ...window, toDay: 20 },
          { ...window, fromDay: 19 },
        ],
      },
      {},
      ['COURSE_WINDOWS_OVERLAP', 'windows.1'],
    ],
    [
      'an end before the beginning',
      { windows: [{ ...window, toDay: -400 }] },
      {},
      ['DOCUMENT_INVALID', 'windows.0.toDay'],
    ],
    [
      'a not yet without its earliest day',
      { windows: [{ ...window, kind: 'not-yet' }] },
      {},
      ['DOCUMENT_INVALID', 'windows.0.earliestDay'],
    ],
    [
      'an earliest day of what is clear',
      { windows: [{ ...window, earliestDay: 3 }] },
      {},
      ['DOCUMENT_INVALID', 'windows.0.earliestDay'],
    ],
    [
      'a gate without its day',
      { gates: [{ axis: 'sets', above: 1 }] },
      {},
      ['DOCUMENT_INVALID', 'gates.0.fromDay'],
    ],
    [
      'a range upside down',
      { doseRange: { ...plain.doseRange, sets: [3, 1] } },
      {},
      ['DOCUMENT_INVALID', 'doseRange.sets.1'],
    ],
    [
      'a start outside of the range',
      { startDose: { ...plain.startDose, repetitions: 4 } },
      {},
      ['DOSE_OUT_OF_RANGE', 'startDose.repetitions'],
    ],
    [
      'a load without steps',
      { startDose: { ...plain.startDose, load: 1 } },
      {},
      ['DOCUMENT_INVALID', 'startDose.load'],
    ],
    [
      'a load that is no step',
      {
        doseRange: { ...plain.doseRange, load: { unit: 'kg', steps: [1, 2] } },
        startDose: { ...plain.startDose, load: 1.5 },
      },
      {},
      ['DOSE_OUT_OF_RANGE', 'startDose.load'],
    ],
    [
      'force before time',
      {
        endRange: true,
        doseRange: { ...plain.doseRange, load: { unit: 'kg', steps: [1, 2] } },
        startDose: { ...plain.startDose, load: 1 },
        grows: ['load', 'holdSeconds'],
      },
      {},
      ['COURSE_FORCE_BEFORE_TIME', 'grows'],
    ],
    ['a slide held at its end', { slides: true, endRange: true }, {}, ['COURSE_NERVE_HELD', 'slides']],
    ['a slide held long', { slides: true }, {}, ['COURSE_NERVE_HELD', 'doseRange']],
    [
      'a slide by the clock',
      {
        slides: true,
        doseRange: { minutes: [1, 2], boutsPerDay: [1, 1] },
        startDose: { minutes: 1, boutsPerDay: 1 },
      },
      {},
      ['COURSE_NERVE_UNCOUNTED', 'slides'],
    ],
  ])('a rung with %s', (_what, change, ofItem, expected) =>
    expect(withRung(change, ofItem)).toEqual(expected && [expected[0], `items.0.ladder.0.${expected[1]}`]),
  )
  it.each<[string, object, [string, string]]>([
    ['no rung left', { leftOut: ['a'] }, ['DOCUMENT_INVALID', 'leftOut']],
    ['a rung nobody knows', { current: { rung: 'b' } }, ['COURSE_REFERENCE_UNKNOWN', 'current.rung']],
    ['itself for a partner', { alternatesWith: 'i' }, ['COURSE_PAIR', 'alternatesWith']],
    ['itself in its place', { replacedBy: 'i' }, ['COURSE_CYCLE', 'replacedBy']],
    ['itself to build on', { needs: [{ itemId: 'i', rung: 'a' }] }, ['COURSE_CYCLE', 'needs']],
    ['somebody nobody knows in its place', { replacedBy: 'j' }, ['COURSE_REFERENCE_UNKNOWN', 'replacedBy']],
    [
      'two pins on a day',
      {
        pins: [
          { day: 40, rung: 'a' },
          { day: 40, rung: 'a' },
        ],
      },
      ['DOCUMENT_INVALID', 'pins.1.day'],
    ],
    [
      'a later start of what runs',
      { current: { rung: 'a' }, startDay: 300 },
      ['DOCUMENT_INVALID', 'startDay'],
    ],
    ['an end before its start', { startDay: 50, endDay: 50 }, ['DOCUMENT_INVALID', 'endDay']],
  ])('an item with %s', (_what, change, [code, path]) =>
    expect(withRung({}, change)).toEqual([code, `items.0.${path}`]),
  )
})
