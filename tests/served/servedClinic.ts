import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  clinicEnvironment,
  prepareClinic,
  startDevices,
  startServer,
  type Environment,
  type SignIns,
} from '../../scripts/lib/clinic.mjs'
import { freePort, startDatabase } from '../../scripts/lib/database.mjs'

export interface ServedClinic {
  readonly url: string
  /** Where one plays the simulated devices. */
  readonly devicesUrl: string
  readonly signIns: SignIns
  readonly environment: Environment
}

/** The built application on a private MariaDB with the demo clinic, as `npm run demo` starts it. */
export async function servedClinic(): Promise<{ clinic: ServedClinic; stop: () => Promise<void> }> {
  const directory = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'pb-'))
  const database = await startDatabase({ directory, durable: false })
  const environment = clinicEnvironment(database, { directory, port: await freePort() })
  const { signIns } = await prepareClinic(database, environment)
  const devices = await startDevices(0)
  environment.PLEDGE_DEVICES_URL = `ws://127.0.0.1:${devices.port}`
  const server = await startServer(environment)
  return {
    clinic: {
      url: `http://127.0.0.1:${server.port}`,
      devicesUrl: `http://127.0.0.1:${devices.port}`,
      signIns,
      environment,
    },
    stop: async () => {
      await server.stop()
      await devices.stop()
      await database.stop()
      rmSync(directory, { recursive: true, force: true })
    },
  }
}
