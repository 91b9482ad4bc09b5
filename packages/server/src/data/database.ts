import {
  ConnectionError,
  DatabaseError,
  UniqueConstraintError,
  type Sequelize,
  type Transaction,
} from 'sequelize'
import { connect, type DatabaseSettings } from './connect.js'
import { defineModels, type Models } from './models.js'
import type { AuditRow } from './rows.js'

export type { Transaction } from 'sequelize'

const DEADLOCK = [1213, 1205, 1020]
const LOST = [45009, 45013, 45044, 1927, 2006, 2013]
const TRIES = 4
/** A statement of ours refuses. */
const SIGNALLED = 1644

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
    return this.retried(() => this.sequelize.transaction(work))
  }

  /** Does something again after a deadlock or a lost connection: it must be idempotent. */
  async retried<T>(work: () => Promise<T>): Promise<T> {
    for (let attempt = 1; ; attempt += 1) {
      try {
        return await work()
      } catch (error) {
        if (attempt >= TRIES || !isWorthRetrying(error)) throw error
        await new Promise((resolve) => setTimeout(resolve, 20 * 2 ** attempt + Math.random() * 20))
      }
    }
  }

  /** Whether something was refused because its id is there already. */
  isDuplicate(error: unknown): boolean {
    return error instanceof UniqueConstraintError
  }

  /** What a statement of ours said when it refused; empty for any other error. */
  saidBy(error: unknown): string {
    if (!(error instanceof DatabaseError)) return ''
    const { errno, sqlMessage } = error.parent as { errno?: number; sqlMessage?: string }
    return errno === SIGNALLED ? (sqlMessage ?? '') : ''
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
