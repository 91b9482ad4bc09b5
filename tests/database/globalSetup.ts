import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startDatabase, type PrivateDatabase } from '../../scripts/lib/database.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    database: Pick<PrivateDatabase, 'port' | 'socket' | 'accounts'>
  }
}

/** A private MariaDB for the server tests, in memory where the machine has room, thrown away afterwards. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const directory = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'pt-'))
  const database = await startDatabase({ directory, durable: false })
  project.provide('database', { port: database.port, socket: database.socket, accounts: database.accounts })
  return async () => {
    await database.stop()
    rmSync(directory, { recursive: true, force: true })
  }
}
