import { number, object, string } from 'yup'
import { TEXT_LIMITS } from './fields.js'

/** Rows of the caseload: so many are asked for first, and at most. */
export const CASELOAD_ROWS = { first: 50, most: 1000 } as const
const ROWS = `Ask for 1 to ${CASELOAD_ROWS.most} rows, or filter to find the rest.`

/** The part of the caseload that is asked for: whose, what the filter says, and how many rows from the most urgent on. */
export const caseloadQuery = object({
  whose: string().oneOf(['all', 'mine'], 'Ask for "all" or "mine".').default('all'),
  text: string()
    .typeError('Filter by one text.')
    .trim()
    .max(TEXT_LIMITS.line, `At most ${TEXT_LIMITS.line} characters.`)
    .default(''),
  rows: number()
    .typeError(ROWS)
    .integer(ROWS)
    .min(1, ROWS)
    .max(CASELOAD_ROWS.most, ROWS)
    .default(CASELOAD_ROWS.first),
})

/** The open case that the library is read for; empty: none. */
export const libraryQuery = object({ episode: string().typeError('Ask for one case.').ensure() })

/** Whether the map of permissions is for inside the orthosis or without it. */
export const permissionsQuery = object({
  inside: string().oneOf(['worn', 'none'], 'Ask for "worn" or "none".').default('worn'),
})
