import type { SessionStore } from '@fastify/session'
import { hashOf } from '../data/digest.js'
import type { Users } from '../data/users.js'

type Callback = (error?: unknown) => void
type SessionData = Parameters<SessionStore['set']>[1]

/** How long a sign-in lasts without being used. */
export const SESSION_HOURS = 10

/** Sessions in the database: they outlive a restart and are shared by several servers. Ids are stored hashed. */
export function databaseSessions(users: Users, now: () => Date): SessionStore {
  const done = (work: Promise<unknown>, callback: Callback) => {
    work.then(() => callback(), callback)
  }
  return {
    set(id: string, session: SessionData, callback: Callback) {
      const row = {
        id: hashOf(id),
        userId: session.userId ?? null,
        data: JSON.stringify(session),
        expiresAt: new Date(now().getTime() + SESSION_HOURS * 3_600_000),
      }
      done(users.keepSession(row), callback)
    },
    get(id: string, callback: (error: unknown, session?: SessionData | null) => void) {
      users.session(hashOf(id)).then((row) => {
        const isAlive = row !== null && row.expiresAt > now()
        callback(null, isAlive ? (JSON.parse(row.data) as SessionData) : null)
      }, callback)
    },
    destroy(id: string, callback: Callback) {
      done(users.endSession(hashOf(id)), callback)
    },
  }
}
