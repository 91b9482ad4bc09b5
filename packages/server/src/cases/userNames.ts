import type { Database } from '../data/database.js'

/** The names of all users, by id. */
export async function userNames({ rows }: Pick<Database, 'rows'>): Promise<Map<string, string>> {
  return new Map((await rows.users.findAll()).map((row) => [row.get().id, row.get().name]))
}
