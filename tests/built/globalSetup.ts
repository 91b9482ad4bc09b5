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
import { startBrowser } from '../../scripts/lib/browser.mjs'
import { freePort, startDatabase } from '../../scripts/lib/database.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    built: { url: string; signIns: SignIns; environment: Environment; browser: string }
  }
}

/** The built application on a private MariaDB, as `npm run demo` starts it, and one browser, for the tests that drive it from outside. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const directory = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'pb-'))
  const database = await startDatabase({ directory, durable: false })
  const environment = clinicEnvironment(database, { directory, port: await freePort() })
  const { signIns } = await prepareClinic(database, environment)
  const server = await startServer(environment)
  const { browser, close } = await startBrowser()
  project.provide('built', {
    url: `http://127.0.0.1:${server.port}`,
    signIns,
    environment,
    browser: browser.wsEndpoint(),
  })
  return async () => {
    await close()
    await server.stop()
    await database.stop()
    rmSync(directory, { recursive: true, force: true })
  }
}
