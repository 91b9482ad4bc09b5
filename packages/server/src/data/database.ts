import { DatabaseError, ConnectionError, Op, type Sequelize, type Transaction } from 'sequelize'
import { newId } from './ids.js'
import { connect, type DatabaseSettings } from './connect.js'
import { defineModels, type AuditRow, type Models } from './models.js'

export type { Transaction } from 'sequelize'

const DEADLOCK = [1213, 1205, 1020]
const LOST = [45009, 45013, 45044, 1927, 2006, 2013]
const TRIES = 4

/** Who does something, for the audit. */
export interface Actor {
  readonly kind: AuditRow['actorKind']
  readonly id: string | null
}

/**
 * The one place that knows the database. Every write goes through `inTransaction`, which begins anew after a deadlock
 * or a lost connection: what it runs must therefore be idempotent, with ids made by the caller.
 */
export class Database {
  readonly sequelize: Sequelize
  readonly rows: Models

  constructor(settings: DatabaseSettings, poolSize?: number) {
    this.sequelize = connect(settings, poolSize)
    this.rows = defineModels(this.sequelize)
  }

  async inTransaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    for (let attempt = 1; ; attempt += 1) {
      try {
        return await this.sequelize.transaction(work)
      } catch (error) {
        if (attempt >= TRIES || !isWorthRetrying(error)) throw error
        await new Promise((resolve) => setTimeout(resolve, 20 * 2 ** attempt + Math.random() * 20))
      }
    }
  }

  /** Adds an audit row. Detail holds ids and names of fields, never a patient's values. */
  async audit(
    entry: Omit<AuditRow, 'id' | 'actorKind' | 'actorId' | 'detail'> & { actor: Actor; detail?: object },
    transaction?: Transaction,
  ) {
    const { actor, detail, ...rest } = entry
    await this.rows.audit.create(
      { id: newId(), ...rest, actorKind: actor.kind, actorId: actor.id, detail: detail ?? {} },
      transaction ? { transaction } : {},
    )
  }

  /** Changes with every change of an episode's record: a screen that knows another one reads again. */
  async revisionOf(episodeId: string): Promise<string> {
    const newest = await this.rows.audit.findOne({
      where: { episodeId, isChange: true },
      order: [['id', 'DESC']],
      attributes: ['id'],
    })
    return newest?.get().id ?? ''
  }

  async removeExpiredSessions(now: Date): Promise<void> {
    await this.rows.sessions.destroy({ where: { expiresAt: { [Op.lt]: now } } })
  }

  async close(): Promise<void> {
    await this.sequelize.close()
  }
}

function isWorthRetrying(error: unknown): boolean {
  if (error instanceof ConnectionError) return true
  if (!(error instanceof DatabaseError)) return false
  const { errno } = error.parent as { errno?: number }
  return errno !== undefined && [...DEADLOCK, ...LOST].includes(errno)
}
