import { QueryTypes, UniqueConstraintError } from 'sequelize'
import { Problem } from '../problems.js'
import type { Actor, Database, Transaction } from './database.js'
import { digestOf } from './digest.js'
import { newId } from './ids.js'
import type { Table } from './models.js'
import type { AuditRow, RecordRow } from './rows.js'

/** Who does what, when, for the audit. Detail holds ids and names of fields, never a patient's values. */
export interface Told {
  readonly actor: Actor
  readonly at: Date
  readonly action: string
  readonly detail?: Readonly<Record<string, unknown>>
}

/** What an append adds besides its row; everything lies in one transaction, with the episode locked. */
interface Besides<Row> {
  /** Rows that go with it; `next` counts further numbers of the episode's order. */
  readonly after?: (transaction: Transaction, next: () => number) => Promise<void>
  /** What the audit tells of the row besides. */
  readonly detail?: (row: Row) => Readonly<Record<string, unknown>>
}
type Fresh<Row> = Omit<Row, 'seq' | 'digest'>

export interface Appended<Row> {
  readonly isNew: boolean
  /** What is stored: the row now added, or the one that was there under the same id with the same content. */
  readonly row: Row
}

/**
 * What happens in an episode, in order. The one way to add to its record and to take something back: idempotent by id and
 * content, ordered by a number that the database gives, audited in the same transaction.
 */
export class Journal {
  constructor(private readonly database: Database) {}

  /** Adds an audit row for something that changes no record: what was read, or refused. */
  async note(told: Told, episodeId: string | null): Promise<void> {
    await this.audit(told, episodeId, false)
  }

  /** Adds the audit row of a change, inside its transaction. */
  async audit(
    { actor, at, action, detail = {} }: Told,
    episodeId: string | null,
    isChange: boolean,
    transaction?: Transaction,
  ): Promise<void> {
    const row: AuditRow = {
      id: newId(),
      at,
      actorKind: actor.kind,
      actorId: actor.id,
      action,
      episodeId,
      isChange,
      detail,
    }
    await this.database.rows.audit.create(row, transaction ? { transaction } : {})
  }

  /**
   * Adds a row to an episode's record, once.
   *
   * @param content - what was sent: the same id with the same content answers what is stored
   * @param make - the row, or what makes it once the episode is locked
   * @throws Problem `NOT_FOUND` for an episode nobody knows; `ID_TAKEN` for an id with other content or of another episode
   */
  async append<Row extends RecordRow>(
    table: Table<Row>,
    { id, episodeId, content, told }: { id: string; episodeId: string; content: unknown; told: Told },
    make: Fresh<Row> | ((transaction: Transaction) => Promise<Fresh<Row>>),
    { after, detail }: Besides<Row> = {},
  ): Promise<Appended<Row>> {
    const digest = digestOf(content)
    const stored = async (transaction?: Transaction): Promise<Row | null> => {
      const row = (await table.findByPk(id, transaction ? { transaction } : {}))?.get()
      if (row && (row.episodeId !== episodeId || row.digest !== digest))
        throw idTaken(row.episodeId === episodeId ? row : null)
      return row ?? null
    }
    try {
      return await this.database.inTransaction(async (transaction) => {
        let last = await this.lockedSequence(episodeId, transaction)
        const known = await stored(transaction)
        if (known) return { isNew: false, row: known }
        const fresh = typeof make === 'function' ? await make(transaction) : make
        const row = { ...fresh, seq: (last += 1), digest } as unknown as Row
        await table.create(row as never, { transaction })
        await after?.(transaction, () => (last += 1))
        await this.database.rows.sequences.update({ last }, { where: { episodeId }, transaction })
        const entry = detail ? { ...told, detail: { ...told.detail, ...detail(row) } } : told
        await this.audit(entry, episodeId, true, transaction)
        return { isNew: true, row }
      })
    } catch (error) {
      // An id sent to two episodes at once, or a COMMIT whose answer was lost: what is stored decides.
      if (!(error instanceof UniqueConstraintError)) throw error
      const known = await stored()
      if (!known) throw error
      return { isNew: false, row: known }
    }
  }

  /**
   * Takes back a row of an episode's record by a row of its own, once.
   *
   * @param target - which row, how it is called, and whether it can be taken back at all
   * @throws Problem `NOT_FOUND` for a row the episode does not have; `ALREADY_DONE` for one taken back before
   */
  async withdraw<Row extends RecordRow>(
    table: Table<Row>,
    target: { id: string; what: string; isOpen: (row: Row) => boolean },
    sent: { id: string; episodeId: string; content: unknown; told: Told },
    make: (target: Row) => Fresh<Row>,
    besides: Besides<Row> = {},
  ): Promise<Appended<Row>> {
    const { withdrawals } = this.database.rows
    return this.append(
      table,
      { ...sent, content: { ...(sent.content as object), withdraws: target.id } },
      async (transaction) => {
        const found = (await table.findByPk(target.id, { transaction }))?.get()
        if (!found || found.episodeId !== sent.episodeId || !target.isOpen(found))
          throw new Problem('NOT_FOUND', `There is no such ${target.what}.`)
        if (await withdrawals.findByPk(target.id, { transaction }))
          throw new Problem('ALREADY_DONE', `This ${target.what} has been taken back already.`)
        await withdrawals.create(
          { targetId: target.id, withdrawalId: sent.id, episodeId: sent.episodeId },
          { transaction },
        )
        return make(found)
      },
      besides,
    )
  }

  /** Changes with every change of an episode's record: a screen that knows another one reads again. */
  async revisionOf(episodeId: string): Promise<string> {
    // Bouts are counted: of two at once, the one with the later number may be stored first.
    const [row] = await this.database.sequelize.query<{ last: number; bouts: number }>(
      `SELECT last, (SELECT COUNT(*) FROM bout_logs WHERE episode_id = sequence.episode_id) bouts
        FROM episode_sequences sequence WHERE episode_id = ?`,
      { replacements: [episodeId], type: QueryTypes.SELECT },
    )
    return row ? `${row.last}.${row.bouts}` : ''
  }

  /** Another change of an episode that adds no row to its order: a draft, a pairing. */
  async touch(episodeId: string, told: Told, transaction: Transaction): Promise<void> {
    const last = await this.lockedSequence(episodeId, transaction)
    await this.database.rows.sequences.update({ last: last + 1 }, { where: { episodeId }, transaction })
    await this.audit(told, episodeId, true, transaction)
  }

  /** The last number of an episode's order; whoever has it keeps the episode until the transaction ends. */
  private async lockedSequence(episodeId: string, transaction: Transaction): Promise<number> {
    const [row] = await this.database.sequelize.query<{ last: number }>(
      'SELECT last FROM episode_sequences WHERE episode_id = ? FOR UPDATE',
      { replacements: [episodeId], type: QueryTypes.SELECT, transaction },
    )
    if (!row) throw new Problem('NOT_FOUND', 'There is no such episode.')
    return row.last
  }
}

function idTaken(stored: RecordRow | null): Problem {
  const { digest: _digest, ...told } = stored ?? {}
  return new Problem(
    'ID_TAKEN',
    'Something else has been stored under this id. Look at what is stored, then send yours anew.',
    [{ path: 'id', message: 'Already stored with other contents.' }],
    stored ? told : undefined,
  )
}
