import { ConnectionError, UniqueConstraintError } from 'sequelize'
import { Problem } from '../problems.js'

/** What an error of the database means for who asked; `null` for any other error. */
export function databaseProblem(error: Error): Problem | null {
  if (error instanceof UniqueConstraintError)
    return new Problem('ID_TAKEN', 'This has been recorded already under another form.')
  if (error instanceof ConnectionError)
    return new Problem(
      'DATABASE_AWAY',
      'The record cannot be reached right now. What you typed is still here; try again in a minute.',
    )
  return null
}
