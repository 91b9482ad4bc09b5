import { Op } from 'sequelize'
import type { Database } from './database.js'
import type { SessionRow, UserRow } from './rows.js'

/** People who work at the clinic, and their sessions. */
export class Users {
  constructor(private readonly database: Database) {}

  /** The names of all users, by id. */
  async names(): Promise<Map<string, string>> {
    const found = await this.database.rows.users.findAll({ attributes: ['id', 'name'] })
    return new Map(found.map((row) => [row.get().id, row.get().name]))
  }

  async byId(id: string): Promise<UserRow | null> {
    return (await this.database.rows.users.findByPk(id))?.get() ?? null
  }

  async byLogin(login: string): Promise<UserRow | null> {
    return (await this.database.rows.users.findOne({ where: { login } }))?.get() ?? null
  }

  async keepSession(session: SessionRow): Promise<void> {
    await this.database.rows.sessions.upsert(session)
  }

  async session(id: string): Promise<SessionRow | null> {
    return (await this.database.rows.sessions.findByPk(id))?.get() ?? null
  }

  async endSession(id: string): Promise<void> {
    await this.database.rows.sessions.destroy({ where: { id } })
  }

  async removeExpiredSessions(now: Date): Promise<void> {
    await this.database.rows.sessions.destroy({ where: { expiresAt: { [Op.lt]: now } } })
  }
}
