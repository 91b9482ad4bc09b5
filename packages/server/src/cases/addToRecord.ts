import type { FastifyRequest } from 'fastify'
import type { AppContext } from '../app.js'
import type { Transaction } from '../data/database.js'
import { Problem } from '../problems.js'

/** The episode a request is about: every path under `/api/episodes/:episodeId` has it. */
export function episodeIdOf(request: FastifyRequest): string {
  return (request.params as { episodeId: string }).episodeId
}

/**
 * Adds something to the episode's record with its audit row; the same id sent twice is stored once.
 *
 * @param store - writes the rows; answers `false` where they are there already
 */
export async function addToRecord(
  { database, clock }: Pick<AppContext, 'database' | 'clock'>,
  request: FastifyRequest,
  action: string,
  detail: Readonly<Record<string, unknown>>,
  store: (transaction: Transaction) => Promise<boolean>,
): Promise<void> {
  const episodeId = episodeIdOf(request)
  if (!(await database.rows.episodes.findByPk(episodeId)))
    throw new Problem('NOT_FOUND', 'There is no such episode.')
  await database.inTransaction(async (transaction) => {
    const isNew = await store(transaction)
    if (isNew)
      await database.audit(
        { at: clock.now(), actor: request.actor(), action, episodeId, isChange: true, detail },
        transaction,
      )
  })
}
