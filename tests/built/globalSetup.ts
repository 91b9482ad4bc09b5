import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import {
  clinicEnvironment,
  prepareClinic,
  startServer,
  type Environment,
  type SignIns,
} from '../../scripts/lib/clinic.mjs'
import { freePort, startDatabase } from '../../scripts/lib/database.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    built: { url: string; signIns: SignIns; environment: Environment }
  }
}

/** The built application on a private MariaDB, as `npm run demo` starts it, for the tests that drive it from outside. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const directory = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'pb-'))
  const database = await startDatabase({ directory, durable: false })
  const environment = clinicEnvironment(database, { directory, port: await freePort() })
  const { signIns } = await prepareClinic(database, environment)
  const server = await startServer(environment)
  project.provide('built', { url: `http://127.0.0.1:${server.port}`, signIns, environment })
  return async () => {
    await server.stop()
    await database.stop()
    rmSync(directory, { recursive: true, force: true })
  }
}
