import { COURSE_NUMBERS, type CourseDose, type CourseItem, type CourseRung } from './course.js'

/** Seconds of one bout of an item at a dose. Source: A16, A13; `course.md` 6. */
export function boutSeconds({ sides, turns }: CourseItem, rung: CourseRung, dose: CourseDose): number {
  if (rung.isTimed) return dose.minutes! * 60 * sides * turns
  const { sets = 0, repetitions = 0, holdSeconds = 0 } = dose
  if (holdSeconds >= COURSE_NUMBERS.wornFromSeconds.value) return COURSE_NUMBERS.wornCountsSeconds.value
  const working = sets * repetitions * rung.shapes * (holdSeconds + rung.moveSeconds)
  return (working + COURSE_NUMBERS.restSeconds.value * (sets - 1)) * sides * turns
}

/** Seconds a day at the end of a joint's range: each joint has its own. */
export function endRangeSeconds(rung: CourseRung, dose: CourseDose): number {
  if (!rung.isEndRange) return 0
  const { sets = 0, repetitions = 0, holdSeconds = 0, minutes = 0, boutsPerDay = 0 } = dose
  return boutsPerDay * (rung.isTimed ? minutes * 60 : sets * repetitions * holdSeconds)
}

/** Slides of a nerve a day. */
export function slidesOf({ turns }: CourseItem, rung: CourseRung, dose: CourseDose): number {
  if (!rung.isSlide) return 0
  return (dose.sets ?? 0) * (dose.repetitions ?? 0) * (dose.boutsPerDay ?? 0) * turns
}
