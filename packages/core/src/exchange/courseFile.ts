import { planCourse } from '../progression/planCourse.js'
import type { CoursePlan } from '../progression/course.js'
import { readCourseFile } from './readCourseFile.js'

export const COURSE_PLAN_FORMAT = 'pledge-course-plan/1'
export type CourseAnswer = { readonly format: typeof COURSE_PLAN_FORMAT } & CoursePlan

/**
 * The planned weeks of a course file, parsed from YAML or JSON.
 *
 * Source: `course-file.md`.
 *
 * @throws CoreError as `readCourseFile`
 */
export function courseAnswer(document: unknown): CourseAnswer {
  return { format: COURSE_PLAN_FORMAT, ...planCourse(readCourseFile(document)) }
}
